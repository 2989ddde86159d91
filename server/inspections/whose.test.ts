import { randomUUID } from 'node:crypto';
import { touched } from '@careful-latch/core/record';
import { CORRECTIONS, changeOf, jpegOf, opening, openOffice, recordedEarlier, photoOf, pictureOf, visitor, type Office } from '../test/office'; // prettier-ignore

let office: Office;
let lead: Awaited<ReturnType<typeof visitor>>;
let maro: Awaited<ReturnType<typeof visitor>>;
beforeAll(async () => {
  office = await openOffice();
  [lead, maro] = [await visitor(office), await visitor(office)];
  await lead.signIn('ilse');
  await maro.signIn('maro');
}, 60_000);
afterAll(() => office.close());

const WRONG = { path: 'breaker.heldDown', value: 'no' };
const cited = (inspection: string) =>
  changeOf({
    type: 'violation', inspection, violation: randomUUID(), to: 'open', words: '', findings: [{ rule: 'breaker/held-down', part: null }],
    is: { words: 'It is not held down.', remedy: '', cites: ['408.36(D)'], severity: 'correction', station: 'breaker' },
  }); // prettier-ignore

test('what the office has found at a house that it was asked for is on no list of the contractor’s before it has decided', async () => {
  const house = randomUUID();
  await maro.change(opening(house, '61 Asked Row'), changeOf({ type: 'request', inspection: house }));
  const answer = await lead.change(changeOf(touched(house, WRONG.path, WRONG.value)), cited(house));
  expect(answer.body).toMatchObject({ results: [{ status: 'taken' }, { status: 'taken' }] });
  const listed = async (who: typeof lead, more = '') =>
    ((await who.get(`/api/inspections/list?words=asked${more}`)).body as { inspections: { violated: string[] }[] })
      .inspections;
  expect((await listed(lead))[0]).toMatchObject({ violated: ['breaker/held-down'] });
  expect((await listed(maro))[0]).toMatchObject({ violated: [] });
  expect(await listed(maro, '&rule=breaker/held-down')).toEqual([]);
  await lead.change(await lead.decisionOn(house, CORRECTIONS));
  expect((await listed(maro))[0]).toMatchObject({ violated: ['breaker/held-down'] });
});

test('a photo is given to whoever is shown it at that house; its hash alone opens nothing', async () => {
  const [theirs, own] = [randomUUID(), randomUUID()];
  const picture = pictureOf(jpegOf(3000));
  await lead.change(opening(theirs, '62 Other Row'), photoOf(theirs, picture));
  expect((await lead.piece(`/api/inspections/${theirs}/photos/${picture.sha256}?at=0`, picture.bytes)).status).toBe(200); // prettier-ignore
  await maro.change(opening(own, '63 Own Row'));
  expect((await maro.get(`/api/inspections/${theirs}/photos/${picture.sha256}`)).status).toBe(404);
  expect((await maro.get(`/api/inspections/${own}/photos/${picture.sha256}`)).status).toBe(404);
  expect((await lead.get(`/api/inspections/${own}/photos/${picture.sha256}`)).status).toBe(404);
  expect((await lead.get(`/api/inspections/${theirs}/photos/${picture.sha256}`)).status).toBe(200);
});

test('twenty decisions from one screen are one; the others are told that something was signed', async () => {
  const house = randomUUID();
  await lead.change(opening(house, '65 Twenty Row'));
  const all = await Promise.all(Array.from({ length: 20 }, () => lead.decisionOn(house, CORRECTIONS)));
  const answers = await Promise.all(all.map((one) => lead.change(one)));
  const results = answers.flatMap(({ body }) => (body as { results: { status: string; detail?: string }[] }).results);
  expect(results.filter(({ status }) => status === 'taken')).toHaveLength(1);
  const told = results.filter(({ detail }) => detail?.includes('it has changed since you looked: a decision'));
  expect(told).toHaveLength(19);
  expect((await lead.change(await lead.decisionOn(house, CORRECTIONS))).body).toMatchObject({ results: [{ status: 'taken' }] }); // prettier-ignore
});

test('an older decision that was signed without signal displaces no newer one: the lead has it first', async () => {
  const house = randomUUID();
  await lead.change(opening(house, '66 Late Row'));
  await recordedEarlier(office, house, 2);
  const late = await lead.decisionOn(house, CORRECTIONS);
  await lead.change(await lead.decisionOn(house, CORRECTIONS));
  const sent = { ...late, at: new Date(Date.now() - 3_600_000).toISOString() };
  expect((await lead.change(sent)).body).toMatchObject({ results: [{ status: 'held' }] });
});

test('an order is lifted under a permit that holds when the office hears of it, whatever the device’s clock says', async () => {
  const house = randomUUID();
  const own = cited(house);
  await lead.change(opening(house, '64 Order Row'), changeOf(touched(house, WRONG.path, WRONG.value)), own);
  const order = { kind: 'stop-work', ground: 'It is not held down at all.', covers: 'All of it.', mayDo: '', told: 'The owner' } as const; // prettier-ignore
  const stop = await lead.decisionOn(house, { kind: 'stop-work', order });
  const violation = (own as { violation: string }).violation;
  const answers = (await lead.change(
    stop,
    changeOf({ type: 'permit', inspection: house, to: 'there', until: '2026-01-01', words: '' }),
    changeOf({ type: 'violation', inspection: house, violation, to: 'removed', words: 'The breaker is gone; seen so.' }),
  )).body as { results: { status: string }[] }; // prettier-ignore
  expect(answers.results.map(({ status }) => status)).toEqual(['taken', 'taken', 'taken']);
  const lift = changeOf({
    type: 'order',
    inspection: house,
    order: stop.id,
    to: 'lifted',
    words: 'All of it is gone.',
  });
  const setBack = { ...lift, at: '2025-12-15T10:00:00.000Z' };
  expect((await lead.change(setBack)).body).toMatchObject({ results: [{ status: 'refused', detail: expect.stringContaining('The permit ran out on 2026-01-01') as string }] }); // prettier-ignore
});

test('the page where an order’s code leads says that it is in force, what is allowed, and at once that it is lifted', async () => {
  const house = randomUUID();
  const own = cited(house);
  const violation = (own as { violation: string }).violation;
  await lead.change(opening(house, '66 Order Row'), changeOf(touched(house, WRONG.path, WRONG.value)), own);
  const order = { kind: 'stop-work', ground: 'It is not held down at all.', covers: 'All of it.', mayDo: '', told: 'The owner' } as const; // prettier-ignore
  const stop = await lead.decisionOn(house, { kind: 'stop-work', order });
  await lead.change(stop, changeOf({ type: 'permit', inspection: house, to: 'there', until: '2099-01-01', words: '' }));
  const page = async () => (await lead.bare.get(`/papers/${stop.id}`)).text;
  const move = (to: 'limited' | 'lifted', words: string) =>
    lead.change(changeOf({ type: 'order', inspection: house, order: stop.id, to, words }));
  expect(await page()).toContain('<b>IN FORCE</b>');
  expect((await move('limited', 'The breaker may be held down.')).body).toMatchObject({
    results: [{ status: 'taken' }],
  });
  expect(await page()).toContain('IN FORCE, corrective work allowed');
  await lead.change(
    changeOf(touched(house, WRONG.path, 'yes')),
    changeOf({ type: 'violation', inspection: house, violation, to: 'verified', words: 'Held down; seen so.' }),
  );
  await lead.change(changeOf({ type: 'violation', inspection: house, violation, to: 'removed', words: 'It is gone; seen so.' })); // prettier-ignore
  expect((await move('lifted', 'All of it is settled.')).body).toMatchObject({ results: [{ status: 'taken' }] });
  expect(await page()).toContain('LIFTED');
});
