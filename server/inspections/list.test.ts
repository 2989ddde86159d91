import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { streetOf, type Inspection } from '@careful-latch/core/record';
import { inspections, offices } from '../database/schema';
import { changeOf, openOffice, opening, visitor, type Office } from '../test/office';
import { putToRest } from './rest';

interface Page {
  readonly inspections: readonly { id: string; address: string; state: string; dueOn: string | null; violated: string[]; inspector: string | null; changedAt: string }[]; // prettier-ignore
  readonly next: string | null;
}

let office: Office;
let who: Awaited<ReturnType<typeof visitor>>;
beforeAll(async () => {
  office = await openOffice();
  who = await visitor(office);
  await who.signIn('ilse');
}, 60_000);
afterAll(() => office.close());

const list = async (query: string, by = who) => (await by.get(`/api/inspections/list?${query}`)).body as Page;
/** Every page, one after the other. */
async function pages(query: string): Promise<Page['inspections']> {
  const all = [];
  for (let after = ''; ;) {
    const page = await list(`${query}${after}`);
    all.push(...page.inspections);
    if (page.next === null) return all;
    after = `&after=${page.next}`;
  }
}

describe('the office’s list', () => {
  test.each([['due', 3], ['changed', 4], ['street', 5]] as const)('sorted by %s, page by page, it holds everything once', async (sort, limit) => {
    const all = await pages(`sort=${sort}&limit=${limit}`);
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    expect(all).toHaveLength(await office.db.$count(inspections, eq(inspections.selfCheck, false)));
    const keys = all.map((one) => ({ due: one.dueOn ?? '9999', changed: one.changedAt, street: streetOf(one.address) })[sort]);
    expect(keys).toEqual(sort === 'changed' ? [...keys].sort().reverse() : [...keys].sort());
  }); // prettier-ignore

  test('the beginnings of words find it in address, owner and permit, apostrophes or not', async () => {
    const id = randomUUID();
    await who.change(opening(id, '118 Quince Hollow'));
    for (const words of ['quin', '118 hollow', "d'arb", 'D’ARBOIS', 'nella 118', 'WT-1 quince'])
      expect([words, (await list(`words=${encodeURIComponent(words)}`)).inspections.map((one) => one.id)]).toEqual([
        words,
        expect.arrayContaining([id]),
      ]);
    expect((await list('words=quince%20lane')).inspections).toEqual([]);
    for (const odd of ["'", '&|!:*', '()', '\\', '%00'])
      expect((await who.get(`/api/inspections/list?words=${encodeURIComponent(odd)}`)).status).toBeLessThan(500);
  });

  test('by state, by the day before which it is due, by inspector, by the rule that is violated', async () => {
    const all = await pages('sort=due');
    const stops = await list('state=stop-work');
    expect(stops.inspections.map(({ id }) => id)).toEqual(all.filter((one) => one.state === 'stop-work').map(({ id }) => id)); // prettier-ignore
    expect(stops.inspections.length).toBeGreaterThan(0);
    const [soonest, ...later] = all.filter(({ dueOn }) => dueOn !== null);
    const last = later.at(-1)!.dueOn!;
    const before = (await list(`dueBefore=${last}`)).inspections;
    expect(before.map(({ id }) => id)).toContain(soonest!.id);
    expect(before.every(({ dueOn }) => dueOn! < last)).toBe(true);
    const rule = all.find(({ violated }) => violated.length > 0)!.violated[0]!;
    expect((await list(`rule=${rule}`)).inspections.every(({ violated }) => violated.includes(rule))).toBe(true);
    expect((await list('inspector=Joss%20Linnaker')).inspections.map((one) => one.inspector)).toContain(
      'Joss Linnaker',
    );
    expect((await list('inspector=Nobody')).inspections).toEqual([]);
  });

  test('a contractor’s list is his own houses; a page that never was begins at the first', async () => {
    const maro = await visitor(office);
    await maro.signIn('maro');
    const own = (await list('limit=100', maro)).inspections;
    const seen = ((await maro.get('/api/inspections')).body as { inspections: Inspection[] }).inspections;
    expect(own.map(({ id }) => id).sort()).toEqual(seen.map(({ id }) => id).sort());
    expect(await list('after=nonsense')).toEqual(await list(''));
  });
});

describe('what rests', () => {
  const since = async (cursor: number) => (await who.get(`/api/inspections?since=${cursor}`)).body as { inspections: Inspection[]; gone: string[]; cursor: number; more: boolean }; // prettier-ignore
  const newest = async () => {
    for (let cursor = 0; ;) {
      const answer = await since(cursor);
      if (!answer.more) return answer.cursor;
      cursor = answer.cursor;
    }
  };

  test('what is finished and left alone is told to devices as gone, is found at the office, and is awake with the next change', async () => {
    const id = randomUUID();
    await who.change(opening(id, '7 Old Barn Row'));
    const known = await newest();
    const [row] = await office.db.select().from(inspections).where(eq(inspections.id, id));
    expect(await putToRest(office.served.door, '2026-01-01')).toBe(0); // not yet
    expect(row!.restsOn).not.toBeNull();

    const rested = await putToRest(office.served.door, row!.restsOn!);
    expect(rested).toBeGreaterThan(0);
    const answer = await since(known);
    expect(answer.gone).toContain(id);
    expect(answer.inspections.map((one) => one.id)).not.toContain(id);
    const ofFirms = await office.db.$count(inspections, and(eq(inspections.selfCheck, true), inspections.resting));
    expect(answer.gone).toHaveLength(rested - ofFirms); // what an office never had, it is not told to let go of
    const [{ seq }] = (await office.db.select({ seq: offices.seq }).from(offices)) as [{ seq: number }];
    expect(answer.cursor).toBe(seq); // whoever has heard of them all has heard of everything
    expect((await since(0)).inspections.map((one) => one.id)).not.toContain(id); // a new device is not given it
    expect((await list('words=barn')).inspections.map((one) => one.id)).toEqual([id]);
    expect((await who.get(`/api/inspections/${id}`)).status).toBe(200);
    expect(await putToRest(office.served.door, row!.restsOn!)).toBe(0); // once

    await who.change(changeOf({ type: 'facts', inspection: id, facts: [{ path: 'breaker.ratingA', value: 30, how: 'touched' }] })); // prettier-ignore
    expect((await since(answer.cursor)).inspections.map((one) => one.id)).toEqual([id]);
  });

  test('nothing rests on which something is still to be done', async () => {
    await putToRest(office.served.door, '2999-01-01');
    const left = await office.db.select().from(inspections).where(eq(inspections.resting, false));
    expect(left.length).toBeGreaterThan(0);
    expect(left.every(({ restsOn }) => restsOn === null)).toBe(true);
    expect(left.map(({ state }) => state)).toContain('stop-work');
  });
});
