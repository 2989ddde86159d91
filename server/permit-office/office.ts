import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import express, { type Express, type Response } from 'express';
import { object, string, boolean, mixed } from 'yup';
import { permitOfficeApi } from './openapi';

/** How the simulated permit office behaves. */
export const WAYS = ['well', 'slow', 'refusing', 'dead', 'double'] as const;
export type Way = (typeof WAYS)[number];

export interface SimulatedPermit {
  readonly number: string;
  readonly address: string;
  readonly owner: string;
  readonly contractor: string;
  readonly license: string;
  /** ISO day; null where it has no end. */
  readonly until: string | null;
  readonly status: string;
}

const resultSchema = object({
  permit: string().required('Name the permit.').max(60),
  decision: string().required('Say what was decided.').max(100),
  day: string()
    .required('Give the day.')
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'The day is an ISO date.'),
  record: string().required('Give the number of the record.').max(40),
  final: boolean().required('Say whether it is final.'),
}).noUnknown();
const wayField = object({
  way: mixed<Way>()
    .oneOf([...WAYS], `One of ${WAYS.join(', ')}.`)
    .required('Say how.'),
});

interface Kept {
  readonly permits: SimulatedPermit[];
  /** What was told, by its key, in the order in which it came. */
  readonly results: Record<string, { readonly permit: string; readonly decision: string; readonly status: string }>;
}

const SLOW_MS = 4_000;

/**
 * A small permit office to try against: its permits, what it is told, and a switch for how it behaves. It keeps what it has in a
 * file, where it is given one.
 */
export function permitOffice(permits: readonly SimulatedPermit[], file?: string): Express {
  let way: Way = 'well';
  const kept = ((): Kept => {
    try {
      return JSON.parse(readFileSync(file ?? '', 'utf8')) as Kept;
    } catch {
      return { permits: [...permits], results: {} };
    }
  })();
  const keep = () => {
    if (!file) return;
    writeFileSync(`${file}.part`, JSON.stringify(kept));
    renameSync(`${file}.part`, file);
  };
  const no = (response: Response, status: number, detail: string) => response.status(status).json({ detail });

  const app = express();
  app.disable('x-powered-by');
  app.use(express.json({ limit: '50kb' }));
  app.get('/openapi.json', (_request, response) => void response.json(permitOfficeApi()));
  app.get('/way', (_request, response) => void response.json({ way }));
  app.put('/way', (request, response) => {
    way = wayField.validateSync(request.body).way;
    response.json({ way });
  });
  app.use(async (request, response, next) => {
    if (way === 'dead') return void request.socket.destroy();
    if (way === 'slow') await new Promise((done) => setTimeout(done, SLOW_MS));
    next();
  });

  app.get('/permits', (request, response) => {
    if (way === 'refusing') return no(response, 403, 'Look-ups are closed today.');
    const { number, address } = request.query;
    const same = (one: string, other: unknown) => typeof other === 'string' && other.trim() !== '' && one.toLowerCase().includes(other.trim().toLowerCase()); // prettier-ignore
    response.json({ permits: kept.permits.filter((one) => same(one.number, number) || same(one.address, address)) });
  });

  app.get('/results', (_request, response) => void response.json({ results: kept.results }));
  app.post('/results', (request, response) => {
    const key = request.get('idempotency-key');
    if (!key || key.length > 100) return no(response, 422, 'A result has an idempotency-key.');
    const known = kept.results[key];
    if (known) return response.json({ status: known.status, known: true });
    if (way === 'refusing') return no(response, 422, 'This permit is not open for results.');
    const { permit, decision, final } = resultSchema.validateSync(request.body);
    const at = kept.permits.findIndex(({ number }) => number === permit);
    if (at < 0) return no(response, 422, `There is no permit ${permit}.`);
    const status = final ? 'Finaled' : 'Open, result on file';
    kept.permits[at] = { ...kept.permits[at]!, status };
    kept.results[key] = { permit, decision, status };
    keep();
    // It has taken the result, and the answer is lost: whoever asks again must not be taken for another.
    if (way === 'double') return void request.socket.destroy();
    response.json({ status, known: false });
  });

  app.use((_request, response) => void no(response, 404, 'There is nothing here.'));
  app.use(((error: Error & { status?: number }, _request, response, _next) => {
    no(response, error.name === 'ValidationError' ? 422 : (error.status ?? 500), error.name === 'ValidationError' ? error.message : 'It cannot be read.'); // prettier-ignore
  }) satisfies express.ErrorRequestHandler);
  return app;
}
