import { everyEdition } from '../../codebook';
import { SWITCHED_FACTS, neutralSwitched } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'neutral/gfci-will-hold',
  holds: 'A GFCI at the source’s outlet will not trip for the way the neutral is bonded.',
  severity: 'advisory',
  cites: everyEdition('guidance', '110.3(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'source.outletGfci', 'source.neutralBond', ...SWITCHED_FACTS],
  notApplicable: without('inlet'),
  check: (look) => {
    if (look.need('source.outletGfci') === 'no') return holds('The outlet in use has no GFCI.');
    look.needAll('source.neutralBond', 'neutral.switched');
    return look.need('source.neutralBond') === 'bonded' && !neutralSwitched(look)
      ? violation(
          'Bonded source, unswitched neutral: part of the neutral current returns outside the GFCI, and it trips at 4 to 6 mA.',
          'Switch the neutral, or open the bond at the source as its maker provides. Never take the GFCI out.',
        )
      : holds('Neutral current returns through the GFCI alone.');
  },
});
