import { everyEdition } from '../../codebook';
import { asked, without, type Rule } from '../rule';

const notApplicable = without('backfedBreaker');

export default [
  asked({
    id: 'breaker/electronic-marked-for-backfeed',
    holds: 'A GFCI or AFCI breaker is backfed only where it is marked for it.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', '408.36(D)'),
    notApplicable,
    fact: 'breaker.electronic',
    right: ['plain', 'gfci-marked'],
    good: 'Plain, or marked for backfeed.',
    bad: 'A GFCI or AFCI breaker is backfed without being marked for it; its electronics may fail and its protection with them.',
    remedy: 'Fit a breaker that is marked for it or a plain one, listed for the panel.',
  }),
  asked({
    id: 'breaker/stabs-sound',
    holds: 'Stabs and bus are sound where the backfed breaker plugs on.',
    severity: 'correction',
    cites: everyEdition('110.12(B)'),
    notApplicable,
    fact: 'breaker.stabsSound',
    right: 'yes',
    good: 'No burn, pitting or rust.',
    bad: 'Burnt, pitted or rusted where it plugs on; the joint will heat under the source’s whole current.',
    remedy: 'With the panel dead, have the bus or the panel replaced; a new breaker on a burnt stab burns again.',
  }),
] satisfies Rule[];
