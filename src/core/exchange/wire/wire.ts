import { z } from 'zod';
import { Command } from '../../job/commands/commands';
import { renewCommand } from '../../job/commands/renewCommand';
import type { Change } from '../../job/document/change';
import type { Job } from '../../job/document/job';
import { Actor, type Step } from '../../job/document/step';
import { TABLE_NAMES, type TableName } from '../../job/document/tables';

/*
 * What goes over the wire between the browser and the server, and anything else that speaks to it: each request and each
 * answer once, checked at both ends.
 */

const BatchId = z.string().regex(/^[A-Za-z0-9-]{8,64}$/, 'expected 8 to 64 letters, digits or -');
const Revision = z.number().int().min(0);

/** Where somebody stands in a job's history: the history, the revision, and the batch that made it, empty at 0. */
export const Point = z.strictObject({
  history: z.string().min(1).max(64),
  revision: Revision,
  step: z.string().max(64),
});
export type Point = z.infer<typeof Point>;
export const samePoint = (a: Point, b: Point): boolean =>
  a.history === b.history && a.revision === b.revision && a.step === b.step;

/** Commands in one step may be so many; what they bring is limited by the tables they bring it to. */
const MOST_COMMANDS = 500;

const sent = {
  batchId: BatchId,
  /** Where the sender stands, so that it can be told what it missed. */
  base: Point,
  /** The revision that the person saw who made it, which may be long ago. */
  seen: Revision,
  actor: Actor,
};

/** Commands to apply as one step. The batch id makes sending it twice harmless. */
export const Batch = z.strictObject({ ...sent, commands: z.array(Command).min(1).max(MOST_COMMANDS) });
export type Batch = z.infer<typeof Batch>;

/** A batch with commands that may have waited since an earlier version of the program, as today's schema has them. */
export function renewBatch(sent: unknown): unknown {
  const commands = typeof sent === 'object' && sent !== null && 'commands' in sent ? sent.commands : null;
  return Array.isArray(commands) ? { ...(sent as object), commands: commands.map(renewCommand) } : sent;
}

/** Take back or bring back this person's last step that stands. */
export const Reversal = z.strictObject({ ...sent, direction: z.enum(['undo', 'redo']) });
export type Reversal = z.infer<typeof Reversal>;

const change = z.custom<Change>(
  (value) => typeof value === 'object' && value !== null && 'id' in value && 'table' in value,
  'expected a change',
);
const StepAnswer: z.ZodType<Step> = z.object({
  revision: Revision,
  batchId: z.string(),
  kind: z.enum(['do', 'undo', 'redo']),
  label: z.string(),
  actor: z.object({ id: z.string(), name: z.string() }),
  seen: Revision,
  at: z.string(),
  changes: z.array(change),
});

/** What the next undo and redo of the one who asks are called; null: there is none. */
const Reversals = z.object({ undo: z.string().nullable(), redo: z.string().nullable() });
export type Reversals = z.infer<typeof Reversals>;

/** A job as the server has it. Its records are the server's own, checked when they came in. */
const JobAnswer = z.custom<Job>(
  (value) =>
    typeof value === 'object' &&
    value !== null &&
    TABLE_NAMES.every((table) => typeof (value as Record<TableName, unknown>)[table] === 'object'),
  'expected a job',
);
export const OpenJob = z.object({ job: JobAnswer, point: Point, reversals: Reversals });
export type OpenJob = z.infer<typeof OpenJob>;
/**
 * What a step or a question for news is answered with. `anew`: the asker is of another history, ahead, or too far behind,
 * and is given the whole job; `taken` says whether the step it sent stands in it.
 */
export const Outcome = z.discriminatedUnion('status', [
  z.object({
    status: z.literal('done'),
    point: Point,
    label: z.string().nullable(),
    missed: z.array(StepAnswer),
    reversals: Reversals,
  }),
  z.object({ status: z.literal('anew'), taken: z.boolean(), opened: OpenJob }),
]);
export type Outcome = z.infer<typeof Outcome>;

/** A name for a revision. */
export const NewVersion = z.strictObject({
  id: BatchId,
  revision: Revision,
  name: z.string().trim().min(1, 'Give the job a name').max(80),
  note: z.string().trim().max(500).default(''),
  actor: Actor,
});
export type NewVersion = z.infer<typeof NewVersion>;
export const VersionAnswer = z.object({
  id: z.string(),
  revision: Revision,
  name: z.string(),
  note: z.string(),
  actor: z.object({ id: z.string(), name: z.string() }),
  at: z.string(),
});
export const VersionsAnswer = z.object({ versions: z.array(VersionAnswer), revision: Revision });
export const JobAtAnswer = z.object({ job: JobAnswer, revision: Revision });

/** Steps of a job, latest first; `more` when there are earlier ones. */
export const HistoryAnswer = z.object({
  steps: z.array(StepAnswer),
  more: z.boolean(),
  actors: z.array(z.object({ id: z.string(), name: z.string() })),
});
export type HistoryAnswer = z.infer<typeof HistoryAnswer>;
