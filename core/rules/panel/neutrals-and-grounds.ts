import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'panel/neutrals-and-grounds',
  holds: 'In a subpanel neutrals and grounds are apart; only in service equipment may they share a bar.',
  severity: 'correction',
  cites: everyEdition('408.40', '250.142(B)'),
  not: 'The main bonding jumper, without which apart is wrong at the service: panel/main-bonding-jumper.',
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'panel.kind',
    'panel.neutralsAndGrounds',
    'panel.separateBuilding',
    'transfer.location',
  ],
  notApplicable: without('wired'),
  check: (look) => {
    look.needAll('panel.kind', 'panel.neutralsAndGrounds');
    const shared = look.need('panel.kind') === 'subpanel' && look.need('panel.neutralsAndGrounds') === 'together';
    // Where the switch stands says whether this may be an existing separate building.
    if (shared && look.asks('transfer.location')) look.need('transfer.location');
    const separate = shared && look.asks('panel.separateBuilding') && look.need('panel.separateBuilding') === 'yes';
    return shared && !separate
      ? violation(
          'Neutrals and grounds share a bar in a subpanel; neutral current runs on every ground.',
          'Both sources off and proved dead: take the bonding screw out, and land the grounds on a bar of their own.',
        )
      : holds('They are where they belong.');
  },
});
