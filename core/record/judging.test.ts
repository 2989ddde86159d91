import { inspection } from '../test/inspection';
import { example } from '../test/examples';
import { parseProfile, type Profile } from '../profile';
import { judged, shownText, wouldDiffer } from '.';

const profileOf = (over: object): Profile => {
  const read = parseProfile(JSON.stringify({ format: 'careful-latch/profile', version: 2, office: 'Windfall', edition: '2020', ...over })); // prettier-ignore
  if (!read.ok) throw new Error(read.errors.join(' '));
  return read.profile;
};
const item = { id: 'permit-posted', station: 'panel', ask: 'Is the permit posted?', severity: 'correction', cite: 'Ordinance 7-1' }; // prettier-ignore

test('an inspection is judged under the rules that it keeps, and under its own edition', () => {
  const rules = { version: 1, profile: profileOf({ edition: '2023', checklist: [item] }) };
  const evaluation = judged(inspection({ rules }));
  expect(evaluation.edition).toBe('2020');
  expect(evaluation.outcomes.at(-1)).toMatchObject({ rule: 'local/permit-posted', outcome: 'unproven' });
  expect(judged(inspection()).outcomes.map(({ rule }) => rule as string)).not.toContain('local/permit-posted');
});

test('what would change is each rule whose outcome is another, and nothing else', () => {
  const house = inspection({ case: example('case-3-attic-68c') });
  expect(wouldDiffer(house, { version: 1, profile: profileOf({}) })).toEqual([]);
  const stricter = profileOf({
    checklist: [item],
    rules: {
      'inlet/lockable': { off: true, reason: 'Not asked here.' },
      'feeder/ampacity': { cites: ['Rule 9'], reason: 'Own number.' },
    },
  });
  expect(wouldDiffer(house, { version: 2, profile: stricter })).toEqual([
    { rule: 'inlet/lockable', words: 'The lid of the inlet can be locked.', from: 'holds', to: 'not-applicable' },
    { rule: 'local/permit-posted', words: 'permit posted', from: 'not asked', to: 'unproven' },
  ]);
  // and back again
  const under = inspection({ case: house.case, rules: { version: 2, profile: stricter } });
  expect(wouldDiffer(under, undefined).map(({ from, to }) => [from, to])).toEqual([['not-applicable', 'holds'], ['unproven', 'not asked']]); // prettier-ignore
});

test('a signature is on the rules too: other rules are another text', () => {
  const one = inspection({ rules: { version: 1, profile: profileOf({}) } });
  const other = inspection({ rules: { version: 2, profile: profileOf({}) } });
  expect(shownText(one, judged(one))).not.toBe(shownText(other, judged(other)));
  expect(shownText(inspection(), judged(inspection()))).not.toContain('"rules"');
});
