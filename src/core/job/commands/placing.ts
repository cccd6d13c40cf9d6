import { z } from 'zod';
import { placeFault } from '../../rack/placeFault';
import { unitName } from '../../rack/units';
import { counted } from '../../text/counted';
import { Id } from '../records/fields';
import { Placement } from '../records/placement';
import { refuse } from '../refusal';
import { commandKind } from './command';
import { freeId, lookUp } from './lookUp';

/** Put a device into units, from the pile or from where it stands. */
export const placeGear = commandKind({
  schema: z.strictObject({
    type: z.literal('placeGear'),
    gearId: Id,
    rackId: Id,
    bottomU: Placement.shape.bottomU,
  }),
  apply: (job, { gearId, rackId, bottomU }) => {
    const gear = lookUp(job, 'gear', gearId);
    const fault = placeFault(job, lookUp(job, 'racks', rackId), gear, bottomU);
    if (fault) refuse(fault.kind, fault.words);
    const there = Object.values(job.placements).find((row) => row.gearId === gearId);
    if (there) Object.assign(there, { rackId, bottomU });
    else {
      const id = freeId(job.placements, gearId);
      job.placements[id] = { id, gearId, rackId, bottomU };
    }
  },
  describe: (job, { gearId, rackId, bottomU }) => {
    const [gear, rack] = [job.gear[gearId], job.racks[rackId]];
    return gear && rack ? `Move ${gear.name} to ${unitName(rack, bottomU, gear.heightU)}` : 'Move a device';
  },
});

/** Take devices out of the rack, back to the pile. Landings and cords stay. */
export const liftGear = commandKind({
  schema: z.strictObject({ type: z.literal('liftGear'), gearIds: z.array(Id).min(1).max(200) }),
  apply: (job, { gearIds }) => {
    const lifted = new Set(gearIds);
    for (const id of gearIds) lookUp(job, 'gear', id);
    for (const row of Object.values(job.placements)) if (lifted.has(row.gearId)) delete job.placements[row.id];
  },
  describe: (job, { gearIds }) =>
    gearIds.length === 1
      ? `Take ${job.gear[gearIds[0] ?? '']?.name ?? 'a device'} out of the rack`
      : `Take ${counted(gearIds.length, 'device')} out of the rack`,
});
