import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ValidationError } from 'yup';

/** An error with a sentence for people, sent as application/problem+json (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
  ) {
    super(detail);
  }
}

/** What Express and its parsers throw carries a status and a type of its own. */
interface HttpError extends Error {
  readonly status?: number;
  readonly type?: string;
  readonly code?: string;
}

/** Code that PostgreSQL or the socket to it gave, however deep the error is wrapped; undefined where it is no such error. */
export function databaseCodeOf(error: unknown): string | undefined {
  for (let one = error; typeof one === 'object' && one !== null; one = (one as Error).cause) {
    const { code, message = '' } = one as HttpError;
    if (typeof code === 'string' && (/^[0-9A-Z]{5}$/.test(code) || code in UNREACHED)) return code;
    if (LOST.test(message)) return '08006';
  }
  return undefined;
}

/** What a socket to a database that is away says, and what the driver says of a connection that it lost. */
const UNREACHED = { ECONNREFUSED: true, ECONNRESET: true, EPIPE: true, ETIMEDOUT: true, ENOTFOUND: true };
const LOST =
  /^(Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error)/;
/** Connection errors (class 08), too few resources (53), shut down or starting (57P), closed to connections (55000), or not there while a backup is put in its place (3D000). */
const isAway = (code: string | undefined): boolean =>
  code !== undefined && (code in UNREACHED || /^(08|53|57P|55000|3D000)/.test(code));

/** Whether something failed because the database is away; it comes back. */
export const isDatabaseAway = (error: unknown): boolean => isAway(databaseCodeOf(error));

/** Whether the database refused a value as no data of its type (class 22), rather than failed. */
export const isBadData = (error: unknown): boolean => /^22/.test(databaseCodeOf(error) ?? '');

function problemOf(error: HttpError): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof ValidationError) return new Problem(422, 'Not as it should be', error.errors.join(' '));
  if (error.type === 'entity.too.large')
    return new Problem(413, 'Too large', 'That is more than the office takes at once; nothing was changed.');
  if (error.type === 'entity.parse.failed')
    return new Problem(400, 'Not readable', 'What was sent is no JSON; nothing was changed.');
  if (error.code === 'EBADCSRFTOKEN' || error.message === 'invalid csrf token')
    return new Problem(
      403,
      'Old page',
      'This page is older than the session. Load it again; nothing that was entered is lost.',
    );
  if (isDatabaseAway(error))
    return new Problem(
      503,
      'Not at hand',
      'The office’s database does not answer at the moment. What was entered stays on the device and is sent by itself.',
    );
  if (isBadData(error))
    return new Problem(422, 'Not as it should be', 'It holds something that cannot be kept: a day that is none, or a character that no text has. Nothing was changed.'); // prettier-ignore
  if (error.status && error.status < 500)
    return new Problem(error.status, 'Not possible', 'The request cannot be answered as it is.');
  return new Problem(
    500,
    'Something failed',
    'Something failed at the office. What was entered stays on the device; try again.',
  );
}

export const notFound: RequestHandler = (request) => {
  throw new Problem(404, 'Not found', `There is nothing at ${request.path}.`);
};

/** Answers every error; the reasons of the unexpected ones go to the log alone. */
export const answerProblems: ErrorRequestHandler = (error: HttpError, request, response, next) => {
  if (response.headersSent) return next(error);
  const problem = problemOf(error);
  if (problem.status >= 500) request.log.error({ err: error }, problem.title);
  response
    .status(problem.status)
    .type('application/problem+json')
    .send(
      JSON.stringify({ type: 'about:blank', title: problem.title, status: problem.status, detail: problem.detail }),
    );
};
