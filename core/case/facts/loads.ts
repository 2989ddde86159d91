import { amount, choice, wireSize, yesNo } from '../fact';
import { MAY_BE_CONTINUOUS, MOTORS, NAMEPLATE_MOTORS, SIZED_BY_NAMEPLATE, buildingWireSizes } from '../../codebook';
import { device, several, station, unlessWithout, withTrait } from '../parts';

/** There is a panel in which a circuit has its place. */
const inPanel: ReturnType<typeof withTrait> = (circuit, site) =>
  unlessWithout('wired')(circuit, site) && (site as { transfer?: { kind?: unknown } }).transfer?.kind !== undefined;
const withMovedCircuits = withTrait('movedCircuits');

type Circuit = Readonly<Record<string, unknown>>;
const sharesNeutral = (circuit: Circuit) => ['a', 'b', 'c'].includes(circuit.neutralGroup as string);
const sized: typeof withMovedCircuits = (circuit, site) => withMovedCircuits(circuit, site) || sharesNeutral(circuit);

const circuit = {
  use: choice(
    {
      lights: 'Lights', receptacles: 'Receptacles', refrigerator: 'Refrigerator', freezer: 'Freezer', 'well-pump': 'Well pump', furnace: 'Furnace blower',
      sump: 'Sump pump', medical: 'Medical device', microwave: 'Microwave', 'air-conditioner': 'Air conditioner', range: 'Range', dryer: 'Dryer', 'water-heater': 'Water heater', heat: 'Heat strips or heater', 'car-charger': 'Car charger', other: 'Other',
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
  softStart: yesNo({
    label: 'Starts softly',
    ask: 'nameplate or manual: an inverter drive or a soft starter; every other motor starts above its running watts',
    when: (circuit) =>
      MOTORS.includes(circuit.use) &&
      typeof circuit.startingW === 'number' &&
      typeof circuit.runningW === 'number' &&
      circuit.startingW <= circuit.runningW &&
      circuit.runningW > 0,
  }),
  ownPlug: yesNo({
    label: 'The furnace has a cord and plug of its own',
    ask: 'look at the furnace: a listed cord and plug, or fixed wiring',
    when: (circuit, site) => circuit.use === 'furnace' && !unlessWithout('wired')(circuit, site),
  }),
  continuous: yesNo({
    label: 'Draws its most for 3 hours or more',
    says: ['3 hours or more', 'Less'],
    ask: 'heating, water heating, charging a car; not a refrigerator or pump that cycles',
    when: (circuit) => MAY_BE_CONTINUOUS.includes(circuit.use),
  }),
  sourceLeg: choice(
    { A: 'Leg A', B: 'Leg B', both: 'One handle on each' },
    {
      label: 'Leg of the source that its handle takes',
      ask: 'read it at the switch (lead or label), or meter it: 0 V between two on one leg, 240 V on two',
      when: withTrait('handlePerPole'),
    },
  ),
  cord: amount('', [1, 42], [1, 2, 3, 4], {
    label: 'Cord that it hangs on',
    ask: 'follow its cord to the source; cords are counted in the order in which they are recorded',
    sound: 1,
    when: (circuit, site) =>
      !unlessWithout('wired')(circuit, site) && Number((site as { cord?: unknown[] }).cord?.length ?? 0) > 1,
  }),
  neutralGroup: choice(
    { own: 'Its own', a: 'Shared, pair a', b: 'Shared, pair b', c: 'Shared, pair c' },
    { label: 'Neutral', ask: 'open the panel: two hots and one white in one cable share it', when: inPanel },
  ),
  sizeAwg: wireSize(buildingWireSizes('copper').slice(0, 6), {
    label: 'Branch conductor',
    ask: 'read it at the breaker',
    when: sized,
  }),
  metal: choice(
    { copper: 'Copper', aluminum: 'Aluminum' },
    { label: 'Metal of the branch', ask: 'look at a stripped end at the breaker', when: sized },
  ),
  byNameplate: yesNo({
    label: 'Sized by the nameplate of its motor or appliance',
    ask: 'nameplate: least circuit ampacity and largest overcurrent device, or the appliance’s watts',
    when: (circuit, site) => withMovedCircuits(circuit, site) && SIZED_BY_NAMEPLATE.includes(circuit.use),
  }),
  motorA: amount('A', [0.5, 200], [5, 8, 10, 12, 20], {
    label: 'Amperes of the motor',
    ask: 'nameplate, or its control box where it has one',
    when: (circuit) => circuit.byNameplate === 'yes' && NAMEPLATE_MOTORS.includes(circuit.use),
  }),
  tripsOnSmaller: yesNo({
    label: 'It would not start on the smaller device',
    ask: 'ask who fitted it: did it trip at the start on the next size below',
    when: (circuit) => circuit.byNameplate === 'yes' && NAMEPLATE_MOTORS.includes(circuit.use),
  }),
  markedCircuitA: amount('A', [1, 200], [15, 18, 21, 25], {
    label: 'Least circuit ampacity marked',
    ask: 'nameplate of the air conditioner: minimum circuit ampacity',
    when: (circuit) => circuit.byNameplate === 'yes' && circuit.use === 'air-conditioner',
  }),
  markedDeviceA: device(
    'Largest device marked',
    'nameplate of the air conditioner: maximum overcurrent device',
    [25, 30, 35, 40],
    (circuit) => circuit.byNameplate === 'yes' && circuit.use === 'air-conditioner',
  ),
  toPartnerV: amount('V', [0, 300], [240, 0], {
    label: 'Volts between the two hots that share a neutral',
    ask: 'meter, at the panel: hot to hot; 240 V on two legs, 0 V on one',
    when: sharesNeutral,
  }),
  moved: yesNo({ label: 'On the transfer equipment', ask: 'follow its leads', when: withMovedCircuits }),
  switchBreakerA: device(
    'Breaker of the switch for it',
    'read it on the transfer switch or panel',
    [15, 20, 30],
    (circuit, site) =>
      withMovedCircuits(circuit, site) && !(circuit.unfused === 'yes' && withTrait('splicedIn')(circuit, site)),
  ),
  unfused: yesNo({
    label: 'An unfused switch: no breaker in it',
    says: ['No breaker in it', 'A breaker or fuse'],
    ask: 'look: neither breaker nor fuse at its handle; only what stands ahead of the inlet opens',
    when: (circuit, site) =>
      withTrait('splicedIn')(circuit, site) && (circuit.switchBreakerA === undefined || circuit.unfused === 'yes'),
  }),
  paired: yesNo({
    label: 'Its handles are tied',
    says: ['Tied', 'Apart'],
    ask: 'try one handle: the other of its pair must come along, off and on',
    when: (circuit, site) =>
      (circuit.volts === '240' && withTrait('handlePerPole')(circuit, site)) || sharesNeutral(circuit),
  }),
};

export const loads = station({
  circuits: several(circuit, 'circuit'),
  for240: yesNo({
    label: 'Every 240 V appliance is marked for 240 V',
    ask: 'read the nameplates: one marked 208 V alone is made for another system',
    sound: 'yes',
    when: (loads) =>
      ((loads.circuits ?? []) as Circuit[]).some(
        (one) => one.volts === '240' && one.plan !== 'off' && one.plan !== undefined,
      ),
  }),
  othersOff: yesNo({
    label: 'Every other breaker is off',
    ask: 'look along the panel: what is not planned is off, water heater, heat strips and car charger first',
    when: withTrait('wholeBusOnSource'),
  }),
});
