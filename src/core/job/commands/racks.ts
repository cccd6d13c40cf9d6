import { z } from 'zod';
import { Id } from '../records/fields';
import { Rack } from '../records/rack';
import { commandKind } from './command';
import { lookUp, mustBeNew } from './lookUp';

/** Put up a rack. */
export const addRack = commandKind({
  schema: z.strictObject({ type: z.literal('addRack'), rack: Rack }),
  apply: (job, { rack }) => {
    mustBeNew(job, 'racks', rack.id);
    job.racks[rack.id] = rack;
  },
  describe: (_, { rack }) => `Put up ${rack.name}`,
});

const RackChanges = z
  .strictObject({
    name: Rack.shape.name,
    units: Rack.shape.units,
    depthMm: Rack.shape.depthMm,
    numbering: z.enum(['from-bottom', 'from-top']),
    frontClearanceMm: Rack.shape.frontClearanceMm.unwrap(),
    ratedLoadKg: Rack.shape.ratedLoadKg.unwrap(),
  })
  .partial();

/** Change a rack. Gear that no longer fits stays where it is and becomes a snag. */
export const editRack = commandKind({
  schema: z.strictObject({ type: z.literal('editRack'), rackId: Id, changes: RackChanges }),
  apply: (job, { rackId, changes }) => {
    Object.assign(lookUp(job, 'racks', rackId), changes);
  },
  describe: (job, { rackId }) => `Change ${job.racks[rackId]?.name ?? 'the rack'}`,
});
