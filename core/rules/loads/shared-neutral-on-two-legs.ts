import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { Missing, type Look } from '../../electrical';
import { circuitName, indexesTo, legOf, sharedNeutrals } from '../../loads';
import { firstOf, holds, rule, violation, without, type Finding } from '../rule';

/** Below this two hots stand on one leg, V. */
const ONE_LEG_V = 60;

/** Judges one group: all its hots on different legs, or an end. Throws `Missing` where facts lack. */
function judgePair(look: Look, group: readonly number[]): Finding | undefined {
  const names = group.map((i) => circuitName(look, i)).join(' and ');
  if (group.length === 1)
    throw new Missing(
      [circuitAt(group[0]!).neutralGroup],
      `${names} shares a neutral, and no other circuit of that pair is recorded: which is it?`,
    );
  const wrong = (how: string) =>
    violation(
      `${names} share a neutral and stand on one leg (${how}): it is no multiwire circuit, and the neutral carries the sum of both.`,
      'Do not energize. With everything dead, move one of the two to the other leg with handles tied, or give each a neutral of its own.',
    );
  const metered = group.map((i) => look.known(circuitAt(i).toPartnerV)).filter((volts) => volts !== undefined);
  if (metered.length > 0) {
    const volts = look.step('Hot to hot', Math.min(...metered), 'V', 'by a meter');
    return volts < ONE_LEG_V ? wrong(`${volts} V between their hots`) : undefined;
  }
  if (look.has('handlePerPole') && group.every((i) => look.need(circuitAt(i).moved) === 'yes')) {
    const legs = group.map((i) => look.need(circuitAt(i).sourceLeg));
    return new Set(legs).size === 1 && legs[0] !== 'both'
      ? wrong('both handles take one leg of the source')
      : undefined;
  }
  const slots = group.map((i) => look.need(circuitAt(i).slot));
  if (new Set(slots).size < slots.length) return wrong('two halves of a tandem');
  if (new Set(slots.map(legOf)).size > 1) return undefined;
  // Panels count their slots differently: by numbers alone nothing is certain.
  throw new Missing(
    [circuitAt(group[0]!).toPartnerV],
    `By their slots ${names} stand on one leg, but panels count differently: meter between their hots.`,
  );
}

export default rule({
  id: 'loads/shared-neutral-on-two-legs',
  holds: 'Two circuits that share a neutral stand on two legs of what feeds them.',
  severity: 'hazard',
  cites: everyEdition('Article 100', '200.4', '210.4', '240.4'),
  not: 'A feed from one pole: source/bridged-120v-no-shared-neutral.',
  facts: [
    'transfer.kind', 'transfer.otherKind',
    ...['neutralGroup', 'toPartnerV', 'moved', 'sourceLeg', 'slot'].map((key) => `loads.circuits.${key}`),
  ], // prettier-ignore
  notApplicable: firstOf(without('wired'), (look) =>
    sharedNeutrals(look, indexesTo(look.circuits)).length > 0 ? undefined : 'no circuit shares a neutral',
  ),
  check: (look) => {
    const groups = sharedNeutrals(look, indexesTo(look.circuits));
    const parts = groups.map((group) => look.attempt((side) => judgePair(side, group)));
    const wrong = parts.find(({ value }) => value !== undefined);
    if (wrong) {
      look.adopt(wrong);
      return { ...wrong.value!, part: { list: 'loads.circuits', index: groups[parts.indexOf(wrong)]![0]! } };
    }
    look.requireAll(...parts);
    return holds('Every pair that shares a neutral stands on two legs.');
  },
});
