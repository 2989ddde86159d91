import { and, asc, eq, gt, inArray, notInArray, sql, type SQL } from 'drizzle-orm';
import {
  isOutside,
  issuedToContractor,
  may,
  type Inspection,
  type Rules,
  type Signed,
} from '@careful-latch/core/record';
import type { Transaction } from '../database/client';
import { accounts, decisions, inspections, offices, parties } from '../database/schema';
import { rulesOfAll } from '../rules/queries';
import type { Account } from '../sessions/account';

type Row = typeof inspections.$inferSelect;

function inspectionOf(row: Row, own: readonly Signed[], rules: Rules | undefined): Inspection {
  return {
    id: row.id,
    ...(rules && { rules }),
    revision: row.revision,
    header: { address: row.address, owner: row.owner, permit: row.permit, edition: row.edition },
    case: row.case,
    openedAt: row.openedAt.toISOString(),
    changedAt: row.changedAt.toISOString(),
    decisions: own,
    evidence: row.evidence,
    docket: row.docket,
    ...(row.conflicts && { conflicts: row.conflicts }),
    ...(row.claimed && { claimed: row.claimed }),
    changedSinceDecision: row.changedSinceDecision,
  };
}

/** The accounts that see the same: one’s own, and those of one’s firm. */
export const ofSameFirm = ({ id, office, firm }: Pick<Account, 'id' | 'office' | 'firm'>): SQL =>
  firm === null
    ? sql`(${id}::uuid)`
    : sql`(select ${accounts.id} from ${accounts} where ${accounts.office} = ${office} and ${accounts.firm} = ${firm})`;

/** The houses to which somebody of outside is party, or anybody else of their firm. */
const theirs = (account: Account): SQL =>
  sql`(select ${parties.inspection} from ${parties} where ${parties.office} = ${account.office} and ${parties.account} in ${ofSameFirm(account)} and ${parties.until} is null)`;

/** What somebody may see: whoever is of outside what they or their firm are party to, whoever is of the office all of it but what firms have for themselves; another nothing. */
export const seenBy = (account: Account): SQL | undefined =>
  and(
    eq(inspections.office, account.office),
    may(account.role, 'see-own')
      ? inArray(inspections.id, theirs(account))
      : may(account.role, 'see-office')
        ? eq(inspections.selfCheck, false)
        : sql`false`,
  );

/** What somebody is shown of an inspection that they may see. */
export const shownTo =
  ({ role }: Account) =>
  (inspection: Inspection): Inspection =>
    may(role, 'see-office') ? inspection : issuedToContractor(inspection);

/** The decisions of some inspections without the records that were sealed, each of which is some seventy times as long. */
async function decisionsOf(tx: Transaction, ids: readonly string[]): Promise<Map<string, Signed[]>> {
  const rows = await tx
    .select({
      inspection: decisions.inspection,
      seal: decisions.seal,
      decision: sql<Signed>`${decisions.record}->'decision'`,
    })
    .from(decisions)
    .where(inArray(decisions.inspection, [...ids]))
    .orderBy(asc(decisions.revision));
  const byInspection = new Map<string, Signed[]>(ids.map((id) => [id, []]));
  for (const { inspection, seal, decision } of rows) byInspection.get(inspection)!.push({ ...decision, seal });
  return byInspection;
}

export async function inspectionsOf(tx: Transaction, rows: readonly Row[]): Promise<Inspection[]> {
  if (rows.length === 0) return [];
  const made = await decisionsOf(
    tx,
    rows.map(({ id }) => id),
  );
  const rules = await rulesOfAll(tx, rows);
  return rows.map((row) => inspectionOf(row, made.get(row.id)!, rules(row)));
}

/** Inspections answered at once. */
const PORTION = 50;

/** What a device does not know yet. */
interface Changed {
  readonly inspections: readonly Inspection[];
  /** Inspections that rest: nothing is to be done there, and a device need not have them at hand any longer; and those to which somebody is no party any more. */
  readonly gone: readonly string[];
  /** What the device asks from on the next time. */
  readonly cursor: number;
  readonly more: boolean;
  /** The office has counted less than the device has seen: it is an older copy, and everything must be asked for again. */
  readonly restored: boolean;
}

/** The inspections that somebody may see and that were changed since a count of the office, in the order of their change; a device that begins hears of none that rest. */
export async function changedSince(tx: Transaction, account: Account, cursor: number): Promise<Changed> {
  const [office] = await tx.select({ seq: offices.seq }).from(offices).where(eq(offices.id, account.office));
  if (cursor > office!.seq) return { inspections: [], gone: [], cursor: 0, more: true, restored: true };
  const rows = await tx
    .select()
    .from(inspections)
    .where(and(seenBy(account), gt(inspections.seq, cursor), cursor === 0 ? eq(inspections.resting, false) : undefined))
    .orderBy(asc(inspections.seq))
    .limit(PORTION);
  const more = rows.length === PORTION;
  const ended =
    !isOutside(account.role) || cursor === 0 || more
      ? []
      : await tx
          .select({ id: parties.inspection, seq: parties.untilSeq })
          .from(parties)
          .where(
            and(
              inArray(parties.account, ofSameFirm(account)),
              gt(parties.untilSeq, cursor),
              notInArray(parties.inspection, theirs(account)),
            ),
          );
  return {
    inspections: (
      await inspectionsOf(
        tx,
        rows.filter(({ resting }) => !resting),
      )
    ).map(shownTo(account)),
    gone: [...rows.flatMap(({ id, resting }) => (resting ? [id] : [])), ...ended.map(({ id }) => id)],
    cursor: Math.max(rows.at(-1)?.seq ?? cursor, ...ended.map(({ seq }) => seq!)),
    more,
    restored: false,
  };
}

/** One inspection that somebody may see, or undefined; `lock` holds its row until the transaction ends. */
export async function inspectionIn(
  tx: Transaction,
  account: Account,
  id: string,
  lock = false,
): Promise<Inspection | undefined> {
  const query = tx
    .select()
    .from(inspections)
    .where(and(eq(inspections.id, id), seenBy(account)));
  const rows = lock ? await query.for('update') : await query;
  return (await inspectionsOf(tx, rows))[0];
}
