import { and, desc, eq, inArray } from 'drizzle-orm';
import type { Rules } from '@careful-latch/core/record';
import type { Transaction } from '../database/client';
import { rules } from '../database/schema';

const columns = { office: rules.office, version: rules.version, profile: rules.profile };
const rulesOf = ({ version, profile }: { version: number; profile: Rules['profile'] }): Rules => ({ version, profile });

/** One version of an office’s rules; undefined where there is none such. */
export async function rulesIn(tx: Transaction, office: string, version: number): Promise<Rules | undefined> {
  const [row] = await tx
    .select(columns)
    .from(rules)
    .where(and(eq(rules.office, office), eq(rules.version, version)));
  return row && rulesOf(row);
}

/** The rules that an office has adopted last; undefined where it has adopted none. */
export async function newestRules(tx: Transaction, office: string): Promise<Rules | undefined> {
  const [row] = await tx
    .select(columns)
    .from(rules)
    .where(eq(rules.office, office))
    .orderBy(desc(rules.version))
    .limit(1);
  return row && rulesOf(row);
}

type Judged = { readonly office: string; readonly rules: number | null };

/** By inspection, the rules that each of some is judged under, fetched together. */
export async function rulesOfAll(tx: Transaction, all: readonly Judged[]): Promise<(one: Judged) => Rules | undefined> {
  const versions = [...new Set(all.flatMap((one) => one.rules ?? []))];
  const rows =
    versions.length === 0
      ? []
      : await tx
          .select(columns)
          .from(rules)
          .where(
            and(inArray(rules.version, versions), inArray(rules.office, [...new Set(all.map((one) => one.office))])),
          );
  const known = new Map(rows.map((row) => [`${row.office} ${row.version}`, rulesOf(row)]));
  return ({ office, rules: version }) => known.get(`${office} ${version}`);
}
