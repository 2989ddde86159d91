import { STATIONS, withFact, withRecorded, withoutEntry } from '@careful-latch/core/case';
import type { Change, Inspection } from '@careful-latch/core/record';
import { applyChange, touched } from '@careful-latch/core/record';
import { evaluate } from '@careful-latch/core/verdict';
import {
  bring,
  catchUp,
  closeStore,
  decide,
  leaveStore,
  openInspection,
  openStore,
  readAside,
  record,
  shown,
  undo,
  useInspections,
} from './inspections';
import { Device } from './device';
import { OtherEpoch, Refused, Unreachable, epochHeard, hear, office, type Changed, type ChangeResult } from './office';

const ILSE = { name: 'Ilse O’Harrow', role: 'lead' } as const;

const header = { address: '12 Pippin Row', owner: 'Nella D’Arbois', permit: '', edition: '2020' } as const;

/** An office in memory that answers, refuses or cannot be reached, as the test wants it. */
class FakeOffice {
  readonly inspections = new Map<string, Inspection>();
  taken: Change[] = [];
  trouble: Error | undefined;
  /** Takes in what comes, but its answer never arrives. */
  losesAnswers = false;

  /** By whose clock it dates what comes, where the device’s is wrong. */
  datesAt: string | undefined;

  /** Which copy of itself it is; as the header of every answer says it. */
  epoch = 'first';
  private heed(): void {
    if (this.trouble) throw this.trouble;
    if (epochHeard() !== undefined && epochHeard() !== this.epoch) throw new OtherEpoch(this.epoch);
    hear(this.epoch);
  }
  /** What was sent again, in its order. */
  readonly again: string[] = [];

  take = async (changes: readonly Change[], again = false): Promise<ChangeResult[]> => {
    this.heed();
    if (again) this.again.push(...changes.map(({ id }) => id));
    const results = changes.map((change): ChangeResult => {
      if (this.taken.some((one) => one.id === change.id)) return { id: change.id, status: 'taken-before', revision: 1 };
      if (again && change.type === 'decide') return { id: change.id, status: 'held', detail: 'kept for the lead' };
      const at = this.datesAt;
      const revision = this.takeIn(at === undefined ? change : { ...change, at });
      if (typeof revision === 'string') return { id: change.id, status: 'refused', detail: revision };
      return { id: change.id, status: 'taken', revision, ...(at !== undefined && { dated: 'clock' as const }) };
    });
    if (this.losesAnswers) throw new Unreachable('lost');
    return results;
  };
  /** The office's count at the last change of each inspection. */
  private readonly counts = new Map<string, number>();
  private count = 0;
  /** Inspections that rest: told once, and given to no new device. */
  private readonly resting = new Set<string>();
  /** What was asked, in its order. */
  readonly asked: string[] = [];

  put(inspection: Inspection): void {
    this.inspections.set(inspection.id, inspection);
    this.counts.set(inspection.id, ++this.count);
  }
  changedSince = async (cursor: number): Promise<Changed> => {
    this.heed();
    this.asked.push(`since ${cursor}`);
    if (cursor > this.count) return { inspections: [], gone: [], cursor: 0, more: true, restored: true };
    const newer = [...this.inspections.values()]
      .filter(({ id }) => this.counts.get(id)! > cursor)
      .sort((one, other) => this.counts.get(one.id)! - this.counts.get(other.id)!);
    const portion = newer.slice(0, 2);
    const last = portion.at(-1);
    return {
      inspections: portion.filter(({ id }) => !this.resting.has(id)),
      gone: cursor === 0 ? [] : portion.flatMap(({ id }) => (this.resting.has(id) ? [id] : [])),
      cursor: last ? this.counts.get(last.id)! : cursor,
      more: newer.length > 2,
      restored: false,
    };
  };
  inspection = async (id: string): Promise<Inspection> => {
    this.heed();
    this.asked.push(`one ${id}`);
    const found = this.inspections.get(id);
    if (!found) throw new Refused(404, 'The office has no such inspection.');
    return found;
  };
  rest(id: string): void {
    this.resting.add(id);
    this.put(this.inspections.get(id)!);
  }
  /** An older copy of the office, as it stood once it had taken so many changes. */
  restore(length: number, epoch = 'second'): void {
    const left = this.taken.slice(0, length);
    this.taken = [];
    this.inspections.clear();
    this.counts.clear();
    this.count = 0;
    this.epoch = epoch;
    for (const change of left) this.takeIn(change);
  }
  private takeIn(change: Change): number | string {
    const applied = applyChange(this.inspections.get(change.inspection), change, ILSE);
    if (!applied.ok) return applied.why;
    this.taken.push(change);
    const revision = (this.inspections.get(change.inspection)?.revision ?? 0) + 1;
    this.put({ ...applied.inspection, revision });
    return revision;
  }
}

let fake: FakeOffice;
let account = 0;
const state = () => useInspections.getState();
/** Lets the device write and the office answer. */
const settle = async () => {
  for (let i = 0; i < 30; i++) await new Promise((resolve) => setTimeout(resolve, 2));
  await catchUp();
};

beforeEach(async () => {
  fake = new FakeOffice();
  jest.spyOn(office, 'take').mockImplementation(fake.take);
  jest.spyOn(office, 'changedSince').mockImplementation(fake.changedSince);
  jest.spyOn(office, 'inspection').mockImplementation(fake.inspection);
  await openStore(`person-${++account}`, ILSE);
  await settle();
});
afterEach(() => {
  closeStore();
  jest.restoreAllMocks();
});

/** A house that another device has opened. */
const openedElsewhere = (n: number): Inspection => {
  const inspection = `0dd0a7c4-1f5e-4b7a-9c05-00000000000${n}`;
  const opened = applyChange(undefined, { type: 'open', id: inspection, inspection, at: '2026-12-01T10:00:00Z', header: { ...header, address: `${n} Elsewhere` } }, ILSE); // prettier-ignore
  if (!opened.ok) throw new Error(opened.why);
  return opened.inspection;
};
const breaker = (id: string) => state().byId[id]?.case.breaker;
const fact = (inspection: string, path: string, value: string | number | null) =>
  record(touched(inspection, path, value));

test('an entry is there at once, and at the office soon after', async () => {
  const id = openInspection(header);
  fact(id, 'breaker.ratingA', 50);
  expect(breaker(id)).toEqual({ ratingA: 50 });
  expect(state().waiting).toBe(2);
  await settle();
  expect(state()).toMatchObject({ waiting: 0, reach: 'reached' });
  expect(fake.inspections.get(id)?.case.breaker).toEqual({ ratingA: 50 });
});

test('what is entered while the office answers stays on the screen, and is built upon', async () => {
  const id = openInspection(header);
  await settle();
  const before = [...fake.inspections.values()];
  let answer: (theirs: Changed) => void = () => undefined;
  jest.spyOn(office, 'changedSince').mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
  const catching = catchUp();
  await new Promise((resolve) => setTimeout(resolve, 5));
  fact(id, 'breaker.ratingA', 50);
  answer({ inspections: before, gone: [], cursor: 1, more: false, restored: false }); // as it was before the tap
  await catching;
  expect(breaker(id)).toEqual({ ratingA: 50 });

  // and while the device keeps what the office answered
  await settle();
  await settle();
  expect(state().waiting).toBe(0);
  const mirror = jest.spyOn(Device.prototype, 'mirror').mockImplementationOnce(async () => {
    fact(id, 'breaker.heldDown', 'yes');
  });
  const shown: unknown[] = [];
  const stop = useInspections.subscribe(({ byId }) => shown.push(byId[id]?.case.breaker?.heldDown));
  await settle();
  await settle();
  stop();
  expect(mirror).toHaveBeenCalled();
  expect(shown.slice(shown.indexOf('yes'))).not.toContain(undefined);
  expect(fake.inspections.get(id)?.case.breaker).toEqual({ ratingA: 50, heldDown: 'yes' });
});

test('what rests at the office goes off the device, comes back when it is asked for, and stays there after a reload', async () => {
  const id = openInspection(header);
  await settle();
  fake.rest(id);
  await settle();
  expect(state().byId[id]).toBeUndefined();
  await openStore(`person-${account}`, ILSE);
  await settle();
  expect(state().byId[id]).toBeUndefined();

  await bring(id);
  expect(state().byId[id]?.header.address).toBe(header.address);
  await openStore(`person-${account}`, ILSE);
  await settle();
  expect(state().byId[id]?.header.address).toBe(header.address);
  await bring('0dd0a7c4-1f5e-4b7a-9c00-00000000dead'); // which the office does not have either
  expect(Object.keys(state().byId)).toEqual([id]);
});

test('what is on the screen when the office lets it rest stays there until it is left, and for good once it is changed', async () => {
  const id = openInspection(header);
  await settle();
  let leave = shown(id);
  fake.rest(id);
  await settle();
  expect(state().byId[id]?.header.address).toBe(header.address);
  leave();
  expect(state().byId[id]).toBeUndefined();

  leave = shown(id);
  await bring(id);
  fake.rest(id); // told while it is looked at
  await settle();
  leave();
  expect(state().byId[id]).toBeUndefined();

  leave = shown(id);
  await bring(id);
  fake.rest(id);
  await settle();
  fact(id, 'breaker.ratingA', 40);
  leave();
  expect(breaker(id)).toEqual({ ratingA: 40 });
  await settle();
  expect(fake.inspections.get(id)?.case.breaker).toEqual({ ratingA: 40 });
});

test('what rests is kept while something that was entered here waits for the office', async () => {
  const id = openInspection(header);
  await settle();
  fake.rest(id);
  fake.take = jest.fn().mockRejectedValue(new Unreachable('no signal')); // the change does not get through, the question does
  jest.spyOn(office, 'take').mockImplementation(fake.take);
  fact(id, 'breaker.ratingA', 30);
  await settle();
  expect(breaker(id)).toEqual({ ratingA: 30 });
});

test('without the office the walk goes on, and catches up in order', async () => {
  fake.trouble = new Unreachable('no signal');
  const id = openInspection(header);
  fact(id, 'breaker.ratingA', 50);
  fact(id, 'breaker.ratingA', 30);
  await settle();
  expect(state()).toMatchObject({ waiting: 3, reach: 'unreachable' });
  fake.trouble = undefined;
  await settle();
  expect(state()).toMatchObject({ waiting: 0, reach: 'reached' });
  expect(fake.taken.map((one) => one.type)).toEqual(['open', 'facts', 'facts']);
  expect(fake.inspections.get(id)?.case.breaker).toEqual({ ratingA: 30 });
});

test('a reload without the office loses nothing', async () => {
  fake.trouble = new Unreachable('no signal');
  const id = openInspection(header);
  fact(id, 'breaker.ratingA', 50);
  await settle();
  closeStore();
  expect(state().byId).toEqual({});
  await openStore(`person-${account}`, ILSE);
  expect(breaker(id)).toEqual({ ratingA: 50 });
  expect(state().waiting).toBe(2);
  fake.trouble = undefined;
  await settle();
  expect(fake.inspections.get(id)?.case.breaker).toEqual({ ratingA: 50 });
});

test('what was meant for a cord reaches that cord, though another device took out the one before it', async () => {
  const id = openInspection(header);
  fact(id, 'cord[0].lengthFt', 20);
  fact(id, 'cord[1].lengthFt', 50);
  await settle();
  fake.trouble = new Unreachable('no signal');
  fact(id, 'cord[1].sizeAwg', '10');
  const theirs = fake.inspections.get(id)!;
  fake.put({ ...theirs, revision: theirs.revision + 1, case: withoutEntry(theirs.case, 'cord', 0) });
  fake.trouble = undefined;
  await settle();
  expect(fake.inspections.get(id)?.case.cord).toEqual([
    { id: expect.any(String) as string, lengthFt: 50, sizeAwg: '10' },
  ]);
  // The other one took out this cord too: there is nothing left to take back.
  const now = fake.inspections.get(id)!;
  fake.put({ ...now, revision: now.revision + 1, case: withoutEntry(now.case, 'cord', 0) });
  await settle();
  expect(state().byId[id]?.case.cord).toEqual([]);
  const before = state().undos.length;
  undo(id);
  expect(state().undos).toHaveLength(before - 1);
  expect(state().byId[id]?.case.cord).toEqual([]);
});

test('an answer that got lost does not record anything twice', async () => {
  const id = openInspection(header);
  fact(id, 'cord[0].lengthFt', 20);
  fact(id, 'cord[1].lengthFt', 50);
  await settle();
  fake.losesAnswers = true;
  record({ type: 'remove', inspection: id, list: 'cord', index: 0 });
  await settle();
  expect(state().reach).toBe('unreachable');
  fake.losesAnswers = false;
  await settle();
  expect(state().byId[id]?.case.cord).toEqual([{ id: expect.any(String) as string, lengthFt: 50 }]);
  expect(fake.inspections.get(id)?.case.cord).toEqual([{ id: expect.any(String) as string, lengthFt: 50 }]);
});

test('a refusal is shown, and the office’s state comes back', async () => {
  const id = openInspection(header);
  await settle();
  const real = fake.take;
  jest
    .spyOn(office, 'take')
    .mockImplementation(
      async (changes) => (
        await real([]),
        changes.map((one) => ({ id: one.id, status: 'refused', detail: 'Only an inspector signs.' }))
      ),
    );
  fact(id, 'breaker.ratingA', 50);
  await settle();
  expect(state().waiting).toBe(0);
  const [[, kept]] = [...state().aside] as [[number, { change: Change; why: string }]];
  expect(kept).toMatchObject({
    why: 'Only an inspector signs.',
    change: { facts: [{ path: 'breaker.ratingA', value: 50 }] },
  });
  expect(breaker(id)).toBeUndefined();

  // kept over a reload, until somebody has read it
  await openStore(`person-${account}`, ILSE);
  expect([...state().aside.values()]).toEqual([kept]);
  readAside();
  await settle();
  await openStore(`person-${account}`, ILSE);
  expect(state().aside.size).toBe(0);
});

test('one change that the office cannot even read is set aside alone; what comes before and after it goes on', async () => {
  const id = openInspection(header);
  await settle();
  const real = fake.take;
  const portions: number[] = [];
  jest.spyOn(office, 'take').mockImplementation(async (changes) => {
    portions.push(changes.length);
    if (changes.some((one) => one.type === 'facts' && one.facts[0]!.value === 13))
      throw new Refused(422, 'That cannot be read.');
    return real(changes);
  });
  fake.trouble = new Unreachable('no signal');
  for (const value of [10, 11, 12, 13, 14, 15, 16]) fact(id, 'breaker.ratingA', value);
  await settle();
  fake.trouble = undefined;
  await settle();
  expect(state()).toMatchObject({ waiting: 0, reach: 'reached' });
  expect([...state().aside.values()].map(({ why }) => why)).toEqual(['That cannot be read.']);
  expect(fake.taken.map((one) => (one.type === 'facts' ? one.facts[0]!.value : one.type))).toEqual([
    'open',
    10,
    11,
    12,
    14,
    15,
    16,
  ]);
  expect(portions.filter((size) => size === 1).length).toBeGreaterThan(0);
});

test('what an older version of the application kept here is carried over', async () => {
  const id = openInspection(header);
  await settle();
  const theirs = fake.inspections.get(id)!;
  const old = { format: 'careful-latch/case', version: 1, edition: '2020', cord: [{ lengthFt: 20 }] };
  fake.put({ ...theirs, revision: theirs.revision + 1, case: old as never });
  await settle();
  expect(state().byId[id]?.case).toMatchObject({ version: 2, cord: [{ id: 'cord-1', lengthFt: 20 }] });
});

test('a session that ended asks to sign in, and keeps what waits', async () => {
  fake.trouble = new Refused(401, 'Sign in first.');
  openInspection(header);
  await settle();
  expect(state()).toMatchObject({ reach: 'signed-out', waiting: 1 });
});

test('whoever was switched off is told so; what they enter is sent, and kept for the lead', async () => {
  const id = openInspection(header);
  await settle();
  const detail = 'It is kept for the lead of the office.';
  jest
    .spyOn(office, 'take')
    .mockImplementation((changes) => Promise.resolve(changes.map(({ id }) => ({ id, status: 'held', detail }))));
  const nobody = { csrfToken: 't', account: null, office: null, passwordAt: null, demo: [], needsSetup: false };
  jest.spyOn(office, 'session').mockResolvedValue({ ...nobody, switchedOff: true });
  fake.trouble = new Refused(401, 'Sign in first.');
  record(touched(id, 'breaker.ratingA', 30));
  await settle();
  expect(state()).toMatchObject({ reach: 'switched-off', waiting: 0 });
  expect([...state().aside.values()]).toMatchObject([{ why: detail }]);
  expect(state().byId[id]!.case.breaker).toEqual({ ratingA: 30 }); // shown here as it was entered
});

test('what others recorded comes in, in portions, and only what is new is asked for', async () => {
  const id = openInspection(header);
  await settle();
  const theirs = ['a', 'b', 'c', 'd', 'e'].map((name) => ({ ...fake.inspections.get(id)!, id: name }));
  for (const one of theirs) fake.put(one);
  fake.asked.length = 0;
  await catchUp();
  expect(Object.keys(state().byId).sort()).toEqual([id, 'a', 'b', 'c', 'd', 'e'].sort());
  expect(fake.asked).toEqual(['since 1', 'since 3', 'since 5']);
  fake.asked.length = 0;
  await catchUp();
  expect(fake.asked).toEqual(['since 6']);
});

test('an entry sends one change and fetches nothing; where somebody else was between, that one inspection', async () => {
  const id = openInspection(header);
  await settle();
  fake.asked.length = 0;
  fact(id, 'breaker.ratingA', 50);
  for (let i = 0; i < 70; i++) await new Promise((resolve) => setTimeout(resolve, 2));
  expect(state()).toMatchObject({ waiting: 0, reach: 'reached', byId: { [id]: { revision: 2 } } });
  expect(fake.asked).toEqual([]);

  const theirs = fake.inspections.get(id)!;
  fake.put({ ...theirs, revision: 3, case: withFact(theirs.case, 'inlet.ratingA', 30) });
  fact(id, 'breaker.heldDown', 'yes');
  for (let i = 0; i < 70; i++) await new Promise((resolve) => setTimeout(resolve, 2));
  expect(fake.asked).toEqual([`one ${id}`]);
  expect(state().byId[id]).toMatchObject({
    revision: 4,
    case: { breaker: { ratingA: 50, heldDown: 'yes' }, inlet: { ratingA: 30 } },
  });
});

test('what the office has dated by its own clock is fetched anew, and said, until the clock is right', async () => {
  const id = openInspection(header);
  await settle();
  expect(state().clockOff).toBe(false);
  fake.datesAt = '2026-12-01T10:00:00.000Z';
  fact(id, 'breaker.ratingA', 50);
  for (let i = 0; i < 70; i++) await new Promise((resolve) => setTimeout(resolve, 2));
  expect(state()).toMatchObject({ clockOff: true, byId: { [id]: { revision: 2, changedAt: fake.datesAt } } });
  fake.datesAt = undefined;
  fact(id, 'breaker.ratingA', 40);
  await settle();
  expect(state().clockOff).toBe(false);
});

test('a change that the office refuses leaves what the office has', async () => {
  const id = openInspection(header);
  await settle();
  jest
    .spyOn(office, 'take')
    .mockImplementationOnce(async ([change]) => [{ id: change!.id, status: 'refused', detail: 'Not so.' }]);
  fact(id, 'breaker.ratingA', 50);
  await settle();
  expect(breaker(id)).toBeUndefined();
  expect([...state().aside.values()].map(({ why }) => why)).toEqual(['Not so.']);
});

describe('an office that was brought back from an older backup', () => {
  test('gets again what it was told, in its order and under the same numbers, before anything is fetched from it', async () => {
    const house = openInspection(header);
    await settle();
    fact(house, 'breaker.ratingA', 40);
    await settle();
    const made = fake.taken.map(({ id }) => id);
    fake.restore(1);
    fake.asked.length = 0;
    fact(house, 'breaker.ratingA', 30); // what waits comes behind what was sent before
    await settle();
    expect([fake.again, fake.asked[0]]).toEqual([made, 'since 0']);
    expect(fake.inspections.get(house)).toMatchObject({ revision: 3, case: { breaker: { ratingA: 30 } } });
    expect(breaker(house)).toMatchObject({ ratingA: 30 });
    expect(state()).toMatchObject({ waiting: 0, reach: 'reached', aside: new Map() });
    await settle();
    expect(fake.again).toEqual(made); // once
  });

  test('gets it though others have worked there since, and though the page was loaded anew or its owner had signed out', async () => {
    const house = openInspection(header);
    fact(house, 'breaker.ratingA', 40);
    await settle();
    await leaveStore();
    fake.restore(0);
    for (let n = 0; n < 9; n++) fake.put({ ...openedElsewhere(n), revision: 1 });
    await openStore(`person-${account}`, ILSE);
    await settle();
    expect(fake.inspections.get(house)).toMatchObject({ case: { breaker: { ratingA: 40 } } });
    expect(Object.keys(state().byId)).toHaveLength(10);
  });

  test('gets all of it, where the line broke off in the middle; until then nothing is called saved', async () => {
    const house = openInspection(header);
    fact(house, 'breaker.ratingA', 40);
    await settle();
    fake.restore(0);
    jest.spyOn(office, 'take').mockImplementationOnce(async () => Promise.reject(new Unreachable('no signal')));
    await settle();
    fake.trouble = new Unreachable('no signal');
    await settle();
    expect(state().reach).toBe('unreachable');
    fake.trouble = undefined;
    await settle();
    expect(fake.inspections.get(house)).toMatchObject({ case: { breaker: { ratingA: 40 } } });
    expect(state()).toMatchObject({ waiting: 0, reach: 'reached' });
  });

  test('is not given a decision again: the lead has it before it holds, and that is said', async () => {
    const house = openInspection(header);
    await settle();
    const decision = { kind: 'corrections-required', conditions: [], dueOn: '2026-12-09', order: null, scope: [...STATIONS], leftOut: '', handover: '', signature: { name: ILSE.name, path: '' } } as const; // prettier-ignore
    const here = state().byId[house]!;
    await decide(here, evaluate(here.case), { ...decision, conditions: [], scope: [...STATIONS] });
    await settle();
    expect(state().byId[house]!.decisions).toHaveLength(1);
    fake.restore(1);
    await settle();
    expect([...state().aside.values()].map(({ why }) => why)).toEqual(['kept for the lead']);
    expect(state().byId[house]!.decisions).toHaveLength(0);
  });

  test('what it lacks and this device never sent is said to be here alone', async () => {
    fake.put({ ...openedElsewhere(1), revision: 3 });
    const [id] = fake.inspections.keys();
    await settle();
    fake.restore(0);
    await settle();
    expect(state().byId[id!]).toMatchObject({ revision: 0 });
    closeStore();
    await openStore(`person-${account}`, ILSE);
    await settle();
    expect(state().byId[id!]).toMatchObject({ revision: 0 });
  });

  test('gets it too where it has no other name than before, and has only counted less', async () => {
    const house = openInspection(header);
    fact(house, 'breaker.ratingA', 40);
    await settle();
    fake.restore(0, 'first');
    await settle();
    expect(fake.inspections.get(house)).toMatchObject({ case: { breaker: { ratingA: 40 } } });
  });
});

test('undo takes back one entry after the other', async () => {
  const id = openInspection(header);
  fact(id, 'breaker.ratingA', 50);
  fact(id, 'breaker.ratingA', 30);
  undo(id);
  expect(breaker(id)).toEqual({ ratingA: 50 });
  undo(id);
  expect(breaker(id)).not.toHaveProperty('ratingA');
  undo(id);
  await settle();
  expect(fake.taken).toHaveLength(5);
});

test('undo goes on after the page was loaded again, for whoever entered it and nobody else', async () => {
  const id = openInspection(header);
  fact(id, 'breaker.ratingA', 50);
  fact(id, 'breaker.ratingA', 30);
  await settle();
  const hidden = jest.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
  const leave = () => document.dispatchEvent(new Event('visibilitychange'));
  leave();
  await openStore(`person-${account}`, ILSE);
  await settle();
  undo(id);
  expect(breaker(id)).toEqual({ ratingA: 50 });
  leave();
  hidden.mockRestore();
  await openStore('somebody-else', { name: 'Bram Ostrander', role: 'inspector' });
  expect(state().undos).toEqual([]);
});

test('undo takes nothing back that another has changed since, and says who', async () => {
  const id = openInspection(header);
  fact(id, 'breaker.ratingA', 50);
  await settle();
  const mine = fake.inspections.get(id)!;
  const theirs = withRecorded(withFact(mine.case, 'breaker.ratingA', 30), 'breaker.ratingA', { how: 'touched', at: '2026-11-26T12:00:00Z', by: 'Joss Linnaker' }); // prettier-ignore
  fake.put({ ...mine, revision: mine.revision + 1, case: theirs });
  await settle();
  const before = state().undos.length;
  undo(id);
  expect(breaker(id)).toEqual({ ratingA: 30 });
  expect(state()).toMatchObject({ notUndone: expect.stringContaining('Joss Linnaker has changed it since') as string });
  expect(state().undos).toHaveLength(before - 1);
  fact(id, 'breaker.ratingA', 20);
  expect(state().notUndone).toBeUndefined();
  undo(id); // what was entered over it is one’s own
  expect(breaker(id)).toEqual({ ratingA: 30 });
});

test('two people on one phone do not see each other’s entries', async () => {
  const id = openInspection(header);
  fake.trouble = new Unreachable('no signal');
  await openStore('somebody-else', { name: 'Bram Ostrander', role: 'inspector' });
  expect(state().byId[id]).toBeUndefined();
});

test('a value that cannot be is refused at once with a sentence', () => {
  const id = openInspection(header);
  expect(() => fact(id, 'breaker.ratingA', -3)).toThrow('right would be 1 to 400 A');
  expect(breaker(id)).toBeUndefined();
});

test('where somebody else has signed in, what was entered stays here and is not sent in that name', async () => {
  const id = openInspection(header);
  fake.trouble = new Refused(409, 'Joss Linnaker has signed in here meanwhile.');
  await settle();
  expect(state()).toMatchObject({ reach: 'signed-out', waiting: 1 });
  expect(fake.taken).toEqual([]);
  fake.trouble = undefined;
  await catchUp();
  expect(fake.inspections.has(id)).toBe(true);
});

describe('deciding', () => {
  const seen = (id: string) => state().byId[id]!;
  const sign = (on: Inspection) =>
    decide(on, evaluate(on.case), {
      kind: 'corrections-required',
      conditions: [],
      dueOn: '2026-12-09',
      order: null,
      scope: [...STATIONS],
      leftOut: '',
      handover: '',
      signature: { name: ILSE.name, path: '' },
    });

  test('says what was on the screen, so that the office can compare it', async () => {
    const id = openInspection(header);
    fact(id, 'breaker.ratingA', 50);
    await settle();
    await sign(seen(id));
    await settle();
    const [, first, signed] = fake.taken;
    expect(signed).toMatchObject({ type: 'decide', base: 2, shown: expect.stringMatching(/^[0-9a-f]{64}$/) as string });
    fact(id, 'breaker.ratingA', 30);
    await sign(seen(id));
    await settle();
    const again = fake.taken.at(-1) as typeof signed & { shown: string };
    expect(again.shown).not.toBe((signed as typeof again).shown);
    expect(first).toMatchObject({ type: 'facts' });
  });

  test('what was shown and has changed meanwhile is not signed', async () => {
    const id = openInspection(header);
    const before = seen(id);
    fact(id, 'breaker.ratingA', 50);
    await expect(sign(before)).rejects.toThrow('It has changed while you signed.');
    expect(seen(id).decisions).toEqual([]);
  });
});

test('what is typed stands here as the office reads it, so that the next decision is on the very same', () => {
  const id = openInspection({ ...header, owner: '  Nella D’Arbois ' });
  const is = { words: ' It hangs loose. ', remedy: 'Fasten it. ', cites: [], severity: 'correction', station: 'panel' } as const; // prettier-ignore
  const violation = crypto.randomUUID();
  record({
    type: 'violation',
    inspection: id,
    violation,
    to: 'open',
    words: ' ',
    findings: [],
    is: { ...is, cites: [] },
  });
  expect(state().byId[id]).toMatchObject({
    header: { owner: 'Nella D’Arbois' },
    docket: { violations: [{ words: 'It hangs loose.', remedy: 'Fasten it.', steps: [{ words: '' }] }] },
  });
  expect(() => record({ type: 'order', inspection: id, order: 'none', to: 'lifted', words: 'x' })).toThrow('UUID');
});

describe('signing out', () => {
  const kept = async () =>
    (await indexedDB.databases()).map(({ name }) => name).includes(`careful-latch-person-${account}`);

  test('takes what the office has off the device, but for what was sent to it within ninety days', async () => {
    openInspection(header);
    await settle();
    await leaveStore();
    const device = await Device.open(`person-${account}`);
    expect([(await device.everything()).inspections, (await device.sent(Date.now())).length]).toEqual([[], 1]);
    device.close();
    await Device.remove(`person-${account}`, Date.now() + 91 * 86_400_000);
    expect(await kept()).toBe(false);
  });

  test('leaves what the office does not have, for when its owner comes back', async () => {
    fake.trouble = new Unreachable('no signal');
    const id = openInspection(header);
    await settle();
    await leaveStore();
    expect(await kept()).toBe(true);
    fake.trouble = undefined;
    await openStore(`person-${account}`, ILSE);
    await settle();
    expect(fake.inspections.has(id)).toBe(true);
  });
});
