import { everyEdition } from '../../codebook';
import { asked, without, type Rule } from '../rule';

export default [
  asked({
    id: 'function/gfci-trips',
    holds: 'GFCI receptacles of the source trip at their test button.',
    severity: 'correction',
    cites: everyEdition('110.3(B)', '445.20'),
    notApplicable: (look) => {
      if (look.need('source.kind') === 'power-station')
        return 'a battery power station is no generator; its listing says what protects it';
      return ['protected', 'some-unprotected'].includes(look.need('source.receptacles120'))
        ? undefined
        : 'the source has no GFCI to press';
    },
    also: ['source.kind', 'source.receptacles120'],
    fact: 'function.gfciTrips',
    right: 'yes',
    good: 'It trips and resets.',
    bad: 'It does not trip.',
    remedy: 'Replace the GFCI; until then nothing hangs on it.',
  }),
  asked({
    id: 'function/drill-shown',
    holds: 'The owner has done the drill once, in order, start and stop.',
    severity: 'advisory',
    cites: everyEdition('guidance'),
    notApplicable: without('inlet'),
    fact: 'function.drillShown',
    right: 'yes',
    good: 'The owner has done it.',
    bad: 'The owner has never done it; most accidents happen when somebody wants to know whether the street has power again.',
    remedy:
      'Walk the owner through it: load off, transfer back, let it cool, stop; and how to see that utility is back without touching anything.',
  }),
] satisfies Rule[];
