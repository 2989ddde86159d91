import { amount, choice, yesNo } from '../fact';
import { station, whenSite, withTrait } from '../parts';

const interlock = withTrait('onPanel');
/** A switch at the meter itself. */
const atMeter = whenSite('transfer', 'location', 'meter');
/** A switch between a circuit and its load takes the neutral along, and that is traced. */
const single = withTrait('singleCircuit');

export const neutral = station({
  switched: choice(
    { no: 'Not switched', yes: 'Switched' },
    {
      label: 'Neutral at the transfer equipment',
      ask: 'follow the white conductor: does a pole open it, or is it solid to the bar',
      offered: { yes: (neutral, site) => !interlock(neutral, site) && !atMeter(neutral, site) },
    },
  ),
  pole: yesNo({
    label: 'A pole for the neutral was seen',
    ask: 'count the poles, or read the label: three poles, or two and a pole for the white, that open together',
    sound: 'yes',
    when: (neutral, site) => neutral.switched === 'yes' && !single(neutral, site),
  }),
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
  jumperTies: choice(
    {
      source: 'The source’s neutral',
      load: 'The neutral of the loads',
      utility: 'The utility’s neutral',
    },
    {
      label: 'Whose neutral the jumper in the transfer enclosure ties',
      ask: 'everything dead: follow it from the ground bar to the lug or pole where it lands',
      when: (neutral) => neutral.otherBond === 'transfer-enclosure',
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
