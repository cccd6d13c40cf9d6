import type { Job, RecordOf } from '../document/job';
import { span } from '../records/placement';

/** Pairs of placements that share a unit of one rack and face, the lower one first. */
export function overlaps(job: Job): [RecordOf<'placements'>, RecordOf<'placements'>][] {
  const rows = Object.values(job.placements).sort((a, b) => a.bottomU - b.bottomU);
  const top = (row: RecordOf<'placements'>) => span(row.bottomU, job.gear[row.gearId]?.heightU ?? 0).topU;
  return rows.flatMap((low, at) =>
    rows
      .slice(at + 1)
      .flatMap((high) =>
        low.rackId === high.rackId && low.face === high.face && high.bottomU <= top(low)
          ? [[low, high] as [typeof low, typeof high]]
          : [],
      ),
  );
}
