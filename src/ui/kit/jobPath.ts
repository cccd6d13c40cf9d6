import { usePathname } from 'next/navigation';
import { STATIONS, type StationId } from '@/core/job/records/stationIds';

/** What an address inside a job says: the job, the revision that is looked at, the station and its view. */
export type JobPath = { base: string; revision: number | null; station: StationId; view: string | null };

const FIRST: StationId = 'runs';

/** Read `/jobs/ID[/at/REVISION][/STATION[/VIEW]]`. */
export function readJobPath(pathname: string): JobPath {
  const [, jobs, id, ...rest] = pathname.split('/');
  const past = rest[0] === 'at' && /^\d+$/.test(rest[1] ?? '') ? Number(rest[1]) : null;
  const [station, view] = past === null ? rest : rest.slice(2);
  return {
    base: `/${jobs}/${id}${past === null ? '' : `/at/${past}`}`,
    revision: past,
    station: STATIONS.find((one) => one === station) ?? FIRST,
    view: view ?? null,
  };
}

/** What the address says now. It changes without the server: the page stays, with or without a network. */
export const useJobPath = (): JobPath => readJobPath(usePathname());

/** Go to another place of the same job. */
export function goInJob(href: string): void {
  window.history.pushState(null, '', href);
  window.scrollTo(0, 0);
}
