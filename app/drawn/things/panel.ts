import { box, cutBox, dot, line, type Look, type Pen, type Place } from '../list';
import { handle, screw, wire, type Position, type Side } from '../small';
import type { Shown, Thing } from './thing';

const [WIDTH, PITCH, TOP, ROWS] = [104, 44, 128, 6];
const [LEFT, RIGHT] = [88, 202];
const BOTTOM = TOP + ROWS * PITCH;
const [BAR_LEFT, BAR_RIGHT] = [22, 353];

const slotY = (slot: number) => TOP + Math.floor((slot - 1) / 2) * PITCH;
const slotX = (slot: number) => (slot % 2 === 1 ? LEFT : RIGHT);
const sideOf = (slot: number): Side => (slot % 2 === 1 ? 'right' : 'left');

interface BreakerOf {
  readonly look?: Look;
  readonly stamp?: string | number;
  /** Slots that it takes, one below the other. */
  readonly rows?: 1 | 2;
  readonly construction?: 'common-trip' | 'tied-singles' | 'loose-singles' | 'single';
  readonly position?: Position;
}

/** A breaker in its slot: one body over two slots, two with their handles tied or loose, or one. */
function breaker(
  pen: Pen,
  slot: number,
  { look = 'solid', stamp, rows = 1, construction = 'common-trip', position = 'on' }: BreakerOf,
): void {
  // prettier-ignore
  const [x, y] = [slotX(slot), slotY(slot)];
  const side = sideOf(slot);
  const throwX = side === 'left' ? x + 8 : x + WIDTH - 62;
  const screwX = side === 'left' ? x + WIDTH - 13 : x + 13;
  const apart = rows === 2 && construction !== 'common-trip';
  const bodies: Place[] = apart ? [[x, y, WIDTH, PITCH - 4], [x, y + PITCH, WIDTH, PITCH - 4]] : [[x, y, WIDTH, rows * PITCH - 4]]; // prettier-ignore
  for (const [i, body] of bodies.entries()) {
    if (construction === 'single' && i === 1) {
      pen.bare('body', body);
      continue;
    }
    pen.form('body', look, cutBox(body, 6), 'body', body);
    const tall = body[3] > PITCH;
    handle(pen, tall ? [throwX, body[1] + 9, 54, body[3] - 18] : [throwX, body[1] + 7, 54, 26], { look, stamp, side, position, size: tall ? 21 : 17 }); // prettier-ignore
    if (look === 'solid') for (const at of tall ? [body[1] + 20, body[1] + body[3] - 20] : [body[1] + 20]) screw(pen, screwX, at, 5, 30); // prettier-ignore
  }
  if (construction === 'tied-singles' && apart && look === 'solid') pen.solid('stamp', box([side === 'left' ? throwX + 24 : throwX + 22, y + 4, 8, 2 * PITCH - 12]), 'bar', 1.5); // prettier-ignore
}

/** What stands above: the service’s conductors or a feeder’s, the main, how it is held. */
function mains(pen: Pen, f: Shown): void {
  const kind = f.look('panel.kind');
  const sub = f.is('panel.kind', 'subpanel');
  if (kind === 'solid' && sub) {
    pen.stroke('wire', 'M150 0V48', 9, 'dark');
    pen.stroke('wire', 'M172 0V48', 9, 'dark');
    wire(pen, 'M192 0V26H360V130', 'ground', { width: 9 });
  } else if (kind === 'solid') {
    pen.stroke('wire', 'M146 0V48M172 0V48', 12, 'dark');
    pen.draw('boxLine', box([128, 10, 62, 22]), { stroke: 'ink', width: 1.25, dash: '3 3' });
  } else pen.stroke('wire', 'M146 0V48M172 0V48', 1.25, 'quiet', '6 4');
  if (kind === 'crossed') pen.cross('body', [128, 4, 62, 30]);
  wire(pen, `M66 0V22H29.5V${TOP + 4}`, 'neutral', { width: 10 });
  const amps = f.value('panel.mainA');
  const how = f.value('panel.mains');
  const own = f.look('panel.mainA');
  const look = how === undefined && own !== 'solid' ? f.look('panel.mains') : 'solid';
  const body: Place = [112, 40, 158, 68];
  if (how === 'several') {
    for (let i = 0; i < 6; i++) handle(pen, [114 + (i % 3) * 54, 40 + Math.floor(i / 3) * 36, 48, 30], { look: 'solid', side: 'right', stamp: i === 0 ? amps : undefined, size: 16 }); // prettier-ignore
  } else if (how === 'two-feeds') {
    pen.solid('body', cutBox([112, 40, 74, 68], 6), 'body');
    pen.solid('body', cutBox([196, 40, 74, 68], 6), 'body');
    handle(pen, [122, 50, 54, 46], { look: 'solid', side: 'right', stamp: amps, size: 15 });
    handle(pen, [206, 50, 54, 46], { look: 'solid', side: 'right', stamp: '', size: 15 });
    pen.stroke('wire', 'M234 0V40', 9, 'dark');
  } else {
    pen.form('body', look === 'none' ? 'ghost' : look, cutBox(body, 8), 'body', body);
    handle(pen, [204, 50, 56, 48], { look: own === 'none' ? 'ghost' : own, side: 'right', stamp: amps, size: 18 });
    if (look === 'solid') for (const [x, y] of [[126, 56], [126, 92], [154, 56], [154, 92]] as const) screw(pen, x, y, 6, x + y); // prettier-ignore
    if (how === 'split-bus')
      pen.draw('metal', box([180, BOTTOM - 92, 30, 8]), { fill: 'paper', stroke: 'ink', width: 2 });
  }
  // Built in, or backfed like a branch breaker and screwed down, or loose.
  const held = f.value('panel.mainHeld');
  const strap: Place = [270, 54, 24, 40];
  if (held === 'built-in') for (const y of [48, 100]) screw(pen, 262, y, 4, 10);
  else if (held === 'held') {
    pen.solid('fitting', 'M270 48H282V64H296V84H282V100H270Z', 'bar');
    screw(pen, 288, 74, 5, -40);
  } else if (held === 'loose') pen.bare('fitting', strap);
  else if (f.asked('panel.mainHeld')) pen.ghost('fitting', box(strap));
  if (f.look('panel.mainHeld') === 'crossed') pen.cross('fitting', strap);
  const bus = f.value('panel.busA');
  const plate: Place = [296, 16, 84, 24];
  if (pen.form('fitting', f.look('panel.busA') === 'none' ? 'none' : f.look('panel.busA'), cutBox(plate, 5), 'light', plate)) pen.stamp(338, 33, `${bus} A BUS`, { size: 14, anchor: 'middle', ink: 'onLight' }); // prettier-ignore
}

/** Neutral and ground bars: together, or apart; the strap between bar and box. */
function bars(pen: Pen, f: Shown): void {
  const how = f.value('panel.neutralsAndGrounds');
  const look = f.look('panel.neutralsAndGrounds');
  const [from, to] = [TOP + 4, BOTTOM - 8];
  const left: Place = [BAR_LEFT, from, 15, to - from];
  const right: Place = [BAR_RIGHT, from, 15, to - from];
  const bar = look === 'none' ? 'ghost' : look;
  pen.form('body', bar, box(left), 'bar', left);
  if (how === 'apart' || how === undefined) pen.form('body', bar, box(right), 'bar', right);
  else pen.bare('body', right);
  if (f.is('panel.doubleTaps', 'yes')) {
    // Two under one screw.
    wire(pen, `M37 ${from + 56}L56 ${from + 48}M37 ${from + 56}L56 ${from + 66}`, 'way', { width: 5 });
    pen.stroke('over', dot(BAR_LEFT + 7.5, from + 56, 9), 2);
  } else if (f.look('panel.doubleTaps') === 'ghost' || f.look('panel.doubleTaps') === 'crossed') pen.ghost('over', dot(BAR_LEFT + 7.5, from + 56, 9)); // prettier-ignore
  if (f.look('panel.doubleTaps') === 'crossed') pen.cross('over', [BAR_LEFT - 2, from + 46, 20, 20]);
  strapOf(pen, f);
  if (bar !== 'solid') return;
  for (let i = 0; i < ROWS; i++) {
    const y = from + 14 + i * 42;
    screw(pen, BAR_LEFT + 7.5, y, 4.2, 30 + i * 23);
    wire(pen, `M37 ${y}H52V${BOTTOM + 44}`, 'neutral', { width: 6 });
    if (how === 'together') wire(pen, `M37 ${y + 12}H62V${BOTTOM + 44}`, 'ground', { width: 6 });
    else {
      screw(pen, BAR_RIGHT + 7.5, y, 4.2, 70 + i * 31);
      wire(pen, `M353 ${y}H342V${BOTTOM + 44}`, 'ground', { width: 6 });
    }
  }
}
function strapOf(pen: Pen, f: Shown): void {
  const strap: Place = [BAR_LEFT + 1, BOTTOM - 6, 13, 40];
  if (pen.form('body', f.look('panel.mainBondingJumper', 'no'), box(strap), 'bar', strap)) screw(pen, BAR_LEFT + 7.5, BOTTOM + 26, 5, 30); // prettier-ignore
  const rod = f.look('panel.electrodeConductor', 'no');
  if (rod === 'solid') wire(pen, `M10 ${BOTTOM + 44}V${BOTTOM - 30}H22`, 'ground', { width: 9 });
  else
    pen.form('body', rod, `M6 ${BOTTOM + 44}V${BOTTOM - 26}H20V${BOTTOM - 18}H14V${BOTTOM + 44}Z`, 'bar', [
      4,
      BOTTOM - 26,
      16,
      64,
    ]);
}

/** The generator’s breaker: how it is built, what is stamped on it, how it sits. */
function generator(pen: Pen, f: Shown): void {
  const look = f.look('breaker.construction');
  if (look === 'none' && !f.asked('breaker.ratingA')) return [2, 4].forEach((slot) => house(pen, f, slot));
  const amps = f.value('breaker.ratingA');
  const construction = (f.value('breaker.construction') ?? 'common-trip') as BreakerOf['construction'];
  const stood = look === 'solid' || f.look('breaker.ratingA') === 'solid' ? 'solid' : look === 'none' ? f.look('breaker.ratingA') : look; // prettier-ignore
  const across = f.look('breaker.acrossBothLegs', 'no');
  for (const [i, y] of [slotY(2) + 20, slotY(4) + 20].entries())
    wire(pen, `M294 ${y}H${322 + i * 14}V${TOP - 46 + i * 16}H390`, 'way', { width: 9, look: stood });
  breaker(pen, 2, { look: stood, rows: 2, position: 'off', ...(amps !== undefined && { stamp: amps }), ...(construction && { construction }) }); // prettier-ignore
  if (stood === 'solid' && amps === undefined) pen.ghost('stamp', box([230, slotY(2) + 30, 24, 20]));
  if (look === 'ghost' && stood === 'solid')
    pen.ghost('over', line([RIGHT, slotY(4) - 2], [RIGHT + WIDTH, slotY(4) - 2]));
  if (look === 'crossed') pen.cross('over', [RIGHT, slotY(2), WIDTH, 84]);
  // Its stabs: on both legs of the bus, or on one.
  for (const [i, y] of [slotY(2) + 20, slotY(4) + 20].entries()) {
    const bar = across === 'solid' ? 190.5 + i * 9 : 190.5;
    if (across === 'solid' || across === 'bare') pen.stroke('recess', `M${bar} ${y}H${RIGHT + 4}`, 6, 'copper');
    else if (across !== 'none') pen.ghost('recess', box([186, y - 4, 18, 8]));
  }
  if (across === 'crossed') pen.cross('fitting', [184, slotY(2) + 10, 22, 64]);
  const sound = f.look('breaker.stabsSound');
  if (f.is('breaker.stabsSound', 'no'))
    pen.draw('fitting', `M184 ${slotY(4) + 8}l8 6l-4 6l10 4l6 -10Z`, { fill: 'dark' });
  else if (sound === 'ghost' || sound === 'crossed') pen.ghost('fitting', dot(195, slotY(4) + 20, 9));
  if (sound === 'crossed') pen.cross('fitting', [186, slotY(4) + 11, 18, 18]);
  // The strap over its outer end.
  const strap: Place = [RIGHT + WIDTH - 12, slotY(2), 34, 84];
  const held = f.look('breaker.heldDown', 'no');
  const [sx, sy] = [RIGHT + WIDTH - 12, slotY(2)];
  if (pen.form('over', held, `M${sx} ${sy}h13v30h20v24h-20v30h-13Z`, 'bar', strap)) {
    pen.draw('overLine', dot(sx + 23, sy + 42, 5.5), { fill: 'steel', stroke: 'ink', width: 1.5 });
    pen.stroke('overStamp', line([sx + 20, sy + 45], [sx + 26, sy + 39]), 1.5);
  }
  const ka = f.value('breaker.interruptingKa');
  if (ka !== undefined) pen.stamp(265, slotY(2) + 48, `${ka}kA`, { size: 10 });
  else if (f.asked('breaker.interruptingKa')) pen.ghost('stamp', box([264, slotY(2) + 37, 26, 14]));
  if (f.look('breaker.interruptingKa') === 'crossed') pen.cross('stamp', [264, slotY(2) + 37, 26, 14]);
  // With electronics: its test button; whether it may be backfed, it says itself.
  const test: Place = [264, slotY(2) + 56, 26, 18];
  const electronic = f.value('breaker.electronic');
  if (electronic === 'gfci-marked' || electronic === 'gfci-unmarked') {
    pen.solid('fitting', cutBox(test, 4), 'light');
    pen.stamp(277, slotY(2) + 69, 'TEST', { size: 9.5, anchor: 'middle', face: 'text', bold: true, ink: 'onLight' });
    if (electronic === 'gfci-marked')
      pen.stamp(264, slotY(2) + 14, 'BACKFEED', { size: 8.5, face: 'text', bold: true });
  } else if (electronic === undefined && f.asked('breaker.electronic')) pen.ghost('fitting', cutBox(test, 4));
  if (f.look('breaker.electronic') === 'crossed') pen.cross('fitting', test);
  const marks: Place = [RIGHT + 2, slotY(2) - 13, 74, 12];
  const marked = f.look('breaker.lineLoadMarked');
  if (f.is('breaker.lineLoadMarked', 'yes'))
    pen.stamp(RIGHT + 2, slotY(2) - 2, 'LINE   LOAD', { size: 11, face: 'text', bold: true });
  else if (!f.is('breaker.lineLoadMarked', 'no')) pen.form('fitting', marked, box(marks), 'light', marks);
  moved(pen, f);
}

/** Circuits that had the slots before: nowhere else, on handles that fit them, or on those that do not. */
function moved(pen: Pen, f: Shown): void {
  const where = f.value('breaker.displaced');
  if (where === 'moved-matching' || where === 'moved-mismatched') {
    pen.stroke('over', `M${RIGHT + 40} ${slotY(4) + 42}V${slotY(6) - 2}M${RIGHT + 34} ${slotY(6) - 10}l6 8l6 -8`, 2);
    breaker(pen, 6, {});
    // The wire that came with it: of a size that its handle protects, or thinner.
    const thick = where === 'moved-matching';
    wire(pen, `M${RIGHT + WIDTH - 13} ${slotY(6) + 20}H331V${BOTTOM + 44}`, 'hot', { width: thick ? 12 : 4 });
    if (!thick) pen.stroke('over', `M${RIGHT + WIDTH + 2} ${slotY(6) + 10}l16 20m0 -20l-16 20`, 2);
  } else house(pen, f, 6);
  if (where === undefined && f.asked('breaker.displaced'))
    pen.ghost('over', box([RIGHT - 3, slotY(6) - 3, WIDTH + 6, PITCH + 2]));
  if (f.look('breaker.displaced') === 'crossed') pen.cross('over', [RIGHT, slotY(6), WIDTH, PITCH - 4]);
}

/** The house’s own handles: where a circuit was recorded in the slot; nobody is asked about their numbers here. */
const house = (pen: Pen, f: Shown, slot: number) =>
  breaker(pen, slot, { look: f.hasCircuitIn(slot) ? 'solid' : 'ghost' });

/** What else is seen with the cover off, or of the cover. */
function seen(pen: Pen, f: Shown): void {
  const tandem = f.value('panel.tandems');
  const [x, y] = [slotX(7), slotY(7)];
  if (tandem === 'unmarked') {
    pen.solid('body', cutBox([x, y, WIDTH, PITCH - 4], 6), 'body');
    for (const dy of [3, 21]) handle(pen, [x + WIDTH - 62, y + dy, 54, 16], { look: 'solid', side: 'right' });
  } else house(pen, f, 7);
  if (f.look('panel.tandems') === 'ghost') pen.ghost('over', line([x, y + 20], [x + WIDTH, y + 20]));
  if (f.look('panel.tandems') === 'crossed') pen.cross('over', [x, y, WIDTH, 40]);
  const hole: Place = [340, BOTTOM + 14, 30, 30];
  const closed = f.look('panel.openingsClosed');
  if (f.is('panel.openingsClosed', 'yes'))
    pen.draw('fitting', dot(355, BOTTOM + 29, 13), { fill: 'bar', stroke: 'ink', width: 2 });
  else if (f.is('panel.openingsClosed', 'no'))
    pen.draw('fitting', dot(355, BOTTOM + 29, 13), { fill: 'dark', stroke: 'ink', width: 2 });
  else pen.form('fitting', closed, dot(355, BOTTOM + 29, 13), 'bar', hole);
  // The cover, leaning beside it, with its screws: blunt, or pointed.
  const cover: Place = [70, BOTTOM + 10, 116, 40];
  if (pen.form('body', f.look('panel.coverFits', 'no'), cutBox(cover, 6), 'light', cover)) pen.draw('recess', box([84, BOTTOM + 18, 88, 24]), { fill: 'paper', stroke: 'ink', width: 1.5 }); // prettier-ignore
  const blunt = f.value('panel.screwsClear');
  if (blunt !== undefined)
    pen.solid(
      'fitting',
      `M196 ${BOTTOM + 14}h14v6h-4v${blunt === 'yes' ? '22h-6v-22' : '18l-3 10l-3 -10v-18'}h-4Z`,
      'bar',
      1.5,
    );
  else
    pen.form('fitting', f.look('panel.screwsClear'), box([196, BOTTOM + 14, 14, 30]), 'bar', [
      196,
      BOTTOM + 14,
      14,
      30,
    ]);
  const fed = f.value('labels.feedThrough');
  const lugs: Place = [226, BOTTOM + 12, 60, 32];
  if (fed === 'labeled' || fed === 'unlabeled') {
    pen.solid('fitting', box([226, BOTTOM + 12, 26, 20]) + box([260, BOTTOM + 12, 26, 20]), 'bar');
    pen.stroke('wire', `M239 ${BOTTOM + 32}V${BOTTOM + 60}M273 ${BOTTOM + 32}V${BOTTOM + 60}`, 9, 'dark');
    if (fed === 'labeled') pen.stamp(256, BOTTOM + 44, 'FEED-THROUGH', { size: 9.5, anchor: 'middle', face: 'text', bold: true }); // prettier-ignore
  } else pen.form('fitting', f.lookUnless('labels.feedThrough', 'none'), box(lugs), 'bar', lugs);
  const water = f.look('panel.neverFlooded');
  if (f.is('panel.neverFlooded', 'no'))
    pen.stroke('over', `M4 ${BOTTOM - 16}q12 -8 24 0t24 0t24 0t24 0t24 0t24 0t24 0t24 0t24 0t24 0t24 0t24 0t24 0t24 0t24 0t22 0`, 2, 'quiet'); // prettier-ignore
  else if (water === 'ghost' || water === 'crossed') pen.ghost('boxLine', `M4 ${BOTTOM + 54}H60`);
  if (water === 'crossed') pen.cross('boxLine', [4, BOTTOM + 44, 56, 14]);
  const paper: Place = [44, 34, 58, 70];
  if (pen.form('fitting', f.look('panel.directoryTrue'), cutBox(paper, 6), 'light', paper)) {
    const right = f.is('panel.directoryTrue', 'yes');
    pen.stroke(
      'stamp',
      Array.from({ length: 7 }, (_, i) => `M50 ${44 + i * 8}h${right || i % 2 ? 44 : 20}`).join(''),
      2,
      'onLight',
    );
    if (!right) pen.stroke('over', 'M56 46L92 92', 2, 'onLight');
  }
  const lamp = f.look('panel.lit');
  const at: Place = [352, 46, 26, 30];
  if (f.is('panel.lit', 'yes'))
    pen.draw('fitting', 'M358 64a10 10 0 1 1 14 0v8h-14Z', { fill: 'light', stroke: 'ink', width: 2 });
  else pen.form('fitting', f.is('panel.lit', 'no') ? 'bare' : lamp, 'M358 64a10 10 0 1 1 14 0v8h-14Z', 'light', at);
  if (f.is('panel.dedicatedSpace', 'no')) pen.draw('over', box([0, 2, 108, 12]), { fill: 'body', stroke: 'ink', width: 2 });
  else if (f.asked('panel.dedicatedSpace') && f.look('panel.dedicatedSpace') !== 'solid') pen.ghost('boxLine', box([0, 2, 108, 12])); // prettier-ignore
  if (f.look('panel.dedicatedSpace') === 'crossed') pen.cross('boxLine', [0, 2, 108, 12]);
}

/** Another source: where it lands, and what keeps it from joining this one. */
function others(pen: Pen, f: Shown): void {
  const kind = f.value('panel.otherSources');
  const at: Place = [296, 46, 50, 40];
  if (!pen.form('fitting', f.lookUnless('panel.otherSources', 'none'), cutBox(at, 5), 'light', at)) return;
  if (kind === 'photovoltaic')
    pen.stroke('stamp', 'M304 54H338V78H304ZM315 54V78M327 54V78M304 66H338', 1.5, 'onLight');
  if (kind === 'battery')
    pen.stroke('stamp', 'M304 58H334V76H304ZM334 63H338V71H334M310 67H318M314 63V71M324 67H330', 1.5, 'onLight');
  if (kind === 'vehicle') pen.stroke('stamp', 'M304 74V66L312 58H326L334 66V74ZM310 78h6M324 78h6', 1.5, 'onLight');
  if (kind === 'generator')
    pen.stroke('stamp', 'M304 56H338V74H304ZM310 78h6M326 78h6M310 62h10M310 68h10', 1.5, 'onLight');
  const lands = f.value('panel.otherLands');
  const way: Readonly<Record<string, string>> = { ahead: 'M320 46V6H180', 'unfed-bus': `M320 86V96H390V${BOTTOM + 20}`, 'fed-bus': `M320 86V112H210V${TOP}` }; // prettier-ignore
  pen.stroke('over', way[String(lands)] ?? 'M320 86V100', lands === undefined ? 1.25 : 4, lands === undefined ? 'quiet' : 'ink'); // prettier-ignore
  if (f.look('panel.otherLands') === 'crossed') pen.cross('over', [304, 84, 30, 20]);
  const held = f.value('panel.otherHeld');
  const plate: Place = [300, 90, 40, 14];
  if (held === 'interlocked') pen.solid('overLine', cutBox(plate, 4), 'bar');
  else if (held === 'listed')
    pen.stamp(322, 101, 'LISTED', { size: 10, anchor: 'middle', face: 'text', bold: true, depth: 'overStamp' }); // prettier-ignore
  else if (held === 'neither') pen.bare('overLine', plate);
  else pen.form('overLine', f.look('panel.otherHeld'), box(plate), 'bar', plate);
}

const SHOWS = [
  ...['kind', 'mains', 'mainA', 'busA', 'mainHeld', 'neutralsAndGrounds', 'mainBondingJumper', 'otherSources', 'otherLands', 'otherHeld', 'directoryTrue', 'openingsClosed', 'coverFits', 'screwsClear', 'doubleTaps', 'tandems', 'electrodeConductor', 'dedicatedSpace', 'lit', 'neverFlooded'].map((one) => `panel.${one}`), // prettier-ignore
  'labels.feedThrough',
  ...['ratingA', 'construction', 'interruptingKa', 'electronic', 'acrossBothLegs', 'heldDown', 'lineLoadMarked', 'stabsSound', 'displaced'].map((one) => `breaker.${one}`), // prettier-ignore
];

/** The panel with its cover off: one drawing for whoever looks at the panel or at the generator’s breaker in it. */
export const PANEL: Thing = {
  height: BOTTOM + 62,
  stations: ['panel', 'breaker'],
  shows: SHOWS,
  places: {
    'panel/bus': [108, 4, 166, 112],
    'panel/bars': [8, TOP - 4, 54, BOTTOM - TOP + 40],
    'panel/sources': [294, 44, 54, 62],
    'panel/directory': [42, 30, 62, 78],
    'panel/so': [66, BOTTOM + 2, 316, 50],
    'breaker/face': [RIGHT, TOP - 2, WIDTH - 16, 2 * PITCH],
    'breaker/fastener': [RIGHT + WIDTH - 14, TOP - 2, 48, 2 * PITCH],
    'breaker/legs': [150, TOP - 6, 50, 48],
    'breaker/stabs': [150, TOP + 43, 50, 48],
    'breaker/marks': [RIGHT, TOP - 51, 104, 48],
    'breaker/moved': [RIGHT, TOP + 2 * PITCH, WIDTH, 48],
  },
  tags: {
    'panel/space': { at: [66, BOTTOM - 52, 190] },
    'panel/bus': { at: [262, BOTTOM - 52, 122], from: [195, BOTTOM - 60] },
    'panel/bars': { at: [66, BOTTOM - 100, 122], from: [37, BOTTOM - 100] },
    'panel/so': { at: [206, BOTTOM - 100, 178] },
    'breaker/fault': { at: [206, BOTTOM - 52, 178], from: [306, TOP + 66] },
  },
  draw(pen, f) {
    pen.solid('box', cutBox([2, 2, 386, BOTTOM + 56], 14), 'steel');
    pen.stroke('inside', `M190.5 104V${BOTTOM - 6}M199.5 104V${BOTTOM - 6}`, 5, 'copper');
    mains(pen, f);
    bars(pen, f);
    for (const slot of [1, 3, 5, 8]) house(pen, f, slot);
    generator(pen, f);
    seen(pen, f);
    others(pen, f);
    for (let slot = 1; slot <= 8; slot++)
      if (slot !== 2 && slot !== 4) pen.stamp(slot % 2 ? LEFT - 4 : RIGHT + WIDTH + 4, slotY(slot) + 12, slot, { size: 14, anchor: slot % 2 ? 'end' : 'start' }); // prettier-ignore
  },
};
