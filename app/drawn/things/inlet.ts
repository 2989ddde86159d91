import type { ConfigurationName } from '@careful-latch/core/codebook';
import { box, cutBox, dot, type Pen, type Place } from '../list';
import { earthLine, face, handle, screw, sign, wire } from '../small';
import type { Shown, Thing } from './thing';

const BODY: Place = [12, 110, 210, 212];

/** What it hangs on: siding, or the face of the switch that it is built into. */
function wall(pen: Pen, f: Shown): void {
  if (f.is('inlet.builtIn', 'yes')) {
    pen.solid('ground', cutBox([2, 4, 246, 352], 14), 'steel');
    handle(pen, [176, 330, 44, 22], { look: 'solid', side: 'right' });
    return;
  }
  for (let y = 16; y < 400; y += 46) pen.stroke('ground', `M0 ${y}H390M0 ${y + 4}H390`, 1.25, 'hairline');
  if (f.look('inlet.builtIn') === 'ghost') pen.ghost('ground', cutBox([2, 4, 246, 352], 14));
  if (f.look('inlet.builtIn') === 'crossed') pen.cross('boxLine', [2, 330, 60, 26]);
}

/** The lid on its hinge: over a plugged-in cord, or only over nothing; or none. */
function lid(pen: Pen, f: Shown): void {
  const kind = f.value('inlet.box');
  const look = f.look('inlet.box', 'plain', 'dry');
  const at: Place = [12, 12, 210, 92];
  const d = 'M12 104L30 14H204L222 104Z';
  if (pen.form('box', look, d, 'steel', at)) {
    pen.stroke('boxLine', 'M26 106H66M97 106H137M168 106H208', 6);
    // A notch for the cord: it closes over what is plugged in.
    if (kind === 'rain-tight') pen.draw('boxLine', 'M96 14V30H138V14', { fill: 'paper', stroke: 'ink', width: 2 });
    else pen.stamp(117, 92, 'RAIN-TIGHT WHEN CLOSED', { size: 11, anchor: 'middle', face: 'text', bold: true });
  }
  if (kind === 'dry') pen.stamp(117, 100, 'DRY LOCATIONS', { size: 12, anchor: 'middle', face: 'text', bold: true });
  const type = f.value('inlet.enclosure');
  if (type !== undefined && type !== 'unmarked') pen.stamp(117, 60, `TYPE ${type}`, { size: 18, anchor: 'middle' });
  const enclosure = f.look('inlet.enclosure');
  if (enclosure === 'ghost' || enclosure === 'crossed') pen.ghost('boxLine', box([72, 44, 90, 22]));
  if (enclosure === 'crossed') pen.cross('boxLine', [72, 44, 90, 22]);
  const hasp: Place = [204, 84, 26, 26];
  if (pen.form('fitting', f.look('inlet.lockable', 'no'), cutBox(hasp, 6), 'bar', hasp)) {
    pen.draw('stamp', dot(215, 100, 4), { fill: 'paper', stroke: 'ink', width: 1.5 });
  }
}

/** The box with its recess: blades, or slots where it is a receptacle. */
function body(pen: Pen, f: Shown): void {
  const look = f.look('inlet.configuration');
  const solid = look === 'solid' || f.look('inlet.gender') === 'solid';
  pen.form('box', solid ? 'solid' : look === 'none' ? 'ghost' : look, cutBox(BODY, 14), 'body', BODY);
  if (solid) pen.solid('boxLine', cutBox([26, 122, 182, 168], 10), 'steel');
  for (const [x, y] of [[36, 132], [198, 144], [36, 280], [198, 280]] as const) if (solid) screw(pen, x, y, 4, x); // prettier-ignore
  const gender = f.look('inlet.gender');
  const name = f.value('inlet.configuration') as ConfigurationName | undefined;
  face(pen, [117, 204, 58], {
    look: gender !== 'solid' && gender !== 'none' && look === 'solid' ? gender : look,
    name,
    blades: f.is('inlet.gender', 'pins'),
  });
  if (gender === 'solid' && name === undefined) pen.stroke('metal', f.is('inlet.gender', 'pins') ? dot(117, 204, 20) : dot(117, 204, 44), 4, 'bar'); // prettier-ignore
  if (name) pen.stamp(117, 138, name, { size: 15, anchor: 'middle' });
  const amps = f.value('inlet.ratingA');
  if (amps !== undefined) pen.stamp(80, 284, `${amps} A`, { size: 19, anchor: 'middle' });
  else if (f.look('inlet.ratingA') !== 'none') pen.ghost('body', box([58, 268, 44, 18]));
  if (f.look('inlet.ratingA') === 'crossed') pen.cross('body', [58, 268, 44, 18]);
  const listed: Place = [126, 270, 56, 16];
  const marked = f.look('inlet.listed', 'no');
  if (marked === 'solid') pen.stamp(154, 283, 'LISTED', { size: 12, anchor: 'middle', face: 'text', bold: true });
  else pen.form('body', marked, box(listed), 'steel', listed);
  // Openings: one driven and plugged, one never driven.
  pen.draw('body', dot(56, 306, 11), { fill: 'bar', stroke: 'ink', width: 1.75 });
  pen.stroke('fitting', 'M49 306H63', 1.75);
  const own = f.lookUnless('inlet.interlockedDisconnect', 'no');
  handle(pen, [162, 294, 40, 22], { look: own, side: 'right' });
  const bond = f.look('inlet.boxBonded');
  if (f.is('inlet.boxBonded', 'yes')) {
    wire(pen, 'M117 322Q96 316 84 306', 'ground', { width: 7 });
    screw(pen, 84, 306, 6, 20);
  } else pen.form('body', bond === 'solid' ? 'bare' : bond, dot(84, 306, 7), 'steel', [76, 298, 16, 16]);
}

/** Where the feeder leaves, and whether its way through the wall is closed. */
function entry(pen: Pen, f: Shown): void {
  pen.stroke('ground', 'M117 322V380', 32);
  pen.stroke('box', 'M117 322V380', 28, 'body');
  pen.stroke('wire', 'M117 330V376', 7, 'copper');
  const sealed = f.look('inlet.entrySealed', 'no');
  const at: Place = [88, 372, 58, 22];
  if (pen.form('body', sealed, 'M88 384q0 -12 29 -12t29 12q0 12 -29 12t-29 -12Z', 'bar', at)) pen.stroke('fitting', 'M98 385q10 -7 19 0t19 0', 1.75); // prettier-ignore
  pen.stroke('ground', 'M146 386H390', 4, 'copper', '10 6');
  // A second one beside it.
  const other = f.lookUnless('inlet.another', 'no');
  const place: Place = [306, 304, 74, 74];
  if (pen.form('body', other, cutBox(place, 8), 'body', place)) face(pen, [341, 340, 28], { look: 'solid', name: 'L5-30', blades: true }); // prettier-ignore
}

const SIGNS: Readonly<Record<string, readonly string[]>> = {
  nonseparately: ['FOR CONNECTION', 'OF A', 'NONSEPARATELY', 'DERIVED', '(FLOATING NEUTRAL)', 'SYSTEM ONLY'],
  separately: ['FOR CONNECTION', 'OF A', 'SEPARATELY', 'DERIVED', '(BONDED NEUTRAL)', 'SYSTEM ONLY'],
  other: ['GENERATOR', 'INLET'],
};
function itsSign(pen: Pen, f: Shown): void {
  const kind = f.value('labels.inletSign');
  const at: Place = [240, 14, 146, 172];
  const warned = f.is('labels.inletSignWarning', 'yes');
  sign(
    pen,
    at,
    f.look('labels.inletSign', 'none'),
    warned ? 'WARNING' : undefined,
    SIGNS[String(kind)] ?? [],
    false,
    12,
  );
  const word = f.look('labels.inletSignWarning', 'no');
  if (kind !== undefined && kind !== 'none' && word !== 'solid') pen.form('overLine', word, box([250, 20, 122, 18]), 'sheet', [250, 20, 122, 18]); // prettier-ignore
}

/** The inlet on its wall: lid, recess, stamps, its sign, and how it leaves. */
export const INLET: Thing = {
  height: 420,
  stations: ['inlet'],
  shows: [
    'inlet.gender',
    'inlet.configuration',
    'inlet.ratingA',
    'inlet.another',
    'inlet.interlockedDisconnect',
    'inlet.builtIn',
    'inlet.box',
    'inlet.enclosure',
    'labels.inletSign',
    'labels.inletSignWarning',
    'inlet.listed',
    'inlet.boxBonded',
    'inlet.lockable',
    'inlet.entrySealed',
  ],
  places: {
    'inlet/face': [26, 122, 182, 138],
    'inlet/box': [8, 10, 218, 98],
    'inlet/sign': [240, 12, 146, 176],
    'inlet/so': [14, 262, 208, 134],
  },
  tags: {
    'inlet/dead': { at: [232, 196, 152], from: [146, 190] },
    'inlet/pins': { at: [232, 246, 152], from: [146, 224] },
  },
  draw(pen, f) {
    wall(pen, f);
    lid(pen, f);
    body(pen, f);
    entry(pen, f);
    itsSign(pen, f);
    earthLine(pen, 408, 390);
  },
};
