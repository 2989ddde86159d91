import { CONFIGURATIONS, type ConfigurationName } from '@careful-latch/core/codebook';
import { box, cutBox, dot, line, type Pen, type Place } from '../list';
import { duplex, earthLine, face, handle, screw, wire } from '../small';
import type { Shown, Thing } from './thing';

const FACE = [272, 204, 50] as const;
const BASE = 374;

/** The set from the side: where its panel sits; or a power station in two halves. */
function beside(pen: Pen, f: Shown, dx: number): void {
  const at = (d: string) => d.replace(/([MHL])(-?[\d.]+)/g, (_, to: string, x: string) => `${to}${Number(x) + dx}`);
  if (f.is('source.kind', 'power-station')) {
    pen.solid('box', at(cutBox([24, 30, 128, 62], 10)), 'body');
    pen.stroke('boxLine', at('M88 30V92M34 44H78M34 52H78M34 60H78M34 68H78'), 2);
    pen.draw('boxLine', at(box([98, 42, 44, 22])), { fill: 'dark' });
    return;
  }
  if (f.look('source.kind') !== 'solid') {
    pen.ghost('box', at('M22 92V18H182V92M40 24H168V52H40ZM104 56H150V92H104Z'));
    if (f.look('source.kind') === 'crossed') pen.cross('boxLine', [22, 18, 160, 74]);
    return;
  }
  pen.stroke('ground', at('M22 94V20L28 14H176L182 20V94'), 4);
  pen.solid('box', at(cutBox([42, 56, 56, 38], 4)), 'bar');
  pen.stroke('boxLine', at('M48 64H92M48 73H92M48 82H92'), 1.5);
  pen.solid('box', at(cutBox([104, 56, 46, 38], 4)), 'light');
  pen.stroke('boxLine', at('M110 64H122M126 64H144'), 2, 'onLight');
  pen.draw('boxLine', at(box([110, 72, 9, 16])) + at(box([123, 72, 9, 16])), { fill: 'onLight' });
  // The muffler and its breath.
  pen.solid('box', at(cutBox([18, 62, 24, 18], 3)), 'bar');
  pen.stroke('boxLine', at('M10 66L2 62M9 71H0M10 76L2 80'), 1.75);
  pen.draw('box', at(dot(52, 98, 11)), { fill: 'paper', stroke: 'ink', width: 4 });
  pen.stroke('ground', at('M140 94V108H158'), 4);
}

const FUEL_WORDS: Readonly<Record<string, string>> = { gasoline: 'GASOLINE', diesel: 'DIESEL' };
/** What it runs on: a tank with its cap, a cylinder, a pipe with its cock; a battery needs none. */
function fuel(pen: Pen, f: Shown): void {
  const kind = f.value('source.fuel');
  const look = f.look('source.fuel');
  if (f.is('source.kind', 'power-station') || look === 'none') return;
  if (look !== 'solid' || kind === 'gasoline' || kind === 'diesel') {
    const tank: Place = [52, 24, 108, 26];
    if (!pen.form('body', look, cutBox(tank, 8), 'body', tank)) return;
    pen.draw('body', box([96, 17, 22, 7]), { fill: 'ink' });
    return pen.stamp(106, 42, FUEL_WORDS[String(kind)] ?? '', { size: 13, anchor: 'middle', bold: true, face: 'text' });
  }
  if (kind === 'propane') {
    pen.solid('body', 'M166 108V78Q166 68 176 68H186Q196 68 196 78V108Z', 'light');
    pen.solid('body', box([176, 58, 10, 10]), 'bar');
    return pen.stroke('wire', 'M176 62Q158 50 150 70', 3);
  }
  pen.stroke('wire', 'M0 108H30V80', 7);
  if (kind === 'natural-gas') pen.solid('body', box([8, 101, 14, 14]), 'bar');
  else pen.draw('body', dot(15, 108, 9), { fill: 'copper', stroke: 'ink', width: 2 });
}

/** The nameplate, as engraved lines. */
function nameplate(pen: Pen, f: Shown): void {
  const at: Place = [206, 8, 176, 96];
  const look = f.look('source.nameplate', 'missing');
  if (!pen.form('box', look === 'ghost' && f.asked('source.runningW') && f.value('source.runningW') !== undefined ? 'solid' : look, cutBox(at, 10), 'steel', at)) return; // prettier-ignore
  if (f.is('source.nameplate', 'illegible'))
    return pen.stroke('boxLine', 'M218 34l30 -10M226 52l60 -14M260 80l96 -30M300 44l50 10M218 74l40 -6', 2, 'hairline');
  const watts = (key: string) => (f.value(key) === undefined ? undefined : `${f.value(key)} W`);
  const rows: [string | undefined, string | undefined][] = [
    [f.value('source.voltage') === undefined ? undefined : `${f.value('source.voltage')} V`, '60 Hz'],
    ['RUN', watts('source.runningW')],
    ['START', watts('source.startingW')],
  ];
  for (const [i, [left, right]] of rows.entries()) {
    const y = 32 + i * 21;
    pen.stroke('boxLine', line([216, y + 5], [372, y + 5]), 1, 'hairline');
    if (left !== undefined) pen.stamp(218, y, left, { size: 15 });
    if (right !== undefined && left !== undefined) pen.stamp(370, y, right, { size: 15, anchor: 'end' });
  }
  const made = f.value('source.madeBefore2015');
  if (made !== undefined) pen.stamp(218, 96, made === 'yes' ? 'MADE BEFORE 2015' : 'MADE 2015 OR LATER', { size: 12, face: 'text', bold: true }); // prettier-ignore
}

/** Two 120 V receptacles, tested, plain or none. */
function receptacles(pen: Pen, f: Shown): void {
  const key = 'source.receptacles120';
  const look = f.look(key, 'none-fitted');
  duplex(pen, [24, 140, 54, 100], look, f.is(key, 'protected', 'interlocked'));
  duplex(pen, [96, 140, 54, 100], look, f.is(key, 'protected'));
  // Only one of the two kinds of receptacle can be in use: a cover slides between them.
  if (f.is(key, 'interlocked')) pen.solid('fitting', cutBox([92, 134, 108, 18], 6), 'bar');
  if (f.is('source.gfciCordSets', 'yes')) {
    pen.solid('fitting', cutBox([36, 246, 30, 40], 5), 'jacket');
    pen.stamp(51, 262, 'TEST', { size: 9.5, anchor: 'middle', face: 'text', bold: true, ink: 'onJacket' });
    pen.stroke('wire', 'M51 286V318Q51 330 30 330H0', 7, 'jacket');
  } else if (f.is('source.gfciCordSets', 'no')) pen.bare('fitting', [36, 246, 30, 40]);
}

/** The receptacle in use with what is ahead of it, and how the current leaves. */
function outlet(pen: Pen, f: Shown): void {
  const name = f.value('source.outlet') as ConfigurationName | undefined;
  const look = f.look('source.outlet');
  face(pen, FACE, { look, name, inUse: true });
  if (look === 'solid' && name) {
    pen.stamp(212, 148, name, { size: 15, anchor: 'middle' });
    pen.stamp(344, 262, `${CONFIGURATIONS[name].ratingA} A`, { size: 15, anchor: 'middle' });
  }
  if (f.is('source.connection', 'permanent')) {
    pen.stroke('ground', 'M322 204H390', 30);
    pen.stroke('box', 'M322 204H390', 26, 'body');
    pen.solid('body', box([326, 186, 14, 36]), 'bar');
  }
  if (f.look('source.connection') === 'crossed') pen.cross('fitting', [334, 190, 40, 28]);
  if (f.look('source.connection') !== 'ghost') pen.stroke('wire', 'M322 204H390', 7, 'copper');
  else if (look === 'solid') pen.stroke('wire', 'M322 204H390', 3, 'copper', '6 5');
  // Its own handle: wide over two poles.
  const own = f.look('source.outletDevice', 'none');
  const two = !f.is('source.outletPoles', 1, '1');
  const amps = f.value('source.outletBreakerA');
  const stood = amps === undefined && own === 'solid' ? f.look('source.outletBreakerA') : own;
  const at: Place = [two ? 250 : 261, 270, two ? 44 : 22, 66];
  handle(pen, at, { look: stood === 'none' ? own : stood, stamp: amps, size: two ? 21 : 15 });
  const poles = f.look('source.outletPoles');
  if (poles === 'ghost' || poles === 'crossed') pen.ghost('over', box([261, 270, 22, 66]));
  if (poles === 'crossed') pen.cross('over', [250, 270, 44, 66]);
  if (own === 'solid') pen.stroke('wire', 'M272 254V270', 5, 'copper');
  const gfci = f.look('source.outletGfci', 'no');
  const plate: Place = [206, 272, 30, 32];
  if (pen.form('body', gfci, cutBox(plate, 5), 'light', plate)) {
    pen.stamp(221, 286, 'TEST', { size: 9.5, anchor: 'middle', face: 'text', bold: true, ink: 'onLight' });
    pen.stroke('stamp', 'M210 292H232', 2, 'onLight');
  }
}

/** The knob that gives 120 V alone, or both. */
function selector(pen: Pen, f: Shown): void {
  const at: Place = [326, 276, 44, 56];
  const look = f.lookUnless('source.selector', 'none');
  if (!pen.form('body', look, dot(348, 310, 18), 'dark', at)) return;
  const both = f.is('source.selector', 'both');
  pen.stroke('metal', both ? 'M348 310L338 297' : 'M348 310L358 297', 6, 'light');
  pen.stamp(330, 286, '240', { size: 14, anchor: 'middle', ink: both ? 'ink' : 'quiet' });
  pen.stamp(368, 286, '120', { size: 14, anchor: 'middle', ink: both ? 'quiet' : 'ink' });
}

/** Behind a cut-away: the neutral’s bar, and the strap from it to the frame or the gap of it. */
function bond(pen: Pen, f: Shown): void {
  pen.draw('inside', 'M92 344V308L102 298H168V344Z', { fill: 'paper', stroke: 'ink', width: 1.5, dash: '3 3' });
  pen.stroke('ground', `M0 ${BASE}H390`, 14);
  pen.stroke('box', `M0 ${BASE}H390`, 10, 'body');
  pen.solid('body', box([106, 308, 50, 15]), 'bar');
  for (const x of [116, 131, 146]) screw(pen, x, 315.5, 4, x);
  screw(pen, 131, BASE, 7, -30);
  const look = f.look('source.neutralBond');
  const strap: Place = [125, 323, 12, 44];
  if (f.is('source.neutralBond', 'floating'))
    pen.solid('body', 'M125 323H137V333L125 337ZM125 355L137 351V367H125Z', 'bar');
  else pen.form('body', look, box(strap), 'bar', strap);
  // What somebody has changed of it.
  const altered = f.value('source.bondAltered');
  if (altered === 'jumper') wire(pen, 'M146 316Q176 340 150 370', 'ground', { width: 9 });
  if (altered === 'plug') {
    pen.solid('fitting', cutBox([104, 196, 38, 34], 6), 'jacket');
    pen.stroke('stamp', 'M114 230Q122 252 132 230', 4, 'jacket');
  }
  if (altered === 'removed') {
    pen.solid('fitting', 'M172 352L208 344V356L172 364Z', 'bar');
    screw(pen, 214, 356, 5, 10);
  }
  if (altered === 'none') screw(pen, 156, 330, 3, 80); // sealed as it was made
  if (f.is('source.bondChangeProvided', 'yes')) pen.solid('fitting', cutBox([172, 306, 22, 14], 4), 'light');
  if (f.is('source.bondChangeProvided', 'no')) pen.bare('fitting', [172, 306, 22, 14]);
  const marked: Place = [172, 324, 64, 18];
  if (pen.form('fitting', f.look('source.bondChangeMarked', 'no'), cutBox(marked, 4), 'light', marked))
    pen.stamp(204, 337, f.is('source.neutralBond', 'floating') ? 'FLOATING' : 'BONDED', { size: 11, anchor: 'middle', face: 'text', bold: true, ink: 'onLight' }); // prettier-ignore
}

/** More than one: the second set, and the kit or the lead between them. */
function units(pen: Pen, f: Shown): void {
  const how = f.value('source.units');
  if (how === undefined)
    return f.look('source.units') === 'crossed' ? pen.cross('fitting', [160, 64, 40, 40]) : undefined;
  if (how === 'one') return;
  beside(pen, f, -96);
  const paired = how === 'paired-stations';
  pen.stroke('wire', paired ? 'M60 108Q100 122 140 108' : 'M40 100V116H140V100', 6, 'jacket');
  if (paired) return;
  pen.solid('body', cutBox([68, 106, 48, 20], 5), 'light');
  pen.stamp(92, 121, how === 'parallel-120' ? '120' : '240', { size: 14, anchor: 'middle', ink: 'onLight' });
}

/** Disconnects: at the source, and at the building. */
function disconnects(pen: Pen, f: Shown): void {
  for (const [key, x] of [['source.disconnect', 336], ['source.buildingDisconnect', 362]] as const) handle(pen, [x, 140, 18, 34], { look: f.look(key, 'no') }); // prettier-ignore
}

/** A source of power: the control panel of an engine set with its nameplate, or a power station. */
export const SOURCE: Thing = {
  height: 430,
  stations: ['source'],
  shows: [
    'source.kind',
    'source.nameplate',
    'source.fuel',
    'source.voltage',
    'source.runningW',
    'source.startingW',
    'source.madeBefore2015',
    'source.outlet',
    'source.outletDevice',
    'source.outletBreakerA',
    'source.outletGfci',
    'source.outletPoles',
    'source.selector',
    'source.connection',
    'source.units',
    'source.receptacles120',
    'source.gfciCordSets',
    'source.neutralBond',
    'source.bondAltered',
    'source.bondChangeProvided',
    'source.bondChangeMarked',
    'source.disconnect',
    'source.buildingDisconnect',
  ],
  places: {
    'source/nameplate': [206, 8, 176, 96],
    'source/outlet': [204, 134, 128, 206],
    'source/receptacles': [18, 134, 140, 112],
    'source/bond': [88, 296, 110, 88],
    'source/units': [2, 8, 196, 108],
  },
  tags: {
    'source/bond': { at: [188, 376, 194], from: [150, 346] },
    'source/site': { at: [8, 380, 172] },
    'source/outlet': { at: [206, 110, 178], from: [316, 176] },
    'source/units': { at: [8, 120, 150], from: [60, 100] },
    'source/receptacles': { at: [8, 250, 120], from: [50, 240] },
  },
  draw(pen, f) {
    units(pen, f);
    beside(pen, f, 0);
    fuel(pen, f);
    nameplate(pen, f);
    pen.solid('box', cutBox([8, 126, 374, 220], 14), 'steel');
    for (const [x, y] of [[18, 136], [18, 336], [372, 336]] as const) screw(pen, x, y, 4, x); // prettier-ignore
    receptacles(pen, f);
    outlet(pen, f);
    selector(pen, f);
    bond(pen, f);
    disconnects(pen, f);
    earthLine(pen, 424, 390);
  },
};
