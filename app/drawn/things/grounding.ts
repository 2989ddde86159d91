import { box, cutBox, dot, line, type Place } from '../list';
import { screw, wire } from '../small';
import type { Thing } from './thing';

const WAY = 74;
const EARTH = 176;
const WIDE: Readonly<Record<string, number>> = { '5/8': 10, '1/2': 8, '3/4': 13, '3/8': 5 };

/** Frame, cord, feeder and panel as one path of ground; electrodes in the earth below. */
export const GROUNDING: Thing = {
  height: 330,
  stations: ['grounding'],
  shows: ['grounding.rod', 'grounding.rodDiameterIn', 'grounding.rodListed', 'grounding.derivedElectrode', 'grounding.electrodeAwg'], // prettier-ignore
  places: { 'grounding/rod': [14, 126, 110, 130], 'grounding/electrode': [268, 126, 112, 130] },
  tags: {
    'grounding/path': { at: [116, 92, 160], from: [195, WAY] },
    'grounding/rod': { at: [8, 280, 182], from: [69, 240] },
    'grounding/electrode': { at: [200, 280, 182], from: [330, 240] },
  },
  draw(pen, f) {
    pen.solid('box', cutBox([14, 26, 110, 84], 12), 'steel');
    pen.solid('box', cutBox([268, 26, 112, 84], 12), 'steel');
    pen.say(69, 18, 'frame of the source', { size: 14, anchor: 'middle', ink: 'quiet' });
    pen.say(324, 18, 'panel', { size: 14, anchor: 'middle', ink: 'quiet' });
    wire(pen, line([60, WAY], [330, WAY]), 'ground', { width: 14 });
    screw(pen, 60, WAY, 8, 30);
    screw(pen, 330, WAY, 8, 70);
    pen.stroke('ground', `M0 ${EARTH}H390`, 2.5);
    for (let x = 8; x < 390; x += 24) pen.stroke('ground', `M${x} ${EARTH}l-8 10`, 1, 'quiet');
    // A rod at the source: none, beside its path, or the only path.
    const rod = f.look('grounding.rod', 'none');
    const wide = WIDE[String(f.value('grounding.rodDiameterIn'))] ?? 10;
    const at: Place = [69 - wide / 2, 150, wide, 100];
    if (pen.form('body', rod, box(at), 'bar', [58, 190, 22, 50])) {
      wire(pen, line([69, 152], [69, WAY + 10]), 'ground', { width: 7 });
      if (f.is('grounding.rod', 'only-path')) pen.draw('over', box([170, WAY - 12, 30, 24]), { fill: 'paper', stroke: 'ink', width: 1.5, dash: '3 3' }); // prettier-ignore
    }
    const diameter = f.value('grounding.rodDiameterIn');
    if (diameter !== undefined)
      pen.stamp(84, 236, `${String(diameter).replace('5/8', '⅝').replace('1/2', '½').replace('3/4', '¾').replace('3/8', '⅜')} in`, { size: 15 }); // prettier-ignore
    else if (f.asked('grounding.rodDiameterIn')) pen.ghost('fitting', box([84, 222, 34, 16]));
    if (f.look('grounding.rodDiameterIn') === 'crossed') pen.cross('fitting', [84, 222, 34, 16]);
    const listed: Place = [84, 200, 34, 14];
    if (f.is('grounding.rodListed', 'yes')) pen.stamp(84, 212, 'LISTED', { size: 10, face: 'text', bold: true });
    else pen.form('fitting', f.look('grounding.rodListed', 'no'), box(listed), 'light', listed);
    // Electrodes of a source that is derived by itself.
    const derived = f.value('grounding.derivedElectrode');
    const look = f.look('grounding.derivedElectrode', 'none');
    const place: Place = [316, 150, 16, 90];
    if (derived === 'house') {
      pen.stroke('wire', `M324 ${WAY + 10}V190M300 190H380M300 190V200M380 190V200`, 4);
      pen.draw('body', dot(324, 190, 6), { fill: 'bar', stroke: 'ink', width: 2 });
    } else if (derived === 'one-rod' || derived === 'two-rods') {
      for (const x of derived === 'one-rod' ? [324] : [300, 352]) pen.solid('body', box([x - 5, 150, 10, 96]), 'bar');
      wire(pen, derived === 'one-rod' ? line([324, 154], [324, WAY + 10]) : line([300, 154], [352, 154]) + line([324, 154], [324, WAY + 10]), 'ground', { width: 7 }); // prettier-ignore
    } else pen.form('body', look, box(place), 'bar', place);
    const size = f.value('grounding.electrodeAwg');
    if (size !== undefined) pen.stamp(332, 140, `${size} AWG`, { size: 13 });
    else if (f.asked('grounding.electrodeAwg')) pen.ghost('fitting', box([332, 128, 46, 14]));
    if (f.look('grounding.electrodeAwg') === 'crossed') pen.cross('fitting', [332, 128, 46, 14]);
  },
};
