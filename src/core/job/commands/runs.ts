import { z } from 'zod';
import { counted } from '../../text/counted';
import { sameKey } from '../../text/sameKey';
import type { Job } from '../job';
import { Id, line, name } from '../records/fields';
import { networkNamed } from '../records/network';
import { Run } from '../records/run';
import { refuse } from '../refusal';
import { commandKind } from './command';
import { freeId, lookUp, mustBeNew } from './lookUp';
import { dropReferring } from './rows';

const MOST = 10_000;

/** What a person says about a run. The network is given by name and made when it is new. */
export const RunFields = z.strictObject({
  label: name(40),
  floor: Run.shape.floor.unwrap(),
  room: Run.shape.room.unwrap(),
  outlet: Run.shape.outlet.unwrap(),
  carries: Run.shape.carries.unwrap(),
  cable: Run.shape.cable.unwrap(),
  lengthMm: Run.shape.lengthMm.unwrap(),
  device: Run.shape.device.unwrap(),
  speedMbps: Run.shape.speedMbps.unwrap(),
  poeW: Run.shape.poeW.unwrap(),
  network: line(80),
  critical: z.boolean(),
  jacket: Run.shape.jacket.unwrap(),
  bundle: Run.shape.bundle.unwrap(),
  entry: Run.shape.entry.unwrap(),
  tailMm: Run.shape.tailMm.unwrap(),
  outletHeightMm: Run.shape.outletHeightMm.unwrap(),
  state: Run.shape.state.unwrap(),
  origin: Run.shape.origin.unwrap(),
  scope: Run.shape.scope.unwrap(),
  askedBy: Run.shape.askedBy.unwrap(),
  notes: Run.shape.notes.unwrap(),
});
export type RunFields = z.infer<typeof RunFields>;
const RunChanges = RunFields.partial();
export type RunChanges = z.infer<typeof RunChanges>;

/** A run to be added: an id and a label, the other fields as far as they are known. */
export const RunEntry = RunChanges.extend({ id: Id, label: RunFields.shape.label });
export type RunEntry = z.infer<typeof RunEntry>;

/** Labels in use and networks by name, kept up to date through one command. */
function books(job: Job) {
  const runIdByLabel = new Map(Object.values(job.runs).map((run) => [sameKey(run.label), run.id]));
  const networkIdByName = new Map(Object.values(job.networks).map((row) => [sameKey(row.name), row.id]));

  const networkId = (wanted: string): string | null => {
    const key = sameKey(wanted);
    if (key === '') return null;
    const known = networkIdByName.get(key);
    if (known) return known;
    const slug = key.replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '');
    const id = freeId(job.networks, `network-${slug || 'other'}`);
    job.networks[id] = networkNamed(id, wanted.trim(), Object.values(job.networks));
    networkIdByName.set(key, id);
    return id;
  };

  const change = (run: Run, { network, ...changes }: RunChanges) => {
    if (changes.label !== undefined && changes.label !== run.label) {
      const label = changes.label.trim();
      if (label === '') refuse('label-empty', 'A run needs a label.', run.id);
      const other = runIdByLabel.get(sameKey(label));
      if (other && other !== run.id) {
        refuse('label-taken', `There is a run labelled ${label} already: labels are unique within a job.`, run.id);
      }
      if (runIdByLabel.get(sameKey(run.label)) === run.id) runIdByLabel.delete(sameKey(run.label));
      runIdByLabel.set(sameKey(label), run.id);
      changes.label = label;
    }
    Object.assign(run, changes);
    if (network !== undefined) run.networkId = networkId(network);
  };

  const add = ({ id, ...fields }: RunEntry) => {
    mustBeNew(job, 'runs', id);
    job.runs[id] = Run.parse({ id, label: '' });
    const run = lookUp(job, 'runs', id);
    runIdByLabel.delete('');
    change(run, fields);
  };
  return { runIdByLabel, change, add };
}

/** Add runs with new labels. */
export const addRuns = commandKind({
  schema: z.strictObject({ type: z.literal('addRuns'), runs: z.array(RunEntry).min(1).max(MOST) }),
  apply: (job, { runs }) => {
    const { add } = books(job);
    for (const run of runs) add(run);
  },
  describe: (_, { runs }) => (runs.length === 1 ? `Add run ${runs[0]?.label}` : `Add ${counted(runs.length, 'run')}`),
});

/** Change runs, field by field. */
export const editRuns = commandKind({
  schema: z.strictObject({
    type: z.literal('editRuns'),
    edits: z
      .array(z.strictObject({ runId: Id, changes: RunChanges }))
      .min(1)
      .max(MOST),
  }),
  apply: (job, { edits }) => {
    const { runIdByLabel, change } = books(job);
    // Labels that are given up are free for the other edits, so that runs can change labels among themselves.
    for (const { runId, changes } of edits) {
      const was = sameKey(job.runs[runId]?.label ?? '');
      if (changes.label !== undefined && sameKey(changes.label) !== was) runIdByLabel.delete(was);
    }
    for (const { runId, changes } of edits) change(lookUp(job, 'runs', runId), { ...changes });
  },
  describe: (job, { edits }) =>
    edits.length === 1
      ? `Change run ${job.runs[edits[0]?.runId ?? '']?.label ?? ''}`.trim()
      : `Change ${counted(edits.length, 'run')}`,
});

/** Bring in rows by label: a known label changes that run, a new one adds a run. Taking the same rows twice changes nothing. */
export const importRuns = commandKind({
  schema: z.strictObject({ type: z.literal('importRuns'), rows: z.array(RunEntry).min(1).max(MOST) }),
  apply: (job, { rows }) => {
    const { runIdByLabel, change, add } = books(job);
    const seen = new Set<string>();
    for (const row of rows) {
      const key = sameKey(row.label);
      if (seen.has(key)) refuse('label-taken', `The label ${row.label} stands twice among the rows.`);
      seen.add(key);
      const known = runIdByLabel.get(key);
      if (!known) add(row);
      else {
        const { id: _, label: __, ...changes } = row;
        change(lookUp(job, 'runs', known), changes);
      }
    }
  },
  describe: (_, { rows }) => `Import ${counted(rows.length, 'run')}`,
});

/** Take runs out of the job, with their landings and the cords behind them. */
export const removeRuns = commandKind({
  schema: z.strictObject({ type: z.literal('removeRuns'), runIds: z.array(Id).min(1).max(MOST) }),
  apply: (job, { runIds }) => {
    removeLandingsOf(job, runIds);
    dropReferring(job, 'runs', runIds);
    for (const id of runIds) {
      lookUp(job, 'runs', id);
      delete job.runs[id];
    }
  },
  describe: (job, { runIds }) =>
    runIds.length === 1
      ? `Remove run ${job.runs[runIds[0] ?? '']?.label ?? ''}`.trim()
      : `Remove ${counted(runIds.length, 'run')}`,
});

/** Remove the landings of these runs, and the cords plugged into their panel ports. */
export function removeLandingsOf(job: Job, runIds: string[]): void {
  const gone = new Set(runIds);
  const freed = new Set<string>();
  for (const row of Object.values(job.landings)) {
    if (!gone.has(row.runId)) continue;
    freed.add(`${row.panelId}:${row.port}`);
    delete job.landings[row.id];
  }
  for (const cord of Object.values(job.cords)) {
    if (freed.has(`${cord.panelId}:${cord.panelPort}`)) delete job.cords[cord.id];
  }
}
