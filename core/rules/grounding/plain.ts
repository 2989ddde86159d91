import { everyEdition } from '../../codebook';
import { asked, firstOf, without, type Rule } from '../rule';

export default [
  asked({
    id: 'grounding/rod-not-only-path',
    holds: 'A rod at the generator is never the only path to ground.',
    severity: 'hazard',
    cites: everyEdition('250.4(A)(5)', '250.54'),
    notApplicable: without('transfer'),
    fact: 'grounding.rod',
    right: ['none', 'auxiliary'],
    good: 'The equipment ground comes back with the conductors.',
    bad: 'The rod is the only path; earth carries too little current to open any breaker.',
    remedy:
      'Bring the equipment grounding conductor through cord, inlet and feeder to the panel; the rod may stay as an extra.',
  }),
  asked({
    id: 'grounding/electrode-for-derived',
    holds: 'The neutral of a separately derived source is tied to the grounding electrodes.',
    severity: 'correction',
    cites: everyEdition('250.30(A)'),
    notApplicable: firstOf(without('transfer'), (look) =>
      look.need('neutral.switched') === 'yes'
        ? undefined
        : 'the neutral is not switched; the service’s electrodes serve',
    ),
    also: ['transfer.kind', 'neutral.switched'],
    fact: 'grounding.derivedElectrode',
    right: 'yes',
    good: 'A grounding electrode conductor ties it.',
    bad: 'Nothing ties the derived neutral to the electrodes.',
    remedy:
      'Run a grounding electrode conductor from where the system bonding jumper is to the electrodes of the house.',
  }),
] satisfies Rule[];
