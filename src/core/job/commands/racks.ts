import { z } from 'zod';
import type { Job } from '../job';
import { Id } from '../records/fields';
import { Rack } from '../records/rack';
import { refuse } from '../refusal';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { lookUp, mustBeNew } from './lookUp';
import { dropReferring } from './rows';

/** Put up a rack. */
export const addRack = commandKind({
  schema: z.strictObject({ type: z.literal('addRack'), rack: Rack }),
  apply: (job, { rack }) => {
    mustBeNew(job, 'racks', rack.id);
    if (rack.stackedOn !== null) mustNotStandOnItself(job, rack.id, rack.stackedOn);
    job.racks[rack.id] = rack;
  },
  describe: (_, { rack }) => `Put up ${rack.name}`,
});

const RackChanges = changesOf(Rack);
export type RackChanges = z.infer<typeof RackChanges>;

/** Change a rack. Gear that no longer fits stays where it is and becomes a snag. */
export const editRack = commandKind({
  schema: z.strictObject({ type: z.literal('editRack'), rackId: Id, changes: RackChanges }),
  apply: (job, { rackId, changes }) => {
    const rack = lookUp(job, 'racks', rackId);
    if (changes.stackedOn) mustNotStandOnItself(job, rackId, changes.stackedOn);
    Object.assign(rack, changes);
  },
  describe: (job, { rackId }) => `Change ${job.racks[rackId]?.name ?? 'the rack'}`,
});

function mustNotStandOnItself(job: Job, rackId: string, on: string): void {
  const seen = new Set([rackId]);
  for (let at: string | null = on; at !== null; at = job.racks[at]?.stackedOn ?? null) {
    if (seen.has(at)) refuse('stacked', 'A frame cannot stand on itself, by others neither.', rackId);
    seen.add(at);
    lookUp(job, 'racks', at);
  }
}

/** Take a rack out of the job. What stood in it goes to the pile. */
export const removeRack = commandKind({
  schema: z.strictObject({ type: z.literal('removeRack'), rackId: Id }),
  apply: (job, { rackId }) => {
    lookUp(job, 'racks', rackId);
    delete job.racks[rackId];
    for (const row of Object.values(job.placements)) if (row.rackId === rackId) delete job.placements[row.id];
    for (const row of Object.values(job.racks)) if (row.stackedOn === rackId) row.stackedOn = null;
    dropReferring(job, 'racks', [rackId]);
  },
  describe: (job, { rackId }) => `Take away ${job.racks[rackId]?.name ?? 'the rack'}`,
});
