import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { stepLimits } from '../core/base/solve/limits';
import { readCsvTable } from '../core/exchange/formats/csvTable';
import { readGearFile } from '../core/exchange/formats/gearFile';
import { readJobFile, writeJobFile } from '../core/exchange/formats/jobFile';
import { importCommand, previewRuns } from '../core/exchange/formats/previewRuns';
import { applyCommands } from '../core/job/commands/apply';
import type { Command } from '../core/job/commands/commands';
import { keepRows } from '../core/job/commands/rows';
import { commandsOf } from '../core/job/commands/setField';
import { diffJobs } from '../core/job/document/change';
import { emptyJob, type Job } from '../core/job/document/job';
import { indexJob, sameKey } from '../core/job/document/jobIndex';
import { cords } from '../core/job/records/cord';
import { planLanding } from '../core/trade/panels/planLanding';
import { planPatching } from '../core/trade/patching/planPatching';
import { PLUG_STEPS, planPlugs, plugCommands } from '../core/trade/power/plugPlan';
import { planPlacement } from '../core/trade/rack/arrange/planPlacement';
import { guessColumns } from '../core/trade/runs/runColumns';
import type { Store } from '../store/openStore';
import { applyBatch, readKept, takeInJob } from './jobs';
import { nameVersion } from './pastJobs';

const DEMO_ID = 'quillback';
/** Who made the demo jobs, in their lists of changes. */
const DEMO = { id: 'demo', name: 'Demo' };
const read = (file: string) => readFileSync(join(process.cwd(), 'demo', file), 'utf8');

const RowsFile = z.strictObject({ rows: keepRows.schema.shape.rows });
const SiteFile = RowsFile.extend({
  /** Runs by label through each pathway. */
  through: z.record(z.string(), z.array(z.string())),
});

/** The survey of the site as one step: plan, wishes, answers, boxes, and which runs go through which pathway. */
function siteCommands(job: Job): Command[] {
  const { rows, through } = SiteFile.parse(JSON.parse(read('quillback-site.json')));
  const { runByLabel } = indexJob(job);
  const passages = Object.entries(through).flatMap(([pathwayId, labels]) =>
    labels.flatMap((label) => {
      const run = runByLabel.get(sameKey(label));
      return run
        ? [{ table: 'passages' as const, record: { id: `${pathwayId}-${run.label}`, pathwayId, runId: run.id } }]
        : [];
    }),
  );
  return [{ type: 'keepRows', rows: [...rows, ...passages] }];
}

/** Marrowby House: inherited cables that nobody labelled, some of them too short. */
export const addTracingDemo = (store: Store): Promise<{ id: string }> => takeInJob(store, read('marrowby-job.json'));

/** Tarnbrook Survey Office: two switches and a map that grew by itself, to be made better with few moves. */
export const addPatchingDemo = (store: Store): Promise<{ id: string }> => takeInJob(store, read('tarnbrook-job.json'));

/** Schnürlbach: a list as it came, stock gear with its long names, more than fits, and hardly anything filled in. */
export const addUntidyDemo = (store: Store): Promise<{ id: string }> => takeInJob(store, read('schnuerlbach-job.json'));

/** Ostermoor Pottery: a cabinet rebuilt in place. What stands is a version of it, what is to stand the job as it is. */
export async function addRebuildDemo(store: Store): Promise<{ id: string }> {
  const { id } = await takeInJob(store, read('ostermoor-today.json'));
  const kept = await readKept(store, id);
  if (!kept) throw new Error('The demo job is gone.');
  const { job, point } = kept;
  const { revision } = point;
  await nameVersion(store, id, {
    id: randomUUID(),
    revision,
    name: 'Today',
    note: 'What stands before the build',
    actor: DEMO,
  });
  const plan = readJobFile(read('ostermoor-plan.json'));
  const cutovers = Object.fromEntries(
    Object.values(plan.cutovers).map((cutover) => [cutover.id, { ...cutover, todayRevision: revision }]),
  );
  const commands = commandsOf(diffJobs(job, { ...plan, id, cutovers }));
  await applyBatch(store, id, { batchId: randomUUID(), base: point, seen: revision, actor: DEMO, commands });
  return { id };
}

/** How the switches hang together, and the numbers of the networks. */
function linkCommands(job: Job): Command[] {
  const uplink = (id: string, fromId: string, fromPort: number, toId: string, toPort: number) => ({
    table: 'cords' as const,
    record: cords.make({ id, fromId, fromPort, toId, toPort }),
  });
  return [
    {
      type: 'keepRows',
      rows: [
        uplink('uplink-gateway', 'aggregation', 1, 'router', 10),
        uplink('uplink-a', 'switch-a', 25, 'aggregation', 2),
        uplink('uplink-b', 'switch-b', 14, 'router', 2),
      ],
    },
    ...Object.values(job.networks).map((network, at) => ({
      type: 'editNetwork' as const,
      networkId: network.id,
      changes: { number: (at + 1) * 10 },
    })),
  ];
}

/** Quillback Veterinary Surgery: surveyed, laid out but for its UPS, all runs landed, the ground floor patched. */
export async function addDemoJob(store: Store, firmId: string | null = null): Promise<string> {
  const { racks, gear } = readGearFile(read('quillback-gear.json'));
  const start = applyCommands(
    emptyJob({ id: DEMO_ID, name: 'Quillback Veterinary Surgery', rules: 'united-kingdom' }),
    [...racks.map((rack) => ({ type: 'addRack' as const, rack })), { type: 'addGear', gear }],
  ).job;
  const { id } = await takeInJob(store, writeJobFile(start), firmId);

  const step = async (make: (job: typeof start) => Command[]) => {
    const kept = await readKept(store, id);
    if (!kept) throw new Error('The demo job is gone.');
    const { job, point } = kept;
    const batch = { batchId: randomUUID(), base: point, seen: point.revision, actor: DEMO, commands: make(job) };
    await applyBatch(store, id, batch);
  };
  await step((job) => {
    const table = readCsvTable(read('quillback-runs.csv'));
    const command = importCommand(
      previewRuns(job, table, guessColumns(table.header, 'metric')),
      () => `run-${randomUUID()}`,
    );
    return command ? [command] : [];
  });
  await step(siteCommands);
  await step((job) => planPlacement(job).commands.filter((command) => command.gearId !== 'ups'));
  await step((job) => [{ type: 'landRuns', landings: planLanding(job).landings }]);
  await step(linkCommands);
  await step((job) => {
    const ground = Object.values(job.runs).filter((run) => run.floor === 'Ground');
    return [{ type: 'patchPorts', cords: planPatching(job, { only: new Set(ground.map((run) => run.id)) }).cords }];
  });
  await step(() => [{ type: 'keepRows', rows: RowsFile.parse(JSON.parse(read('quillback-power.json'))).rows }]);
  await step((job) => plugCommands(planPlugs(job, stepLimits(PLUG_STEPS))));
  return id;
}
