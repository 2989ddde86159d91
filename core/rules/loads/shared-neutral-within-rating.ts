import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { BRIDGED_FACTS, bridged, rounded } from '../../electrical';
import { branchAmpacity, circuitName, legFact, legsOf, neutralGroups, plannedCircuits, type Leg } from '../../loads';
import { firstOf, holds, rule, violation, without } from '../rule';

/** A circuit's hot that comes back on a shared neutral. */
interface Hot {
  readonly index: number;
  readonly leg: Leg;
  readonly currentA: number;
}

/** Current of a shared neutral, A: the difference of the two legs, or the sum where one pole feeds both. */
function neutralA(hots: readonly Hot[], onePole: boolean): number {
  const on = { A: 0, B: 0 };
  for (const { leg, currentA } of hots) on[leg] += currentA;
  return rounded(onePole ? on.A + on.B : Math.abs(on.A - on.B));
}

export default rule({
  id: 'loads/shared-neutral-within-rating',
  holds:
    'A shared neutral carries no more than its size allows: the difference on two legs of the source, the sum on one.',
  not: 'The legs of the utility: at a load-side switch the handles decide which leg of the source each takes.',
  severity: 'hazard',
  cites: everyEdition('210.4', '240.4(D)', '310.15'),
  facts: [
    'transfer.otherKind', ...BRIDGED_FACTS,
    ...['plan', 'neutralGroup', 'runningW', 'slot', 'sourceLeg', 'volts', 'sizeAwg', 'metal'].map((key) => `loads.circuits.${key}`),
  ], // prettier-ignore
  notApplicable: firstOf(without('inlet'), (look) =>
    neutralGroups(look, plannedCircuits(look)).length > 0 ? undefined : 'no two circuits that run share a neutral',
  ),
  check: (look) => {
    const onePole = bridged(look);
    const groups = neutralGroups(look, plannedCircuits(look));
    const all = groups.flat();
    look.needOfEach(all, circuitAt, ['runningW', 'volts', legFact(look), 'sizeAwg', 'metal']);
    let worst: { found: number; allowed: number; names: string; hots: readonly Hot[] } | undefined;
    for (const group of groups) {
      const hots = group.map((index) => ({
        index,
        leg: legsOf(look, index)[0]!,
        currentA: look.need(circuitAt(index).runningW) / 120,
      }));
      const allowed = Math.min(...group.map((i) => branchAmpacity(look, i)));
      const names = group.map((i) => circuitName(look, i)).join(' and ');
      const found = look.step(
        `Neutral of ${names}`,
        neutralA(hots, onePole),
        'A',
        onePole ? 'sum: one pole feeds both' : 'difference of the two legs',
      );
      look.step('Its size allows', allowed, 'A', everyEdition('240.4(D)'));
      if (!worst || found - allowed > worst.found - worst.allowed) worst = { found, allowed, names, hots };
    }
    const { found, allowed, names, hots } = worst!;
    const detail = { found, allowed, unit: 'A' };
    const words = `${found} A on the neutral of ${names}, ${allowed} A allowed.`;
    if (found <= allowed) return holds(words, detail);
    const helps = (changed: (one: Hot) => readonly Hot[]) =>
      hots.find((one) => neutralA(changed(one), onePole) <= allowed)?.index;
    const move = helps((moved) =>
      hots.map((one) => (one === moved ? { ...one, leg: one.leg === 'A' ? 'B' : 'A' } : one)),
    );
    if (move !== undefined)
      return violation(
        words,
        `Move ${circuitName(look, move)} to the other leg, so that the neutral carries the difference.`,
        detail,
      );
    const off = helps((left) => hots.filter((one) => one !== left));
    const better = onePole ? ', or use a 120/240 V source' : '';
    return violation(
      words,
      off === undefined
        ? `Give each circuit a neutral of its own${better}.`
        : `Keep ${circuitName(look, off)} off and locked while the source runs${better}.`,
      detail,
    );
  },
});
