import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { Problem } from '../problems';

const MINUTE_MS = 60_000;
export const addressOf = ({ ip = '' }: Request) => ipKeyGenerator(ip);

/** So many tries a minute, counted by address or by what `of` says; those that succeed are not counted, unless that is wanted. */
export const slowly = ({
  most,
  of = addressOf,
  alsoWhatSucceeds = false,
}: {
  most: number;
  of?: (request: Request) => string;
  alsoWhatSucceeds?: boolean;
}): RequestHandler =>
  rateLimit({
    windowMs: MINUTE_MS,
    limit: most,
    keyGenerator: of,
    skipSuccessfulRequests: !alsoWhatSucceeds,
    validate: { creationStack: false }, // it reads a stack, and so all source maps, at every start
    handler: () => {
      throw new Problem(429, 'Too many tries', 'Too many tries in a minute. Wait a minute and try again.');
    },
  });
