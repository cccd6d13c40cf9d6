import type { Draft } from 'immer';
import type { z } from 'zod';
import type { Job } from '../job';

/**
 * One kind of change to a job: its shape, what it does to a draft, and what it is called in the list of changes.
 * `apply` throws a Refusal, and then nothing of the batch is kept.
 */
export type CommandKind<S extends z.ZodType> = {
  schema: S;
  apply: (job: Draft<Job>, command: z.infer<S>) => void;
  describe: (job: Job, command: z.infer<S>) => string;
};

export const commandKind = <S extends z.ZodType>(kind: CommandKind<S>): CommandKind<S> => kind;
