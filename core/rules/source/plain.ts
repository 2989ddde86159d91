import { everyEdition } from '../../codebook';
import { asked, firstOf, without, type Rule } from '../rule';

/** A rule for a power station that feeds a house. */
const onlyStation = (otherwise: string) =>
  firstOf(without('wired'), (look) => (look.need('source.kind') === 'power-station' ? undefined : otherwise));

export default [
  asked({
    id: 'source/not-charged-from-itself',
    holds: 'A power station is not charged from a circuit that it feeds.',
    severity: 'correction',
    cites: everyEdition('702.5', '110.3(B)'),
    notApplicable: onlyStation('an engine charges from nothing'),
    also: ['transfer.kind', 'transfer.otherKind', 'source.kind'],
    fact: 'source.chargedFromItself',
    right: 'no',
    good: 'Its charging outlet is not on its own transfer equipment.',
    bad: 'It charges from a circuit that it feeds: a loop that drains it, and meets the utility when power returns.',
    remedy: 'Charge it from a circuit that the transfer equipment never connects to it, and mark that outlet.',
  }),
  asked({
    id: 'source/not-charging-while-feeding',
    holds: 'A power station takes no utility power while it feeds the house.',
    severity: 'hazard',
    cites: everyEdition('702.5', '110.3(B)'),
    notApplicable: onlyStation('an engine takes nothing from the utility'),
    also: ['transfer.kind', 'transfer.otherKind', 'source.kind'],
    fact: 'source.chargesWhileFeeding',
    right: 'no',
    good: 'Nothing ties it to the utility while it feeds.',
    bad: 'It takes utility power while it feeds the house: the two neutrals are tied, and it may pass one source on to the other.',
    remedy:
      'Do not energize. Unplug its charger before the house is put on it, and mark it so; or use equipment listed for both.',
  }),
] satisfies Rule[];
