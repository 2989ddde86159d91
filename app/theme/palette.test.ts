import { DAY, NIGHT, contrast, type Palette } from './palette';

const TEXT: (keyof Palette)[] = ['ink', 'quiet', 'copperText', 'holds', 'violation', 'unproven', 'advice'];

describe.each([
  ['day', DAY],
  ['night', NIGHT],
])('%s', (_, palette) => {
  test.each(TEXT)('%s stands 7:1 on paper and on a sheet', (name) => {
    expect(contrast(palette[name], palette.paper)).toBeGreaterThanOrEqual(7);
    expect(contrast(palette[name], palette.sheet)).toBeGreaterThanOrEqual(7);
  });

  test('a chosen plate and a hazard block can be read', () => {
    expect(contrast(palette.paper, palette.ink)).toBeGreaterThanOrEqual(7);
    expect(contrast(palette.paper, palette.violation)).toBeGreaterThanOrEqual(7);
  });

  test('the line can be seen', () => {
    expect(contrast(palette.copper, palette.paper)).toBeGreaterThanOrEqual(3);
  });
});

test('contrast agrees with known pairs', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5);
  expect(contrast('#777777', '#FFFFFF')).toBeCloseTo(4.48, 2);
});
