import { everyEdition } from '../../codebook';
import { asked, firstOf, without, type Rule } from '../rule';

const notApplicable = without('inlet');

export default [
  asked({
    id: 'labels/transfer-positions',
    holds: 'Each position of the transfer means says which source it connects.',
    severity: 'correction',
    cites: everyEdition('110.22', '702.7', '408.4'),
    notApplicable,
    fact: 'labels.positions',
    right: 'yes',
    good: 'Utility, off and generator are marked.',
    bad: 'A position does not say what it connects.',
    remedy: 'Mark each position: UTILITY, OFF, GENERATOR.',
  }),
  asked({
    id: 'labels/operating-steps',
    holds: 'The operating steps stand at the panel, in order, both ways.',
    severity: 'advisory',
    cites: everyEdition('guidance'),
    notApplicable,
    fact: 'labels.steps',
    right: 'yes',
    good: 'The steps are there.',
    bad: 'No steps at the panel; in the dark nobody remembers them.',
    remedy: 'Put a card in the panel door: start, load off, transfer, load on; and back.',
  }),
  asked({
    id: 'labels/max-load',
    holds: 'The largest load that the source carries is stated.',
    severity: 'advisory',
    cites: everyEdition('guidance'),
    notApplicable,
    fact: 'labels.maxLoad',
    right: 'yes',
    good: 'Watts and amps are stated.',
    bad: 'Nothing says how much the source carries.',
    remedy: 'Add running watts and amps of the source to the card.',
  }),
  asked({
    id: 'labels/standing-source-sign',
    holds: 'A sign at the service names kind and place of a permanently installed source.',
    severity: 'correction',
    cites: everyEdition('702.7(A)'),
    notApplicable: firstOf(notApplicable, (look) =>
      look.need('source.connection') === 'permanent'
        ? undefined
        : 'the source is portable; nothing stands there permanently',
    ),
    also: ['transfer.kind', 'source.connection'],
    fact: 'labels.standingSign',
    right: 'yes',
    good: 'The sign is there.',
    bad: 'Nothing at the service says that there is another source.',
    remedy: 'Fit a sign at the service that names kind and place of the source.',
  }),
  asked({
    id: 'labels/durable',
    holds: 'Labels last where they are; none is handwritten outdoors.',
    severity: 'correction',
    cites: everyEdition('110.21(B)'),
    notApplicable,
    fact: 'labels.durable',
    right: 'yes',
    good: 'They will last.',
    bad: 'A label will fade, peel or wash off.',
    remedy: 'Replace it with an engraved or printed one made for the place.',
  }),
] satisfies Rule[];
