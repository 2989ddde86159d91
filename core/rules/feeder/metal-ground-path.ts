import { stretchAt } from '../../case';
import { METHODS, everyEdition, type WiringMethod } from '../../codebook';
import type { Look } from '../../electrical';
import { firstOf, holds, rule, violation, without } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

/** Flexible metal may be the ground for so many feet along the path, and behind so many A: FMC, and LFMC of ¾ to 1¼ in. */
const SHORT_FT = 6;
const SHORT_A = { FMC: 20, LFMC: 60 } as const;
const SHORT = everyEdition('250.118');

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
    'transfer.kind', 'transfer.otherKind', 'source.outletBreakerA',
    ...['method', 'groundBy', 'fittings', 'lengthFt', 'place'].map((key) => `feeder.stretches.${key}`),
  ], // prettier-ignore
  notApplicable: firstOf(without('feeder'), (look) => {
    const parts = Array.from({ length: look.stretches }, (_, i) => look.attempt((side) => metalPath(side, i)));
    if (parts.some(({ value }) => value)) return undefined;
    look.requireAll(...parts);
    return 'a conductor is the equipment ground';
  }),
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
      side.needAll(at.lengthFt, 'source.outletBreakerA');
      const mostA = SHORT_A[method.name as keyof typeof SHORT_A];
      const lengthFt = side.need(at.lengthFt);
      const deviceA = side.need('source.outletBreakerA');
      side.step(`${method.name} as the ground, at most`, `${SHORT_FT} ft, ${mostA} A`, '', SHORT);
      return {
        least: 1,
        finding:
          lengthFt <= SHORT_FT && deviceA <= mostA
            ? holds(`${lengthFt} ft of ${method.name} behind ${deviceA} A.`)
            : violation(
                `${lengthFt} ft of ${method.name} behind ${deviceA} A (${where}); as the ground it may be ${SHORT_FT} ft behind ${mostA} A.`,
                'Run an equipment grounding conductor through it.',
              ),
      };
    }),
});
