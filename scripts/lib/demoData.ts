import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readCsvTable } from '../../src/core/formats/csvTable';
import { readGearFile } from '../../src/core/formats/gearFile';
import { writeJobFile } from '../../src/core/formats/jobFile';
import { importCommand, previewRuns } from '../../src/core/formats/previewRuns';
import { guessColumns } from '../../src/core/formats/runColumns';
import { applyCommands } from '../../src/core/job/apply';
import type { Command } from '../../src/core/job/commands';
import { emptyJob } from '../../src/core/job/job';
import { planLanding } from '../../src/core/panels/planLanding';
import { planPatching } from '../../src/core/patching/planPatching';
import { planPlacement } from '../../src/core/rack/planPlacement';
import { applyBatch, getJobs, openJob, takeInJob } from '../../src/server/jobs';
import { migrate, openStore, type Store } from '../../src/store/openStore';
import { root } from './build';

export const DEMO_ID = 'quillback';
const read = (file: string) => readFileSync(join(root, 'demo', file), 'utf8');

/** Quillback Veterinary Surgery: laid out but for its UPS, all runs landed, the ground floor patched. */
export async function addDemoJob(store: Store): Promise<string> {
  const { racks, gear } = readGearFile(read('quillback-gear.json'));
  const start = applyCommands(emptyJob({ id: DEMO_ID, name: 'Quillback Veterinary Surgery', units: 'metric' }), [
    ...racks.map((rack) => ({ type: 'addRack' as const, rack })),
    { type: 'addGear', gear },
  ]).job;
  const { id } = await takeInJob(store, writeJobFile(start));

  const step = async (make: (job: typeof start) => Command[]) => {
    const open = await openJob(store, id);
    if (!open) throw new Error('The demo job is gone.');
    const commands = make(open.job);
    await applyBatch(store, id, { batchId: randomUUID(), base: open.revision, commands });
  };
  await step((job) => {
    const table = readCsvTable(read('quillback-runs.csv'));
    const command = importCommand(
      previewRuns(job, table, guessColumns(table.header, 'metric')),
      () => `run-${randomUUID()}`,
    );
    return command ? [command] : [];
  });
  await step((job) => planPlacement(job).commands.filter((command) => command.gearId !== 'ups'));
  await step((job) => [{ type: 'landRuns', landings: planLanding(job).landings }]);
  await step((job) => {
    const ground = Object.values(job.runs).filter((run) => run.floor === 'Ground');
    return [{ type: 'patchPorts', cords: planPatching(job, { only: new Set(ground.map((run) => run.id)) }).cords }];
  });
  return id;
}

/** Bring a database up to date and put the demo job in where there is no job yet. `fresh` empties it first. */
export async function prepareDatabase(url: string, fresh: boolean): Promise<void> {
  const store = await openStore(url);
  try {
    if (fresh) await store.getMigrator().down({ to: 0 });
    await migrate(store);
    if ((await getJobs(store)).length === 0) await addDemoJob(store);
  } finally {
    await store.close(true);
  }
}
