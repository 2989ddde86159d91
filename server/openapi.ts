import { EDITIONS } from '@careful-latch/core/codebook';
import { HOWS, STATIONS } from '@careful-latch/core/case';
import {
  APPEAL_STATES,
  CHANGES,
  CONDITION_STATES,
  DECISIONS,
  INSTALLER_KINDS,
  KEPT,
  ORDER_KINDS,
  ORDER_STATES,
  PAPER_STATES,
  PERMIT_STATES,
  ROLES,
  VIOLATION_STATES,
  VISIT_STATES,
} from '@careful-latch/core/record';
import { STORM_ASKS, STORM_RELEASES, stormEntrySchema } from '@careful-latch/core/storm';
import { caseJsonSchema } from '@careful-latch/core/formats';
import { profileJsonSchema } from '@careful-latch/core/profile';

import type { AnySchema } from 'yup';
import { changesSchema } from './changes/routes';
import { placeSchema } from './evidence/routes';
import { heldEntriesSchema, leftOutSchema } from './held/routes';
import { listSchema } from './inspections/list';
import { cursorSchema } from './inspections/routes';
import { jsonSchemaOf, queryParametersOf } from './json-schema';
import { destroySchema, yearsSchema } from './keeping/routes';
import { forgottenSchema, ownAddressSchema } from './mail/routes';
import { monthSchema } from './month/routes';
import { noteSchema } from './notes/routes';
import { partySchema } from './parties/routes';
import {
  inviteSchema,
  joinSchema,
  officeChangeSchema,
  passwordAgainSchema,
  passwordSchema,
  personChangeSchema,
} from './people/routes';
import { findPermitSchema } from './permits/routes';
import { adoptSchema } from './rules/routes';
import { credentialsSchema } from './sessions/routes';
import { setupSchema } from './setup/routes';
import { stormEntriesSchema, stormSchema, stormSinceSchema } from './storms/routes';

type Json = Record<string, unknown>;
const ref = (name: string): Json => ({ $ref: `#/components/schemas/${name}` });
const text: Json = { type: 'string' };
const uuid: Json = { type: 'string', format: 'uuid' };
const version: Json = { type: 'integer', minimum: 1 };
const instant: Json = { type: 'string', format: 'date-time' };
const object = (properties: Record<string, Json>, optional: string[] = []): Json => ({
  type: 'object',
  additionalProperties: false,
  properties,
  required: Object.keys(properties).filter((key) => !optional.includes(key)),
});
const list = (items: Json): Json => ({ type: 'array', items });
const nullable = (schema: Json): Json => ({ anyOf: [schema, { type: 'null' }] });

const header = object({ address: text, owner: text, permit: text, edition: { enum: EDITIONS } });
const day: Json = { type: 'string', format: 'date' };
const station: Json = { enum: [...STATIONS] };
const states = (of: Record<string, string>): Json => ({ enum: Object.keys(of) });
const steps = (of: Record<string, string>) => list(object({ to: states(of), at: instant, by: text, words: text }));
const condition = { id: uuid, text, dueOn: day, of: nullable(text) };
const order = { kind: states(ORDER_KINDS), ground: text, covers: text, mayDo: text, told: text };
const signature = object({ name: text, path: text });
const decision = {
  kind: { enum: Object.keys(DECISIONS) },
  conditions: list(object(condition)),
  dueOn: nullable(day),
  order: nullable(object(order)),
  scope: list(station),
  leftOut: text,
  handover: text,
  signature,
};
/** As it was signed before violations had a life of their own. */
const olderDecision = {
  kind: { enum: Object.keys(DECISIONS) },
  conditions: text,
  dueOn: nullable(day),
  overruled: list(object({ rule: text, reason: text })),
  signature,
};
const count: Json = { type: 'integer', minimum: 0 };
const counted = list(object({ of: text, n: count }));
const stormEntry = {
  id: uuid,
  storm: uuid,
  at: instant,
  address: text,
  kind: { enum: ['taken', 'seen'] },
  answers: object(
    Object.fromEntries(Object.entries(STORM_ASKS).map(([ask, { answers: of }]) => [ask, states(of)])),
    Object.keys(STORM_ASKS),
  ),
  release: states(STORM_RELEASES),
};
const stormOptional = ['answers', 'release'];
const installer = { kind: states(INSTALLER_KINDS), name: text, license: text };
const finding = { rule: text, part: nullable(text) };
const number: Json = { type: 'integer', minimum: 1 };
const wrong = { words: text, remedy: text, cites: list(text), severity: { enum: ['hazard', 'correction'] }, station };
const variance = object({ authority: text, section: text, extent: text, until: nullable(day) });

const step = object({ label: text, value: { type: ['number', 'string'] }, unit: text, source: text });
const contradiction = object({
  id: text,
  facts: list(text),
  unconfirmed: list(text),
  ends: nullable(text),
  sentence: text,
});
const outcome = object(
  {
    rule: text,
    station: text,
    outcome: { enum: ['holds', 'violation', 'unproven', 'not-applicable'] },
    severity: { enum: ['hazard', 'correction', 'advisory'] },
    found: { type: ['number', 'string', 'null'] },
    allowed: { type: ['number', 'string', 'null'] },
    unit: { type: ['string', 'null'] },
    needs: list(text),
    reason: text,
    cites: list(text),
    working: list(step),
    remedy: { type: ['string', 'null'] },
    part: { type: ['string', 'null'] },
    others: list(
      object({
        part: text,
        severity: { enum: ['hazard', 'correction', 'advisory'] },
        reason: text,
        remedy: nullable(text),
      }),
    ),
    reading: { type: ['string', 'null'] },
    changedBy: { type: ['string', 'null'] },
  },
  ['part', 'others', 'reading', 'changedBy'], // records sealed by older engines have none
);

const fraction: Json = { type: 'number', minimum: 0, maximum: 1 };

const value: Json = { type: ['string', 'number', 'null'] };

const mark = object({ kind: { enum: ['ring', 'arrow'] }, x: fraction, y: fraction, turnDeg: { type: 'number' } });
const shown = {
  about: text,
  text,
  photo: nullable(object({ sha256: text, bytes: number, widthPx: number, heightPx: number, marks: list(mark) })),
};
const madeBy = { at: instant, by: text };

/** What is sent, as the schema has it that reads it. */
const sent: Record<string, AnySchema> = {
  Credentials: credentialsSchema,
  Setup: setupSchema,
  HeldEntries: heldEntriesSchema,
  LeftOut: leftOutSchema,
  Note: noteSchema,
  Years: yearsSchema,
  Destroy: destroySchema,
  Party: partySchema,
  StormOpened: stormSchema,
  OwnAddress: ownAddressSchema,
  Forgotten: forgottenSchema,
  PasswordAgain: passwordAgainSchema,
  OfficeChange: officeChangeSchema,
  Adopt: adoptSchema,
  Invite: inviteSchema,
  Join: joinSchema,
  PersonChange: personChangeSchema,
  Password: passwordSchema,
};

/** Portions of what devices recorded: each entry is read by itself, and refused by itself. */
const portions = (): Record<string, Json> => ({
  StormEntries: portion(stormEntriesSchema, 'entries', jsonSchemaOf(stormEntrySchema)),
  Changes: portion(changesSchema, 'changes', { oneOf: Object.values(CHANGES).map(changeJson) }),
});
function portion(schema: AnySchema, name: string, items: Json): Json {
  const whole = jsonSchemaOf(schema) as { properties: Record<string, Json> };
  return { ...whole, properties: { [name]: { ...whole.properties[name], items } } };
}
function changeJson({ type, schema }: { readonly type: string; readonly schema: AnySchema }): Json {
  const whole = jsonSchemaOf(schema) as { properties: Record<string, Json> };
  return { ...whole, properties: { ...whole.properties, type: { const: type } } };
}

const schemas: Record<string, Json> = {
  Problem: object({ type: text, title: text, status: { type: 'integer' }, detail: text }),
  Health: object({ status: text }),
  Session: object({
    csrfToken: { type: ['string', 'null'] },
    switchedOff: { type: 'boolean' },
    account: nullable(object({ id: uuid, login: text, name: text, role: { enum: Object.keys(ROLES) } })),
    office: nullable(
      object({
        id: uuid,
        name: text,
        edition: { enum: EDITIONS },
        rules: nullable(ref('OfficeRules')),
        firm: nullable(text),
        offlineHours: { type: 'integer' },
        zone: text,
        inspectors: list(text),
      }),
    ),
    demo: list(object({ login: text, name: text, role: text, password: text })),
    passwordAt: { type: ['integer', 'null'] },
    needsSetup: { type: 'boolean' },
  }),
  Header: header,
  Signed: {
    oneOf: [decision, olderDecision].map((one) => object({ ...one, id: uuid, at: instant, seal: text }, ['seal'])),
  },
  Docket: object(
    {
      violations: list(
        object(
          {
            id: uuid,
            number,
            findings: list(object(finding)),
            ...wrong,
            dueOn: nullable(day),
            variance,
            state: states(VIOLATION_STATES),
            steps: steps(VIOLATION_STATES),
          },
          ['variance'],
        ),
      ),
      notTakenUp: list(object({ ...finding, reason: text, at: instant, by: text })),
      orders: list(
        object({ id: uuid, ...order, violations: list(uuid), state: states(ORDER_STATES), steps: steps(ORDER_STATES) }),
      ),
      conditions: list(object({ ...condition, state: states(CONDITION_STATES), steps: steps(CONDITION_STATES) })),
      visits: list(
        object(
          {
            id: uuid,
            number,
            state: states(VISIT_STATES),
            day: nullable(day),
            inspector: text,
            turn: nullable(number),
            steps: steps(VISIT_STATES),
          },
          ['turn'],
        ),
      ),
      papers: list(object({ id: uuid, state: states(PAPER_STATES), steps: steps(PAPER_STATES) })),
      appeals: list(
        object({ id: uuid, against: uuid, filedBy: text, state: states(APPEAL_STATES), steps: steps(APPEAL_STATES) }),
      ),
      permit: object({ state: states(PERMIT_STATES), until: nullable(day), steps: steps(PERMIT_STATES) }),
      hold: object({
        on: { type: 'boolean' },
        steps: list(object({ to: { enum: ['held', 'released'] }, at: instant, by: text, words: text })),
      }),
      installers: list(object({ ...installer, from: instant, by: text, words: text })),
    },
    ['papers', 'appeals', 'permit', 'installers', 'hold'],
  ),
  HeldDecisions: object({
    held: list(
      object({
        id: uuid,
        inspection: uuid,
        address: text,
        by: text,
        decision: nullable(text),
        why: text,
        signedAt: instant,
        receivedAt: instant,
      }),
    ),
    entries: list(
      object({
        inspection: uuid,
        by: uuid,
        name: text,
        address: text,
        entries: number,
        from: instant,
        to: instant,
        facts: list(object({ path: text, value: { type: ['string', 'number', 'null'] } })),
      }),
    ),
  }),
  HeldTaken: object({ taken: { type: 'integer' }, refused: list(text) }),
  Mails: object({
    mails: list(object({ id: uuid, to: text, subject: text, madeAt: instant, writtenAt: nullable(instant) })),
  }),
  FeedAddress: object({ path: text }),
  Month: object({
    month: text,
    fewest: number,
    decisions: counted,
    visits: counted,
    firstByTransfer: list(object({ of: text, n: count, passed: count })),
    firstByFirm: list(object({ of: text, n: count, passed: count })),
    taken: object({ n: count, hazards: count }),
    corrected: object({ n: count, median: { type: ['number', 'null'] } }),
    byRule: counted,
    withdrawn: counted,
    notTakenUp: counted,
    leftOut: counted,
    papers: counted,
    appeals: counted,
  }),
  Permits: object({
    permits: list(
      object({
        number: text,
        address: text,
        owner: text,
        contractor: text,
        license: text,
        until: nullable(day),
        status: text,
      }),
    ),
  }),
  PermitPosts: object({
    connected: { type: 'boolean' },
    posts: list(
      object({
        id: uuid,
        inspection: uuid,
        address: text,
        permit: text,
        decision: text,
        madeAt: instant,
        state: { enum: ['waiting', 'delivered', 'refused'] },
        tries: count,
        trouble: nullable(text),
        answer: nullable(text),
      }),
    ),
  }),
  Notes: object({ notes: list(object({ id: uuid, words: text, by: text, at: instant })) }),
  Keeping: object({
    years: ref('Years'),
    due: list(
      object({
        inspection: uuid,
        address: text,
        kind: { enum: Object.keys(KEPT) },
        n: count,
        since: day,
        held: { type: 'boolean' },
      }),
    ),
  }),
  Looked: object({
    looked: list(object({ by: text, day })),
    destroyed: list(object({ kind: { enum: Object.keys(KEPT) }, subject: text, reason: text, by: text, at: instant })),
  }),
  Parties: object({
    parties: list(object({ account: uuid, name: text, since: instant, until: nullable({ ...instant }) })),
    asked: list(object({ name: text, expiresAt: instant })),
    contractors: list(object({ account: uuid, name: text, firm: nullable(text) })),
  }),
  PartyMade: object({ token: text, expiresAt: instant, done: { const: true } }, ['token', 'expiresAt', 'done']),
  Storm: object({ id: uuid, name: text, day }),
  Storms: object({ storms: list(ref('Storm')) }),
  Opened: object({ id: uuid }),
  StormSaid: object({ entries: list(object({ ...stormEntry, by: text }, stormOptional)), cursor: count }),
  StormResults: object({
    results: list(object({ id: text, status: { enum: ['taken', 'refused'] }, detail: text }, ['detail'])),
  }),
  Claimed: object({ case: ref('Case'), ...madeBy }),
  Conflict: object({
    path: text,
    heads: list(object({ value, how: { enum: Object.keys(HOWS) }, said: text, ...madeBy }, ['said'])),
  }),
  OfficeRules: object({ version, profile: ref('Profile') }),
  Profile: profileJsonSchema(),
  Versions: object({
    versions: list(object({ version, profile: ref('Profile'), reason: text, by: text, at: instant })),
  }),
  Adopted: object({ version, moved: { type: 'integer' } }),
  Inspection: object(
    {
      id: uuid,
      rules: ref('OfficeRules'),
      conflicts: list(ref('Conflict')),
      claimed: ref('Claimed'),
      revision: { type: 'integer' },
      header: ref('Header'),
      case: ref('Case'),
      openedAt: instant,
      changedAt: instant,
      decisions: list(ref('Signed')),
      evidence: list(ref('Evidence')),
      docket: ref('Docket'),
      changedSinceDecision: { type: 'boolean' },
    },
    ['rules', 'conflicts', 'claimed'],
  ),
  Evidence: object({ ...shown, id: uuid, ...madeBy }),
  Held: object({ held: { type: 'integer' }, whole: { type: 'boolean' } }),
  Inspections: object({
    inspections: list(ref('Inspection')),
    gone: list(uuid),
    cursor: { type: 'integer' },
    more: { type: 'boolean' },
    restored: { type: 'boolean' },
  }),
  ListPage: object({
    inspections: list(
      object({
        id: uuid,
        address: text,
        owner: text,
        permit: text,
        state: nullable(text),
        dueOn: nullable(text),
        dueWhat: nullable(text),
        inspector: nullable(text),
        violated: { type: ['array', 'null'], items: text },
        changedAt: { type: 'string', format: 'date-time' },
      }),
    ),
    next: nullable(text),
  }),
  Records: object({
    records: list(
      object({
        id: uuid,
        seal: text,
        sealHolds: { type: 'boolean' },
        number: nullable(text),
        /** Its line of the ledger, as JWS. */
        line: nullable(text),
        record: object(
          {
            inspection: uuid,
            revision: { type: 'integer' },
            header: ref('Header'),
            case: ref('Case'),
            evaluation: object(
              {
                edition: { enum: EDITIONS },
                engine: text,
                verdict: text,
                outcomes: list(outcome),
                contradictions: list(contradiction),
              },
              ['contradictions'], // records sealed by older engines have none
            ),
            decision: ref('Signed'),
            signedBy: object({ account: uuid, name: text }),
            office: object({ id: uuid, name: text }),
            previousSeal: nullable(text),
            evidence: list(ref('Evidence')),
            docket: ref('Docket'),
            rules: ref('OfficeRules'),
            conflicts: list(ref('Conflict')),
            claimed: ref('Claimed'),
            receivedAt: instant,
            offline: { type: 'boolean' },
            /** With it the owner’s name is hashed into the seal; gone with the name. */
            salt: uuid,
          },
          ['evidence', 'docket', 'rules', 'conflicts', 'claimed', 'receivedAt', 'offline', 'salt'],
        ),
      }),
    ),
    keys: list({ type: 'object' }),
    /** Which records there are, as a JWS of the office. */
    statement: text,
  }),
  People: object({
    people: list(
      object({
        id: uuid,
        login: text,
        name: text,
        role: states(ROLES),
        active: { type: 'boolean' },
        firm: nullable(text),
      }),
    ),
    invites: list(object({ id: uuid, name: text, role: states(ROLES), expiresAt: instant, firm: nullable(text) })),
  }),
  Link: object({ token: text, expiresAt: instant }),
  Joined: object({ login: text }),
  Sessions: object({
    email: nullable(text),
    sessions: list(object({ signedInAt: instant, here: { type: 'boolean' } })),
  }),
  Done: object({ done: { type: 'boolean' } }),
  Results: object({
    results: list({
      oneOf: [
        object(
          {
            id: uuid,
            status: { enum: ['taken', 'taken-before'] },
            revision: { type: 'integer' },
            seal: text,
            dated: { enum: ['clock', 'bounds'] },
          },
          ['seal', 'dated'],
        ),
        object({ id: { type: ['string', 'null'] }, status: { enum: ['refused', 'held'] }, detail: text }),
      ],
    }),
  }),
};

const json = (schema: Json): Json => ({ content: { 'application/json': { schema } } });
const problem: Json = {
  description: 'A problem, with a sentence for people',
  content: { 'application/problem+json': { schema: ref('Problem') } },
};
const answers = (status: string, name: string, description: string, problems: string[]): Json => ({
  [status]: { description, ...json(ref(name)) },
  ...Object.fromEntries([...problems, '503'].map((one) => [one, problem])),
});
const idParameter: Json = { name: 'id', in: 'path', required: true, schema: uuid };
const photoParameters: Json[] = [
  idParameter,
  { name: 'sha256', in: 'path', required: true, schema: { type: 'string', pattern: '^[0-9a-f]{64}$' } },
];
/** Whose device it is: refused where the session is somebody else’s. */
const accountParameter = { name: 'x-account', in: 'header', required: true, schema: uuid };
/** Which copy of the office a device has heard of: nothing is taken on another. Again: what it was told was taken, before that. */
const epochParameters = [
  { name: 'x-epoch', in: 'header', schema: uuid },
  { name: 'x-again', in: 'header', schema: { const: '1' } },
];
const signedIn = { security: [{ session: [] }] };
const inspectorsOnly = { security: [{ session: ['inspector', 'lead'] }] };
const leadOnly = { security: [{ session: ['lead'] }] };
const leadOfPeople = { security: [{ session: ['lead', 'firm-lead'] }] };
const protectedChange = { parameters: [{ name: 'x-csrf-token', in: 'header', required: true, schema: text }] };
const body = (name: string): Json => ({ requestBody: { required: true, ...json(ref(name)) } });

/** The server's interface as OpenAPI 3.1. */
export function openApi(): Json {
  const { $schema: _, ...caseSchema } = caseJsonSchema();
  return {
    openapi: '3.1.0',
    info: {
      title: 'Careful Latch',
      version: '0.1.0',
      description:
        'Inspections of portable generator connections. It records and computes; it approves nothing by itself.',
    },
    paths: {
      '/healthz': { get: { summary: 'The process is alive', responses: answers('200', 'Health', 'Alive', []) } },
      '/readyz': {
        get: { summary: 'The database answers too', responses: answers('200', 'Health', 'Ready', ['503']) },
      },
      '/api/session': {
        get: {
          summary: 'Who is signed in, and the token that changes must carry',
          responses: answers('200', 'Session', 'The session', []),
        },
        post: {
          summary: 'Sign in',
          ...body('Credentials'),
          responses: answers('200', 'Session', 'Signed in', ['401', '403', '422', '429']),
        },
        delete: {
          summary: 'Sign out',
          ...protectedChange,
          responses: answers('200', 'Session', 'Signed out', ['401', '403']),
        },
      },
      '/api/setup': {
        post: {
          summary: 'First account of a fresh installation',
          ...body('Setup'),
          responses: {
            '201': { description: 'Made', ...json(object({ login: text })) },
            '403': problem,
            '409': problem,
            '422': problem,
            '503': problem,
          },
        },
      },
      '/api/inspections': {
        get: {
          summary:
            'The inspections that were changed since a count of the office, at most 50 at once; `cursor` is what to ask from on next',
          ...signedIn,
          parameters: queryParametersOf(cursorSchema),
          responses: answers('200', 'Inspections', 'The inspections', ['401', '409', '422']),
        },
      },
      '/api/inspections/list': {
        get: {
          summary: 'A page of the office’s list, without cases; `next` is where the following page begins (`after`)',
          ...signedIn,
          parameters: queryParametersOf(listSchema),
          responses: answers('200', 'ListPage', 'The page', ['401', '422']),
        },
      },
      '/api/inspections/{id}': {
        get: {
          summary: 'One inspection',
          ...signedIn,
          parameters: [idParameter],
          responses: answers('200', 'Inspection', 'The inspection', ['401', '404', '422']),
        },
      },
      '/api/inspections/{id}/records': {
        get: {
          summary: 'Its signed records, and whether their seals hold',
          ...signedIn,
          parameters: [idParameter],
          responses: answers('200', 'Records', 'The records', ['401', '422']),
        },
      },
      '/api/inspections/{id}/photos/{sha256}': {
        put: {
          summary: 'A piece of a photo, at most 512 KB, at its place; the same piece twice is one',
          ...signedIn,
          parameters: [...photoParameters, ...protectedChange.parameters, ...queryParametersOf(placeSchema)],
          requestBody: { required: true, content: { 'application/octet-stream': {} } },
          responses: answers('200', 'Held', 'How much of it is there', ['401', '403', '404', '413', '422']),
        },
        get: {
          summary: 'A photo that has come whole',
          ...signedIn,
          parameters: photoParameters,
          responses: {
            '200': { description: 'The photo', content: { 'image/jpeg': {} } },
            '401': problem,
            '404': problem,
            '422': problem,
            '503': problem,
          },
        },
      },
      '/api/rules': {
        get: {
          summary: 'What the office has adopted and amended, the newest version first',
          ...signedIn,
          responses: answers('200', 'Versions', 'The versions', ['401']),
        },
        post: {
          summary: 'Adopts another version of the office’s rules; the lead’s',
          ...leadOnly,
          parameters: protectedChange.parameters,
          ...body('Adopt'),
          responses: answers('201', 'Adopted', 'Adopted', ['401', '403', '409', '422']),
        },
      },
      '/api/held': {
        get: {
          summary:
            'Decisions that were signed without signal and not sealed, and what came from who was switched off: one’s own, the lead’s all',
          ...signedIn,
          responses: answers('200', 'HeldDecisions', 'What waits', ['401']),
        },
        post: {
          summary: 'Takes in what somebody sent of a house after being switched off, or leaves it out; the lead’s',
          ...leadOnly,
          ...protectedChange,
          ...body('HeldEntries'),
          responses: answers('200', 'HeldTaken', 'Taken in, or left out', ['401', '403', '404', '422']),
        },
      },
      '/api/held/{id}': {
        post: {
          summary: 'Leaves one unsealed, and says why; the lead’s',
          ...leadOnly,
          parameters: [idParameter, ...protectedChange.parameters],
          ...body('LeftOut'),
          responses: answers('200', 'Done', 'Settled', ['401', '403', '404', '422']),
        },
      },
      '/api/session/password': {
        post: {
          summary: 'The password again, for whoever signs after more than a day',
          ...signedIn,
          parameters: protectedChange.parameters,
          ...body('PasswordAgain'),
          responses: answers('200', 'Done', 'It is the password', ['401', '403', '422', '429']),
        },
      },
      '/api/office': {
        patch: {
          summary: 'How long a decision that was signed without signal may take to arrive; the lead’s',
          ...leadOnly,
          parameters: protectedChange.parameters,
          ...body('OfficeChange'),
          responses: answers('200', 'Done', 'Changed', ['401', '403', '422']),
        },
      },
      '/api/mails': {
        get: {
          summary: 'The last mails of the office, without what they say; the lead’s',
          ...leadOnly,
          responses: answers('200', 'Mails', 'The mails', ['401', '403']),
        },
      },
      '/api/feed': {
        post: {
          summary: 'A new address for one’s calendar (iCalendar); the one before ends',
          ...signedIn,
          ...protectedChange,
          responses: answers('200', 'FeedAddress', 'Its path', ['401', '403']),
        },
        delete: {
          summary: 'One’s calendar has no address any more',
          ...signedIn,
          ...protectedChange,
          responses: answers('200', 'Done', 'Gone', ['401', '403']),
        },
      },
      '/calendar/{secret}.ics': {
        get: {
          summary: 'What is due, as iCalendar, for whoever has the address',
          parameters: [{ name: 'secret', in: 'path', required: true, schema: text }],
          responses: {
            '200': { description: 'The calendar', content: { 'text/calendar': { schema: text } } },
            '404': problem,
          },
        },
      },
      '/api/month': {
        get: {
          summary: 'What the office did in a month, in counts',
          ...inspectorsOnly,
          parameters: queryParametersOf(monthSchema),
          responses: answers('200', 'Month', 'The counts', ['401', '403', '422']),
        },
      },
      '/api/permits': {
        get: {
          summary: 'Permits at the permit office, by number or by address',
          ...inspectorsOnly,
          parameters: queryParametersOf(findPermitSchema),
          responses: answers('200', 'Permits', 'The permits', ['401', '403', '404', '409', '422']),
        },
      },
      '/api/permits/posts': {
        get: {
          summary: 'What the permit office was told last, and what waits',
          ...inspectorsOnly,
          responses: answers('200', 'PermitPosts', 'The posts', ['401', '403']),
        },
      },
      '/api/permits/posts/{id}': {
        post: {
          summary: 'Sends something again that waits or was refused',
          ...inspectorsOnly,
          parameters: [idParameter, ...protectedChange.parameters],
          responses: answers('200', 'Done', 'It goes', ['401', '403', '404', '422']),
        },
      },
      '/api/inspections/{id}/notes': {
        get: {
          summary: 'Restricted notes: who complained, and the like; on no paper and in no file',
          ...inspectorsOnly,
          parameters: [idParameter],
          responses: answers('200', 'Notes', 'The notes', ['401', '403', '422']),
        },
        post: {
          summary: 'A restricted note more',
          ...inspectorsOnly,
          parameters: [idParameter, ...protectedChange.parameters],
          ...body('Note'),
          responses: answers('200', 'Done', 'Kept', ['401', '403', '404', '422']),
        },
      },
      '/api/inspections/{id}/parties': {
        get: {
          summary: 'Who of outside the office is party to a house, and who has a link to be',
          ...inspectorsOnly,
          parameters: [idParameter],
          responses: answers('200', 'Parties', 'The owner, firms', ['401', '403', '422']),
        },
        post: {
          summary: 'Makes a contractor party to a house, or a link for an owner or a firm',
          ...inspectorsOnly,
          parameters: [idParameter, ...protectedChange.parameters],
          ...body('Party'),
          responses: answers('201', 'PartyMade', 'Made', ['401', '403', '404', '409', '422']),
        },
      },
      '/api/inspections/{id}/parties/{account}': {
        delete: {
          summary: 'Ends what somebody of outside sees of a house',
          ...inspectorsOnly,
          parameters: [
            idParameter,
            { name: 'account', in: 'path', required: true, schema: uuid },
            ...protectedChange.parameters,
          ],
          responses: answers('200', 'Done', 'Ended', ['401', '403', '404', '422']),
        },
      },
      '/api/keeping': {
        get: {
          summary: 'What is kept how long, and what is over its time',
          ...leadOnly,
          responses: answers('200', 'Keeping', 'What is kept', ['401', '403']),
        },
        patch: {
          summary: 'Says how many years photos, owners’ names, notes, unsealed decisions and who looked are kept',
          ...leadOnly,
          ...protectedChange,
          ...body('Years'),
          responses: answers('200', 'Done', 'Kept', ['401', '403', '422']),
        },
      },
      '/api/keeping/destroy': {
        post: {
          summary: 'Destroys what is over its time at one house; a hold blocks it',
          ...leadOnly,
          ...protectedChange,
          ...body('Destroy'),
          responses: answers('200', 'Done', 'Destroyed', ['401', '403', '409', '422']),
        },
      },
      '/api/inspections/{id}/looked': {
        get: {
          summary: 'Who has looked at its records, and what of it was destroyed',
          ...leadOnly,
          parameters: [idParameter],
          responses: answers('200', 'Looked', 'Who and what', ['401', '403', '422']),
        },
      },
      '/api/storms': {
        get: {
          summary: 'The last storm days',
          ...inspectorsOnly,
          responses: answers('200', 'Storms', 'The days', ['401', '403']),
        },
        post: {
          summary: 'Opens a storm day',
          ...leadOnly,
          ...protectedChange,
          ...body('StormOpened'),
          responses: answers('200', 'Opened', 'Opened', ['401', '403', '409', '422']),
        },
      },
      '/api/storms/{id}': {
        get: {
          summary: 'What was said of houses since a count',
          ...inspectorsOnly,
          parameters: [idParameter, ...queryParametersOf(stormSinceSchema)],
          responses: answers('200', 'StormSaid', 'The entries', ['401', '403', '404', '422']),
        },
      },
      '/api/storms/{id}/entries': {
        post: {
          summary: 'Takes in what was said of houses, each once',
          ...inspectorsOnly,
          parameters: [idParameter, ...protectedChange.parameters],
          ...body('StormEntries'),
          responses: answers('200', 'StormResults', 'What became of each', ['401', '403', '404', '422']),
        },
      },
      '/api/account': {
        patch: {
          summary: 'One’s own mail address',
          ...signedIn,
          parameters: protectedChange.parameters,
          ...body('OwnAddress'),
          responses: answers('200', 'Done', 'Kept', ['401', '403', '422']),
        },
      },
      '/api/forgotten': {
        post: {
          summary: 'A link to a new password by mail, for whoever has an address here; answers alike for every name',
          ...body('Forgotten'),
          responses: answers('200', 'Done', 'Asked', ['403', '422', '429']),
        },
      },
      '/api/people': {
        get: {
          summary: 'The people of the office, or of a firm, and who is invited',
          ...leadOfPeople,
          responses: answers('200', 'People', 'The people', ['401', '403']),
        },
      },
      '/api/people/{id}': {
        patch: {
          summary: 'Another role, a firm for whoever has none, or switched off or on',
          ...leadOfPeople,
          parameters: [idParameter, ...protectedChange.parameters],
          ...body('PersonChange'),
          responses: answers('200', 'Done', 'Done', ['401', '403', '404', '409', '422']),
        },
      },
      '/api/people/{id}/reset': {
        post: {
          summary: 'A link to a new password, to be used once within a day',
          ...leadOfPeople,
          parameters: [idParameter, ...protectedChange.parameters],
          responses: answers('201', 'Link', 'The link’s secret', ['401', '403', '404', '422']),
        },
      },
      '/api/invites': {
        post: {
          summary: 'An invitation, to be used once within a week',
          ...leadOfPeople,
          ...protectedChange,
          ...body('Invite'),
          responses: answers('201', 'Link', 'The link’s secret', ['401', '403', '422']),
        },
      },
      '/api/invites/{id}': {
        delete: {
          summary: 'Takes an invitation back',
          ...leadOfPeople,
          parameters: [idParameter, ...protectedChange.parameters],
          responses: answers('200', 'Done', 'Done', ['401', '403', '404', '422']),
        },
      },
      '/api/join': {
        post: {
          summary: 'By a link: a new account, or a new password of one’s own',
          ...body('Join'),
          responses: answers('201', 'Joined', 'Whoever can sign in now', ['403', '409', '410', '422', '429']),
        },
      },
      '/api/password': {
        post: {
          summary: 'Another password; ends every other session of one’s own',
          ...signedIn,
          ...protectedChange,
          ...body('Password'),
          responses: answers('200', 'Done', 'Done', ['401', '403', '422', '429']),
        },
      },
      '/api/sessions': {
        get: {
          summary: 'Where one is signed in',
          ...signedIn,
          responses: answers('200', 'Sessions', 'The sessions', ['401']),
        },
        delete: {
          summary: 'Ends every session of one’s own but this',
          ...signedIn,
          ...protectedChange,
          responses: answers('200', 'Done', 'Done', ['401', '403']),
        },
      },
      '/api/changes': {
        post: {
          summary: 'Take in what was recorded on a device; the same change twice is one change',
          ...signedIn,
          parameters: [...protectedChange.parameters, accountParameter, ...epochParameters],
          ...body('Changes'),
          responses: answers('200', 'Results', 'One result a change', ['401', '403', '409', '412', '413', '422']),
        },
      },
    },
    components: {
      schemas: {
        ...schemas,
        ...Object.fromEntries(Object.entries(sent).map(([name, schema]) => [name, jsonSchemaOf(schema)])),
        ...portions(),
        Case: caseSchema,
      },
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'careful-latch' } },
    },
  };
}
