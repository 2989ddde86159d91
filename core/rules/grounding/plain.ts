import { cordAt } from '../../case';
import { AREA_CMIL, ELECTRODE_CONDUCTOR, electrodeConductorSize, everyEdition } from '../../codebook';
import { conductorOf, type Look, Missing, neutralSwitched, SWITCHED_FACTS } from '../../electrical';
import { indexesTo } from '../../loads';
import { asked, firstOf, holds, rule, violation, without, type Rule } from '../rule';

/** So much earth resistance a single rod may have (250.53(A)(2)). */
const ONE_ROD_OHM = 25;

/** Not applicable where the source is not separately derived. */
const derived = (look: Look): string | undefined =>
  neutralSwitched(look) ? undefined : 'the neutral is not switched; the service’s electrodes serve';

export default [
  asked({
    id: 'grounding/rod-not-only-path',
    holds: 'A rod at the generator is never the only path to ground.',
    severity: 'hazard',
    cites: everyEdition('250.4(A)(5)', '250.54'),
    notApplicable: without('wired'),
    fact: 'grounding.rod',
    right: ['none', 'auxiliary'],
    good: 'The equipment ground comes back with the conductors.',
    bad: 'The rod is the only path; earth carries too little current to open any breaker.',
    remedy:
      'Bring the equipment grounding conductor through cord, inlet and feeder to the panel; the rod may stay as an extra.',
  }),
  rule({
    id: 'grounding/electrode-for-derived',
    holds: 'The neutral of a separately derived source is tied to a grounding electrode, where the office asks for it.',
    severity: 'correction',
    cites: everyEdition('250.30(A)', '250.30(C)', '250.53(A)(2)'),
    not: 'A source that is not separately derived: the service’s electrodes serve it, and a rod is an extra.',
    reading: 'derivedElectrode',
    facts: [
      'transfer.kind',
      'transfer.otherKind',
      ...SWITCHED_FACTS,
      'grounding.derivedElectrode',
      'grounding.rodEarthOhm',
      'source.connection',
    ],
    notApplicable: firstOf(without('wired'), derived),
    check: (look) => {
      const electrode = look.need('grounding.derivedElectrode');
      if (electrode === 'house') return holds('Tied to the electrodes of the house.');
      if (electrode === 'two-rods') return holds('Tied to two rods.');
      const earthOhm = electrode === 'one-rod' ? look.known('grounding.rodEarthOhm') : undefined;
      if (earthOhm !== undefined) {
        const mostOhm = look.step('One rod counts up to', ONE_ROD_OHM, 'Ω', everyEdition('250.53(A)(2)'));
        if (earthOhm <= mostOhm)
          return holds(`Tied to one rod of ${earthOhm} Ω.`, { found: earthOhm, allowed: mostOhm, unit: 'Ω' });
      }
      if (electrode === 'one-rod')
        return violation(
          'Tied to one rod; a single rod counts only where its earth was measured at 25 Ω or less.',
          'Drive a second rod 6 ft or more away and tie both, measure the one, or tie the neutral to the electrodes of the house.',
        );
      const cordConnected = look.attempt((side) => side.need('source.connection') === 'cord-and-plug');
      if (look.reading('derivedElectrode') === 'equipment-ground') {
        look.requireAll(cordConnected);
        if (cordConnected.value)
          return holds('Cord-connected: this office takes the equipment ground to the house’s electrodes as enough.');
      }
      return violation(
        'Nothing but the equipment ground ties the derived neutral to an electrode.',
        'Run a grounding electrode conductor from where the system bonding jumper is to the electrodes of the house. Offices differ for cord-connected sources; ask yours.',
      );
    },
  }),
  rule({
    id: 'grounding/electrode-conductor-size',
    holds: 'The grounding electrode conductor of a derived source is large enough.',
    severity: 'correction',
    cites: everyEdition('250.66', 'Table 250.66'),
    not: 'Aluminum electrode conductors, and how it is protected on its way (250.64).',
    facts: [
      'transfer.kind', 'transfer.otherKind', ...SWITCHED_FACTS, 'grounding.derivedElectrode', 'grounding.electrodeAwg',
      'feeder.stretches.metal', 'feeder.stretches.sizeAwg', 'cord.part', 'cord.sizeAwg', 'inlet.builtIn',
    ], // prettier-ignore
    notApplicable: firstOf(without('wired'), derived, (look) =>
      look.need('grounding.derivedElectrode') === 'none' ? 'there is no grounding electrode conductor' : undefined,
    ),
    check: (look) => {
      // Of stretches of two metals the larger one may ask for less: the one that asks for most decides.
      const hot = look.attempt((side) => {
        // Where there is no feeder the cord's conductors are the largest there are; an inlet built in has none.
        if (side.asks('inlet.builtIn')) side.need('inlet.builtIn');
        const all =
          side.stretches > 0
            ? Array.from({ length: side.stretches }, (_, i) => side.attempt((one) => conductorOf(one, i)))
            : indexesTo(side.cords)
                .filter((i) => side.peek(cordAt(i).part) !== 'adapter-listed')
                .map((i) =>
                  side.attempt((one) => {
                    one.needAll(cordAt(i).part, cordAt(i).sizeAwg);
                    return { metal: 'copper' as const, size: one.need(cordAt(i).sizeAwg) };
                  }),
                );
        side.requireAll(...all);
        if (all.length === 0)
          throw new Missing(
            ['grounding.electrodeAwg'],
            'Neither cord nor feeder: have the size worked out by a licensed person.',
          );
        return all
          .map(({ value }) => {
            const { metal, size } = value!;
            const table = electrodeConductorSize(metal, size);
            if (!table)
              throw new Missing(
                ['grounding.electrodeAwg'],
                'No row of the table serves this conductor; have the size worked out by a licensed person.',
              );
            return { metal, size, table };
          })
          .reduce((one, other) => (AREA_CMIL.rows[other.table]! > AREA_CMIL.rows[one.table]! ? other : one));
      });
      const size = look.attempt((side) => side.need('grounding.electrodeAwg'));
      look.requireAll(hot, size);
      const rods = look.need('grounding.derivedElectrode') !== 'house';
      const { metal, size: hotSize, table } = hot.value!;
      // To rods alone it need be no larger than 6 AWG (250.66(A)).
      const least = look.step(
        `Smallest for ${hotSize} AWG ${metal}${rods ? ', to rods alone' : ''}`,
        rods && AREA_CMIL.rows[table]! > AREA_CMIL.rows['6']! ? '6' : table,
        'AWG',
        ELECTRODE_CONDUCTOR.cites,
      );
      const detail = { found: size.value!, allowed: least, unit: 'AWG' };
      const words = `${size.value} AWG grounding electrode conductor, ${least} AWG needed.`;
      return AREA_CMIL.rows[size.value!]! >= AREA_CMIL.rows[least]!
        ? holds(words, detail)
        : violation(words, `Run ${least} AWG copper or larger.`, detail);
    },
  }),
] satisfies Rule[];
