import {
  MECHANISMS,
  NOT_SEEN,
  factAt,
  goesWith,
  isAsked,
  metaOf,
  traitOf,
  type Case,
  type MechanismName,
} from '../case';
import {
  CABLE_GROUND,
  CONFIGURATIONS,
  CONFIGURATION_NAMES,
  METHODS,
  fahrenheitToC,
  type ConfigurationName,
  type WireSize,
} from '../codebook';
import type { Glance, Reading } from './part';

/** Running and starting watts as nameplates pair them, the usual ones first. */
const USUAL_WATTS: Readonly<
  Record<'large' | 'small' | 'battery', readonly (readonly [runningW: number, startingW: number])[]>
> = {
  large: [
    [7000, 8750],
    [5000, 6250],
    [6000, 7500],
    [7500, 9375],
    [8000, 10_000],
    [9500, 12_000],
    [12_000, 15_000],
  ],
  small: [
    [2200, 2800],
    [3500, 4400],
    [2000, 2500],
    [1600, 2000],
    [3000, 3500],
  ],
  battery: [
    [6000, 6000],
    [3600, 7200],
    [3000, 6000],
    [2000, 4000],
    [7000, 14_000],
  ],
};

type Says = Reading['says'];
const reading = (label: string, says: Says, drawing?: Reading['drawing']): Reading => ({
  label,
  says,
  ...(drawing && { drawing }),
});
const glance = (asks: string, readings: Glance['readings'] | readonly Reading[], how?: Glance['how']): Glance => {
  const all = typeof readings === 'function' ? readings : () => readings;
  return { asks, readings: all, keys: [], ...(how && { how }) };
};
/** A glance with the facts that its readings may record. */
const of = (keys: readonly string[], one: Glance): Glance => ({ ...one, keys });

/** Values that come from a meter, one after the other. */
const measured = (asks: string, keys: readonly string[]): Glance =>
  of(keys, glance(asks, [{ label: 'Take the reading', says: {}, measures: keys }], 'meter'));

const labelOf = (key: string, value: string): string =>
  metaOf(key).choices.find((one) => one.value === value)?.label ?? value;
const only120 = (c: Case) => c.source?.voltage === '120';
/** Configurations in the trade's order, those of the source's voltage first. */
const faces = (c: Case): ConfigurationName[] =>
  CONFIGURATION_NAMES.toSorted(
    (a, b) =>
      Number((CONFIGURATIONS[b].poles === 2) === only120(c)) - Number((CONFIGURATIONS[a].poles === 2) === only120(c)),
  );

// ——— outside

const FUELS: readonly (readonly [label: string, fuel: string, kind: 'engine' | 'power-station'])[] = [
  ['Gasoline', 'gasoline', 'engine'],
  ['Propane', 'propane', 'engine'],
  ['Natural gas', 'natural-gas', 'engine'],
  ['Diesel', 'diesel', 'engine'],
  ['Battery', 'battery', 'power-station'],
];
const nameplateOf = (
  volts: '120/240' | '120',
  [label, fuel, kind]: (typeof FUELS)[number],
  watts?: readonly [number, number],
): Reading =>
  reading(`${label}, ${volts} V${watts ? `, ${watts[0]} / ${watts[1]} W` : ''}`, {
    'source.kind': kind,
    'source.nameplate': 'legible',
    'source.fuel': fuel,
    'source.voltage': volts,
    ...(watts && { 'source.runningW': watts[0], 'source.startingW': watts[1] }),
  });
/** The usual nameplates whole; of the others what they are, and the watts after it. */
const nameplate = of(
  ['source.kind', 'source.nameplate', 'source.fuel', 'source.voltage', 'source.runningW', 'source.startingW'],
  glance('What does the nameplate say?', () => [
    ...USUAL_WATTS.large.map((watts) => nameplateOf('120/240', FUELS[0]!, watts)),
    ...USUAL_WATTS.small.slice(0, 2).map((watts) => nameplateOf('120', FUELS[0]!, watts)),
    ...USUAL_WATTS.battery.slice(0, 2).map((watts) => nameplateOf('120/240', FUELS[4]!, watts)),
    ...(['120/240', '120'] as const).flatMap((volts) => FUELS.map((fuel) => nameplateOf(volts, fuel))),
  ]),
);
/** Running and starting watts as they are printed side by side. */
const watts = of(
  ['source.runningW', 'source.startingW'],
  glance('How many watts, running / starting?', (c) =>
    USUAL_WATTS[c.source?.kind === 'power-station' ? 'battery' : only120(c) ? 'small' : 'large'].map(
      ([running, starting]) =>
        reading(`${running} / ${starting} W`, { 'source.runningW': running, 'source.startingW': starting }),
    ),
  ),
);
const outlet = of(
  [
    'source.outlet',
    'source.outletDevice',
    'source.outletBreakerA',
    'source.outletGfci',
    'source.selector',
    'source.connection',
    'source.units',
  ],
  glance('Which receptacle is in use, and what feeds it?', (c) =>
    faces(c).flatMap((name) =>
      (only120(c) ? ['yes', 'no'] : ['no', 'yes']).map((gfci) =>
        reading(
          `${name}, its own ${CONFIGURATIONS[name].ratingA} A${gfci === 'yes' ? ', test button' : ''}; one unit, on a cord, no selector`,
          {
            'source.outlet': name,
            'source.outletDevice': 'own',
            'source.outletBreakerA': CONFIGURATIONS[name].ratingA,
            'source.outletGfci': gfci,
            'source.selector': 'none',
            'source.connection': 'cord-and-plug',
            'source.units': 'one',
          },
          ['source.outlet', name],
        ),
      ),
    ),
  ),
);
/** What the last houses here had, marked as usual wherever it counts. */
const usualSite = of(
  ['source.altitudeFt', 'source.airF'],
  glance(
    'At what altitude, and how hot does it get?',
    (_, usual) => {
      const { altitudeFt, airF } = usual;
      if (altitudeFt === undefined || airF === undefined) return [];
      return [
        reading(`Usual here: ${altitudeFt} ft, ${airF} °F (${fahrenheitToC(airF)} °C)`, {
          'source.altitudeFt': altitudeFt,
          'source.airF': airF,
        }),
      ];
    },
    'usual',
  ),
);
const standing = of(
  ['siting.place', 'siting.openingFt'],
  glance('Where does it run, and how far from the nearest opening?', [
    ...[25, 20, 15, 10, 5].map((feet) =>
      reading(`In the open, ${feet} ft`, { 'siting.place': 'outdoors', 'siting.openingFt': feet }),
    ),
    reading('Porch, 5 ft', { 'siting.place': 'porch', 'siting.openingFt': 5 }),
    reading('In the garage', { 'siting.place': 'garage', 'siting.openingFt': 0 }),
    reading('Indoors', { 'siting.place': 'indoors', 'siting.openingFt': 0 }),
  ]),
);
const exhaust = of(
  ['siting.exhaustAway'],
  glance(
    'Where does its muffler point?',
    (['yes', 'no'] as const).map((way) => reading(labelOf('siting.exhaustAway', way), { 'siting.exhaustAway': way })),
  ),
);
const plug = of(
  ['cord.part', 'cord.sourceEnd'],
  glance('What goes into the source?', (c) =>
    faces(c).map((name) =>
      reading(`Cord, ${name} plug`, { 'cord.part': 'cord', 'cord.sourceEnd': name }, ['cord.sourceEnd', name]),
    ),
  ),
);
const connector = of(
  ['cord.inletEnd', 'cord.inletEndGender'],
  glance('What has its other end?', (c) =>
    faces(c).map((name) =>
      reading(`${name} connector`, { 'cord.inletEnd': name, 'cord.inletEndGender': 'connector' }, [
        'cord.inletEnd',
        name,
      ]),
    ),
  ),
);
const JACKETS: readonly (readonly [size: WireSize, wires: '3' | '4', type: string])[] = [
  ['10', '4', 'STW'], ['10', '4', 'SOOW'], ['6', '4', 'STW'], ['6', '4', 'SOOW'], ['12', '4', 'SOOW'], ['12', '3', 'STW'], ['10', '3', 'STW'], ['12', '3', 'SJTW'], ['14', '3', 'SJTW'], ['16', '3', 'SJTW'],
]; // prettier-ignore
const jacket = of(
  ['cord.sizeAwg', 'cord.wires', 'cord.type', 'cord.markedC'],
  glance('What does the jacket say?', (c) =>
    ['90', '60'].flatMap((marked) =>
      JACKETS.toSorted((a, b) => Number((b[1] === '3') === only120(c)) - Number((a[1] === '3') === only120(c))).map(
        ([size, wires, type]) =>
          reading(`${size}/${wires} ${type}, ${marked === '60' ? '60 °C or none' : `${marked} °C`}`, {
            'cord.sizeAwg': size,
            'cord.wires': wires,
            'cord.type': type,
            'cord.markedC': marked,
          }),
      ),
    ),
  ),
);
const inletFace = of(
  ['inlet.gender', 'inlet.configuration', 'inlet.ratingA', 'inlet.another'],
  glance('What is the inlet?', (c) =>
    faces(c).flatMap((name) => [
      reading(
        `${name}, pins, ${CONFIGURATIONS[name].ratingA} A, the only inlet`,
        {
          'inlet.gender': 'pins',
          'inlet.configuration': name,
          'inlet.ratingA': CONFIGURATIONS[name].ratingA,
          'inlet.another': 'no',
        },
        ['inlet.configuration', name],
      ),
    ]),
  ),
);
const inletBox = of(
  ['inlet.builtIn', 'inlet.box', 'inlet.enclosure'],
  glance('What box is it in?', (c) => [
    ...(
      [
        ['3R, lid over the plug', 'rain-tight', '3R'],
        ['3R, dry with the lid shut only', 'lid-closed-only', '3R'],
        ['4X, lid over the plug', 'rain-tight', '4X'],
        ['Outdoors, no rain-tight box', 'plain', 'unmarked'],
        ['In a dry place', 'dry', undefined],
      ] as const
    ).map(([label, box, enclosure]) =>
      reading(label, { 'inlet.builtIn': 'no', 'inlet.box': box, ...(enclosure && { 'inlet.enclosure': enclosure }) }),
    ),
    ...(traitOf(c.transfer?.kind, 'splicedIn')
      ? [reading('In the face of the switch, dry', { 'inlet.builtIn': 'yes', 'inlet.box': 'dry' })]
      : []),
  ]),
);
const pins = measured('Each hot pin, then the neutral pin, to ground; utility on, nothing plugged in', [
  'function.pinsV',
  'function.neutralPinV',
]);

// ——— at the panel

const cable = of(
  [
    'feeder.stretches.method', 'feeder.stretches.metal', 'feeder.stretches.sizeAwg', 'feeder.stretches.neutralAwg', 'feeder.stretches.groundBy',
    'feeder.stretches.groundAwg', 'feeder.stretches.insulation',
  ], // prettier-ignore
  glance('What does it run in, and what does its marking say?', (c) => {
    const wires = only120(c) ? 2 : 3;
    const cables = (['NM-B', 'UF-B'] as const).flatMap((method) =>
      (only120(c) ? (['12', '10', '14'] as const) : (['10', '6', '8', '12'] as const)).map((size) =>
        reading(
          `${size}/${wires} with ground ${method}, copper`,
          {
            'feeder.stretches.method': method,
            'feeder.stretches.metal': 'copper',
            'feeder.stretches.sizeAwg': size,
            'feeder.stretches.neutralAwg': size,
            'feeder.stretches.groundAwg': CABLE_GROUND[size]!,
          },
          ['feeder.stretches.sizeAwg', size],
        ),
      ),
    );
    const pulled = (['PVC', 'EMT'] as const).flatMap((method) =>
      (['10', '6', '8'] as const).map((size) =>
        reading(
          `${size} AWG THWN-2 copper in ${METHODS[method].label}`,
          {
            'feeder.stretches.method': method,
            'feeder.stretches.insulation': 'THWN-2',
            'feeder.stretches.metal': 'copper',
            'feeder.stretches.sizeAwg': size,
            'feeder.stretches.neutralAwg': size,
            'feeder.stretches.groundBy': 'conductor',
          },
          ['feeder.stretches.sizeAwg', size],
        ),
      ),
    );
    // Their ground and neutral are printed beside, in many ways: they are asked after it.
    const others = (
      [
        ['6', 'SER', 'aluminum'],
        ['4', 'SER', 'aluminum'],
        ['2', 'SER', 'aluminum'],
        ['10', 'MC', 'copper'],
        ['6', 'MC', 'copper'],
      ] as const
    ).map(([size, method, metal]) =>
      reading(
        `${size}/${wires} ${method}, ${metal}`,
        { 'feeder.stretches.method': method, 'feeder.stretches.metal': metal, 'feeder.stretches.sizeAwg': size },
        ['feeder.stretches.sizeAwg', size],
      ),
    );
    return [...cables, ...pulled, ...others];
  }),
);
const AMBIENT: readonly (readonly [place: string, label: string])[] = [
  ['indoors', 'Indoors'],
  ['outdoors', 'Outdoors'],
  ['wall', 'Through a wall'],
  ['attic', 'Attic'],
  ['underground', 'Underground'],
];
const USUAL_AMBIENT_F: Readonly<Record<string, number>> = {
  indoors: 79,
  outdoors: 104,
  wall: 79,
  attic: 133,
  underground: 79,
};
const place = of(
  ['feeder.stretches.place', 'feeder.stretches.otherCarrying', 'feeder.stretches.ambientF'],
  glance('Where does it run?', (_, usual) =>
    AMBIENT.map(([where, label]) => {
      const ambientF = usual[`ambientF ${where}`] ?? USUAL_AMBIENT_F[where]!;
      return reading(`${label}, alone, ${ambientF} °F (${fahrenheitToC(ambientF)} °C) usual`, {
        'feeder.stretches.place': where,
        'feeder.stretches.otherCarrying': 0,
        'feeder.stretches.ambientF': ambientF,
      });
    }),
  ),
);
const breakerFace = of(
  ['breaker.ratingA', 'breaker.construction', 'breaker.interruptingKa', 'breaker.electronic'],
  glance('What does the backfed breaker say?', [
    ...[30, 50, 20, 40, 60].map((amps) =>
      reading(`${amps} A two-pole common trip, 10 kA`, {
        'breaker.ratingA': amps,
        'breaker.construction': 'common-trip',
        'breaker.interruptingKa': 10,
        'breaker.electronic': 'plain',
      }),
    ),
    reading('30 A two-pole common trip, 22 kA', {
      'breaker.ratingA': 30,
      'breaker.construction': 'common-trip',
      'breaker.interruptingKa': 22,
      'breaker.electronic': 'plain',
    }),
  ]),
);
const mechanism = of(
  ['transfer.mechanism', 'transfer.mountedOn'],
  glance('What keeps the two apart?', (c) => {
    const kind = c.transfer?.kind;
    const fitting = (Object.keys(MECHANISMS) as MechanismName[]).filter(
      (name) => name !== 'other' && (kind === undefined || kind === 'not-seen' || goesWith(name, kind)),
    );
    const known = fitting.flatMap((name) =>
      kind === 'retrofit-interlock'
        ? (['panel', 'cover'] as const).map((on) =>
            reading(`${MECHANISMS[name].label}, on the ${on}`, {
              'transfer.mechanism': name,
              'transfer.mountedOn': on,
            }),
          )
        : [reading(MECHANISMS[name].label, { 'transfer.mechanism': name })],
    );
    return [...known, reading('Home-made, or none of these', { 'transfer.mechanism': 'other' })];
  }),
);
const byHand = of(
  ['transfer.fit', 'transfer.movesFreely', 'breaker.atInterlock'],
  glance('Pull it, turn it, move it through its whole way: how does it sit?', (c) =>
    traitOf(c.transfer?.kind, 'automatic')
      ? []
      : [
          reading('Sits, moves, stays, reaches both handles', {
            'transfer.fit': 'sound',
            'transfer.movesFreely': 'yes',
            'breaker.atInterlock': 'yes',
          }),
          reading('Loose: it lifts or turns', { 'transfer.fit': 'loose' }),
          reading('Does not reach a handle', { 'transfer.fit': 'wrong-spacing' }),
          reading('Binds or falls', { 'transfer.fit': 'sound', 'transfer.movesFreely': 'no' }),
        ],
  ),
);
/** Contactors are looked at and not pulled. */
const contactors = of(
  ['transfer.fit', 'transfer.movesFreely'],
  glance('Both sources off and proved dead, cover off: how do its contactors and their bar sit?', (c) =>
    traitOf(c.transfer?.kind, 'automatic')
      ? [
          reading('Fast, and free through their whole way', { 'transfer.fit': 'sound', 'transfer.movesFreely': 'yes' }),
          reading('Loose', { 'transfer.fit': 'loose' }),
          reading('They bind', { 'transfer.fit': 'sound', 'transfer.movesFreely': 'no' }),
        ]
      : [],
  ),
);
const equipmentLabel = of(
  ['transfer.listedAsTransfer', 'transfer.ratingA', 'transfer.ratingV'],
  glance('What does its label say?', (c) => [
    ...(c.transfer?.kind === 'single-circuit-switch' || only120(c)
      ? [
          [30, 120],
          [20, 120],
          [15, 120],
          [30, 240],
        ]
      : [
          [50, 240],
          [30, 240],
          [60, 240],
          [100, 240],
          [200, 240],
        ]
    ).map(([amps, volts]) =>
      reading(`Transfer equipment, listed, ${amps} A ${volts} V`, {
        'transfer.listedAsTransfer': 'yes',
        'transfer.ratingA': amps!,
        'transfer.ratingV': volts!,
      }),
    ),
    reading('No label: home-made', { 'transfer.listedAsTransfer': 'no' }),
  ]),
);
const torque = of(
  ['transfer.makerTorqueLbIn', 'transfer.torqueLbIn', 'transfer.torqueTool'],
  glance('At what does the torque tool click?', [
    ...[45, 36, 25, 20, 50, 250, 275].map((lbIn) =>
      reading(`At the maker’s ${lbIn} lb-in`, {
        'transfer.makerTorqueLbIn': lbIn,
        'transfer.torqueLbIn': lbIn,
        'transfer.torqueTool': 'yes',
      }),
    ),
    reading('No torque tool was used', { 'transfer.torqueTool': 'no' }),
  ]),
);
const utilitySide = of(
  ['transfer.serviceMetal', 'transfer.serviceAwg'],
  glance('What are its utility conductors?', [
    ...(['4', '2', '1/0', '2/0'] as const).map((size) =>
      reading(`${size} AWG copper`, { 'transfer.serviceMetal': 'copper', 'transfer.serviceAwg': size }),
    ),
    ...(['2', '1/0', '2/0', '4/0'] as const).map((size) =>
      reading(`${size} AWG aluminum`, { 'transfer.serviceMetal': 'aluminum', 'transfer.serviceAwg': size }),
    ),
  ]),
);
const fill = of(
  ['transfer.conductorFillPercent', 'transfer.spliceFillPercent'],
  glance('How full is the gutter: conductors / with splices?', [
    reading('20 % / 50 %', { 'transfer.conductorFillPercent': 20, 'transfer.spliceFillPercent': 50 }),
    reading('30 % / 50 %', { 'transfer.conductorFillPercent': 30, 'transfer.spliceFillPercent': 50 }),
    reading('40 % / 75 %', { 'transfer.conductorFillPercent': 40, 'transfer.spliceFillPercent': 75 }),
  ]),
);
const space = of(
  ['panel.widthIn', 'panel.depthIn', 'panel.heightFt', 'panel.place'],
  glance('Tape: how much room stands clear in front of it?', [
    ...[
      [30, 36, 7],
      [30, 36, 6.5],
      [36, 42, 7],
      [36, 36, 8],
    ].map(([width, depth, height]) =>
      reading(`${width} × ${depth} in, ${height === 6.5 ? '6½' : height} ft: clear, in a place that suits`, {
        'panel.widthIn': width!,
        'panel.depthIn': depth!,
        'panel.heightFt': height!,
        'panel.place': 'suitable',
      }),
    ),
    reading('Less than 30 × 36 in', { 'panel.widthIn': 24, 'panel.depthIn': 30, 'panel.place': 'suitable' }),
  ]),
);
const bars = of(
  ['panel.kind', 'panel.neutralsAndGrounds', 'panel.mainBondingJumper'],
  glance('What is the house’s panel, and where do its neutrals and grounds land?', [
    reading('Service, one bar, bonded', {
      'panel.kind': 'service',
      'panel.neutralsAndGrounds': 'together',
      'panel.mainBondingJumper': 'yes',
    }),
    reading('Subpanel, apart; bonded at the service', {
      'panel.kind': 'subpanel',
      'panel.neutralsAndGrounds': 'apart',
      'panel.mainBondingJumper': 'yes',
    }),
    reading('Subpanel, on one bar', { 'panel.kind': 'subpanel', 'panel.neutralsAndGrounds': 'together' }),
  ]),
);
const bus = of(
  ['panel.busA', 'panel.mainA', 'panel.mains', 'panel.mainHeld'],
  glance('What do bus and main of the house’s panel say?', [
    ...[
      [200, 200],
      [100, 100],
      [125, 100],
      [150, 150],
      [225, 200],
      [100, 60],
    ].map(([busA, mainA]) =>
      reading(`${busA} A bus, one main of ${mainA} A, built in`, {
        'panel.busA': busA!,
        'panel.mainA': mainA!,
        'panel.mains': 'one',
        'panel.mainHeld': 'built-in',
      }),
    ),
    reading('Several mains on one feed', { 'panel.mains': 'several' }),
  ]),
);
const inletSign = of(
  ['labels.inletSign', 'labels.inletSignWarning'],
  glance('What does the sign at the inlet say?', [
    reading('WARNING, nonseparately derived', {
      'labels.inletSign': 'nonseparately',
      'labels.inletSignWarning': 'yes',
    }),
    reading('WARNING, separately derived', { 'labels.inletSign': 'separately', 'labels.inletSignWarning': 'yes' }),
    reading('Some other sign', { 'labels.inletSign': 'other' }),
    reading('No sign', { 'labels.inletSign': 'none' }),
  ]),
);

// ——— the circuits

/** What a circuit of a use usually is; its watts are usual values until somebody reads or clamps them. */
const PRESETS: readonly (readonly [use: string, volts: '120' | '240', running: number, starting: number])[] = [
  ['refrigerator', '120', 700, 2000],
  ['lights', '120', 600, 600],
  ['furnace', '120', 700, 1500],
  ['well-pump', '240', 1000, 2500],
  ['receptacles', '120', 500, 500],
  ['freezer', '120', 500, 1500],
  ['sump', '120', 800, 1600],
  ['microwave', '120', 1000, 1000],
  ['medical', '120', 300, 300],
  ['air-conditioner', '240', 3000, 6000],
];
/** The same where each hangs on a cord of its own. */
const ON_CORDS: typeof PRESETS = [
  ['refrigerator', '120', 700, 2000],
  ['lights', '120', 100, 100],
  ['freezer', '120', 500, 1500],
  ['microwave', '120', 1000, 1000],
  ['medical', '120', 300, 300],
  ['receptacles', '120', 500, 500],
];
const OFF: readonly (readonly [use: string, volts: '240', running: number])[] = [
  ['range', '240', 8000],
  ['dryer', '240', 5000],
  ['water-heater', '240', 4500],
  ['car-charger', '240', 7200],
];
const isShared = (group: unknown) => group !== undefined && group !== 'own' && group !== NOT_SEEN;
const neutrals = of(
  ['loads.circuits.neutralGroup'],
  glance(
    'Open the panel: two hots and one white in one cable share a neutral. Touch the two handles of each such pair.',
    (c) => [
      reading(
        (c.loads?.circuits ?? []).some(({ neutralGroup }) => isShared(neutralGroup))
          ? 'The others have one of their own'
          : 'Each has a neutral of its own',
        { 'loads.circuits.neutralGroup': 'own' },
      ),
    ],
  ),
);
const CIRCUIT_KEYS = ['use', 'plan', 'volts', 'runningW', 'startingW'].map((key) => `loads.circuits.${key}`);
const preset = of(
  CIRCUIT_KEYS,
  glance(
    'What does it feed?',
    (c) => [
      ...(c.transfer?.kind === 'none-cords' ? ON_CORDS : PRESETS).map(([use, volts, running, starting]) =>
        reading(`${labelOf('loads.circuits.use', use)}, ${running} W usual`, {
          'loads.circuits.use': use,
          'loads.circuits.plan': 'run',
          'loads.circuits.volts': volts,
          'loads.circuits.runningW': running,
          'loads.circuits.startingW': starting,
        }),
      ),
      ...OFF.map(([use, volts, running]) =>
        reading(`${labelOf('loads.circuits.use', use)}, stays off`, {
          'loads.circuits.use': use,
          'loads.circuits.plan': 'off',
          'loads.circuits.volts': volts,
          'loads.circuits.runningW': running,
          'loads.circuits.startingW': running,
        }),
      ),
    ],
    'usual',
  ),
);
/** Whether circuits are moved to the transfer equipment; else they stay on the panel's own breakers. */
const onSwitch = (c: Case, entry = 'loads.circuits[0]') => isAsked(c, `${entry}.moved`);
const handle = of(
  ['moved', 'switchBreakerA', 'unfused', 'sizeAwg', 'metal', 'sourceLeg'].map((key) => `loads.circuits.${key}`),
  glance('Its handle on the switch, the wire behind it, and its leg of the source?', (c, _usual, entry) => {
    if (!onSwitch(c, entry)) return [];
    const two = entry !== undefined && factAt(c, `${entry}.volts`) === '240';
    const legs = c.transfer?.kind !== 'load-side-switch' ? [undefined] : two ? ['both'] : ['A', 'B'];
    const on = (
      [
        ['20', '12'],
        ['15', '14'],
        ['30', '10'],
        ['15', '12'],
        ...(traitOf(c.transfer?.kind, 'splicedIn')
          ? ([
              [undefined, '12'],
              [undefined, '14'],
            ] as const)
          : []),
      ] as const
    ).flatMap(([amps, size]) =>
      legs.map((leg) =>
        reading(
          `${amps === undefined ? 'No breaker in it' : `${amps} A`}, ${size} AWG copper${leg === undefined ? '' : leg === 'both' ? ', on both legs' : `, leg ${leg}`}`,
          {
            'loads.circuits.moved': 'yes',
            ...(amps === undefined
              ? { 'loads.circuits.unfused': 'yes' }
              : { 'loads.circuits.switchBreakerA': Number(amps) }),
            'loads.circuits.sizeAwg': size,
            'loads.circuits.metal': 'copper',
            ...(leg !== undefined && { 'loads.circuits.sourceLeg': leg }),
          },
        ),
      ),
    );
    return [...on, reading('Not on the switch', { 'loads.circuits.moved': 'no' })];
  }),
);
const wire = of(
  ['loads.circuits.sizeAwg', 'loads.circuits.metal'],
  glance('Which wire is at its breaker?', (c, _usual, entry) =>
    onSwitch(c, entry)
      ? []
      : (['12', '14', '10'] as const).map((size) =>
          reading(`${size} AWG copper`, { 'loads.circuits.sizeAwg': size, 'loads.circuits.metal': 'copper' }),
        ),
  ),
);

// ——— the source running

const LEGS = ['function.legAV', 'function.legBV', 'function.legsV', 'function.hertz'];
const legs = of(
  ['function.loadOn', ...LEGS],
  glance(
    'A real load on one leg alone: leg A, leg B, leg to leg, hertz',
    ['A', 'B'].map((leg) => ({
      label: `Load on leg ${leg}: take the reading`,
      says: { 'function.loadOn': leg },
      measures: LEGS,
    })),
    'meter',
  ),
);
const otherLegs = measured('The load moved to the other leg: leg A, leg B', [
  'function.otherLegAV',
  'function.otherLegBV',
]);

const boxFill = of(
  ['boxAwg', 'boxConductors', 'boxGrounds', 'boxDevices', 'boxClamps'].map((key) => `transfer.${key}`),
  glance('Count what is in the box', () =>
    (['12', '14'] as const).flatMap((size) =>
      (
        [
          [6, 3],
          [4, 3],
          [8, 4],
        ] as const
      ).map(([conductors, grounds]) =>
        reading(`${size} AWG: ${conductors} conductors, ${grounds} grounds, 1 device, no clamps`, {
          'transfer.boxAwg': size,
          'transfer.boxConductors': conductors,
          'transfer.boxGrounds': grounds,
          'transfer.boxDevices': 1,
          'transfer.boxClamps': 'no',
        }),
      ),
    ),
  ),
);

const electrode = of(
  ['grounding.derivedElectrode', 'grounding.electrodeAwg'],
  glance('What grounds the derived neutral, and by what conductor?', [
    ...(['8', '6', '4'] as const).map((size) =>
      reading(`The electrodes of the house, ${size} AWG`, {
        'grounding.derivedElectrode': 'house',
        'grounding.electrodeAwg': size,
      }),
    ),
    reading('One rod, 8 AWG', { 'grounding.derivedElectrode': 'one-rod', 'grounding.electrodeAwg': '8' }),
    reading('Two rods, 6 AWG', { 'grounding.derivedElectrode': 'two-rods', 'grounding.electrodeAwg': '6' }),
    reading('None; the equipment ground alone', { 'grounding.derivedElectrode': 'none' }),
  ]),
);

export const GLANCES = {
  nameplate, watts, outlet, usualSite, standing, exhaust, plug, connector, jacket, inletFace, inletBox, pins, cable, place, breakerFace, mechanism, byHand, contactors,
  boxFill, electrode, equipmentLabel, torque, utilitySide, fill, space, bars, bus, inletSign, preset, neutrals, handle, wire, legs, otherLegs,
} as const; // prettier-ignore
