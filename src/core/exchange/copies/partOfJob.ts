import { produce } from 'immer';
import { removeRows } from '../../job/commands/removeRows';
import { patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { rowsOf, type TableName, tablesThat } from '../../job/document/tables';
import { isFirms } from '../../job/records/questions';

/** What is about this one building: how it is built, and what was done and found there. */
const OF_ONE_BUILDING = tablesThat(({ about }) => about === 'building' || about === 'site-work');
const NOT_WITH_CABINET = tablesThat(({ withCabinet }) => !withCabinet);
/** What is between a firm and its client, and what was surveyed of the building. */
const STAYS_BEHIND = tablesThat((table) => table.private || table.stations.includes('survey'));

const without = (job: Job, drop: (draft: Job) => void): Job => produce(job, drop);

/**
 * A new job from one that is there.
 * @param whole the whole plan, without what was done; else the cabinet, its networks, and what the firm works by only
 */
export const copyOfJob = (job: Job, { id, name, whole }: { id: string; name: string; whole: boolean }): Job => ({
  ...without(job, (draft) => {
    const gone = whole ? OF_ONE_BUILDING : NOT_WITH_CABINET;
    for (const table of gone)
      removeRows(
        draft,
        table,
        // How the firm works and what it charges goes along to every building.
        Object.keys(rowsOf(job, table)).filter((one) => whole || table !== 'answers' || !isFirms(one)),
        job,
      );
    // Runs stay behind, and the cords that patch them.
    if (!whole) removeRows(draft, 'cords', Object.keys(patchCordsOf(job)), job);
  }),
  id,
  name,
});

/** One cabinet with what ends in it: its gear, and the runs that are landed there. */
export function cabinetOfJob(job: Job, rackId: string): Job {
  const gear = new Set(Object.values(job.placements).flatMap((one) => (one.rackId === rackId ? [one.gearId] : [])));
  for (const { gearId, carrierId } of Object.values(job.shelvings)) if (gear.has(carrierId)) gear.add(gearId);
  const runs = new Set(Object.values(job.landings).flatMap((one) => (gear.has(one.panelId) ? [one.runId] : [])));
  return without(job, (draft) => {
    const drop = (table: TableName, keep: (id: string) => boolean) =>
      removeRows(
        draft,
        table,
        Object.keys(rowsOf(job, table)).filter((one) => !keep(one)),
        job,
      );
    drop('racks', (one) => one === rackId);
    drop('gear', (one) => gear.has(one));
    drop('runs', (one) => runs.has(one));
    for (const table of STAYS_BEHIND) drop(table, () => false);
  });
}
