import { ChevronLeft, ChevronRight, List } from 'lucide-react';
import { memo, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import type { StationState } from '@/core/findings/stations/stations';
import type { Job } from '@/core/job/document/job';
import { STATION_NAMES, STATIONS, type StationId } from '@/core/job/records/stationIds';
import { JobLink } from '../kit/JobLink';
import { Sheet } from '../kit/Sheet';
import { useSession } from '../session/session';
import { type Rules, useJudged } from '../session/useJudged';
import { StationShape } from './StationShape';

/** A state in words, for those who do not see its shape. */
const stateWords = ({ state, snags }: StationState): string =>
  state === 'snags' || state === 'warnings'
    ? counted(snags, 'snag')
    : `${STATE_WORDS[state]}${snags > 0 ? `, ${counted(snags, 'snag')}` : ''}`;

const STATE_WORDS: Record<Exclude<StationState['state'], 'snags' | 'warnings'>, string> = {
  untouched: 'not started',
  'under way': 'in progress',
  settled: 'done',
  'not judged': 'complete, not all of it judged',
  'not needed': 'not needed',
};

/** Before the job was looked at. */
const UNJUDGED: StationState[] = STATIONS.map((id) => ({
  id,
  name: STATION_NAMES[id],
  state: 'untouched',
  done: 0,
  of: 0,
  progress: '',
  snags: 0,
}));

/** The cable that the stations lie on. */
const Cable = () => (
  <svg
    aria-hidden="true"
    className="absolute inset-x-0 top-[15px] h-[6px] w-full"
    preserveAspectRatio="none"
    viewBox="0 0 100 6"
  >
    <path d="M0 3H100" stroke="var(--strong-rule)" strokeWidth="5" />
    <path d="M0 3H100" stroke="var(--sheet)" strokeWidth="1" strokeDasharray="1.2 0.8" />
  </svg>
);

/** The job as one length of cable with its stations on it: the only navigation inside a job. */
export function JobLine({ station }: { station: StationId }) {
  const base = useSession((session) => session.base);
  const judged = useJudged();
  return <Line judged={judged?.job} rules={judged?.rules} base={base} station={station} />;
}

/** Drawn once a state: the round that only learns that the job changed shows the old one again. */
const Line = memo(function Line({
  judged,
  rules,
  base,
  station,
}: {
  judged: Job | undefined;
  rules: Rules | undefined;
  base: string;
  station: StationId;
}) {
  const states = judged && rules ? rules.stationStates(judged) : UNJUDGED;
  return (
    <>
      <nav aria-label="Stations" className="relative mt-1 max-sm:hidden">
        <Cable />
        <ol className="relative flex justify-around">
          {states.map((one) => (
            <li key={one.id} className="flex min-w-0 justify-center">
              <JobLink
                href={`${base}/${one.id}`}
                aria-current={one.id === station ? 'page' : undefined}
                className={`flex min-w-0 items-center rounded-t-md border border-b-0 bg-sheet py-1 ${states.length > 6 ? 'gap-1 px-1.5' : 'gap-1.5 px-3'} ${one.id === station ? 'border-strong bg-paper' : 'border-transparent hover:bg-well'}`}
              >
                <StationShape {...one} />
                <span
                  className={`whitespace-nowrap leading-none ${states.length > 6 ? '[font-stretch:88%]' : '[font-stretch:112%]'} ${one.id === station ? 'font-extrabold' : 'font-semibold'}`}
                >
                  {one.name}
                </span>
                <span className="narrow text-soft text-xs leading-none">
                  {one.state === 'not needed' ? '' : one.progress}
                  <span className="sr-only">, {stateWords(one)}</span>
                </span>
              </JobLink>
            </li>
          ))}
        </ol>
      </nav>
      <NarrowLine states={states} base={base} station={station} />
    </>
  );
});

/** The same on a phone: where I am, the stations before and behind, and all of them in a sheet. */
function NarrowLine({ states, base, station }: { states: StationState[]; base: string; station: StationId }) {
  const [all, setAll] = useState(false);
  const at = states.findIndex((one) => one.id === station);
  const [before, here, next] = [states[at - 1], states[at], states[at + 1]];
  const aside = 'flex min-h-12 min-w-12 items-center justify-center gap-0.5 font-semibold text-xs';
  return (
    <nav aria-label="Stations" className="relative mt-1 sm:hidden">
      <div className="flex items-stretch border-t">
        {before ? (
          <JobLink href={`${base}/${before.id}`} className={aside} aria-label={`Before: ${before.name}`}>
            <ChevronLeft size={18} aria-hidden /> <span className="narrow">{before.name}</span>
          </JobLink>
        ) : (
          <span className="min-w-12" />
        )}
        <button
          type="button"
          className="flex min-h-12 min-w-0 flex-1 items-center justify-center gap-2 border-x bg-paper font-extrabold"
          onClick={() => setAll(true)}
        >
          {here && <StationShape {...here} />}
          <span className="truncate">{here?.name}</span>
          <span className="narrow font-normal text-soft text-xs">{here?.progress}</span>
          <List size={16} aria-hidden />
          <span className="sr-only">{here && `, ${stateWords(here)}`}. All stations</span>
        </button>
        {next ? (
          <JobLink href={`${base}/${next.id}`} className={aside} aria-label={`Next: ${next.name}`}>
            <span className="narrow">{next.name}</span> <ChevronRight size={18} aria-hidden />
          </JobLink>
        ) : (
          <span className="min-w-12" />
        )}
      </div>
      <Sheet open={all} onClose={() => setAll(false)} title="Stations" about="In the order of the work.">
        <ol className="grid">
          {states.map((one) => (
            <li key={one.id} className="border-b">
              <JobLink
                href={`${base}/${one.id}`}
                aria-current={one.id === station ? 'page' : undefined}
                className={`flex min-h-12 items-center gap-3 px-2 ${one.id === station ? 'bg-paper font-extrabold' : 'font-semibold'}`}
                onClick={() => setAll(false)}
              >
                <StationShape {...one} />
                <span className="flex-1">{one.name}</span>
                <span className="text-right text-soft text-xs">
                  {one.progress}
                  <span className="block">{stateWords(one)}</span>
                </span>
              </JobLink>
            </li>
          ))}
        </ol>
      </Sheet>
    </nav>
  );
}
