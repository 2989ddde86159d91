import { and, asc, eq, isNotNull, lte, sql } from 'drizzle-orm';
import { dayIn, isOutside, type Role, type Summary } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { accounts, inspections, offices, parties } from '../database/schema';
import { postMail } from './outbox';

/** So many days ahead somebody is reminded. */
const AHEAD_DAYS = 2;
const WHAT: Readonly<Record<NonNullable<Summary['dueWhat']>, string>> = {
  visit: 'visit',
  violation: 'correction',
  condition: 'condition of the approval',
  reinspection: 'reinspection',
};

interface DueRow {
  readonly address: string;
  readonly dueOn: string | null;
  readonly dueWhat: Summary['dueWhat'];
  readonly inspector: string | null;
  /** Who of outside is party to it, and their firms. */
  readonly parties: readonly string[];
}

/** What concerns somebody: the lead all of it, an inspector what they go to, a contractor what is to be corrected at his houses. */
function concerns(
  { id, firm, name, role }: { id: string; firm: string | null; name: string; role: Role },
  row: DueRow,
): boolean {
  if (role === 'lead') return true;
  if (role === 'inspector') return row.inspector === name;
  return isOutside(role) && row.parties.some((one) => one === id || one === firm) && row.dueWhat !== 'visit';
}

async function remindIn(tx: Transaction, office: string, today: string): Promise<number> {
  const until = new Date(Date.parse(today) + AHEAD_DAYS * 86_400_000).toISOString().slice(0, 10);
  const due = await tx
    .select({
      address: inspections.address,
      dueOn: inspections.dueOn,
      dueWhat: inspections.dueWhat,
      inspector: inspections.inspector,
      parties: sql<
        string[]
      >`array(select unnest(array[a.id, a.firm]) from ${parties} p join ${accounts} a on a.id = p.account where p.office = inspections.office and p.inspection = inspections.id and p.until is null)`,
    }) // prettier-ignore
    .from(inspections)
    .where(and(eq(inspections.office, office), lte(inspections.dueOn, until)))
    .orderBy(asc(inspections.dueOn), asc(inspections.street));
  const people = await tx
    .select()
    .from(accounts)
    .where(and(eq(accounts.office, office), eq(accounts.active, true), isNotNull(accounts.email)));
  let made = 0;
  for (const one of people) {
    const own = due.filter((row) => concerns(one, row));
    if (own.length === 0) continue;
    const late = own.filter(({ dueOn }) => dueOn! < today).length;
    const lines = own.map(({ address, dueOn, dueWhat }) => `${dueOn}${dueOn! < today ? ' (late)' : ''}  ${address}: ${WHAT[dueWhat!]}`); // prettier-ignore
    await postMail(tx, {
      office,
      to: one.email!,
      subject: late > 0 ? `${own.length} due, ${late} of them late` : `${own.length} due`,
      body: `${one.name},\n\n${lines.join('\n')}\n\nYou get this because your office has an address of yours. What counts is in the application.\n`,
      key: `due ${today} ${one.id}`, // once a day, however often it is asked for
    });
    made++;
  }
  return made;
}

/** Reminds everybody with an address of what is due within two days or late, once a day; resolves with how many mails. */
export async function remind(door: Door, today?: string): Promise<number> {
  let made = 0;
  for (const office of await door.officeIds())
    made += await door.inOffice(office, async (tx) => {
      const [own] = await tx.select({ zone: offices.zone }).from(offices).where(eq(offices.id, office));
      return remindIn(tx, office, today ?? dayIn(own!.zone, new Date()));
    });
  return made;
}
