import { everyEdition } from '../../codebook';
import { RIGHT_ANSWERS, functionTest, mechanismAt, settingOf, type TestFact } from '../../interlock';
import { Missing } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

/** Answers that show a mechanism which does not do its work, though it joins nothing. */
const WRONG: Readonly<Partial<Record<TestFact, readonly [reason: string, remedy: string]>>> = {
  'function.eachAlone': [
    'One of the sources cannot be closed alone.',
    'Free or adjust the mechanism as its maker says, until each source closes fully by itself.',
  ],
  'function.handlesIndependent': [
    'A handle moves its neighbor, or leaves the other half of its pair behind.',
    'Fit the maker’s ties on the pairs alone, and free every other handle as the maker says.',
  ],
  'function.cycle': [
    'It does not go over to the source and come back by itself.',
    'Have it set up and tested as its maker says; nobody pushes a contactor by hand.',
  ],
};

export default rule({
  id: 'function/step-test-complete',
  holds:
    'Every move that the mechanism’s model lists was tried, each source closes alone, and each handle does its own work.',
  severity: 'correction',
  cites: everyEdition('702.5', 'guidance'),
  not: 'What a hand cannot try: a breaker pulled off the bus, the cover off, a contactor.',
  facts: [
    'transfer.kind', 'transfer.otherKind', 'transfer.mechanism', 'transfer.mountedOn', ...Object.keys(RIGHT_ANSWERS),
  ], // prettier-ignore
  notApplicable: without('inlet'),
  check: (look) => {
    for (const [path, words] of Object.entries(WRONG) as [TestFact, readonly [string, string]][]) {
      const answer = look.known(path);
      if (answer !== undefined && answer !== RIGHT_ANSWERS[path]) return violation(...words);
    }
    const name = mechanismAt(look);
    if (look.has('onPanel')) look.need('transfer.mountedOn');
    const trials = functionTest(name, settingOf(look.kind, look.known('transfer.mountedOn')));
    look.step('Moves that the model lists', trials.length, '', 'every state of a sound mechanism');
    const missing = [...new Set(trials.map(({ fact }) => fact))].filter((path) => look.known(path) === undefined);
    if (missing.length > 0) throw new Missing(missing);
    return holds(`All ${trials.length} moves were tried.`);
  },
});
