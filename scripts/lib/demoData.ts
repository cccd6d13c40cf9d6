import { addDemoJob, addPatchingDemo, addRebuildDemo, addTracingDemo, addUntidyDemo } from '../../src/server/demoJob';
import { getJobs } from '../../src/server/jobs';
import { migrate, openStore } from '../../src/store/openStore';

/** Bring a database up to date and put the demo jobs in where there is no job yet. `fresh` empties it first. */
export async function prepareDatabase(url: string, fresh: boolean): Promise<void> {
  // Migrations of a large log take as long as they take.
  const store = await openStore(url, {});
  try {
    if (fresh) await store.getMigrator().down({ to: 0 });
    await migrate(store);
    if ((await getJobs(store)).count > 0) return;
    await addUntidyDemo(store);
    await addTracingDemo(store);
    await addPatchingDemo(store);
    await addRebuildDemo(store);
    await addDemoJob(store);
  } finally {
    await store.close(true);
  }
}
