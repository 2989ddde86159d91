import { everyEdition } from '../../codebook';
import { asked, firstOf, without, type Rule } from '../rule';

export default [
  asked({
    id: 'source/not-charged-from-itself',
    holds: 'A power station is not charged from a circuit that it feeds.',
    severity: 'correction',
    cites: everyEdition('702.5', '110.3(B)'),
    notApplicable: firstOf(without('wired'), (look) =>
      look.need('source.kind') === 'power-station' ? undefined : 'an engine charges from nothing',
    ),
    also: ['transfer.kind', 'transfer.otherKind', 'source.kind'],
    fact: 'source.chargedFromItself',
    right: 'no',
    good: 'Its charging outlet is not on its own transfer equipment.',
    bad: 'It charges from a circuit that it feeds: a loop that drains it, and meets the utility when power returns.',
    remedy: 'Charge it from a circuit that the transfer equipment never connects to it, and mark that outlet.',
  }),
] satisfies Rule[];
