import { marked } from './marks';

const arrow = { kind: 'arrow', x: 0.5, y: 0.5, turnDeg: 0 } as const;

test('a touch places a mark, and one on an arrow’s tip turns it, all the way round', () => {
  expect(marked([], 'ring', 0.2, 0.3)).toEqual([{ kind: 'ring', x: 0.2, y: 0.3, turnDeg: 0 }]);
  expect(marked([arrow], 'ring', 0.7, 0.5)).toEqual([arrow, { kind: 'ring', x: 0.7, y: 0.5, turnDeg: 0 }]);
  const turned = Array.from({ length: 8 }).reduce<ReturnType<typeof marked>>(
    (marks) => marked(marks, 'ring', 0.52, 0.49),
    [arrow],
  );
  expect(turned).toEqual([arrow]);
  expect(marked([arrow], 'arrow', 0.5, 0.5)).toEqual([{ ...arrow, turnDeg: 45 }]);
});

test('a ring is no arrow: a touch on it places another mark', () => {
  const ring = { ...arrow, kind: 'ring' } as const;
  expect(marked([ring], 'ring', 0.5, 0.5)).toHaveLength(2);
});
