import fc from 'fast-check';
import { Network } from './network';

describe('hand-computed networks', () => {
  test('a divider: 120 V over 10 Ω and 20 Ω', () => {
    const at = new Network()
      .source('s', 'a', 'earth', 120, 1e-6)
      .resistance('r', 'a', 'b', 10)
      .resistance('t', 'b', 'earth', 20)
      .solve();
    expect(at.volt('b')).toBeCloseTo(80, 3);
    expect(at.volt('a', 'b')).toBeCloseTo(40, 3);
    expect(at.ampere('r')).toBeCloseTo(4, 4);
    expect(at.ampere('s')).toBeCloseTo(4, 4);
  });

  // 10 V over a bridge of 100, 200 | 300, 400 Ω with 50 Ω between: the middle carries 6.557 mA (mesh analysis by hand).
  test('an unbalanced bridge', () => {
    const at = new Network()
      .source('s', 'top', 'earth', 10, 1e-9)
      .resistance('a', 'top', 'left', 100)
      .resistance('b', 'left', 'earth', 300)
      .resistance('c', 'top', 'right', 200)
      .resistance('d', 'right', 'earth', 400)
      .resistance('middle', 'left', 'right', 50)
      .solve();
    // Node equations: left (1/100 + 1/300 + 1/50) − right/50 = 10/100; right (1/200 + 1/400 + 1/50) − left/50 = 10/200.
    const [a, b, c] = [1 / 100 + 1 / 300 + 1 / 50, 1 / 50, 1 / 200 + 1 / 400 + 1 / 50];
    const determinant = a * c - b * b;
    const left = (0.1 * c + b * 0.05) / determinant;
    const right = (a * 0.05 + b * 0.1) / determinant;
    expect(at.volt('left')).toBeCloseTo(left, 4);
    expect(at.ampere('middle')).toBeCloseTo((left - right) / 50, 6);
  });

  test('a balanced bridge carries nothing in its middle', () => {
    const at = new Network()
      .source('s', 'top', 'earth', 10, 1e-9)
      .resistance('a', 'top', 'left', 100)
      .resistance('b', 'left', 'earth', 300)
      .resistance('c', 'top', 'right', 200)
      .resistance('d', 'right', 'earth', 600)
      .resistance('middle', 'left', 'right', 50)
      .solve();
    expect(at.ampere('middle')).toBeCloseTo(0, 6);
  });

  test('a lost neutral on two legs: 10 Ω and 30 Ω share 240 V as 60 and 180', () => {
    const at = new Network()
      .source('A', 'a', 'n', 120, 1e-6)
      .source('B', 'b', 'n', -120, 1e-6)
      .resistance('ground', 'n', 'earth', 1)
      .resistance('heavy', 'a', 'load', 10)
      .resistance('light', 'b', 'load', 30)
      .resistance('broken', 'load', 'n', Infinity)
      .solve();
    expect(Math.abs(at.volt('a', 'load'))).toBeCloseTo(60, 3);
    expect(Math.abs(at.volt('b', 'load'))).toBeCloseTo(180, 3);
    expect(at.ampere('broken')).toBe(0);
  });

  test('a part tied to nothing has a voltage and carries no current', () => {
    const at = new Network().source('s', 'a', 'b', 120, 0.1).solve();
    expect(at.volt('a', 'b')).toBeCloseTo(120, 4);
    expect(at.ampere('s')).toBeCloseTo(0, 4);
  });

  test('no resistance of zero or below', () => {
    expect(() => new Network().resistance('r', 'a', 'b', 0)).toThrow('a resistance is above 0');
  });
});

test('what flows into a node flows out of it, in any ladder', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(fc.double({ min: 0.01, max: 100, noNaN: true }), fc.double({ min: 0.01, max: 100, noNaN: true })),
        { minLength: 1, maxLength: 8 },
      ),
      (rungs) => {
        const net = new Network().source('s', 'n0', 'earth', 120, 0.1);
        rungs.forEach(([along, down], i) =>
          net.resistance(`along ${i}`, `n${i}`, `n${i + 1}`, along).resistance(`down ${i}`, `n${i + 1}`, 'earth', down),
        );
        const at = net.solve();
        rungs.forEach((_, i) =>
          expect(at.ampere(`along ${i}`)).toBeCloseTo(
            at.ampere(`down ${i}`) + (i + 1 < rungs.length ? at.ampere(`along ${i + 1}`) : 0),
            5,
          ),
        );
      },
    ),
  );
});
