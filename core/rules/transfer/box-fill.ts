import { BOX_FILL_CITES, BOX_TYPES, BOX_VOLUME_IN3 } from '../../codebook';
import { rounded } from '../../electrical';
import { holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'transfer/box-fill',
  holds: 'The box with the splices has room for all that is in it.',
  severity: 'correction',
  cites: BOX_FILL_CITES,
  facts: [
    'transfer.kind', 'transfer.otherKind', 'transfer.box', 'transfer.boxIn3', 'transfer.boxAwg', 'transfer.boxConductors', 'transfer.boxGrounds', 'transfer.boxClamps', 'transfer.boxDevices',
  ], // prettier-ignore
  notApplicable: onlyWith('singleCircuit', 'its splices are in a panel or in the equipment itself'),
  check: (look) => {
    look.needAll(
      'transfer.box',
      'transfer.boxAwg',
      'transfer.boxConductors',
      'transfer.boxGrounds',
      'transfer.boxClamps',
      'transfer.boxDevices',
    );
    const size = look.need('transfer.boxAwg');
    const each = look.step(`Room for one ${size} AWG`, BOX_VOLUME_IN3[size]!, 'in³', BOX_FILL_CITES);
    const grounds = look.need('transfer.boxGrounds');
    // All grounds count as one; from 2020 on each beyond the fourth adds a quarter.
    const groundShare = grounds === 0 ? 0 : 1 + (look.edition === '2017' ? 0 : Math.max(0, grounds - 4) / 4);
    const units =
      look.need('transfer.boxConductors') +
      groundShare +
      (look.need('transfer.boxClamps') === 'yes' ? 1 : 0) +
      2 * look.need('transfer.boxDevices');
    look.step('Counted: conductors, grounds, clamps, two for each device', rounded(units), '', BOX_FILL_CITES);
    const neededIn3 = look.step('Room needed', rounded(units * each), 'in³', `${rounded(units)} × ${each}`);
    const box = look.need('transfer.box');
    const hasIn3 =
      box === 'marked'
        ? look.need('transfer.boxIn3')
        : look.step('Room in the box', BOX_TYPES[box].volumeIn3, 'in³', BOX_FILL_CITES);
    const detail = { found: neededIn3, allowed: hasIn3, unit: 'in³' };
    const words = `${neededIn3} in³ needed, ${hasIn3} in³ there.`;
    if (neededIn3 <= hasIn3) return holds(words, detail);
    const larger = Object.values(BOX_TYPES)
      .sort((a, b) => a.volumeIn3 - b.volumeIn3)
      .find((box) => box.volumeIn3 >= neededIn3);
    return violation(
      words,
      larger ? `A box of ${larger.label} (${larger.volumeIn3} in³) would do.` : 'Split the splices over two boxes.',
      detail,
    );
  },
});
