import { z } from 'zod';
import { portsOf } from '../../gear/ports';
import { placeFault } from '../../rack/fit';
import { counted } from '../../text/counted';
import type { Job } from '../job';
import { Id } from '../records/fields';
import { Gear, isCarrier } from '../records/gear';
import { refuse } from '../refusal';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { lookUp, mustBeNew } from './lookUp';
import { dropReferring } from './rows';

function nameMustBeFree(job: Job, gear: Gear): void {
  const key = gear.name.toLocaleLowerCase('en');
  const other = Object.values(job.gear).find((one) => one.id !== gear.id && one.name.toLocaleLowerCase('en') === key);
  if (other) refuse('name-taken', `There is a device called ${other.name} already: give this one a name of its own.`);
}

/** Add devices to the pile. */
export const addGear = commandKind({
  schema: z.strictObject({ type: z.literal('addGear'), gear: z.array(Gear).min(1).max(200) }),
  apply: (job, { gear }) => {
    for (const one of gear) {
      mustBeNew(job, 'gear', one.id);
      nameMustBeFree(job, one);
      job.gear[one.id] = one;
    }
  },
  describe: (_, { gear }) => (gear.length === 1 ? `Add ${gear[0]?.name}` : `Add ${counted(gear.length, 'device')}`),
});

const GearChanges = changesOf(Gear);
export type GearChanges = z.infer<typeof GearChanges>;

/** What the store does not take either: a change that leads there is refused. Other faults become snags. */
const MUST_HOLD: ReadonlySet<string> = new Set(['outside', 'taken', 'wrong-face']);

/** Ports that runs are landed on or cords are plugged into cannot go. */
function portsMustStay(job: Job, gear: Gear): void {
  const used = [
    ...Object.values(job.landings)
      .filter((row) => row.panelId === gear.id)
      .map((row) => row.port),
    ...Object.values(job.cords).flatMap((row) => [
      ...(row.panelId === gear.id ? [row.panelPort] : []),
      ...(row.switchId === gear.id ? [row.switchPort] : []),
    ]),
    ...Object.values(job.uplinks).flatMap((row) => [
      ...(row.fromId === gear.id ? [row.fromPort] : []),
      ...(row.toId === gear.id ? [row.toPort] : []),
    ]),
    ...Object.values(job.portNetworks).flatMap((row) => (row.gearId === gear.id ? [row.port] : [])),
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
  apply: (job, { gearId, changes }) => {
    const gear = lookUp(job, 'gear', gearId);
    Object.assign(gear, changes);
    nameMustBeFree(job, gear);
    const place = Object.values(job.placements).find((row) => row.gearId === gearId);
    if (place && (changes.heightU !== undefined || changes.frame !== undefined)) {
      const spot = { rack: lookUp(job, 'racks', place.rackId), bottomU: place.bottomU, face: place.face };
      const fault = placeFault(job, gear, spot);
      if (fault && MUST_HOLD.has(fault.kind)) refuse(fault.kind, fault.words);
    }
    if (changes.ports !== undefined) portsMustStay(job, gear);
    if (!isCarrier(gear)) {
      for (const row of Object.values(job.shelvings)) if (row.carrierId === gearId) delete job.shelvings[row.id];
    }
  },
  describe: (job, { gearId }) => `Change ${job.gear[gearId]?.name ?? 'a device'}`,
});

/** Take devices out of the job, with their places, landings and cords. */
export const removeGear = commandKind({
  schema: z.strictObject({ type: z.literal('removeGear'), gearIds: z.array(Id).min(1).max(200) }),
  apply: (job, { gearIds }) => {
    const gone = new Set(gearIds);
    for (const id of gearIds) {
      lookUp(job, 'gear', id);
      delete job.gear[id];
    }
    for (const row of Object.values(job.placements)) if (gone.has(row.gearId)) delete job.placements[row.id];
    for (const row of Object.values(job.landings)) if (gone.has(row.panelId)) delete job.landings[row.id];
    for (const row of Object.values(job.cords)) {
      if (gone.has(row.panelId) || gone.has(row.switchId)) delete job.cords[row.id];
    }
    dropReferring(job, 'gear', gone);
  },
  describe: (job, { gearIds }) =>
    gearIds.length === 1
      ? `Remove ${job.gear[gearIds[0] ?? '']?.name ?? 'a device'}`
      : `Remove ${counted(gearIds.length, 'device')}`,
});
