import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { cpSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { serverBundle, serverCommand } from '../tools/bundle.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));

/** Of all offices of a run: one that is a copy of another has its seals too. */
export const KEYS = (process.env.E2E_KEYS ??= join(tmpdir(), `careful-latch-keys-${process.pid}.json`));

/** Where an office writes down how far it has come. */
const EPOCHS = 'epochs.json';

const portsFrom = 20_000 + Number(process.env.TEST_PARALLEL_INDEX ?? 9) * 1000;
let portsGiven = 0;

/** A port that no other office gets: one whose server was stopped is to find its own free again. Below those that the system gives out. */
async function ownPort(): Promise<number> {
  const port = portsFrom + (portsGiven++ % 1000);
  const probe = createServer().listen(port, '127.0.0.1');
  const taken = await once(probe, 'listening').then(
    () => false,
    () => true,
  );
  if (taken) return ownPort();
  probe.close();
  await once(probe, 'close');
  return port;
}

/** The address of a database of the tests, for its owner. */
const urlOf = (database: string) =>
  Object.assign(new URL(process.env.TEST_DATABASE_URL!), { pathname: `/${database}` }).toString();

async function asAdmin(sql: string, url = process.env.TEST_DATABASE_URL): Promise<void> {
  const client = new pg.Client(url);
  await client.connect();
  await client.query(sql);
  await client.end();
}

/** A real server on a database of its own, that can be killed and started again. */
export class Office {
  /** What its server is told beside the usual, from its next start on. */
  settings: Readonly<Record<string, string>> = {};
  /** How often its server ended without being asked to. */
  endedByItself = 0;
  private server: ChildProcess | undefined;
  private constructor(
    readonly address: string,
    private readonly port: number,
    readonly database: string,
    private readonly demo: boolean,
    /** Where its photos and anchors are kept. */
    readonly folder = join(tmpdir(), `.careful-latch-${randomUUID()}`),
  ) {}

  /** With the demo loaded, or empty; or as a copy of what another office left that was stopped. */
  static async open(demo: boolean, like?: Pick<Office, 'database' | 'folder'>): Promise<Office> {
    const database = `e2e_${randomUUID().replaceAll('-', '')}`;
    await asAdmin(`CREATE DATABASE ${database}${like ? ` TEMPLATE ${like.database}` : ''}`);
    const port = await ownPort();
    const office = new Office(`http://localhost:${port}`, port, database, demo);
    if (like) cpSync(like.folder, office.folder, { recursive: true });
    await office.start();
    return office;
  }

  /** Keeps a copy of what it has now, for `restore`. */
  async keep(): Promise<void> {
    await this.stop();
    await asAdmin(`CREATE DATABASE ${this.database}_kept TEMPLATE ${this.database}`);
    cpSync(this.folder, `${this.folder}-kept`, { recursive: true });
    await this.start();
  }

  /** Brings back what was kept. Its server runs on through it, but for one that was told something, or was left stopped. */
  async restore(): Promise<void> {
    if (Object.keys(this.settings).length > 0) await this.stop();
    this.settings = {};
    await this.bringBack();
    if (!this.server) await this.start();
  }

  private async bringBack(): Promise<void> {
    await asAdmin(`DROP DATABASE ${this.database} WITH (FORCE)`);
    await asAdmin(`CREATE DATABASE ${this.database} TEMPLATE ${this.database}_kept`);
    rmSync(this.folder, { recursive: true, force: true });
    cpSync(`${this.folder}-kept`, this.folder, { recursive: true });
  }

  /** Brings back what was kept as an older backup comes back: what is written down beside the keys stays. */
  async comeBack(): Promise<void> {
    await this.stop();
    const beside = join(this.folder, EPOCHS);
    const known = readFileSync(beside);
    await this.bringBack();
    writeFileSync(beside, known);
    await this.start();
  }

  /** A second server of an office, on the same database and files; closed with `stop`. */
  static async beside(one: Office): Promise<Office> {
    const port = await ownPort();
    const other = new Office(`http://localhost:${port}`, port, one.database, one.demo, one.folder);
    await other.start();
    return other;
  }

  async start(): Promise<void> {
    const [command, args] = serverCommand(await serverBundle(root));
    this.server = spawn(command, args, {
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        LOG_LEVEL: 'fatal',
        PORT: String(this.port),
        DATABASE_URL: this.databaseUrl,
        DEMO: this.demo ? '1' : '0',
        SESSION_SECRET: 'e2e',
        EVIDENCE_FOLDER: join(this.folder, 'photos'),
        ANCHOR_FOLDER: join(this.folder, 'anchors'),
        OUTBOX_FOLDER: join(this.folder, 'outbox'),
        ...this.settings,
        SEAL_KEYS: KEYS,
        EPOCHS_FILE: join(this.folder, EPOCHS),
      },
    });
    const { server } = this;
    server.once('exit', () => {
      if (this.server === server) this.endedByItself++;
    });
    await once(server, 'message');
  }

  /** The address of its database, for its owner. */
  get databaseUrl(): string {
    return urlOf(this.database);
  }

  /** Of its server’s process, while it runs. */
  get pid(): number | undefined {
    return this.server?.pid;
  }

  /** Does something to its database that only time does: lets months go by. */
  sql(statement: string): Promise<void> {
    return asAdmin(statement, this.databaseUrl);
  }

  /** Asked to end, it finishes what is running; killed (SIGKILL), it does not. */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const server = this.server;
    this.server = undefined;
    if (!server || server.exitCode !== null || server.signalCode !== null) return;
    const gone = once(server, 'exit');
    server.kill(signal);
    await gone;
  }

  async close(): Promise<void> {
    await this.stop();
    for (const kept of ['', '-kept']) rmSync(`${this.folder}${kept}`, { recursive: true, force: true });
    for (const kept of ['', '_kept']) await asAdmin(`DROP DATABASE IF EXISTS ${this.database}${kept} WITH (FORCE)`);
    await asAdmin(`DROP ROLE IF EXISTS ${this.database}_server`);
  }
}
