import { CONFIGURATIONS, everyEdition } from '../../codebook';
import { faceBearsA } from '../../electrical';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'source/device-within-face',
  holds: 'The breaker of the receptacle in use is no larger than what its face is made for.',
  severity: 'hazard',
  cites: everyEdition('110.3(B)', '210.21(B)', '406.7'),
  not: 'A 15 A receptacle on 20 A, which 210.21(B)(3) permits.',
  facts: ['source.outletDevice', 'source.outletBreakerA', 'source.outlet'],
  notApplicable: (look) =>
    look.need('source.outletDevice') === 'none' ? 'the receptacle has no breaker of its own' : undefined,
  check: (look) => {
    look.needAll('source.outletBreakerA', 'source.outlet');
    const [found, outlet] = [look.need('source.outletBreakerA'), look.need('source.outlet')];
    look.step(`The face ${outlet} is made for`, CONFIGURATIONS[outlet].ratingA, 'A', 'its configuration');
    const allowed = look.step('Largest device ahead of it', faceBearsA(outlet, found), 'A', everyEdition('210.21(B)'));
    const detail = { found, allowed, unit: 'A' };
    return found <= allowed
      ? holds(`${found} A ahead of ${outlet}.`, detail)
      : violation(
          `${allowed} A allowed by the face ${outlet}, ${found} A ahead of it.`,
          `Have the maker’s own receptacle or a breaker of ${allowed} A fitted; until then use another receptacle.`,
          detail,
        );
  },
});
