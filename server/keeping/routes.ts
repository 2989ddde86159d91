import { randomUUID } from 'node:crypto';
import { and, asc, eq, isNotNull, sql, type SQL } from 'drizzle-orm';
import { Router } from 'express';
import { mixed, number, object, string } from 'yup';
import { KEPT, type Kept } from '@careful-latch/core/record';
import { counted } from '../changes/apply';
import { bodyOf } from '../as-sent';
import type { Door, Transaction } from '../database/client';
import { accounts, changes, decisions, destroyed, held, inspections, notes, offices, views } from '../database/schema';
import type { EvidenceStore } from '../evidence/store';
import { withoutOwner } from '../inspections/seal';
import { inLog } from '../ledger/hidden';
import type { SealKeys } from '../ledger/keys';
import { logPeople } from '../ledger/ledger';
import { Problem } from '../problems';
import type { Account } from '../sessions/account';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount, requireLead } from '../sessions/session';

const MOST = 200;

const years = (what: string) =>
  number()
    .typeError(`${what}: years are a number.`)
    .integer(`${what}: whole years.`)
    .min(1, `${what}: at least a year.`)
    .max(100, `${what}: at most 100 years.`)
    .nullable()
    .defined(`${what}: say how many years, or null for ever.`);
export const yearsSchema = object({
  photo: years(KEPT.photo),
  owner: years(KEPT.owner),
  note: years(KEPT.note),
  draft: years(KEPT.draft),
  view: years(KEPT.view),
});
export const destroySchema = object({
  inspection: string().uuid('The inspection is named by its id.').required('Name the inspection.'),
  kind: mixed<Kept>()
    .oneOf(Object.keys(KEPT) as Kept[], `One of ${Object.keys(KEPT).join(', ')} is destroyed, nothing else.`)
    .required('Say what is destroyed.'),
  reason: string().trim().min(10, 'Give the reason in at least 10 characters.').max(500, 'The reason: at most 500 characters.').required('Give the reason.'), // prettier-ignore
});
const id = string().uuid('The address names no inspection.').required();

interface Due {
  readonly inspection: string;
  readonly address: string;
  readonly kind: Kept;
  readonly n: number;
  /** Since this day nothing was added to it, or nothing changed at the house. */
  readonly since: string;
  readonly held: boolean;
}

const isHeld = sql<boolean>`coalesce((${inspections.docket}->'hold'->>'on')::boolean, false)`;
const photosOf = sql`(select e->'photo'->>'sha256' from jsonb_array_elements(${inspections.evidence}) e where e->'photo'->>'sha256' is not null)`;

const photosLeft = (office: string) =>
  sql<number>`(select count(*)::int from ${photosOf} as p(sha) where not exists (select from ${destroyed} d where d.office = ${office} and d.subject = p.sha))`;

/** How many years each is kept by an office. */
const YEARS = {
  photo: offices.photoYears,
  owner: offices.ownerYears,
  note: offices.noteYears,
  draft: offices.draftYears,
  view: offices.viewYears,
};

/** What hangs on a house line by line, and since when: each goes a while after the newest of them. */
const LINES = {
  note: { table: notes, at: sql`${notes.at}`, where: undefined },
  draft: { table: held, at: sql`${held.receivedAt}`, where: isNotNull(held.settledAt) },
  view: { table: views, at: sql`${views.day}::timestamptz`, where: undefined },
};

/** What is over its time in an office: of houses on which nothing is to be done any longer photos and the owner’s name, and what hangs on any house line by line. */
async function dueIn(tx: Transaction, office: string, only?: { inspection: string; kind: Kept }): Promise<Due[]> {
  const [kept] = await tx.select(YEARS).from(offices).where(eq(offices.id, office));
  const one = only && eq(inspections.id, only.inspection);
  const day = (at: SQL) => sql<string>`(${at})::date::text`;
  const head = { inspection: inspections.id, address: inspections.address, held: isHeld };
  const over = (at: SQL, years: number) => sql`${at} <= now() - ${years} * interval '1 year'`;
  const due: Due[] = [];
  for (const kind of Object.keys(KEPT) as Kept[]) {
    const years = kept![kind];
    if (years === null || (only && only.kind !== kind)) continue;
    if (kind === 'photo' || kind === 'owner') {
      const n = kind === 'photo' ? photosLeft(office) : sql<number>`1`;
      const there =
        kind === 'photo' ? sql`${n} > 0` : and(sql`${inspections.owner} <> ''`, isNotNull(inspections.salt));
      const changedAt = sql`${inspections.changedAt}`;
      const finished = isNotNull(inspections.restsOn); // nothing is to be done there any longer
      const rows = await tx
        .select({ ...head, n, since: day(changedAt) })
        .from(inspections)
        .where(and(eq(inspections.office, office), finished, over(changedAt, years), there, one))
        .orderBy(asc(inspections.changedAt))
        .limit(MOST);
      due.push(...rows.map((row) => ({ ...row, kind })));
    } else {
      const { table, at, where } = LINES[kind];
      const newest = sql`max(${at})`;
      const rows = await tx
        .select({ ...head, n: sql<number>`count(*)::int`, since: day(newest) })
        .from(table as typeof notes)
        .innerJoin(inspections, and(eq(inspections.office, table.office), eq(inspections.id, table.inspection)))
        .where(and(eq(table.office, office), where, one))
        .groupBy(inspections.office, inspections.id)
        .having(over(newest, years))
        .orderBy(asc(newest))
        .limit(MOST);
      due.push(...rows.map((row) => ({ ...row, kind })));
    }
  }
  return due;
}

/** The photos of a house that no other house shows. */
const photosOfOne = (inspection: string) => sql`select distinct p.sha from ${inspections}, lateral ${photosOf} as p(sha) where ${inspections.id} = ${inspection}
  and not exists (select from inspections o where o.id <> ${inspection} and o.evidence @> jsonb_build_array(jsonb_build_object('photo', jsonb_build_object('sha256', p.sha))))`; // prettier-ignore

/** Leaves salted hashes where the owner’s name stands in a house’s head, changes and sealed records; every seal holds over these. */
async function hideOwner(tx: Transaction, office: string, inspection: string, seq: number): Promise<void> {
  const [own] = await tx.select({ salt: inspections.salt }).from(inspections).where(eq(inspections.id, inspection));
  const ofHouse = (table: typeof changes | typeof decisions) =>
    and(eq(table.office, office), eq(table.inspection, inspection));
  const log = await tx.select({ id: changes.id, body: changes.body }).from(changes).where(ofHouse(changes));
  for (const { id, body } of log) {
    const now = inLog(body, own!.salt);
    if (now !== body)
      await tx
        .update(changes)
        .set({ body: now })
        .where(and(ofHouse(changes), eq(changes.id, id)));
  }
  const sealed = await tx
    .select({ id: decisions.id, record: decisions.record })
    .from(decisions)
    .where(ofHouse(decisions));
  for (const { id, record } of sealed.filter((one) => one.record.salt !== undefined))
    await tx
      .update(decisions)
      .set({ record: withoutOwner(record) })
      .where(eq(decisions.id, id));
  await tx.update(inspections).set({ owner: '', salt: randomUUID(), seq }).where(eq(inspections.id, inspection));
}

/** Destroys what is over its time at one house; what was there is written down, and a line of the ledger says so. Resolves with the photos whose files go. */
async function destroyIn(
  tx: Transaction,
  keys: SealKeys,
  account: Account,
  wanted: { inspection: string; kind: Kept; reason: string },
): Promise<string[]> {
  const seq = await counted(tx, account.office); // under the office’s lock: nothing is recorded, sealed or held meanwhile
  const [due] = await dueIn(tx, account.office, wanted);
  if (!due) throw new Problem(409, 'Not yet', 'Nothing of that is over its time at this house.');
  if (due.held) throw new Problem(409, 'Held', 'The record of this house is held; nothing of it is destroyed.');
  const { inspection, kind, reason } = wanted;
  let subjects = [`${kind} of ${inspection} until ${due.since}`];
  if (kind === 'photo')
    subjects = (await tx.execute<{ sha: string }>(photosOfOne(inspection))).rows.map(({ sha }) => sha);
  else if (kind === 'owner') await hideOwner(tx, account.office, inspection, seq);
  else if (kind === 'note')
    subjects = (await tx.delete(notes).where(eq(notes.inspection, inspection)).returning({ id: notes.id })).map(({ id }) => id); // prettier-ignore
  else if (kind === 'draft')
    await tx.delete(held).where(and(eq(held.inspection, inspection), isNotNull(held.settledAt)));
  else await tx.delete(views).where(eq(views.inspection, inspection));
  if (subjects.length === 0)
    throw new Problem(409, 'Shown elsewhere', 'Another house shows these photos too; they stay.');
  const rows = subjects.map((subject) => ({ id: randomUUID(), office: account.office, inspection, kind, subject, reason, by: account.id })); // prettier-ignore
  await tx.insert(destroyed).values(rows).onConflictDoNothing();
  await logPeople(tx, keys, account, inspection, `destroyed of ${due.address}: ${KEPT[kind].toLowerCase()} (${due.n}): ${reason}`); // prettier-ignore
  return kind === 'photo' ? subjects : [];
}

/** What is kept how long, what is over its time, and what the lead has destroyed; nothing goes by itself. */
export function keepingRoutes(door: Door, keys: SealKeys, store: EvidenceStore): Router {
  const router = Router();
  router.get('/keeping', requireAccount, requireLead, async (request, response) => {
    const { office } = accountOf(request);
    const answer = await door.inOffice(office, async (tx) => {
      const [years] = await tx.select(YEARS).from(offices).where(eq(offices.id, office));
      return { years, due: await dueIn(tx, office) };
    });
    response.json(answer);
  });

  router.patch('/keeping', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const kept = bodyOf(yearsSchema, request);
    const said = (Object.keys(KEPT) as Kept[]).map((kind) => `${kind} ${kept[kind] ?? 'for ever'}`).join(', ');
    await door.inOffice(account.office, async (tx) => {
      const { photo, owner, note, draft, view } = kept;
      await tx
        .update(offices)
        .set({ photoYears: photo, ownerYears: owner, noteYears: note, draftYears: draft, viewYears: view })
        .where(eq(offices.id, account.office));
      await logPeople(tx, keys, account, account.office, `says how many years is kept: ${said}`);
    });
    response.json({ done: true });
  });

  router.post('/keeping/destroy', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const wanted = bodyOf(destroySchema, request);
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
