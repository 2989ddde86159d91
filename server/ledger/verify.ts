import { and, asc, eq, gt, inArray, sql } from 'drizzle-orm';
import type { JWK } from 'jose';
import { canonicalText, isDestroyed } from '@careful-latch/core/record';
import type { Database } from '../database/client';
import {
  accounts,
  changes,
  decisions,
  destroyed,
  inspections,
  ledger,
  offices,
  rules,
  signedLogs,
} from '../database/schema';
import type { Anchor } from './anchor';
import { signedBy } from './keys';
import { accountHash, rowsHash, rulesHash, saidOf, signedUpTo } from './ledger';
import { sha256, type Line, type LedgerKind } from './line';
import { logOf } from './log';
import { rulesOf, whyNotAsTold } from './told';

/** What is compared of a decision, and what it means where it differs. */
const EDITED = {
  inspection: 'it was moved to another inspection',
  revision: 'its revision was edited',
  record: 'its record was edited',
  seal: 'its seal was edited',
  decided: 'its kind was edited',
  by: 'its signer was edited',
  signedAt: 'its time was edited',
  rules: 'the rules that it was judged under were edited',
  hazard: 'whether a hazard stood in it was edited',
  log: 'the changes that led to it were edited',
} as const;

/** What is wrong with a decision, held against the signed line about it; undefined where nothing is. */
export function whyNotHeld(
  line: Line,
  said: Partial<Line> & { readonly seal: string | undefined },
): string | undefined {
  const signed = { ...line, seal: line.record };
  const wrong = (Object.keys(EDITED) as (keyof typeof EDITED)[]).find((key) => signed[key] !== said[key]);
  return wrong && EDITED[wrong];
}

const FOREIGN = 'its signature fails: it was rewritten, or signed with a key that is not the office’s';

async function wasDestroyed(db: Database, office: string, inspection: string): Promise<boolean> {
  const rows = await db
    .select({ id: destroyed.id })
    .from(destroyed)
    .where(and(eq(destroyed.office, office), eq(destroyed.inspection, inspection), eq(destroyed.kind, 'owner')));
  return rows.length > 0;
}

type Why = Promise<string | undefined>;

async function whyNotDecision(db: Database, line: Line): Why {
  const [decision] = await db.select().from(decisions).where(eq(decisions.id, line.subject));
  if (!decision) return `the decision of ${line.signedAt} was deleted`;
  const why = whyNotHeld(line, { ...(await saidOf(db, decision, line.v)), seal: decision.seal });
  const named = `decision on ${decision.record.header.address}, ${line.signedAt}`;
  if (why !== undefined) return `${named}: ${why}`;
  return isDestroyed(decision.record.header.owner) && !(await wasDestroyed(db, line.office, decision.inspection))
    ? `${named}: the owner’s name was taken out, and nobody has written down that it was destroyed`
    : undefined;
}

async function whyNotMove({ office, subject, signedAt, did, record, by }: Line, db: Database): Why {
  const [change] = await db
    .select({ body: changes.body, by: changes.by })
    .from(changes)
    .where(and(eq(changes.office, office), eq(changes.id, subject)));
  if (!change) return `what was done on ${signedAt} (${did}) was deleted`;
  return sha256(canonicalText(change.body)) !== record || change.by !== by
    ? `what was done on ${signedAt} (${did}) was edited`
    : undefined;
}

async function whyNotRules({ office, subject, record, by }: Line, db: Database): Why {
  const [adopted] = await db
    .select()
    .from(rules)
    .where(and(eq(rules.office, office), eq(rules.version, Number(subject))));
  if (!adopted) return `version ${subject} of the office’s rules was deleted`;
  return rulesHash(adopted) !== record || (by !== undefined && adopted.by !== by)
    ? `version ${subject} of the office’s rules was edited`
    : undefined;
}

/** A day's rows, and the log of each house up to where it had come then. */
async function whyNotDay({ office, n, subject, record }: Line, db: Database): Why {
  const rows = await db
    .select()
    .from(signedLogs)
    .where(and(eq(signedLogs.office, office), eq(signedLogs.line, n)))
    .orderBy(asc(signedLogs.inspection));
  if (rowsHash(rows) !== record) return `what was signed on ${subject} of each house’s log was edited`;
  for (const { inspection, revision, log } of rows)
    if ((await logOf(db, inspection, 2, revision)).log !== log)
      return `the changes at ${await addressOf(db, inspection)} were edited: they are not those that were there on ${subject}`;
  return undefined;
}

async function addressOf(db: Database, inspection: string): Promise<string> {
  const [row] = await db
    .select({ address: inspections.address })
    .from(inspections)
    .where(eq(inspections.id, inspection));
  return row?.address ?? inspection;
}

/** What a line of each kind is held against. */
const HELD: Readonly<Record<LedgerKind, ((line: Line, db: Database) => Why) | undefined>> = {
  decision: (line, db) => whyNotDecision(db, line),
  'older-decision': (line, db) => whyNotDecision(db, line),
  move: whyNotMove,
  rules: whyNotRules,
  day: whyNotDay,
  key: undefined,
  people: undefined, // how accounts stand, the last line about each says
  restored: undefined,
};

/** What was verified of an office, and what could not be. */
export interface Verified {
  readonly lines: number;
  /** The first thing that is wrong; absent where nothing is. */
  readonly wrong?: string;
  /** Changes that no line has signed yet: today's, but for orders, papers and what led to a decision. */
  readonly unsigned: number;
  /** Houses of before lines of days, changed since, whose log does not tell how they stand. */
  readonly untold: number;
}

/** Walks the ledger of an office from its first line, then holds against it what stands: the first thing that is wrong, or how many lines hold. */
export async function verifyOffice(
  db: Database,
  keys: readonly JWK[],
  office: string,
  anchors: readonly Anchor[] = [],
): Promise<Verified> {
  const rows = await db.select().from(ledger).where(eq(ledger.office, office)).orderBy(asc(ledger.n));
  const heads = new Map<number, string>();
  const lines: Line[] = [];
  let prev = '';
  /** The number of the line before; lines that a restore lost are passed over, as the line behind them says. */
  let last = 0;
  const lost: { readonly from: number; readonly to: number }[] = [];
  const end = (wrong: string): Verified => ({ lines: lines.length, wrong, unsigned: 0, untold: 0 });
  for (const row of rows) {
    const restored = row.kind === 'restored' && row.n > last + 1;
    if (restored) lost.push({ from: last + 1, to: row.n - 1 });
    const n = restored ? row.n : last + 1;
    const wrong = (why: string) => end(`Line ${n}: ${why}.`);
    if (row.n !== n) return wrong('it was taken out');
    last = n;
    const line = (await signedBy(keys, row.jws)) as Line | undefined;
    if (!line) return wrong(FOREIGN);
    if (line.n !== n || line.office !== office || line.kind !== row.kind || line.subject !== row.subject)
      return wrong('its columns were edited');
    if (line.prev !== prev) return wrong('the line before it is not the one that it was chained to');
    prev = sha256(row.jws);
    heads.set(n, prev);
    const why = await HELD[line.kind]?.(line, db);
    if (why !== undefined) return wrong(why);
    lines.push(line);
  }
  const [counted] = await db.select().from(offices).where(eq(offices.id, office));
  if (counted?.ledgerN !== last || counted.ledgerHead !== prev)
    return end(`The end: the office has counted to line ${counted?.ledgerN}, and the last is ${last}.`);
  for (const anchor of anchors.filter((one) => one.office === office)) {
    if (anchor.n > last) return end(`The end: on ${anchor.day} there were ${anchor.n} lines, and ${last} are there.`);
    if (lost.some(({ from, to }) => anchor.n >= from && anchor.n <= to)) continue; // its line went with what was lost
    if (anchor.n > 0 && heads.get(anchor.n) !== anchor.head)
      return end(`Line ${anchor.n}: it is not the one that was there on ${anchor.day}.`);
  }
  const stray = await whatHasNoLine(db, office, lines);
  if (stray !== undefined) return end(stray);
  const { wrong, untold } = await verifyHouses(db, office, !lines.some(({ v }) => v > 1));
  if (wrong !== undefined) return end(wrong);
  return { lines: lines.length, unsigned: await unsignedIn(db, office), untold };
}

/** Something that decides and that no line knows, so that it was put in beside the office; undefined where there is none. */
async function whatHasNoLine(db: Database, office: string, lines: readonly Line[]): Why {
  const known = (...kinds: LedgerKind[]) =>
    new Set(lines.flatMap((one) => (kinds.includes(one.kind) ? [one.subject] : [])));
  const sealed = known('decision', 'older-decision');
  const decided = await db
    .select({ id: decisions.id, signedAt: decisions.signedAt })
    .from(decisions)
    .where(eq(decisions.office, office));
  const decision = decided.find(({ id }) => !sealed.has(id));
  if (decision)
    return `The decision of ${decision.signedAt.toISOString()} has no line: it was put in beside the office.`;
  if (!lines.some(({ v }) => v > 1)) return undefined; // of before lines told of accounts
  const adopted = await db.select({ version: rules.version }).from(rules).where(eq(rules.office, office));
  const versions = known('rules');
  const own = adopted.find(({ version }) => !versions.has(String(version)));
  if (own) return `Version ${own.version} of the office’s rules has no line: it was put in beside the office.`;
  const stands = new Map(
    lines.flatMap((one) => (one.kind === 'people' && one.record ? [[one.subject, one.record]] : [])),
  );
  for (const account of await db.select().from(accounts).where(eq(accounts.office, office))) {
    const then = stands.get(account.id);
    if (then === undefined) return `The account of ${account.name} has no line: it was put in beside the office.`;
    // Whoever is off may do nothing: an import brings everybody so.
    if (then !== accountHash(account) && (account.active || then !== accountHash({ ...account, active: true })))
      return `The account of ${account.name} is not as the last line about it says: its name, its sign-in name, its role or its firm was edited, or it was switched on.`;
  }
  return whatWasDoneBeside(db, office, known('move'));
}

const SINCE_SIGNED = signedUpTo(changes.office, changes.inspection);

/** An order or a paper that was moved with no line about it: each has its own, but where the log was signed with it. */
async function whatWasDoneBeside(db: Database, office: string, moves: ReadonlySet<string>): Why {
  const done = await db
    .select({ id: changes.id, body: changes.body, inspection: changes.inspection })
    .from(changes)
    .where(
      and(
        eq(changes.office, office),
        inArray(sql`${changes.body}->>'type'`, ['order', 'paper']),
        gt(changes.revision, SINCE_SIGNED),
      ),
    );
  const beside = done.find(({ id }) => !moves.has(id));
  return (
    beside &&
    `What was done at ${await addressOf(db, beside.inspection)} (${beside.body.type}: ${(beside.body as { to?: string }).to}) has no line: it was put in beside the office.`
  );
}

const unsignedIn = (db: Database, office: string): Promise<number> =>
  db.$count(changes, and(eq(changes.office, office), gt(changes.revision, SINCE_SIGNED)));

/** Holds each house against its log, told again from the record that was sealed last. `ofBefore`: no line of the office is of these lines. */
async function verifyHouses(
  db: Database,
  office: string,
  ofBefore: boolean,
): Promise<Pick<Verified, 'wrong' | 'untold'>> {
  const known = await rulesOf(db, office);
  let untold = 0;
  for (let after = '00000000-0000-0000-0000-000000000000'; ;) {
    const rows = await db
      .select()
      .from(inspections)
      .where(and(eq(inspections.office, office), gt(inspections.id, after)))
      .orderBy(asc(inspections.id))
      .limit(PORTION);
    if (rows.length === 0) return { untold };
    for (const row of rows) {
      const why = await whyNotAsTold(db, row, known, ofBefore);
      if (why && !why.older) return { untold, wrong: `${row.address}: ${why.why}.` };
      if (why) untold++;
    }
    after = rows.at(-1)!.id;
  }
}
const PORTION = 200;
