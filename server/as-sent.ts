import type { Request } from 'express';
import type { AnySchema, InferType } from 'yup';
import { readAsSent } from '@careful-latch/core/record';
import { Problem } from './problems';

/** The body of a request, as its route reads it: nothing that the route does not name, nothing of another type. Throws a `ValidationError`. */
export const bodyOf = <S extends AnySchema>(schema: S, { body }: Pick<Request, 'body'>): InferType<S> =>
  readAsSent(schema, body ?? {});

/** What stands behind the question mark of an address: each name once, and none that the route does not read. Throws a `Problem`, or a `ValidationError`. */
export function queryOf<S extends AnySchema>(schema: S, { query }: Pick<Request, 'query'>): InferType<S> {
  const { fields } = schema as unknown as { readonly fields: object };
  for (const [name, value] of Object.entries(query)) {
    const said = `“${name.slice(0, 60)}”`;
    if (!Object.hasOwn(fields, name))
      throw new Problem(422, 'Not as it should be', `Nothing is asked by ${said} here.`);
    if (typeof value !== 'string') throw new Problem(422, 'Not as it should be', `${said} stands more than once.`);
  }
  return schema.validateSync(query) as InferType<S>;
}
