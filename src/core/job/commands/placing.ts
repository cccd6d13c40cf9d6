import { z } from 'zod';
import { counted } from '../../base/text/counted';
import { refuse } from '../../base/text/refusal';
import type { Job } from '../document/job';
import { placeFault, type Spot, usualFace } from '../rack/fit';
import { shelfFault } from '../rack/shelf';
import { unitName } from '../rack/units';
import { Id } from '../records/fields';
import { FACES, Placement } from '../records/placement';
import { Shelving } from '../records/shelving';
import { commandKind } from './command';
import { freeId, lookUp } from './lookUp';

const gearIds = z.array(Id).min(1).max(2000);

function takeOffShelves(job: Job, ids: ReadonlySet<string>): void {
  for (const row of Object.values(job.shelvings)) if (ids.has(row.gearId)) delete job.shelvings[row.id];
}

/** Put a device into units, from the pile, from a shelf or from where it stands. */
export const placeGear = commandKind({
  schema: z.strictObject({
    type: z.literal('placeGear'),
    gearId: Id,
    rackId: Id,
    bottomU: Placement.shape.bottomU,
    /** Where it is left out: on the front rails, or for an upright one in a rear corner. */
    face: z.enum(FACES).optional(),
  }),
  apply: (job, { gearId, rackId, bottomU, face }) => {
    const gear = lookUp(job, 'gear', gearId);
    const there = Object.values(job.placements).find((row) => row.gearId === gearId);
    const spot: Spot = {
      rack: lookUp(job, 'racks', rackId),
      bottomU,
      face: face ?? (there?.rackId === rackId ? there.face : usualFace(gear)),
    };
    const fault = placeFault(job, gear, spot);
    if (fault) refuse(fault.kind, fault.words);
    takeOffShelves(job, new Set([gearId]));
    if (there) Object.assign(there, { rackId, bottomU, face: spot.face });
    else {
      const id = freeId(job.placements, gearId);
      job.placements[id] = { id, gearId, rackId, bottomU, face: spot.face, pinned: false };
    }
  },
  describe: (job, { gearId, rackId, bottomU }) => {
    const [gear, rack] = [job.gear[gearId], job.racks[rackId]];
    return gear && rack ? `Move ${gear.name} to ${unitName(rack, bottomU, gear.heightU)}` : 'Move a device';
  },
});

/** Put a device on a shelf, into a drawer or into a mount kit. */
export const shelveGear = commandKind({
  schema: z.strictObject({
    type: z.literal('shelveGear'),
    gearId: Id,
    carrierId: Id,
    bay: Shelving.shape.bay.unwrap(),
  }),
  apply: (job, { gearId, carrierId, bay }) => {
    const gear = lookUp(job, 'gear', gearId);
    const fault = shelfFault(job, lookUp(job, 'gear', carrierId), gear, bay);
    if (fault) refuse('not-there', fault);
    takeOffShelves(job, new Set([gearId]));
    for (const row of Object.values(job.placements)) if (row.gearId === gearId) delete job.placements[row.id];
    const id = freeId(job.shelvings, gearId);
    job.shelvings[id] = { id, gearId, carrierId, bay };
  },
  describe: (job, { gearId, carrierId }) =>
    `Put ${job.gear[gearId]?.name ?? 'a device'} on ${job.gear[carrierId]?.name ?? 'a shelf'}`,
});

/** Take devices out of the rack or off their shelf, back to the pile. Landings and cords stay. */
export const liftGear = commandKind({
  schema: z.strictObject({ type: z.literal('liftGear'), gearIds }),
  apply: (job, { gearIds }) => {
    const lifted = new Set(gearIds);
    for (const id of gearIds) lookUp(job, 'gear', id);
    for (const row of Object.values(job.placements)) if (lifted.has(row.gearId)) delete job.placements[row.id];
    takeOffShelves(job, lifted);
  },
  describe: (job, { gearIds }) =>
    gearIds.length === 1
      ? `Take ${job.gear[gearIds[0] ?? '']?.name ?? 'a device'} out of the rack`
      : `Take ${counted(gearIds.length, 'device')} out of the rack`,
});

/** Pin devices where they stand, or let them go. */
export const pinGear = commandKind({
  schema: z.strictObject({ type: z.literal('pinGear'), gearIds, pinned: z.boolean() }),
  apply: (job, { gearIds, pinned }) => {
    const wanted = new Set(gearIds);
    for (const id of gearIds) lookUp(job, 'gear', id);
    for (const row of Object.values(job.placements)) if (wanted.has(row.gearId)) row.pinned = pinned;
  },
  describe: (job, { gearIds, pinned }) => {
    const what =
      gearIds.length === 1 ? (job.gear[gearIds[0] ?? '']?.name ?? 'a device') : counted(gearIds.length, 'device');
    return pinned ? `Pin ${what}` : `Unpin ${what}`;
  },
});
