/**
 * npm run attack: what somebody tries who means ill, against a server of its own with the demo: every route in every role, without
 * and with foreign tokens; bodies that are none; sizes; twenty at once; what was used once; clocks that are wrong; names and hashes
 * that are planted; changes that are made up (--changes 20000) and bodies (--bodies 5000). Prints how often each was tried and what did not hold;
 * fails on any. How long a sign-in takes is compared for names that there are and names that there are none of (--tries 200).
 */
import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import fc from 'fast-check';
import {
  CHANGES,
  MAY,
  judged,
  touched,
  type Change,
  type ChangeBody,
  type Inspection,
} from '@careful-latch/core/record';
import { KEYS, Office } from '../e2e/server';
import { connect } from '../server/database/client';
import { DEMO_PASSWORD } from '../server/demo/password';
import { openKeys } from '../server/ledger/keys';
import { verifyOffice } from '../server/ledger/verify';
import { openApi } from '../server/openapi';
import { startCluster } from './database.mjs';
import { Findings, correctionsOn, rssMb, signIn, type Session } from './visitor';

const root = fileURLToPath(new URL('..', import.meta.url));
const { values } = parseArgs({
  options: {
    changes: { type: 'string', default: '20000' },
    bodies: { type: 'string', default: '5000' },
    tries: { type: 'string', default: '200' },
  },
});
/** So many ask for the same thing at one moment. */
const AT_ONCE = 20;
/** What memory may grow by while nonsense comes, MB. */
const MOST_GROWN_MB = 50;

const found = new Findings();
let attempts = 0;
const folder = join(root, '.data', 'attack-postgres');
rmSync(folder, { recursive: true, force: true });
const cluster = await startCluster({ folder, keepRunning: true });
process.env.TEST_DATABASE_URL = cluster.url;
const office = await Office.open(true);

interface Answer {
  readonly status: number;
  readonly text: string;
  readonly body: Readonly<Record<string, unknown>>;
}
type Headers = Readonly<Record<string, string>>;

/** An address of its own for each: limits by address hold nobody else off. */
let addresses = 0;
const elsewhere = (): Headers => ({
  'x-forwarded-for': `10.${(addresses >> 16) & 255}.${(addresses >> 8) & 255}.${addresses++ & 255}`,
});

async function ask(method: string, path: string, headers: Headers, body?: unknown): Promise<Answer> {
  attempts++;
  const response = await fetch(`${office.address}${path}`, {
    method: method.toUpperCase(),
    headers: { 'content-type': 'application/json', ...elsewhere(), ...headers },
    redirect: 'manual',
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });
  const text = await response.text();
  let said = {};
  try {
    said = JSON.parse(text) as object;
  } catch {
    // a page, or nothing
  }
  return { status: response.status, text, body: said as Answer['body'] };
}

/** Tries one kind of thing, and says what of it did not hold. */
async function tried(what: string, attack: (fails: (words: string) => void) => Promise<void>): Promise<void> {
  const before = attempts;
  const failed: string[] = [];
  await attack((words) => void failed.push(words));
  found.say(what, failed.length === 0, `${attempts - before} attempts${failed.length > 0 ? `, ${failed.length} did not hold: ${failed.slice(0, 3).join(' | ').slice(0, 900)}` : ''}`); // prettier-ignore
}

const changeOf = (body: ChangeBody): Change => ({ ...body, id: randomUUID(), at: new Date().toISOString() }) as Change;
const opening = (inspection: string, address: string) =>
  changeOf({ type: 'open', inspection, header: { address, owner: '', permit: '', edition: '2020' } });
type Results = { readonly id: string | null; readonly status: string; readonly detail?: string }[];
const send = async (who: Session, changes: readonly unknown[], more: object = {}): Promise<Results> =>
  ((await ask('post', '/api/changes', who.headers, { changes, ...more })).body.results as Results) ?? [];

interface Operation {
  readonly security?: readonly { readonly session: readonly string[] }[];
}
const ROUTES = Object.entries(openApi().paths as Record<string, Record<string, Operation>>).flatMap(
  ([path, operations]) =>
    Object.entries(operations).map(([method, one]) => ({ method, path, needs: one.security?.[0]?.session })),
);
const filled = (path: string, id: string = randomUUID()) =>
  path.replace('{id}', id).replace('{sha256}', 'ab'.repeat(32)).replace('{secret}', 'x');
const isError = ({ status }: Answer) => status >= 500 && status !== 507;

/** Somebody of a role, who has come in by a link as everybody does. */
async function invited(lead: Session, role: string, firm = ''): Promise<Session & { readonly login: string }> {
  const name = `${role} ${randomUUID().slice(0, 8)}`;
  const login = randomUUID();
  const { token } = (await ask('post', '/api/invites', lead.headers, { role, name, firm })).body as { token: string };
  const joined = await ask('post', '/api/join', {}, { token, name, login, password: DEMO_PASSWORD });
  if (joined.status !== 201) throw new Error(`${role}: ${joined.text}`);
  return { ...(await signIn(office.address, login, DEMO_PASSWORD, elsewhere())), login };
}

async function routes(people: Readonly<Record<string, Session>>): Promise<void> {
  await tried('every route in every role answers as the table of who may what says', async (fails) => {
    for (const [role, who] of Object.entries(people))
      for (const { method, path, needs } of ROUTES) {
        if (['/api/session', '/api/sessions', '/api/password'].includes(path) && method !== 'get') continue; // it would sign out
        const answer = await ask(method, filled(path), who.headers);
        const shut = needs !== undefined && needs.length > 0 && !needs.includes(role);
        if (isError(answer) || answer.status === 401 || (shut && answer.status !== 403))
          fails(`${role} ${method} ${path}: ${answer.status}`);
      }
  });
  await tried('without a session only what needs none answers', async (fails) => {
    for (const { method, path, needs } of ROUTES) {
      const { status } = await ask(method, filled(path), {});
      if (needs !== undefined && status !== 401) fails(`${method} ${path}: ${status}`);
    }
  });
  await tried('nothing is changed without the session’s own token, or in another’s name', async (fails) => {
    const { lead, reader } = people as { lead: Session; reader: Session };
    for (const { method, path, needs } of ROUTES.filter((one) => one.method !== 'get' && one.needs !== undefined))
      for (const token of ['', 'x', reader.headers['x-csrf-token']!]) {
        const { status } = await ask(method, filled(path), { ...lead.headers, 'x-csrf-token': token }, {});
        if (needs !== undefined && status !== 403) fails(`${method} ${path}: ${status}`);
      }
    const { status } = await ask('post', '/api/changes', { ...lead.headers, 'x-account': reader.id }, { changes: [] });
    if (status < 400) fails(`another’s name: ${status}`);
  });
  await tried('what each role may change, it may; the rest it may not', async (fails) => {
    const house = randomUUID();
    await send(people.lead!, [opening(house, 'Roles Row')]);
    for (const [role, who] of Object.entries(people)) {
      if (['contractor', 'firm-lead'].includes(role)) continue; // whose house it is not
      const [{ status } = { status: '?' }] = await send(who, [changeOf(touched(house, 'breaker.ratingA', 20))]);
      const may = (MAY as Readonly<Record<string, readonly string[]>>)[role]?.includes(CHANGES.facts.may) === true;
      if ((status === 'taken') !== may) fails(`${role}: ${status}`);
    }
  });
}

async function planted(lead: Session, joss: Session): Promise<void> {
  await tried('no column is planted: what is not named is refused, and nobody signs in by it', async (fails) => {
    const hash = '$argon2id$v=19$m=19456,t=2,p=1$AAAAAAAAAAAAAAAAAAAAAA$AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA';
    for (const column of [
      'passwordHash',
      'password_hash',
      'name',
      'email',
      'feedHash',
      'login',
      'office',
      'id',
      'demo',
      'voidBefore',
      '__proto__',
      'constructor',
    ])
      // prettier-ignore
      for (const value of [hash, null, {}, [hash]]) {
        const { status } = await ask('patch', `/api/people/${joss.id}`, lead.headers, { [column]: value });
        if (status < 400 || status >= 500) fails(`${column}: ${status}`);
      }
    await signIn(office.address, 'joss', DEMO_PASSWORD, elsewhere()).catch((error: Error) => fails(error.message));
  });
}

async function forged(lead: Session): Promise<void> {
  await tried(
    'a contractor who is party writes nothing in the office’s record, nor in another’s name',
    async (fails) => {
      const firm = await invited(lead, 'firm-lead', `Firm ${randomUUID().slice(0, 6)}`);
      const house = randomUUID();
      await send(firm, [opening(house, 'Forged Row'), changeOf(touched(house, 'breaker.ratingA', 50)), changeOf({ type: 'request', inspection: house })]); // prettier-ignore
      await send(lead, [changeOf(touched(house, 'breaker.ratingA', 50))]);
      const evidence = randomUUID();
      const [own, violation] = cited(house);
      const answers = await send(lead, [
        changeOf(touched(house, 'breaker.heldDown', 'no')),
        own,
        changeOf({ type: 'evidence', inspection: house, evidence, is: { about: 'breaker.ratingA', text: 'Seen by me.', photo: null } }), // prettier-ignore
      ]);
      const first = (await ask('get', `/api/inspections/${house}`, lead.headers)).body as unknown as Inspection;
      answers.push(...(await send(lead, [signedBy(lead, first)])));
      if (answers.some(({ status }) => status !== 'taken')) fails(`the office’s own: ${JSON.stringify(answers)}`);
      const before = JSON.stringify((await ask('get', `/api/inspections/${house}`, lead.headers)).body.evidence);
      const forgeries: unknown[] = [
        { type: 'violation', violation, to: 'claimed', words: 'Corrected by us.', dueOn: '2099-01-01' },
        { type: 'violation', violation, to: 'claimed', words: 'Corrected by us.', variance: 'granted' },
        { type: 'violation', violation, to: 'corrected', words: 'Corrected by us.' },
        { type: 'evidence', evidence, is: { about: 'breaker.ratingA', text: 'Not seen.', photo: null } },
        { type: 'evidence', evidence, is: null },
        { type: 'evidence', evidence: randomUUID(), is: { about: 'breaker.ratingA', text: 'His.', photo: null }, was: { at: '2026-01-01T00:00:00Z', by: lead.name } }, // prettier-ignore
        { type: 'facts', facts: [{ path: 'source.neutralFrameOhm', value: 0.1, how: 'meter', was: { how: 'meter', by: lead.name, at: '2026-01-01T00:00:00Z' } }] }, // prettier-ignore
        { type: 'facts', facts: [{ path: 'breaker.ratingA', value: 30, how: 'touched' }] },
        { type: 'order', order: randomUUID(), to: 'lifted', words: 'All is well by now.' },
        { type: 'decide', base: 1, shown: 'a'.repeat(64), decision: {} },
      ];
      for (const one of forgeries) {
        const [{ status } = { status: '?' }] = await send(firm, [{ ...(one as object), inspection: house, id: randomUUID(), at: new Date().toISOString() }]); // prettier-ignore
        if (status === 'taken') fails(JSON.stringify(one));
      }
      // What he may: else nothing was tried.
      const [claimed] = await send(firm, [changeOf({ type: 'violation', inspection: house, violation, to: 'claimed', words: 'Corrected by us.' })]); // prettier-ignore
      if (claimed?.status !== 'taken') fails(`his own claim: ${JSON.stringify(claimed)}`);
      const after = JSON.stringify((await ask('get', `/api/inspections/${house}`, lead.headers)).body.evidence);
      if (after !== before) fails('a note of the office was rewritten');
    },
  );
}

async function races(lead: Session): Promise<void> {
  const atOnce = (work: (n: number) => Promise<Answer>) =>
    Promise.all(Array.from({ length: AT_ONCE }, (_, n) => work(n)));
  const onlyOne = (fails: (words: string) => void, what: string, answers: readonly boolean[]) => {
    const n = answers.filter(Boolean).length;
    if (n !== 1) fails(`${what}: ${n} of ${answers.length}`);
  };
  await tried(
    `of ${AT_ONCE} at one moment one is let in, decides, gets a new password, lifts an order`,
    async (fails) => {
      const { token } = (await ask('post', '/api/invites', lead.headers, { role: 'reader', name: 'Race' })).body as {
        token: string;
      };
      const joined = await atOnce((n) => ask('post', '/api/join', {}, { token, name: `Racer ${'abcdefghijklmnopqrst'[n]}`, login: randomUUID(), password: DEMO_PASSWORD })); // prettier-ignore
      onlyOne(
        fails,
        'invitation',
        joined.map(({ status }) => status === 201),
      );
      const reader = await invited(lead, 'reader');
      const link = (await ask('post', `/api/people/${reader.id}/reset`, lead.headers, {})).body as { token: string };
      const reset = await atOnce((n) => ask('post', '/api/join', {}, { token: link.token, password: `a long password ${n}` })); // prettier-ignore
      onlyOne(
        fails,
        'reset',
        reset.map(({ status }) => status === 201),
      );
      const house = randomUUID();
      await send(lead, [opening(house, 'Race Row')]);
      const seen = (await ask('get', `/api/inspections/${house}`, lead.headers)).body as unknown as Inspection;
      const decided = await atOnce(() =>
        ask('post', '/api/changes', lead.headers, { changes: [signedBy(lead, seen)] }),
      );
      onlyOne(
        fails,
        'decision',
        decided.map(({ body }) => (body.results as Results | undefined)?.[0]?.status === 'taken'),
      );
    },
  );
  await tried('what was used once is used up: a change, a session, a link, another’s number', async (fails) => {
    const house = randomUUID();
    const open = opening(house, 'Replay Row');
    const statuses = [...(await send(lead, [open, open])), ...(await send(lead, [{ ...open, at: '2026-01-01T00:00:00Z' }]))]; // prettier-ignore
    if (statuses.map(({ status }) => status).join() !== 'taken,taken-before,refused') fails(JSON.stringify(statuses));
    const gone = await invited(lead, 'inspector');
    const slow = Promise.all(
      Array.from({ length: 8 }, () => ask('get', '/api/inspections/list?limit=100', gone.headers)),
    );
    await ask('delete', '/api/session', gone.headers);
    await slow;
    for (let i = 0; i < 8; i++)
      if ((await ask('get', '/api/inspections', gone.headers)).status !== 401)
        fails('a session that was ended lives on');
    const off = await invited(lead, 'inspector');
    const link = (await ask('post', `/api/people/${off.id}/reset`, lead.headers, {})).body as { token: string };
    await ask('patch', `/api/people/${off.id}`, lead.headers, { active: false });
    if ((await ask('get', '/api/inspections', off.headers)).status < 400)
      fails('somebody who is switched off reads on');
    if ((await ask('post', '/api/join', {}, { token: link.token, password: 'another long password' })).status < 400) fails('a link outlives its account'); // prettier-ignore
  });
}

/** A finding cited as a violation, and its id. */
function cited(inspection: string): [Change, string] {
  const violation = randomUUID();
  const is = { words: 'It is not held down.', remedy: '', cites: ['408.36(D)'], severity: 'correction', station: 'breaker' } as const; // prettier-ignore
  return [changeOf({ type: 'violation', inspection, violation, to: 'open', words: '', findings: [{ rule: 'breaker/held-down', part: null }], is } as unknown as ChangeBody), violation]; // prettier-ignore
}

const signedBy = (who: Session, seen: Inspection): Change => changeOf(correctionsOn(seen, who.name));

async function clocks(lead: Session): Promise<void> {
  await tried(
    'a clock that is wrong dates nothing, signs no earlier and no later, and lengthens no password',
    async (fails) => {
      for (const now of [
        '2001-01-01T00:00:00.000Z',
        '2099-01-01T00:00:00.000Z',
        new Date(Date.now() - 20 * 3600_000).toISOString(),
      ]) {
        const house = randomUUID();
        await send(lead, [{ ...opening(house, 'Clock Row'), at: now }], { now });
        const open = (await ask('get', `/api/inspections/${house}`, lead.headers)).body as unknown as Inspection;
        if (Math.abs(Date.parse(open.openedAt) - Date.now()) > 60_000) fails(`opened at ${open.openedAt}`);
        await send(lead, [{ ...signedBy(lead, open), at: now }], { now });
        const { decisions } = (await ask('get', `/api/inspections/${house}`, lead.headers))
          .body as unknown as Inspection;
        if (decisions.length !== 1 || Math.abs(Date.parse(decisions[0]!.at) - Date.now()) > 60_000) fails(`signed at ${decisions[0]?.at}`); // prettier-ignore
      }
    },
  );
}

async function sizes(lead: Session): Promise<void> {
  await tried('a name of 1 MB, a body of 20 MB, an address of 100 KB: refused, and none of it kept', async (fails) => {
    const before = rssMb(office);
    const big = 'x'.repeat(1_000_000);
    for (let i = 0; i < 600; i++) {
      const answer = await ask('post', '/api/session', {}, { login: big + i, password: 'x' });
      if (answer.status < 400 || isError(answer)) fails(`sign-in: ${answer.status}`);
    }
    for (const [method, path] of [
      ['post', '/api/changes'],
      ['patch', '/api/office'],
      ['post', '/api/invites'],
    ] as const) {
      const answer = await ask(method, path, lead.headers, `{"x":"${'x'.repeat(20_000_000)}"}`).catch(
        () => ({ status: 413 }) as Answer,
      );
      if (answer.status < 400 || isError(answer)) fails(`${path}: ${answer.status}`);
    }
    const answer = await ask('get', `/api/inspections/${'x'.repeat(10_000)}`, lead.headers);
    if (answer.status < 400 || isError(answer)) fails(`address: ${answer.status}`);
    const grown = rssMb(office) - before;
    if (grown > 2 * MOST_GROWN_MB) fails(`memory grew by ${Math.round(grown)} MB`);
  });
}

/** Another office on the same server: nothing of the first is told to its lead. */
async function otherOffice(lead: Session): Promise<void> {
  await tried('the lead of another office is told nothing of this one', async (fails) => {
    const id = randomUUID();
    await office.sql(`insert into offices (id, name, edition) values ('${id}', 'Elsewhere', '2020')`);
    await office.sql(`insert into accounts (id, office, login, name, role, password_hash) select gen_random_uuid(), '${id}', 'far', 'Far Lead', 'lead', password_hash from accounts where login = 'ilse'`); // prettier-ignore
    const far = await signIn(office.address, 'far', DEMO_PASSWORD, elsewhere());
    const { inspections } = (await ask('get', '/api/inspections?since=0', lead.headers)).body as unknown as { inspections: Inspection[] }; // prettier-ignore
    const secrets = inspections.map(({ header }) => header.address);
    for (const { id: house } of inspections.slice(0, 5))
      for (const { method, path } of ROUTES) {
        if (path === '/api/session' || path === '/api/sessions' || path === '/api/password') continue;
        const answer = await ask(method, filled(path, house), far.headers, method === 'get' ? undefined : {});
        if (isError(answer) || secrets.some((one) => answer.text.includes(one)))
          fails(`${method} ${path}: ${answer.status}`);
      }
    const taken = await send(far, inspections.slice(0, 5).map((one) => changeOf(touched(one.id, 'breaker.ratingA', 20)))); // prettier-ignore
    if (taken.some(({ status }) => status === 'taken')) fails('changed from another office');
  });
}

const text = fc.oneof(
  fc.uuid(),
  fc.string({ maxLength: 40, unit: 'binary' }),
  fc.constantFrom('', '0', '-1', '1e309', 'null', '__proto__', 'constructor', '../../etc', '\u0000', "' or 1=1 --", '\ud800', '2026-02-31'), // prettier-ignore
);
const anything = fc.oneof(text, fc.jsonValue({ maxDepth: 3 }));

/** Changes of every type, whole but for a few keys that are something else. */
function madeUp(house: string, known: readonly Change[]): fc.Arbitrary<object> {
  const fields = fc.dictionary(
    fc.constantFrom('words', 'to', 'facts', 'decision', 'header', 'is', 'findings', 'entry', 'was', 'over', 'part', 'list', 'index', 'violation', 'order', 'visit', 'condition', 'evidence', 'dueOn', 'day', 'base', 'shown', 'at', 'id', 'rules', 'unheard'), // prettier-ignore
    anything,
    { maxKeys: 6 },
  );
  const made = fc
    .tuple(fc.constantFrom(...Object.keys(CHANGES), 'fact', 'x'), fields)
    .map(([type, more]) => ({ id: randomUUID(), at: new Date().toISOString(), inspection: house, type, ...more }));
  const bent = fc
    .tuple(fc.constantFrom(...known), fields)
    .map(([one, more]) => ({ ...one, id: randomUUID(), inspection: house, ...more }));
  return fc.oneof(
    made,
    bent,
    anything.map((one) => ({ value: one }).value as object),
  );
}

async function fuzzed(lead: Session): Promise<void> {
  const house = randomUUID();
  await send(lead, [opening(house, 'Fuzz Row')]);
  const known: Change[] = [
    changeOf(touched(house, 'breaker.ratingA', 50)),
    changeOf({ type: 'evidence', inspection: house, evidence: randomUUID(), is: { about: 'breaker.ratingA', text: 'A note.', photo: null } }), // prettier-ignore
    changeOf({ type: 'visit', inspection: house, visit: randomUUID(), to: 'scheduled', words: '', day: '2026-12-20', inspector: lead.name }), // prettier-ignore
  ];
  const changes = Number(values.changes);
  const PORTION = 100;
  let before = 0;
  await tried(`${changes} changes that are made up: each answered by itself, none with a 500`, async (fails) => {
    for (let i = 0; i < changes / PORTION; i++) {
      const portion = fc.sample(madeUp(house, known), { numRuns: PORTION, seed: i });
      const answer = await ask('post', '/api/changes', lead.headers, { changes: portion });
      if (answer.status !== 200 || (answer.body.results as Results).length !== portion.length) fails(`portion ${i}: ${answer.status} ${answer.text.slice(0, 200)}`); // prettier-ignore
      if (i === Math.ceil(changes / PORTION / 4)) before = rssMb(office); // by then caches are full
    }
    const grown = rssMb(office) - before;
    if (changes >= 4 * PORTION && grown > MOST_GROWN_MB) fails(`memory grew by ${Math.round(grown)} MB`);
    const seen = (await ask('get', `/api/inspections/${house}`, lead.headers)).body as unknown as Inspection;
    if (seen.id !== house) fails('the house cannot be read any more');
    else judged(seen); // nor so that nobody can decide on it
  });
  const bodies = Number(values.bodies);
  await tried(`${bodies} bodies over all routes: no 500`, async (fails) => {
    const writing = ROUTES.filter(({ method, path }) => method !== 'get' && !['/api/session', '/api/sessions', '/api/password'].includes(path)); // prettier-ignore
    const samples = fc.sample(fc.tuple(anything, fc.dictionary(fc.constantFrom('role', 'name', 'active', 'firm', 'words', 'take', 'by', 'inspection', 'entries', 'profile', 'day', 'email', 'kind', 'reason', 'token', 'login', 'password'), anything)), bodies); // prettier-ignore
    for (const [i, [one, fields]] of samples.entries()) {
      const { method, path } = writing[i % writing.length]!;
      const answer = await ask(method, filled(path), lead.headers, i % 2 ? JSON.stringify(one) : fields);
      if (isError(answer) || /\n\s+at |node_modules/.test(answer.text)) fails(`${method} ${path} ${JSON.stringify(fields).slice(0, 200)}: ${answer.status}`); // prettier-ignore
    }
  });
}

/** Whether a name is known is not to be told by how long a wrong password takes. */
async function timing(lead: Session): Promise<void> {
  const tries = Number(values.tries);
  const known: string[] = [];
  for (let i = 0; i < Math.ceil(tries / 15); i++) known.push((await invited(lead, 'reader')).login); // a name is tried 30 times a minute
  const took = { known: [] as number[], unknown: [] as number[] };
  await tried(
    `a sign-in takes the same for names that there are and for names that there are none of (within 5 %)`,
    async (fails) => {
      for (let i = 0; i < tries; i++)
        for (const which of i % 2 ? (['known', 'unknown'] as const) : (['unknown', 'known'] as const)) {
          const login = which === 'known' ? known[i % known.length]! : randomUUID();
          const begun = performance.now();
          const { status } = await ask('post', '/api/session', {}, { login, password: 'not the password' });
          took[which].push(performance.now() - begun);
          if (status !== 401) fails(`${which}: ${status}`);
        }
      const median = (all: number[]) => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)]!;
      const [one, other] = [median(took.known), median(took.unknown)];
      console.log(
        `       known ${one.toFixed(1)} ms, unknown ${other.toFixed(1)} ms, ratio ${(one / other).toFixed(3)}`,
      );
      if (Math.abs(one / other - 1) > 0.05) fails(`ratio ${(one / other).toFixed(3)}`);
    },
  );
}

async function sealed(): Promise<void> {
  const { db, pool } = connect(office.databaseUrl, () => undefined);
  const { publicKeys } = await openKeys(KEYS);
  const { rows } = await pool.query<{ id: string }>(`select id from offices where name <> 'Elsewhere'`);
  const { lines, wrong } = await verifyOffice(db, publicKeys, rows[0]!.id);
  found.say('after all of it every seal holds, and every house is what its log tells', wrong === undefined, wrong ?? `${lines} lines hold`); // prettier-ignore
  await pool.end();
}

try {
  await office.stop();
  office.settings = { TRUST_PROXY: '1' }; // each try comes from an address of its own
  await office.start();
  const lead = await signIn(office.address, 'ilse');
  const joss = await signIn(office.address, 'joss');
  const roles = { lead, inspector: await invited(lead, 'inspector'), reader: await invited(lead, 'reader'), contractor: await invited(lead, 'contractor'), 'firm-lead': await invited(lead, 'firm-lead', 'Attack & Sons') }; // prettier-ignore
  const unlisted = await invited(lead, 'reader');
  await office.sql(`update accounts set role = 'auditor' where id = '${unlisted.id}'`);
  await routes({ ...roles, auditor: unlisted });
  await office.sql(`update accounts set role = 'reader' where id = '${unlisted.id}'`);
  await planted(lead, joss);
  await forged(lead);
  await races(lead);
  await clocks(lead);
  await sizes(lead);
  await otherOffice(lead);
  await fuzzed(lead);
  await timing(lead);
  await sealed();
} finally {
  await office.close();
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
console.log(`${attempts} attempts, ${found.failures} did not hold`);
process.exit(found.failures === 0 ? 0 : 1);
