/** Starts the server on PORT and DATABASE_URL; ends it in order on SIGTERM or SIGINT. */
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { createServer } from 'node:http';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { connect } from './database/client';
import { giveServerRole, migrate, oneAfterTheOther, requireServerRole, serverUrlOf } from './database/migrate';
import { loadDemo } from './demo/load';
import { EvidenceStore } from './evidence/store';
import { Epochs, settleEpochs } from './epoch/epoch';
import { writeAnchor } from './ledger/anchor';
import { putToRest } from './inspections/rest';
import { openKeys } from './ledger/keys';
import { bringUp } from './ledger/ledger';
import { startQueue } from './mail/queue';
import { serverLog } from './log';
import { permitService } from './permits/service';
import { isDatabaseAway } from './problems';
import { simulateMeter } from './meter/instrument';

const root = fileURLToPath(new URL('..', import.meta.url));
/** The owner's address: needed to bring the database up, and forgotten after that. In a file it stands in no environment, which others of this user could read. */
const ownerUrl =
  process.env.DATABASE_URL ??
  (process.env.DATABASE_URL_FILE && readFileSync(process.env.DATABASE_URL_FILE, 'utf8').trim());
delete process.env.DATABASE_URL;
const trustProxy = process.env.TRUST_PROXY;
const port = Number(process.env.PORT ?? 4780);
/** Loopback unless told otherwise: the demo's password is no secret. */
const host = process.env.HOST ?? '127.0.0.1';

/** The key that signs session cookies: given, or made once and kept with the project's data. */
function sessionSecret(): string {
  if (process.env.SESSION_SECRET) return process.env.SESSION_SECRET;
  const file = join(root, '.data', 'session-secret');
  if (!existsSync(file)) {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  }
  return readFileSync(file, 'utf8');
}

/** Where photos are kept: given, or with the project's data. */
const evidenceFolder = resolve(process.env.EVIDENCE_FOLDER ?? join(root, '.data', 'evidence'));

/** The keys that seal decisions, and where each day's last seals are written down. */
const sealKeysFile = resolve(process.env.SEAL_KEYS ?? join(root, '.data', 'seal-keys.json'));
/** Which copies of themselves the offices were, and how far their ledgers had come: beside the keys, where no backup brings it back. */
const epochsFile = resolve(process.env.EPOCHS_FILE ?? join(dirname(sealKeysFile), 'epochs.json'));
const anchorFolder = resolve(process.env.ANCHOR_FOLDER ?? join(root, '.data', 'anchors'));
const HOUR_MS = 3600_000;
/** A photo that was begun is gone on with for so long. */
const BEGUN_LASTS_MS = 30 * 24 * HOUR_MS;
/** Where mails are written to, as files. */
const outboxFolder = resolve(process.env.OUTBOX_FOLDER ?? join(root, '.data', 'outbox'));
/** How long running requests have to be finished, once the server is asked to end. */
const FINISH_WITHIN_MS = 5_000;

const log = serverLog(process.env.LOG_LEVEL);

async function main(): Promise<void> {
  const secret = sessionSecret();
  const serverUrl = process.env.SERVER_DATABASE_URL ?? (ownerUrl && serverUrlOf(ownerUrl, secret));
  if (!serverUrl) throw new Error('DATABASE_URL is not set. Use npm start, which sets up a database, or set it.');
  const lost = (err: Error) => log.warn({ err }, 'a connection to the database was lost');
  const keys = await openKeys(sealKeysFile);
  if (ownerUrl) {
    const owner = connect(ownerUrl, lost);
    await oneAfterTheOther(owner.pool, async () => {
      await migrate(owner.db);
      await giveServerRole(owner.pool, serverUrl);
      if (process.env.DEMO === '1') await loadDemo(owner, keys, new EvidenceStore(evidenceFolder));
      await bringUp(owner.door, keys);
      await settleEpochs(owner.door, keys, epochsFile);
    });
    await owner.pool.end();
  }
  const connection = connect(serverUrl, lost);
  await requireServerRole(connection.pool);
  const anchor = () =>
    writeAnchor(connection.door, keys, anchorFolder).catch((err: unknown) =>
      log.warn({ err }, 'no anchor was written'),
    );
  const rest = () => putToRest(connection.door).catch((err: unknown) => log.warn({ err }, 'nothing was put to rest'));
  const epochs = new Epochs(connection.door);
  /** How far the ledgers have come is written down after every seal: a number that a restore forgets is used by nobody again. */
  let settling: Promise<void> = Promise.resolve();
  const settle = () =>
    (settling = settling
      .then(() => settleEpochs(connection.door, keys, epochsFile))
      .then(
        () => epochs.forget(),
        (err: unknown) => log.warn({ err }, 'how far the ledgers have come was not written down'),
      ));
  await settle();
  await anchor();
  await rest();
  const sweep = () => new EvidenceStore(evidenceFolder).sweep(BEGUN_LASTS_MS).catch((err: unknown) => log.warn({ err }, 'photos that were begun were not swept')); // prettier-ignore
  setInterval(() => void Promise.all([anchor(), rest(), settle(), sweep()]), HOUR_MS).unref();

  const permits = process.env.PERMIT_SERVICE_URL ? permitService(process.env.PERMIT_SERVICE_URL.replace(/\/$/, '')) : undefined; // prettier-ignore
  let queue: Awaited<ReturnType<typeof startQueue>> | undefined;
  const app = createApp({
    ...connection,
    log,
    sessionSecret: secret,
    keys,
    evidenceFolder,
    webFolder: join(root, 'app', 'dist'),
    wake: () => {
      queue?.wake();
      void settle();
    },
    epochs,
    permits,
    ...(process.env.PUBLIC_URL && { publicUrl: process.env.PUBLIC_URL.replace(/\/$/, '') }),
    ...(trustProxy && { trustProxy: /^\d+$/.test(trustProxy) ? Number(trustProxy) : trustProxy }),
  });
  const server = createServer(app).listen(port, host);
  // An office at work has no simulated readings to take.
  const meter = process.env.DEMO === '1' ? simulateMeter(server) : undefined;
  await Promise.race([
    once(server, 'listening'),
    once(server, 'error').then(([error]) => Promise.reject(error as Error)),
  ]);
  log.info({ port }, 'serving');
  process.send?.('serving');
  // Nobody waits for it: a queue that does not start costs mails, which stay in the outbox, and nothing else.
  const onError = (err: Error) => log.warn({ err }, 'the queue has trouble');
  startQueue(serverUrl, { door: connection.door, folder: outboxFolder, permits, onError }).then(
    (one) => (queue = one),
    onError,
  );

  // The queue's package waits for none of its own last words on a job: said to a database that is away, they would end the server.
  process.on('unhandledRejection', (err) => {
    if (!isDatabaseAway(err)) throw err;
    onError(err as Error);
  });

  let ending = false;
  const end = () => {
    if (ending) return;
    ending = true;
    log.info('ending: running requests are finished first');
    for (const one of meter?.clients ?? []) one.terminate();
    const gone = () => Promise.all([queue?.stop(), connection.pool.end()]);
    server.close(() => void gone().then(() => process.exit(0)));
    setTimeout(() => server.closeAllConnections(), FINISH_WITHIN_MS).unref(); // an upload that hangs
    setTimeout(() => process.exit(1), 2 * FINISH_WITHIN_MS).unref();
  };
  process.on('SIGTERM', end);
  process.on('SIGINT', end);
}

main().catch((error: NodeJS.ErrnoException) => {
  log.fatal(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken by another program. Choose one with PORT=4790 npm start.`
      : error.code === 'ECONNREFUSED'
        ? 'The database at DATABASE_URL does not answer.'
        : {
            err: error,
            msg: error.message.startsWith('Failed query') ? 'A query failed at the start.' : error.message,
          },
  );
  process.exit(1);
});
