import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer';
import { type Command, kindOf } from './commands';
import type { Job } from './job';

enablePatches();

export type { Patch };
export type Applied = { job: Job; patches: Patch[]; inverse: Patch[] };

/**
 * Apply commands in order, all or none.
 * @throws Refusal from the first command that cannot be done; the given job is untouched
 */
export function applyCommands(job: Job, commands: readonly Command[]): Applied {
  const [next, patches, inverse] = produceWithPatches(job, (draft) => {
    for (const command of commands) kindOf(command).apply(draft, command);
  });
  return { job: next, patches, inverse };
}

/** The job after recorded patches: an undo, a redo, or what another window did. */
export const applyRecorded = (job: Job, patches: readonly Patch[]): Job => applyPatches(job, patches);

/** What a batch is called in the list of changes. */
export function describeCommands(job: Job, commands: readonly Command[]): string {
  const [first] = commands;
  if (!first) return 'Nothing';
  const words = kindOf(first).describe(job, first);
  return commands.length === 1 ? words : `${words} and ${commands.length - 1} more`;
}
