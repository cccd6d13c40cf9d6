import { z } from 'zod';

type Bare<S> = S extends z.ZodDefault<infer Inner> ? Inner : S;

/** Any of a record's fields but its id, none of them filled in by itself. */
export function changesOf<S extends z.ZodRawShape>(record: z.ZodObject<S>) {
  const fields = Object.entries(record.shape)
    .filter(([field]) => field !== 'id')
    .map(([field, schema]) => [field, schema instanceof z.ZodDefault ? schema.unwrap() : schema]);
  type Changes = { [F in Exclude<keyof S, 'id'>]: Bare<S[F]> };
  return z.strictObject(Object.fromEntries(fields) as Changes).partial();
}
