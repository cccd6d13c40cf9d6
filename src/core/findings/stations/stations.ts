import type { Grade } from '../../base/text/grade';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { keptBy } from '../../job/document/reads';
import type { StationId } from '../../job/records/stationIds';
import { findSnags, findUnjudged } from '../snags/findSnags';
import type { Snag } from '../snags/snag';
import { build } from './build';
import { handover } from './handover';
import { land } from './land';
import { patch } from './patch';
import { power } from './power';
import { prove } from './prove';
import { runs } from './runs';
import { stack } from './stack';
import type { Station } from './station';
import { survey } from './survey';

/** The stations in the order of the work. Adding one touches its file, this list, and `job/stationIds`. */
export const STATION_LIST: readonly Station[] = [survey, runs, stack, land, patch, power, build, prove, handover];

export const stationOf = (id: StationId): Station => STATION_LIST.find((one) => one.id === id) ?? survey;

export type StationState = {
  id: StationId;
  name: string;
  /** Shown by shape. Settled: all of it is done, nothing is missing and nothing is wrong with it. */
  state: 'untouched' | 'under way' | 'settled' | 'not judged' | 'warnings' | 'snags' | 'not needed';
  done: number;
  of: number;
  /** How far it is, short enough to stand on the job line. */
  progress: string;
  snags: number;
};

type Progress = readonly [done: number, of: number];
const KEPT = new Map(
  STATION_LIST.map(({ id, reads, progress }) => [id, keptBy<Progress>(reads, (job) => progress(indexJob(job)), false)]),
);

/** How far a station is, worked out again only when what it rests on changed. */
export const progressOf = ({ id, progress }: Station, job: Job): Progress =>
  KEPT.get(id)?.(job) ?? progress(indexJob(job));

function stateOf(station: Station, job: Job): StationState {
  const [done, of] = progressOf(station, job);
  const here = (list: readonly Snag[]) => list.filter(({ stations }) => stations.includes(station.id));
  const found = here(findSnags(job));
  const count = (grade: Grade) => found.filter((snag) => snag.grade === grade).length;
  const [broken, trouble] = [count('wont-work'), count('will-bite')];
  const state = job.skips[station.id]
    ? 'not needed'
    : done === 0
      ? 'untouched'
      : broken > 0
        ? 'snags'
        : trouble > 0
          ? 'warnings'
          : done < of
            ? 'under way'
            : here(findUnjudged(job)).length > 0
              ? 'not judged'
              : 'settled';
  const shown = Math.min(done, of);
  const progress = station.countsOnly ? String(done) : `${shown}/${of}`;
  return { id: station.id, name: station.name, state, done: shown, of, progress, snags: broken + trouble };
}

/** How far each station is: what is done of what is to do, and how many snags of weight are there. */
export const stationStates = (job: Job): StationState[] => STATION_LIST.map((station) => stateOf(station, job));
