import { enablePatches, produceWithPatches } from 'immer';
import { type Change, diffTouched, type Touched } from '../job/change';
import type { Job } from '../job/job';
import { verify } from '../job/verify';
import { type Command, kindOf } from './commands';

enablePatches();

export type Applied = { job: Job; changes: Change[] };

/**
 * Apply commands in order, all or none.
 * @throws Refusal from the first command that cannot be done, or when what they lead to cannot be kept; the given job
 * is untouched
 */
export function applyCommands(job: Job, commands: readonly Command[]): Applied {
  let next = job;
  // Which records were touched tells the library; what became of them is read off both versions.
  const touched: Touched = new Map();
  for (const command of commands) {
    const base = next;
    const [made, patches] = produceWithPatches(base, (draft) => kindOf(command).apply(draft, command, base));
    next = made;
    for (const { path } of patches) {
      const [table, id] = path as [never, string | undefined];
      if (id === undefined) continue;
      const ids = touched.get(table);
      if (ids) ids.add(id);
      else touched.set(table, new Set([id]));
    }
  }
  const changes = diffTouched(job, next, touched);
  verify(job, next, changes);
  return { job: next, changes };
}

/** What a batch is called in the list of changes. */
export function describeCommands(job: Job, commands: readonly Command[]): string {
  const [first] = commands;
  if (!first) return 'Nothing';
  const words = kindOf(first).describe(job, first);
  return commands.length === 1 ? words : `${words} and ${commands.length - 1} more`;
}
