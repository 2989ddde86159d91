import { everyEdition } from '../../codebook';
import { AHEAD_FACTS, ASSUMED, aheadOfInlet, faultOhm, rounded, runs } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

/** From a hot conductor to the frame, whatever the connection, V. */
const HOT_TO_FRAME_V = 120;

export default rule({
  id: 'grounding/fault-opens-device',
  holds: 'A fault to the frame at the far end of the feeder draws enough to open the device ahead within seconds.',
  severity: 'hazard',
  cites: everyEdition('250.4(A)(5)'),
  not: 'What the source itself can give into a fault, which is less: a device may open later than said here. The branch circuits are left out.',
  facts: [
    'transfer.kind', 'transfer.otherKind', ...AHEAD_FACTS, 'cord.sizeAwg', 'cord.lengthFt',
    ...['lengthFt', 'sizeAwg', 'metal', 'groundAwg', 'groundBy', 'method'].map((key) => `feeder.stretches.${key}`),
  ], // prettier-ignore
  notApplicable: without('inlet'),
  check: (look) => {
    const over = look.attempt((side) => runs(side, true));
    const ahead = look.attempt(aheadOfInlet);
    look.requireAll(over, ahead);
    const ohm = look.step(
      'Out over a hot, back over the ground',
      rounded(faultOhm(over.value!)),
      'Ω',
      'Chapter 9 Table 8',
    );
    if (ohm === 0) return holds('Source and switch stand side by side; nothing lies between them.');
    const faultA = look.step(
      'A fault draws at most',
      rounded(HOT_TO_FRAME_V / ohm),
      'A',
      `${HOT_TO_FRAME_V} V ÷ ${ohm} Ω`,
    );
    const { flowsA, words } = ahead.value!;
    const opensA = look.step('Opens within seconds from', rounded(ASSUMED.opensAtTimes * flowsA), 'A', `${ASSUMED.opensAtTimes} × ${flowsA} A`); // prettier-ignore
    const detail = { found: faultA, allowed: opensA, unit: 'A' };
    return faultA >= opensA
      ? holds(`A fault to the frame draws up to ${faultA} A; the ${words} opens from ${opensA} A on.`, detail)
      : violation(
          `A fault to the frame draws ${faultA} A at most; the ${words} opens within seconds only from ${opensA} A on, and until then the frame is live.`,
          'Use a shorter or heavier cord and feeder, the equipment ground with it, until a fault opens the device.',
          detail,
        );
  },
});
