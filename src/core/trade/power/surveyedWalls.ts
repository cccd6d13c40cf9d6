import type { Job } from '../../job/document/job';
import { WallOutlet } from '../../job/records/wallOutlet';
import { figureOf, isAnswered } from '../survey/answers/answers';

/** Outlets in the wall at the cabinet: as entered one by one, else as the survey counted them; null: not known. */
export function wallOutletCount(job: Job): number | null {
  const walls = Object.values(job.wallOutlets);
  if (walls.length > 0) return walls.reduce((sum, { count }) => sum + count, 0);
  return isAnswered(job, 'mains-outlets') ? figureOf(job, 'mains-outlets') : null;
}

/** Most outlets side by side that one record takes. */
const ROW = 12;

/** Wall outlets that the survey only counted, as records that something can be plugged into. Empty where some were entered. */
export function surveyedWalls(job: Job): WallOutlet[] {
  if (Object.keys(job.wallOutlets).length > 0) return [];
  const count = wallOutletCount(job) ?? 0;
  return Array.from({ length: Math.ceil(count / ROW) }, (_, at) =>
    WallOutlet.parse({
      id: `wall-surveyed-${at + 1}`,
      name: at === 0 ? 'Wall outlets' : `Wall outlets ${at + 1}`,
      count: Math.min(ROW, count - at * ROW),
    }),
  );
}
