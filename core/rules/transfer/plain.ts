import { everyEdition } from '../../codebook';
import { asked, onlyWith, without, whereCircuitsMove, type Rule } from '../rule';

/** Equipment that keeps source and utility apart: neither cords alone nor a habit. */
const equipment = without('inlet');

export default [
  asked({
    id: 'transfer/neutral-not-on-gfci-breaker',
    holds: 'No moved circuit leaves its neutral on a GFCI or AFCI breaker of the panel.',
    severity: 'correction',
    cites: everyEdition('210.8', '210.12', '110.3(B)'),
    notApplicable: whereCircuitsMove,
    fact: 'transfer.neutralOnGfciBreaker',
    right: 'no',
    good: 'No such neutral.',
    bad: 'A moved circuit’s neutral stays on a GFCI or AFCI breaker: on the source it has lost that protection, and the breaker trips.',
    remedy: 'Land the neutral where the switch’s sheet shows, and give the circuit its protection behind the switch.',
  }),
  asked({
    id: 'transfer/working-space',
    holds: 'The transfer equipment has its own working space.',
    severity: 'correction',
    cites: everyEdition('110.26'),
    notApplicable: onlyWith(
      'ownSpace',
      'an interlock stands in the panel’s working space; a single-circuit switch is a small device',
    ),
    fact: 'transfer.workingSpace',
    right: 'yes',
    good: 'The space is there and clear.',
    bad: 'In front of the transfer equipment the working space is missing.',
    remedy: 'Clear 30 in of width, 36 in of depth and 6½ ft of height before it, and keep them clear.',
  }),
  asked({
    id: 'transfer/moves-freely-and-stays',
    holds: 'It moves freely through its whole way and stays where it is put.',
    severity: 'correction',
    cites: everyEdition('110.3(B)'),
    notApplicable: equipment,
    fact: 'transfer.movesFreely',
    right: 'yes',
    good: 'It moves freely and stays.',
    bad: 'It binds or falls; somebody will force it or take it off.',
    remedy: 'Free it of burrs and tighten its fasteners as the maker says, or replace it; do not bend or file it.',
  }),
  asked({
    id: 'transfer/gfci-afci-kept',
    holds: 'Moved circuits keep the GFCI and AFCI protection that they had or must have.',
    severity: 'correction',
    cites: everyEdition('210.8', '210.12'),
    notApplicable: whereCircuitsMove,
    fact: 'transfer.gfciAfciKept',
    right: 'yes',
    good: 'Protection is as before.',
    bad: 'A moved circuit lost its GFCI or AFCI protection.',
    remedy: 'Put the protection back at the new breaker or at the first outlet.',
  }),
  asked({
    id: 'transfer/neutral-of-circuit-traced',
    holds: 'Hot and neutral of the circuit both go through the switch: load to load lead, line to line lead.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', '200.3'),
    notApplicable: onlyWith('singleCircuit', 'only a single-circuit switch takes a circuit’s neutral through'),
    fact: 'transfer.neutralTraced',
    right: 'yes',
    good: 'The neutral was traced and lands on the right leads.',
    bad: 'The neutral of the circuit does not go through the switch as it must; on the source it would come back through the house.',
    remedy:
      'Trace the neutral with both sources off, and land load neutral on the load lead, line neutral on the line lead.',
  }),
  asked({
    id: 'transfer/leads-landed',
    holds: 'Lettered leads are landed in pairs: line lead to the breaker, load lead to the circuit.',
    severity: 'correction',
    cites: everyEdition('110.3(B)'),
    notApplicable: onlyWith('splicedIn', 'this transfer equipment has no lettered leads'),
    fact: 'transfer.leadsLanded',
    right: 'yes',
    good: 'Every pair is landed right.',
    bad: 'A pair is crossed or split; a circuit is fed from two places or from the wrong breaker.',
    remedy: 'Land each letter as the maker’s sheet shows, one pair at a time, and try each handle.',
  }),
] satisfies Rule[];
