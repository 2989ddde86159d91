import { sql } from 'drizzle-orm';
import { dayAtHouse, isOpen, type Docket, type Violation, type Visit } from '@careful-latch/core/record';
import type { Transaction } from '../database/client';
import { violations, visits } from '../database/schema';

const excluded = (column: string) => sql.raw(`excluded.${column}`);

/** What the office counts by of a violation. */
const violationRow = (office: string, inspection: string, one: Violation) => ({
  id: one.id,
  office,
  inspection,
  state: one.state,
  severity: one.severity,
  rules: [...new Set(one.findings.map(({ rule }) => rule))],
  dueOn: one.dueOn,
  openedOn: dayAtHouse(one.steps[0]!.at),
  settledOn: isOpen(one) ? null : dayAtHouse(one.steps.at(-1)!.at),
});

const visitRow = (office: string, inspection: string, { id, number, state, day, inspector }: Visit) => ({
  id,
  office,
  inspection,
  number,
  state,
  day,
  inspector,
});

/** Writes the rows of what has changed in a docket; a docket that is as it was costs nothing. */
export async function writeDocketRows(
  tx: Transaction,
  office: string,
  inspection: string,
  before: Docket | undefined,
  after: Docket,
): Promise<void> {
  if (before === after) return;
  const changed = after.violations.filter((one) => !before?.violations.includes(one));
  if (changed.length > 0)
    await tx
      .insert(violations)
      .values(changed.map((one) => violationRow(office, inspection, one)))
      .onConflictDoUpdate({
        target: [violations.office, violations.inspection, violations.id],
        set: {
          state: excluded('state'),
          severity: excluded('severity'),
          rules: excluded('rules'),
          dueOn: excluded('due_on'),
          settledOn: excluded('settled_on'),
        },
      });
  const gone = after.visits.filter((one) => !before?.visits.includes(one));
  if (gone.length > 0)
    await tx
      .insert(visits)
      .values(gone.map((one) => visitRow(office, inspection, one)))
      .onConflictDoUpdate({
        target: [visits.office, visits.inspection, visits.id],
        set: { state: excluded('state'), day: excluded('day'), inspector: excluded('inspector') },
      });
}
