import { amount, choice } from '../fact';
import { station, whenSite } from '../parts';

export const neutral = station({
  switched: choice(
    { no: 'Not switched', yes: 'Switched' },
    {
      label: 'Neutral at the transfer equipment',
      ask: 'follow the white conductor: does a pole open it, or is it solid to the bar',
    },
  ),
  otherBond: choice(
    {
      none: 'Nowhere else',
      subpanel: 'In a subpanel',
      'transfer-enclosure': 'In the transfer enclosure',
      inlet: 'At the inlet',
    },
    {
      label: 'Neutral tied to ground elsewhere',
      ask: 'look for bonding screws and straps beyond the service; meter with the bond lifted',
    },
  ),
  derivedBond: choice(
    { source: 'At the source only', house: 'At the switch only', both: 'At both', none: 'Nowhere' },
    {
      label: 'System bonding jumper of the derived system',
      ask: 'find the one place where neutral meets ground while the switch is at generator',
      when: (neutral) => neutral.switched === 'yes',
    },
  ),
  unbalancedA: amount('A', [0, 200], [0, 6, 12, 20], {
    label: 'Unbalanced current measured or planned',
    ask: 'clamp on the neutral under load; without it only the share is shown',
    when: whenSite('source', 'neutralBond', 'bonded'),
  }),
});
