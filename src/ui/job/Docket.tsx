'use client';

import { memo, useDeferredValue, useMemo } from 'react';
import type { BuildFinding } from '@/core/build/findings';
import type { Job } from '@/core/job/job';
import { indexJob } from '@/core/job/jobIndex';
import { STATION_NAMES, type StationId } from '@/core/job/stationIds';
import { findSnags } from '@/core/snags/findSnags';
import { GRADE_WORDS, type Snag } from '@/core/snags/snag';
import { citeSource } from '@/core/standards/source';
import { stationOf } from '@/core/stations/stations';
import { counted } from '@/core/text/counted';
import { useAgainst } from '../kit/against';
import { Button } from '../kit/Button';
import { GRADE_INK, GradeMark } from '../kit/GradeMark';
import { useSession } from './session';
import { useJudged } from './useJudged';

const AT_ONCE = 30;
const NONE: readonly BuildFinding[] = [];

/** The docket: key figures of the station, and the snags that concern it with their mends. */
export function Docket({ station }: { station: StationId }) {
  const judged = useJudged();
  const here = useDeferredValue(station);
  return judged ? <Judged job={judged} station={here} /> : <aside aria-label="Docket" className={LOOK} aria-busy />;
}

const LOOK = 'flex w-full shrink-0 flex-col border-strong border-t bg-sheet md:w-[264px] md:border-t-0 md:border-l';

/** Drawn once a state: the round that only learns that the job changed shows the old one again. */
const Judged = memo(function Judged({ job, station }: { job: Job; station: StationId }) {
  const snags = findSnags(job).filter((snag) => snag.stations.includes(station));
  const against = useAgainst((state) => (station === 'build' && state.jobId === job.id ? state.findings : NONE));
  const count = snags.length + against.length;
  return (
    <aside aria-label="Docket" className={LOOK}>
      <div className="border-b bg-well px-3 py-1.5">
        <h2 className="wide font-bold leading-tight">Docket: {STATION_NAMES[station]}</h2>
        <p className="text-xs">{count === 0 ? 'No snags here.' : counted(count, 'snag')}</p>
      </div>
      <dl className="grid grid-cols-[minmax(6.5rem,1fr)_auto] gap-x-2 border-b px-3 py-2 text-[13px]">
        {stationOf(station)
          .figures(indexJob(job))
          .map(({ name, value }) => (
            <div key={name} className="col-span-2 grid grid-cols-subgrid">
              <dt className="narrow text-soft">{name}</dt>
              <dd className="text-right font-mono text-xs leading-5">{value}</dd>
            </div>
          ))}
      </dl>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and may hold nothing that takes the focus */}
      <ul aria-label="Snags" tabIndex={0} className="min-h-0 flex-1 overflow-auto">
        {against.map((finding) => (
          <Against key={finding.id} finding={finding} />
        ))}
        {snags.slice(0, AT_ONCE).map((snag) => (
          <SnagItem key={snag.id} snag={snag} job={job} />
        ))}
        {snags.length > AT_ONCE && <li className="px-3 py-2 text-soft">and {snags.length - AT_ONCE} more</li>}
      </ul>
    </aside>
  );
});

/** What stands against the build: it needs to know what stands today, which no other station does. */
const Against = ({ finding: { grade, what, why, source } }: { finding: BuildFinding }) => (
  <li className="border-b px-3 py-2">
    <div className={`flex items-center gap-1.5 font-bold text-xs ${GRADE_INK[grade]}`}>
      <GradeMark grade={grade} />
      <span aria-hidden>{GRADE_WORDS[grade]}</span>
    </div>
    <p className="mt-1 text-[13px]">{what}</p>
    <p className="mt-0.5 text-soft text-xs">{why}</p>
    <p className="narrow mt-0.5 text-soft text-xs">Source: {citeSource(source)}</p>
  </li>
);

function SnagItem({ snag, job }: { snag: Snag; job: Job }) {
  const dispatch = useSession((session) => session.dispatch);
  const select = useSession((session) => session.select);
  const mends = useMemo(() => snag.mends(job), [snag, job]);
  const [runId] = snag.runIds;
  return (
    <li className="border-b px-3 py-2">
      <div className={`flex items-center gap-1.5 font-bold text-xs ${GRADE_INK[snag.grade]}`}>
        <GradeMark grade={snag.grade} />
        <span aria-hidden>{GRADE_WORDS[snag.grade]}</span>
        {runId && (
          <button type="button" className="ml-auto font-semibold underline" onClick={() => select(runId)}>
            trace
          </button>
        )}
      </div>
      <p className="mt-1 text-[13px]">{snag.what}</p>
      <p className="mt-0.5 text-soft text-xs">{snag.why}</p>
      <p className="narrow mt-0.5 text-soft text-xs">Source: {citeSource(snag.source)}</p>
      {mends.length > 0 && (
        <div className="mt-1.5 flex flex-wrap gap-1.5">
          {mends.map(({ label, commands }) => (
            <Button key={label} className="text-[13px]" onClick={() => dispatch(commands)}>
              {label}
            </Button>
          ))}
        </div>
      )}
    </li>
  );
}
