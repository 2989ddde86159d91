import { create } from 'zustand';
import {
  addressed,
  applyChange,
  readChange,
  shownText,
  overtakenBy,
  undoOf,
  type Change,
  type ChangeBody,
  type Decision,
  type Header,
  type Inspection,
  type Person,
  type Rules,
} from '@careful-latch/core/record';
import type { Evaluation } from '@careful-latch/core/verdict';
import { Device, carriedOver, type SetAside, type Waiting } from './device';
import { drawn } from './drawn';
import { OtherEpoch, Refused, Unreachable, askAs, epochHeard, hear, office, type ChangeResult } from './office';
import { sha256 } from './sha256';
import { closePhotos, openPhotos, sendPhotos, usePhotos } from './photos';

/** Where what was entered is: on this device, and at the office or not. */
type Reach = 'reached' | 'unreachable' | 'signed-out' | 'switched-off';

interface Undo {
  readonly inspection: string;
  readonly body: ChangeBody;
}

interface InspectionsState {
  readonly ready: boolean;
  /** Whether the office has been asked once since the store was opened, with whatever result. */
  readonly asked: boolean;
  readonly byId: Readonly<Record<string, Inspection>>;
  readonly waiting: number;
  readonly reach: Reach;
  /** Whether the clock of this device is wrong, so that the office has dated by its own what was sent last. */
  readonly clockOff: boolean;
  /** Changes that the office cannot take, by their keys on the device; shown and kept until they are read. */
  readonly aside: ReadonlyMap<number, SetAside>;
  /** Set when the device itself cannot store; nothing may then pretend to be saved. */
  readonly deviceTrouble: string | undefined;
  readonly undos: readonly Undo[];
  /** Why the last Undo took nothing back; until the next entry. */
  readonly notUndone: string | undefined;
}

/** What is shown while no store is open. */
const CLOSED: InspectionsState = {
  ready: false,
  asked: false,
  byId: {},
  waiting: 0,
  reach: 'reached',
  clockOff: false,
  aside: new Map(),
  deviceTrouble: undefined,
  undos: [],
  notUndone: undefined,
};

export const useInspections = create<InspectionsState>(() => CLOSED);
const { setState: set, getState: get } = useInspections;

/** Changes sent at once; the office takes 200. */
const PORTION = 100;
const MOST_UNDOS = 100;
const LONGEST_PAUSE_MS = 15_000;
/** How often the office is asked what others have changed. */
const ASK_EVERY_MS = 60_000;
/** From an entry until it is sent: the frame with its answer goes first, and quick taps go together. */
const SEND_AFTER_MS = 100;

let device: Device | undefined;
/** Who enters here: the account, and what they may do. */
let owner = '';
let person: Person = { name: '', role: 'reader' };
/** What the office has adopted last: what is opened here is judged under it. */
let rules: Rules | undefined;
let queue: Waiting[] = [];
/** How far the office had counted when it was asked last. */
let cursor = 0;
/** Which copy of itself the office was when it was asked last, as the device keeps it. */
let epochKept: string | undefined;
/** Whether all of the office is asked for again: what it does not answer then, it lacks. */
let asksAll = false;
/** Inspections of which the office has something else than this device: fetched one by one. */
const owed = new Set<string>();
/** Whether the office is to be asked what others have changed; an entry of one's own asks nothing. */
let asksOthers = true;
/** How often each inspection was changed here: an answer of the office that was asked for before the last change is older than it. */
const edits = new Map<string, number>();
/** Inspections that are on the screen, and those of them that the device has let go meanwhile, with how often they had been changed. */
const onScreen = new Set<string>();
const letGo = new Map<string, number | undefined>();
/** Writes to the device, one after the other, in the order of the taps. */
let writing: Promise<unknown> = Promise.resolve();
let sending: Promise<void> | undefined;
let pauseMs = 1000;
let timer: ReturnType<typeof setTimeout> | undefined;
let sendTimer: ReturnType<typeof setTimeout> | undefined;

/** What can be taken back outlives a reload of the page: kept with its tab, for the account that entered it. */
const UNDOS = 'careful-latch-undos';
if (typeof document !== 'undefined')
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'hidden' && owner !== '')
      sessionStorage.setItem(UNDOS, JSON.stringify({ account: owner, undos: get().undos }));
  });
function keptUndos(account: string): readonly Undo[] {
  try {
    const kept = JSON.parse(sessionStorage.getItem(UNDOS) ?? '') as { account: string; undos: readonly Undo[] };
    return kept.account === account ? kept.undos : [];
  } catch {
    return [];
  }
}

/** Opens the store of an account: first what the device has, then what the office has; all of it anew, where somebody sees more by now. */
export async function openStore(account: string, who: Person, anew = false): Promise<void> {
  const back = keptUndos(account);
  closeStore();
  owner = account;
  person = who;
  askAs(account);
  device = await Device.open(account);
  const kept = await device.everything();
  hear(kept.epoch);
  epochKept = kept.epoch;
  openPhotos(
    device,
    ({ inspection, sha256 }) => get().byId[inspection]?.evidence.some(({ photo }) => photo?.sha256 === sha256) ?? false,
  );
  queue = kept.queue;
  cursor = anew ? 0 : kept.cursor;
  // What was entered here and not taken may stand otherwise at the office.
  for (const { change } of [...kept.queue, ...kept.aside.values()]) owed.add(change.inspection);
  set({
    ready: true,
    byId: Object.fromEntries(kept.inspections.map((one) => [one.id, one])),
    waiting: queue.length,
    aside: kept.aside,
    undos: back,
  });
  void device.dropOld(Date.now()).catch(() => undefined); // the store may be closed meanwhile
  void catchUp();
}

/** Says what the office has adopted last. */
export function judgeUnder(adopted: Rules | null | undefined): void {
  rules = adopted ?? undefined;
}

export function closeStore(): void {
  clearTimeout(timer);
  clearTimeout(sendTimer);
  device?.close();
  device = undefined;
  closePhotos();
  askAs(undefined);
  hear(undefined);
  queue = [];
  cursor = 0;
  owed.clear();
  letGo.clear();
  asksOthers = true;
  asksAll = false;
  writing = Promise.resolve();
  sessionStorage.removeItem(UNDOS);
  set(CLOSED);
}

/** Whether everything that was entered here is at the office: then nothing of it has to stay. */
const allSent = (): boolean =>
  queue.length === 0 &&
  get().aside.size === 0 &&
  usePhotos.getState().waiting === 0 &&
  Object.values(get().byId).every(({ revision }) => revision > 0);

/** Closes the store for good: what the office has is taken off the device, what it has not stays until its owner comes back. */
export async function leaveStore(): Promise<void> {
  await writing;
  const sent = device !== undefined && allSent();
  closeStore();
  if (sent) await Device.remove(owner, Date.now());
}

function sendSoon(): void {
  clearTimeout(sendTimer);
  sendTimer = setTimeout(() => void send(), SEND_AFTER_MS);
}

/** Makes a change, here and on the device. `undos` gives what can be taken back from then on: all in one set, for each asks whatever is on the screen. */
function commit(body: ChangeBody, undos: (change: Change, before: Inspection | undefined) => readonly Undo[]): void {
  const before = get().byId[body.inspection];
  const entered = { ...body, id: crypto.randomUUID(), at: new Date().toISOString() } as Change;
  // What is typed is read as the office reads it, so that both have the very same; a tap on a plate has nothing to be read.
  const made = entered.type === 'facts' ? entered : readChange(entered);
  const change = before ? addressed(before, made) : made;
  const applied = applyChange(before, change, person, rules);
  if (!applied.ok) throw new Error(applied.why);
  edits.set(change.inspection, (edits.get(change.inspection) ?? 0) + 1);
  set((state) => ({
    byId: { ...state.byId, [change.inspection]: applied.inspection },
    waiting: state.waiting + 1,
    undos: undos(change, before),
    notUndone: undefined,
  }));
  const target = device;
  const shownFirst = drawn();
  writing = writing
    .then(async () => {
      if (!target) throw new Error('no store is open');
      await shownFirst;
      const key = await target.keep(applied.inspection, change);
      queue.push({ key, change });
    })
    .then(
      () => sendSoon(),
      () =>
        set({
          deviceTrouble:
            'This phone cannot store what you enter (its storage may be full or blocked). Do not close this page; free some storage, then enter one more fact.',
        }),
    );
}

/** Records a change at once, in memory and on the device; the office follows by itself. Throws an Error with a sentence if it cannot be. */
export function record(body: ChangeBody): void {
  commit(body, (change, before) => {
    const { undos } = get();
    const back = before && undoOf(before, change);
    return back ? [...undos, { inspection: change.inspection, body: back }].slice(-MOST_UNDOS) : undos;
  });
}

/** Takes the last change of an inspection back. */
export function undo(inspection: string): void {
  const last = get().undos.findLast((one) => one.inspection === inspection);
  if (!last) return;
  const rest = () => get().undos.filter((one) => one !== last);
  const here = get().byId[inspection];
  const other = here && overtakenBy(here, last.body, person.name);
  if (other !== undefined)
    return set({
      undos: rest(),
      notUndone: `${other} has changed it since; it stays. Change it by itself, if it is wrong.`,
    });
  try {
    commit(last.body, rest);
  } catch {
    set({ undos: rest() }); // its cord, stretch or circuit was taken out elsewhere: nothing is left to take back
  }
}

export function openInspection(header: Header): string {
  const inspection = crypto.randomUUID();
  commit({ type: 'open', inspection, header, ...(rules && { rules: rules.version }) }, () => get().undos);
  return inspection;
}

const CONTACT = 'careful-latch-contact';
/** Why nobody can sign here now: without signal, the office must have been reached within its own hours. Undefined where somebody can. */
export function whyNotSignHere(offlineHours: number): string | undefined {
  const hours = (Date.now() - Number(localStorage.getItem(CONTACT) ?? 0)) / 3600_000;
  return get().reach === 'unreachable' && hours > offlineHours
    ? `The office was not reached for more than ${offlineHours} hours; a decision signed now would not be sealed. Record what you see, and sign once it can be reached.`
    : undefined;
}

/** Signs a decision on what is shown: it is taken only where the inspection is still the very one that was shown. Throws an Error with a sentence otherwise. */
export async function decide(seen: Inspection, evaluation: Evaluation, decision: Decision): Promise<void> {
  const shown = await sha256(new TextEncoder().encode(shownText(seen, evaluation)));
  if (get().byId[seen.id] !== seen)
    throw new Error('It has changed while you signed. Look at it as it is now, and sign again.');
  record({ type: 'decide', inspection: seen.id, base: seen.revision, shown, decision });
}

/** Takes away what was set aside, here and on the device: somebody has read why. */
export function readAside(): void {
  const keys = [...get().aside.keys()];
  set({ aside: new Map() });
  void device?.read(keys);
}

/** The session has ended, or is somebody else’s by now. */
const NOT_ITS_SESSION = [401, 409];

/** Why the office does not know this session any more: it ended, or its owner was switched off. */
const whyNotIn = () =>
  office.session().then(
    ({ switchedOff }): Reach => (switchedOff ? 'switched-off' : 'signed-out'),
    (): Reach => 'signed-out',
  );

/** What the office answers to a portion as a whole when something in it cannot even be read. */
const UNREADABLE = [400, 413, 422];

/**
 * What an answer to a change says of the device's copy: it stands for that revision where nothing came between, else the
 * office has something of somebody else, and the inspection is fetched.
 */
function settled(change: Change, result: ChangeResult | undefined): void {
  const { inspection: id } = change;
  const here = get().byId[id];
  const dated = result?.status === 'taken' ? result.dated : undefined;
  if (result?.status === 'taken') set({ clockOff: dated === 'clock' });
  if (!here || result?.status !== 'taken' || dated !== undefined || result.revision !== here.revision + 1) {
    owed.add(id);
    return;
  }
  const { revision, seal } = result;
  const decisions = here.decisions.map((one) => (one.id === change.id && seal !== undefined ? { ...one, seal } : one));
  set((state) => ({ byId: { ...state.byId, [id]: { ...here, revision, decisions } } }));
}

/** What the office answers to each of some changes; where it cannot read the portion, to each half, until the one is found. */
async function answersTo(changes: readonly Change[], again = false): Promise<readonly ChangeResult[]> {
  try {
    return await office.take(changes, again);
  } catch (error) {
    if (!(error instanceof Refused) || !UNREADABLE.includes(error.status)) throw error;
    if (changes.length === 1) return [{ id: null, status: 'refused', detail: error.message }];
    const half = Math.ceil(changes.length / 2);
    return [...(await answersTo(changes.slice(0, half), again)), ...(await answersTo(changes.slice(half), again))];
  }
}

/** What of some changes the office does not take, each with its sentence. */
const refusedOf = (portion: readonly Waiting[], results: readonly ChangeResult[]) =>
  portion.flatMap(({ key, change }, i) => {
    const result = results[i];
    return result && 'detail' in result ? [{ key, change, why: result.detail }] : [];
  });

/** Says what was set aside, by the keys that it has on the device. */
const sayAside = (keys: readonly number[], refused: readonly SetAside[]) =>
  set(({ aside }) => ({ aside: new Map([...aside, ...refused.map((one, i) => [keys[i]!, one] as const)]) }));

/** Sends the first changes that wait, and settles each by its own answer. */
async function sendPortion(target: Device): Promise<void> {
  const portion = queue.slice(0, PORTION);
  const results = await answersTo(portion.map((one) => one.change));
  const all = refusedOf(portion, results);
  const refused = all.map(({ change, why }) => ({ change, why }));
  for (const [i, { change }] of portion.entries()) settled(change, results[i]);
  const keys = await target.settle(
    portion.map((one) => one.key),
    refused,
    portion.flatMap(({ key, change }) => (all.some((one) => one.key === key) ? [] : [change])),
    Date.now(),
  );
  queue = queue.slice(portion.length);
  set((state) => ({ waiting: Math.max(0, state.waiting - portion.length) }));
  sayAside(keys, refused);
  await keepAsShown(target, new Set(portion.map(({ change }) => change.inspection)));
}

/** Keeps copies on the device as they are shown, after all that was entered before. */
async function keepAsShown(target: Device, ids: ReadonlySet<string>): Promise<void> {
  await writing;
  await target.mirror([...ids].flatMap((id) => get().byId[id] ?? []));
}

/**
 * Puts what the office has in place of this device's copies, and lets go of those that rest. One with changes still waiting here stays as it is until they are
 * sent, and so does one that was changed while the office answered: they are fetched after that.
 */
async function put(
  target: Device,
  theirs: readonly Inspection[],
  asked: ReadonlyMap<string, number>,
  upTo?: number,
  resting: readonly string[] = [],
) {
  await writing;
  const isOwn = ({ id }: { id: string }) =>
    edits.get(id) !== asked.get(id) || queue.some((one) => one.change.inspection === id);
  for (const one of theirs)
    if (isOwn(one)) owed.add(one.id);
    else owed.delete(one.id);
  const taken = theirs.filter((one) => !isOwn(one)).map(carriedOver);
  const gone = resting.filter((id) => !isOwn({ id }));
  // What is still owed would be passed over for good, if the page were closed now.
  await target.mirror(taken, owed.size === 0 ? upTo : undefined, gone);
  if (device !== target) return;
  for (const { id } of taken) letGo.delete(id);
  for (const id of gone) if (onScreen.has(id)) letGo.set(id, edits.get(id));
  set((state) => ({
    byId: {
      ...without(
        state.byId,
        gone.filter((id) => !letGo.has(id)),
      ),
      ...Object.fromEntries(taken.filter((one) => !isOwn(one)).map((one) => [one.id, one])),
    },
  }));
}

const without = (byId: InspectionsState['byId'], gone: readonly string[]) =>
  Object.fromEntries(Object.entries(byId).filter(([id]) => !gone.includes(id)));

/** Says that an inspection is on the screen, until what this returns is called: so long it is not taken from under a thumb. */
export function shown(id: string): () => void {
  onScreen.add(id);
  return () => {
    onScreen.delete(id);
    const asItWas = letGo.has(id) && letGo.get(id) === edits.get(id);
    letGo.delete(id);
    if (asItWas) set(({ byId }) => ({ byId: without(byId, [id]) }));
  };
}

/** Fetches the inspections of which the office has something else. */
async function fetchOwed(target: Device): Promise<void> {
  for (const id of [...owed]) {
    if (queue.some((one) => one.change.inspection === id)) continue;
    const asked = new Map(edits);
    try {
      await put(target, [await office.inspection(id)], asked);
    } catch (error) {
      if (!(error instanceof Refused) || error.status !== 404) throw error;
      owed.delete(id);
      await keptHereAlone(target, [id]);
    }
  }
}

/** The office has none such, as after an older backup: what was entered stays on this device, and is said to be here alone. */
async function keptHereAlone(target: Device, ids: readonly string[]): Promise<void> {
  set(({ byId }) => ({
    byId: {
      ...byId,
      ...Object.fromEntries(ids.flatMap((id) => (byId[id] ? [[id, { ...byId[id], revision: 0 }]] : []))),
    },
  }));
  await keepAsShown(target, new Set(ids));
}

/** Fetches what others have changed since the office was asked last; what it does not answer stays as it is. */
async function fetchChanged(target: Device): Promise<void> {
  const all = asksAll ? new Set<string>() : undefined;
  for (let more = true; more && device === target;) {
    const asked = new Map(edits);
    const answer = await office.changedSince(cursor);
    if (answer.restored) throw new OtherEpoch(epochHeard() ?? ''); // an older copy, whatever it calls itself
    for (const { id } of answer.inspections) all?.add(id);
    await put(target, answer.inspections, asked, answer.cursor, answer.gone);
    cursor = answer.cursor;
    more = answer.more;
  }
  asksAll = false;
  const lost =
    all && Object.keys(get().byId).filter((id) => !all.has(id) && !queue.some((one) => one.change.inspection === id));
  // What rests is not answered either: each is asked for by itself before it is said to be here alone.
  if (!lost) return;
  for (const id of lost) owed.add(id);
  await fetchOwed(target);
}

/**
 * The office is another copy of itself: before anything is fetched from it, what it was told before is sent again, in its order and
 * under the same numbers, so that nothing is taken twice. Then all of it is asked for anew. What breaks off here begins anew.
 */
async function broughtBack(target: Device, epoch: string): Promise<void> {
  const before = epochKept;
  const sent = await target.sent(Date.now());
  hear(epoch);
  set((state) => ({ waiting: state.waiting + sent.length })); // none of it is saved at the office
  let left = sent.length;
  try {
    for (let from = 0; from < sent.length; from += PORTION) {
      const portion = sent.slice(from, from + PORTION);
      const all = refusedOf(portion, await answersTo(portion.map(({ change }) => change), true)); // prettier-ignore
      const refused = all.map(({ change, why }) => ({ change, why }));
      sayAside(
        await target.setAside(
          all.map(({ key }) => key),
          refused,
        ),
        refused,
      );
      left -= portion.length;
      set((state) => ({ waiting: Math.max(0, state.waiting - portion.length) }));
    }
    await target.keepEpoch(epoch, true);
    epochKept = epoch;
    cursor = 0;
    asksOthers = true;
    asksAll = true;
  } catch (error) {
    hear(before);
    set((state) => ({ waiting: Math.max(0, state.waiting - left) }));
    throw error;
  }
}

/** Sends what waits and fetches what the office has otherwise; where it was brought back from a backup meanwhile, what it lacks first. */
async function inStep(target: Device): Promise<void> {
  try {
    while (device === target && queue.length > 0) await sendPortion(target);
    await fetchOwed(target);
    while (asksOthers) {
      asksOthers = false;
      await fetchChanged(target);
    }
  } catch (error) {
    if (!(error instanceof OtherEpoch) || device !== target) throw error;
    await broughtBack(target, error.epoch);
    return inStep(target);
  }
  const heard = epochHeard();
  if (heard === undefined || heard === epochKept || device !== target) return;
  await target.keepEpoch(heard, false);
  epochKept = heard;
}

/** Sends what waits, then fetches what the office has otherwise; tries again by itself, ever more slowly, while the office cannot be reached. */
function send(): Promise<void> {
  sending ??= (async () => {
    const target = device;
    if (!target) return;
    clearTimeout(timer);
    try {
      await inStep(target);
      pauseMs = 1000;
      localStorage.setItem(CONTACT, String(Date.now()));
      set({ reach: 'reached', asked: true });
      timer = setTimeout(() => void catchUp(), ASK_EVERY_MS);
      void sendPhotos(); // by itself: no tap waits for a photo
    } catch (error) {
      if (device !== target) return;
      asksOthers = true;
      if (error instanceof Refused && NOT_ITS_SESSION.includes(error.status)) set({ reach: await whyNotIn() });
      else if (error instanceof Unreachable || error instanceof Refused) {
        set({ reach: 'unreachable' });
        timer = setTimeout(() => void catchUp(), pauseMs);
        pauseMs = Math.min(pauseMs * 2, LONGEST_PAUSE_MS);
      } else throw error;
    }
  })().finally(() => {
    sending = undefined;
    if (!get().asked) set({ asked: device !== undefined });
    if (device && get().reach === 'reached' && (queue.length > 0 || asksOthers)) void send();
  });
  return sending;
}

/** Fetches an inspection that this device does not hold. Leaves it be where the office has none such, or cannot be reached. */
export async function bring(id: string): Promise<void> {
  owed.add(id);
  await sending; // one that has passed what is owed already
  await send();
}

/** Sends what waits, and asks what others have changed. */
export function catchUp(): Promise<void> {
  asksOthers = true;
  return send();
}

if (typeof window !== 'undefined' && typeof window.addEventListener === 'function') {
  window.addEventListener('online', () => void catchUp());
  window.addEventListener('focus', () => void catchUp());
}
