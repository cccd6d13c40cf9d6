import { z } from 'zod';
import { counted } from '../../base/text/counted';
import { refuse } from '../../base/text/refusal';
import { type PatchCord, panelFirst, patchCordsOf } from '../document/cordKinds';
import { Cord, cordsIn, endKey, endsOf, cords as table } from '../records/cord';
import { Id } from '../records/fields';
import { portKey } from '../records/portKey';
import { canPatch, isSwitching, portAt } from '../records/ports';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { freeId, lookUp } from './lookUp';

const { lengthMm, colour } = changesOf(Cord).shape;
const Ends = z.strictObject({
  panelId: Id,
  panelPort: Cord.shape.fromPort,
  switchId: Id,
  switchPort: Cord.shape.toPort,
  fixed: z.boolean(),
  lengthMm: lengthMm.describe('left out: as the cord is that was there'),
  colour,
});

/**
 * Plug cords between panel ports and switch ports. A panel port that has a cord already gets that cord moved.
 * Speed and power are not judged here: a person may patch for now what will bite later, and the docket says so.
 */
export const patchPorts = commandKind({
  schema: z.strictObject({ type: z.literal('patchPorts'), cords: z.array(Ends).min(1).max(20_000) }),
  apply: (job, { cords }, base) => {
    const moving = new Set(cords.map((cord) => portKey(cord.panelId, cord.panelPort)));
    if (moving.size < cords.length) refuse('port-twice', 'A panel port takes one cord: one stands here twice.');
    const used = new Set<string>();
    const old = new Map<string, PatchCord>();
    const patched = patchCordsOf(base);
    for (const row of Object.values(base.cords)) {
      const cord = patched[row.id];
      const key = cord && portKey(cord.panelId, cord.panelPort);
      if (cord && key !== undefined && moving.has(key)) {
        old.set(key, cord);
        delete job.cords[row.id];
      } else for (const end of endsOf(row)) used.add(endKey(end));
    }
    const runAt = new Map(Object.values(base.landings).map((row) => [portKey(row.panelId, row.port), row.runId]));

    for (const ends of cords) {
      const panel = lookUp(base, 'gear', ends.panelId);
      const device = lookUp(base, 'gear', ends.switchId);
      const run = base.runs[runAt.get(portKey(ends.panelId, ends.panelPort)) ?? ''];
      if (!run) refuse('nothing-landed', `No run is landed on ${panel.name} port ${ends.panelPort}: land one first.`);
      const port = isSwitching(device) ? portAt(device, ends.switchPort) : null;
      if (!port) refuse('no-port', `${device.name} has no port ${ends.switchPort} to patch to.`, run.id);
      if (port.use === 'internet') {
        refuse('wrong-port', `${device.name} port ${ends.switchPort} is its internet port: choose another.`, run.id);
      }
      if (!canPatch(port.connector, run.carries)) {
        const what = port.connector.toUpperCase();
        refuse('wrong-port', `${run.label} carries ${run.carries}: a cord for that does not go into ${what}.`, run.id);
      }
      const target = portKey(ends.switchId, ends.switchPort);
      if (used.has(target)) {
        refuse('port-taken', `${device.name} port ${ends.switchPort} is taken already.`, run.id);
      }
      used.add(target);
      const key = portKey(ends.panelId, ends.panelPort);
      const was = old.get(key);
      if (!was && cordsIn(base.cords, { gearId: ends.panelId, port: ends.panelPort, side: 'front' }).length > 0)
        refuse(
          'port-taken',
          `${panel.name} port ${ends.panelPort} has a cord to elsewhere: remove that first.`,
          run.id,
        );
      const id = was?.id ?? freeId(job.cords, `cord-${ends.panelPort}-${ends.panelId}`);
      const length = ends.lengthMm === undefined ? (was?.lengthMm ?? null) : ends.lengthMm;
      const made = { fixed: ends.fixed, lengthMm: length, colour: ends.colour ?? was?.colour ?? '' };
      job.cords[id] = table.make({ id, ...panelFirst({ ...ends, ...made }), ...made });
    }
  },
  describe: (job, { cords }) => {
    const [first] = cords;
    if (cords.length > 1 || !first) return `Patch ${counted(cords.length, 'run')}`;
    const landing = Object.values(job.landings).find(
      (row) => row.panelId === first.panelId && row.port === first.panelPort,
    );
    const what = job.runs[landing?.runId ?? '']?.label ?? `${job.gear[first.panelId]?.name} ${first.panelPort}`;
    return `Patch ${what} to ${job.gear[first.switchId]?.name} port ${first.switchPort}`;
  },
});

/** Pull cords out. */
export const unplug = commandKind({
  schema: z.strictObject({ type: z.literal('unplug'), cordIds: z.array(Id).min(1).max(20_000) }),
  apply: (job, { cordIds }) => {
    for (const id of cordIds) {
      lookUp(job, 'cords', id);
      delete job.cords[id];
    }
  },
  describe: (_, { cordIds }) => `Unpatch ${counted(cordIds.length, 'run')}`,
});

/** Say of cords what they are: their length and colour as they lie there, or null and empty for as planned. */
export const editCords = commandKind({
  schema: z.strictObject({
    type: z.literal('editCords'),
    cordIds: z.array(Id).min(1).max(20_000),
    changes: changesOf(Cord).pick({ lengthMm: true, colour: true }),
  }),
  apply: (job, { cordIds, changes }) => {
    for (const id of cordIds) Object.assign(lookUp(job, 'cords', id), changes);
  },
  describe: (_, { cordIds }) => `Change ${counted(cordIds.length, 'cord')}`,
});

/** Mark cords as fixed by hand, or as free to be planned again. */
export const fixCords = commandKind({
  schema: z.strictObject({ type: z.literal('fixCords'), cordIds: z.array(Id).min(1).max(20_000), fixed: z.boolean() }),
  apply: (job, { cordIds, fixed }) => {
    for (const id of cordIds) lookUp(job, 'cords', id).fixed = fixed;
  },
  describe: (_, { cordIds, fixed }) => `${fixed ? 'Fix' : 'Free'} ${counted(cordIds.length, 'cord')}`,
});
