import { randomUUID } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JWK } from 'jose';
import { touched } from '@careful-latch/core/record';
import { VERIFIER } from '@careful-latch/core/verifier';
import type { SealedRecord } from '../inspections/seal';
import { CORRECTIONS, changeOf, opening, openOffice, visitor, type Office } from '../test/office';
import { newKey, passingKeys, signedBy } from './keys';
import type { Line } from './line';

interface Package {
  readonly records: readonly { readonly record: SealedRecord; readonly line: string }[];
  readonly keys: readonly JWK[];
  readonly statement?: string;
}

let office: Office;
let given: Package;
let foreign: Package;
let key: string;
const folder = mkdtempSync(join(tmpdir(), '.careful-latch-'));

beforeAll(async () => {
  office = await openOffice({ demo: false });
  const who = await visitor(office);
  await who.post('/api/setup', { office: 'Windfall', edition: '2020', name: 'Ilse O’Harrow', login: 'ilse', password: 'a long password' }); // prettier-ignore
  await who.signIn('ilse', 'a long password');
  const recordsOf = async (address: string) => {
    const house = randomUUID();
    await who.change(opening(house, address));
    for (const rating of [30, 40, 50]) {
      await who.change(changeOf(touched(house, 'breaker.ratingA', rating)));
      await who.change(await who.decisionOn(house, CORRECTIONS));
    }
    return (await who.get(`/api/inspections/${house}/records`)).body as Package;
  };
  given = await recordsOf('1 Test Orchard');
  foreign = await recordsOf('2 Test Orchard');
  key = office.keys.publicKeys.at(-1)!.kid!;
  writeFileSync(join(folder, 'verify.mjs'), VERIFIER);
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await office.close();
});

/** What the program that goes with a package says of it, run by itself. */
function verified(data: unknown, ...args: string[]) {
  writeFileSync(join(folder, 'record.json'), typeof data === 'string' ? data : JSON.stringify(data));
  return spawnSync(process.execPath, ['verify.mjs', ...args], { cwd: folder, encoding: 'utf8' });
}
const KEY = () => ['--key', key];

test('a package as it was given is proved with the office’s fingerprint, which stands where the code on a paper leads', async () => {
  const { status, stdout } = verified(given, ...KEY());
  expect(stdout).toMatch(
    /^holds {2}the key .*\n(holds {2}corrections-required, 1 Test Orchard, .*\n){3}These were all records of the house on 20.*\n3 records hold\.\n$/,
  );
  expect(status).toBe(0);
  const who = await visitor(office);
  expect((await who.get(`/papers/${given.records[0]!.record.decision.id}`)).text).toContain(key);
});

test('without the fingerprint it says that it is not proved whose key it is', () => {
  const { status, stdout } = verified(given);
  expect(stdout).toMatch(
    /NOT PROVED {2}whose key it is\. Ask the office.*\n3 records hold, as far as this can be proved\.\n$/,
  );
  expect(status).toBe(2);
});

/** All of it made anew with a key of somebody's own, as well as it can be. */
async function forged(): Promise<Package> {
  const own = await newKey();
  const thief = await passingKeys(own);
  const lines = await Promise.all(
    given.records.map(async ({ record, line }) => ({
      record,
      line: await thief.sign((await signedBy(given.keys, line)) as Line),
    })),
  );
  const statement = await thief.sign({
    ...((await signedBy(given.keys, given.statement!)) as object),
    keys: [own.kid],
  });
  return { records: lines, keys: thief.publicKeys.map((one) => ({ ...one, kid: own.kid! })), statement };
}

test.each<[string, () => unknown, RegExp]>([
  ['one in the middle taken out', () => ({ ...given, records: given.records.toSpliced(1, 1) }), /one is missing, or they stand in another order/],
  ['the last taken out', () => ({ ...given, records: given.records.slice(0, 2) }), /WRONG {2}the last records: .* names 3, and 2 are there/],
  ['the first taken out', () => ({ ...given, records: given.records.slice(1) }), /one is missing/],
  ['another order', () => ({ ...given, records: given.records.toReversed() }), /another order/],
  ['records of another house', () => ({ ...given, records: foreign.records }), /it is of another house/],
  ['another house’s statement', () => ({ ...given, statement: foreign.statement }), /it is of another house/],
  ['an edited word', () => JSON.stringify(given).replace('1 Test Orchard', '7 Test Orchard'), /its record was edited/],
  ['lines exchanged', () => ({ ...given, records: given.records.map((one, i, all) => ({ ...one, line: all[(i + 1) % 3]!.line })) }), /its record was edited/],
  ['no line', () => ({ ...given, records: given.records.map(({ record }) => ({ record })) }), /it has no line of the ledger/],
  ['a statement that nobody signed', () => ({ ...given, statement: 'a.b.c' }), /the statement of the office: it is not signed/],
  ['everything forged with a key of one’s own', forged, /WRONG {2}the key: it is .*, not /],
  ['everything forged, the key called by the office’s name', async () => { const one = await forged(); return { ...one, keys: one.keys.map((own) => ({ ...own, kid: key })) }; }, /WRONG/],
])('%s is found', async (_, made, wrong) => {
  const { status, stdout } = verified(await made(), ...KEY());
  expect(stdout).toMatch(wrong);
  expect(status).toBe(1);
}); // prettier-ignore

test('a file of before statements, and one that is none, say so', () => {
  const { statement: _, ...before } = given;
  expect(verified(before, ...KEY())).toMatchObject({ status: 2, stdout: expect.stringContaining('NOT PROVED  whether these are all records') as string }); // prettier-ignore
  for (const none of ['{', '{}', '[1]'])
    expect(verified(none)).toMatchObject({ status: 2, stderr: expect.stringMatching(/is no record that can be read/) as string }); // prettier-ignore
});
