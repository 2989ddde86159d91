import { box, cutBox, type Pen, type Place } from '../list';
import { handle, screw, sign } from '../small';
import type { Shown, Thing } from './thing';

/** A sign this house needs: hanging in its words, worn where none of them lasts, or the bare place of it. */
function hang(
  pen: Pen,
  f: Shown,
  key: string,
  at: Place,
  head: string | undefined,
  lines: readonly string[],
  size = 12.5,
): void {
  sign(pen, at, f.look(key, 'no'), head, lines, f.is('labels.durable', 'no'), size);
}

/** The signs as they hang: on the door’s inside, on the cover, beside handles. */
export const LABELS: Thing = {
  height: 420,
  stations: ['labels'],
  shows: [
    'labels.generatorBreaker',
    'labels.positions',
    'labels.steps',
    'labels.maxLoad',
    'labels.durable',
    'labels.twoSources',
    'labels.neutralShock',
    'labels.standingSign',
  ],
  places: { 'labels/so': [6, 6, 378, 406] },
  tags: {},
  draw(pen, f) {
    // The door, open: its inside.
    pen.solid('box', 'M4 26L150 12V404L4 412Z', 'steel');
    pen.stroke('boxLine', 'M150 12V404', 6);
    hang(pen, f, 'labels.steps', [14, 44, 128, 152], undefined, ['TO SOURCE', '1  MAIN OFF', '2  MOVE PLATE', '3  GEN ON', 'TO UTILITY', '1  GEN OFF', '2  PLATE BACK', '3  MAIN ON']); // prettier-ignore
    hang(pen, f, 'labels.maxLoad', [10, 208, 136, 66], 'LARGEST LOAD', ['NO MORE THAN', 'THE SOURCE GIVES'], 11.5);
    hang(pen, f, 'labels.standingSign', [14, 286, 128, 96], 'CAUTION', [
      'STANDBY SOURCE',
      'ON SITE:',
      'KIND AND PLACE',
    ]);
    // The cover, and what hangs on it.
    pen.solid('box', cutBox([160, 8, 224, 404], 12), 'steel');
    for (const [x, y] of [[170, 20], [170, 400], [374, 400]] as const) screw(pen, x, y, 4, x); // prettier-ignore
    hang(pen, f, 'labels.twoSources', [176, 30, 192, 62], 'CAUTION', ['TWO SOURCES FEED THIS', 'PANEL'], 12);
    pen.draw('body', box([190, 106, 162, 170]), { fill: 'body', stroke: 'ink', width: 1.5 });
    for (let row = 0; row < 5; row++)
      for (const left of [true, false]) {
        if (!left && row < 2) continue;
        handle(pen, [left ? 202 : 280, 114 + row * 31, 56, 25], { look: 'solid', side: left ? 'right' : 'left', position: row === 3 ? 'off' : 'on' }); // prettier-ignore
      }
    handle(pen, [280, 114, 56, 56], { look: 'solid', side: 'left', position: 'off' });
    pen.stroke('ground', 'M352 142H390', 7, 'copper');
    hang(pen, f, 'labels.generatorBreaker', [340, 96, 46, 26], undefined, ['GEN'], 12);
    hang(pen, f, 'labels.positions', [340, 146, 44, 46], undefined, ['ON', 'OFF'], 12);
    hang(pen, f, 'labels.neutralShock', [176, 290, 192, 100], 'WARNING', ['SHOCK: IF THE GROUNDING', 'CONDUCTOR IS OPENED WHILE', 'THE SOURCE IS CONNECTED'], 11); // prettier-ignore
    const lasts = f.look('labels.durable');
    if (lasts === 'ghost' || lasts === 'crossed') pen.ghost('frame', box([172, 26, 200, 70]));
    if (lasts === 'crossed') pen.cross('frame', [172, 26, 200, 70]);
  },
};
