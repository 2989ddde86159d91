import { BONDED_OHM, FLOATING_OHM, everyEdition } from '../../codebook';
import { Missing } from '../../electrical';
import { holds, rule } from '../rule';

export default rule({
  id: 'source/neutral-state-proved',
  holds: 'A meter agrees with what is said of the source’s neutral: bonded or floating.',
  severity: 'correction',
  not: 'Which of the two is wrong where they disagree: both are asked for again (source/bond-and-meter).',
  cites: everyEdition('250.34', 'guidance'),
  facts: ['source.neutralBond', 'source.neutralFrameOhm', 'source.hotFrameV'],
  check: (look) => {
    look.needAll('source.neutralBond', 'source.neutralFrameOhm');
    const ohm = look.need('source.neutralFrameOhm');
    if (ohm > BONDED_OHM && ohm < FLOATING_OHM)
      throw new Missing(
        ['source.neutralFrameOhm'],
        `${ohm} Ω is neither a bond (${BONDED_OHM} Ω or less) nor none (${FLOATING_OHM} Ω and more, or open): unplug everything, engine off, clean the frame at the lead, measure again.`,
      );
    const measured = ohm <= BONDED_OHM ? 'bonded' : 'floating';
    look.step('Measured state', measured, '', `${BONDED_OHM} Ω or less is a bond, ${FLOATING_OHM} Ω and more is none`);
    const said = look.need('source.neutralBond');
    const runningV = look.asks('source.hotFrameV') ? look.known('source.hotFrameV') : undefined;
    return holds(
      runningV === undefined
        ? `${said}, and the meter agrees.`
        : `${said} while it runs, by a relay: ${runningV} V from a hot to the frame.`,
      { found: measured, allowed: said },
    );
  },
});
