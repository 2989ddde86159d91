import { everyEdition } from '../../codebook';
import {
  LEG_FACTS,
  Missing,
  lacking,
  NO_CORD_V,
  bridged,
  legDifferenceV,
  legsTell,
  rounded,
  type Look,
} from '../../electrical';
import { firstOf, holds, rule, violation, whereBothLegsAreFed } from '../rule';

function opened(look: Look, a: number, b: number) {
  return violation(
    `${a} V and ${b} V on the legs: the lighter one rises as the other falls, so the neutral is open or loose between source and loads, and with it the way that clears a fault.`,
    'Take the load off at once and stop the source; 120 V loads on the high leg are being destroyed. With everything proved dead, find the break along source, cord, inlet, feeder and transfer equipment, and measure again with load on one leg, then on the other.',
    { found: rounded(Math.abs(a - b)), unit: 'V' },
  );
}

export default rule({
  id: 'function/neutral-unbroken',
  holds: 'With load on one leg alone, and then on the other, both legs keep their volts: the neutral is unbroken.',
  severity: 'hazard',
  cites: everyEdition('250.4(A)(5)', '200.3'),
  not: 'A balanced load: with both legs alike an open neutral does not show, so that measurement proves nothing.',
  facts: [...LEG_FACTS, 'function.loadOn', 'function.otherLegAV', 'function.otherLegBV'],
  notApplicable: firstOf(whereBothLegsAreFed, (look) =>
    bridged(look) ? 'one pole feeds both legs, so that an open neutral leaves both without volts' : undefined,
  ),
  check: (look) => {
    const first = look.attempt(legsTell);
    look.adopt(first);
    const [a, b] = [look.known('function.legAV'), look.known('function.legBV')];
    if (first.value === 'open-neutral') return opened(look, a!, b!);
    const moved = look.attempt((side) => {
      side.needAll('function.otherLegAV', 'function.otherLegBV');
      return [side.need('function.otherLegAV'), side.need('function.otherLegBV')] as const;
    });
    look.adopt(moved);
    const most = look.attempt(legDifferenceV);
    if (moved.value) {
      const [otherA, otherB] = moved.value;
      const differs = look.step(
        'With the load moved, the legs differ by',
        rounded(Math.abs(otherA - otherB)),
        'V',
        `${otherA} V against ${otherB} V`,
      );
      if (differs > (most.value ?? NO_CORD_V)) return opened(look, otherA, otherB);
    }
    lacking([first]);
    if (look.known('function.loadOn') === 'both')
      throw new Missing(
        ['function.loadOn'],
        'With both legs loaded alike an open neutral does not show: put a load on one leg alone and measure, then on the other.',
      );
    look.needAll('function.loadOn', 'function.otherLegAV', 'function.otherLegBV');
    look.requireAll(most);
    const [otherA, otherB] = moved.value!;
    return holds(`${a} and ${b} V, with the load moved ${otherA} and ${otherB} V: the neutral holds.`);
  },
});
