import { enablePatches, Immer, type Patch } from 'immer';
import { type Change, deepFreeze, diffTouched, type Touched } from '../document/change';
import type { Job } from '../document/job';
import { sealJob } from '../document/sealJob';
import { rowsOf, type TableName } from '../document/tables';
import { verify } from '../document/verify';
import { type Command, kindOf } from './commands';

enablePatches();
// Of a job of thousands of rows the library would look at each to seal a few: what was touched is sealed here.
const drafts = new Immer({ autoFreeze: false });

export type Applied = { job: Job; changes: Change[] };

/**
 * Apply commands in order, all or none.
 * @throws Refusal from the first command that cannot be done, or when what they lead to cannot be kept; the given job
 * is untouched
 */
export function applyCommands(job: Job, commands: readonly Command[]): Applied {
  // What is worked out of a table is kept only when nothing can change it in place.
  let next = Object.isFrozen(job) ? job : sealJob({ ...job });
  // Which records were touched tells the library; what became of them is read off both versions.
  const touched: Touched = new Map();
  for (const command of commands) {
    const base = next;
    const [made, patches] = drafts.produceWithPatches(base, (draft) => kindOf(command).apply(draft, command, base));
    next = seal(made, patches, touched);
  }
  const changes = diffTouched(job, next, touched);
  verify(job, next, changes);
  return { job: next, changes };
}

/** Seal what one command made, and note the records that it touched. */
function seal(made: Job, patches: readonly Patch[], touched: Touched): Job {
  for (const { path } of patches) {
    const [table, id] = path as [TableName, string | undefined];
    if (id === undefined) continue;
    const ids = touched.get(table);
    if (ids) ids.add(id);
    else touched.set(table, new Set([id]));
    deepFreeze(rowsOf(made, table)[id]);
  }
  for (const table of touched.keys()) Object.freeze(rowsOf(made, table));
  return Object.freeze(made);
}

/** What a batch is called in the list of changes. */
export function describeCommands(job: Job, commands: readonly Command[]): string {
  const [first] = commands;
  if (!first) return 'Nothing';
  const words = kindOf(first).describe(job, first);
  return commands.length === 1 ? words : `${words} and ${commands.length - 1} more`;
}
