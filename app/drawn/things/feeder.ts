import { box, cutBox, dot, line, type Look, type Pen, type Place } from '../list';
import { cutEnd, screw } from '../small';
import { radiusOf } from '../slots';
import type { Shown, Thing } from './thing';

const [FROM, TO] = [66, 324];
const RUN = 92;

const is = (key: string) => `feeder.stretches.${key}`;
const PIPES = ['PVC', 'PVC-80', 'EMT', 'RMC', 'IMC', 'ENT'];
const FLEXIBLE = ['LFNC', 'LFMC', 'FMC'];
const ARMORED = ['MC', 'AC'];
/** Fractions as they are stamped. */
const tradeSize = (value: string | number) => String(value).replace('-', ' ').replace('1/2', '½').replace('1/4', '¼').replace('3/4', '¾').replace('3/8', '⅜'); // prettier-ignore

/** Through what it runs: joists, rafters, siding, earth, studs. */
function around(pen: Pen, f: Shown): void {
  const place = f.value(is('place'));
  switch (place) {
    case 'indoors':
      pen.stroke('ground', 'M0 30H390M60 30V12M150 30V12M240 30V12M330 30V12', 3, 'hairline');
      break;
    case 'attic':
      pen.stroke('ground', 'M0 60L195 6L390 60M40 49V140M120 27V140M270 27V140M350 49V140', 3, 'hairline');
      break;
    case 'outdoors':
      for (let y = 20; y < 170; y += 30) pen.stroke('ground', `M0 ${y}H390M0 ${y + 4}H390`, 1.25, 'hairline');
      pen.stroke('ground', 'M352 22a12 12 0 1 0 .1 0M352 12v-8M352 54v8M330 34h-8M374 34h8', 1.5, 'quiet');
      break;
    case 'underground':
      pen.stroke('ground', 'M0 46H390', 2.5);
      for (let x = 8; x < 390; x += 24) pen.stroke('ground', `M${x} ${66 + (x % 5) * 14}l8 5M${x + 4} ${140 + (x % 3) * 8}l7 -4`, 1.5, 'hairline'); // prettier-ignore
      break;
    case 'wall':
      pen.stroke('ground', 'M84 16H104V168H84ZM184 16H204V168H184ZM284 16H304V168H284Z', 2, 'hairline');
      break;
    default:
      pen.ghost('ground', box([84, 24, 222, 140]));
      if (f.look(is('place')) === 'crossed') pen.cross('boxLine', [84, 24, 222, 140]);
  }
  const over = f.value(is('burialUnder'));
  if (over === undefined) {
    if (f.asked(is('burialUnder'))) pen.ghost('box', box([140, 34, 110, 12]));
    if (f.look(is('burialUnder')) === 'crossed') pen.cross('box', [140, 34, 110, 12]);
    return;
  }
  const slab: Place = [140, 34, 110, 12];
  if (over === 'general') return pen.stroke('box', 'M150 46l4 -9l4 9M180 46l4 -9l4 9M210 46l4 -9l4 9', 1.5);
  pen.solid('box', box(over === 'concrete' ? [140, 60, 110, 16] : over === 'building' ? [140, 4, 110, 42] : slab), over === 'street' ? 'bar' : 'body'); // prettier-ignore
  if (over === 'driveway') pen.stroke('boxLine', 'M160 34V46M230 34V46', 2);
  if (over === 'street') pen.stroke('boxLine', 'M150 40H166M180 40H196M210 40H226', 2, 'light');
  if (over === 'building') pen.stroke('boxLine', 'M160 14H180V34H160ZM210 14H230V34H210Z', 2);
}

/** The run itself: a jacket with its legend, a pipe with its couplings, armor with its windings. */
function run(pen: Pen, f: Shown): void {
  const method = f.value(is('method'));
  const look = f.look(is('method'));
  const d = `M${FROM} ${RUN}H${TO}`;
  const at: Place = [FROM, RUN - 16, TO - FROM, 32];
  if (method === undefined) {
    pen.ghost('wire', `M${FROM} ${RUN - 13}H${TO}M${FROM} ${RUN + 13}H${TO}`);
    if (look === 'crossed') pen.cross('wireMark', at);
    return;
  }
  const pipe = PIPES.includes(String(method));
  const wound = FLEXIBLE.includes(String(method)) || ARMORED.includes(String(method));
  pen.stroke('wire', d, 30, 'ink');
  pen.stroke('wireCore', d, 26, pipe || wound ? (String(method).startsWith('PVC') || method === 'ENT' ? 'light' : 'body') : 'jacket'); // prettier-ignore
  if (wound || method === 'ENT') {
    const lean = method === 'LFNC' ? 0 : ARMORED.includes(String(method)) ? 9 : 5;
    pen.stroke('wireMark', Array.from({ length: 27 }, (_, i) => `M${70 + i * 9.4} ${RUN - 13}l${-lean} 26`).join(''), 1, 'quiet'); // prettier-ignore
  }
  const inches = f.value(is('racewayIn'));
  const size = f.value(is('sizeAwg'));
  const wires = `${size ?? ''}`;
  const words = pipe || wound ? `${inches === undefined ? '' : `${tradeSize(inches)} IN. `}${method}` : `${method} ${wires && `${wires} AWG`}`; // prettier-ignore
  const light = pipe || wound;
  pen.draw('fitting', box([118, RUN - 10, words.length * 9.2 + 12, 20]), { fill: light ? (String(method).startsWith('PVC') || method === 'ENT' ? 'light' : 'body') : 'jacket' }); // prettier-ignore
  pen.stamp(124, RUN + 5, words, { size: 15, ink: light ? (String(method).startsWith('PVC') || method === 'ENT' ? 'onLight' : 'ink') : 'onJacket' }); // prettier-ignore
  if (f.asked(is('racewayIn')) && inches === undefined) pen.ghost('stamp', box([80, RUN - 10, 32, 20]));
  if (f.look(is('racewayIn')) === 'crossed') pen.cross('stamp', [80, RUN - 10, 32, 20]);
}

/** A statement that is seen at a place: there, bare, or nobody has looked. */
function seen(
  pen: Pen,
  f: Shown,
  key: string,
  at: Place,
  there: () => void,
  depth: 'fitting' | 'over' = 'fitting',
  rightly = false,
): void {
  const look: Look = rightly ? f.lookUnless(key, 'no') : f.look(key, 'no');
  if (look === 'solid') there();
  else pen.form(depth, look, cutBox(at, Math.min(6, at[2] / 3)), 'bar', at);
}

/** What is along it: staples, guard, couplings, fittings, bends. */
function along(pen: Pen, f: Shown): void {
  seen(pen, f, is('fastened'), [96, RUN - 24, 14, 48], () => {
    for (const x of [100, 286]) pen.stroke('fitting', `M${x - 6} ${RUN + 24}V${RUN - 21}H${x + 6}V${RUN + 24}`, 3);
  });
  seen(pen, f, is('protected'), [206, RUN + 22, 76, 14], () =>
    pen.solid('fitting', box([130, RUN + 20, 152, 12]), 'body'),
  );
  seen(pen, f, is('fittings'), [292, RUN - 20, 18, 40], () => {
    pen.solid('fitting', box([292, RUN - 19, 18, 38]), 'bar');
    screw(pen, 301, RUN - 10, 3.5);
  });
  seen(pen, f, is('flexes'), [120, RUN - 46, 50, 16], () => pen.stroke('fitting', `M120 ${RUN - 36}q8 -12 16 0t16 0t16 0`, 3), 'fitting', true); // prettier-ignore
  seen(pen, f, is('nipple'), [150, RUN - 30, 90, 60], () => pen.stroke('over', `M150 ${RUN - 30}V${RUN + 30}M240 ${RUN - 30}V${RUN + 30}`, 4), 'over', true); // prettier-ignore
  seen(pen, f, is('expansion'), [250, RUN - 22, 30, 44], () => {
    pen.solid('fitting', box([250, RUN - 20, 30, 40]), 'light');
    pen.stroke('stamp', `M258 ${RUN - 20}V${RUN + 20}`, 2);
  });
  const wet = f.value(is('wetRaceway'));
  if (wet === 'wet')
    pen.stroke('over', `M180 ${RUN - 30}q-7 12 0 14q7 -2 0 -14M206 ${RUN - 30}q-7 12 0 14q7 -2 0 -14`, 2);
  else if (wet === 'box-back') pen.solid('over', cutBox([180, RUN - 34, 30, 16], 4), 'body');
  else if (wet === undefined && f.asked(is('wetRaceway'))) pen.ghost('over', cutBox([180, RUN - 34, 30, 16], 4));
  if (f.look(is('wetRaceway')) === 'crossed') pen.cross('over', [180, RUN - 34, 30, 16]);
  for (const [key, words, x] of [
    ['sunMarked', 'SUN RES', 116],
    ['wetMarked', 'WET', 186],
    ['burialMarked', 'DIRECT BURIAL', 222],
  ] as const)
    // prettier-ignore
    seen(pen, f, is(key), [x, RUN + 40, words.length * 8 + 6, 16], () => pen.stamp(x + 2, RUN + 53, words, { size: 12.5 }));
  // Others that carry current beside it.
  const others = f.value(is('otherCarrying'));
  if (typeof others === 'number')
    for (let i = 0; i < Math.min(others, 8); i++)
      pen.stroke('wire', `M${FROM + 14} ${RUN - 22 - i * 4}H${TO - 14}`, 2, 'quiet');
  else if (f.asked(is('otherCarrying'))) pen.ghost('wire', `M${FROM + 14} ${RUN - 24}H${TO - 14}`);
  if (f.look(is('otherCarrying')) === 'crossed') pen.cross('wire', [FROM + 14, RUN - 34, 60, 16]);
}

/** The boxes at both ends with their lugs, and what keeps the conductors there. */
function ends(pen: Pen, f: Shown): void {
  for (const [key, x] of [
    ['feeder.inletTerminal', 4],
    ['feeder.houseTerminal', 324],
  ] as const) {
    const at: Place = [x, 50, 62, 84];
    pen.solid('body', cutBox(at, 8), 'steel');
    const marked = f.look(key);
    const lug: Place = [x + 8, 62, 46, 24];
    if (pen.form('recess', marked === 'solid' && f.is(key, 'unmarked') ? 'bare' : marked, box(lug), 'bar', lug))
      pen.stamp(x + 31, 80, `${f.value(key)}°C`, { size: 14, anchor: 'middle' });
  }
  seen(pen, f, 'feeder.terminalsAluminum', [334, 112, 42, 16], () => pen.stamp(355, 125, 'AL-CU', { size: 13, anchor: 'middle' })); // prettier-ignore
  seen(pen, f, 'feeder.bushings', [58, RUN - 20, 12, 40], () => {
    for (const x of [58, 320]) pen.solid('fitting', box([x, RUN - 19, 10, 38]), 'light');
  });
  const splice = f.value('feeder.splices');
  const at: Place = [208, RUN - 22, 36, 44];
  if (splice === undefined || splice === 'none') {
    if (splice === undefined && f.asked('feeder.splices')) pen.ghost('over', cutBox(at, 6));
    if (f.look('feeder.splices') === 'crossed') pen.cross('over', at);
    return;
  }
  pen.solid('over', cutBox(at, 6), splice === 'unrated' ? 'jacket' : 'light');
  if (splice === 'lugs')
    pen.draw('overLine', dot(226, RUN - 8, 5) + dot(226, RUN + 10, 5), { fill: 'bar', stroke: 'onLight', width: 1.5 });
  if (splice === 'rated') pen.stamp(226, RUN + 5, 'AL-CU', { size: 10, anchor: 'middle', depth: 'overStamp', ink: 'onLight' }); // prettier-ignore
  if (splice === 'unrated') pen.stroke('overLine', `M212 ${RUN - 6}l28 -10M212 ${RUN + 8}l28 -10M212 ${RUN + 20}l28 -10`, 1.5, 'onJacket'); // prettier-ignore
}

/** The cut end: hots, neutral and ground by size and metal, and others in the same raceway. */
function section(pen: Pen, f: Shown): void {
  const [x, y] = [92, 274];
  const raceway = f.look(is('groundBy'));
  const grounds = f.is(is('groundBy'), 'raceway');
  pen.stroke('ground', line([150, RUN + 16], [52, 226]) + line([180, RUN + 16], [140, 232]), 1, 'quiet');
  if (raceway === 'solid' && grounds) pen.draw('body', dot(x, y, 66), { fill: 'paper', stroke: 'bar', width: 10 });
  else pen.stroke('body', dot(x, y, 66), raceway === 'ghost' ? 1.25 : 2, raceway === 'ghost' ? 'quiet' : 'ink');
  if (raceway === 'crossed') pen.cross('recess', [x - 66, y - 66, 132, 132]);
  const metal = f.value(is('metal')) as 'copper' | 'aluminum' | undefined;
  const radius = (key: string) => Math.min(21, radiusOf(String(f.value(is(key)) ?? '10'), 21));
  const hot = f.look(is('sizeAwg'));
  for (const dx of [-26, 26]) cutEnd(pen, [x + dx, y - 24], 'hot', { metal, radius: radius('sizeAwg'), look: hot });
  cutEnd(pen, [x - 26, y + 26], 'neutral', { metal, radius: radius('neutralAwg'), look: f.look(is('neutralAwg')) });
  cutEnd(pen, [x + 26, y + 26], 'ground', { metal, radius: radius('groundAwg'), look: f.look(is('groundAwg')) });
  if (f.look(is('metal')) === 'crossed') pen.cross('stamp', [x - 50, y - 44, 100, 40]);
  const more = f.value(is('othersInRaceway'));
  if (typeof more === 'number') for (let i = 0; i < Math.min(more, 6); i++) pen.draw('fitting', dot(x - 20 + i * 9, y - 52 + (i % 2) * 6, 4), { fill: 'quiet' }); // prettier-ignore
  if (more === undefined && f.asked(is('othersInRaceway'))) pen.ghost('fitting', dot(x, y - 52, 5));
  if (f.look(is('othersInRaceway')) === 'crossed') pen.cross('fitting', [x - 8, y - 58, 16, 12]);
  // Stamped along each conductor.
  const sizes = [
    ['sizeAwg', 'HOTS'],
    ['neutralAwg', 'NEUTRAL'],
    ['groundAwg', 'GROUND'],
  ] as const;
  for (const [i, [key, word]] of sizes.entries()) {
    const value = f.value(is(key));
    if (value !== undefined) pen.stamp(176, 248 + i * 22, `${value} AWG`, { size: 15 });
    if (value !== undefined) pen.say(246, 248 + i * 22, word.toLowerCase(), { size: 14, ink: 'quiet' });
  }
  const insulation = f.value(is('insulation'));
  if (insulation !== undefined) pen.stamp(176, 226, insulation, { size: 15 });
  else if (f.asked(is('insulation'))) pen.ghost('stamp', box([176, 212, 70, 16]));
  if (f.look(is('insulation')) === 'crossed') pen.cross('stamp', [176, 212, 70, 16]);
  if (metal !== undefined) pen.stamp(176, 314, metal === 'copper' ? 'CU' : 'AL', { size: 15 });
  // White along its whole length or at its ends; both hots, neutral and ground through one opening.
  seen(pen, f, 'feeder.identified', [x - 40, y + 50, 28, 8], () => pen.draw('stamp', box([x - 40, y + 50, 28, 6]), { fill: 'light', stroke: 'ink', width: 1.5 })); // prettier-ignore
  const together = f.look('feeder.together', 'no');
  if (together === 'solid') pen.stroke('recess', dot(x, y, 58), 1.5, 'quiet', '2 4');
  else pen.form('fitting', together, dot(x + 78, y - 50, 10), 'body', [x + 66, y - 62, 22, 22]);
}

/** A stretch of the feeder: cable or raceway between the inlet’s box and the house’s, and its cut end. */
export const FEEDER: Thing = {
  height: 400,
  stations: ['feeder'],
  shows: [
    ...['method', 'metal', 'sizeAwg', 'neutralAwg', 'groundBy', 'groundAwg', 'insulation', 'racewayIn', 'othersInRaceway', 'fittings', 'flexes', 'wetRaceway', 'place', 'otherCarrying', 'burialUnder', 'sunMarked', 'wetMarked', 'burialMarked', 'nipple', 'expansion', 'fastened', 'protected'].map(is), // prettier-ignore
    'feeder.inletTerminal',
    'feeder.houseTerminal',
    'feeder.identified',
    'feeder.bushings',
    'feeder.together',
    'feeder.splices',
    'feeder.terminalsAluminum',
  ],
  places: {
    'feeder/cable': [70, 68, 250, 48],
    'feeder/place': [70, 6, 250, 60],
    'feeder/terminals': [322, 50, 66, 90],
    'feeder/so': [82, 116, 228, 48],
  },
  tags: {
    'feeder/length': { at: [232, 346, 150], from: [300, 106] },
    'feeder/place': { at: [232, 168, 150], from: [250, 60] },
    'feeder/cable': { at: [8, 346, 150], from: [60, 330] },
    'feeder/terminals': { at: [300, 214, 84], from: [355, 134] },
  },
  draw(pen, f) {
    around(pen, f);
    run(pen, f);
    ends(pen, f);
    along(pen, f);
    section(pen, f);
    pen.stroke('ground', `M0 ${RUN}H4M386 ${RUN}H390`, 7, 'copper');
  },
};
