import { z } from 'zod';

/** Of a photograph a small one is kept too, for lists and for the file that answers: its id ends so. */
export const SMALL = '-small';
export const KEPT_KINDS = ['tester', 'walk', 'photo'] as const;

/** A file that is kept beside a job: of a tester, what a switch said at one time, a photograph. */
export const NewKeptFile = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/),
  kind: z.enum(KEPT_KINDS),
  /** Id of what it is of: of a walk the switch. */
  about: z.string().max(140).default(''),
  name: z
    .string()
    .trim()
    .min(1)
    .max(120)
    .regex(/^[^\p{Cc}\p{Cs}/\\]*$/u, 'expected a plain file name'),
  by: z.string().trim().max(60).default(''),
  base64: z.base64(),
});
export type NewKeptFile = z.infer<typeof NewKeptFile>;

/** A file that comes in pieces: so large each, so many at most. */
export const PIECE_BYTES = 128 * 1024;
export const MOST_PIECES = 64;
/** What its pieces are of, said once they are all there. */
export const NewPiecedFile = NewKeptFile.omit({ base64: true }).extend({
  pieces: z.number().int().min(1).max(MOST_PIECES),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});
export type NewPiecedFile = z.infer<typeof NewPiecedFile>;
/** Which pieces are there. */
export const Pieces = z.object({ have: z.array(z.number()) });

export const KeptFile = z.object({
  id: z.string(),
  kind: z.enum(KEPT_KINDS),
  about: z.string(),
  name: z.string(),
  by: z.string(),
  /** ISO 8601, UTC. */
  at: z.string(),
  sha256: z.string(),
  bytes: z.number(),
});
export type KeptFile = z.infer<typeof KeptFile>;
export const KeptFiles = z.array(KeptFile);

const value = z.strictObject({
  measure: z.string().max(40),
  pair: z.string().max(20),
  mhz: z.number().min(0).max(10_000),
  db: z.number().min(-500).max(500),
});
/** Values of a certification by frequency; of many results at once, by their ids. */
export const ResultValues = z.array(value).max(20_000);
export const NewResultValues = z.strictObject({
  results: z
    .array(z.strictObject({ resultId: z.string().min(1).max(64), values: ResultValues }))
    .min(1)
    .max(2_000),
});

/** Faults that were found in other jobs, counted by what was seen and which part it was. */
export const FindsElsewhere = z.record(z.string(), z.record(z.string(), z.number().int().min(0)));
