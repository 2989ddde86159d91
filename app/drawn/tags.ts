import {
  NOT_SEEN,
  catalogueKey,
  factAt,
  factLabel,
  isSimulated,
  metaOf,
  valueText,
  type Case,
} from '@careful-latch/core/case';
import { factsOf, isMetered, type PartHere, type PartState } from '@careful-latch/core/walk';
import { dot, type Pen, type Place } from './list';
import type { Tag } from './things/thing';

/** As high as whatever is touched. */
const HEIGHT = 48;

export const tagPlace = ({ at: [x, y, width] }: Tag): Place => [x, y, width, HEIGHT];

/** What stands on a tag. */
interface TagWords {
  /** What was read; empty where nobody has looked. */
  readonly reading: string;
  readonly how: string;
  readonly simulated: boolean;
  readonly notSeen: boolean;
}

/**
 * What the tag of a part says: the facts of it that no eye sees, else that nobody has looked where it has no other form. A plain
 * statement that is so hangs nowhere else than at a part without a form. Undefined where there is no tag.
 */
export function tagWords(
  c: Case,
  here: PartHere,
  shows: readonly string[],
  hasNoForm: boolean,
  state: PartState,
): TagWords | undefined {
  const unseen = factsOf(c, here).filter((path) => !shows.includes(catalogueKey(path)));
  const { name } = here.part;
  const bad = state === 'violated' || state === 'hazard';
  const known = unseen.filter(
    (path) => factAt(c, path) !== undefined && (hasNoForm || bad || metaOf(path).kind !== 'yes-no'),
  );
  if (known.length === 0)
    return hasNoForm && unseen.length > 0 ? { reading: '', how: name, simulated: false, notSeen: false } : undefined;
  const read = known.filter((path) => factAt(c, path) !== NOT_SEEN);
  const telling = read.filter((path) => metaOf(path).kind !== 'yes-no');
  const said = [...new Set(telling.map((path) => valueText(path, factAt(c, path))))];
  // Plain statements: one says itself, of several how many were seen.
  const plain = read.length === 1 ? valueText(read[0]!, factAt(c, read[0]!)) : `${read.length} seen`;
  const only = known.length === 1 && metaOf(known[0]!).kind === 'yes-no' ? factLabel(known[0]!) : name;
  return {
    reading: read.length === 0 ? 'not seen' : said.length === 0 ? plain : said.slice(0, 3).join(', '),
    how: known.some(isMetered) && only.length < 14 ? `${only}, meter` : only,
    simulated: known.some((path) => isSimulated(c, path)),
    notSeen: read.length === 0,
  };
}

const fitted = (words: string, width: number, letter: number) => {
  const most = Math.floor(width / letter);
  return words.length > most ? `${words.slice(0, most - 1)}…` : words;
};

/** A tag on a string: its corner is cut at the eyelet, so that it is no plate. */
export function drawTag(pen: Pen, { at: [x, y, width], from }: Tag, words: TagWords, state: PartState): void {
  const { reading, how, simulated, notSeen } = words;
  const bad = state === 'hazard' || state === 'violated';
  const open = reading === '' || notSeen;
  const ink = bad ? 'violation' : open ? 'quiet' : state === 'open' ? 'unproven' : 'ink';
  const [ex, ey] = [x + 12, y + 14];
  if (from && !open) {
    pen.stroke(
      'frame',
      `M${ex} ${ey}Q${(ex + from[0]) / 2} ${Math.max(ey, from[1]) + 10} ${from[0]} ${from[1]}`,
      1.5,
      ink,
    );
    pen.draw('frame', dot(from[0], from[1], 3), { fill: ink });
  }
  const d = `M${x + 12} ${y}H${x + width}V${y + HEIGHT}H${x}V${y + 12}Z`;
  const outline = { stroke: ink, width: bad ? 2.5 : open ? 1.25 : 1.75, ...(simulated && { dash: '7 3' }) } as const;
  pen.draw('tag', d, open ? outline : { ...outline, fill: 'sheet' });
  pen.draw('tagLine', dot(ex, ey, 3.6), { fill: 'paper', stroke: ink, width: 1.5 });
  if (notSeen) pen.cross('tagLine', [x, y, width, HEIGHT]);
  const room = width - 30 - (bad ? 24 : 0);
  const size = reading.length * 10.8 <= room ? 18 : 14;
  if (reading !== '') pen.say(x + 24, y + 21, fitted(reading, room, size * 0.6), { depth: 'tagLine', face: 'mono', size, ink: bad ? 'violation' : 'ink' }); // prettier-ignore
  pen.say(x + 24, y + (reading === '' ? 30 : 40), fitted(simulated ? `${how}, simulated` : how, width - 28, 6.6), { depth: 'tagLine', size: 13, ink: 'quiet' }); // prettier-ignore
}
