import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import { TABLE_NAMES, tableOf } from '../../src/core/job/document/tables';
import { getJobs, takeInJob } from '../../src/server/jobs';
import type { Store } from '../../src/store/openStore';
import { plannedJob } from './benchJob';
import type { Note } from './benchServer';
import { timed } from './measure';

const RUNS = 40;
const JOBS = 2000;

/** The job so many times over, as rows only. */
async function copies(store: Store, id: string, from: number, to: number): Promise<void> {
  const em = store.em.fork();
  const copy = (row: string, key: string) =>
    em.execute(
      `insert into "${row}" select (json_populate_record(one, json_build_object(?, one."${key}" || ' ' || n))).*
        from "${row}" as one, generate_series(?::int, ?::int) as n where one."${key}" = ?`,
      [key, from, to, id],
    );
  await copy('job', 'id');
  for (const table of TABLE_NAMES) await copy(tableOf(table).row, 'job_id');
  await em.execute('analyze');
}

/** The list of 500 and of 2,000 jobs of 40 runs: its pages, and a search over all of them. */
export async function benchList(note: Note, store: Store): Promise<void> {
  const { id } = await takeInJob(store, writeJobFile({ ...plannedJob(RUNS), id: 'listed' }));
  await takeInJob(store, writeJobFile({ ...plannedJob(RUNS), id: 'sought', name: 'Quince & Rowan, Übergabe' }));
  let there = 1;
  for (const size of [500, JOBS]) {
    await copies(store, id, there, size - 2);
    there = size - 1;
    const reference = {
      name: 'count of all runs',
      ms: await timed(9, () => store.em.fork().execute('select count(*) from run')),
    };
    const goal = size === JOBS ? '150 ms' : '';
    const sought = size === JOBS ? '100 ms' : '';
    note('the first page of the list', size, await timed(9, () => getJobs(store)), goal, reference);
    note('the last page', size, await timed(9, () => getJobs(store, { page: 100_000 })), goal, reference);
    // The first one writes down what the copies lack.
    await getJobs(store, { overdue: '1' });
    const late = size === JOBS ? '50 ms' : '';
    note('jobs with something overdue', size, await timed(9, () => getJobs(store, { overdue: '1' })), late, reference);
    for (const words of ['Übergabe', 'R00017', 'nowhere at all'])
      note(`jobs with “${words}”`, size, await timed(9, () => getJobs(store, { words })), sought, reference);
  }
}
