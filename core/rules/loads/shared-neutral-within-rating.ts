import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { bridged, rounded } from '../../electrical';
import { branchLimitA, circuitName, legOf, neutralGroups, plannedCircuits } from '../../loads';
import { firstOf, holds, rule, violation, without } from '../rule';

export default rule({
  id: 'loads/shared-neutral-within-rating',
  holds: 'A shared neutral carries no more than its size allows: the difference on two legs, the sum on one pole.',
  severity: 'hazard',
  cites: everyEdition('210.4', '240.4(D)', '310.15'),
  facts: [
    'transfer.kind', 'source.voltage', 'cord.bridges',
    ...['plan', 'neutralGroup', 'runningW', 'slot', 'sizeAwg'].map((key) => `loads.circuits.${key}`),
  ], // prettier-ignore
  notApplicable: firstOf(without('inlet'), (look) =>
    neutralGroups(look, plannedCircuits(look)).length > 0 ? undefined : 'no two circuits that run share a neutral',
  ),
  check: (look) => {
    const onePole = bridged(look);
    const groups = neutralGroups(look, plannedCircuits(look));
    const all = groups.flat();
    look.needOfEach(all, circuitAt, ['runningW', 'slot', 'sizeAwg']);
    let worst: { found: number; allowed: number; names: string } | undefined;
    for (const group of groups) {
      const onLeg = { A: 0, B: 0 };
      let allowed = Infinity;
      for (const i of group) {
        onLeg[legOf(look.need(circuitAt(i).slot))] += look.need(circuitAt(i).runningW) / 120;
        const size = look.need(circuitAt(i).sizeAwg);
        allowed = Math.min(allowed, branchLimitA(size));
      }
      const names = group.map((i) => circuitName(look, i)).join(' and ');
      const found = look.step(
        `Neutral of ${names}`,
        rounded(onePole ? onLeg.A + onLeg.B : Math.abs(onLeg.A - onLeg.B)),
        'A',
        onePole ? 'sum: one pole feeds both' : 'difference of the two legs',
      );
      look.step('Its size allows', allowed, 'A', everyEdition('240.4(D)'));
      if (!worst || found - allowed > worst.found - worst.allowed) worst = { found, allowed, names };
    }
    const { found, allowed, names } = worst!;
    const detail = { found, allowed, unit: 'A' };
    const words = `${found} A on the neutral of ${names}, ${allowed} A allowed.`;
    return found <= allowed
      ? holds(words, detail)
      : violation(
          words,
          onePole
            ? 'Keep one of the pair off and locked, or use a 120/240 V source.'
            : 'Move one of the pair to the other leg, so that the neutral carries the difference.',
          detail,
        );
  },
});
