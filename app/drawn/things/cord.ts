import type { ConfigurationName } from '@careful-latch/core/codebook';
import { box, cutBox, dot, line, type Pen, type Place } from '../list';
import { cutEnd, earthLine, face, handle, screw } from '../small';
import { radiusOf } from '../slots';
import type { Shown, Thing } from './thing';

const TOP = 62;
const MIDDLE = 146;
const LOW = 230;
/** The jacket, from the plug to where it lies; the last stretch of it is drawn by how it runs. */
const WAY = `M130 ${TOP}H300C362 ${TOP} 362 ${MIDDLE} 300 ${MIDDLE}H150C88 ${MIDDLE} 88 ${LOW} 150 ${LOW}`;

const isAdapter = (f: Shown) => f.is('cord.part', 'adapter-listed', 'adapter-unlisted');

/** The end toward the source: blades in their true configuration, the body of the plug behind them. */
function plug(pen: Pen, f: Shown): void {
  const name = f.value('cord.sourceEnd') as ConfigurationName | undefined;
  const look = f.look('cord.sourceEnd');
  pen.stroke('ground', `M0 ${TOP}H14`, 7, 'copper');
  face(pen, [52, TOP, 38], { look, name, blades: true });
  if (look === 'solid' && name) pen.stamp(52, 118, name, { size: 15, anchor: 'middle' });
  const body: Place = [94, TOP - 26, 36, 52];
  if (pen.form('body', look, cutBox(body, 6), 'jacket', body)) pen.stroke('stamp', 'M102 44V80M110 44V80M118 44V80', 1.25, 'onJacket'); // prettier-ignore
  if (f.is('cord.whole', 'pin-gone')) {
    // Where the grounding pin was: a stub in its hole.
    pen.draw('stamp', dot(52, TOP - 38 * 0.55, 8), { fill: 'paper', stroke: 'ink', width: 2 });
    pen.stroke('over', line([48, TOP - 25], [56, TOP - 17]), 2);
  }
  const marked = f.value('cord.markedA');
  if (marked !== undefined) pen.stamp(112, 30, `${marked} A`, { size: 14, anchor: 'middle' });
}

/** An adapter: a box with the handle that it may have, and what it is marked. */
function adapter(pen: Pen, f: Shown): void {
  pen.solid('body', cutBox([168, 18, 104, 92], 10), 'body');
  for (const [x, y] of [[176, 26], [176, 102], [262, 102]] as const) screw(pen, x, y, 3, x); // prettier-ignore
  const amps = f.value('cord.breakerA');
  const two = !f.is('cord.breakerPoles', 1, '1');
  handle(pen, [two ? 188 : 196, 28, two ? 40 : 22, 62], {
    look: f.look('cord.breakerA'),
    stamp: amps,
    size: two ? 21 : 15,
  });
  const poles = f.look('cord.breakerPoles');
  if (poles === 'ghost' || poles === 'crossed') pen.ghost('over', box([196, 28, 22, 62]));
  if (poles === 'crossed') pen.cross('over', [188, 28, 40, 62]);
  if (f.is('cord.part', 'adapter-listed'))
    pen.stamp(220, 104, 'LISTED', { size: 11, face: 'text', bold: true, anchor: 'middle' }); // prettier-ignore
  else pen.stroke('stamp', 'M236 40L256 52M236 60L258 50', 3, 'jacket'); // wound with tape: nobody’s make
}

/** The end toward the house: slots where it is a connector, blades where it is a second plug. */
function houseEnd(pen: Pen, f: Shown): void {
  const name = f.value('cord.inletEnd') as ConfigurationName | undefined;
  const look = f.look('cord.inletEnd');
  const blades = f.is('cord.inletEndGender', 'plug') || f.is('cord.part', 'two-plug');
  const unknown = f.asked('cord.inletEndGender') && f.look('cord.inletEndGender') !== 'solid' && !f.is('cord.part', 'two-plug'); // prettier-ignore
  face(pen, [346, LOW, 38], { look: unknown && look === 'solid' ? 'ghost' : look, name, blades });
  if (look === 'solid' && name) pen.stamp(346, 288, name, { size: 15, anchor: 'middle' });
  const body: Place = [250, LOW - 30, 44, 60];
  if (pen.form('body', look, cutBox(body, 6), 'jacket', body)) pen.stroke('stamp', `M262 ${LOW - 20}V${LOW + 20}M272 ${LOW - 20}V${LOW + 20}M282 ${LOW - 20}V${LOW + 20}`, 1.25, 'onJacket'); // prettier-ignore
  if (blades) pen.stroke('metal', `M294 ${LOW - 14}h12M294 ${LOW}h12M294 ${LOW + 14}h12`, 4, 'light');
  pen.stroke('ground', `M384 ${LOW}H390`, 7, 'copper');
}

/** The jacket with its legend, and how it lies. */
function jacket(pen: Pen, f: Shown): void {
  const type = f.value('cord.type');
  const size = f.value('cord.sizeAwg');
  const known = type !== undefined || size !== undefined;
  const low = `M150 ${LOW}H252`;
  if (!known) {
    const look = f.look('cord.type');
    pen.ghost('wire', `M130 ${TOP - 13}H300M130 ${TOP + 13}H300M150 ${MIDDLE - 13}H300M150 ${MIDDLE + 13}H300M150 ${LOW - 13}H252M150 ${LOW + 13}H252`); // prettier-ignore
    if (look === 'crossed') pen.cross('wireMark', [160, TOP - 13, 120, 26]);
  } else {
    const way = f.look('cord.run') === 'ghost' ? WAY : WAY + low;
    pen.stroke('wire', way, 28, 'ink');
    pen.stroke('wireCore', way, 25, 'jacket');
    if (f.look('cord.run') === 'ghost') pen.ghost('wire', `M150 ${LOW - 13}H252M150 ${LOW + 13}H252`);
    const legend = [size === undefined ? '' : `${size}/${f.value('cord.wires') ?? '?'}`, type ?? '', f.value('cord.markedC') === undefined ? '' : `${f.value('cord.markedC')}C`]; // prettier-ignore
    pen.stamp(150, TOP + 6, legend.filter((one) => one !== '').join(' '), {
      size: 17,
      ink: 'onJacket',
      depth: 'wireMark',
    });
  }
  if (f.is('cord.indoors', 'yes')) pen.stroke('ground', `M0 4H390M10 4l-8 -6M60 4l-8 -6M110 4l-8 -6M160 4l-8 -6M210 4l-8 -6M260 4l-8 -6M310 4l-8 -6M360 4l-8 -6`, 2); // prettier-ignore
  if (f.is('cord.indoors', 'no'))
    pen.stroke('ground', 'M352 26a12 12 0 1 0 .1 0M352 18v-8M352 56v8M332 38h-8M372 38h8', 1.5);
}

/** How it lies: free, through something, under something; coiled, and several in a chain. */
function lies(pen: Pen, f: Shown): void {
  switch (f.value('cord.run')) {
    case 'through-wall':
      pen.solid('fitting', box([188, LOW - 40, 22, 80]), 'body');
      pen.stroke('stamp', `M188 ${LOW - 20}l22 -18M188 ${LOW + 4}l22 -18M188 ${LOW + 28}l22 -18`, 1.5);
      break;
    case 'through-opening':
      pen.solid('fitting', box([194, LOW - 42, 8, 84]), 'light');
      pen.stroke('fitting', `M202 ${LOW - 42}L228 ${LOW - 54}V${LOW + 30}L202 ${LOW + 42}`, 2);
      break;
    case 'fastened':
      for (const x of [166, 200, 234])
        pen.stroke('fitting', `M${x - 5} ${LOW + 20}V${LOW - 18}H${x + 5}V${LOW + 20}`, 3);
      break;
    case 'concealed':
      pen.solid('fitting', box([160, LOW - 22, 84, 44]), 'steel');
      pen.stroke('stamp', `M160 ${LOW - 8}h84M160 ${LOW + 8}h84`, 1, 'hairline');
      break;
    case 'under-rug':
      pen.solid('fitting', `M154 ${LOW + 20}V${LOW}Q202 ${LOW - 40} 248 ${LOW}V${LOW + 20}Z`, 'body');
      pen.stroke('stamp', `M160 ${LOW + 20}v8M172 ${LOW + 20}v8M184 ${LOW + 20}v8M196 ${LOW + 20}v8M208 ${LOW + 20}v8M220 ${LOW + 20}v8M232 ${LOW + 20}v8M244 ${LOW + 20}v8`, 1.5); // prettier-ignore
      break;
    default:
      if (f.look('cord.run') === 'crossed') pen.cross('fitting', [160, LOW - 13, 80, 26]);
  }
  const loops = [196, 222, 248].map((x) => dot(x, MIDDLE, 22)).join('');
  const coiled = f.look('cord.coiled', 'no');
  if (coiled === 'solid') {
    pen.stroke('fitting', loops, 14, 'ink');
    pen.stroke('stamp', loops, 11, 'jacket');
  } else if (coiled !== 'none' && coiled !== 'bare') {
    pen.ghost('fitting', loops);
    if (coiled === 'crossed') pen.cross('stamp', [174, MIDDLE - 22, 96, 44]);
  }
  const chained: Place = [146, MIDDLE - 22, 30, 44];
  const chain = f.look('cord.daisyChained', 'no');
  if (chain === 'solid') {
    pen.solid('fitting', cutBox(chained, 6), 'jacket');
    pen.solid('fitting', cutBox([116, MIDDLE - 18, 28, 40], 6), 'jacket');
    pen.stroke('stamp', `M144 ${MIDDLE - 10}h4M144 ${MIDDLE + 10}h4`, 4, 'light');
  } else if (chain !== 'none' && chain !== 'bare') {
    pen.ghost('fitting', cutBox(chained, 6));
    if (chain === 'crossed') pen.cross('fitting', chained);
  }
}

/** What hands have found of it: the jacket along its length, and the collars at its ends. */
function condition(pen: Pen, f: Shown): void {
  const patch: Place = [252, TOP - 16, 34, 32];
  const whole = f.look('cord.whole');
  if (whole === 'ghost' || whole === 'crossed') {
    pen.ghost('fitting', box(patch));
    if (whole === 'crossed') pen.cross('stamp', patch);
  }
  if (f.is('cord.whole', 'taped')) {
    pen.solid('fitting', box(patch), 'light');
    pen.stroke('stamp', `M252 ${TOP - 4}l34 -12M252 ${TOP + 8}l34 -12M252 ${TOP + 16}l34 -10`, 1.5, 'onLight');
  }
  if (f.is('cord.whole', 'cut')) {
    pen.draw('fitting', `M254 ${TOP - 15}L262 ${TOP + 6}L268 ${TOP - 6}L276 ${TOP + 12}L284 ${TOP - 15}Z`, { fill: 'paper', stroke: 'ink', width: 2 }); // prettier-ignore
    pen.stroke('stamp', `M260 ${TOP - 6}L280 ${TOP - 2}`, 3, 'copper');
  }
  const collars = f.look('cord.strainRelief', 'no');
  for (const at of [[130, TOP - 18, 14, 36], [238, LOW - 18, 14, 36]] as const) pen.form('fitting', collars, box(at), 'bar', at); // prettier-ignore
}

/** The cut end: its conductors by number, size and kind. */
function section(pen: Pen, f: Shown): void {
  const [x, y] = [66, 352];
  const size = f.value('cord.sizeAwg');
  const look = f.look('cord.sizeAwg');
  pen.stroke('ground', `M140 ${TOP + 14}L40 312M150 ${LOW + 14}L104 322`, 1, 'quiet');
  if (look === 'solid') pen.solid('body', dot(x, y, 46), 'jacket');
  else pen.ghost('body', dot(x, y, 46));
  const radius = size === undefined ? 6 : Math.min(13, radiusOf(String(size), 26));
  const wires = f.value('cord.wires');
  const all = [[-17, -16, 'hot'], [17, -16, wires === 3 || wires === '3' ? 'neutral' : 'hot'], [-17, 18, wires === 3 || wires === '3' ? 'ground' : 'neutral'], [17, 18, 'ground']] as const; // prettier-ignore
  for (const [dx, dy, kind] of wires === 3 || wires === '3' ? all.slice(0, 3) : all)
    cutEnd(pen, [x + dx, y + dy], kind, {
      metal: 'copper',
      radius,
      look: look === 'solid' ? f.look('cord.wires') : look,
    });
}

/** What stands around the source: roof, floor, cans, what may burn. */
function around(pen: Pen, f: Shown): void {
  const shelter = f.lookUnless('siting.shelter', 'none');
  const roof = 'M214 336L258 316L302 336';
  if (shelter === 'solid') {
    pen.stroke('body', `${roof}M222 336V392`, 4);
    pen.stroke('body', f.is('siting.shelter', 'traps-exhaust') ? 'M294 336V392M222 350H294M222 364H294M222 378H294' : 'M294 336V392', 3); // prettier-ignore
  } else if (shelter !== 'none') pen.ghost('body', `${roof}M222 336V392M294 336V392`);
  if (shelter === 'crossed') pen.cross('body', [214, 316, 88, 76]);
  const base = f.look('siting.firmBase');
  if (f.is('siting.firmBase', 'yes')) pen.solid('body', box([230, 392, 56, 10]), 'body');
  else if (f.is('siting.firmBase', 'no')) pen.stroke('body', 'M228 398q7 -8 14 0t14 0t14 0t14 0', 2);
  else if (base !== 'none') pen.ghost('body', box([230, 392, 56, 10]));
  if (base === 'crossed') pen.cross('body', [230, 392, 56, 10]);
  if (f.asked('siting.shelter'))
    pen.draw('body', cutBox([240, 364, 36, 28], 4), { stroke: 'ink', width: 2, fill: 'steel' });
  const can = (x: number) => cutBox([x, 376, 18, 24], 5);
  const cans = f.look('siting.fuelAway');
  if (cans === 'solid') pen.solid('fitting', can(f.is('siting.fuelAway', 'yes') ? 360 : 282), 'body');
  else if (cans !== 'none') pen.ghost('fitting', can(360));
  if (cans === 'crossed') pen.cross('fitting', [360, 376, 18, 24]);
  const burns = f.look('siting.nothingBurns');
  const bush = (x: number) => `M${x} 402q-10 -14 2 -20q4 -14 14 -4q14 -2 10 12q6 8 -4 12Z`;
  if (f.is('siting.nothingBurns', 'no')) pen.solid('body', bush(186), 'bar');
  else if (f.is('siting.nothingBurns', 'yes')) pen.bare('body', [178, 380, 22, 22]);
  else if (burns !== 'none') pen.ghost('body', bush(186));
  if (burns === 'crossed') pen.cross('body', [180, 374, 28, 28]);
}

/** A cord as it lies, both ends as they are, or an adapter between. */
export const CORD: Thing = {
  height: 420,
  stations: ['cord'],
  shows: [
    'cord.part',
    'cord.sourceEnd',
    'cord.markedA',
    'cord.breakerA',
    'cord.breakerPoles',
    'cord.inletEnd',
    'cord.inletEndGender',
    'cord.sizeAwg',
    'cord.wires',
    'cord.type',
    'cord.markedC',
    'cord.indoors',
    'cord.strainRelief',
    'cord.whole',
    'cord.run',
    'cord.coiled',
    'cord.daisyChained',
    'siting.shelter',
    'siting.firmBase',
    'siting.fuelAway',
    'siting.nothingBurns',
  ],
  places: {
    'cord/plug': [8, 18, 124, 108],
    'cord/jacket': [136, 38, 168, 48],
    'cord/connector': [250, 186, 138, 108],
    'cord/so': [150, 312, 236, 96],
    'cord/pull': [110, 120, 180, 56],
  },
  tags: {
    'cord/length': { at: [12, 196, 124], from: [142, 216] },
    'cord/bridge': { at: [150, 262, 96], from: [262, 258] },
    'cord/pull': { at: [10, 134, 94], from: [112, 150] },
  },
  draw(pen, f) {
    if (f.value('cord.part') === undefined) {
      pen.ghost('body', cutBox([168, 18, 104, 92], 10));
      if (f.look('cord.part') === 'crossed') pen.cross('body', [168, 18, 104, 92]);
    }
    jacket(pen, f);
    plug(pen, f);
    if (isAdapter(f)) adapter(pen, f);
    houseEnd(pen, f);
    lies(pen, f);
    condition(pen, f);
    section(pen, f);
    around(pen, f);
    earthLine(pen, 408, 390);
  },
};
