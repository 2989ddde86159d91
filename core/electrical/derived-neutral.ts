import type { Look } from './look';

/** Facts that say whether the transfer equipment opens the neutral. */
export const SWITCHED_FACTS = ['neutral.switched', 'neutral.pole'] as const;

/** Whether the transfer equipment opens the neutral: said so, and its pole seen where there is one to see. Throws `Missing` where facts lack. */
export function neutralSwitched(look: Look): boolean {
  if (look.need('neutral.switched') === 'no') return false;
  if (look.asks('neutral.pole')) look.need('neutral.pole');
  return true;
}

/** Facts that say where a derived source’s neutral meets ground. */
export const DERIVED_FACTS = [
  'source.neutralBond',
  'source.outletDevice',
  ...SWITCHED_FACTS,
  'neutral.derivedBond',
  'neutral.otherBond',
  'neutral.jumperTies',
] as const;

/** Whether a jumper in the house ties the neutral that the source feeds: one in the transfer enclosure, or a bond beyond it. Throws `Missing` where facts lack. */
function jumperInHouse(look: Look): boolean {
  const other = look.need('neutral.otherBond');
  if (other === 'none') return false;
  return other !== 'transfer-enclosure' || look.need('neutral.jumperTies') !== 'utility';
}

/**
 * How a source with a switched neutral is bonded: `at-source`, at the `first-device` (250.30(A)(1); that is in the house only
 * where the source has no overcurrent device of its own), in the `house` behind one, `twice` or `nowhere`. Throws `Missing`
 * where facts lack.
 */
export type DerivedBond = 'at-source' | 'first-device' | 'house' | 'twice' | 'nowhere';

export function derivedBond(look: Look): DerivedBond {
  return look.once(computeDerivedBond);
}

function computeDerivedBond(look: Look): DerivedBond {
  const bonded = look.need('source.neutralBond') === 'bonded';
  const said = look.attempt((side) => side.need('neutral.derivedBond'));
  const jumper = look.attempt(jumperInHouse);
  look.adopt(said);
  look.adopt(jumper);
  // One jumper in the house is enough, wherever it is recorded.
  const inHouse = said.value === 'house' || said.value === 'both' || jumper.value === true;
  if (said.value === 'both' || (bonded && inHouse)) return 'twice';
  look.requireAll(said, jumper);
  if (bonded) return 'at-source';
  if (!inHouse) return 'nowhere';
  return look.need('source.outletDevice') === 'none' ? 'first-device' : 'house';
}

/** Whether the office takes a bond where it is. A bond in the house behind the source’s own device is its reading to allow. */
export function bondAccepted(look: Look, bond: DerivedBond): boolean {
  if (bond === 'house') return look.reading('derivedNeutral') === 'house-too';
  return bond === 'at-source' || bond === 'first-device';
}
