import { everyEdition } from '../../codebook';
import { Missing } from '../../electrical';
import { holds, rule, violation } from '../rule';

/** At or below this a meter shows a bond, Ω. */
const BONDED_OHM = 1;
/** A meter that shows open stands here, Ω. */
const OPEN_OHM = 1_000_000;

export default rule({
  id: 'source/neutral-state-proved',
  holds: 'A meter agrees with what is said of the source’s neutral: bonded or floating.',
  severity: 'correction',
  not: 'A source that bonds its neutral by a relay only while it runs reads floating with the engine off: neutral/none-on-ground finds it under load.',
  cites: everyEdition('250.34', 'guidance'),
  facts: ['source.neutralBond', 'source.neutralFrameOhm'],
  check: (look) => {
    look.needAll('source.neutralBond', 'source.neutralFrameOhm');
    const ohm = look.need('source.neutralFrameOhm');
    if (ohm > BONDED_OHM && ohm < OPEN_OHM)
      throw new Missing(
        ['source.neutralFrameOhm'],
        `${ohm} Ω is neither a bond (${BONDED_OHM} Ω or less) nor open: unplug everything, engine off, clean the frame at the lead, measure again; a filter inside can read so too.`,
      );
    const measured = ohm <= BONDED_OHM ? 'bonded' : 'floating';
    look.step('Measured state', measured, '', `${BONDED_OHM} Ω or less is a bond, open is floating`);
    const said = look.need('source.neutralBond');
    return measured === said
      ? holds(`${said}, and the meter agrees.`, { found: measured, allowed: said })
      : violation(
          `Said to be ${said}, but the meter shows it ${measured}.`,
          'Find out what changed it, and record the source as the meter finds it.',
          { found: measured, allowed: said },
        );
  },
});
