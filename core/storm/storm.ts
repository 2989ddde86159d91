import { mixed, object, string, type InferType } from 'yup';
import { ORDER_KINDS, dayAtHouse, inForce, streetOf, type Docket } from '../record';
import { readAsSent } from '../record/as-sent';
import { instant, requireKept, uuid, oneLine } from '../record/shapes';

/** The six questions of a storm day, each with what can be said at a glance. */
export const STORM_ASKS = {
  source: { asks: 'Source', answers: { off: 'Off', running: 'Running', gone: 'None here' } },
  cord: { asks: 'Cord', answers: { out: 'Out', in: 'Plugged in', none: 'None' } },
  transfer: {
    asks: 'Transfer equipment',
    answers: {
      seen: 'Seen, on utility',
      source: 'Seen, on source',
      outlet: 'None: an outlet is fed',
      'not-seen': 'Not seen',
    },
  },
  damage: {
    asks: 'Damage',
    answers: { none: 'None seen', service: 'At the service', inside: 'At panel or inlet', 'not-seen': 'Not looked' },
  },
  water: { asks: 'Water', answers: { none: 'None', near: 'Near', in: 'In the equipment' } },
  acts: {
    asks: 'Who acts',
    answers: { owner: 'The owner', contractor: 'A contractor', utility: 'The utility', nobody: 'Nobody' },
  },
} as const;
export type StormAsk = keyof typeof STORM_ASKS;
const ASKS = Object.keys(STORM_ASKS) as StormAsk[];

export const STORM_RELEASES = {
  release: 'Release to the utility',
  isolated: 'Generator isolated',
  hold: 'Do not release',
} as const;
export type StormRelease = keyof typeof STORM_RELEASES;

const answers = object(
  Object.fromEntries(
    ASKS.map((one) => [
      one,
      string().oneOf(Object.keys(STORM_ASKS[one].answers), `${STORM_ASKS[one].asks}: there is no such answer.`),
    ]),
  ) as Record<StormAsk, ReturnType<typeof string>>,
).noUnknown();
export type StormAnswers = Readonly<Partial<Record<StormAsk, string>>>;

/** What somebody says of a house on a storm day: that he takes it, or what he saw there. */
export const stormEntrySchema = object({
  id: uuid('The id of the entry'),
  storm: uuid('The id of the storm day'),
  at: instant,
  address: oneLine('The address', 200).required('Give the address of the house.'),
  kind: mixed<'taken' | 'seen'>().oneOf(['taken', 'seen'], 'A house is taken, or seen.').required(),
  answers: answers.default(undefined).optional(),
  release: mixed<StormRelease>()
    .oneOf(Object.keys(STORM_RELEASES) as StormRelease[], 'There is no such release.')
    .optional(),
}).noUnknown();
export type StormEntry = InferType<typeof stormEntrySchema>;

/** Checks what came in as an entry. Throws a `ValidationError` whose message is a sentence. */
export function readStormEntry(data: unknown): StormEntry {
  requireKept(data);
  return readAsSent(stormEntrySchema, data);
}

/** One event, many houses; it ends with its day, and approves nothing. */
export interface Storm {
  readonly id: string;
  readonly name: string;
  readonly day: string;
}
/** An entry with the name of whoever made it. */
export type SaidInStorm = StormEntry & { readonly by: string };

/** The first question that nobody has answered yet; undefined once all are. */
export const nextAsk = (said: StormAnswers): StormAsk | undefined => ASKS.find((one) => said[one] === undefined);

/** Why a house cannot be left so, in a sentence; undefined where it can. Nothing but what was seen off and out is released. */
export function whyNotRelease(said: StormAnswers, release: StormRelease): string | undefined {
  const open = nextAsk(said);
  if (open) return `${STORM_ASKS[open].asks}: nobody has said how it is.`;
  if (release === 'hold') return undefined;
  const { source, cord, transfer, damage, water } = said;
  if (source === 'running') return 'The source is running; the house is not released, nor is it isolated.';
  if (cord === 'in') return 'The cord is plugged in; the house is not released, nor is it isolated.';
  if (release === 'isolated') return undefined;
  if (transfer === 'outlet') return 'An outlet was fed; somebody takes that apart first.';
  if (transfer === 'source') return 'The transfer equipment stands on the source; it is put back first.';
  if (transfer === 'not-seen' && source !== 'gone') return 'The transfer equipment was not seen.';
  if (damage !== 'none')
    return damage === 'not-seen' ? 'Nobody looked for damage.' : 'There is damage; it is made safe first.';
  if (water !== 'none') return 'There is water at the equipment, or near it; somebody qualified looks first.';
  return undefined;
}

/** A house as an office has it: where it is, and what the office follows up there. */
export interface KnownHouse {
  readonly address: string;
  readonly docket: Pick<Docket, 'orders'>;
}

/** Why a house is not released, whatever was seen there: an order of the office is in force. Undefined where none is known. */
export function whyOrdered(known: readonly KnownHouse[], address: string): string | undefined {
  const here = known.find((one) => houseKey(one.address) === houseKey(address) && inForce(one.docket).length > 0);
  const order = here && inForce(here.docket).at(-1)!;
  return order && `An order is in force here (${ORDER_KINDS[order.kind].toLowerCase()}: ${order.ground}) The lead lifts it before the house is released.`; // prettier-ignore
}

/** Why an entry is not taken in, in a sentence; undefined where it is. */
export function whyNotEntry(storm: Storm, entry: StormEntry, known: readonly KnownHouse[]): string | undefined {
  if (dayAtHouse(entry.at) !== storm.day)
    return `The storm day “${storm.name}” was ${storm.day}; what is seen on another day is an inspection.`;
  if (entry.kind === 'taken') return undefined;
  if (!entry.release) return 'Say whether the house is released.';
  const why = whyNotRelease((entry.answers ?? {}) as StormAnswers, entry.release);
  return why ?? (entry.release === 'release' ? whyOrdered(known, entry.address) : undefined);
}

/** One house of a storm day, from all that was said of it. */
export interface StormHouse {
  readonly address: string;
  /** Who took it or saw it, each once, the first first. */
  readonly people: readonly string[];
  readonly seen: readonly SaidInStorm[];
  /** The gravest that was said last by each: one who holds it back is enough. */
  readonly release: StormRelease | undefined;
  /** More than one person took it, or they say otherwise. */
  readonly clash: boolean;
}

const houseKey = (address: string): string => streetOf(address.replace(/[.,\s]+/g, ' ').trim());
const GRAVE: readonly StormRelease[] = ['hold', 'isolated', 'release'];

/** The houses of a storm day, street by street. */
export function stormHouses(entries: readonly SaidInStorm[]): StormHouse[] {
  const byHouse = new Map<string, SaidInStorm[]>();
  for (const one of [...entries].sort((a, b) => a.at.localeCompare(b.at))) {
    const key = houseKey(one.address);
    byHouse.set(key, [...(byHouse.get(key) ?? []), one]);
  }
  return [...byHouse.entries()]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([, all]) => {
      const people = [...new Set(all.map(({ by }) => by))];
      const seen = all.filter(({ kind }) => kind === 'seen');
      const last = people.flatMap((by) => seen.findLast((one) => one.by === by)?.release ?? []);
      return {
        address: all[0]!.address,
        people,
        seen,
        release: GRAVE.find((one) => last.includes(one)),
        clash: people.length > 1,
      };
    });
}
