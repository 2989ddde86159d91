import { everyEdition } from '../../codebook';
import { SWITCHED_FACTS, neutralSwitched } from '../../electrical';
import { asked, firstOf, without, type Rule } from '../rule';

const notApplicable = without('inlet');

export default [
  asked({
    id: 'labels/transfer-positions',
    holds: 'Each position of the transfer equipment says which source it connects.',
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
    holds:
      'A sign names kind and place of a permanently installed source: at the service, from 2020 on at a dwelling’s emergency disconnect.',
    severity: 'correction',
    cites: everyEdition('702.7(A)'),
    notApplicable: firstOf(notApplicable, (look) =>
      look.need('source.connection') === 'permanent'
        ? undefined
        : 'the source is portable; nothing stands there permanently',
    ),
    not: 'Portable sources on a cord: 2017 does not limit the section to permanent ones, and an office may ask for it there by an item of its own.',
    also: ['transfer.kind', 'transfer.otherKind', 'source.connection'],
    fact: 'labels.standingSign',
    right: 'yes',
    good: 'The sign is there.',
    bad: 'Nothing at the service says that there is another source.',
    remedy: 'Fit a sign there that names kind and place of the source, and where it is shut off.',
  }),
  asked({
    id: 'labels/durable',
    holds: 'Labels last where they are; no warning, caution or danger sign is handwritten.',
    severity: 'correction',
    cites: everyEdition('110.21(B)'),
    notApplicable,
    fact: 'labels.durable',
    right: 'yes',
    good: 'They will last.',
    bad: 'A label will fade, peel or wash off, or a warning is handwritten.',
    remedy: 'Replace it with an engraved or printed one made for the place.',
  }),
  asked({
    id: 'labels/neutral-shock',
    holds:
      'Where the neutral is not switched, a sign warns of shock if the ground connection at the normal equipment is removed while the source runs.',
    severity: 'correction',
    cites: everyEdition('702.7(B)'),
    notApplicable: firstOf(notApplicable, (look) =>
      neutralSwitched(look) ? 'the neutral is switched; the source has a bond of its own' : undefined,
    ),
    also: ['transfer.kind', 'transfer.otherKind', ...SWITCHED_FACTS],
    fact: 'labels.neutralShock',
    right: 'yes',
    good: 'The warning is there.',
    bad: 'Nothing warns that the source’s neutral is grounded through the normal equipment alone.',
    remedy:
      'Fit a durable warning at the normal equipment: shock if the grounding electrode or bonding connection is removed while the alternate source runs.',
  }),
  asked({
    id: 'labels/two-sources',
    holds: 'A panel that two sources can feed says so.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', '408.4'),
    notApplicable: firstOf(notApplicable, (look) =>
      look.has('singleCircuit') ? 'the source feeds one circuit behind its switch, and no panel' : undefined,
    ),
    fact: 'labels.twoSources',
    right: 'yes',
    good: 'The label names both supplies.',
    bad: 'Nothing on the panel says that two sources can feed it.',
    remedy: 'Fit the label that the kit or switch came with: two sources, and where each is disconnected.',
  }),
  asked({
    id: 'labels/feed-through',
    holds: 'Conductors that pass through the panel are labeled with where they are switched off.',
    severity: 'correction',
    cites: everyEdition('312.8(A)(3)'),
    notApplicable,
    fact: 'labels.feedThrough',
    right: ['none', 'labeled'],
    good: 'None passes, or it is labeled.',
    bad: 'Conductors pass through that this panel’s main does not switch off, and nothing says so.',
    remedy: 'Label the panel with the nearest disconnect of the conductors that pass through it.',
  }),
] satisfies Rule[];
