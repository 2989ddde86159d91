import { amount, choice, wireSize, yesNo } from '../fact';
import { buildingWireSizes } from '../../codebook';
import { device, several, station, withKinds, withMovedCircuits } from '../parts';

const inPanel = withKinds(
  'retrofit-interlock', 'load-side-switch', 'transfer-panel', 'whole-house-manual', 'whole-house-automatic', 'single-circuit-switch', 'none-backfed',
); // prettier-ignore

const circuit = {
  use: choice(
    {
      lights: 'Lights', receptacles: 'Receptacles', refrigerator: 'Refrigerator', freezer: 'Freezer', 'well-pump': 'Well pump', furnace: 'Furnace blower',
      sump: 'Sump pump', medical: 'Medical device', microwave: 'Microwave', 'air-conditioner': 'Air conditioner', range: 'Range', dryer: 'Dryer', 'water-heater': 'Water heater', other: 'Other',
    },
    { label: 'What it feeds', ask: 'directory, then go and look' },
  ), // prettier-ignore
  plan: choice(
    { run: 'Runs on the source', 'in-turn': 'In turn with others', off: 'Stays off' },
    { label: 'On the source', ask: 'ask the owner; what need not run stays off' },
  ),
  volts: choice(
    [
      ['120', '120 V'],
      ['240', '240 V'],
    ],
    { label: 'Volts', ask: 'one pole or two' },
  ),
  slot: amount('', [1, 84], [1, 2, 3, 4, 5, 6, 7, 8], {
    label: 'Slot in the panel',
    ask: 'number beside the breaker; of a two-pole the upper one',
    when: inPanel,
  }),
  runningW: amount('W', [0, 20_000], [200, 600, 800, 1000, 1500], {
    label: 'Running watts',
    ask: 'nameplate: volts × amps; or clamp it while it runs',
  }),
  startingW: amount('W', [0, 60_000], [0, 1200, 2000, 3000], {
    label: 'Starting watts',
    ask: 'nameplate or table: motors start at several times their running watts; same as running if it has no motor',
  }),
  neutralGroup: choice(
    { own: 'Its own', a: 'Shared, pair a', b: 'Shared, pair b', c: 'Shared, pair c' },
    { label: 'Neutral', ask: 'open the panel: two hots and one white in one cable share it', when: inPanel },
  ),
  sizeAwg: wireSize(buildingWireSizes('copper').slice(0, 6), {
    label: 'Branch conductor',
    ask: 'read it at the breaker; copper',
    when: (circuit, site) =>
      withMovedCircuits(circuit, site) || ['a', 'b', 'c'].includes(circuit.neutralGroup as string),
  }),
  moved: yesNo({ label: 'On the transfer means', ask: 'follow its leads', when: withMovedCircuits }),
  switchBreakerA: device(
    'Breaker of the switch for it',
    'read it on the transfer switch or panel',
    [15, 20, 30],
    withMovedCircuits,
  ),
  paired: yesNo({
    label: 'Both handles tied',
    ask: 'try one handle: the other must come along',
    when: (circuit, site) => circuit.volts === '240' && withKinds('load-side-switch')(circuit, site),
  }),
};

export const loads = station({ circuits: several(circuit, 'circuit') });
