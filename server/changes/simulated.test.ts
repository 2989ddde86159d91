import { randomUUID } from 'node:crypto';
import type { ChangeBody } from '@careful-latch/core/record';
import { changeOf, openOffice, opening, visitor, type Office } from '../test/office';

const PASSWORD = 'a long password';
const READING: Pick<ChangeBody & { type: 'facts' }, 'facts'> = {
  facts: [{ path: 'source.neutralFrameOhm', value: 0.3, how: 'meter', said: 'Simulated meter' }],
};

/** What the office says of a simulated reading at a house of its own. */
async function answered(office: Office, login: string, password?: string) {
  const who = await visitor(office);
  await who.signIn(login, password);
  const house = randomUUID();
  await who.change(opening(house));
  const { body } = await who.change(changeOf({ type: 'facts', inspection: house, ...READING }));
  return (body as { results: { status: string; detail?: string }[] }).results[0];
}

test('a simulated reading is recorded in the demo, and at no house of an office at work', async () => {
  const [demo, work] = [await openOffice(), await openOffice({ demo: false })];
  const lead = await visitor(work);
  await lead.post('/api/setup', {
    office: 'W',
    edition: '2020',
    name: 'Nella Orr',
    login: 'nella',
    password: PASSWORD,
  });
  expect(await answered(demo, 'joss')).toMatchObject({ status: 'taken' });
  expect(await answered(work, 'nella', PASSWORD)).toMatchObject({
    status: 'refused',
    detail: expect.stringContaining('simulated') as string,
  });
  await demo.close();
  await work.close();
});
