import { circuitAt } from '../../case';
import { everyEdition, standardDeviceAtOrAboveA, tableAmpacityA } from '../../codebook';
import { AHEAD_OF_MOVED_FACTS, aheadOfMoved, isUnfused, rounded, type Look } from '../../electrical';
import { branchLimit, circuitName, sizedByNameplate } from '../../loads';
import { firstViolation, holds, rule, violation, whereCircuitsMove, type Finding } from '../rule';

const LARGEST = everyEdition('430.52', '430.22');

/** A motor’s device and wire by its amperes, an air conditioner’s as marked; undefined where they hold. Throws `Missing` where facts lack. */
function byNameplate(look: Look, index: number, deviceA: number, fit: string): Finding | undefined {
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
      `${fit} ${allowed} A or less for this circuit.`,
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
  holds:
    'What opens each moved circuit, its breaker in the switch or behind an unfused one what stands ahead, protects that circuit’s conductors.',
  severity: 'correction',
  cites: everyEdition('240.4', '240.4(D)', '240.4(G)', '422.11(E)', '430.52', '430.22', '440.22'),
  not: 'The circuits that stay in the panel; and single appliances that heat, whose nameplate allows no more than 240.4(D).',
  facts: [
    'transfer.kind', 'transfer.otherKind',
    ...['moved', 'sizeAwg', 'metal', 'use', 'byNameplate', 'motorA', 'tripsOnSmaller', 'markedCircuitA', 'markedDeviceA'].map((key) => `loads.circuits.${key}`),
    ...AHEAD_OF_MOVED_FACTS,
  ], // prettier-ignore
  notApplicable: whereCircuitsMove,
  check: (look) =>
    firstViolation(look, 'loads.circuits', (side, i) => {
      if (side.need(circuitAt(i).moved) === 'no') return undefined;
      const ahead = side.attempt((one) => aheadOfMoved(one, i));
      const wire = side.attempt((one) => one.needAll(circuitAt(i).sizeAwg, circuitAt(i).metal));
      side.requireAll(wire, ahead);
      const size = side.need(circuitAt(i).sizeAwg);
      const { ampsA: deviceA, words } = ahead.value!;
      const fit = isUnfused(side, i) ? 'Fit a switch with a breaker of' : 'Fit in the switch a device of';
      const limitA = branchLimit(side, i);
      if (deviceA > limitA && sizedByNameplate(side, i)) return byNameplate(side, i, deviceA, fit);
      return deviceA > limitA
        ? violation(
            `${size} AWG (${circuitName(look, i)}) behind ${words}; ${limitA} A allowed.`,
            `${fit} ${limitA} A or less for this circuit.`,
            { found: deviceA, allowed: limitA, unit: 'A' },
          )
        : undefined;
    }) ?? holds('Every circuit on the transfer equipment is protected.'),
});
