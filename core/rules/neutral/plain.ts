import { everyEdition, type Cites } from '../../codebook';
import { asked, firstOf, without, type Rule } from '../rule';

const secondBond: Cites = {
  '2017': ['250.24(A)(5)', '250.142(B)', '408.40'],
  '2020': ['250.24(A)(5)', '250.142(B)', '408.40'],
  '2023': ['250.24(B)', '250.142(B)', '408.40'],
};

export default [
  asked({
    id: 'neutral/one-bond',
    holds: 'Beyond the service disconnect the house’s neutral is tied to ground nowhere.',
    severity: 'correction',
    cites: secondBond,
    notApplicable: without('transfer'),
    fact: 'neutral.otherBond',
    right: 'none',
    good: 'No other bond in the house.',
    bad: 'Neutral and ground meet again beyond the service; neutral current takes the ground along.',
    remedy: 'Take the bonding screw or strap out there, and bring neutrals and grounds to separate bars.',
  }),
  asked({
    id: 'neutral/separately-derived-grounded',
    holds: 'A separately derived source has its system bonding jumper in exactly one place.',
    severity: 'correction',
    cites: everyEdition('250.30(A)'),
    notApplicable: firstOf(without('transfer'), (look) =>
      look.need('neutral.switched') === 'yes'
        ? undefined
        : 'the neutral is not switched, so the source is not separately derived',
    ),
    also: ['transfer.kind', 'neutral.switched'],
    fact: 'neutral.derivedBond',
    right: ['source', 'house'],
    good: 'One system bonding jumper.',
    bad: 'The derived system has no bonding jumper, or two.',
    remedy: 'Keep exactly one: at the source, or at the transfer equipment.',
  }),
] satisfies Rule[];
