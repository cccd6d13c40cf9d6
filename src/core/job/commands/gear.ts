import { z } from 'zod';
import { placeFault } from '../../rack/placeFault';
import { counted } from '../../text/counted';
import type { Job } from '../job';
import { Id } from '../records/fields';
import { Gear } from '../records/gear';
import { refuse } from '../refusal';
import { commandKind } from './command';
import { lookUp, mustBeNew } from './lookUp';

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

const GearChanges = z
  .strictObject({
    name: Gear.shape.name,
    kind: Gear.shape.kind,
    heightU: Gear.shape.heightU,
    depthMm: Gear.shape.depthMm,
    massKg: Gear.shape.massKg.unwrap(),
    powerW: Gear.shape.powerW.unwrap(),
    noiseDbA: Gear.shape.noiseDbA.unwrap(),
    poeBudgetW: Gear.shape.poeBudgetW.unwrap(),
    notes: Gear.shape.notes.unwrap(),
  })
  .partial();

/** Change a device. Refused when it would no longer have the units it stands in. */
export const editGear = commandKind({
  schema: z.strictObject({ type: z.literal('editGear'), gearId: Id, changes: GearChanges }),
  apply: (job, { gearId, changes }) => {
    const gear = lookUp(job, 'gear', gearId);
    Object.assign(gear, changes);
    nameMustBeFree(job, gear);
    for (const { gearId: placed, rackId, bottomU } of Object.values(job.placements)) {
      if (placed !== gearId || changes.heightU === undefined) continue;
      const fault = placeFault(job, lookUp(job, 'racks', rackId), gear, bottomU);
      if (fault && fault.kind !== 'too-deep') refuse(fault.kind, fault.words);
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
  },
  describe: (job, { gearIds }) =>
    gearIds.length === 1
      ? `Remove ${job.gear[gearIds[0] ?? '']?.name ?? 'a device'}`
      : `Remove ${counted(gearIds.length, 'device')}`,
});
