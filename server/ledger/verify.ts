import { and, asc, eq } from 'drizzle-orm';
import type { JWK } from 'jose';
import { canonicalText, isDestroyed } from '@careful-latch/core/record';
import type { Database } from '../database/client';
import { changes, decisions, destroyed, inspections, ledger, offices, rules } from '../database/schema';
import { sealOf, type SealedRecord } from '../inspections/seal';
import type { Anchor } from './anchor';
import { signedBy } from './keys';
import { rulesHash, saidOf } from './ledger';
import { sha256, type Line } from './line';

/** What is compared of a decision, and what it means where it differs. */
const EDITED = {
  inspection: 'it was moved to another inspection',
  revision: 'its revision was edited',
  record: 'its record was edited',
  seal: 'its seal was edited',
  decided: 'its kind was edited',
  by: 'its signer was edited',
  signedAt: 'its time was edited',
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

/** The first thing that is wrong with an office’s seals, or how many lines hold. Walks the ledger from its first line. */
export async function verifyOffice(
  db: Database,
  keys: readonly JWK[],
  office: string,
  anchors: readonly Anchor[] = [],
): Promise<{ readonly lines: number; readonly wrong?: string }> {
  const rows = await db.select().from(ledger).where(eq(ledger.office, office)).orderBy(asc(ledger.n));
  const heads = new Map<number, string>();
  const sealed = new Set<string>();
  let prev = '';
  /** The number of the line before; lines that a restore lost are passed over, as the line behind them says. */
  let last = 0;
  const lost: { readonly from: number; readonly to: number }[] = [];
  for (const [i, row] of rows.entries()) {
    const restored = row.kind === 'restored' && row.n > last + 1;
    if (restored) lost.push({ from: last + 1, to: row.n - 1 });
    const n = restored ? row.n : last + 1;
    const wrong = (why: string) => ({ lines: i, wrong: `Line ${n}: ${why}.` });
    if (row.n !== n) return wrong('it was taken out');
    last = n;
    const line = (await signedBy(keys, row.jws)) as Line | undefined;
    if (!line) return wrong(FOREIGN);
    if (line.n !== n || line.office !== office || line.kind !== row.kind || line.subject !== row.subject)
      return wrong('its columns were edited');
    if (line.prev !== prev) return wrong('the line before it is not the one that it was chained to');
    prev = sha256(row.jws);
    heads.set(n, prev);
    if (line.kind === 'key' || line.kind === 'people' || line.kind === 'restored') continue;
    if (line.kind === 'move') {
      const [change] = await db
        .select({ body: changes.body, by: changes.by })
        .from(changes)
        .where(and(eq(changes.office, office), eq(changes.id, line.subject)));
      if (!change) return wrong(`what was done on ${line.signedAt} (${line.did}) was deleted`);
      if (sha256(canonicalText(change.body)) !== line.record || change.by !== line.by)
        return wrong(`what was done on ${line.signedAt} (${line.did}) was edited`);
      continue;
    }
    if (line.kind === 'rules') {
      const [adopted] = await db
        .select()
        .from(rules)
        .where(and(eq(rules.office, office), eq(rules.version, Number(line.subject))));
      if (!adopted) return wrong(`version ${line.subject} of the office’s rules was deleted`);
      if (rulesHash(adopted) !== line.record || adopted.by !== line.by)
        return wrong(`version ${line.subject} of the office’s rules was edited`);
      continue;
    }
    sealed.add(line.subject);
    const [decision] = await db.select().from(decisions).where(eq(decisions.id, line.subject));
    if (!decision) return wrong(`the decision of ${line.signedAt} was deleted`);
    const why = whyNotHeld(line, { ...(await saidOf(db, decision)), seal: decision.seal });
    const named = `decision on ${decision.record.header.address}, ${line.signedAt}`;
    if (why !== undefined) return wrong(`${named}: ${why}`);
    if (isDestroyed(decision.record.header.owner) && !(await wasDestroyed(db, office, decision.inspection)))
      return wrong(`${named}: the owner’s name was taken out, and nobody has written down that it was destroyed`);
  }
  const lines = rows.length;
  const [counted] = await db.select().from(offices).where(eq(offices.id, office));
  if (counted?.ledgerN !== last || counted.ledgerHead !== prev)
    return { lines, wrong: `The end: the office has counted to line ${counted?.ledgerN}, and the last is ${last}.` };
  for (const anchor of anchors.filter((one) => one.office === office)) {
    if (anchor.n > last)
      return { lines, wrong: `The end: on ${anchor.day} there were ${anchor.n} lines, and ${last} are there.` };
    if (lost.some(({ from, to }) => anchor.n >= from && anchor.n <= to)) continue; // its line went with what was lost
    if (anchor.n > 0 && heads.get(anchor.n) !== anchor.head)
      return { lines, wrong: `Line ${anchor.n}: it is not the one that was there on ${anchor.day}.` };
  }
  const all = await db
    .select({ id: decisions.id, signedAt: decisions.signedAt })
    .from(decisions)
    .innerJoin(inspections, eq(inspections.id, decisions.inspection))
    .where(eq(inspections.office, office));
  const stray = all.find(({ id }) => !sealed.has(id));
  return stray
    ? { lines, wrong: `The decision of ${stray.signedAt.toISOString()} has no line: it was put in beside the office.` }
    : { lines };
}

/** A record with its line, as the office gives it to keep. */
export interface KeptRecord {
  readonly record: SealedRecord;
  readonly line: string;
}

/** What is wrong with a record that was kept as a file; undefined where nothing is. */
export async function verifyKept(keys: readonly JWK[], { record, line: jws }: KeptRecord): Promise<string | undefined> {
  const line = (await signedBy(keys, jws)) as Line | undefined;
  if (!line) return FOREIGN;
  return whyNotHeld(line, {
    ...line, // what a single record cannot show: the changes that led to it
    inspection: record.inspection,
    revision: record.revision,
    record: sealOf(record),
    seal: line.record,
    decided: record.decision.kind,
    by: record.signedBy.account,
    signedAt: new Date(record.decision.at).toISOString(),
  });
}
