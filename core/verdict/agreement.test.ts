import fc from 'fast-check';
import { withFact, type Case } from '../case';
import { Look, currentsOf, dropV, runs, solveHouse, ON_SOURCE } from '../electrical';
import { RULES } from '../rules';
import { example } from '../test/examples';
import { BRIDGED, GOOD, at, caseWith, type Facts } from '../test/rule-table';
import { judge } from '.';

/** Rules and network answer the same questions by different ways; here they must agree. */
const outcome = (id: string, c: Case) =>
  judge(
    RULES.find((one) => one.id === id)!,
    c,
  ).outcome;
/** Current that counts as none, A: a GFCI trips at 4 mA. */
const NONE_A = 0.004;

/** Houses that the two models must agree on; AGREEMENT_RUNS=10000 asks for more. */
const RUNS = Number(process.env.AGREEMENT_RUNS ?? 2000);

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
    'neutral.derivedBond': fc.constantFrom('source', 'house', 'none'),
    'source.outletDevice': fc.constantFrom('own', 'none'),
    'source.units': fc.constantFrom('one', 'parallel-split'),
    'feeder.stretches[0].method': fc.constantFrom('NM-B', 'EMT', 'SER'),
    'feeder.stretches[0].groundBy': fc.constantFrom('conductor', 'raceway'),
    'grounding.frameToPanelOhm': fc.constantFrom(0.2, 1_000_000),
    'grounding.rod': fc.constantFrom('none', 'auxiliary', 'only-path'),
    'cord[0].sizeAwg': wire,
    'cord[0].lengthFt': fc.integer({ min: 5, max: 60 }),
    'feeder.stretches[0].sizeAwg': wire,
    'feeder.stretches[0].groundAwg': wire,
    'feeder.stretches[0].lengthFt': fc.integer({ min: 5, max: 100 }),
    'source.runningW': fc.integer({ min: 5000, max: 12_000 }),
  })
  .map((facts) => caseWith({ ...facts, 'grounding.cordGroundOhm': facts['grounding.frameToPanelOhm'] } as Facts));

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
    { numRuns: RUNS },
  );
}, 120_000);

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
    { numRuns: RUNS },
  );
}, 120_000);

test('neutral/one-bond holds ⇔ no neutral current on the ground inside the house', () => {
  fc.assert(
    fc.property(anyHouse, (house) => {
      if (outcome('neutral/matrix', house) !== 'holds') return; // else it may be the only bond there is
      const { derivedBond, switched } = house.neutral!;
      if (switched === 'yes' && house.source!.neutralBond === 'floating' && derivedBond !== 'house') return; // it is
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
          ...(onePole ? BRIDGED : {}),
          ...at('loads.circuits[0]', { slot: 1, runningW: a, neutralGroup: 'a', sizeAwg: '14', metal: 'copper' }),
          ...at('loads.circuits[1]', { slot: 3, runningW: b, neutralGroup: 'a', sizeAwg: '14', metal: 'copper' }),
        });
        const solved = solveHouse(new Look(c), { ...ON_SOURCE, loadsW: { A: a, B: b } });
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
  const solved = solveHouse(new Look(GOOD), { ...ON_SOURCE, loadsW: { both: 7000 } });
  const lost = (wire: string) => Math.abs(solved.volt(`source ${wire}`, `house ${wire}`));
  const drop = judge(
    RULES.find((one) => one.id === 'feeder/voltage-drop')!,
    GOOD,
  ).working.find((step) => step.label.startsWith('Drop'))!.value as number;
  // 7000 W at 240 V nominal draws less once the source sags inside; scaled to the same current they agree.
  const ampere = Math.abs(solved.ampere('feeder A'));
  expect((lost('A') + lost('B')) * (7000 / 240 / ampere)).toBeCloseTo(drop, 1);
});

/** Volts at the panel with so many watts on each leg, as a meter shows them. */
function readings(c: Case, a: number, b: number, neutralOpen: boolean) {
  const solved = solveHouse(new Look(c), { ...ON_SOURCE, loadsW: { A: a, B: b }, neutralOpen });
  const volts = (one: string, other: string) => Math.round(Math.abs(solved.volt(one, other)) * 10) / 10;
  return { a: volts('bus A', 'load N'), b: volts('bus B', 'load N'), across: volts('bus A', 'bus B') };
}

test('an open neutral is found from the volts that the network gives with load on one leg, and an unbroken one never is', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1000, max: 3000 }),
      fc.integer({ min: 60, max: 400 }),
      wire,
      fc.integer({ min: 5, max: 100 }),
      fc.boolean(),
      (heavy, light, size, lengthFt, neutralOpen) => {
        const way: Facts = {
          'cord[0].sizeAwg': size,
          'cord[0].lengthFt': lengthFt,
          'feeder.stretches[0].lengthFt': lengthFt,
        };
        const house = caseWith(way);
        const onA = readings(house, heavy, light, neutralOpen);
        const onB = readings(house, light, heavy, neutralOpen);
        const c = caseWith({
          ...way,
          'function.legAV': onA.a,
          'function.legBV': onA.b,
          'function.legsV': onA.across,
          'function.otherLegAV': onB.a,
          'function.otherLegBV': onB.b,
        });
        const found = ['function/neutral-unbroken', 'function/legs-measured'].some(
          (id) => outcome(id, c) === 'violation',
        );
        expect([onA, found]).toEqual([onA, neutralOpen]);
      },
    ),
    { numRuns: RUNS / 4 },
  );
}, 120_000);

test('a balanced load hides an open neutral from the meter, which is why it proves nothing', () => {
  const { a, b, across } = readings(GOOD, 1500, 1500, true);
  expect([Math.abs(a - b) < 0.2, Math.abs(a + b - across) < 0.2]).toEqual([true, true]);
});

describe('the source', () => {
  const RATED_A = 7000 / 240;
  const legAt = (watts: number) => {
    const solved = solveHouse(new Look(GOOD), { ...ON_SOURCE, loadsW: { A: watts } });
    return { volts: Math.abs(solved.volt('source A', 'source N')), ampere: Math.abs(solved.ampere('source A')) };
  };

  test('holds its volts up to its rated current: 12 A on one leg cost a volt, not eleven', () => {
    const { volts, ampere } = legAt(1440);
    // 120 V behind 1.5 % at the rated current: 1.8 V × 12 ÷ 29.17
    expect(volts).toBeCloseTo(120 - (1.8 * ampere) / RATED_A, 5);
    expect(volts).toBeGreaterThan(119);
  });

  test('at the rated current it has lost 1.5 %, beyond it sags, and a dead short takes nearly four times that current', () => {
    const nearly = legAt(3440);
    expect([nearly.ampere < RATED_A, nearly.volts > 118.1]).toEqual([true, true]);
    const beyond = legAt(6000);
    expect(beyond.ampere).toBeGreaterThan(RATED_A);
    // on the line from 118.2 V at the rated current to 0 V at four times it
    expect(beyond.volts).toBeCloseTo((118.2 * (4 * RATED_A - beyond.ampere)) / (3 * RATED_A), 5);
    const fault = currentsOf(new Look(GOOD)).faultA;
    expect([fault > 3 * RATED_A, fault < 4 * RATED_A]).toEqual([true, true]);
  });
});

test('the voltage drop of the network is the rule’s for the same current', () => {
  fc.assert(
    fc.property(
      wire,
      fc.integer({ min: 5, max: 100 }),
      fc.integer({ min: 5, max: 100 }),
      fc.integer({ min: 500, max: 6500 }),
      (size, cordFt, feederFt, watts) => {
        const look = new Look(
          caseWith({ 'cord[0].sizeAwg': size, 'cord[0].lengthFt': cordFt, 'feeder.stretches[0].lengthFt': feederFt }),
        );
        const solved = solveHouse(look, { ...ON_SOURCE, loadsW: { both: watts } });
        const lost = (leg: string) => Math.abs(solved.volt(`source ${leg}`, `house ${leg}`));
        expect(lost('A') + lost('B')).toBeCloseTo(dropV(runs(look), Math.abs(solved.ampere('feeder A'))), 2);
      },
    ),
    { numRuns: 500 },
  );
});
