import { everyEdition } from '../../codebook';
import { SAFE_FIRST, asked, without, type Rule } from '../rule';

export default [
  asked({
    id: 'function/gfci-trips',
    holds: 'GFCI receptacles of the source trip at their test button.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', '445.20'),
    notApplicable: (look) => {
      if (look.need('source.kind') === 'power-station')
        return 'a battery power station is no generator; its listing says what protects it';
      return ['protected', 'some-unprotected'].includes(look.need('source.receptacles120'))
        ? undefined
        : 'the source has no GFCI to press';
    },
    also: ['source.kind', 'source.receptacles120'],
    fact: 'function.gfciTrips',
    right: 'yes',
    good: 'It trips and resets.',
    bad: 'It does not trip.',
    remedy: 'Replace the GFCI; until then nothing hangs on it.',
  }),
  asked({
    id: 'function/stays-cool',
    holds: 'After thirty minutes under load no cord, plug or breaker is too hot to hold, and none is marked by heat.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', 'guidance'),
    not: 'What a table says of it: a worn contact heats at any size.',
    also: [],
    fact: 'function.staysCool',
    right: 'yes',
    good: 'All stay cool enough to hold.',
    bad: 'An end is too hot to hold, or brown or melted: its contacts are worn or loose.',
    remedy: `${SAFE_FIRST}replace what is hot, both halves of the joint, and load it again.`,
  }),
  asked({
    id: 'function/drill-shown',
    holds: 'The owner has done the drill once, in order, start and stop.',
    severity: 'advisory',
    cites: everyEdition('guidance'),
    notApplicable: without('inlet'),
    fact: 'function.drillShown',
    right: 'yes',
    good: 'The owner has done it.',
    bad: 'The owner has never done it; most accidents happen when somebody wants to know whether the street has power again.',
    remedy:
      'Walk the owner through it: load off, transfer back, let it cool, stop; and how to see that utility is back without touching anything.',
  }),
] satisfies Rule[];
