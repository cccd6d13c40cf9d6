import { type OutletKind, outletAmps } from '../../base/standards/outlets';
import { ruleSets } from '../../base/standards/ruleSets';
import type { Job } from '../../job/document/job';
import type { Gear } from '../../job/records/gear';
import { inletCount, outletKindOf, outletsOf } from '../../job/records/mainsSockets';
import type { Plug } from '../../job/records/plug';
import { feedsOf, plugLoad, voltsOf, wallOutletsOf } from './feeds';

/** What is plugged into one outlet against what the outlet may carry. Null: not known. */
export type OutletLoad = { plug: Plug; gear: Gear; where: string; amps: number | null; limitA: number | null };

/** What one device on a cord may take of an outlet of a kind, A: its rating by the share for a continuous load. */
export function outletLimitA(job: Job, kind: OutletKind | null): number | null {
  const rated = outletAmps(kind, job.rules);
  return rated === null ? null : rated * ruleSets[job.rules].continuous.share;
}

/**
 * Load of each outlet that has a plug. One device on a cord takes at most the share of the rating that the region allows
 * for a continuous load (NFPA 70 210.23(A)(1) in North America; elsewhere the rating).
 */
export function outletLoads(job: Job): OutletLoad[] {
  const feeds = feedsOf(job);
  return Object.values(job.plugs).flatMap((plug): OutletLoad[] => {
    const gear = job.gear[plug.gearId];
    const feed = plug.feedId === null ? null : (job.gear[plug.feedId] ?? null);
    const wall = plug.wallId === null ? null : (job.wallOutlets[plug.wallId] ?? null);
    if (!gear || inletCount(gear) === 0 || (!feed && !wall)) return [];
    const outlet = (feed ? outletsOf(feed) : wall ? wallOutletsOf(wall) : [])[plug.outlet - 1];
    const circuit = wall ? (job.circuits[wall.circuitId ?? ''] ?? null) : null;
    const volts = voltsOf(job, circuit);
    const load = plugLoad(feeds, plug, 'full');
    return [
      {
        plug,
        gear,
        where: `${feed?.name ?? wall?.name} outlet ${plug.outlet}`,
        amps: volts === null || load.unknown > 0 ? null : load.va / volts,
        limitA: outlet ? outletLimitA(job, outletKindOf(outlet.kind, feed, job.rules)) : null,
      },
    ];
  });
}

/** Two outlets of one twin plate may carry this together in the United Kingdom, A (BS 1363-2). From memory. */
export const twinPlateA = 20;

/** Load of twin plates by wall outlet, A; null: something on it is not known. */
export function twinPlates(job: Job): { wallId: string; name: string; amps: number | null }[] {
  if (job.rules !== 'united-kingdom') return [];
  const loads = outletLoads(job);
  return Object.values(job.wallOutlets)
    .filter(({ count, kind }) => count === 2 && (kind === null || kind === 'bs-1363'))
    .map(({ id, name }) => {
      const on = loads.filter(({ plug }) => plug.wallId === id);
      const known = on.every(({ amps }) => amps !== null);
      return { wallId: id, name, amps: known ? on.reduce((sum, { amps }) => sum + (amps ?? 0), 0) : null };
    });
}
