import { change, decision, inspection, INSPECTOR, LEAD, SEEN, uuidOf } from '../test/inspection';
import { applyChange, streetOf, summaryOf, type ChangeBody, type Inspection } from '.';

const after = (from: Inspection, ...bodies: ChangeBody[]) =>
  bodies.reduce((now, body) => {
    const applied = applyChange(now, change(body), LEAD);
    if (!applied.ok) throw new Error(applied.why);
    return applied.inspection;
  }, from);
const house = inspection();
const ID = house.id;

test.each([
  ['12 Orchard Loop', 'orchard loop 00000012'],
  ['  7B Harvest Gate ', 'harvest gate 00000007'],
  ['Harvest Gate', 'harvest gate 00000000'],
  ['118-120 Quince Hollow', 'quince hollow 00000118'],
])('%s stands in its street', (address, street) => expect(streetOf(address)).toBe(street));

test('houses of one street stand together, 9 before 12', () => {
  const houses = ['12 Orchard Loop', '3 Windfall Lane', '9 Orchard Loop'];
  expect(houses.sort((a, b) => (streetOf(a) < streetOf(b) ? -1 : 1))).toEqual(['9 Orchard Loop', '12 Orchard Loop', '3 Windfall Lane']); // prettier-ignore
});

test('what was begun and left rests after half a year, what is approved after a month', () => {
  expect(summaryOf(house)).toMatchObject({ state: 'draft', restsOn: '2027-05-24', dueOn: null });
  const approved = after(house, { type: 'decide', inspection: ID, ...SEEN, decision: decision() });
  expect(summaryOf(approved)).toMatchObject({ state: 'approved', inspector: LEAD.name });
  expect(summaryOf(approved).restsOn).toBe('2026-12-25');
  const touched = after(approved, { type: 'facts', inspection: ID, facts: [{ path: 'breaker.ratingA', value: 20, how: 'touched' }] }); // prettier-ignore
  expect(summaryOf(touched).restsOn).toBe('2027-05-24');
});

test('a condition, a visit, an open violation keep it awake; the visit says who goes there', () => {
  const condition = { id: uuidOf(1), text: 'Label at the meter within a week.', dueOn: '2026-12-02', of: null };
  const conditional = after(house, { type: 'decide', inspection: ID, ...SEEN, decision: decision({ kind: 'approved-with-conditions', conditions: [condition] }) }); // prettier-ignore
  expect(summaryOf(conditional)).toMatchObject({ dueOn: '2026-12-02', dueWhat: 'condition', restsOn: null });
  const visit = { type: 'visit', inspection: ID, visit: uuidOf(2), to: 'scheduled', words: '', day: '2026-11-30', inspector: INSPECTOR.name } as const; // prettier-ignore
  expect(summaryOf(after(conditional, visit))).toMatchObject({ dueOn: '2026-11-30', dueWhat: 'visit', inspector: INSPECTOR.name }); // prettier-ignore
  const violation = {
    type: 'violation', inspection: ID, violation: uuidOf(3), to: 'open', words: '', dueOn: '2026-12-09', findings: [{ rule: 'inlet/rated-for-source-outlet', part: null }],
    is: { words: 'The inlet is rated below the outlet.', remedy: 'Fit a larger inlet.', cites: ['406.7'], severity: 'correction', station: 'inlet' },
  } as const; // prettier-ignore
  const violated = summaryOf(after(house, violation as unknown as ChangeBody));
  expect(violated).toMatchObject({ violated: ['inlet/rated-for-source-outlet'], dueWhat: 'violation', dueOn: '2026-12-09', restsOn: null }); // prettier-ignore
});
