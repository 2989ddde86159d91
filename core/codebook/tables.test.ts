import {
  AMBIENT_FACTOR,
  AMPACITY_A,
  AREA_CMIL,
  BOX_TYPES,
  BOX_VOLUME_IN3,
  BURIAL_IN,
  CABLE_GROUND,
  CONDUCTOR_AREA_IN2,
  CONFIGURATIONS,
  CORD_AMPACITY_A,
  CORD_TYPES,
  COUNT_FACTOR,
  DWELLING_SERVICE,
  ELECTRODE_CONDUCTOR,
  ENCLOSURE_TYPES,
  EQUIPMENT_GROUND,
  INSULATION_C,
  METHODS,
  OFFICE_NUMBERS,
  PORTABLE_CABLE_A,
  RACEWAY_AREA_IN2,
  RACEWAY_SIZES,
  RESISTANCE_OHM_PER_KFT,
  SMALL_CONDUCTOR_A,
  STANDARD_DEVICE_A,
  WIRE_SIZES,
  boxConductorSizes,
  celsiusToF,
  dwellingServiceSize,
  electrodeConductorSize,
  fahrenheitToC,
  fillShare,
  insulationC,
  isPortableCable,
  lettersOf,
  likeConductors,
  madeForWet,
  racewayAreaIn2,
  smallestRaceway,
  standardDeviceAtOrAboveA,
  standardDeviceAtOrBelowA,
  type InsulationName,
  type RacewayKind,
  type RacewaySize,
  type WireSize,
  type WiringMethod,
} from '.'; // prettier-ignore

/** Tables written down apart from ours, row by row as they are printed: "14: 15/20/25 · 12: …". */
const rows = (text: string) =>
  Object.fromEntries(
    text.split(' · ').map((row) => {
      const [size, values] = row.split(': ');
      return [size!, values!.split('/').map(Number)] as const;
    }),
  );
const column = (text: string) => Object.fromEntries(Object.entries(rows(text)).map(([size, [value]]) => [size, value]));
// A slash in a size (1/0) stands before the colon, one in the values after it.

test('ampacity at 60 / 75 / 90 °C', () => {
  expect(AMPACITY_A.rows.copper).toEqual(
    rows(
      '14: 15/20/25 · 12: 20/25/30 · 10: 30/35/40 · 8: 40/50/55 · 6: 55/65/75 · 4: 70/85/95 · 3: 85/100/115 · 2: 95/115/130 · 1: 110/130/145 · 1/0: 125/150/170 · 2/0: 145/175/195 · 3/0: 165/200/225 · 4/0: 195/230/260 · 250: 215/255/290 · 300: 240/285/320 · 350: 260/310/350 · 400: 280/335/380 · 500: 320/380/430 · 600: 350/420/475',
    ),
  );
  expect(AMPACITY_A.rows.aluminum).toEqual(
    rows(
      '12: 15/20/25 · 10: 25/30/35 · 8: 35/40/45 · 6: 40/50/55 · 4: 55/65/75 · 3: 65/75/85 · 2: 75/90/100 · 1: 85/100/115 · 1/0: 100/120/135 · 2/0: 115/135/150 · 3/0: 130/155/175 · 4/0: 150/180/205 · 250: 170/205/230 · 300: 195/230/260 · 350: 210/250/280 · 400: 225/270/305 · 500: 260/310/350 · 600: 285/340/385',
    ),
  );
});

test('ambient factors on a 30 °C base', () => {
  const printed =
    '10 1.29/1.20/1.15 · 15 1.22/1.15/1.12 · 20 1.15/1.11/1.08 · 25 1.08/1.05/1.04 · 30 1/1/1 · 35 0.91/0.94/0.96 · 40 0.82/0.88/0.91 · 45 0.71/0.82/0.87 · 50 0.58/0.75/0.82 · 55 0.41/0.67/0.76 · 60 –/0.58/0.71 · 65 –/0.47/0.65 · 70 –/0.33/0.58 · 75 –/–/0.50 · 80 –/–/0.41 · 85 –/–/0.29';
  expect(AMBIENT_FACTOR.rows).toEqual(
    printed.split(' · ').map((row) => {
      const [upTo, factors] = row.split(' ');
      return [Number(upTo), ...factors!.split('/').map((one) => (one === '–' ? null : Number(one)))];
    }),
  );
});

test('counts, small conductors, standard devices', () => {
  expect(COUNT_FACTOR.rows.map(([upTo, factor]) => `${upTo} ${factor}`).join(' · ')).toBe(
    '3 1 · 6 0.8 · 9 0.7 · 20 0.5 · 30 0.45 · 40 0.4 · Infinity 0.35',
  );
  expect(SMALL_CONDUCTOR_A.rows).toEqual({
    copper: column('14: 15 · 12: 20 · 10: 30'),
    aluminum: column('12: 15 · 10: 25'),
  });
  expect((['2017', '2020', '2023'] as const).map((edition) => standardDeviceAtOrAboveA(9, edition))).toEqual([
    15, 15, 10,
  ]);
  expect((['2020', '2023'] as const).map((edition) => standardDeviceAtOrBelowA(14, edition))).toEqual([undefined, 10]);
  expect(STANDARD_DEVICE_A.join(' ')).toBe('15 20 25 30 35 40 45 50 60 70 80 90 100 110 125 150 175 200 225 250');
});

test('equipment grounds, copper/aluminum', () => {
  expect(EQUIPMENT_GROUND.rows.map(([upTo, copper, aluminum]) => `${upTo} A ${copper}|${aluminum}`).join(' · ')).toBe(
    '15 A 14|12 · 20 A 12|10 · 30 A 10|8 · 40 A 10|8 · 60 A 10|8 · 100 A 8|6 · 200 A 6|4 · 300 A 4|2 · 400 A 3|1',
  );
});

test('cords, three / two current-carrying', () => {
  expect(CORD_AMPACITY_A.rows).toEqual(
    rows('18: 7/10 · 16: 10/13 · 14: 15/18 · 12: 20/25 · 10: 25/30 · 8: 35/40 · 6: 45/55 · 4: 60/70 · 2: 80/95'),
  );
  expect(PORTABLE_CABLE_A.rows).toEqual(
    rows('8: 48/55 · 6: 63/72 · 4: 84/96 · 3: 99/113 · 2: 112/128 · 1: 131/150 · 1/0: 151/173 · 2/0: 174/199 · 3/0: 201/230 · 4/0: 232/265'), // prettier-ignore
  );
});

test('resistance, Ω per 1000 ft at 75 °C, and area', () => {
  expect(RESISTANCE_OHM_PER_KFT.rows.copper).toEqual(
    column(
      '18: 7.95 · 16: 4.99 · 14: 3.14 · 12: 1.98 · 10: 1.24 · 8: 0.778 · 6: 0.491 · 4: 0.308 · 3: 0.245 · 2: 0.194 · 1: 0.154 · 1/0: 0.122 · 2/0: 0.0967 · 3/0: 0.0766 · 4/0: 0.0608',
    ),
  );
  expect(RESISTANCE_OHM_PER_KFT.rows.aluminum).toEqual(
    column(
      '12: 3.25 · 10: 2.04 · 8: 1.28 · 6: 0.808 · 4: 0.508 · 3: 0.403 · 2: 0.319 · 1: 0.253 · 1/0: 0.201 · 2/0: 0.159 · 3/0: 0.126 · 4/0: 0.100',
    ),
  );
  expect(AREA_CMIL.rows).toEqual(
    column(
      '18: 1620 · 16: 2580 · 14: 4110 · 12: 6530 · 10: 10380 · 8: 16510 · 6: 26240 · 4: 41740 · 3: 52620 · 2: 66360 · 1: 83690 · 1/0: 105600 · 2/0: 133100 · 3/0: 167800 · 4/0: 211600 · 250: 250000 · 300: 300000 · 350: 350000 · 400: 400000 · 500: 500000 · 600: 600000',
    ),
  );
  // Areas follow the gauge: 5 mils at 36 AWG, 460 at 4/0, in 39 equal ratios; printed ones are rounded to tens and below.
  for (const [i, size] of [...WIRE_SIZES].reverse().entries()) {
    if (Number(size) >= 250) {
      expect(AREA_CMIL.rows[size]).toBe(Number(size) * 1000); // kcmil
      continue;
    }
    const gauge = size.includes('/') ? 1 - Number(size[0]) : Number(size);
    const mils = 5 * 92 ** ((36 - gauge) / 39);
    expect([size, i >= 0 && Math.abs(AREA_CMIL.rows[size]! / mils ** 2 - 1) < 0.004]).toEqual([size, true]);
  }
});

test('boxes and their conductors, in³', () => {
  expect(BOX_VOLUME_IN3).toEqual(column('18: 1.50 · 16: 1.75 · 14: 2.00 · 12: 2.25 · 10: 2.50 · 8: 3.00 · 6: 5.00'));
  expect(
    Object.entries(BOX_TYPES)
      .map(([name, { volumeIn3 }]) => `${name} ${volumeIn3}`)
      .join(' · '),
  ).toBe('4x1-1/2 21 · 4x2-1/8 30.3 · 4-11/16x1-1/2 29.5 · 4-11/16x2-1/8 42');
  expect(boxConductorSizes().join(' ')).toBe('14 12 10 8 6');
});

test('burial, in: general / driveway / street / slab / under 2 in of concrete / building', () => {
  const printed = Object.entries(BURIAL_IN).map(
    ([name, of]) =>
      `${name} ${of.general}/${of.driveway}/${of.street}/${of.slab}/${of.concrete}/${of.building ?? 'raceway only'}`,
  );
  expect(printed.join(' · ')).toBe(
    'direct 24/18/24/18/18/raceway only · rigid-metal 6/18/24/4/6/0 · nonmetallic 18/18/24/4/12/0 · small-gfci 12/12/24/6/6/raceway only',
  );
});

test('a configuration’s name says its amperes, whether it locks, and its poles', () => {
  for (const [name, { ratingA, locking, poles, wires, voltsV }] of Object.entries(CONFIGURATIONS)) {
    const three = /^(L?14|SS2|pin-sleeve)-/.test(name);
    expect([name, ratingA, locking, poles, wires, voltsV]).toEqual([
      name, Number(/\d+$/.exec(name)![0]), /^(L|SS|pin)/.test(name), three ? 3 : 2, three ? 4 : 3, three ? 240 : 120,
    ]); // prettier-ignore
  }
});

test('insulations and methods: what their names say of heat and wet', () => {
  expect(INSULATION_C).toEqual({
    'THWN-2': 90, 'XHHW-2': 90, THHN: 90, THWN: 75, XHHW: 90, 'RHW-2': 90, THW: 75, TW: 60,
  }); // prettier-ignore
  // XHHW: 90 °C in the dry, 75 °C in the wet; those with -2 keep theirs
  expect(
    (['XHHW', 'XHHW-2', 'THWN-2'] as const).map((name) => [insulationC(name, false), insulationC(name, true)]),
  ).toEqual([
    [90, 75],
    [90, 90],
    [90, 90],
  ]);
  for (const name of Object.keys(INSULATION_C) as InsulationName[])
    expect([name, madeForWet(name)]).toEqual([name, name !== 'THHN']);
  const temperatures = Object.entries(METHODS).flatMap(([name, method]: [string, WiringMethod]) =>
    method.insulationC ? [`${name} ${method.insulationC}/${method.capC ?? '–'}`] : [],
  );
  expect(temperatures.join(' · ')).toBe('NM-B 90/60 · UF-B 60/60 · USE-2 90/– · cord 60/60');
});

describe('raceways', () => {
  /** Inside diameters of Chapter 9 Table 4, in. */
  const DIAMETERS: Readonly<Record<RacewayKind, string>> = {
    EMT: '0.622 0.824 1.049 1.380 1.610 2.067',
    'PVC-40': '0.602 0.804 1.029 1.360 1.590 2.047',
    'PVC-80': '0.526 0.722 0.936 1.255 1.476 1.913',
    RMC: '0.632 0.836 1.063 1.394 1.624 2.083',
    IMC: '0.660 0.864 1.105 1.448 1.683 2.150',
    LFMC: '0.632 0.830 1.054 1.395 1.588 2.033',
    'LFNC-B': '0.632 0.830 1.054 1.395 1.588 2.033',
    ENT: '0.560 0.760 1.000 1.340 1.570 2.020',
    FMC: '0.635 0.824 1.020 1.275 1.538 2.040',
  };
  test.each(Object.keys(DIAMETERS) as RacewayKind[])('%s: areas are those of the printed inside diameters', (kind) => {
    DIAMETERS[kind].split(' ').forEach((diameter, i) => {
      const area = (Math.PI / 4) * Number(diameter) ** 2;
      expect([i, Math.abs(RACEWAY_AREA_IN2[kind][i]! - area) < 0.0011]).toEqual([i, true]);
    });
    expect(RACEWAY_AREA_IN2[kind]).toHaveLength(RACEWAY_SIZES.length - 1); // ⅜ stands by itself
  });

  /** Approximate diameters of Chapter 9 Table 5, in. */
  const WIRES = '14 12 10 8 6 4 3 2 1 1/0 2/0 3/0 4/0'.split(' ') as WireSize[];
  test.each<[InsulationName, string]>([
    ['THHN', '0.111 0.130 0.164 0.216 0.254 0.324 0.352 0.384 0.446 0.486 0.532 0.584 0.642'],
    ['THWN', '0.111 0.130 0.164 0.216 0.254 0.324 0.352 0.384 0.446 0.486 0.532 0.584 0.642'],
    ['THWN-2', '0.111 0.130 0.164 0.216 0.254 0.324 0.352 0.384 0.446 0.486 0.532 0.584 0.642'],
    ['XHHW-2', '0.133 0.152 0.176 0.236 0.274 0.322 0.350 0.382 0.442 0.482 0.528 0.580 0.638'],
    ['XHHW', '0.133 0.152 0.176 0.236 0.274 0.322 0.350 0.382 0.442 0.482 0.528 0.580 0.638'],
    ['RHW-2', '0.193 0.212 0.236 0.326 0.364 0.412 0.440 0.472 0.582 0.622 0.668 0.720 0.778'],
    ['THW', '0.163 0.182 0.206 0.266 0.304 0.352 0.380 0.412 0.492 0.532 0.578 0.630 0.688'],
    ['TW', '0.133 0.152 0.176 0.236 0.304 0.352 0.380 0.412 0.492 0.532 0.578 0.630 0.688'],
  ])('%s: areas are those of the printed diameters', (insulation, diameters) => {
    diameters.split(' ').forEach((diameter, i) => {
      const area = (Math.PI / 4) * Number(diameter) ** 2;
      expect([WIRES[i], Math.abs(CONDUCTOR_AREA_IN2[insulation][WIRES[i]!]! / area - 1) < 0.006]).toEqual([
        WIRES[i],
        true,
      ]);
    });
    expect(Object.keys(CONDUCTOR_AREA_IN2[insulation]).sort()).toEqual([...WIRES].sort());
  });

  // Annex C, so many THHN of a size in a raceway; rows that rest on rounding 0.8 up (note 7) are left out, since we do not use it.
  test.each<[RacewayKind, RacewaySize, WireSize, number]>([
    ['EMT', '1/2', '14', 12], ['EMT', '1/2', '12', 9], ['EMT', '1/2', '10', 5], ['EMT', '1/2', '8', 3], ['EMT', '3/4', '10', 10], ['EMT', '3/4', '6', 4],
    ['PVC-40', '1/2', '12', 8], ['PVC-40', '1/2', '10', 5], ['PVC-40', '3/4', '8', 5], ['PVC-40', '1', '6', 6], ['PVC-80', '1/2', '10', 4], ['RMC', '3/4', '10', 10],
  ])('%s %s in takes %s AWG × %i', (kind, size, wire, count) => {
    const area = CONDUCTOR_AREA_IN2.THHN[wire]!;
    const fits = (n: number) => n * area <= racewayAreaIn2(kind, size) * fillShare(n) + 0.0005;
    expect([fits(count), fits(count + 1)]).toEqual([true, false]);
  }); // prettier-ignore

  test('one conductor may take 53 %, two 31 %, more 40 %; the smallest size that does is found', () => {
    expect([1, 2, 3, 40].map((count) => fillShare(count))).toEqual([0.53, 0.31, 0.4, 0.4]);
    expect(fillShare(2, true)).toBe(0.6);
    // from 0.8 of one on it is counted whole
    expect([likeConductors(0.79, 1), likeConductors(0.8, 1), likeConductors(4.79, 1)]).toEqual([0, 1, 4]);
    expect([likeConductors(1.58, 2), likeConductors(1.6, 2)]).toEqual([0, 1]);
    expect([racewayAreaIn2('LFMC', '3/8'), racewayAreaIn2('LFNC-B', '3/8'), racewayAreaIn2('FMC', '3/8')]).toEqual([
      0.192, 0.192, 0.116,
    ]);
    expect([racewayAreaIn2('FMC', '3/8'), racewayAreaIn2('EMT', '3/8')]).toEqual([0.116, 0]);
    expect(smallestRaceway('EMT', 4, 0.1216)).toBe('1/2');
    expect(smallestRaceway('EMT', 4, 0.1217)).toBe('3/4');
    expect(smallestRaceway('EMT', 4, 9)).toBeUndefined();
  });
});

test('cord types: the letters say usage and place', () => {
  for (const [name, { usage, outdoors }] of Object.entries(CORD_TYPES)) {
    expect([name, outdoors]).toEqual([name, name.includes('W') || isPortableCable(name as never)]);
    expect([name, usage]).toEqual([
      name,
      /^S[VP]/.test(name) ? 'not-hard' : name.startsWith('SJ') ? 'hard' : 'extra-hard',
    ]);
    expect(lettersOf(name).join()).not.toContain('no meaning');
  }
  const forOutdoors = Object.keys(CORD_TYPES).filter((name) => name.endsWith('W'));
  expect(forOutdoors.sort().join(' ')).toBe(
    'SEOOW SEOW SEW SJEOOW SJEOW SJEW SJOOW SJOW SJTOOW SJTOW SJTW SOOW SOW STOOW STOW STW W',
  );
});

test('numbers an office may change: usual value and bounds', () => {
  expect(Object.entries(OFFICE_NUMBERS).map(([name, { value, min, max, unit }]) => `${name} ${value} ${unit} ${min}–${max}`)).toEqual([
    'leastOpeningFt 5 ft 5–100', 'advisedOpeningFt 20 ft 5–200', 'propanePercent 10 % 0–50', 'naturalGasPercent 20 % 0–50', 'altitudePercentPer1000Ft 3.5 % 0–10',
    'heatPercentPer10F 1 % 0–10', 'voltageDropPercent 3 % 1–10', 'legLowV 114 V 100–120', 'legHighV 126 V 120–135', 'legLeastV 110 V 100–120', 'legMostV 127 V 120–135',
    'legsLowV 228 V 200–240', 'legsHighV 252 V 240–270', 'hertzLow 58 Hz 50–60', 'hertzHigh 63 Hz 60–70', 'torquePercent 10 % 0–25', 'balancePercent 50 % 0–100', 'deadPinsV 3 V 0–5',
    'groundPathOhm 1 Ω 0.01–2', 'dwellingAvailableKa 10 kA 5–65', 'groundCurrentA 0.1 A 0.02–0.5', 'sagPercent 5 % 1–10', 'workingWidthIn 30 in 24–60', 'workingDepthIn 36 in 30–72', 'workingHeightFt 6.5 ft 6–10',
  ]); // prettier-ignore
});

test('enclosure types: those whose number is 3, 4 or 6 keep rain out', () => {
  for (const [name, { rain }] of Object.entries(ENCLOSURE_TYPES))
    expect([name, rain]).toEqual([name, /^[346]/.test(name)]);
  expect(Object.keys(ENCLOSURE_TYPES).sort().join(' ')).toBe('1 12 12K 13 2 3 3R 3RX 3S 3SX 3X 4 4X 5 6 6P');
});

test('dwelling services, copper/aluminum, and grounding electrode conductors by the largest hot', () => {
  expect(DWELLING_SERVICE.rows.map(([upTo, copper, aluminum]) => `${upTo} A ${copper}|${aluminum}`).join(' · ')).toBe(
    '100 A 4|2 · 110 A 3|1 · 125 A 2|1/0 · 150 A 1|2/0 · 175 A 1/0|3/0 · 200 A 2/0|4/0 · 225 A 3/0|250 · 250 A 4/0|300 · 300 A 250|350 · 350 A 350|500 · 400 A 400|600',
  );
  expect([
    dwellingServiceSize(101, 'copper'),
    dwellingServiceSize(200, 'aluminum'),
    dwellingServiceSize(201, 'copper'),
    dwellingServiceSize(60, 'copper'), // below 100 A the ampacity table
    dwellingServiceSize(400, 'copper', 2), // two sets of 200 A
    dwellingServiceSize(401, 'copper'),
    dwellingServiceSize(425, 'copper'), // above 400 A the ampacity table: none
    dwellingServiceSize(420, 'copper'),
  ]).toEqual(['3', '4/0', '3/0', '6', '3/0', '600', undefined, '600']);
  expect(
    ELECTRODE_CONDUCTOR.rows.map(([copper, aluminum, electrode]) => `${copper}|${aluminum} ${electrode}`).join(' · '),
  ).toBe('2|1/0 8 · 1/0|3/0 6 · 3/0|4/0 4 · 4/0|4/0 2');
  expect([
    electrodeConductorSize('copper', '10'), electrodeConductorSize('copper', '1'), electrodeConductorSize('aluminum', '1/0'), electrodeConductorSize('aluminum', '4/0'),
    electrodeConductorSize('copper', '4/0'),
  ]).toEqual(['8', '6', '8', '4', '2']); // prettier-ignore
});

test('temperatures: 32 °F is 0 °C, 212 °F is 100 °C, −40 is the same', () => {
  expect([32, 212, -40, 86, 104].map(fahrenheitToC)).toEqual([0, 100, -40, 30, 40]);
  expect([0, 100, -40, 30, 40].map(celsiusToF)).toEqual([32, 212, -40, 86, 104]);
});

test('a cable’s ground, by its conductors (UL 719, UL 493)', () => {
  expect(CABLE_GROUND).toEqual({ '14': '14', '12': '12', '10': '10', '8': '10', '6': '10', '4': '8', '2': '8' });
});
