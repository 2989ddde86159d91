import fc from 'fast-check';
import { withFact, type Case } from '../case';
import { Look, currentsOf, houseNetwork, ON_SOURCE } from '../electrical';
import { RULES } from '../rules';
import { GOOD, at, caseWith, example, type Facts } from '../test/rule-table';
import { judge } from '.';

/** Rules and network answer the same questions by different ways; here they must agree. */
const outcome = (id: string, c: Case) =>
  judge(
    RULES.find((one) => one.id === id)!,
    c,
  ).outcome;
/** Current that counts as none, A: a GFCI trips at 4 mA. */
const NONE_A = 0.004;

const wire = fc.constantFrom('10', '8', '6', '4');
/** A wired house with every bond, size and length that decides the neutral. */
const anyHouse = fc
  .record({
    'transfer.kind': fc.constantFrom(
      'retrofit-interlock',
      'load-side-switch',
      'transfer-panel',
      'whole-house-manual',
      'whole-house-automatic',
    ),
    'source.neutralBond': fc.constantFrom('bonded', 'floating'),
    'neutral.switched': fc.constantFrom('yes', 'no'),
    'neutral.otherBond': fc.constantFrom('none', 'subpanel'),
    'grounding.frameToPanelOhm': fc.constantFrom(0.2, 1_000_000),
    'grounding.rod': fc.constantFrom('none', 'auxiliary', 'only-path'),
    'cord[0].sizeAwg': wire,
    'cord[0].lengthFt': fc.integer({ min: 5, max: 60 }),
    'feeder.stretches[0].sizeAwg': wire,
    'feeder.stretches[0].groundAwg': wire,
    'feeder.stretches[0].lengthFt': fc.integer({ min: 5, max: 100 }),
    'source.runningW': fc.integer({ min: 5000, max: 12_000 }),
  })
  .map((facts) => caseWith(facts as Facts));

test('neutral/matrix holds ⇔ no steady current on the equipment ground, and a ground fault opens the breaker', () => {
  fc.assert(
    fc.property(anyHouse, (house) => {
      // The matrix speaks of an unbroken ground and of no third bond; those are other rules'.
      const c = withFact(
        withFact(withFact(house, 'grounding.frameToPanelOhm', 0.2), 'grounding.rod', 'none'),
        'neutral.otherBond',
        'none',
      );
      const { groundA, breakerOpens } = currentsOf(new Look(c));
      expect(groundA < NONE_A && breakerOpens).toBe(outcome('neutral/matrix', c) === 'holds');
    }),
    { numRuns: 2000 },
  );
});

test('a ground path that holds ⇔ a fault to the frame leaves no dangerous voltage on it', () => {
  fc.assert(
    fc.property(anyHouse, (house) => {
      if (outcome('neutral/matrix', house) !== 'holds' || house.source!.neutralBond === 'bonded') return; // a bonded frame carries its own fault
      const { frameFaultV } = currentsOf(new Look(house));
      const holds =
        outcome('grounding/path-continuous', house) === 'holds' &&
        outcome('grounding/rod-not-only-path', house) === 'holds';
      expect(frameFaultV < 100).toBe(holds);
    }),
    { numRuns: 2000 },
  );
});

test('neutral/one-bond holds ⇔ no neutral current on the ground inside the house', () => {
  fc.assert(
    fc.property(anyHouse, (house) => {
      if (outcome('neutral/matrix', house) !== 'holds') return; // else it may be the only bond there is
      const c = withFact(withFact(house, 'grounding.frameToPanelOhm', 0.2), 'grounding.rod', 'none'); // a broken ground carries none
      expect(currentsOf(new Look(c)).houseGroundA < NONE_A).toBe(outcome('neutral/one-bond', c) === 'holds');
    }),
    { numRuns: 1000 },
  );
});

test('backfed without transfer equipment ⇔ service conductors and pins are live', () => {
  fc.assert(
    fc.property(anyHouse, fc.boolean(), (house, backfed) => {
      const c = backfed ? withFact(house, 'transfer.kind', 'none-backfed') : house;
      const { serviceV, pinsV } = currentsOf(new Look(c));
      expect([serviceV > 50, pinsV > 50]).toEqual([backfed, backfed]);
      expect(outcome('transfer/no-outlet-backfeed', c)).toBe(backfed ? 'violation' : 'holds');
    }),
    { numRuns: 500 },
  );
});

test('whatever lets both sources close puts the source on the service conductors', () => {
  for (const name of ['transfer-loose-plate', 'transfer-kit-trimmed', 'breaker-not-held']) {
    const c = example(name);
    expect(outcome('transfer/prevents-parallel', c)).toBe('violation');
    expect(currentsOf(new Look(c), 1440, true).serviceV).toBeGreaterThan(200);
    expect(currentsOf(new Look(c), 1440, false).serviceV).toBeLessThan(1);
  }
});

test('a shared neutral: the network’s current is the rule’s, sum on one pole, difference on two legs', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 100, max: 1500 }),
      fc.integer({ min: 100, max: 1500 }),
      fc.boolean(),
      (a, b, onePole) => {
        const c = caseWith({
          ...(onePole ? { 'source.voltage': '120' } : {}),
          ...at('loads.circuits[0]', { slot: 1, runningW: a, neutralGroup: 'a', sizeAwg: '14' }),
          ...at('loads.circuits[1]', { slot: 3, runningW: b, neutralGroup: 'a', sizeAwg: '14' }),
        });
        const solved = houseNetwork(new Look(c), { ...ON_SOURCE, loadsW: { A: a, B: b } }).solve();
        const rule = judge(
          RULES.find((one) => one.id === 'loads/shared-neutral-within-rating')!,
          c,
        );
        // The rule counts nominal volts; the network loses some on the way.
        const found = rule.found as number;
        expect(Math.abs(Math.abs(solved.ampere('feeder N')) - found)).toBeLessThan(0.6 + 0.25 * found);
        expect(solved.volt('bus A', 'bus B') > 100).toBe(!onePole);
      },
    ),
    { numRuns: 300 },
  );
});

test('worked case 5: about half of 12 A returns over the equipment ground', () => {
  const { groundA, neutralA } = currentsOf(new Look(example('case-5-bonded-unswitched')), 1440);
  expect(groundA / (groundA + neutralA)).toBeCloseTo(0.5, 2);
  expect(groundA).toBeGreaterThan(5);
  const said = judge(
    RULES.find((one) => one.id === 'neutral/matrix')!,
    example('case-5-bonded-unswitched'),
  );
  const share = said.working.find((step) => step.label.startsWith('Share'))!.value as number;
  expect(groundA / (groundA + neutralA)).toBeCloseTo(share, 2);
});

test('worked case 1: the drop of the network is the rule’s', () => {
  const solved = houseNetwork(new Look(GOOD), { ...ON_SOURCE, loadsW: { both: 7000 } }).solve();
  const lost = (wire: string) => Math.abs(solved.volt(`source ${wire}`, `house ${wire}`));
  const drop = judge(
    RULES.find((one) => one.id === 'feeder/voltage-drop')!,
    GOOD,
  ).working.find((step) => step.label.startsWith('Drop'))!.value as number;
  // 7000 W at 240 V nominal draws less once the source sags inside; scaled to the same current they agree.
  const ampere = Math.abs(solved.ampere('feeder A'));
  expect((lost('A') + lost('B')) * (7000 / 240 / ampere)).toBeCloseTo(drop, 1);
});
