import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'breaker/interrupting-rating',
  holds: 'The backfed breaker can interrupt the fault current available at the panel.',
  severity: 'correction',
  cites: everyEdition('110.9'),
  facts: ['transfer.kind', 'breaker.interruptingKa', 'breaker.availableKa'],
  notApplicable: without('backfed breaker'),
  check: (look) => {
    look.needAll('breaker.interruptingKa', 'breaker.availableKa');
    const ratedKa = look.need('breaker.interruptingKa');
    const availableKa = look.need('breaker.availableKa');
    const detail = { found: ratedKa, allowed: availableKa, unit: 'kA' };
    return ratedKa >= availableKa
      ? holds(`${ratedKa} kA rated, ${availableKa} kA available.`, detail)
      : violation(
          `${ratedKa} kA rated, ${availableKa} kA available at the panel.`,
          `Fit a breaker rated ${availableKa} kA or more that is listed for the panel.`,
          detail,
        );
  },
});
