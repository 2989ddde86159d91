import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'breaker/interrupting-rating',
  holds: 'The backfed breaker can interrupt the fault current available at the panel.',
  severity: 'correction',
  cites: everyEdition('110.9', '240.86'),
  not: 'How the fault current was found; a dwelling need not have it marked (110.24), and then the office’s value stands in its place.',
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'breaker.interruptingKa',
    'breaker.availableKa',
    'breaker.seriesRated',
  ],
  notApplicable: without('backfedBreaker'),
  check: (look) => {
    look.needAll('breaker.interruptingKa');
    const ratedKa = look.need('breaker.interruptingKa');
    const availableKa = look.known('breaker.availableKa') ?? look.number('dwellingAvailableKa');
    const detail = { found: ratedKa, allowed: availableKa, unit: 'kA' };
    if (ratedKa >= availableKa) return holds(`${ratedKa} kA rated, ${availableKa} kA available.`, detail);
    return look.need('breaker.seriesRated') === 'yes'
      ? holds(
          `${ratedKa} kA alone, ${availableKa} kA available: the panel is marked with a series rating for it.`,
          detail,
        )
      : violation(
          `${ratedKa} kA rated, ${availableKa} kA available at the panel.`,
          `Fit a breaker rated ${availableKa} kA or more that is listed for the panel.`,
          detail,
        );
  },
});
