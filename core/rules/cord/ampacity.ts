import { cordAt } from '../../case';
import { everyEdition } from '../../codebook';
import { CORD_FACTS, cordAmpacityA, lacking, smallestCordSize, type Attempt } from '../../electrical';
import { holds, rule, together, violation, type Finding } from '../rule';

/** Listed sets for appliances, on circuits of 20 A and less, count as protected from 16 AWG up (240.5(B)); a cord that feeds a house does not. */
const SET_DEVICE_A = 20;
const SET_CITES = everyEdition('240.5(B)');

export default rule({
  id: 'cord/ampacity',
  holds: 'Every cord carries what the source outlet’s breaker lets pass.',
  severity: 'hazard',
  cites: everyEdition('400.5', '240.5'),
  not: 'The next size up of 240.4(B), which is not for cords; and heat, which is cord/ambient’s.',
  facts: ['transfer.kind', 'source.outletBreakerA', ...CORD_FACTS],
  check: (look) => {
    const device = look.attempt((side) => side.need('source.outletBreakerA'));
    const feedsHouse = look.attempt((side) => side.need('transfer.kind') !== 'none-cords');
    const cords: Attempt<number>[] = [];
    for (let i = 0; i < look.cords; i++) cords.push(look.attempt((side) => cordAmpacityA(side, i)));
    for (const part of [device, ...cords]) look.adopt(part);
    const deviceA = device.value;
    const undecided: Attempt<unknown>[] = [];
    const wrong: Finding[] = [];
    if (deviceA !== undefined)
      for (const [i, { value: ampacityA }] of cords.entries()) {
        if (ampacityA === undefined || deviceA <= ampacityA) continue;
        const size = look.need(cordAt(i).sizeAwg);
        if (deviceA <= SET_DEVICE_A && size !== '18' && feedsHouse.value !== true) {
          undecided.push(feedsHouse);
          look.step(`Cord set of ${size} AWG for appliances, on ${deviceA} A`, 'counts as protected', '', SET_CITES);
          continue;
        }
        const better = smallestCordSize(look, look.need(cordAt(i).wires), deviceA);
        wrong.push({
          ...violation(
            `${ampacityA} A allowed by cord ${i + 1} (${size} AWG), ${deviceA} A outlet breaker ahead of it.`,
            better
              ? `Use a cord of ${better} AWG or larger.`
              : 'No cord of the table carries this; use a smaller outlet.',
            { found: deviceA, allowed: ampacityA, unit: 'A' },
          ),
          part: { list: 'cord', index: i },
        });
      }
    const found = together(wrong);
    if (found) return found;
    lacking([device, ...cords, ...undecided]);
    const allowed = Math.min(...cords.map((one) => one.value!));
    return holds(`${allowed} A allowed by the cord, ${deviceA} A outlet breaker.`, {
      found: deviceA,
      allowed,
      unit: 'A',
    });
  },
});
