import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import fc from 'fast-check';
import { accounts } from './database/schema';
import { DEMO_PROPERTIES } from './demo/properties';
import { openApi } from './openapi';
import { openOffice, visitor, type Office } from './test/office';

let office: Office;
let lead: Awaited<ReturnType<typeof visitor>>;
let joss: string;
/** Decided on. */
const HOUSE = DEMO_PROPERTIES[3]!.id;
beforeAll(async () => {
  office = await openOffice();
  lead = await visitor(office);
  await lead.signIn('ilse');
  joss = (await office.db.select().from(accounts).where(eq(accounts.login, 'joss')))[0]!.id;
}, 60_000);
afterAll(() => office.close());

interface Schema {
  readonly $ref?: string;
  readonly type?: string | readonly string[];
  readonly properties?: Readonly<Record<string, Schema>>;
}
interface Operation {
  readonly requestBody?: { readonly content: { readonly 'application/json'?: { readonly schema: Schema } } };
}
const api = openApi() as unknown as {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, Schema>> };
};
const routes = Object.entries(api.paths).flatMap(([path, operations]) =>
  Object.entries(operations).flatMap(([method, { requestBody }]) => {
    const schema = requestBody?.content['application/json']?.schema;
    const whole = schema?.$ref ? api.components.schemas[schema.$ref.split('/').at(-1)!]! : schema;
    return whole ? [{ method: method as 'post' | 'patch' | 'put', path, fields: whole.properties ?? {} }] : [];
  }),
);
/** Somebody, or a house, that is there: nothing is refused for want of it. */
const there = (path: string) =>
  path.replace('{id}', path.includes('/people/') ? joss : path.includes('/inspections/') ? HOUSE : randomUUID());

/** How many rows each table has, and the sum of what stands in the accounts. */
async function kept() {
  const { rows } = await office.pool.query<{ table: string }>(
    `select table_name as table from information_schema.tables where table_schema = 'public' and table_name <> 'session' order by 1`,
  );
  const counts: Record<string, string> = {};
  for (const { table } of rows)
    counts[table] =
      (await office.pool.query<{ n: string }>(`select count(*) || md5(string_agg(r::text, ',' order by r::text)) as n from "${table}" r`)) // prettier-ignore
      .rows[0]!.n;
  return counts;
}

/** A value of another type than the one that is due. */
const OTHERWISE: Readonly<Record<string, readonly unknown[]>> = {
  string: [7, true, ['a text'], { toString: 'x' }, {}],
  number: ['7', true, [7], {}],
  integer: ['7', true, [7], {}],
  boolean: ['true', 1, [true], {}],
  array: ['[]', 7, { 0: 1 }],
  object: ['{}', 7, [{}]],
};
const deep = (levels: number): unknown => (levels === 0 ? 'x' : { nested: deep(levels - 1) });
const answer = (method: 'post' | 'patch' | 'put', path: string, body: object | string) =>
  lead
    .any(method, there(path))
    .set('content-type', 'application/json')
    .send(typeof body === 'string' ? body : JSON.stringify(body)) as unknown as Promise<{
    status: number;
    body: { detail?: string };
  }>;

test('there are bodies to be tried', () => expect(routes.length).toBeGreaterThan(15));

test.each(routes)('$method $path: what it does not read is refused with a sentence, and nothing is written', async ({ method, path, fields }) => {
  const before = await kept();
  const tries: (object | string)[] = [
    '[]',
    '"text"',
    '{"unheard":1}',
    '{"__proto__":{"role":"lead"}}',
    '{"constructor":{"prototype":{"x":1}}}',
    { unheard: deep(40) },
    `${'['.repeat(20_000)}${']'.repeat(20_000)}`,
  ];
  for (const [name, { type }] of Object.entries(fields)) {
    const types = [type ?? 'string'].flat();
    for (const value of types.flatMap((one) => OTHERWISE[one] ?? []))
      if (!types.includes(typeof value)) tries.push({ [name]: value });
    tries.push({ [name]: deep(40) });
  }
  for (const body of tries) {
    const { status, body: said } = await answer(method, path, body);
    expect([JSON.stringify(body).slice(0, 100), status >= 400 && status < 500, typeof said.detail]).toEqual([JSON.stringify(body).slice(0, 100), true, 'string']); // prettier-ignore
  }
  expect(await kept()).toEqual(before);
}); // prettier-ignore

test.each([
  ['/api/inspections?since=1&since=2'],
  ['/api/inspections?since=one'],
  ['/api/inspections/list?sort=changed&sort=due'],
  ['/api/inspections/list?order=by'],
  ['/api/inspections/list?words[]=a'],
  ['/api/month?month=2026-11&month=2026-12'],
  ['/api/permits?number=1&number=2'],
])('%s is refused with a sentence', async (path) => {
  const { status, body } = await lead.get(path);
  expect([status, typeof (body as { detail?: unknown }).detail]).toEqual([422, 'string']);
});

test('any JSON whatever, sent as a change, is refused by itself and with a sentence', async () => {
  const types = ['open', 'facts', 'fact', 'violation', 'decide', 'evidence', 'visit', 'restore', 'hold', 'appeal'];
  const key = fc.constantFrom('id', 'inspection', 'at', 'words', 'to', 'facts', 'path', 'value', 'decision', 'header', 'is', 'findings', 'entry', 'was', 'over', 'part'); // prettier-ignore
  const crooked = fc.record(
    { type: fc.constantFrom(...types), id: fc.constantFrom(randomUUID(), randomUUID().toUpperCase(), 'x', 7) },
    { requiredKeys: ['type'] },
  );
  const any = fc.oneof(
    fc.jsonValue(),
    fc.tuple(crooked, fc.dictionary(key, fc.jsonValue())).map(([one, more]) => ({ ...more, ...one })),
  );
  const before = await kept();
  await fc.assert(
    fc.asyncProperty(fc.array(any, { minLength: 20, maxLength: 60 }), async (changes) => {
      const { status, body } = await lead.post('/api/changes', JSON.stringify({ changes }));
      const { results } = body as { results: { status: string; detail: string }[] };
      expect([status, results.length]).toEqual([200, changes.length]);
      for (const one of results) expect([one.status, one.detail.length > 10]).toEqual(['refused', true]);
    }),
    { numRuns: 40, seed: 27 },
  );
  expect(await kept()).toEqual(before);
}, 60_000);
