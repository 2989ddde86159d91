import { stretchAt } from '../../case';
import { METHODS, everyEdition, type RacewaySize, type WiringMethod } from '../../codebook';
import { LARGER_DEVICE_FACTS, largerDeviceA, type Look } from '../../electrical';
import { holds, rule, violation } from '../rule';
import { onlyWithStretch, stretchName, worstStretch } from './worst-stretch';

/** Flexible metal may be the ground for so many feet along the whole path, and behind so many A by its trade size (250.118); in none larger. */
const SHORT_FT = 6;
const SHORT_A: Readonly<Record<string, Readonly<Partial<Record<RacewaySize, number>>>>> = {
  FMC: { '3/8': 20, '1/2': 20, '3/4': 20, '1': 20, '1-1/4': 20 },
  LFMC: { '3/8': 20, '1/2': 20, '3/4': 60, '1': 60, '1-1/4': 60 },
};
const SHORT = everyEdition('250.118');

/** Feet of flexible metal that is the ground, along the whole path. Throws `Missing` where facts lack. */
function flexibleFt(look: Look): number {
  const parts = Array.from({ length: look.stretches }, (_, i) =>
    look.attempt((side) => (metalPath(side, i)?.metalGround === 'short' ? side.need(stretchAt(i).lengthFt) : 0)),
  );
  look.requireAll(...parts);
  return parts.reduce((sum, { value }) => sum + value!, 0);
}

/** The method of a stretch whose metal is its equipment ground; undefined where a conductor is. Throws `Missing` while nobody looked. */
function metalPath(look: Look, index: number): (WiringMethod & { readonly name: string }) | undefined {
  const at = stretchAt(index);
  const name = look.need(at.method);
  const method: WiringMethod = METHODS[name];
  return method.metalGround && look.need(at.groundBy) === 'raceway' ? { ...method, name } : undefined;
}

export default rule({
  id: 'feeder/metal-ground-path',
  holds:
    'Where the metal raceway or armor is the equipment ground, it is of a kind that may be, listed and wrench-tight.',
  severity: 'correction',
  cites: everyEdition('250.118', '250.4(A)(5)'),
  not: 'Its resistance: grounding/path-continuous measures the whole way.',
  facts: [
    'inlet.builtIn',
    'transfer.otherKind', ...LARGER_DEVICE_FACTS,
    ...['method', 'groundBy', 'fittings', 'lengthFt', 'place', 'racewayIn', 'flexes'].map((key) => `feeder.stretches.${key}`),
  ], // prettier-ignore
  notApplicable: onlyWithStretch((look, i) => metalPath(look, i) !== undefined, 'a conductor is the equipment ground'),
  check: (look) =>
    worstStretch(look, (side, index) => {
      const at = stretchAt(index);
      const method = metalPath(side, index);
      if (!method) return { least: Infinity, finding: holds('A conductor is the equipment ground.') };
      const where = stretchName(side, index);
      if (side.need(at.fittings) === 'no')
        return {
          least: 0,
          finding: violation(
            `A fitting of the metal path turns by hand or bears no listing (${where}); a fault would arc there and open nothing.`,
            'Fit listed connectors and tighten every coupling and locknut with a wrench, or run an equipment grounding conductor.',
          ),
        };
      if (method.metalGround === 'any')
        return { least: 2, finding: holds(`${method.label}, listed and wrench-tight.`) };
      const device = side.attempt(largerDeviceA);
      const feet = side.attempt(flexibleFt);
      const trade = side.attempt((one) => {
        one.needAll(at.racewayIn, at.flexes);
        return one.need(at.racewayIn);
      });
      side.requireAll(device, feet, trade);
      const [deviceA, lengthFt, size] = [device.value!, feet.value!, trade.value!];
      const mostA = SHORT_A[method.name]![size];
      const remedy = 'Run an equipment grounding conductor through it.';
      const wrong = (words: string) => ({ least: 1, finding: violation(`${words} (${where}).`, remedy) });
      if (mostA === undefined)
        return wrong(`${method.name} of ${size} in is no ground; 1-1/4 in is the largest that may be`);
      side.step(`${method.name} of ${size} in as the ground, at most`, `${SHORT_FT} ft, ${mostA} A`, '', SHORT);
      if (side.need(at.flexes) === 'yes') return wrong(`${method.name} that has to flex is no ground`);
      return lengthFt <= SHORT_FT && deviceA <= mostA
        ? {
            least: 1,
            finding: holds(
              `${lengthFt} ft of flexible metal in all, ${method.name} of ${size} in behind ${deviceA} A.`,
            ),
          }
        : wrong(
            `${lengthFt} ft of flexible metal in all, ${method.name} of ${size} in behind ${deviceA} A; as the ground it may be ${SHORT_FT} ft behind ${mostA} A`,
          );
    }),
});
