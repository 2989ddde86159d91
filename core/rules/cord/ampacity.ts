import { cordAt } from '../../case';
import { everyEdition } from '../../codebook';
import {
  adapterAhead,
  AHEAD_FACTS,
  aheadOfCord,
  type Attempt,
  CORD_FACTS,
  cordAmpacityA,
  faceBearsA,
  lacking,
  type Look,
  smallestCordSize,
} from '../../electrical';
import { holds, rule, together, violation, withoutCord, type Finding } from '../rule';

/** Listed sets for appliances, on circuits of 20 A and less, count as protected from 16 AWG up (240.5(B)); a cord that feeds a house does not. */
const SET_DEVICE_A = 20;
const SET_CITES = everyEdition('240.5(B)');
const FACE_CITES = everyEdition('110.3(B)', '406.7');

export default rule({
  id: 'cord/ampacity',
  holds: 'Every cord carries, by its conductors and by its ends, what stands ahead of it lets pass.',
  severity: 'hazard',
  weighs:
    'correction where the source has no device and the cord carries its nameplate current, but not 115 % of it; and where three conductors of a bridged cord carry what two would bear',
  cites: everyEdition('400.5', '240.5', '445.13'),
  not: 'The next size up of 240.4(B), which is not for cords; and heat, which is cord/ambient’s.',
  facts: ['transfer.kind', ...AHEAD_FACTS, ...CORD_FACTS, 'cord.daisyChained', 'cord.sourceEnd', 'cord.inletEnd'],
  notApplicable: withoutCord,
  check: (look) => {
    const feedsHouse = look.attempt((side) => side.has('wired'));
    const wrong: Finding[] = [];
    const parts: Attempt<unknown>[] = [];
    const least: Borne[] = [];
    for (let i = 0; i < look.cords; i++) {
      const ahead = look.attempt((side) => aheadOfCord(side, i));
      const cord = look.attempt((side) => borne(side, i, ahead.value?.ampsA ?? 0));
      look.adopt(ahead);
      look.adopt(cord);
      parts.push(ahead, cord);
      if (!ahead.value || !cord.value) continue;
      const { ampsA: aheadA, words } = ahead.value;
      least.push({ ...cord.value, aheadA });
      if (aheadA <= cord.value.allowedA) continue;
      const size = look.peek(cordAt(i).sizeAwg);
      if (ahead.value.isDevice && aheadA <= SET_DEVICE_A && !cord.value.byFace && size !== undefined && size !== '18') {
        if (feedsHouse.value === undefined) parts.push(feedsHouse);
        if (feedsHouse.value !== true) {
          look.step(`Cord set of ${size} AWG for appliances, on ${aheadA} A`, 'counts as protected', '', SET_CITES);
          continue;
        }
      }
      const adapter = look.peek(cordAt(i).part) === 'adapter-listed';
      const better =
        cord.value.byFace || adapter
          ? undefined
          : look.attempt((side) => smallestCordSize(side, side.peek(cordAt(i).wires) ?? '4', aheadA)).value;
      wrong.push({
        ...violation(
          `${cord.value.allowedA} A allowed by cord ${i + 1} (${cord.value.by}), ${words} ahead of it.`,
          better
            ? `Use a cord of ${better} AWG or larger.`
            : cord.value.byFace
              ? `Use one whose ends bear ${aheadA} A, or an outlet with a smaller device.`
              : adapter
                ? `Use an adapter marked for ${aheadA} A or more, or an outlet with a smaller device.`
                : 'No cord of the table carries this; use a smaller outlet.',
          {
            found: aheadA,
            allowed: cord.value.allowedA,
            unit: 'A',
            // Without a device what can flow is what the nameplate says; the share above it is 445.13’s.
            // Two conductors of it would be enough: what a bridged feed adds is heat, and no overload of any.
            ...(cord.value.twoA !== undefined && aheadA <= cord.value.twoA ? { severity: 'correction' as const } : {}),
            ...(!ahead.value.isDevice && ahead.value.flowsA <= cord.value.allowedA
              ? { severity: 'correction' as const }
              : {}),
          },
        ),
        part: { list: 'cord', index: i },
      });
    }
    // The gravest speaks for all.
    const found = together(
      wrong.toSorted((a, b) => Number(a.severity !== undefined) - Number(b.severity !== undefined)),
    );
    // What is milder than a hazard is told once nobody can find a hazard beside it.
    if (!found || found.severity !== undefined) lacking(parts);
    if (found) return found;
    const { allowedA, aheadA } = least.reduce((one, other) =>
      other.allowedA - other.aheadA! < one.allowedA - one.aheadA! ? other : one,
    );
    return holds(`${allowedA} A allowed by the cord, ${aheadA} A ahead of it.`, {
      found: aheadA,
      allowed: allowedA,
      unit: 'A',
    });
  },
});

interface Borne {
  readonly allowedA: number;
  readonly by: string;
  readonly byFace: boolean;
  readonly aheadA?: number;
  /** What it would bear with two conductors carrying, where three do. */
  readonly twoA?: number;
}

/** What a cord bears: its conductors, and where its two ends differ the face of the far one, which is its own. */
function borne(look: Look, index: number, aheadA: number): Borne {
  const at = cordAt(index);
  const ampacity = look.attempt((side) => cordAmpacityA(side, index));
  const ends = look.attempt((side) => {
    side.needAll(at.sourceEnd, at.inletEnd);
    return [side.need(at.sourceEnd), side.need(at.inletEnd)] as const;
  });
  look.adopt(ampacity);
  look.adopt(ends);
  const size = look.peek(at.sizeAwg);
  const by = size === undefined || look.peek(at.part) === 'adapter-listed' ? 'its marking' : `${size} AWG`;
  // Behind a breaker of its own the far end of an adapter sees that one.
  const ownA = adapterAhead(look, index)?.ampsA;
  if (ends.value && ends.value[0] !== ends.value[1]) {
    const far = ends.value[1];
    const bearsA = faceBearsA(far, Math.min(aheadA, ownA ?? Infinity));
    if (bearsA < Math.min(ampacity.value ?? Infinity, ownA ?? Infinity) && bearsA < aheadA)
      return { allowedA: look.step(`${far}, its far end`, bearsA, 'A', FACE_CITES), by: far, byFace: true };
  }
  look.requireAll(ampacity, ends);
  // Its conductors too are protected from there on, but for the short way to it.
  const twoA = look.attempt((side) => cordAmpacityA(side, index, true)).value;
  return { allowedA: ampacity.value!, by, byFace: false, ...(twoA !== ampacity.value && { twoA }) };
}
