import { sql } from 'drizzle-orm';
import { Router } from 'express';
import { object, string } from 'yup';
import { queryOf } from '../as-sent';
import type { Door, Transaction } from '../database/client';
import { accountOf, requireAccount, requireInspector } from '../sessions/session';

export const monthSchema = object({
  month: string()
    .matches(/^20\d\d-(0[1-9]|1[0-2])$/, 'A month is written like 2026-11.')
    .required('Say which month, like 2026-11.'),
});
/** Fewer than so many say more of a person than of the work: they are not shown. */
const FEWEST = 5;

type Row = Record<string, string | number | null>;

/** What an office did in a month, in counts. Everything is asked of rows that are kept for it (`docket-rows.ts`), never of the records themselves. */
async function monthIn(tx: Transaction, office: string, first: string) {
  const from = sql`${first}::date`;
  const to = sql`(${first}::date + interval '1 month')::date`;
  const rows = async <T extends Row>(query: ReturnType<typeof sql>): Promise<T[]> =>
    (await tx.execute(query)).rows as T[];
  const counted = (what: ReturnType<typeof sql>) => rows<{ of: string; n: number }>(what);
  const passed = (by: ReturnType<typeof sql>) =>
    rows<{ of: string; n: number; passed: number }>(
      sql`select ${by} as of, count(*)::int as n, (count(*) filter (where kind in ('approved', 'approved-with-conditions')))::int as passed
          from decisions where office = ${office} and signed_at >= ${from} and signed_at < ${to} and nth = 1 and ${by} is not null
          group by 1 having count(*) >= ${FEWEST} order by 2 desc, 1`,
    );
  const of = (type: string, what: ReturnType<typeof sql>) =>
    counted(
      sql`select ${what} as of, count(*)::int as n from changes c join accounts a on a.id = c.by
          where c.office = ${office} and c.received_at >= ${from} and c.received_at < ${to}
            and c.body->>'type' in ('not-taken-up', 'paper', 'appeal') and c.body->>'type' = ${type}
          group by 1 order by 2 desc, 1`,
    );
  const [days] = await rows<{ n: number; median: number | null }>(
    sql`select count(*)::int as n, percentile_cont(0.5) within group (order by settled_on - opened_on) as median
        from violations where office = ${office} and settled_on >= ${from} and settled_on < ${to} and state in ('verified', 'removed')`,
  );
  const [taken] = await rows<{ n: number; hazards: number }>(
    sql`select count(*)::int as n, (count(*) filter (where severity = 'hazard'))::int as hazards
        from violations where office = ${office} and opened_on >= ${from} and opened_on < ${to}`,
  );
  return {
    decisions: await counted(sql`select kind as of, count(*)::int as n from decisions where office = ${office} and signed_at >= ${from} and signed_at < ${to} group by 1 order by 2 desc, 1`), // prettier-ignore
    visits: await counted(sql`select state as of, count(*)::int as n from visits where office = ${office} and day >= ${from} and day < ${to} group by 1 order by 2 desc, 1`), // prettier-ignore
    firstByTransfer: await passed(sql.raw('transfer')),
    firstByFirm: await passed(sql.raw('firm')),
    taken: taken!,
    corrected: days!,
    byRule: await counted(sql`select unnest(rules) as of, count(*)::int as n from violations where office = ${office} and opened_on >= ${from} and opened_on < ${to} group by 1 order by 2 desc, 1 limit 12`), // prettier-ignore
    withdrawn: await counted(sql`select unnest(rules) as of, count(*)::int as n from violations where office = ${office} and settled_on >= ${from} and settled_on < ${to} and state = 'withdrawn' group by 1 order by 2 desc, 1 limit 12`), // prettier-ignore
    notTakenUp: await of('not-taken-up', sql`(c.body->'finding'->>'rule') || ' · ' || a.name`),
    leftOut: await counted(sql`select unnest(left_out) as of, count(*)::int as n from decisions where office = ${office} and signed_at >= ${from} and signed_at < ${to} group by 1 order by 2 desc, 1`), // prettier-ignore
    papers: await of('paper', sql`c.body->>'to'`),
    appeals: await of('appeal', sql`c.body->>'to'`),
  };
}

/** The lead’s month. */
export function monthRoutes(door: Door): Router {
  const router = Router();
  router.get('/month', requireAccount, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const { month } = queryOf(monthSchema, request);
    const counts = await door.inOffice(account.office, (tx) => monthIn(tx, account.office, `${month}-01`));
    response.json({ month, fewest: FEWEST, ...counts });
  });
  return router;
}
