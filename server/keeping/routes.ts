import { randomUUID } from 'node:crypto';
import { and, asc, eq, isNotNull, lte, sql } from 'drizzle-orm';
import { Router } from 'express';
import { mixed, number, object, string } from 'yup';
import type { Door, Transaction } from '../database/client';
import { accounts, destroyed, inspections, notes, offices, views } from '../database/schema';
import type { EvidenceStore } from '../evidence/store';
import type { SealKeys } from '../ledger/keys';
import { logPeople } from '../ledger/ledger';
import { Problem } from '../problems';
import type { Account } from '../sessions/account';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount, requireLead } from '../sessions/session';

const KINDS = ['photo', 'note'] as const;
type Kind = (typeof KINDS)[number];
const MOST = 200;

const years = (what: string) =>
  number()
    .typeError(`${what}: years are a number.`)
    .integer(`${what}: whole years.`)
    .min(1, `${what}: at least a year.`)
    .max(100, `${what}: at most 100 years.`)
    .nullable()
    .defined(`${what}: say how many years, or null for ever.`);
const yearsSchema = object({ photo: years('Photos'), note: years('Notes of who complained') });
const destroySchema = object({
  inspection: string().uuid('The inspection is named by its id.').required('Name the inspection.'),
  kind: mixed<Kind>()
    .oneOf([...KINDS], 'Photos or notes are destroyed, nothing else.')
    .required('Say what is destroyed.'),
  reason: string().trim().min(10, 'Give the reason in at least 10 characters.').max(500, 'The reason: at most 500 characters.').required('Give the reason.'), // prettier-ignore
});
const id = string().uuid('The address names no inspection.').required();

interface Due {
  readonly inspection: string;
  readonly address: string;
  readonly kind: Kind;
  readonly n: number;
  /** Since this day nobody has changed anything there, or written a note. */
  readonly since: string;
  readonly held: boolean;
}

const held = sql<boolean>`coalesce((${inspections.docket}->'hold'->>'on')::boolean, false)`;
const photosOf = sql`(select e->'photo'->>'sha256' from jsonb_array_elements(${inspections.evidence}) e where e->'photo'->>'sha256' is not null)`;

/** What is over its time in an office: photos of houses on which nothing is to be done any longer, and notes. */
async function dueIn(tx: Transaction, office: string, only?: { inspection: string; kind: Kind }): Promise<Due[]> {
  const [own] = await tx.select().from(offices).where(eq(offices.id, office));
  const one = only && eq(inspections.id, only.inspection);
  const left = sql<number>`(select count(*)::int from ${photosOf} as p(sha) where not exists (select from ${destroyed} d where d.office = ${office} and d.subject = p.sha))`;
  const photos =
    own!.photoYears === null || only?.kind === 'note'
      ? []
      : await tx
          .select({
            inspection: inspections.id,
            address: inspections.address,
            n: left,
            since: inspections.changedAt,
            held,
          })
          .from(inspections)
          .where(
            and(
              eq(inspections.office, office),
              isNotNull(inspections.restsOn), // nothing is to be done there any longer
              lte(inspections.changedAt, sql`now() - ${own!.photoYears} * interval '1 year'`),
              sql`${left} > 0`,
              one,
            ),
          )
          .orderBy(asc(inspections.changedAt))
          .limit(MOST);
  const newest = sql<Date>`max(${notes.at})`.mapWith((text: string) => new Date(text));
  const written =
    own!.noteYears === null || only?.kind === 'photo'
      ? []
      : await tx
          .select({
            inspection: inspections.id,
            address: inspections.address,
            n: sql<number>`count(*)::int`,
            since: newest,
            held,
          })
          .from(notes)
          .innerJoin(inspections, and(eq(inspections.office, notes.office), eq(inspections.id, notes.inspection)))
          .where(and(eq(notes.office, office), one))
          .groupBy(inspections.office, inspections.id)
          .having(lte(sql`max(${notes.at})`, sql`now() - ${own!.noteYears} * interval '1 year'`))
          .orderBy(asc(newest))
          .limit(MOST);
  const said = (kind: Kind) => (row: (typeof photos)[number]) => ({
    ...row,
    kind,
    since: row.since.toISOString().slice(0, 10),
  });
  return [...photos.map(said('photo')), ...written.map(said('note'))];
}

/** Destroys what is over its time at one house; what was there is written down, and a line of the ledger says so. Resolves with the photos whose files go. */
async function destroyIn(
  tx: Transaction,
  keys: SealKeys,
  account: Account,
  wanted: { inspection: string; kind: Kind; reason: string },
): Promise<string[]> {
  const [due] = await dueIn(tx, account.office, wanted);
  if (!due) throw new Problem(409, 'Not yet', 'Nothing of that is over its time at this house.');
  if (due.held) throw new Problem(409, 'Held', 'The record of this house is held; nothing of it is destroyed.');
  const { inspection, kind, reason } = wanted;
  const subjects =
    kind === 'note'
      ? (await tx.delete(notes).where(eq(notes.inspection, inspection)).returning({ id: notes.id })).map((one) => one.id)
      : (await tx.execute<{ sha: string }>(sql`select distinct p.sha from ${inspections}, lateral ${photosOf} as p(sha) where ${inspections.id} = ${inspection}
          and not exists (select from inspections o where o.id <> ${inspection} and o.evidence @> jsonb_build_array(jsonb_build_object('photo', jsonb_build_object('sha256', p.sha))))`)).rows.map(({ sha }) => sha); // prettier-ignore
  if (subjects.length === 0)
    throw new Problem(409, 'Shown elsewhere', 'Another house shows these photos too; they stay.');
  const rows = subjects.map((subject) => ({ id: randomUUID(), office: account.office, inspection, kind, subject, reason, by: account.id })); // prettier-ignore
  await tx.insert(destroyed).values(rows).onConflictDoNothing();
  await logPeople(tx, keys, account, inspection, `destroyed ${subjects.length} ${kind}s of ${due.address}: ${reason}`);
  return kind === 'photo' ? subjects : [];
}

/** What is kept how long, what is over its time, and what the lead has destroyed; nothing goes by itself. */
export function keepingRoutes(door: Door, keys: SealKeys, store: EvidenceStore): Router {
  const router = Router();
  router.get('/keeping', requireAccount, requireLead, async (request, response) => {
    const { office } = accountOf(request);
    const answer = await door.inOffice(office, async (tx) => {
      const [own] = await tx.select().from(offices).where(eq(offices.id, office));
      return { years: { photo: own!.photoYears, note: own!.noteYears }, due: await dueIn(tx, office) };
    });
    response.json(answer);
  });

  router.patch('/keeping', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const { photo, note } = yearsSchema.validateSync(request.body);
    await door.inOffice(account.office, async (tx) => {
      await tx.update(offices).set({ photoYears: photo, noteYears: note }).where(eq(offices.id, account.office));
      await logPeople(
        tx,
        keys,
        account,
        account.office,
        `keeps photos ${photo ?? 'for ever'}, notes ${note ?? 'for ever'} (years)`,
      );
    });
    response.json({ done: true });
  });

  router.post('/keeping/destroy', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const wanted = destroySchema.validateSync(request.body);
    const photos = await door.inOffice(account.office, (tx) => destroyIn(tx, keys, account, wanted));
    for (const sha256 of photos) await store.destroy(account.office, sha256);
    response.json({ done: true });
  });

  /** For whoever is to answer for the record: who has looked at it, and what of it was destroyed. */
  router.get('/inspections/:id/looked', requireAccount, requireLead, async (request, response) => {
    const { office } = accountOf(request);
    const inspection = id.validateSync(request.params.id);
    const answer = await door.inOffice(office, async (tx) => ({
      looked: await tx
        .select({ by: accounts.name, day: views.day })
        .from(views)
        .innerJoin(accounts, eq(accounts.id, views.by))
        .where(eq(views.inspection, inspection))
        .orderBy(asc(views.day), asc(accounts.name)),
      destroyed: (
        await tx
          .select({
            kind: destroyed.kind,
            subject: destroyed.subject,
            reason: destroyed.reason,
            by: accounts.name,
            at: destroyed.at,
          })
          .from(destroyed)
          .innerJoin(accounts, eq(accounts.id, destroyed.by))
          .where(eq(destroyed.inspection, inspection))
          .orderBy(asc(destroyed.at))
      ).map((one) => ({ ...one, at: one.at.toISOString() })),
    }));
    response.json(answer);
  });
  return router;
}

/** Whether a photo of an office was destroyed, and when. */
export async function destroyedAt(tx: Transaction, sha256: string): Promise<Date | undefined> {
  const [found] = await tx.select({ at: destroyed.at }).from(destroyed).where(eq(destroyed.subject, sha256));
  return found?.at;
}
