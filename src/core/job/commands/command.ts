import type { Draft } from 'immer';
import type { z } from 'zod';
import type { Job } from '../document/job';

/**
 * One kind of change to a job: its shape, what it does to a draft, and what it is called in the list of changes.
 * `base` is the job that the draft was made of: many rows are looked through there, since a draft is slow to read.
 * `apply` throws a Refusal, and then nothing of the batch is kept. What holds of every row, whatever brought it, is not
 * asked here: `verify` asks it of the whole batch.
 */
export type CommandKind<S extends z.ZodType> = {
  schema: S;
  apply: (job: Draft<Job>, command: z.infer<S>, base: Job) => void;
  describe: (job: Job, command: z.infer<S>) => string;
};

export const commandKind = <S extends z.ZodType>(kind: CommandKind<S>): CommandKind<S> => kind;
