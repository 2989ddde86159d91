import { cordAt } from '../../case';
import { everyEdition } from '../../codebook';
import { withoutCord, firstViolation, holds, rule, violation, type Rule } from '../rule';

type Key = 'part' | 'run' | 'coiled' | 'pullTested' | 'strainRelief' | 'whole';
interface EachCord extends Omit<Rule, 'station' | 'facts' | 'check' | 'right'> {
  readonly key: Key;
  readonly right: readonly string[];
  /** Asked of cords alone: an adapter lies nowhere and is not wound up. */
  readonly cordsAlone?: boolean;
  readonly good: string;
  readonly bad: string;
  readonly remedy: string;
}

/** The plain question, asked of every cord: one wrong answer is enough, and is seen although others are unknown. */
function eachCord({ key, right, cordsAlone, good, bad, remedy, ...rest }: EachCord): Rule {
  return rule({
    ...rest,
    right: { [`cord.${key}`]: right },
    facts: [`cord.${key}`, 'source.connection', ...(cordsAlone ? ['cord.part'] : [])],
    notApplicable: withoutCord,
    check: (look) =>
      firstViolation(look, 'cord', (side, i) => {
        if (cordsAlone && side.need(cordAt(i).part) !== 'cord') return undefined;
        return right.includes(side.need(cordAt(i)[key]))
          ? undefined
          : violation(look.cords > 1 ? `Cord ${i + 1}: ${bad}` : bad, remedy);
      }) ?? holds(good),
  });
}

export default [
  eachCord({
    id: 'cord/adapter-listed',
    holds: 'Every adapter is a listed part with two ends that belong together, one that hangs ready too.',
    not: 'Two plugs joined into one end: cord/no-double-plug.',
    severity: 'correction',
    cites: everyEdition('110.3(B)'),
    key: 'part',
    right: ['cord', 'adapter-listed', 'two-plug'],
    good: 'No home-made or unlisted adapter is in use.',
    bad: 'A home-made or unlisted adapter is in use.',
    remedy: 'Take it out of service; use a cord made with the right ends, or a listed adapter.',
  }),
  eachCord({
    id: 'cord/not-fixed-wiring',
    holds:
      'Cords lie free; none runs through a wall or inside the building, under a rug or pinched in a door, or is fastened to it.',
    severity: 'correction',
    cites: everyEdition('400.12', '590.3(C)', '590.4(H)'),
    not: 'The opening that it goes through: siting/clear-of-openings counts it as one that exhaust may enter.',
    key: 'run',
    right: ['free', 'through-opening'],
    cordsAlone: true,
    good: 'Every cord lies free, or goes through a door or window where nothing pinches it.',
    bad: 'A cord serves as fixed wiring, or lies where it is crushed.',
    remedy: 'Run a wiring method made for the place from an inlet, and keep the cord outside and free.',
  }),
  eachCord({
    id: 'cord/not-coiled-under-load',
    holds: 'No cord is wound up while it carries load.',
    severity: 'advisory',
    cites: everyEdition('guidance'),
    key: 'coiled',
    right: ['no'],
    cordsAlone: true,
    good: 'Every cord is laid out.',
    bad: 'A cord is wound up under load; it heats in the coil.',
    remedy: 'Lay it out, or use a shorter one.',
  }),
  rule({
    id: 'cord/not-daisy-chained',
    holds: 'Each cord goes from the source to its appliance by itself.',
    severity: 'correction',
    cites: everyEdition('400.12', '110.3(B)'),
    facts: ['transfer.kind', 'cord.part', 'cord.daisyChained'],
    right: { 'cord.daisyChained': ['no'] },
    notApplicable: (look) => (look.has('wired') ? 'the cord feeds the house, not an appliance' : undefined),
    check: (look) =>
      firstViolation(look, 'cord', (side, i) =>
        side.need(cordAt(i).part) === 'cord' && side.need(cordAt(i).daisyChained) === 'yes'
          ? violation(
              `Cord ${i + 1} is plugged into another cord or strip; every joint heats, and the thinnest decides.`,
              'Use one cord long and heavy enough for each appliance.',
            )
          : undefined,
      ) ?? holds('No cord hangs on another.'),
  }),
  eachCord({
    id: 'cord/locks-and-pull-tested',
    holds: 'Every end locks or stays when pulled.',
    severity: 'advisory',
    cites: everyEdition('guidance'),
    key: 'pullTested',
    right: ['yes'],
    good: 'Every end stays when pulled.',
    bad: 'An end comes off when pulled.',
    remedy: 'Turn locking ends home; replace worn ends.',
  }),
  eachCord({
    id: 'cord/strain-relief',
    holds: 'At both ends a strain relief grips the jacket.',
    severity: 'correction',
    cites: everyEdition('400.14'),
    key: 'strainRelief',
    right: ['yes'],
    cordsAlone: true,
    good: 'The jacket is gripped at both ends.',
    bad: 'An end pulls on its conductors, not on the jacket; the ground lets go first or last by luck.',
    remedy: 'Replace the end, its clamp on the jacket, or the cord.',
  }),
  eachCord({
    id: 'cord/whole',
    holds: 'No cord is cut, taped or spliced, and every ground pin is there.',
    severity: 'correction',
    cites: everyEdition('400.13', '110.12(B)'),
    not: 'Whether its ground is unbroken: grounding/path-continuous.',
    key: 'whole',
    right: ['whole'],
    good: 'Whole, every pin there.',
    bad: 'A cord is cut, taped or spliced, or a ground pin is gone.',
    remedy: 'Put it out of use; cords of 14 AWG and larger may be spliced by a listed method alone.',
  }),
] satisfies Rule[];
