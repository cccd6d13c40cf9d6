import { z } from 'zod';
import { counted } from '../../base/text/counted';
import { refuse } from '../../base/text/refusal';
import type { Job } from '../document/job';
import { gearShortNameFor } from '../gear/shortNames';
import { placeFault } from '../rack/fit';
import { endsOf } from '../records/cord';
import { Id } from '../records/fields';
import { Gear, isCarrier } from '../records/gear';
import { portsOf } from '../records/ports';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { lookUp, mustBeNew } from './lookUp';
import { removeRows } from './removeRows';

const MOST = 2000;

/** Add devices to the pile. */
export const addGear = commandKind({
  schema: z.strictObject({ type: z.literal('addGear'), gear: z.array(Gear).min(1).max(MOST) }),
  apply: (job, { gear }) => {
    for (const one of gear) {
      mustBeNew(job, 'gear', one.id);
      job.gear[one.id] = { ...one, shortName: one.shortName || gearShortNameFor(job, one) };
    }
  },
  describe: (_, { gear }) => (gear.length === 1 ? `Add ${gear[0]?.name}` : `Add ${counted(gear.length, 'device')}`),
});

const GearChanges = changesOf(Gear);
export type GearChanges = z.infer<typeof GearChanges>;

/** What no rack can have: a change that leads there is refused. Other faults become snags. */
const MUST_HOLD: ReadonlySet<string> = new Set(['outside', 'taken', 'wrong-face']);

/** Ports that runs are landed on or cords are plugged into cannot go: said as one, whatever is in them. */
function portsMustStay(base: Job, gear: Gear): void {
  const used = [
    ...Object.values(base.landings).flatMap((row) => (row.panelId === gear.id ? [row.port] : [])),
    ...Object.values(base.cords).flatMap((row) =>
      endsOf(row).flatMap(({ gearId, port }) => (gearId === gear.id ? [port] : [])),
    ),
    ...Object.values(base.portNetworks).flatMap((row) => (row.gearId === gear.id ? [row.port] : [])),
  ];
  const most = Math.max(0, ...used);
  const count = portsOf(gear).length;
  if (most > count)
    refuse(
      'port-used',
      `${gear.name} would have ${counted(count, 'port')}, but port ${most} is in use: free it first.`,
    );
}

/** Change a device. Refused when it would no longer have the units it stands in. */
export const editGear = commandKind({
  schema: z.strictObject({ type: z.literal('editGear'), gearId: Id, changes: GearChanges }),
  apply: (job, { gearId, changes }, base) => {
    const gear = lookUp(job, 'gear', gearId);
    Object.assign(gear, changes);
    const place = Object.values(base.placements).find((row) => row.gearId === gearId);
    if (place && (changes.heightU !== undefined || changes.frame !== undefined)) {
      const spot = { rack: lookUp(job, 'racks', place.rackId), bottomU: place.bottomU, face: place.face };
      const fault = placeFault(job, gear, spot);
      if (fault && MUST_HOLD.has(fault.kind)) refuse(fault.kind, fault.words);
    }
    if (changes.ports !== undefined) portsMustStay(base, gear);
    if (!isCarrier(gear)) {
      for (const row of Object.values(base.shelvings)) if (row.carrierId === gearId) delete job.shelvings[row.id];
    }
  },
  describe: (job, { gearId }) => `Change ${job.gear[gearId]?.name ?? 'a device'}`,
});

/** Take devices out of the job, with their places, landings and cords. */
export const removeGear = commandKind({
  schema: z.strictObject({ type: z.literal('removeGear'), gearIds: z.array(Id).min(1).max(MOST) }),
  apply: (job, { gearIds }, base) => {
    for (const id of gearIds) lookUp(job, 'gear', id);
    removeRows(job, 'gear', gearIds, base);
  },
  describe: (job, { gearIds }) =>
    gearIds.length === 1
      ? `Remove ${job.gear[gearIds[0] ?? '']?.name ?? 'a device'}`
      : `Remove ${counted(gearIds.length, 'device')}`,
});
