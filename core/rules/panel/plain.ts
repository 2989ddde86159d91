import { everyEdition } from '../../codebook';
import { SAFE_FIRST, asked, holds, rule, valueWords, violation, without, type Rule } from '../rule';

const notApplicable = without('wired');

export default [
  asked({
    id: 'panel/openings-closed',
    holds: 'Unused openings of the panel are closed.',
    severity: 'correction',
    cites: everyEdition('110.12(A)', '408.7'),
    notApplicable,
    fact: 'panel.openingsClosed',
    right: 'yes',
    good: 'All closed.',
    bad: 'An opening lets a finger or a mouse in.',
    remedy: 'Close it with a listed knockout seal or filler plate.',
  }),
  asked({
    id: 'panel/cover-fits',
    holds: 'The cover fits and is on.',
    severity: 'correction',
    cites: everyEdition('408.38', '110.3(B)'),
    notApplicable,
    fact: 'panel.coverFits',
    right: 'yes',
    good: 'On, with all its screws.',
    bad: 'The cover is off, gaps or does not fit over what was added.',
    remedy: 'Fit the panel’s own cover with all its screws; parts that do not go under it do not belong to this panel.',
  }),
  asked({
    id: 'panel/directory-true',
    holds: 'The directory says what each breaker feeds, moved circuits too.',
    severity: 'correction',
    cites: everyEdition('408.4(A)'),
    notApplicable,
    fact: 'panel.directoryTrue',
    right: 'yes',
    good: 'It is true.',
    bad: 'The directory is wrong; whoever trusts it works on a live circuit.',
    remedy: 'Trace every circuit and write the directory anew.',
  }),
  asked({
    id: 'panel/screws-clear',
    holds: 'The cover’s screws are its own, and clear of conductors.',
    severity: 'correction',
    cites: everyEdition('110.12', '110.3(B)'),
    notApplicable,
    fact: 'panel.screwsClear',
    right: 'yes',
    good: 'Its own screws, clear of conductors.',
    bad: 'A pointed or foreign screw, or a conductor behind a screw; it can be pierced and put the cover at line voltage.',
    remedy: 'Use the panel’s own blunt screws, and dress the conductors away from their holes with the panel dead.',
  }),
  asked({
    id: 'panel/one-conductor-a-terminal',
    holds: 'No terminal holds more conductors than it is marked for.',
    severity: 'correction',
    cites: everyEdition('110.14(A)', '408.41'),
    notApplicable,
    fact: 'panel.doubleTaps',
    right: 'no',
    good: 'One conductor a terminal, or as marked.',
    bad: 'Two conductors share a terminal that is not marked for it; one of them works loose.',
    remedy: 'Give each a terminal of its own, or splice them to one pigtail; neutrals one to a screw.',
  }),
  rule({
    id: 'panel/main-held-down',
    holds: 'A main that plugs on and is fed from its lugs’ side is held down, so that a pull cannot free it.',
    severity: 'correction',
    weighs: 'hazard where an interlock relies on it',
    cites: everyEdition('408.36(D)'),
    facts: ['transfer.kind', 'transfer.otherKind', 'panel.mainHeld'],
    notApplicable,
    check: (look) => {
      const held = look.need('panel.mainHeld');
      if (held !== 'loose') return holds(`${valueWords('panel.mainHeld', held)}.`);
      return violation(
        'The main plugs on and nothing holds it; pulled off, its terminals stay live from the utility.',
        `${SAFE_FIRST}have the utility make the service dead, for what is ahead of the main stays live else; fit the hold-down kit made for this breaker and panel.`,
        look.has('onPanel') ? { severity: 'hazard' } : {},
      );
    },
  }),
  asked({
    id: 'panel/tandems-where-marked',
    holds: 'Tandem breakers stand only in spaces that the panel’s label marks for them.',
    severity: 'correction',
    cites: everyEdition('408.54', '110.3(B)'),
    notApplicable,
    fact: 'panel.tandems',
    right: 'none',
    good: 'None, or where the label permits.',
    bad: 'A tandem breaker stands in a space that is not marked for one.',
    remedy: 'With the panel dead, move it to a marked space, or fit a panel or subpanel with room.',
  }),
  asked({
    id: 'panel/main-bonding-jumper',
    holds: 'At the service a main bonding jumper ties neutral and ground together.',
    severity: 'hazard',
    cites: {
      '2017': ['250.24(B)', '250.28'],
      '2020': ['250.24(B)', '250.28'],
      '2023': ['250.24(C)', '250.28'],
    },
    not: 'Bonds beyond the service: neutral/one-bond.',
    notApplicable,
    fact: 'panel.mainBondingJumper',
    right: 'yes',
    good: 'It is there.',
    bad: 'Nothing ties neutral to ground at the service; a ground fault would open no breaker, on either source.',
    remedy: 'Both sources off: fit the main bonding jumper that the service equipment’s label names.',
  }),
  asked({
    id: 'panel/electrode-conductor',
    holds: 'At the service a grounding electrode conductor ties the neutral to the electrodes.',
    severity: 'correction',
    cites: everyEdition('250.24', '250.66'),
    notApplicable,
    fact: 'panel.electrodeConductor',
    right: 'yes',
    good: 'It is there.',
    bad: 'No grounding electrode conductor is at the service.',
    remedy: 'Run one to the electrodes of the house, sized by the service conductors.',
  }),
  rule({
    id: 'panel/place-suits',
    holds: 'The panel is in a place where one may be.',
    severity: 'correction',
    weighs: 'advisory where it was there before this work',
    cites: everyEdition('240.24'),
    facts: ['transfer.kind', 'transfer.otherKind', 'panel.place', 'panel.existing'],
    notApplicable,
    check: (look) => {
      if (look.need('panel.place') === 'suitable') return holds('The place suits.');
      const long = look.need('panel.existing') === 'yes';
      return violation(
        `The panel is in a place where none may be: ${valueWords('panel.place', look.need('panel.place')).toLowerCase()}.`,
        long
          ? 'It was there before this work; move it when it is next replaced, and keep the transfer equipment out of that place.'
          : 'Move it to a place with working space, dry, out of bathrooms, clothes closets and stairs.',
        long ? { severity: 'advisory' } : {},
      );
    },
  }),
  asked({
    id: 'panel/handle-height',
    holds: 'No handle that one must reach is higher than 6 ft 7 in.',
    severity: 'correction',
    cites: everyEdition('404.8(A)', '240.24(A)'),
    notApplicable,
    fact: 'panel.handlesLow',
    right: 'yes',
    good: 'All within reach.',
    bad: 'A handle is higher than 6 ft 7 in; in the dark nobody reaches it.',
    remedy: 'Lower the panel or switch, or bring the handle within reach.',
  }),
  asked({
    id: 'panel/dedicated-space',
    holds: 'The space above and below the panel is its own.',
    severity: 'correction',
    cites: everyEdition('110.26(E)'),
    notApplicable,
    fact: 'panel.dedicatedSpace',
    right: 'yes',
    good: 'Nothing foreign in it.',
    bad: 'A pipe, duct or other equipment is in the panel’s own space; what leaks from it runs into the bus.',
    remedy: 'Move what is foreign out of it, or protect the panel from it as the section permits.',
  }),
  asked({
    id: 'panel/lit',
    holds: 'There is light at the panel.',
    severity: 'correction',
    cites: everyEdition('110.26(D)'),
    notApplicable,
    fact: 'panel.lit',
    right: 'yes',
    good: 'There is light.',
    bad: 'No lamp shines on the panel; somebody will work on it by a phone.',
    remedy: 'Fit a lamp for it, not switched by a sensor alone.',
  }),
  asked({
    id: 'panel/never-flooded',
    holds: 'No electrical equipment here stood under water.',
    severity: 'correction',
    cites: everyEdition('110.11', '110.12(B)'),
    notApplicable,
    fact: 'panel.neverFlooded',
    right: 'yes',
    good: 'None did.',
    bad: 'Equipment stood under water; its breakers and their trips can no longer be trusted.',
    remedy: 'Have it replaced, or judged by its maker; breakers and GFCIs are replaced, never dried.',
  }),
  rule({
    id: 'panel/dead-with-main-off',
    holds: 'With the main off both legs of the bus are dead: nothing else feeds it.',
    severity: 'hazard',
    cites: everyEdition('702.5', '110.3(B)'),
    not: 'Ghost volts: a low-impedance meter shows none.',
    facts: ['transfer.kind', 'transfer.otherKind', 'panel.mainOffV'],
    notApplicable: (look) =>
      notApplicable(look) ?? (look.has('feedsHouseBus') ? undefined : 'the source never feeds this bus'),
    check: (look) => {
      const found = look.need('panel.mainOffV');
      const allowed = look.number('deadPinsV');
      const detail = { found, allowed, unit: 'V' };
      return found <= allowed
        ? holds(`${found} V on the bus with the main off.`, detail)
        : violation(
            `${found} V on the bus with the main off: something else feeds it, and would meet this source.`,
            'Do not energize. Keep the source unplugged, and find what feeds the bus: a second main, another source, a tap ahead of the main.',
            detail,
          );
    },
  }),
] satisfies Rule[];
