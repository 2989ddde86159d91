import { and, eq, inArray, sql } from 'drizzle-orm';
import { catalogueKey, saysSimulated } from '@careful-latch/core/case';
import { ofOldDevice, type Change } from '@careful-latch/core/record';
import type { Transaction } from '../database/client';
import { accounts, changes } from '../database/schema';

/** What Undo sets again: who had recorded it, and when; for a fact, which and how. */
interface Said {
  readonly at: string;
  readonly by: string;
  /** Whether a change of that time, by that person, said it. */
  readonly isIn: (change: Change) => boolean;
}

function saidAgain(change: Change): Said[] {
  if (change.type === 'evidence') {
    const { was, evidence } = change;
    return was ? [{ ...was, isIn: (one) => one.type === 'evidence' && one.evidence === evidence }] : [];
  }
  if (change.type !== 'facts') return [];
  return change.facts.flatMap(({ was, path, part }) => {
    if (!was) return [];
    const isIn = (one: Change) =>
      one.type === 'facts' &&
      one.facts.some(
        (fact) =>
          catalogueKey(fact.path) === catalogueKey(path) &&
          (fact.part === undefined || part === undefined || fact.part === part) &&
          fact.how === was.how &&
          fact.said === was.said,
      );
    return [{ at: was.at, by: was.by, isIn }];
  });
}

/**
 * Why a change may not set again what it says stood there: nothing in the log of the house says so, and nobody records in another's
 * name. Undefined where it may, or sets nothing again.
 */
export async function whyNotSaidBefore(tx: Transaction, change: Change): Promise<string | undefined> {
  const again = saidAgain(change);
  if (again.length === 0) return undefined;
  const times = [...new Set(again.map(({ at }) => at))];
  const log = await tx
    .select({ body: changes.body, by: accounts.name })
    .from(changes)
    .innerJoin(accounts, eq(accounts.id, changes.by))
    .where(and(eq(changes.inspection, change.inspection), inArray(sql`${changes.body}->>'at'`, times)));
  const made = log.map(({ body, by }) => ({ by, change: ofOldDevice(body) as Change }));
  const unknown = again.find(
    (one) => !made.some(({ by, change: other }) => by === one.by && other.at === one.at && one.isIn(other)),
  );
  return unknown && `Nothing in this house’s log says that ${unknown.by} recorded this at ${unknown.at}; record it as your own.`; // prettier-ignore
}

/** Why readings are not recorded: the simulated meter proves nothing, and an office that is no demo has none. Undefined where they may be. */
export async function whyNotSimulated(tx: Transaction, office: string, change: Change): Promise<string | undefined> {
  if (change.type !== 'facts' || !change.facts.some((one) => saysSimulated(one) || (one.was && saysSimulated(one.was))))
    return undefined;
  const demo = await tx.$count(accounts, and(eq(accounts.office, office), eq(accounts.demo, true)));
  return demo > 0 ? undefined : 'This reading is simulated, and proves nothing at a house; take it with an instrument.';
}
