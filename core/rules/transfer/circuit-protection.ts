import { circuitAt } from '../../case';
import { everyEdition, standardDeviceAtOrAboveA, tableAmpacityA } from '../../codebook';
import { rounded, type Look } from '../../electrical';
import { branchLimit, circuitName, sizedByNameplate } from '../../loads';
import { firstViolation, holds, rule, violation, whereCircuitsMove, type Finding } from '../rule';

const LARGEST = everyEdition('430.52', '430.22');

/** A motor’s device and wire by its amperes, an air conditioner’s as marked; undefined where they hold. Throws `Missing` where facts lack. */
function byNameplate(look: Look, index: number, deviceA: number): Finding | undefined {
  const at = circuitAt(index);
  const name = circuitName(look, index);
  const size = look.need(at.sizeAwg);
  const wireA = look.step(
    `${size} AWG, 60 °C column`,
    tableAmpacityA(look.need(at.metal), size, 60)!,
    'A',
    everyEdition('110.14(C)'),
  );
  const wire = (neededA: number) =>
    violation(
      `${name}: its nameplate asks for a conductor of ${neededA} A; ${size} AWG carries ${wireA} A.`,
      `Run a conductor of ${neededA} A or more.`,
      {
        found: wireA,
        allowed: neededA,
        unit: 'A',
      },
    );
  const device = (allowed: number) =>
    violation(
      `${deviceA} A ahead of ${name}; its nameplate allows ${allowed} A.`,
      `Fit a device of ${allowed} A or less for this circuit in the switch.`,
      {
        found: deviceA,
        allowed,
        unit: 'A',
      },
    );
  if (look.need(at.use) === 'air-conditioner') {
    look.needAll(at.markedCircuitA, at.markedDeviceA);
    const [neededA, mostA] = [look.need(at.markedCircuitA), look.need(at.markedDeviceA)];
    return deviceA > mostA ? device(mostA) : wireA < neededA ? wire(neededA) : undefined;
  }
  const motorA = look.need(at.motorA);
  const neededA = look.step('125 % of the motor’s amperes', rounded(1.25 * motorA), 'A', LARGEST);
  const usualA = rounded(2.5 * motorA);
  const standardA = look.step(
    'Next device above 250 %',
    standardDeviceAtOrAboveA(usualA, look.edition) ?? usualA,
    'A',
    LARGEST,
  );
  const mostA = look.step('At most, where it will not start on less', rounded(4 * motorA), 'A', LARGEST);
  if (deviceA > Math.max(standardA, mostA)) return device(Math.max(standardA, mostA));
  if (deviceA > standardA && look.need(at.tripsOnSmaller) === 'no') return device(standardA);
  return wireA < neededA ? wire(neededA) : undefined;
}

export default rule({
  id: 'transfer/circuit-protection',
  holds: 'The switch’s own breaker for each moved circuit protects that circuit’s conductors.',
  severity: 'correction',
  cites: everyEdition('240.4', '240.4(D)', '240.4(G)', '422.11(E)', '430.52', '430.22', '440.22'),
  not: 'The circuits that stay in the panel; and single appliances that heat, whose nameplate allows no more than 240.4(D).',
  facts: [
    'transfer.kind', 'transfer.otherKind',
    ...['moved', 'sizeAwg', 'metal', 'switchBreakerA', 'use', 'byNameplate', 'motorA', 'tripsOnSmaller', 'markedCircuitA', 'markedDeviceA'].map((key) => `loads.circuits.${key}`),
  ], // prettier-ignore
  notApplicable: whereCircuitsMove,
  check: (look) =>
    firstViolation(look, 'loads.circuits', (side, i) => {
      if (side.need(circuitAt(i).moved) === 'no') return undefined;
      side.needAll(circuitAt(i).sizeAwg, circuitAt(i).metal, circuitAt(i).switchBreakerA);
      const size = side.need(circuitAt(i).sizeAwg);
      const deviceA = side.need(circuitAt(i).switchBreakerA);
      const limitA = branchLimit(side, i);
      if (deviceA > limitA && sizedByNameplate(side, i)) return byNameplate(side, i, deviceA);
      return deviceA > limitA
        ? violation(
            `${deviceA} A ahead of ${size} AWG (${circuitName(look, i)}); ${limitA} A allowed.`,
            `Fit a device of ${limitA} A or less for this circuit in the switch.`,
            { found: deviceA, allowed: limitA, unit: 'A' },
          )
        : undefined;
    }) ?? holds('Every circuit on the transfer equipment is protected.'),
});
