import { randomUUID } from 'node:crypto';
import { and, desc, eq, inArray } from 'drizzle-orm';
import { Router } from 'express';
import { boolean, mixed, object, string } from 'yup';
import { parseProfile } from '@careful-latch/core/profile';
import type { Change } from '@careful-latch/core/record';
import { takeInAll } from '../changes/apply';
import { bodyOf } from '../as-sent';
import type { Door, Transaction } from '../database/client';
import { accounts, inspections, offices, rules } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { sealRules } from '../ledger/ledger';
import { Problem } from '../problems';
import { csrfProtection } from '../sessions/routes';
import type { Account } from '../sessions/account';
import { accountOf, requireAccount, requireLead } from '../sessions/session';
import { newestRules } from './queries';

export const adoptSchema = object({
  profile: mixed<object>().required('The rules are missing.'),
  reason: string()
    .trim()
    .min(10, 'Say why, in at least 10 characters.')
    .max(500, 'The reason: at most 500 characters.')
    .required('Say why these rules are adopted.'),
  /** The version that whoever adopts these had before them; 0 for none. */
  after: mixed<number>()
    .test('version', 'Say after which version.', (value) => Number.isInteger(value))
    .required('Say after which version.'),
  /** Whether what is open is judged under them too. */
  openToo: boolean().required('Say whether open inspections are judged under them too.'),
});

/** Inspections that are not decided yet, or are being inspected again. */
const OPEN = ['draft', 'reinspection'] as const;

async function versionsOf(tx: Transaction, office: string) {
  const rows = await tx
    .select({ version: rules.version, profile: rules.profile, reason: rules.reason, at: rules.at, by: accounts.name })
    .from(rules)
    .innerJoin(accounts, eq(accounts.id, rules.by))
    .where(eq(rules.office, office))
    .orderBy(desc(rules.version));
  return rows.map(({ at, ...row }) => ({ ...row, at: at.toISOString() }));
}

/** Judges what is open under a version from now on, each by a change of its own. */
async function moveOpen(door: Door, keys: SealKeys, account: Account, version: number): Promise<number> {
  const open = await door.inOffice(account.office, (tx) =>
    tx
      .select({ id: inspections.id })
      .from(inspections)
      .where(and(eq(inspections.office, account.office), inArray(inspections.state, [...OPEN]))),
  );
  const at = new Date().toISOString();
  const moved = open.map(({ id }): Change => ({ id: randomUUID(), at, type: 'rules', inspection: id, rules: version }));
  const results = await takeInAll(door, keys, account, moved);
  return results.filter(({ status }) => status === 'taken').length;
}

/** What an office has adopted: read by everybody in it, amended by its lead. */
export function rulesRoutes(door: Door, keys: SealKeys): Router {
  const router = Router();
  router.get('/rules', requireAccount, async (request, response) => {
    const { office } = accountOf(request);
    response.json({ versions: await door.inOffice(office, (tx) => versionsOf(tx, office)) });
  });

  router.post('/rules', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const wanted = bodyOf(adoptSchema, request);
    const read = parseProfile(JSON.stringify(wanted.profile));
    if (!read.ok) throw new Problem(422, 'No rules of an office', `${read.errors.slice(0, 3).join('; ')}.`);
    const version = await door.inOffice(account.office, async (tx) => {
      await tx.select({ id: offices.id }).from(offices).where(eq(offices.id, account.office)).for('update');
      const before = (await newestRules(tx, account.office))?.version ?? 0;
      if (before !== wanted.after)
        throw new Problem(
          409,
          'Adopted meanwhile',
          'Another version was adopted meanwhile. Look at it, then adopt anew.',
        );
      const row = { office: account.office, version: before + 1, profile: read.profile, reason: wanted.reason, by: account.id }; // prettier-ignore
      await tx.insert(rules).values(row);
      await sealRules(tx, keys, row);
      return row.version;
    });
    const moved = wanted.openToo ? await moveOpen(door, keys, account, version) : 0;
    response.status(201).json({ version, moved });
  });
  return router;
}
