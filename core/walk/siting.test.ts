import { metaOf, withFact, type Case } from '../case';
import { RULES } from '../rules';
import { caseWith } from '../test/rule-table';
import { judge } from '../verdict';
import { atPlace, atRing, exhaustDegrees, ringsOf, turnedExhaust } from '.';

const exhaust = RULES.find((one) => one.id === 'siting/exhaust-away')!;
const feet = (...of: Parameters<typeof ringsOf>) => ringsOf(...of).map((one) => one.feet);

test('the rings are the limits of office and maker, and one beyond them all', () => {
  expect(feet(caseWith({ 'siting.makerFt': undefined }))).toEqual([5, 20, 25]);
  expect(feet(caseWith({ 'siting.makerFt': 10 }))).toEqual([5, 10, 20, 25]);
  expect(feet(caseWith({ 'siting.makerFt': 'not-seen' }))).toEqual([5, 20, 25]);
  expect(feet(caseWith({}), { leastOpeningFt: 10, advisedOpeningFt: 30 })).toEqual([10, 30, 40]);
  // a limit that is the maker’s and the office’s is one ring
  expect(ringsOf(caseWith({ 'siting.makerFt': 20 }))[1]).toEqual({ feet: 20, stands: 'the maker’s distance' });
});

test('a ring says the distance; the place only where nobody has said one', () => {
  const fresh = caseWith({ 'siting.place': undefined });
  expect(atRing(fresh, 20)).toEqual([
    ['siting.openingFt', 20],
    ['siting.place', 'outdoors'],
  ]);
  for (const place of ['porch', 'garage', 'not-seen'])
    expect(atRing(caseWith({ 'siting.place': place }), 20)).toEqual([['siting.openingFt', 20]]);
});

test('inside there is no distance left; a porch has one of its own', () => {
  expect(atPlace('garage')).toContainEqual(['siting.openingFt', 0]);
  expect(atPlace('indoors')).toContainEqual(['siting.openingFt', 0]);
  expect(atPlace('porch')).toEqual([['siting.place', 'porch']]);
  expect(atPlace('outdoors')).toEqual([['siting.place', 'outdoors']]);
});

test('the arrow comes round in eight touches', () => {
  let c: Case = caseWith({ 'siting.exhaustAway': 'yes' });
  const seen: unknown[] = [];
  for (let touch = 0; touch < 8; touch++) {
    const [path, value] = turnedExhaust(c)!;
    c = withFact(c, path, value);
    seen.push([exhaustDegrees(c), judge(exhaust, c).outcome]);
  }
  expect(seen).toEqual([
    [45, 'holds'],
    [90, 'violation'],
    [135, 'violation'],
    [180, 'violation'],
    [225, 'violation'],
    [270, 'violation'],
    [315, 'holds'],
    [0, 'holds'],
  ]);
});

test.each([undefined, 'not-seen'])(
  'where nobody knows where it points (%s) there is no arrow, and a touch turns none',
  (way) => {
    const c = caseWith({ 'siting.exhaustAway': way });
    expect([exhaustDegrees(c), turnedExhaust(c)]).toEqual([undefined, undefined]);
  },
);

test.each(metaOf('siting.exhaustAway').choices)(
  'only what points toward the house is a hazard: $value',
  ({ value }) => {
    const c = caseWith({ 'siting.exhaustAway': value });
    const { outcome, severity } = judge(exhaust, c);
    const toward = Math.cos((exhaustDegrees(c)! * Math.PI) / 180) < -0.1;
    expect(outcome === 'violation' && severity === 'hazard').toBe(toward);
  },
);
