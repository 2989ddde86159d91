import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { foundIn, judged, violationOf, type Inspection, type Rules } from '@careful-latch/core/record';
import { inspections, offices } from '../database/schema';
import { verifyOffice } from '../ledger/verify';
import { CORRECTIONS, changeOf, openOffice, opening, visitor, type Office } from '../test/office';

const profile = JSON.parse(
  readFileSync(join(__dirname, '..', '..', 'profiles', 'strict-office.json'), 'utf8'),
) as Rules['profile'];

let office: Office;
let lead: Awaited<ReturnType<typeof visitor>>;
let joss: Awaited<ReturnType<typeof visitor>>;
beforeAll(async () => {
  office = await openOffice();
  lead = await visitor(office);
  joss = await visitor(office);
  await lead.signIn('ilse');
  await joss.signIn('joss');
}, 60_000);
afterAll(() => office.close());

const adopt = (over: object = {}, by = lead) =>
  by.post('/api/rules', { profile, reason: 'As the township adopted it.', after: 0, openToo: false, ...over });
const one = async (id: string) => (await lead.get(`/api/inspections/${id}`)).body as Inspection;
const open = (id: string, rules?: number) => ({ ...opening(id), ...(rules !== undefined && { rules }) });

test('an inspection is judged under the version that was adopted when it was opened, whatever is adopted after it', async () => {
  const [before, after] = [randomUUID(), randomUUID()];
  await joss.change(open(before));
  expect((await adopt()).body).toEqual({ version: 1, moved: 0 });
  expect(((await joss.get('/api/session')).body as { office: object }).office).toMatchObject({ edition: '2020', rules: { version: 1 } }); // prettier-ignore
  await joss.change(open(after, 1));
  const stricter = { ...profile, rules: { ...profile.rules, 'inlet/lockable': { severity: 'hazard', reason: 'Children.' } } }; // prettier-ignore
  expect((await adopt({ profile: stricter, after: 1 })).body).toMatchObject({ version: 2 });

  expect((await one(before)).rules).toBeUndefined();
  const kept = await one(after);
  expect(kept.rules?.version).toBe(1);
  const item = judged(kept).outcomes.find(({ rule }) => (rule as string) === 'local/permit-posted');
  expect(item).toMatchObject({ outcome: 'unproven', needs: ['local.permit-posted'] });

  // Its answer is recorded as any fact, and a decision seals the rules with what was found.
  await joss.change(changeOf({ type: 'facts', inspection: after, facts: [{ path: 'local.permit-posted', value: 'no', how: 'touched' }] })); // prettier-ignore
  const [found] = foundIn(judged(await one(after)));
  expect(found).toMatchObject({ rule: 'local/permit-posted', cites: ['Township Ordinance 7-1'] });
  await joss.change(changeOf({ type: 'violation', inspection: after, violation: randomUUID(), dueOn: '2026-12-09', ...violationOf([found!]) })); // prettier-ignore
  const signed = await joss.decisionOn(after, { ...CORRECTIONS, signature: { name: 'Joss Linnaker', path: '' } });
  expect((await joss.change(signed)).body).toMatchObject({ results: [{ status: 'taken' }] });
  const { records } = (await lead.get(`/api/inspections/${after}/records`)).body as { records: { sealHolds: boolean; record: { rules: Rules; evaluation: { outcomes: { rule: string; outcome: string }[] } } }[] }; // prettier-ignore
  expect(records[0]).toMatchObject({ sealHolds: true, record: { rules: { version: 1 } } });
  expect(records[0]!.record.evaluation.outcomes.find(({ rule }) => rule === 'local/permit-posted')).toMatchObject({ outcome: 'violation' }); // prettier-ignore
});

test('open ones are judged under the new version where the lead wants it, decided ones never', async () => {
  const [draft, decided] = [randomUUID(), randomUUID()];
  await joss.change(open(draft, 2));
  await joss.change(open(decided, 2));
  await joss.change(await joss.decisionOn(decided, { ...CORRECTIONS, signature: { name: 'Joss Linnaker', path: '' } }));
  const drafts = await office.db.$count(inspections, eq(inspections.state, 'draft'));
  const { moved } = (await adopt({ after: 2, openToo: true })).body as { moved: number };
  expect(moved).toBeGreaterThanOrEqual(drafts);
  expect((await one(draft)).rules?.version).toBe(3);
  expect((await one(decided)).rules?.version).toBe(2);
});

test.each<[string, object, number, RegExp]>([
  ['a hazard that no office can switch off', { profile: { ...profile, rules: { 'siting/outdoors': { off: true, reason: 'x' } } }, after: 3 }, 422, /no office can switch off/],
  ['a number outside its bounds', { profile: { ...profile, numbers: { legLowV: 7 } }, after: 3 }, 422, /7 is outside 100 to 120/],
  ['no reason', { reason: 'so', after: 3 }, 422, /Say why/],
  ['a version that was adopted on something else', { after: 1 }, 409, /meanwhile/],
  ['no profile at all', { profile: { all: 'off' }, after: 3 }, 422, /nothing that a profile has|right would be/],
])('%s is refused, and nothing is adopted', async (_, over, status, detail) => {
  const answer = await adopt(over);
  expect([answer.status, (answer.body as { detail: string }).detail]).toEqual([status, expect.stringMatching(detail)]);
  expect(((await lead.get('/api/rules')).body as { versions: object[] }).versions).toHaveLength(3);
}); // prettier-ignore

test('only the lead adopts; a contractor moves no inspection to other rules; a version that is none is refused', async () => {
  expect((await adopt({ after: 3 }, joss)).status).toBe(403);
  const maro = await visitor(office);
  await maro.signIn('maro');
  const id = randomUUID();
  expect((await maro.change(open(id, 3))).body).toMatchObject({ results: [{ status: 'taken' }] });
  const moves = await maro.change(changeOf({ type: 'rules', inspection: id, rules: 1 }));
  expect(moves.body).toMatchObject({ results: [{ status: 'refused', detail: expect.stringContaining('Only an inspector') as string }] }); // prettier-ignore
  const none = await joss.change(open(randomUUID(), 99), changeOf({ type: 'rules', inspection: id, rules: 99 }));
  expect(none.body).toMatchObject({ results: [{ status: 'refused' }, { status: 'refused' }] });
});

test('what was adopted stands in the ledger; whoever edits it is found', async () => {
  const [home] = await office.db.select({ id: offices.id }).from(offices);
  const verify = () => verifyOffice(office.db, office.keys.publicKeys, home!.id);
  expect((await verify()).wrong).toBeUndefined();
  await office.pool.query('alter table rules disable trigger user');
  await office.pool.query(`update rules set profile = jsonb_set(profile, '{rules}', '{}') where version = 1`);
  expect((await verify()).wrong).toMatch(/version 1 of the office’s rules was edited/);
});

test('what a contractor has begun before is judged, once he asks for an inspection, as the office has adopted by then', async () => {
  const maro = await visitor(office);
  await maro.signIn('maro');
  const id = randomUUID();
  await maro.change(open(id));
  expect(((await maro.get(`/api/inspections/${id}`)).body as Inspection).rules).toBeUndefined();
  const { versions } = (await lead.get('/api/rules')).body as { versions: { version: number }[] };
  await maro.change(changeOf({ type: 'request', inspection: id }));
  expect((await one(id)).rules?.version).toBe(versions[0]!.version);
});
