import { OPEN_OHM, everyEdition } from '../../codebook';
import { type Look, Missing, neutralSwitched, rounded, SWITCHED_FACTS } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

/** Leads that read more are broken, Ω. */
const MOST_LEADS_OHM = 2;
/** So little below nothing is the meter’s own, Ω. */
const LEAST_LEFT_OHM = -0.2;

/** A reading less what the long leads read alone, Ω. */
function withoutLeads(look: Look, ohm: number): number {
  const leadsOhm = look.known('grounding.leadsOhm') ?? 0;
  if (leadsOhm === 0 || ohm >= OPEN_OHM) return ohm;
  if (leadsOhm > MOST_LEADS_OHM)
    throw new Missing(
      ['grounding.leadsOhm'],
      `${leadsOhm} Ω of leads is a broken lead, and takes off what it should not: hold the tips together, mend or change the lead, measure both again.`,
    );
  const left = rounded(ohm - leadsOhm);
  if (left < LEAST_LEFT_OHM)
    throw new Missing(
      ['grounding.leadsOhm'],
      `${ohm} Ω with leads of ${leadsOhm} Ω is less than nothing: measure the leads and the path again.`,
    );
  return look.step('Without the leads', Math.max(0, left), 'Ω', `${ohm} Ω − ${leadsOhm} Ω`);
}

export default rule({
  id: 'grounding/path-continuous',
  holds: 'From the source’s frame to the panel the equipment ground is unbroken.',
  severity: 'hazard',
  cites: everyEdition('250.4(A)(5)'),
  not: 'What a low reading came by: through a derived source’s electrode conductor it may be low with the cord’s ground open, so that is measured pin to pin.',
  facts: [
    'transfer.kind', 'transfer.otherKind', ...SWITCHED_FACTS, 'grounding.frameToPanelOhm', 'grounding.cordGroundOhm', 'grounding.leadsOhm',
  ], // prettier-ignore
  notApplicable: without('wired'),
  check: (look) => {
    const mostOhm = look.number('groundPathOhm');
    const frame = look.attempt((side) => withoutLeads(side, side.need('grounding.frameToPanelOhm')));
    const derived = look.attempt(neutralSwitched);
    const pins = look.attempt((side) => withoutLeads(side, side.need('grounding.cordGroundOhm')));
    look.adopt(frame);
    const judged = (ohm: number, where: string) => {
      const detail = { found: ohm, allowed: mostOhm, unit: 'Ω' };
      return ohm <= mostOhm
        ? holds(`${ohm} Ω ${where}.`, detail)
        : violation(
            ohm >= OPEN_OHM
              ? `Open ${where}: the frame is not grounded to the panel.`
              : `${ohm} Ω ${where}, ${mostOhm} Ω allowed.`,
            'Keep the source off and find the break: cord, inlet, each joint of the feeder. A fault would put the frame at line voltage.',
            detail,
          );
    };
    if (frame.value !== undefined && frame.value > mostOhm) return judged(frame.value, 'from frame to panel');
    look.requireAll(frame, derived);
    if (!derived.value) return judged(frame.value!, 'from frame to panel');
    look.requireAll(pins);
    return judged(pins.value!, 'from ground pin to ground pin');
  },
});
