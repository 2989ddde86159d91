import { decisionSchema } from '@careful-latch/core/record';
import { pathOf } from './signature-path';

const line = (...points: [number, number][]) => ({ points: points.map(([x, y]) => ({ x, y })) });

test('drawn lines become one path in the box, whatever the canvas', () => {
  expect(pathOf([line([0, 0], [640, 240])], { width: 640, height: 240 })).toBe('M0.0 0.0L320.0 120.0');
  expect(pathOf([line([0, 0], [160, 60]), line([10, 10])], { width: 320, height: 240 })).toBe(
    'M0.0 0.0L80.0 30.0M5.0 5.0L5.0 5.0',
  );
  expect(pathOf([line()], { width: 320, height: 120 })).toBe('');
});

test('the office takes such a path', () => {
  const path = pathOf([line([1, 2], [3, 4])], { width: 320, height: 120 });
  const why = (drawn: string) => {
    const signature = { name: 'Ilse O’Harrow', path: drawn };
    return decisionSchema.validateAt('signature.path', { signature } as never);
  };
  return Promise.all([
    expect(why(path)).resolves.toBe(path),
    expect(why('<script>')).rejects.toThrow('The drawn signature is no path.'),
  ]);
});
