import { metaOf, readAmount } from '.';

const read = (path: string, text: string) => readAmount(metaOf(path), text);
const TORQUE = 'transfer.torqueLbIn';

test.each([
  [TORQUE, '45', 45, undefined],
  [TORQUE, '5 lb-ft', 60, '5 lb-ft'],
  [TORQUE, '3.75 ft-lb', 45, '3.75 ft-lb'],
  [TORQUE, '5 N·m', 44.25, '5 N·m'],
  [TORQUE, '5,1 Nm', 45.14, '5,1 Nm'],
  ['source.airF', '31 °C', 87.8, '31 °C'],
  ['source.airF', '-10C', 14, '-10C'],
  ['source.airF', '87 °F', 87, undefined],
  ['siting.openingFt', '3 m', 9.84, '3 m'],
  ['panel.heightFt', '6½', 6.5, undefined],
  ['panel.heightFt', '6 1/2', 6.5, undefined],
  ['panel.heightFt', '6 ft 6 in', 6.5, '6 ft 6 in'],
  ['panel.heightFt', '6\' 6"', 6.5, '6\' 6"'],
  ['panel.heightFt', '6 ft 6', 6.5, '6 ft 6'],
  ['panel.heightFt', "6'6", 6.5, "6'6"],
  ['panel.widthIn', '76 cm', 29.92, '76 cm'],
  ['panel.widthIn', '2 ft 6', 30, '2 ft 6'],
  ['source.runningW', '7 kW', 7000, '7 kW'],
  ['source.runningW', '12,000', 12_000, undefined],
  ['grounding.frameToPanelOhm', '0.2 ohm', 0.2, '0.2 ohm'],
  ['breaker.availableKa', '8500 A', 8.5, '8500 A'],
  ['function.groundA', '80 mA', 0.08, '80 mA'],
] as const)('%s: %s', (path, text, value, asRead) => {
  expect(read(path, text)).toEqual(asRead === undefined ? { ok: true, value } : { ok: true, value, asRead });
});

test.each([
  [TORQUE, '5 stone', '“stone” cannot be turned into lb-in; right would be 1 to 1000 lb-in'],
  [TORQUE, 'tight', '“tight” is no number'],
  [TORQUE, '', 'is no number'],
  ['source.airF', '5 ft', 'cannot be turned into °F'],
  ['loads.circuits[0].slot', '3 A', 'cannot be turned into a count'],
])('%s: “%s” is refused with a sentence', (path, text, words) => {
  const found = read(path, text);
  expect(found.ok ? found.value : found.why).toContain(words);
});
