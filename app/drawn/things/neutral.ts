import { box, cutBox, dot, line, type Pen, type Place } from '../list';
import { screw, wire } from '../small';
import type { Shown, Thing } from './thing';

const [TOP, LOW] = [70, 176];

/** The strap between neutral and ground at a place: whole, with a gap, or nobody has looked. */
function strap(pen: Pen, x: number, look: 'whole' | 'gap' | 'ghost' | 'crossed'): void {
  const at: Place = [x - 7, TOP, 14, LOW - TOP];
  if (look === 'whole') pen.solid('body', box(at), 'bar');
  else if (look === 'gap') {
    pen.solid('body', box([x - 7, TOP, 14, 36]) + box([x - 7, LOW - 36, 14, 36]), 'bar');
  } else pen.ghost('body', box(at));
  if (look === 'crossed') pen.cross('fitting', at);
  if (look !== 'ghost') for (const y of [TOP + 8, LOW - 8]) screw(pen, x, y, 5, y);
}

const TIES: Readonly<Record<string, string>> = {
  source: '2 BARS, SOURCE',
  load: '2 BARS, LOAD',
  utility: 'MAIN JUMPER',
};

/** Source and house with neutral above and ground below; where the two are tied, and whether the neutral is opened. */
export const NEUTRAL: Thing = {
  height: 300,
  stations: ['neutral', 'source'],
  shows: ['source.neutralBond', 'neutral.switched', 'neutral.pole', 'neutral.otherBond', 'neutral.jumperTies', 'neutral.derivedBond'], // prettier-ignore
  places: { 'neutral/pole': [132, 30, 126, 74], 'neutral/other': [132, 112, 126, 96] },
  tags: {
    'neutral/current': { at: [8, 244, 180], from: [110, TOP] },
    'neutral/other': { at: [200, 244, 182], from: [195, 200] },
  },
  draw(pen, f) {
    for (const [x, word] of [
      [10, 'source'],
      [280, 'service'],
    ] as const) {
      pen.solid('box', cutBox([x, 30, 100, 172], 12), 'steel');
      pen.say(x + 50, 22, word, { size: 14, anchor: 'middle', ink: 'quiet' });
    }
    // The neutral, through a pole that opens it or past all poles.
    const switched = f.look('neutral.switched');
    const opens = f.is('neutral.switched', 'yes');
    wire(pen, line([40, TOP], [150, TOP]) + line([240, TOP], [340, TOP]), 'neutral', { width: 12 });
    if (switched === 'solid')
      wire(pen, opens ? line([150, TOP], [226, TOP - 30]) : line([150, TOP], [240, TOP]), 'neutral', { width: 12 });
    else pen.ghost('wire', box([150, TOP - 6, 90, 12]));
    if (switched === 'crossed') pen.cross('wireMark', [150, TOP - 20, 90, 40]);
    if (opens) pen.draw('fitting', dot(150, TOP, 7) + dot(240, TOP, 7), { fill: 'bar', stroke: 'ink', width: 2 });
    const pole = f.look('neutral.pole', 'no');
    const at: Place = [170, TOP - 34, 50, 22];
    if (pole === 'solid') pen.solid('over', cutBox(at, 5), 'light');
    else pen.form('over', pole, cutBox(at, 5), 'light', at);
    wire(pen, line([40, LOW], [340, LOW]), 'ground', { width: 12 });
    const bond = f.value('source.neutralBond');
    strap(pen, 40, bond === 'bonded' ? 'whole' : bond === 'floating' ? 'gap' : f.look('source.neutralBond') === 'crossed' ? 'crossed' : 'ghost'); // prettier-ignore
    strap(pen, 340, 'whole');
    pen.stroke('ground', 'M340 202V222M322 222H358M329 228H351M335 234H345', 2);
    others(pen, f);
  },
};

/** Bonds that are elsewhere: in a subpanel, in the transfer enclosure, at the inlet; and the source’s own where it is derived. */
function others(pen: Pen, f: Shown): void {
  const where = f.value('neutral.otherBond');
  const X: Readonly<Record<string, number>> = { inlet: 150, 'transfer-enclosure': 190, subpanel: 230 };
  const x = X[String(where)];
  const look = f.look('neutral.otherBond', 'none');
  const at: Place = [182, TOP + 14, 14, LOW - TOP - 28];
  if (x !== undefined) {
    pen.solid('body', box([x - 6, TOP, 12, LOW - TOP]), 'bar');
    screw(pen, x, LOW - 8, 4, 20);
  } else if (look !== 'none') pen.form('body', look, box(at), 'bar', at);
  const ties = f.value('neutral.jumperTies');
  if (ties !== undefined)
    pen.stamp(195, 200, TIES[String(ties)]!, { size: 12, anchor: 'middle', face: 'text', bold: true });
  else if (f.asked('neutral.jumperTies')) pen.ghost('over', box([150, 188, 90, 16]));
  if (f.look('neutral.jumperTies') === 'crossed') pen.cross('over', [150, 188, 90, 16]);
  const derived = f.value('neutral.derivedBond');
  const place: Place = [60, LOW - 40, 30, 20];
  for (const [spot, at2] of [
    ['source', [62, TOP + 36, 30, 24]],
    ['house', [296, TOP + 36, 30, 24]],
  ] as const) {
    if (derived === spot || derived === 'both') {
      pen.solid('body', cutBox(at2, 5), 'bar');
      screw(pen, at2[0] + 15, at2[1] + 12, 5, 40);
    } else if (derived === 'none') pen.bare('body', at2);
    else if (derived === undefined && f.asked('neutral.derivedBond')) pen.ghost('body', cutBox(at2, 5));
  }
  if (f.look('neutral.derivedBond') === 'crossed') pen.cross('body', [place[0], TOP + 34, 40, 30]);
}
