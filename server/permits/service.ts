import { boolean, object, string, type InferType } from 'yup';

/** The result of a visit as the permit office takes it: nothing of the house but its permit and what was decided. */
export interface PermitResult {
  readonly permit: string;
  readonly decision: string;
  readonly day: string;
  /** The number of the sealed record. */
  readonly record: string;
  readonly final: boolean;
}

const permitSchema = object({
  number: string().required().max(60),
  address: string().required().max(200),
  owner: string().default('').max(200),
  contractor: string().default('').max(200),
  license: string().default('').max(60),
  until: string()
    .nullable()
    .default(null)
    .matches(/^\d{4}-\d{2}-\d{2}$/),
  status: string().required().max(100),
});
export type FoundPermit = InferType<typeof permitSchema>;
const receiptSchema = object({ status: string().required().max(100), known: boolean().default(false) });

/** The permit office answered no, with a sentence: asking again changes nothing. */
export class PermitRefused extends Error {}
/** It does not answer, or not as it should: it is asked again later. */
export class PermitAway extends Error {}

const PATIENCE_MS = 8_000;
const MOST_FOUND = 20;

/** An answer is no longer than this, bytes. */
const MOST_ANSWER = 256 * 1024;

/** The text of an answer; what goes on behind the most that is read is not waited for. */
async function textOf(response: Response): Promise<string> {
  const pieces: Uint8Array[] = [];
  let read = 0;
  for await (const piece of response.body ?? []) {
    read += (piece as Uint8Array).length;
    if (read > MOST_ANSWER) throw new PermitAway('The permit office answers without an end.');
    pieces.push(piece as Uint8Array);
  }
  return Buffer.concat(pieces).toString('utf8');
}

export interface PermitService {
  /** Permits by number, or by address. Throws `PermitAway` or `PermitRefused`. */
  find(by: { readonly number: string } | { readonly address: string }): Promise<FoundPermit[]>;
  /** Tells it a result; the same key is one result, however often it is told. Resolves with how the permit stands there. */
  tell(key: string, result: PermitResult): Promise<string>;
}

/** The permit service at an address, which speaks JSON over HTTP as `server/permit-office/openapi.ts` describes. */
export function permitService(url: string): PermitService {
  async function ask(path: string, init: RequestInit = {}): Promise<unknown> {
    let response: Response;
    let body: { readonly detail?: string };
    try {
      // Led elsewhere, it is no longer the permit office that was named.
      response = await fetch(`${url}${path}`, { ...init, redirect: 'error', signal: AbortSignal.timeout(PATIENCE_MS) });
      body = JSON.parse(await textOf(response)) as typeof body;
    } catch {
      throw new PermitAway('The permit office does not answer.');
    }
    if (response.status >= 500 || response.status === 429) throw new PermitAway('The permit office is out of order.');
    if (!response.ok) throw new PermitRefused(String(body.detail ?? 'The permit office refuses it.').slice(0, 500));
    return body;
  }
  const read = <T>(schema: { validateSync(data: unknown): T }, data: unknown): T => {
    try {
      return schema.validateSync(data);
    } catch {
      throw new PermitAway('The permit office answers something that cannot be read.');
    }
  };
  return {
    async find(by) {
      const { permits } = (await ask(`/permits?${new URLSearchParams(by)}`)) as { permits?: unknown };
      if (!Array.isArray(permits)) throw new PermitAway('The permit office answers something that cannot be read.');
      return permits.slice(0, MOST_FOUND).map((one) => read(permitSchema, one) as FoundPermit);
    },
    async tell(key, result) {
      const body = JSON.stringify(result);
      const headers = { 'content-type': 'application/json', 'idempotency-key': key };
      return read(receiptSchema, await ask('/results', { method: 'POST', headers, body })).status;
    },
  };
}
