import { sql } from 'drizzle-orm';
import {
  bigint,
  boolean,
  customType,
  date,
  foreignKey,
  index,
  integer,
  json,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
  varchar,
} from 'drizzle-orm/pg-core';
import type { Case } from '@careful-latch/core/case';
import type { Edition } from '@careful-latch/core/codebook';
import type { Profile } from '@careful-latch/core/profile';
import type {
  Change,
  Claimed,
  Conflict,
  DecisionKind,
  Docket,
  Evidence,
  Kept,
  Role,
  Summary,
  ViolationState,
  VisitState,
} from '@careful-latch/core/record';
import type { StormEntry } from '@careful-latch/core/storm';
import type { Dated } from '../changes/clock';
import type { SealedRecord } from '../inspections/seal';
import type { LedgerKind } from '../ledger/line';
import type { PermitResult } from '../permits/service';

/*
 * Every table but the sessions has its office in it, and PostgreSQL shows the server only the rows of the one that a transaction
 * is set to (migration 0007): a query that forgets to ask for its office sees nothing of another's.
 */

const tsvector = customType<{ data: string }>({ dataType: () => 'tsvector' });

/** An office: everybody in it sees its inspections. */
export const offices = pgTable('offices', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  edition: varchar('edition', { length: 4 }).$type<Edition>().notNull(),
  /**
   * Counts every change that was taken in. Counted up under the row's lock before anything else of a transaction, so that
   * whoever has seen a number has seen all below it: a sequence or a clock would miss what commits late.
   */
  seq: bigint('seq', { mode: 'number' }).notNull().default(0),
  /** Which copy of itself it is: another after every restore and import, so that devices know what to send again. */
  epoch: uuid('epoch').notNull().defaultRandom(),
  /** The number of its ledger's last line, and its SHA-256. */
  ledgerN: integer('ledger_n').notNull().default(0),
  ledgerHead: text('ledger_head').notNull().default(''),
  /** Its time zone, by the IANA’s name: every day and hour on paper, in lists and mails is in it. */
  zone: text('zone').notNull().default('America/New_York'),
  /** So many hours after it was signed without signal, a decision may still arrive and be sealed. */
  offlineHours: integer('offline_hours').notNull().default(24),
  /** So many years photos of a finished house, and notes of who complained, are kept; null: as long as the office stands. */
  photoYears: integer('photo_years').default(7),
  ownerYears: integer('owner_years'),
  draftYears: integer('draft_years').default(3),
  viewYears: integer('view_years').default(10),
  noteYears: integer('note_years').default(3),
});

/** A contractor’s firm: its people see its houses, one another’s too, and no other firm’s. */
export const firms = pgTable(
  'firms',
  {
    id: uuid('id').notNull(),
    office: uuid('office')
      .notNull()
      .references(() => offices.id),
    name: text('name').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.id] }),
    uniqueIndex('firms_name').on(table.office, sql`lower(name)`),
  ],
);

export const accounts = pgTable(
  'accounts',
  {
    id: uuid('id').primaryKey(),
    office: uuid('office')
      .notNull()
      .references(() => offices.id),
    /** The firm that it is of, for good: whoever goes to another gets another account, and leaves the records where they are. */
    firm: uuid('firm'),
    login: text('login').notNull().unique(),
    name: text('name').notNull(),
    role: varchar('role', { length: 20 }).$type<Role>().notNull(),
    passwordHash: text('password_hash').notNull(),
    /** Where reminders and links go; null where there is none. */
    email: text('email'),
    /** SHA-256 of the secret in the address of its calendar; null where it has none. */
    feedHash: text('feed_hash').unique(),
    /** Whether it may do anything at all: read afresh at every request. */
    active: boolean('active').notNull().default(true),
    demo: boolean('demo').notNull().default(false),
    /** Sessions that began before are void: the password was changed, or the account switched off. */
    voidBefore: timestamp('void_before', { withTimezone: true, mode: 'date' }),
  },
  (table) => [foreignKey({ columns: [table.office, table.firm], foreignColumns: [firms.office, firms.id] })],
);

/** Links that let somebody in once: as a new account, or to a new password of one there is. */
export const invites = pgTable('invites', {
  id: uuid('id').primaryKey(),
  office: uuid('office')
    .notNull()
    .references(() => offices.id),
  /** SHA-256 of the link's secret, which is nowhere kept. */
  tokenHash: text('token_hash').notNull().unique(),
  name: text('name').notNull(),
  role: varchar('role', { length: 20 }).$type<Role>(),
  account: uuid('account').references(() => accounts.id),
  /** The firm that whoever joins by it is of. */
  firm: uuid('firm'),
  /** Where it was mailed, and whoever joins by it is reached; null where it was not. */
  email: text('email'),
  /** The one house that whoever joins by it is party to. */
  inspection: uuid('inspection'),
  by: uuid('by')
    .notNull()
    .references(() => accounts.id),
  expiresAt: timestamp('expires_at', { withTimezone: true, mode: 'date' }).notNull(),
  usedAt: timestamp('used_at', { withTimezone: true, mode: 'date' }),
});

export const inspections = pgTable(
  'inspections',
  {
    id: uuid('id').notNull(),
    office: uuid('office')
      .notNull()
      .references(() => offices.id),
    /** Who opened it; a contractor is party to what he opened. */
    openedBy: uuid('opened_by').references(() => accounts.id),
    /** Opened by a contractor, who has not asked for an inspection yet: it is his firm’s own, and the office sees nothing of it. */
    selfCheck: boolean('self_check').notNull().default(false),
    revision: integer('revision').notNull(),
    /** The office's count when it was changed last. */
    seq: bigint('seq', { mode: 'number' }).notNull().default(0),
    address: text('address').notNull(),
    owner: text('owner').notNull(),
    permit: text('permit').notNull(),
    /** With it names are hashed into what is sealed; null where something was sealed before there were salts. */
    salt: uuid('salt').defaultRandom(),
    edition: varchar('edition', { length: 4 }).$type<Edition>().notNull(),
    case: jsonb('case').$type<Case>().notNull(),
    /** The version of the office's rules that it is judged under; null where the office had adopted none. */
    rules: integer('rules'),
    evidence: jsonb('evidence').$type<readonly Evidence[]>().notNull().default([]),
    /** What its contractor had recorded when he asked for an inspection; null where nobody did. */
    claimed: jsonb('claimed').$type<Claimed>(),
    /** Facts that two people recorded differently while apart; null where there are none. */
    conflicts: jsonb('conflicts').$type<readonly Conflict[]>(),
    /** Violations, orders, conditions and visits. */
    docket: jsonb('docket')
      .$type<Docket>()
      .notNull()
      .default({ violations: [], notTakenUp: [], orders: [], conditions: [], visits: [] }),
    changedSinceDecision: boolean('changed_since_decision').notNull(),
    openedAt: timestamp('opened_at', { withTimezone: true, mode: 'date' }).notNull(),
    changedAt: timestamp('changed_at', { withTimezone: true, mode: 'date' }).notNull(),
    /** What lists show, sort and look for (`Summary`), made anew with every change. */
    state: varchar('state', { length: 30 }).$type<Summary['state']>(),
    dueOn: date('due_on'),
    dueWhat: varchar('due_what', { length: 20 }).$type<NonNullable<Summary['dueWhat']>>(),
    street: text('street'),
    inspector: text('inspector'),
    violated: text('violated').array().$type<readonly string[]>(),
    restsOn: date('rests_on'),
    /** Whether devices were told to let it go; a change wakes it. */
    resting: boolean('resting').notNull().default(false),
    words: tsvector('words').generatedAlwaysAs(
      sql`to_tsvector('simple', regexp_replace(address || ' ' || owner || ' ' || permit, '[^[:alnum:]]+', ' ', 'g'))`,
    ),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.id] }), // an id used in another office tells nothing
    index('inspections_office').on(table.office, table.seq),
    index('inspections_due').on(table.office, sql`coalesce(due_on, 'infinity'::date)`, table.id),
    index('inspections_changed').on(table.office, table.changedAt, table.id),
    index('inspections_street').on(table.office, table.street, table.id),
  ],
);

/** What an office has adopted and amended, version by version; nothing ever updates a row. */
export const rules = pgTable(
  'rules',
  {
    office: uuid('office')
      .notNull()
      .references(() => offices.id),
    version: integer('version').notNull(),
    profile: jsonb('profile').$type<Profile>().notNull(),
    reason: text('reason').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    at: timestamp('at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.office, table.version] })],
);

/** Every change ever taken in, as it came: the log from which an inspection can be told again. */
export const changes = pgTable(
  'changes',
  {
    id: uuid('id').notNull(),
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    revision: integer('revision').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    body: jsonb('body').$type<Dated<Change>>().notNull(),
    receivedAt: timestamp('received_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.id] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    uniqueIndex('changes_inspection').on(table.office, table.inspection, table.revision),
    index('changes_counted')
      .on(table.office, table.receivedAt)
      .where(sql`${table.body}->>'type' in ('not-taken-up', 'paper', 'appeal')`),
  ],
);

/** Signed decisions. The record is what was shown when it was signed; nothing ever updates a row. */
export const decisions = pgTable(
  'decisions',
  {
    /** Of no other decision anywhere: by it anybody who holds a paper asks whether it is current. */
    id: uuid('id').primaryKey(),
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    revision: integer('revision').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    kind: varchar('kind', { length: 30 }).$type<DecisionKind>().notNull(),
    signedAt: timestamp('signed_at', { withTimezone: true, mode: 'date' }).notNull(),
    record: jsonb('record').$type<SealedRecord>().notNull(),
    seal: text('seal').notNull(),
    /** What a month counts by, out of the record: which decision of its house it is, its transfer equipment, who does the work, and the stations that it leaves out. */
    nth: integer('nth'),
    transfer: text('transfer'),
    firm: text('firm'),
    leftOut: text('left_out').array(),
  },
  (table) => [
    index('decisions_signed').on(table.office, table.signedAt),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    uniqueIndex('decisions_inspection').on(table.office, table.inspection, table.revision),
  ],
);

/**
 * What waits for the lead: decisions that were signed without signal and not sealed, for what was decided on had changed or they came too
 * late; and everything that an account still sends after it was switched off, of houses too that the office has not heard of.
 */
export const held = pgTable(
  'held',
  {
    id: uuid('id').notNull(),
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    body: jsonb('body').$type<Change>().notNull(),
    why: text('why').notNull(),
    receivedAt: timestamp('received_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
    /** What became of it: the decision that the lead signed, or why it stays unsealed. */
    settledAt: timestamp('settled_at', { withTimezone: true, mode: 'date' }),
    settled: text('settled'),
  },
  (table) => [primaryKey({ columns: [table.office, table.id] })],
);

/** What the office mails: it stands here until it is written out, and after that for the lead to see that it was. */
export const mails = pgTable(
  'mails',
  {
    id: uuid('id').notNull(),
    office: uuid('office')
      .notNull()
      .references(() => offices.id),
    /** What it is about: it is made once. */
    key: text('key').notNull(),
    to: text('to').notNull(),
    subject: text('subject').notNull(),
    body: text('body').notNull(),
    madeAt: timestamp('made_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
    writtenAt: timestamp('written_at', { withTimezone: true, mode: 'date' }),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.id] }),
    uniqueIndex('mails_key').on(table.office, table.key),
    index('mails_waiting')
      .on(table.office, table.madeAt)
      .where(sql`${table.writtenAt} is null`),
  ],
);

/** What the permit office is told of a decision: it stands here until it has it, and after that for people to see that it does. */
export const permitPosts = pgTable(
  'permit_posts',
  {
    /** That of the decision: by it the permit office takes nothing twice. */
    id: uuid('id').notNull(),
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    body: jsonb('body').$type<PermitResult>().notNull(),
    madeAt: timestamp('made_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
    tries: integer('tries').notNull().default(0),
    /** Not tried again before. */
    nextAt: timestamp('next_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
    /** What went wrong last; with `refusedAt`, why the permit office does not take it. */
    trouble: text('trouble'),
    refusedAt: timestamp('refused_at', { withTimezone: true, mode: 'date' }),
    deliveredAt: timestamp('delivered_at', { withTimezone: true, mode: 'date' }),
    /** How the permit stands there by now, in its words. */
    answer: text('answer'),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.id] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    index('permit_posts_waiting')
      .on(table.office, table.nextAt)
      .where(sql`${table.deliveredAt} is null and ${table.refusedAt} is null`),
  ],
);

/** Who complained, and what else is for those who inspect alone: on no device, on no paper, in no file. */
export const notes = pgTable(
  'notes',
  {
    id: uuid('id').notNull(),
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    words: text('words').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    at: timestamp('at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.id] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    index('notes_inspection').on(table.office, table.inspection),
  ],
);

/** Who looked at the signed records of a house, once a day each. */
export const views = pgTable(
  'views',
  {
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    day: date('day')
      .notNull()
      .default(sql`current_date`),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.inspection, table.by, table.day] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
  ],
);

/** What was destroyed when its time was over: that it was there, and nothing of it. */
export const destroyed = pgTable(
  'destroyed',
  {
    id: uuid('id').notNull(),
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    kind: varchar('kind', { length: 20 }).$type<Kept>().notNull(),
    /** SHA-256 of the photo; the id of the note; else what it was, of which house, and until when. */
    subject: text('subject').notNull(),
    reason: text('reason').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    at: timestamp('at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.id] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    uniqueIndex('destroyed_subject').on(table.office, table.subject),
  ],
);

/** Who of outside the office is party to a house: it is theirs to see, and to say what they have corrected, from a moment to another. */
export const parties = pgTable(
  'parties',
  {
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    account: uuid('account')
      .notNull()
      .references(() => accounts.id),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    since: timestamp('since', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
    until: timestamp('until', { withTimezone: true, mode: 'date' }),
    /** The office's count when it ended, by which their devices hear of it. */
    untilSeq: bigint('until_seq', { mode: 'number' }),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.inspection, table.account] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    index('parties_account').on(table.office, table.account),
  ],
);

/** Storm days: one event, many houses. It ends with its day. */
export const storms = pgTable(
  'storms',
  {
    id: uuid('id').notNull(),
    office: uuid('office')
      .notNull()
      .references(() => offices.id),
    name: text('name').notNull(),
    day: date('day').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    at: timestamp('at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.office, table.id] }), index('storms_day').on(table.office, table.day)],
);

/** What was said of houses on a storm day, in the order in which it came; nothing is ever changed. */
export const stormEntries = pgTable(
  'storm_entries',
  {
    id: uuid('id').notNull(),
    office: uuid('office').notNull(),
    storm: uuid('storm').notNull(),
    seq: bigint('seq', { mode: 'number' }).notNull(),
    body: jsonb('body').$type<Dated<StormEntry>>().notNull(),
    by: uuid('by')
      .notNull()
      .references(() => accounts.id),
    receivedAt: timestamp('received_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.id] }),
    foreignKey({ columns: [table.office, table.storm], foreignColumns: [storms.office, storms.id] }),
    index('storm_entries_storm').on(table.office, table.storm, table.seq),
  ],
);

/** The violations of dockets, a row each, made anew with every change: what the office counts and looks for over all its houses. */
export const violations = pgTable(
  'violations',
  {
    id: uuid('id').notNull(),
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    state: varchar('state', { length: 20 }).$type<ViolationState>().notNull(),
    severity: varchar('severity', { length: 20 }).$type<'hazard' | 'correction'>().notNull(),
    /** The rules that it answers; empty for an inspector’s own. */
    rules: text('rules').array().notNull(),
    dueOn: date('due_on'),
    openedOn: date('opened_on').notNull(),
    settledOn: date('settled_on'),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.inspection, table.id] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    index('violations_due')
      .on(table.office, table.dueOn)
      .where(sql`${table.state} in ('open', 'claimed')`),
    index('violations_settled').on(table.office, table.settledOn),
    index('violations_opened').on(table.office, table.openedOn),
  ],
);

/** The visits of dockets, a row each, likewise. */
export const visits = pgTable(
  'visits',
  {
    id: uuid('id').notNull(),
    office: uuid('office').notNull(),
    inspection: uuid('inspection').notNull(),
    number: integer('number').notNull(),
    state: varchar('state', { length: 20 }).$type<VisitState>().notNull(),
    day: date('day'),
    inspector: text('inspector').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.inspection, table.id] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    index('visits_day').on(table.office, table.day),
  ],
);

/** Seals: one chain of signed lines an office, to which lines are only ever added. */
export const ledger = pgTable(
  'ledger',
  {
    office: uuid('office')
      .notNull()
      .references(() => offices.id),
    n: integer('n').notNull(),
    kind: varchar('kind', { length: 20 }).$type<LedgerKind>().notNull(),
    /** Id of the decision, or thumbprint of the key. */
    subject: text('subject').notNull(),
    jws: text('jws').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.n] }),
    // A decision and a key stand there once; of an account there is a line for whatever was done to it.
    uniqueIndex('ledger_subject')
      .on(table.subject, table.office)
      .where(sql`${table.kind} <> 'people'`),
  ],
);

/** How far the log of each house had come when a day's line was signed: the rows that the line is signed over. */
export const signedLogs = pgTable(
  'signed_logs',
  {
    office: uuid('office')
      .notNull()
      .references(() => offices.id),
    /** The number of the line. */
    line: integer('line').notNull(),
    inspection: uuid('inspection').notNull(),
    revision: integer('revision').notNull(),
    /** SHA-256 over the changes so far, each with the one before. */
    log: text('log').notNull(),
    /** SHA-256 of how the house stood, for those that are older than the lines of days: their log may not tell it. */
    stands: text('stands'),
  },
  (table) => [
    primaryKey({ columns: [table.office, table.line, table.inspection] }),
    foreignKey({ columns: [table.office, table.inspection], foreignColumns: [inspections.office, inspections.id] }),
    index('signed_logs_inspection').on(table.office, table.inspection, table.revision),
  ],
);

/** Sessions, in the shape that connect-pg-simple expects. */
export const sessions = pgTable(
  'session',
  {
    sid: varchar('sid').primaryKey(),
    sess: json('sess').notNull(),
    expire: timestamp('expire', { precision: 6, mode: 'date' }).notNull(),
  },
  (table) => [index('IDX_session_expire').on(table.expire)],
);
