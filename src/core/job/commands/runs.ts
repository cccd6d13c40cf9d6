import { z } from 'zod';
import { counted } from '../../base/text/counted';
import { refuse } from '../../base/text/refusal';
import { sameKey } from '../../base/text/sameKey';
import type { Job } from '../document/job';
import { keyMap } from '../document/keyMaps';
import { Id, line, name } from '../records/fields';
import { networkNamed } from '../records/network';
import { Run } from '../records/run';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { freeLandings } from './freeLandings';
import { freeId, lookUp, mustBeNew } from './lookUp';
import { removeRows } from './removeRows';

const MOST = 20_000;

const { networkId: _, ...plain } = changesOf(Run).shape;
/** What a person says about a run, as far as it changes. The network is given by name and made when it is new. */
export const RunChanges = z.strictObject({ ...plain, label: name(40), network: line(80) }).partial();
export type RunChanges = z.infer<typeof RunChanges>;

/** A run to be added: an id and a label, the other fields as far as they are known. */
export const RunEntry = RunChanges.extend({ id: Id, label: name(40) });
export type RunEntry = z.infer<typeof RunEntry>;

/** Networks by name, those that this command made among them. */
function networkBook(job: Job, base: Job) {
  const made = new Map<string, string>();
  return (wanted: string): string | null => {
    const key = sameKey(wanted);
    if (key === '') return null;
    const known = keyMap(base, 'networks').get(key) ?? made.get(key);
    if (known) return known;
    const slug = key.replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '');
    const id = freeId(job.networks, `network-${slug || 'other'}`);
    job.networks[id] = networkNamed(id, wanted.trim(), Object.values(job.networks));
    made.set(key, id);
    return id;
  };
}

/** What changes and adds runs in one command. */
function runBook(job: Job, base: Job) {
  const networkId = networkBook(job, base);
  const change = (run: Run, { network, ...changes }: RunChanges) => {
    Object.assign(run, changes);
    if (network !== undefined) run.networkId = networkId(network);
  };
  const add = ({ id, ...fields }: RunEntry) => {
    mustBeNew(job, 'runs', id);
    const run = Run.parse({ id, label: fields.label });
    change(run, fields);
    job.runs[id] = run;
  };
  return { change, add };
}

/** Add runs with new labels. */
export const addRuns = commandKind({
  schema: z.strictObject({ type: z.literal('addRuns'), runs: z.array(RunEntry).min(1).max(MOST) }),
  apply: (job, { runs }, base) => {
    const { add } = runBook(job, base);
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
  apply: (job, { edits }, base) => {
    const { change } = runBook(job, base);
    for (const { runId, changes } of edits) change(lookUp(job, 'runs', runId), changes);
  },
  describe: (job, { edits }) =>
    edits.length === 1
      ? `Change run ${job.runs[edits[0]?.runId ?? '']?.label ?? ''}`.trim()
      : `Change ${counted(edits.length, 'run')}`,
});

/** Bring in rows by label: a known label changes that run, a new one adds a run. Taking the same rows twice changes nothing. */
export const importRuns = commandKind({
  schema: z.strictObject({ type: z.literal('importRuns'), rows: z.array(RunEntry).min(1).max(MOST) }),
  apply: (job, { rows }, base) => {
    const { change, add } = runBook(job, base);
    const runIdByLabel = keyMap(base, 'runs');
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
  apply: (job, { runIds }, base) => {
    for (const id of runIds) lookUp(job, 'runs', id);
    freeLandings(job, runIds, base);
    removeRows(job, 'runs', runIds, base);
  },
  describe: (job, { runIds }) =>
    runIds.length === 1
      ? `Remove run ${job.runs[runIds[0] ?? '']?.label ?? ''}`.trim()
      : `Remove ${counted(runIds.length, 'run')}`,
});
