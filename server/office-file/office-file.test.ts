import { execFile } from 'node:child_process';
import { copyFile, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import Ajv from 'ajv/dist/2020';
import { eq } from 'drizzle-orm';
import { accounts, offices } from '../database/schema';
import { EvidenceStore } from '../evidence/store';
import { KEYS_FILE, jpegOf, openOffice, pictureOf, visitor, type Office } from '../test/office';
import { OfficeFileError, officeFileSchema, officeLines, takeOffice } from './office-file';

let home: Office;
/** Empty: what is refused leaves nothing behind, and so it is for the next. */
let away: Office;
let lines: string[];
let shown: { readonly sha256: string };
const storeOf = ({ evidenceFolder }: Office) => new EvidenceStore(evidenceFolder);
beforeAll(async () => {
  [home, away] = await Promise.all([openOffice(), openOffice({ demo: false })]);
  const [{ id } = { id: '' }] = await home.db.select({ id: offices.id }).from(offices);
  lines = [];
  const picture = jpegOf(3000);
  shown = pictureOf(picture);
  await storeOf(home).write(id, { sha256: shown.sha256, bytes: picture.length }, 0, picture);
  for await (const line of officeLines(home.pool, storeOf(home), id)) lines.push(line);
}, 60_000);
afterAll(() => Promise.all([home.close(), away.close()]));

async function* streamed(all: readonly string[]) {
  for (const line of all) yield await Promise.resolve(line);
}

/** What the office’s file says of being taken in, and how much is there after that. */
async function taken(all: readonly string[], keys = home.keys.publicKeys) {
  const said = await takeOffice(away.pool, storeOf(away), keys, streamed(all)).then(
    ({ name }) => name,
    (error: unknown) => {
      if (!(error instanceof OfficeFileError)) throw error;
      return error.message;
    },
  );
  return { said, counts: await countsIn(away) };
}
async function countsIn({ pool }: Office) {
  const counts: Record<string, number> = {};
  for (const table of ['offices', 'inspections', 'decisions', 'ledger', 'violations', 'storm_entries'])
    counts[table] = Number((await pool.query<{ n: string }>(`select count(*) as n from ${table}`)).rows[0]!.n);
  return counts;
}

const withLine = (find: string, change: (line: string) => string) =>
  lines.map((line) => (line.includes(find) ? change(line) : line));

test.each([
  ['one that breaks off', () => lines.slice(0, -1), /Line \d+: the file breaks off here/],
  ['one that lacks a row', () => lines.filter((line, i) => i !== lines.findIndex((one) => one.includes('"table":"storm_entries"'))), /3 rows of storm_entries were written, and 2 are there/], // prettier-ignore
  ['a line that is no JSON', () => [...lines.slice(0, 5), '{"table":', ...lines.slice(5)], /Line 6: this is no JSON/],
  ['another version', () => lines.map((line, i) => (i === 0 ? line.replace('"version":3', '"version":9') : line)), /Line 1: version 3 is read here; this is 9/], // prettier-ignore
  ['a table that is none', () => [lines[0]!, '{"table":"pg_authid","row":{}}'], /Line 2: "pg_authid" is no table of an office/],
  ['a row of another office', () => [lines[0]!, '{"table":"accounts","row":{"office":"x"}}'], /Line 2: the row is of another office/], // prettier-ignore
  ['a row twice', () => [...lines.slice(0, 2), lines[1]!], /Line 3: this row of firms is there already/],
  ['a photo that is another', () => withLine('"photo":', (line) => line.replace(/"jpeg":"..../, '"jpeg":"AAAA')), /Line \d+: this photo is not the one/],
  ['one that lacks a photo', () => lines.filter((line) => !line.startsWith('{"photo"')), /1 rows of photos were written, and 0 are there/], // prettier-ignore
  ['a decision that was edited', () => withLine('"table":"decisions"', (line) => line.replace(/"ratingA": ?\d+/, '"ratingA":99')), /Its seals do not hold .*its record was edited/], // prettier-ignore
])('%s is refused with the place, and nothing of it is taken', async (_, made, said) => {
  const { said: why, counts } = await taken(made());
  expect(why).toMatch(said);
  expect(why).toMatch(/Nothing was taken\.$/);
  expect(Object.values(counts).every((n) => n === 0)).toBe(true);
  const [{ id } = { id: '' }] = await home.db.select({ id: offices.id }).from(offices);
  expect(storeOf(away).find(id, shown.sha256)).toBeUndefined();
}); // prettier-ignore

test('an office whose lines are signed by other keys than those at hand is refused', async () => {
  expect((await taken(lines, [])).said).toContain('Its seals do not hold with the keys at hand.');
});

test('an office goes out as lines and comes in whole, with its seals; no password goes along', async () => {
  const valid = new Ajv({ strict: false }).compile(officeFileSchema);
  for (const line of lines) expect([line.slice(0, 80), valid(JSON.parse(line))]).toEqual([line.slice(0, 80), true]);
  expect(await taken(lines)).toEqual({ said: 'Windfall Township Building Office', counts: await countsIn(home) });
  const [{ id } = { id: '' }] = await away.db.select({ id: offices.id }).from(offices);
  expect(storeOf(away).find(id, shown.sha256)).toBeDefined();
  const people = await away.db.select().from(accounts);
  expect(people.map(({ passwordHash }) => passwordHash)).toEqual(['!', '!', '!']);
  expect(lines.join('\n')).not.toContain('argon2');
});

test('by the commands, from one file: nobody is let in by what the file says of people, and a lead by the machine', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'office-file-'));
  const there = await openOffice({ demo: false });
  const [file, keys] = [join(folder, 'office.jsonl'), join(folder, 'keys.json')];
  await copyFile(KEYS_FILE, keys);
  const run = async (of: Office, command: string, ...args: string[]) => {
    const env = { ...process.env, DATABASE_URL: of.url, EVIDENCE_FOLDER: of.evidenceFolder, SEAL_KEYS: keys };
    return (await promisify(execFile)(process.execPath, ['tools/run.mjs', command, ...args], { cwd: join(__dirname, '..', '..'), env })).stdout; // prettier-ignore
  };
  try {
    expect(await run(home, 'tools/office-file.ts', file)).toContain('Windfall Township Building Office is in');
    const hash = (await home.db.select().from(accounts).where(eq(accounts.login, 'ilse')))[0]!.passwordHash;
    const nothing = await openOffice({ demo: false, migrated: false }); // a database in which there is no table yet
    expect(await run(nothing, 'tools/office-file.ts', '--import', file)).toContain('taken in with its photos');
    expect(await run(nothing, 'tools/verify.ts', '--database', '--anchors', join(folder, 'none'))).toMatch(
      /lines hold/,
    );
    await nothing.close();
    const planted = (await readFile(file, 'utf8')).replaceAll('"password_hash":"!"', `"password_hash":${JSON.stringify(hash)}`); // prettier-ignore
    expect(planted).toContain('argon2');
    await writeFile(file, planted);
    const said = await run(there, 'tools/office-file.ts', '--import', file);
    expect(said).toMatch(/taken in with its photos[^]*Ilse O’Harrow \(lead\) signs in as ilse/);
    const came = await there.db.select().from(accounts);
    expect(came.map(({ active, passwordHash }) => [active, passwordHash])).toEqual([[false, '!'], [false, '!'], [false, '!']]); // prettier-ignore
    const ilse = await visitor(there);
    expect((await ilse.signIn('ilse')).status).toBe(401);
    const token = /#(\S+)/.exec(await run(there, 'tools/reset.ts', 'ilse'))![1];
    expect((await ilse.post('/api/join', { token, password: 'a long password' })).status).toBe(201);
    expect((await ilse.signIn('ilse', 'a long password')).status).toBe(200);
    expect((await (await visitor(there)).signIn('joss')).status).toBe(401);
  } finally {
    await there.close();
    await rm(folder, { recursive: true });
  }
}, 60_000);
