import Link from 'next/link';
import type { Job } from '@/core/job/job';
import { type StationState, stationStates } from '@/core/stationStates';
import { STATION_NAMES, type StationId } from '@/core/stations';

const STATE_WORDS: Record<StationState['state'], string> = {
  untouched: 'untouched',
  'under way': 'under way',
  settled: 'settled',
  snags: 'snags',
};

/** The shape of a station: an open ring, a half-filled one, a filled one with a tick, or a diamond with a count. */
function StationShape({ state, snags }: Pick<StationState, 'state' | 'snags'>) {
  const ring = <circle cx="13" cy="13" r="8.5" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.4" />;
  return (
    <svg width="26" height="26" aria-hidden="true" className="shrink-0">
      {state === 'untouched' && ring}
      {state === 'under way' && (
        <>
          {ring}
          <path d="M13 4.5a8.5 8.5 0 0 0 0 17z" fill="var(--ink)" />
        </>
      )}
      {state === 'settled' && (
        <>
          <circle cx="13" cy="13" r="9.5" fill="var(--good)" />
          <path d="M8.5 13.2l3.2 3.2 6-6.6" fill="none" stroke="var(--sheet)" strokeWidth="2.6" />
        </>
      )}
      {state === 'snags' && (
        <>
          <path d="M13 1l12 12-12 12L1 13z" fill="var(--wont)" />
          <text x="13" y="17.5" textAnchor="middle" fontSize="12.5" fontWeight="800" fill="var(--sheet)">
            {snags > 9 ? '9+' : snags}
          </text>
        </>
      )}
    </svg>
  );
}

/** The job as one length of cable with its stations on it: the only navigation inside a job. */
export function JobLine({ job, station }: { job: Job; station: StationId }) {
  const states = stationStates(job);
  return (
    <nav aria-label="Stations" className="relative mt-1">
      <svg
        aria-hidden="true"
        className="absolute inset-x-0 top-[15px] h-[6px] w-full"
        preserveAspectRatio="none"
        viewBox="0 0 100 6"
      >
        <path d="M0 3H100" stroke="var(--strong-rule)" strokeWidth="5" />
        <path d="M0 3H100" stroke="var(--sheet)" strokeWidth="1" strokeDasharray="1.2 0.8" />
      </svg>
      <ol className="relative grid grid-cols-5">
        {states.map(({ id, state, done, of, snags }) => (
          <li key={id} className="flex justify-center">
            <Link
              href={`/jobs/${job.id}/${id}`}
              aria-current={id === station ? 'page' : undefined}
              className={`flex items-center gap-0.5 rounded-t-md border border-b-0 bg-sheet px-0.5 py-1 sm:gap-1.5 sm:px-3 ${id === station ? 'border-strong bg-paper' : 'border-transparent hover:bg-well'}`}
            >
              <StationShape state={state} snags={snags} />
              <span
                className={`leading-none max-sm:text-xs max-sm:[font-stretch:80%] sm:[font-stretch:112%] ${id === station ? 'font-extrabold' : 'font-semibold'}`}
              >
                {STATION_NAMES[id]}
              </span>
              <span className="narrow hidden text-soft text-xs leading-none sm:inline">
                {id === 'runs' ? of : `${done}/${of}`}
                <span className="sr-only">
                  , {STATE_WORDS[state]}
                  {snags > 0 ? `: ${snags}` : ''}
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </nav>
  );
}
