import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { permitPosts } from '../database/schema';
import { permitOffice, type Way } from '../permit-office/office';
import { CORRECTIONS, openOffice, opening, visitor, type Office } from '../test/office';
import { deliver, waitMs } from './posts';
import { PermitAway, PermitRefused, permitService, type PermitService } from './service';

const PERMITS = [
  {
    number: 'WT-1',
    address: '99 Test Orchard',
    owner: 'Nella D’Arbois',
    contractor: 'Reed',
    license: 'E-1',
    until: '2027-01-01',
    status: 'Open',
  },
  { number: 'WT-2', address: '7 Windfall Lane', owner: '', contractor: '', license: '', until: null, status: 'Open' },
];
let office: Office;
let stand: Server;
let service: PermitService;
let url: string;
beforeAll(async () => {
  office = await openOffice();
  stand = createServer(permitOffice(PERMITS));
  await new Promise<void>((done) => void stand.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(stand.address() as AddressInfo).port}`;
  service = permitService(url);
}, 60_000);
afterAll(async () => {
  stand.closeAllConnections();
  stand.close();
  await office.close();
});

const be = async (way: Way) => {
  const answer = await fetch(`${url}/way`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ way }),
  });
  expect(answer.status).toBe(200);
};
afterEach(() => be('well'));
const told = async () =>
  Object.entries(
    ((await (await fetch(`${url}/results`)).json()) as { results: Record<string, { permit: string }> }).results,
  );

test('one that leads elsewhere, or whose answer has no end, is out of order; nobody waits for it', async () => {
  let asked = 0;
  const other = createServer((request, response) => {
    asked++;
    if (request.url!.startsWith('/led')) return void response.end('{"permits":[]}');
    if (request.url!.includes('WT-1')) return void response.writeHead(302, { location: '/led' }).end();
    response.writeHead(200, { 'content-type': 'application/json' });
    const more = () => response.destroyed || (response.write('[' + ' '.repeat(65_536)), setImmediate(more));
    more();
  });
  await new Promise<void>((done) => void other.listen(0, '127.0.0.1', done));
  const elsewhere = permitService(`http://127.0.0.1:${(other.address() as AddressInfo).port}`);
  await expect(elsewhere.find({ number: 'WT-1' })).rejects.toThrow(PermitAway);
  expect(asked).toBe(1);
  await expect(elsewhere.find({ number: 'WT-2' })).rejects.toThrow(PermitAway);
  other.closeAllConnections();
  other.close();
});

/** A house of a permit, decided; resolves with the decision's id. */
async function decidedHouse(permit = 'WT-1'): Promise<string> {
  const ilse = await visitor(office);
  await ilse.signIn('ilse');
  const id = randomUUID();
  const open = opening(id) as ReturnType<typeof opening> & { header: { permit: string } };
  await ilse.change({ ...open, header: { ...open.header, permit } } as typeof open);
  const decision = await ilse.decisionOn(id, CORRECTIONS);
  expect((await ilse.change(decision)).body).toMatchObject({ results: [{ status: 'taken' }] });
  return decision.id;
}
const post = async (id: string) => (await office.db.select().from(permitPosts).where(eq(permitPosts.id, id)))[0]!;
let laterMs = 0;
/** Tells what waits, each time two hours later: what was tried before is due again. */
const everything = () => deliver(office.served.door, service, new Date(Date.now() + (laterMs += 2 * 3600_000)));

test('a permit is found by number or address, and an answer that is none is the office away', async () => {
  expect(await service.find({ number: 'WT-1' })).toMatchObject([{ address: '99 Test Orchard', until: '2027-01-01' }]);
  expect(await service.find({ address: 'windfall' })).toMatchObject([{ number: 'WT-2', until: null }]);
  expect(await service.find({ number: 'none' })).toEqual([]);
  await be('refusing');
  await expect(service.find({ number: 'WT-1' })).rejects.toBeInstanceOf(PermitRefused);
  await be('dead');
  await expect(service.find({ number: 'WT-1' })).rejects.toBeInstanceOf(PermitAway);
  await expect(permitService('http://127.0.0.1:9').find({ number: 'WT-1' })).rejects.toThrow('does not answer');
});

test('a result waits while the permit office is dead, ever longer, and is told once it answers', async () => {
  await everything(); // of the demo
  const id = await decidedHouse();
  await be('dead');
  expect(await deliver(office.served.door, service)).toBe(0);
  const waiting = await post(id);
  expect(waiting).toMatchObject({ tries: 1, trouble: 'The permit office does not answer.', deliveredAt: null });
  expect(waiting.nextAt.getTime()).toBeGreaterThan(Date.now());
  await be('well');
  expect(await deliver(office.served.door, service)).toBe(0); // not yet
  expect(await everything()).toBe(1);
  expect(await post(id)).toMatchObject({ tries: 2, trouble: null, answer: 'Open, result on file' });
  expect([waitMs(0), waitMs(1), waitMs(40)]).toEqual([5_000, 10_000, 3600_000]);
});

test('told twice, for the answer was lost, it is one result', async () => {
  const before = (await told()).length;
  const id = await decidedHouse();
  await be('double');
  expect(await everything()).toBe(0);
  await be('well');
  expect(await everything()).toBe(1);
  expect((await told()).length).toBe(before + 1);
  expect((await told()).some(([key, { permit }]) => key === id && permit === 'WT-1')).toBe(true);
});

test('what is refused stays, is shown with the reason, and goes once its number is mended; only those who inspect see it', async () => {
  const id = await decidedHouse('WT-404');
  await everything();
  expect(await post(id)).toMatchObject({ trouble: 'There is no permit WT-404.', deliveredAt: null });
  expect(await everything()).toBe(0); // it is not asked again by itself
  const ilse = await visitor(office);
  await ilse.signIn('ilse');
  const { body } = await ilse.get('/api/permits/posts');
  const { posts } = body as { posts: { id: string; state: string; inspection: string }[] };
  const shown = posts.find((one) => one.id === id)!;
  expect(shown).toMatchObject({ state: 'refused', permit: 'WT-404', trouble: 'There is no permit WT-404.' });
  const head = { address: '99 Test Orchard', owner: '', permit: 'WT-1', reason: 'The number was read wrong.' };
  await ilse.change({
    type: 'head',
    inspection: shown.inspection,
    ...head,
    id: randomUUID(),
    at: new Date().toISOString(),
  });
  expect((await ilse.post(`/api/permits/posts/${id}`, {})).status).toBe(200);
  expect(await everything()).toBe(1);
  expect((await ilse.post(`/api/permits/posts/${id}`, {})).status).toBe(404);
  const maro = await visitor(office);
  await maro.signIn('maro');
  expect((await maro.get('/api/permits/posts')).status).toBe(403);
  expect((await maro.get('/api/permits?number=WT-1')).status).toBe(403);
});

test('a house without a permit has nothing to tell', async () => {
  const id = await decidedHouse('');
  expect(await post(id)).toBeUndefined();
});

test('an office that is connected to none says so', async () => {
  const ilse = await visitor(office);
  await ilse.signIn('ilse');
  expect((await ilse.get('/api/permits?number=WT-1')).body).toMatchObject({
    detail: expect.stringContaining('no permit service') as string,
  });
});
