import { escapeIdentifier, type Pool } from 'pg';
import PgBoss from 'pg-boss';
import type { Door } from '../database/client';
import { deliver } from '../permits/posts';
import type { PermitService } from '../permits/service';
import { writeMails } from './outbox';
import { remind } from './reminders';

/** The schema of the queue, which is the server's own. */
export const QUEUE_SCHEMA = 'pgboss';
const MAIL = 'mail';
const REMINDERS = 'reminders';
const PERMITS = 'permits';
/** Every morning, and every quarter of an hour for what was left when a process ended. */
const MORNING = '0 6 * * *';
const SWEEP = '*/15 * * * *';
/** What the permit office did not take waits ever longer, from seconds to an hour; what is due is told every minute. */
const EVERY_MINUTE = '* * * * *';

/** Makes the queue’s tables, as the server’s own role, which may make a schema for that moment alone. Does nothing where they are there. */
export async function installQueue(owner: Pool, url: string): Promise<void> {
  const { rows } = await owner.query<{ there: boolean }>(
    `select to_regclass('${QUEUE_SCHEMA}.version') is not null as there`,
  );
  if (rows[0]!.there) return;
  const { username, pathname } = new URL(url);
  const [role, database] = [username, pathname.slice(1)].map((one) => escapeIdentifier(decodeURIComponent(one)));
  await owner.query(`grant create on database ${database} to ${role}`);
  try {
    const boss = new PgBoss({ connectionString: url, schema: QUEUE_SCHEMA, max: 1, supervise: false, schedule: false });
    boss.on('error', () => undefined); // said by what is thrown
    await boss.start();
    await boss.stop({ graceful: false });
  } finally {
    await owner.query(`revoke create on database ${database} from ${role}`);
  }
}

interface Queue {
  /** Says that something waits in an outbox. */
  wake(): void;
  stop(): Promise<void>;
}

/**
 * The office's work in the background, in a queue in PostgreSQL: however many processes share it, each thing is done by one, and
 * tried again ever more slowly where it fails. What is to be mailed stands in the outbox, not in the queue, which only says that it does.
 */
export async function startQueue(
  url: string,
  {
    door,
    folder,
    permits,
    onError,
  }: { door: Door; folder: string; permits?: PermitService | undefined; onError: (error: Error) => void },
): Promise<Queue> {
  const boss = new PgBoss({ connectionString: url, schema: QUEUE_SCHEMA, max: 2 });
  boss.on('error', onError);
  await boss.start();
  for (const name of [MAIL, REMINDERS, PERMITS])
    await boss.createQueue(name, { name, policy: 'short', retryLimit: 20, retryDelay: 5, retryBackoff: true });
  await boss.work(MAIL, () => writeMails(door, folder));
  await boss.work(REMINDERS, async () => {
    await remind(door);
    await boss.send(MAIL, {});
  });
  if (permits) {
    await boss.work(PERMITS, () => deliver(door, permits));
    await boss.schedule(PERMITS, EVERY_MINUTE);
    await boss.send(PERMITS, {});
  }
  await boss.schedule(REMINDERS, MORNING);
  await boss.schedule(MAIL, SWEEP);
  return {
    wake() {
      for (const name of permits ? [MAIL, PERMITS] : [MAIL]) boss.send(name, {}).catch(onError);
    },
    stop: () => boss.stop({ graceful: true, timeout: 2000 }),
  };
}
