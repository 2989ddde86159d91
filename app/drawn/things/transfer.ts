import type { Positions } from '@careful-latch/core/interlock';
import { arc, box, cutBox, dot, line, lookOf, type Look, type Pen, type Place } from '../list';
import { duplex, face, handle, lead, screw, type Position } from '../small';
import type { Shown, Thing } from './thing';

/** Where the body hangs. */
export const BODY: Place = [8, 8, 232, 322];
const MIDDLE = 124;

const on = (closed: boolean): Position => (closed ? 'on' : 'off');
const utilityOn = (at: Positions) => at.utility === 1;
const generatorOn = (at: Positions) => at.generator === 1 || at['generator pole 2'] === 1;

/** What somebody has done to a part that keeps two sources apart. */
function alteration(pen: Pen, f: Shown, [x, y, width, height]: Place): void {
  const kind = f.value('transfer.alteration');
  if (kind === 'cut') pen.draw('overStamp', `M${x + width - 14} ${y - 2}H${x + width + 3}V${y + 18}Z`, { fill: 'paper', stroke: 'ink', width: 2 }); // prettier-ignore
  if (kind === 'bent') pen.stroke('overStamp', `M${x} ${y + height - 12}q${width / 2} 12 ${width} 0`, 3);
  if (kind === 'drilled') pen.draw('overStamp', dot(x + width / 2, y + height / 2, 6), { fill: 'paper', stroke: 'ink', width: 2 }); // prettier-ignore
  if (kind === 'parts-missing') pen.bare('overStamp', [x - 4, y + height - 16, 16, 16]);
  if (kind === 'none') screw(pen, x + width / 2, y + 9, 4, 40);
  const look = f.look('transfer.alteration');
  if (look === 'ghost' || look === 'crossed') pen.ghost('overStamp', box([x + 4, y + 4, width - 8, height - 8]));
  if (look === 'crossed') pen.cross('overStamp', [x, y, width, height]);
}

/** A plate with its screw holes, where it stands. */
function plate(pen: Pen, at: Place, look: Look): void {
  pen.form('over', look, cutBox(at, 7), 'bar', at);
  const [x, y, width, height] = at;
  if (look === 'solid') pen.draw('overLine', box([x + width / 2 - 4, y + 18, 8, height * 0.28]) + box([x + width / 2 - 4, y + height - 14 - height * 0.28, 8, height * 0.28]), { fill: 'steel', stroke: 'ink', width: 1.5 }); // prettier-ignore
}

/** What keeps the two handles apart, between them, as its parts stand. */
function between(pen: Pen, f: Shown, at: Positions): void {
  const kind = f.value('transfer.mechanism');
  const look = f.look('transfer.mechanism');
  const loose = f.is('transfer.fit', 'loose') ? 10 : 0;
  const short = f.is('transfer.fit', 'wrong-spacing') ? 26 : 0;
  switch (kind) {
    case 'sliding-plate': {
      const up = (at.plate ?? 0) * 26;
      const place: Place = [150 + (at.lift === 1 ? 26 : loose), 136 - up, 40, 96 - short];
      plate(pen, place, 'solid');
      return alteration(pen, f, place);
    }
    case 'two-part-plate': {
      const upper: Place = [146 + loose, at['utility plate'] === 1 ? 118 : 92, 26, 66];
      plate(pen, upper, 'solid');
      plate(pen, [176, at['generator plate'] === 1 ? 150 : 184 - short, 26, 66], 'solid');
      return alteration(pen, f, upper);
    }
    case 'linkage':
    case 'linked-mains':
    case 'automatic': {
      const lean = (utilityOn(at) ? -14 : 0) + (generatorOn(at) ? 14 : 0);
      pen.stroke('over', line([170, 96], [182 + lean + loose, 164], [170, 232 - short]), kind === 'linkage' ? 7 : 12, kind === 'automatic' ? 'bar' : 'ink'); // prettier-ignore
      pen.draw('overLine', dot(182 + lean + loose, 164, 8), { fill: 'steel', stroke: 'ink', width: 2 });
      if (f.is('transfer.fit', 'tie-missing')) pen.bare('overLine', [156, 224, 28, 16]);
      return alteration(pen, f, [164, 120, 36, 84]);
    }
    case 'circuit-handles':
      for (const y of [126, 156, 186])
        handle(pen, [148, y, 48, 24], { look: 'solid', side: 'right', position: 'tripped' });
      return f.asked('transfer.alteration') ? alteration(pen, f, [148, 126, 48, 84]) : undefined;
    case 'double-throw':
      handle(pen, [154, 120, 32, 100], { look: 'solid', position: 'tripped' });
      return f.asked('transfer.alteration') ? alteration(pen, f, [154, 120, 32, 100]) : undefined;
    case 'other': {
      // Home-made: a strip of something with two holes, of no maker’s shape.
      pen.solid('over', `M148 118L${196 + loose} 126L188 ${214 - short}L152 206Z`, 'light');
      pen.draw('overLine', dot(166, 132, 4) + dot(170, 196, 5), { fill: 'dark' });
      return alteration(pen, f, [152, 124, 36, 80]);
    }
    default: {
      const place: Place = [150, 126, 40, 96];
      if (look !== 'none') plate(pen, place, look === 'solid' ? 'ghost' : look);
      if (f.asked('transfer.alteration')) alteration(pen, f, place);
    }
  }
}

/** Two breakers on one bus, the utility’s above, the generator’s below. */
function interlocked(pen: Pen, f: Shown, at: Positions, frame: boolean): void {
  pen.solid('box', cutBox(BODY, 14), 'steel');
  if (f.is('transfer.mountedOn', 'cover'))
    for (const [x, y] of [[20, 20], [20, 318], [228, 318]] as const) screw(pen, x, y, 5, x); // prettier-ignore
  else if (f.is('transfer.mountedOn', 'panel')) pen.stroke('boxLine', cutBox([20, 20, 208, 298], 10), 1.5, 'quiet');
  else if (f.asked('transfer.mountedOn')) pen.ghost('boxLine', cutBox([20, 20, 208, 298], 10));
  if (f.look('transfer.mountedOn') === 'crossed') pen.cross('boxLine', [20, 20, 30, 20]);
  pen.stroke('inside', 'M206 104V232', 6, 'copper');
  pen.solid('body', cutBox([36, 44, 178, 60], 8), 'body');
  // Not held down, it can be pulled off its seat: it stands askew then, away from the bus.
  const pulled = at['generator breaker'] === 1 ? 20 : 0;
  pen.solid('body', cutBox([36 - pulled, 232 + pulled, 178, 60], 8), 'body');
  handle(pen, [108, 52, 92, 44], { look: 'solid', side: 'right', position: on(utilityOn(at)) });
  handle(pen, [108 - pulled, 240 + pulled, 92, 44], { look: 'solid', side: 'right', position: on(generatorOn(at)) });
  pen.stamp(36, 38, frame ? 'UTILITY' : 'MAIN', { size: 14, face: 'text', bold: true });
  pen.stamp(36, 310, 'GENERATOR', { size: 14, face: 'text', bold: true });
  for (const y of [60, 88, 248 + pulled, 276 + pulled]) screw(pen, y > 200 ? 52 - pulled : 52, y, 5, y);
  if (f.is('transfer.fit', 'tie-missing') && !f.is('transfer.mechanism', 'linkage', 'linked-mains', 'automatic')) pen.bare('over', [112, 284, 84, 12]); // prettier-ignore
  if (at.cover === 1)
    pen.bare('over', [150, 126, 40, 96]); // it went with the cover
  else between(pen, f, at);
}

/** One handle with two throws: a whole house’s switch, or a single circuit’s. */
function doubleThrow(pen: Pen, f: Shown, at: Positions, small: boolean): void {
  const body: Place = small ? [40, 60, 192, 200] : BODY;
  pen.solid('box', cutBox(body, 14), 'steel');
  const [, y, , height] = body;
  const top = y + 34;
  const long = height - 68;
  pen.solid('body', cutBox([MIDDLE - 34, top, 68, long], 6), 'body');
  pen.draw('recess', box([MIDDLE - 14, top + 8, 28, long - 16]), { fill: 'dark', stroke: 'ink', width: 1.5 });
  const stands = at['handle 1'] ?? (utilityOn(at) ? 1 : generatorOn(at) ? 2 : 0);
  const placeOf = (stood: number) => (stood === 1 ? top + 8 : stood === 2 ? top + long - 56 : top + long / 2 - 24);
  const place = placeOf(stands);
  // Parts of it gone, its two ends can stand at both.
  const other = at['handle 2'] ?? (utilityOn(at) && generatorOn(at) ? 2 : stands);
  if (other !== stands) pen.draw('handle', cutBox([MIDDLE - 24, placeOf(other), 48, 48], 8), { fill: 'light', stroke: 'onLight', width: 2 }); // prettier-ignore
  pen.draw('handle', cutBox([MIDDLE - 24, place, 48, 48], 8), { fill: 'light', stroke: 'onLight', width: 2 });
  if (stands !== 0) pen.draw('metal', box([MIDDLE - 10, stands === 1 ? top + 58 : top + long - 76, 20, 18]), { fill: 'copper' }); // prettier-ignore
  for (const [word, at2] of [['UTILITY', top + 16], ['OFF', top + long / 2 + 5], ['SOURCE', top + long - 8]] as const) pen.stamp(MIDDLE + 40, at2, word, { size: small ? 11 : 13, face: 'text', bold: true }); // prettier-ignore
  if (small) lead(pen, `M${MIDDLE} 260V330`, 14);
  else pen.stroke('wire', `M80 8V-4M104 8V-4M${MIDDLE + 60} 330V340`, 9, 'dark');
  if (f.is('transfer.fit', 'loose')) pen.stroke('fitting', line([MIDDLE - 40, place + 4], [MIDDLE - 52, place - 6]) + line([MIDDLE - 40, place + 40], [MIDDLE - 52, place + 50]), 2); // prettier-ignore
  if (f.is('transfer.fit', 'tie-missing', 'wrong-spacing')) pen.bare('fitting', [MIDDLE - 40, place + 10, 16, 28]);
  const mechanism = f.look('transfer.mechanism');
  if (mechanism !== 'solid' && mechanism !== 'none') pen.form('over', mechanism, box([MIDDLE - 24, place, 48, 48]), 'light', [MIDDLE - 24, place, 48, 48]); // prettier-ignore
  if (f.asked('transfer.alteration')) alteration(pen, f, [MIDDLE - 24, place, 48, 48]);
}

/** Six handles on the load side, each line, off or source. */
function loadSide(pen: Pen, f: Shown, at: Positions): void {
  pen.solid('box', cutBox(BODY, 14), 'steel');
  pen.stroke('wire', 'M34 30V308', 8, 'dark');
  pen.stroke('wire', 'M214 30V330H240', 6, 'copper');
  for (const [word, x] of [['LINE', 62], ['OFF', 124], ['SOURCE', 182]] as const) pen.stamp(x, 34, word, { size: 12, face: 'text', bold: true, anchor: 'middle' }); // prettier-ignore
  const stands = at['handle 1'] ?? (utilityOn(at) ? 1 : generatorOn(at) ? 2 : 0);
  // Untied, the second handle of the pair stands where it was turned to.
  const second = at['handle 2'] ?? (utilityOn(at) && generatorOn(at) ? 2 : stands);
  for (let row = 0; row < 6; row++) {
    const y = 46 + row * 45;
    const own = row === 4 ? second : stands;
    pen.draw('recess', box([50, y, 148, 34]), { fill: 'dark', stroke: 'ink', width: 1.5 });
    const x = own === 1 ? 50 : own === 2 ? 142 : 96;
    pen.draw('handle', cutBox([x, y, 56, 34], 6), { fill: 'light', stroke: 'onLight', width: 1.5 });
    if (own !== 0) pen.draw('metal', box([own === 1 ? 108 : 126, y + 4, 14, 26]), { fill: own === 1 ? 'bar' : 'copper' }); // prettier-ignore
    pen.stroke('wire', `M34 ${y + 17}H50M198 ${y + 17}H214`, 5, 'dark');
    pen.stamp(20, y + 23, 'ABCDEF'[row]!, { size: 15, anchor: 'middle' });
  }
  // The tie of a pair.
  const tie: Place = [(stands === 1 ? 50 : stands === 2 ? 142 : 96) + 40, 46 + 3 * 45 + 4, 10, 72];
  if (f.is('transfer.fit', 'tie-missing')) pen.bare('over', tie);
  else pen.form('over', lookOf(f.value('transfer.fit')), box(tie), 'bar', tie);
  if (f.is('transfer.fit', 'loose', 'wrong-spacing')) pen.stroke('overLine', line([tie[0] + 16, tie[1]], [tie[0] + 26, tie[1] + (f.is('transfer.fit', 'loose') ? 14 : 34)]), 2); // prettier-ignore
  const mechanism = f.look('transfer.mechanism');
  if (mechanism !== 'solid' && mechanism !== 'none') pen.form('over', mechanism, box([46, 42, 156, 42]), 'light', [46, 42, 156, 42]); // prettier-ignore
  if (f.asked('transfer.alteration')) alteration(pen, f, [96, 91, 56, 34]);
}

/** Two contactors and what commands them. */
function automatic(pen: Pen, f: Shown, at: Positions): void {
  pen.solid('box', cutBox(BODY, 14), 'steel');
  pen.solid('body', cutBox([30, 24, 120, 44], 8), 'body');
  pen.draw('recess', box([40, 32, 72, 28]), { fill: 'dark' });
  pen.draw('metal', dot(130, 40, 4), { fill: 'copper' });
  for (const [word, y, closed] of [
    ['UTILITY', 96, utilityOn(at)],
    ['SOURCE', 216, generatorOn(at)],
  ] as const) {
    pen.solid('body', cutBox([44, y, 160, 88], 8), 'body');
    pen.stamp(52, y + 82, word, { size: 13, face: 'text', bold: true });
    for (const x of [70, 124, 178]) {
      pen.draw('recess', box([x - 12, y + 10, 24, 56]), { fill: 'dark' });
      pen.draw('metal', closed ? box([x - 9, y + 32, 18, 10]) : box([x - 9, y + 16, 8, 10]) + box([x + 1, y + 50, 8, 10]), { fill: 'copper' }); // prettier-ignore
    }
  }
  between(pen, f, at);
}

/** A ring between meter and socket, with the set’s cord in it. */
function collar(pen: Pen): void {
  pen.solid('box', cutBox([60, 90, 128, 200], 14), 'steel');
  pen.draw('body', dot(MIDDLE, 150, 58), { fill: 'body', stroke: 'ink', width: 2 });
  pen.draw('recess', dot(MIDDLE, 150, 44), { fill: 'light', stroke: 'ink', width: 2 });
  pen.draw('metal', box([MIDDLE - 26, 136, 52, 18]), { stroke: 'onLight', width: 1.5 });
  lead(pen, 'M166 190Q210 220 210 330', 12);
  pen.stroke('wire', 'M100 90V0M148 90V0', 9, 'dark');
}

/** What the equipment is; nothing is drawn as something that nobody has seen. */
function bodyOf(pen: Pen, f: Shown, at: Positions): void {
  const doubles = f.is('transfer.mechanism', 'double-throw');
  switch (f.value('transfer.kind')) {
    case 'retrofit-interlock':
      return interlocked(pen, f, at, false);
    case 'transfer-panel':
      interlocked(pen, f, at, true);
      return pen.stroke('boxLine', 'M14 122H110M14 214H110M14 168H110', 2, 'hairline');
    case 'load-side-switch':
      return loadSide(pen, f, at);
    case 'single-circuit-switch':
      return doubleThrow(pen, f, at, true);
    case 'whole-house-manual':
      if (doubles || f.value('transfer.mechanism') === undefined) return doubleThrow(pen, f, at, false);
      interlocked(pen, f, at, true);
      return pen.stroke('wire', 'M80 8V-4M104 8V-4', 9, 'dark');
    case 'whole-house-automatic':
      return automatic(pen, f, at);
    case 'none-cords':
      lead(pen, 'M8 120H90Q130 120 130 160V300', 12);
      pen.solid('body', cutBox([106, 292, 48, 34], 6), 'jacket');
      duplex(pen, [108, 210, 44, 80], 'solid', false);
      return pen.bare('body', [160, 20, 76, 100]);
    case 'none-backfed':
      for (let y = 20; y < 330; y += 40) pen.stroke('ground', `M8 ${y}H240`, 1, 'hairline');
      face(pen, [MIDDLE, 130, 60], { look: 'solid', name: '14-30' });
      lead(pen, `M${MIDDLE} 196V330`, 26);
      return pen.solid('body', cutBox([MIDDLE - 30, 196, 60, 50], 8), 'jacket');
    case 'other':
      return otherBody(pen, f, at);
    default:
      pen.ghost('box', cutBox(BODY, 14));
      pen.ghost('body', cutBox([36, 44, 178, 60], 8) + cutBox([36, 232, 178, 60], 8));
      if (f.look('transfer.kind') === 'crossed') pen.cross('over', BODY);
      if (f.asked('transfer.mechanism')) between(pen, f, at);
  }
}

function otherBody(pen: Pen, f: Shown, at: Positions): void {
  switch (f.value('transfer.otherKind')) {
    case 'meter-collar':
      collar(pen);
      break;
    case 'panel-with-switching':
      pen.solid('box', cutBox(BODY, 14), 'steel');
      for (let i = 0; i < 10; i++) handle(pen, [i % 2 ? 132 : 60, 40 + Math.floor(i / 2) * 40, 56, 28], { look: 'solid', side: i % 2 ? 'left' : 'right' }); // prettier-ignore
      pen.draw('body', box([60, 252, 128, 50]), { fill: 'dark', stroke: 'ink', width: 2 });
      break;
    case 'vehicle-outlet':
      pen.solid('box', cutBox([40, 40, 120, 130], 12), 'steel');
      lead(pen, 'M100 170V250Q100 300 170 300', 14);
      pen.solid('body', 'M160 320V290L176 262H216L232 290V320Z', 'body');
      pen.draw('recess', dot(176, 322, 9) + dot(218, 322, 9), { fill: 'dark' });
      break;
    case 'no-utility':
      pen.solid('box', 'M30 160L124 90L218 160V320H30Z', 'steel');
      pen.stroke('boxLine', arc(124, 40, 30, 220, 320), 2, 'hairline');
      pen.bare('body', [160, 20, 70, 50]);
      break;
    case 'unlike':
      pen.solid('box', cutBox(BODY, 14), 'steel');
      pen.stroke('boxLine', 'M60 60L190 280M190 60L60 280', 2, 'hairline');
      break;
    default:
      pen.ghost('box', cutBox(BODY, 14));
      if (f.look('transfer.otherKind') === 'crossed') pen.cross('over', BODY);
  }
  if (f.asked('transfer.mechanism')) between(pen, f, at);
  else if (f.asked('transfer.alteration')) alteration(pen, f, [150, 126, 40, 96]);
}

/** Its own plate: what it is listed as, and its ratings. */
function label(pen: Pen, f: Shown): void {
  const at: Place = [250, 8, 134, 116];
  const rows: [string, (value: string | number) => string][] = [
    ['transfer.ratingA', (one) => `${one} A`],
    ['transfer.ratingV', (one) => `${one} V`],
    ['transfer.circuitLimitA', (one) => `${one} A EACH`],
    ['transfer.utilityA', (one) => `LINE ${one} A`],
    ['transfer.withstandKa', (one) => `${one} kA`],
  ];
  const asked = rows.filter(([key]) => f.asked(key));
  const listed = f.look('transfer.listedAsTransfer');
  if (asked.length === 0 && listed === 'none') return;
  const known = asked.some(([key]) => f.value(key) !== undefined) || listed === 'solid';
  if (known) pen.solid('box', cutBox(at, 8), 'light');
  else pen.ghost('box', cutBox(at, 8));
  if (f.is('transfer.listedAsTransfer', 'yes')) pen.stamp(258, 27, 'LISTED TRANSFER', { size: 13, face: 'text', bold: true, ink: 'onLight' }); // prettier-ignore
  else pen.form('body', f.is('transfer.listedAsTransfer', 'no') ? 'bare' : listed, box([258, 14, 112, 16]), 'light', [258, 14, 112, 16]); // prettier-ignore
  for (const [i, [key, words]] of asked.entries()) {
    const value = f.value(key);
    const place: Place = [258, 34 + i * 17, 100, 14];
    if (value !== undefined) pen.stamp(258, 46 + i * 17, words(value), { size: 14, ink: 'onLight' });
    else pen.form('body', f.look(key), box(place), 'light', place);
  }
}

/** An outlet of the house through which the source feeds it. */
function fedOutlet(pen: Pen, f: Shown): void {
  const look = f.lookUnless('transfer.backfeedsOutlet', 'no');
  const at: Place = [250, 136, 60, 60];
  if (look === 'solid') {
    face(pen, [280, 166, 28], { look: 'solid', name: '14-30' });
    lead(pen, 'M310 166H384', 12);
  } else if (look !== 'none') {
    pen.ghost('body', dot(280, 166, 28));
    if (look === 'crossed') pen.cross('over', at);
  }
}

/** Transfer equipment in its own body, never another’s until it is known; what keeps the sources apart moves as its model lets it. */
export const TRANSFER: Thing = {
  height: 340,
  stations: ['transfer'],
  shows: ['kind', 'otherKind', 'mechanism', 'mountedOn', 'fit', 'alteration', 'listedAsTransfer', 'ratingA', 'ratingV', 'circuitLimitA', 'utilityA', 'withstandKa', 'backfeedsOutlet'].map((one) => `transfer.${one}`), // prettier-ignore
  places: {
    'transfer/kind': [8, 8, 100, 322],
    'transfer/mechanism': [112, 110, 100, 116],
    'transfer/edges': [112, 234, 128, 90],
    'transfer/label': [248, 6, 138, 120],
    'transfer/outlets': [248, 132, 138, 66],
  },
  tags: { 'transfer/hand': { at: [250, 206, 134], from: [206, 166] } },
  slots: [
    [250, 258, 134],
    [250, 308, 134],
    ...[0, 1, 2, 3, 4, 5, 6, 7].map((i): readonly [number, number, number] => [8 + (i % 2) * 192, 358 + Math.floor(i / 2) * 50, 182]), // prettier-ignore
  ],
  draw(pen, f, at) {
    bodyOf(pen, f, at);
    label(pen, f);
    fedOutlet(pen, f);
    const fit = f.look('transfer.fit');
    if (fit === 'ghost' || fit === 'crossed') pen.ghost('frame', box([144, 122, 60, 8]));
    if (fit === 'crossed') pen.cross('frame', [144, 118, 60, 14]);
  },
};

/** The same equipment where its moves are tried, with what the meter reads while the source runs. */
export const FUNCTION: Thing = {
  ...TRANSFER,
  stations: ['transfer'],
  places: {},
  tags: {},
  slots: [0, 1, 2, 3, 4, 5].map((i) => [250, 136 + i * 50, 134] as const),
};
