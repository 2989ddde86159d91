import { everyEdition } from '../../codebook';
import { asked, without, type Rule } from '../rule';

const notApplicable = without('feeder');

export default [
  asked({
    id: 'feeder/conductor-identity',
    holds: 'Neutral and ground are told from the hots by colour at both ends.',
    severity: 'correction',
    cites: everyEdition('200.6', '250.119'),
    notApplicable,
    fact: 'feeder.identified',
    right: 'yes',
    good: 'White neutral, green or bare ground, hots neither.',
    bad: 'A conductor’s colour does not say what it is.',
    remedy: 'Re-identify where the section permits it; pull a conductor of the right colour where it does not.',
  }),
  asked({
    id: 'feeder/one-raceway',
    holds: 'All conductors of the feeder run together, ground included.',
    severity: 'correction',
    cites: everyEdition('300.3(B)'),
    notApplicable,
    fact: 'feeder.together',
    right: 'yes',
    good: 'All run together.',
    bad: 'A conductor goes its own way; metal between them heats, and faults clear slowly.',
    remedy: 'Bring hots, neutral and ground into one raceway or cable.',
  }),
] satisfies Rule[];
