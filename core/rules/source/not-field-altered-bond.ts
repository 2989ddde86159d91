import { everyEdition } from '../../codebook';
import { SAFE_FIRST, holds, rule, violation } from '../rule';

export default rule({
  id: 'source/not-field-altered-bond',
  holds: 'The bond of neutral and frame is as the maker left it, or was changed as the maker provides and is marked.',
  severity: 'correction',
  cites: everyEdition('110.3(B)', '445.11'),
  not: 'Whether the bond, as it is now, suits the house: neutral/matrix.',
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'source.bondAltered',
    'source.bondChangeProvided',
    'source.bondChangeMarked',
  ],
  notApplicable: (look) =>
    look.has('wired') ? undefined : 'nothing is wired to the house, so no second bond can arise',
  check: (look) => {
    const altered = look.need('source.bondAltered');
    if (altered === 'none') return holds('The bond is as the maker left it.');
    if (altered === 'plug')
      return violation(
        'A bonding plug in a receptacle bonds the neutral; it is listed for no such use, and anybody can pull or add it.',
        `${SAFE_FIRST}take the plug out of service, measure neutral to frame again, and record what the meter says.`,
      );
    const provided = look.need('source.bondChangeProvided');
    if (provided === 'no')
      return violation(
        altered === 'jumper'
          ? 'Somebody has bonded neutral and frame in a way that the maker does not provide for.'
          : 'Somebody has opened the bond of neutral and frame in a way that the maker does not provide for.',
        `${SAFE_FIRST}put the maker’s own state back and measure neutral to frame again; where the house needs the other state, use a source whose maker provides for it, or change how the transfer equipment treats the neutral.`,
      );
    return look.need('source.bondChangeMarked') === 'yes'
      ? holds('Changed as the maker provides, and marked on the source.')
      : violation(
          'Changed as the maker provides, but nothing on the source says so; what the nameplate says is no longer so.',
          'Mark the source durably with what its neutral is now, bonded or floating, beside the receptacles.',
        );
  },
});
