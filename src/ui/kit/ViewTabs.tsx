import type { StationId } from '@/core/job/records/stationIds';
import { JobLink } from './JobLink';
import { useJobPath } from './jobPath';
import type { View } from './stationViews';

/** The views of a station. The first one has the station's own address. */
export function ViewTabs({ station, views, now }: { station: StationId; views: readonly View[]; now: string }) {
  const { base: job, view } = useJobPath();
  const base = `${job}/${station}`;
  const first = views[0];
  return (
    <>
      <nav aria-label="Views" className="flex flex-wrap gap-x-0.5 border-b bg-sheet px-2 pt-1">
        {views.map(({ id, name }, at) => (
          <JobLink
            key={id}
            href={at === 0 ? base : `${base}/${id}`}
            aria-current={id === now ? 'page' : undefined}
            className={`inline-flex items-center rounded-t-[3px] border-x border-t px-2.5 py-1 text-[13px] leading-tight ${id === now ? '-mb-px border-strong bg-paper font-bold' : 'border-transparent font-semibold text-soft hover:bg-well hover:text-ink'}`}
          >
            {name}
          </JobLink>
        ))}
      </nav>
      {view !== null && !views.some(({ id }) => id === view) && (
        <p role="alert" className="bg-bite px-3 py-1 font-semibold text-sheet">
          There is no view “{view}” here: this is {first?.name}.
        </p>
      )}
    </>
  );
}
