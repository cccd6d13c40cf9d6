import { z } from 'zod';
import { rackShortNameFor } from '../gear/shortNames';
import { Id } from '../records/fields';
import { Rack } from '../records/rack';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { lookUp, mustBeNew } from './lookUp';
import { removeRows } from './removeRows';

/** Put up a rack. */
export const addRack = commandKind({
  schema: z.strictObject({ type: z.literal('addRack'), rack: Rack }),
  apply: (job, { rack }) => {
    mustBeNew(job, 'racks', rack.id);
    job.racks[rack.id] = { ...rack, shortName: rack.shortName || rackShortNameFor(job, rack) };
  },
  describe: (_, { rack }) => `Put up ${rack.name}`,
});

const RackChanges = changesOf(Rack);
export type RackChanges = z.infer<typeof RackChanges>;

/** Change a rack. Gear that no longer fits stays where it is and becomes a snag. */
export const editRack = commandKind({
  schema: z.strictObject({ type: z.literal('editRack'), rackId: Id, changes: RackChanges }),
  apply: (job, { rackId, changes }) => {
    Object.assign(lookUp(job, 'racks', rackId), changes);
  },
  describe: (job, { rackId }) => `Change ${job.racks[rackId]?.name ?? 'the rack'}`,
});

/** Take a rack out of the job. What stood in it goes to the pile. */
export const removeRack = commandKind({
  schema: z.strictObject({ type: z.literal('removeRack'), rackId: Id }),
  apply: (job, { rackId }, base) => {
    lookUp(job, 'racks', rackId);
    removeRows(job, 'racks', [rackId], base);
  },
  describe: (job, { rackId }) => `Take away ${job.racks[rackId]?.name ?? 'the rack'}`,
});
