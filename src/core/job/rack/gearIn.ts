import type { Job } from '../document/job';
import type { Gear } from '../records/gear';
import type { Rack } from '../records/rack';
import { carriedBy, placedIn } from './space';

/** All that stands in a rack or on what stands in it, lowest first. */
export const gearIn = (job: Job, rack: Rack): Gear[] =>
  placedIn(job, rack.id).flatMap(({ gear }) => [gear, ...carriedBy(job, gear.id)]);
