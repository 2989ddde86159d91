import { cordAt } from '../../case';
import { everyEdition } from '../../codebook';
import { cordAmpacityA, lacking, smallestCordSize, type Attempt } from '../../electrical';
import { holds, rule, violation } from '../rule';

/** Sets on circuits of 20 A and less count as protected from 16 AWG up (240.5(B)). */
const SET_DEVICE_A = 20;
const SET_CITES = everyEdition('240.5(B)');

export default rule({
  id: 'cord/ampacity',
  holds: 'Every cord carries what the source outlet’s breaker lets pass.',
  severity: 'hazard',
  cites: everyEdition('400.5', '240.5'),
  facts: ['source.outletBreakerA', 'source.voltage', 'cord.sizeAwg', 'cord.wires'],
  check: (look) => {
    const device = look.attempt((side) => side.need('source.outletBreakerA'));
    const cords: Attempt<number>[] = [];
    for (let i = 0; i < look.cords; i++) cords.push(look.attempt((side) => cordAmpacityA(side, i)));
    for (const part of [device, ...cords]) look.adopt(part);
    const deviceA = device.value;
    if (deviceA !== undefined)
      for (const [i, { value: ampacityA }] of cords.entries()) {
        if (ampacityA === undefined || deviceA <= ampacityA) continue;
        const size = look.need(cordAt(i).sizeAwg);
        if (deviceA <= SET_DEVICE_A && size !== '18') {
          look.step(`Extension cord set of ${size} AWG on ${deviceA} A`, 'counts as protected', '', SET_CITES);
          continue;
        }
        const better = smallestCordSize(look, look.need(cordAt(i).wires), deviceA);
        return violation(
          `${ampacityA} A allowed by cord ${i + 1} (${size} AWG), ${deviceA} A outlet breaker ahead of it.`,
          better
            ? `Use a cord of ${better} AWG or larger.`
            : 'No cord of the table carries this; use a smaller outlet.',
          { found: deviceA, allowed: ampacityA, unit: 'A' },
        );
      }
    lacking([device, ...cords]);
    const allowed = Math.min(...cords.map((one) => one.value!));
    return holds(`${allowed} A allowed by the cord, ${deviceA} A outlet breaker.`, {
      found: deviceA,
      allowed,
      unit: 'A',
    });
  },
});
