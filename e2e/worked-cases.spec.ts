import { VERDICT_WORDS, evaluate } from '@careful-latch/core/verdict';
import { TRANSFER_KINDS, emptyCase, factAt, recordedFacts, withFact, type Case } from '@careful-latch/core/case';
import { ON_PHONE, ON_WIDE, expect, test } from './office';
import type { Usual } from '@careful-latch/core/walk';
import { StripWalker, usualAt } from './strip';
import { Person } from '../core/test/person';
import { EXAMPLES, example } from '../core/test/examples';
import { Walker } from './walk';

/** Cases 1 to 5 are touched through, by drawing and strip; the others are the engine’s own tests. */
const names = EXAMPLES.filter((name) => /^case-[1-5]-/.test(name));

/** Verdicts as the rulebook says them; the engine is not asked for these. */
const EXPECTED: Readonly<Record<string, keyof typeof VERDICT_WORDS>> = {
  'case-1-interlock-holds': 'nothing-against',
  'case-2-breaker-50-before-inlet-30': 'corrections-required',
  'case-3-attic-46c': 'nothing-against',
  'case-3-attic-56c': 'nothing-against',
  'case-3-attic-68c': 'do-not-energize',
  'case-4-nmb-6': 'nothing-against',
  'case-4-nmb-8': 'do-not-energize',
  'case-4-thwn-60c-terminal': 'do-not-energize',
  'case-4-thwn-75c-terminals': 'nothing-against',
  'case-5-bonded-unswitched': 'do-not-energize',
};

const CASE_1_NAME = 'case-1-interlock-holds';
const CASE_1 = example(CASE_1_NAME);

/** Walks what is not recorded yet, and finds in the findings what the rulebook says. */
async function comesOut(walker: Walker, strip: StripWalker, name: string, usual: Usual, begun?: Case): Promise<void> {
  const c = example(name);
  await strip.walk(c, usual, undefined, begun);
  await walker.savedAtOffice();
  await strip.toFindings();
  await walker.verdict(VERDICT_WORDS[EXPECTED[name]!]);
  // What is measured with the source running is not, where a hazard was found before.
  const person = new Person(c, usual, true, ...(begun ? [begun] : []));
  const touches = [...person.walk()];
  expect(touches.length).toBeGreaterThan(0);
  for (const one of evaluate(person.site).outcomes)
    await expect(walker.page.getByTestId(`finding-${one.rule}`).filter({ visible: true })).toHaveCount(
      one.outcome === 'violation' ? 1 : 0,
    );
}

test(
  `${CASE_1_NAME} comes out through the interface as the rulebook says; a whole house by drawing and strip, on a wide screen by keyboard alone`,
  ON_WIDE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    const strip = new StripWalker(page, { keyboard: true });
    await strip.hurry();
    await walker.signIn(undefined, 'drawings');
    const usual = await usualAt(page, office.address);
    await walker.openNew(CASE_1_NAME, 'Nella D’Arbois', TRANSFER_KINDS['retrofit-interlock']);
    await comesOut(walker, strip, CASE_1_NAME, usual);
  },
);

// Of the others what they have in common with case 1 is recorded already; where they differ they are touched.
for (const group of ['case-2', 'case-3', 'case-4', 'case-5'].map((n) => names.filter((name) => name.startsWith(n))))
  test(`${group.join(', ')}: as the rulebook says, too`, ON_PHONE, async ({ page, office }) => {
    const walker = new Walker(page, office);
    const strip = new StripWalker(page);
    await strip.hurry();
    await walker.signIn(undefined, 'drawings');
    for (const name of group) {
      const c = example(name);
      const common = recordedFacts(c).filter((path) => factAt(c, path) === factAt(CASE_1, path));
      const usual = await usualAt(page, office.address); // each house teaches what the next is offered first
      await walker.openSeeded(name, c, common);
      await comesOut(walker, strip, name, usual, common.reduce((now, path) => withFact(now, path, factAt(c, path)), emptyCase(c.edition))); // prettier-ignore
    }
  });
