import { everyEdition } from '../../codebook';
import { SAFE_FIRST, asked, firstOf, holds, rule, violation, without, type Rule } from '../rule';

const notApplicable = without('inlet');

export default [
  asked({
    id: 'inlet/listed',
    holds: 'Inlet and box bear a listing mark.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', '110.2'),
    notApplicable,
    fact: 'inlet.listed',
    right: 'yes',
    good: 'Listed.',
    bad: 'No listing mark on the inlet or its box.',
    remedy: 'Replace it with a listed inlet.',
  }),
  asked({
    id: 'inlet/pins-dead-when-open',
    holds: 'The pins are dead whenever nothing is plugged in.',
    severity: 'hazard',
    cites: everyEdition('406.7'),
    notApplicable,
    fact: 'inlet.pinsDead',
    right: 'yes',
    good: 'The pins are dead with the utility on.',
    bad: 'The bare pins are live with the utility on; a hand at the lid touches them.',
    remedy:
      'Stop work and let nobody near the inlet. Open the main, prove the pins dead with a tester that is tried before and after; then open the feeder at the panel, and find why the transfer equipment does not open it.',
  }),
  rule({
    id: 'inlet/not-indoors',
    holds: 'The inlet is outdoors, so that neither the source comes in nor a cord through a door.',
    severity: 'advisory',
    cites: everyEdition('guidance', '400.12'),
    facts: ['transfer.kind', 'transfer.otherKind', 'source.kind', 'inlet.box'],
    notApplicable: firstOf(notApplicable, (look) =>
      look.need('source.kind') === 'power-station' ? 'a battery may stand indoors' : undefined,
    ),
    check: (look) =>
      look.need('inlet.box') === 'dry'
        ? violation(
            'The inlet is in a dry place, as a garage: it invites the engine in, or a cord through a door.',
            'Put the inlet outdoors in a rain-tight box; until then the engine stays outdoors, and the door stays shut but for the cord.',
          )
        : holds('The inlet is outdoors.'),
  }),
  asked({
    id: 'inlet/lockable',
    holds: 'The lid of the inlet can be locked.',
    severity: 'advisory',
    cites: everyEdition('guidance'),
    notApplicable,
    fact: 'inlet.lockable',
    right: 'yes',
    good: 'It can be locked.',
    bad: 'Anybody can open it.',
    remedy: 'Fit a lid with a hasp.',
  }),
  asked({
    id: 'inlet/100a-interlocked-disconnect',
    holds: 'An inlet of 100 A or more has an interlocked disconnect.',
    severity: 'correction',
    cites: everyEdition('702.12(C)'),
    notApplicable: firstOf(notApplicable, (look) =>
      look.need('inlet.ratingA') >= 100 ? undefined : 'the inlet is smaller than 100 A',
    ),
    also: ['transfer.kind', 'inlet.ratingA'],
    fact: 'inlet.interlockedDisconnect',
    right: 'yes',
    good: 'The disconnect opens before the cord can be drawn.',
    bad: 'The cord can be drawn under load at 100 A or more.',
    remedy: 'Fit an inlet with an interlocked disconnecting means, unless it is listed as one itself.',
  }),
  asked({
    id: 'inlet/entry-sealed',
    holds: 'The entry is sealed and unused openings are closed.',
    severity: 'advisory',
    cites: everyEdition('300.7', '110.12'),
    notApplicable,
    fact: 'inlet.entrySealed',
    right: 'yes',
    good: 'Sealed and closed.',
    bad: 'The entry or an unused opening is left open.',
    remedy: 'Close openings with listed plugs, and seal the raceway where warm meets cold.',
  }),
  asked({
    id: 'inlet/box-bonded',
    holds: 'A metal inlet box is bonded to the equipment ground.',
    severity: 'correction',
    cites: everyEdition('250.148', '314.4'),
    notApplicable,
    fact: 'inlet.boxBonded',
    right: 'yes',
    good: 'Bonded, or not metal.',
    bad: 'The metal of the inlet box is not bonded; a loose hot in it would put the box at line voltage.',
    remedy: `${SAFE_FIRST}run a bonding jumper from the ground to the box.`,
  }),
  asked({
    id: 'inlet/one-inlet',
    holds: 'One inlet alone leads to this transfer equipment.',
    severity: 'hazard',
    cites: everyEdition('406.7', '702.5'),
    notApplicable,
    fact: 'inlet.another',
    right: 'no',
    good: 'No other inlet.',
    bad: 'Another inlet hangs on the same conductors: while one is used the pins of the other are live, and two sources can meet.',
    remedy: 'Do not energize. Take the other inlet out of service, or fit equipment that admits one source at a time.',
  }),
] satisfies Rule[];
