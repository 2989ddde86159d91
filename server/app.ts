import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import session from 'express-session';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import { calendarRoutes, feedRoutes } from './calendar/routes';
import { BROTLI } from './compressed';
import { changeRoutes } from './changes/routes';
import type { Connection, Door } from './database/client';
import { evidenceRoutes } from './evidence/routes';
import { EvidenceStore } from './evidence/store';
import { inspectionRoutes } from './inspections/routes';
import { keepingRoutes } from './keeping/routes';
import { heldRoutes } from './held/routes';
import type { SealKeys } from './ledger/keys';
import { errorOf, requestOf } from './log';
import { mailRoutes } from './mail/routes';
import { monthRoutes } from './month/routes';
import { noteRoutes } from './notes/routes';
import { partyRoutes } from './parties/routes';
import { Epochs, sayEpoch } from './epoch/epoch';
import { openApi } from './openapi';
import { answerProblems, notFound, Problem } from './problems';
import { sessionRoutes } from './sessions/routes';
import { SessionStore } from './sessions/store';
import { readAccount } from './sessions/session';
import { peopleRoutes } from './people/routes';
import { paperRoutes } from './papers/routes';
import { permitRoutes } from './permits/routes';
import type { PermitService } from './permits/service';
import { rulesRoutes } from './rules/routes';
import { setupRoutes } from './setup/routes';
import { stormRoutes } from './storms/routes';

interface Options extends Omit<Connection, 'db'> {
  readonly log: Logger;
  readonly sessionSecret: string;
  /** The keys with which decisions are sealed. */
  readonly keys: SealKeys;
  /** Folder in which the photos are kept. */
  readonly evidenceFolder: string;
  /** The proxies in front of it, by their number or addresses: then cookies are for TLS alone, and addresses those that the proxy names. */
  readonly trustProxy?: number | string;
  /** Says that something waits in an outbox; without a queue it waits there. */
  readonly wake?: () => void;
  /** The permit office, where this office is connected to one. */
  readonly permits?: PermitService | undefined;
  /** Under which address people reach the office, for links in mails; without it they say the way from that address on. */
  readonly publicUrl?: string;
  /** Which copy of itself each office is; asked for by itself where it is left out. */
  readonly epochs?: Epochs;
  /** Folder of the built web application; without it the server answers the API alone. */
  readonly webFolder?: string;
}

const SESSION_COOKIE = 'careful-latch';
const WEEK_MS = 7 * 24 * 3600 * 1000;
/** Largest body, bytes: 200 changes with one drawn signature fit well. */
const BODY_LIMIT = '1mb';
const STRANGERS_LIMIT = '16kb';

/** The whole server as an Express application; listens nowhere by itself. */
export function createApp({
  pool,
  door,
  log,
  sessionSecret,
  keys,
  evidenceFolder,
  webFolder,
  trustProxy,
  wake = () => undefined,
  publicUrl = '',
  permits,
  epochs = new Epochs(door),
}: Options): Express {
  const app = express();
  app.disable('x-powered-by');
  if (trustProxy !== undefined) app.set('trust proxy', trustProxy);
  app.use(
    pinoHttp({
      logger: log,
      autoLogging: { ignore: (request) => !request.url?.startsWith('/api') },
      wrapSerializers: false,
      serializers: { err: errorOf, req: requestOf, res: ({ statusCode }: { statusCode: number }) => ({ statusCode }) },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'script-src': ["'self'", ...scriptsInPage(webFolder)],
          'style-src': ["'self'", "'unsafe-inline'"], // react-native-web puts its style sheet into the page
          'img-src': ["'self'", 'data:', 'blob:'],
          'upgrade-insecure-requests': null, // an office may serve it on its own network without TLS
        },
      },
      strictTransportSecurity: trustProxy !== undefined, // the proxy speaks TLS; without one an office may have none
    }),
  );

  app.get('/healthz', (_request, response) => {
    response.json({ status: 'alive' });
  });
  app.get('/readyz', async (_request, response) => {
    try {
      await pool.query('select 1');
    } catch {
      throw new Problem(503, 'Not ready', 'The database does not answer.');
    }
    response.json({ status: 'ready' });
  });

  app.use('/api', compression({ brotli: BROTLI }));

  const api = express.Router();
  api.get('/openapi.json', (_request, response) => {
    response.json(openApi());
  });
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  api.use(
    session({
      store: new SessionStore({
        pool,
        tableName: 'session',
        disableTouch: true, // `readAccount` renews it, once in a while: a write for every request would be most of its cost
        errorLog: () => log.error('the session store could not reach the database'),
      }),
      name: SESSION_COOKIE,
      secret: sessionSecret,
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: WEEK_MS },
    }),
  );
  api.use(readAccount(door), sayEpoch(epochs));
  // Whoever is not signed in has little to say: what they send is not kept, be it ever so large.
  const [own, strange] = [express.json({ limit: BODY_LIMIT }), express.json({ limit: STRANGERS_LIMIT })];
  api.use((request, response, next) =>
    (request.account || request.switchedOff ? own : strange)(request, response, next),
  );
  api.use(
    sessionRoutes(door, sessionSecret),
    setupRoutes(door, keys),
    inspectionRoutes(door, keys),
    changeRoutes(door, keys, wake),
  );
  api.use(
    peopleRoutes(door, keys, wake, publicUrl),
    rulesRoutes(door, keys),
    heldRoutes(door, keys),
    mailRoutes(door, keys, wake, publicUrl),
  );
  api.use(
    permitRoutes(door, permits, wake),
    noteRoutes(door),
    partyRoutes(door, keys),
    stormRoutes(door),
    feedRoutes(door),
    monthRoutes(door),
  );
  const photos = new EvidenceStore(evidenceFolder);
  api.use(keepingRoutes(door, keys, photos), evidenceRoutes(door, photos), notFound);
  app.use('/api', api);

  app.use(paperRoutes(door, keys), calendarRoutes(door));
  if (webFolder && existsSync(join(webFolder, 'shell.html'))) app.use(pages(webFolder, door));
  app.use(notFound);
  app.use(answerProblems);
  return app;
}

/** What the security policy calls the scripts that stand in the built page itself. */
function scriptsInPage(webFolder: string | undefined): string[] {
  const page = webFolder && join(webFolder, 'shell.html');
  if (!page || !existsSync(page)) return [];
  return [...readFileSync(page, 'utf8').matchAll(/<script>(.*?)<\/script>/gs)].map(
    ([, script]) => `'sha256-${createHash('sha256').update(script!).digest('base64')}'`,
  );
}

/** The built application: its files, and for every other address the page that begins with the picture of the screen to come. */
function pages(webFolder: string, door: Door): express.RequestHandler {
  const files = expressStaticGzip(webFolder, {
    enableBrotli: true,
    orderPreference: ['br'],
    index: false,
    serveStatic: {
      setHeaders: (response, path) => {
        const named = /\/_expo\/static\/|\/fonts\//.test(path); // their names change with their content
        response.setHeader('Cache-Control', named ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    },
  });
  return async (request, response, next) => {
    if (['GET', 'HEAD'].includes(request.method) && !/\.\w+$/.test(request.path))
      request.url = await pageFor(request, door);
    files(request, response, next);
  };
}

/** Whoever has no session will be asked to sign in, whatever was asked for. */
async function pageFor({ path, headers }: express.Request, door: Door): Promise<string> {
  if (path === '/join') return '/shell.html';
  if (path === '/sign-in' || !headers.cookie?.includes(`${SESSION_COOKIE}=`)) return signInPage(door);
  if (path === '/') return '/index.html';
  return /^\/inspection\/[^/]+$/.test(path) ? '/path.html' : '/shell.html';
}

/** The picture of the sign-in as it will be here: there is none where the first account is still to be made, or nobody can be asked. */
async function signInPage(door: Door): Promise<string> {
  try {
    if ((await door.officeIds()).length === 0) return '/shell.html';
    return (await door.officeOf('demo')) ? '/sign-in-demo.html' : '/sign-in.html';
  } catch {
    return '/shell.html';
  }
}
