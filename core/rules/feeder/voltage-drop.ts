import {
  AREA_CMIL,
  RESISTANCE_OHM_PER_KFT,
  WIRE_SIZES,
  buildingWireSizes,
  everyEdition,
  type WireSize,
} from '../../codebook';
import { dropV, FEED_FACTS, feedV, OUTLET_W_FACTS, outletRunningW, rounded, type Run, runs } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

/** Smallest size that, put in every smaller feeder stretch, loses no more than `mostV`; undefined if none does. */
function largerFeeder(over: readonly Run[], currentA: number, mostV: number): WireSize | undefined {
  const feeder = over.filter((run) => run.name.startsWith('feeder'));
  const cordsV = dropV(over, currentA) - dropV(feeder, currentA);
  const larger = (size: WireSize) =>
    feeder.map((run) => (AREA_CMIL.rows[run.size]! < AREA_CMIL.rows[size]! ? { ...run, size } : run));
  return WIRE_SIZES.find(
    (size) =>
      feeder.every((run) => buildingWireSizes(run.metal).includes(size)) &&
      cordsV + dropV(larger(size), currentA) <= mostV,
  );
}

export default rule({
  id: 'feeder/voltage-drop',
  holds: 'At the source’s rated current no more than 3 % of the voltage is lost in cord and feeder.',
  severity: 'advisory',
  weighs: 'correction where the office makes it a rule',
  cites: everyEdition('215.2'),
  not: 'The branch circuits behind the panel, and starting currents.',
  reading: 'voltageDrop',
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    ...FEED_FACTS,
    ...OUTLET_W_FACTS,
    'cord.part',
    'cord.sizeAwg',
    'cord.lengthFt',
    ...['lengthFt', 'sizeAwg', 'metal'].map((key) => `feeder.stretches.${key}`),
  ],
  notApplicable: without('inlet'),
  check: (look) => {
    const [power, volts, over] = [
      look.attempt(outletRunningW),
      look.attempt(feedV),
      look.attempt((side) => runs(side)),
    ];
    look.requireAll(power, volts, over);
    const advisedPercent = look.number('voltageDropPercent');
    const currentA = look.step(
      'Rated current',
      rounded(power.value! / volts.value!),
      'A',
      `${power.value} W ÷ ${volts.value} V`,
    );
    for (const run of over.value!)
      look.step(
        `${run.name}: ${run.lengthFt} ft of ${run.size} AWG`,
        RESISTANCE_OHM_PER_KFT.rows[run.metal][run.size] ?? 'no row in the table',
        'Ω/1000 ft',
        RESISTANCE_OHM_PER_KFT.cites,
      );
    const lostV = look.step('Drop, out and back', rounded(dropV(over.value!, currentA)), 'V', '2 × R × ft ÷ 1000 × A');
    const percent = look.step(
      'Share of the voltage',
      Math.round((lostV / volts.value!) * 1000) / 10,
      '%',
      `${lostV} V ÷ ${volts.value} V`,
    );
    const severity = look.reading('voltageDrop') === 'rule' ? ('correction' as const) : undefined;
    const detail = { found: percent, allowed: advisedPercent, unit: '%', ...(severity && { severity }) };
    if (percent <= advisedPercent)
      return holds(`${percent} % lost at ${currentA} A; ${advisedPercent} % advised at most.`, detail);
    const larger = largerFeeder(over.value!, currentA, (advisedPercent / 100) * volts.value!);
    return violation(
      `${percent} % lost at ${currentA} A; ${advisedPercent} % advised at most.`,
      larger
        ? `A feeder of ${larger} AWG would bring it down to ${advisedPercent} %; a shorter cord helps too.`
        : 'Use a shorter or heavier cord.',
      detail,
    );
  },
});
