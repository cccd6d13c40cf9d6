import { z } from 'zod';
import { counted } from '../../base/text/counted';
import { refuse } from '../../base/text/refusal';
import { cordsIn } from '../records/cord';
import { Id } from '../records/fields';
import { Landing } from '../records/landing';
import { portKey } from '../records/portKey';
import { canLand, isPanel, portAt } from '../records/ports';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { freeLandings } from './freeLandings';
import { freeId, lookUp } from './lookUp';

const { joint, jointMm } = changesOf(Landing).shape;
const Target = z.strictObject({ runId: Id, panelId: Id, port: Landing.shape.port, joint, jointMm });

/** End runs on panel ports. A run that is landed already moves, and its cord moves with it. */
export const landRuns = commandKind({
  schema: z.strictObject({ type: z.literal('landRuns'), landings: z.array(Target).min(1).max(20_000) }),
  apply: (job, { landings }, base) => {
    const moving = new Set(landings.map((landing) => landing.runId));
    if (moving.size < landings.length)
      refuse('run-twice', 'A run can be landed on one port only: one stands here twice.');
    const old = new Map<string, Landing>();
    const used = new Map<string, string>();
    for (const row of Object.values(base.landings)) {
      if (moving.has(row.runId)) {
        old.set(row.runId, row);
        delete job.landings[row.id];
      } else used.set(portKey(row.panelId, row.port), row.runId);
    }
    const carried = new Map(
      [...old].map(([runId, { panelId, port }]) => [
        runId,
        cordsIn(base.cords, { gearId: panelId, port, side: 'front' })[0],
      ]),
    );

    for (const { runId, panelId, port, joint, jointMm } of landings) {
      const run = lookUp(base, 'runs', runId);
      const panel = lookUp(base, 'gear', panelId);
      const opening = isPanel(panel) ? portAt(panel, port) : null;
      if (!opening) refuse('no-port', `${panel.name} has no panel port ${port}.`, runId);
      if (!canLand(opening, run.carries)) {
        refuse(
          'wrong-port',
          `${run.label} carries ${run.carries}: ${panel.name} port ${port} does not take that.`,
          runId,
        );
      }
      const key = portKey(panelId, port);
      const other = used.get(key);
      if (other) {
        refuse(
          'port-taken',
          `${panel.name} port ${port} is taken by ${job.runs[other]?.label ?? 'another run'}.`,
          runId,
        );
      }
      used.set(key, runId);
      const was = old.get(runId);
      const id = was?.id ?? freeId(job.landings, runId);
      job.landings[id] = {
        id,
        runId,
        panelId,
        port,
        joint: joint ?? was?.joint ?? 'none',
        jointMm: jointMm === undefined ? (was?.jointMm ?? null) : jointMm,
      };
      const cord = carried.get(runId);
      // Its cord goes with it, whichever end of that is here.
      if (cord && was) {
        const isFrom = cord.fromId === was.panelId && cord.fromPort === was.port && cord.fromSide === 'front';
        Object.assign(
          lookUp(job, 'cords', cord.id),
          isFrom ? { fromId: panelId, fromPort: port } : { toId: panelId, toPort: port },
        );
      }
    }
  },
  describe: (job, { landings }) => {
    const [first] = landings;
    if (landings.length > 1 || !first) return `Land ${counted(landings.length, 'run')}`;
    return `Land ${job.runs[first.runId]?.label} on ${job.gear[first.panelId]?.name} port ${first.port}`;
  },
});

/** Take runs off their panel ports, with the cords behind them. */
export const takeOffRuns = commandKind({
  schema: z.strictObject({ type: z.literal('takeOffRuns'), runIds: z.array(Id).min(1).max(20_000) }),
  apply: (job, { runIds }, base) => {
    for (const id of runIds) lookUp(base, 'runs', id);
    freeLandings(job, runIds, base);
  },
  describe: (job, { runIds }) =>
    runIds.length === 1
      ? `Take ${job.runs[runIds[0] ?? '']?.label} off its panel port`
      : `Take ${counted(runIds.length, 'run')} off their panel ports`,
});
