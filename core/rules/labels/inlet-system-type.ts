import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

const SIGNS = {
  no: { sign: 'nonseparately', text: 'FOR CONNECTION OF A NONSEPARATELY DERIVED (FLOATING NEUTRAL) SYSTEM ONLY' },
  yes: { sign: 'separately', text: 'FOR CONNECTION OF A SEPARATELY DERIVED (BONDED NEUTRAL) SYSTEM ONLY' },
} as const;

export default rule({
  id: 'labels/inlet-system-type',
  holds: 'The sign at the inlet says which kind of source it is wired for, and says it right.',
  severity: 'correction',
  cites: everyEdition('702.7(C)'),
  facts: ['transfer.kind', 'labels.inletSign', 'neutral.switched'],
  notApplicable: without('inlet'),
  check: (look) => {
    const sign = look.need('labels.inletSign');
    if (sign === 'none' || sign === 'other') {
      const switched = look.known('neutral.switched');
      const wanted = switched
        ? ` that says: ${SIGNS[switched].text}`
        : ', once the neutral at the transfer means is known';
      return violation(
        sign === 'none'
          ? 'No sign at the inlet.'
          : 'The sign at the inlet does not say which derived system it is for.',
        `Fit a durable sign${wanted}.`,
      );
    }
    const right = SIGNS[look.need('neutral.switched')];
    look.step('Sign that the transfer means calls for', right.text, '', everyEdition('702.7(C)'));
    return sign === right.sign
      ? holds('The sign names the system it is wired for.', { found: sign, allowed: right.sign })
      : violation(
          'The sign names the wrong system; it invites the wrong source.',
          `Replace it by one that says: ${right.text}.`,
          { found: sign, allowed: right.sign },
        );
  },
});
