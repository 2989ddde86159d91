import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'panel/neutrals-and-grounds',
  holds: 'In a subpanel neutrals and grounds are apart; only in service equipment may they share a bar.',
  severity: 'correction',
  cites: everyEdition('408.40', '250.142(B)'),
  facts: ['transfer.kind', 'panel.kind', 'panel.neutralsAndGrounds'],
  notApplicable: without('transfer'),
  check: (look) => {
    look.needAll('panel.kind', 'panel.neutralsAndGrounds');
    return look.need('panel.kind') === 'subpanel' && look.need('panel.neutralsAndGrounds') === 'together'
      ? violation(
          'Neutrals and grounds share a bar in a subpanel; neutral current runs on every ground.',
          'Take the bonding screw out, and land the grounds on a bar of their own.',
        )
      : holds('They are where they belong.');
  },
});
