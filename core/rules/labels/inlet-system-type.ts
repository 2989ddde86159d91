import { everyEdition } from '../../codebook';
import { SWITCHED_FACTS, neutralSwitched } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

const SIGNS = {
  no: {
    sign: 'nonseparately',
    text: 'WARNING: FOR CONNECTION OF A NONSEPARATELY DERIVED (FLOATING NEUTRAL) SYSTEM ONLY',
  },
  yes: { sign: 'separately', text: 'WARNING: FOR CONNECTION OF A SEPARATELY DERIVED (BONDED NEUTRAL) SYSTEM ONLY' },
} as const;

export default rule({
  id: 'labels/inlet-system-type',
  holds: 'The sign at the inlet begins with WARNING and says which kind of source it is wired for, and says it right.',
  severity: 'correction',
  cites: everyEdition('702.7(C)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'labels.inletSign', 'labels.inletSignWarning', ...SWITCHED_FACTS],
  notApplicable: without('inlet'),
  check: (look) => {
    const sign = look.need('labels.inletSign');
    if (sign === 'none' || sign === 'other') {
      const switched = look.known('neutral.switched');
      const wanted = switched
        ? ` that says: ${SIGNS[switched].text}`
        : ', once the neutral at the transfer equipment is known';
      return violation(
        sign === 'none'
          ? 'No sign at the inlet.'
          : 'The sign at the inlet does not say which derived system it is for.',
        `Fit a durable sign${wanted}.`,
      );
    }
    const right = SIGNS[neutralSwitched(look) ? 'yes' : 'no'];
    look.step('Sign that the transfer equipment calls for', right.text, '', everyEdition('702.7(C)'));
    if (sign !== right.sign)
      return violation(
        'The sign names the wrong system; it invites the wrong source.',
        `Replace it by one that says: ${right.text}.`,
        { found: sign, allowed: right.sign },
      );
    return look.need('labels.inletSignWarning') === 'yes'
      ? holds('The sign warns, and names the system it is wired for.', { found: sign, allowed: right.sign })
      : violation(
          'The sign names the right system but does not begin with WARNING.',
          `Replace it by one that says: ${right.text}.`,
          {
            found: sign,
            allowed: right.sign,
          },
        );
  },
});
