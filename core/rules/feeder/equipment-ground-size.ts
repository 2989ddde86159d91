import { stretchAt } from '../../case';
import { AREA_CMIL, equipmentGroundSize, everyEdition, sizeOfArea } from '../../codebook';
import {
  conductorOf,
  LARGER_DEVICE_FACTS,
  largerDeviceA,
  type Look,
  metalIsGround,
  Missing,
  rounded,
  smallestStretchSize,
  STRETCH_FACTS,
} from '../../electrical';
import { holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch, type Judged } from './worst-stretch';

const INCREASED = everyEdition('250.122(B)');
const TABLE = everyEdition('Table 250.122');

function judge(look: Look, index: number): Judged {
  const at = stretchAt(index);
  if (metalIsGround(look, index))
    return {
      least: Infinity,
      finding: holds('The metal raceway or armor is the equipment ground: feeder/metal-ground-path.'),
    };
  const device = look.attempt(largerDeviceA);
  const sizes = look.attempt((side) => side.needAll(at.metal, at.sizeAwg, at.groundAwg));
  look.requireAll(sizes, device);
  const { metal, size } = conductorOf(look, index);
  const ground = conductorOf(look, index, 'groundAwg').size;
  const deviceA = device.value!;
  const table = equipmentGroundSize(deviceA, metal);
  const actualCmil = AREA_CMIL.rows[ground]!;
  if (!table)
    throw new Missing(
      ['source.outletBreakerA', 'breaker.ratingA'],
      `No row of the table serves ${deviceA} A; have the size worked out by a licensed person.`,
    );
  look.step(`Equipment ground for ${deviceA} A, ${metal}`, table, 'AWG', TABLE);

  // Conductors made larger than the device needs take the ground along, in proportion of area.
  let needed = table;
  const tableCmil = AREA_CMIL.rows[table]!;
  if (actualCmil >= tableCmil) {
    const smallest = smallestStretchSize(look, index, deviceA);
    if (smallest && AREA_CMIL.rows[size]! > AREA_CMIL.rows[smallest]!) {
      const ratio = rounded(AREA_CMIL.rows[size]! / AREA_CMIL.rows[smallest]!);
      look.step(`Conductors ${size} AWG where ${smallest} AWG would do: area ratio`, ratio, '×', INCREASED);
      needed = sizeOfArea(Math.min(tableCmil * ratio, AREA_CMIL.rows[size]!)) ?? table;
      look.step('Equipment ground in proportion', needed, 'AWG', INCREASED);
    }
  }
  const detail = { found: ground, allowed: needed, unit: 'AWG' };
  const where = look.stretches === 1 ? 'the feeder' : stretchName(look, index);
  const least = actualCmil / AREA_CMIL.rows[needed]!;
  const grown = needed !== table && least < 1;
  // From 2020 on a qualified person may size it for the fault path that there is.
  const designed = grown && look.edition !== '2017' && look.known('feeder.groundDesigned') === 'yes';
  const finding =
    least >= 1 || designed
      ? holds(
          designed
            ? `${ground} AWG equipment ground in ${where}, sized by a qualified person who is named.`
            : `${ground} AWG equipment ground in ${where}; ${needed} AWG needed.`,
          detail,
        )
      : violation(
          `${ground} AWG equipment ground in ${where}, ${needed} AWG needed.`,
          needed === table
            ? `Run an equipment ground of ${needed} AWG or larger.`
            : `Run an equipment ground of ${needed} AWG or larger: it grows with the conductors.`,
          detail,
        );
  return { least, finding };
}

export default rule({
  id: 'feeder/equipment-ground-size',
  holds:
    'The equipment grounding conductor is large enough for the larger of the devices at the two ends of the feeder.',
  severity: 'correction',
  cites: everyEdition('250.122'),
  facts: [
    'inlet.builtIn',
    'transfer.otherKind',
    ...LARGER_DEVICE_FACTS,
    ...STRETCH_FACTS,
    'feeder.stretches.groundBy',
    'feeder.stretches.groundAwg',
    'feeder.groundDesigned',
  ],
  notApplicable: withoutFeeder,
  check: (look) => worstStretch(look, judge),
});
