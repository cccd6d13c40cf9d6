'use client';

import { memo, useDeferredValue, useMemo } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { counted } from '@/core/base/text/counted';
import { GRADE_WORDS } from '@/core/base/text/grade';
import type { Snag } from '@/core/findings/snags/snag';
import type { Job } from '@/core/job/document/job';
import { indexJob } from '@/core/job/document/jobIndex';
import { STATION_NAMES, type StationId } from '@/core/job/records/stationIds';
import type { BuildFinding } from '@/core/trade/build/findings';
import { useAgainst } from '../kit/against';
import { Button } from '../kit/Button';
import { GRADE_INK, GradeMark } from '../kit/GradeMark';
import { useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import { type Rules, useJudged } from '../session/useJudged';

const AT_ONCE = 30;
const NONE: readonly BuildFinding[] = [];

/** The docket: key figures of the station, and the snags that concern it with their mends. */
export function Docket({ station }: { station: StationId }) {
  const judged = useJudged();
  const here = useDeferredValue(station);
  return judged ? <Judged {...judged} station={here} /> : <aside aria-label="Docket" className={LOOK} aria-busy />;
}

const LOOK = 'flex w-full shrink-0 flex-col border-strong border-t bg-sheet md:w-[264px] md:border-t-0 md:border-l';

/** Drawn once a state: the round that only learns that the job changed shows the old one again. */
const Judged = memo(function Judged({ job, rules, station }: { job: Job; rules: Rules; station: StationId }) {
  const snags = rules.findSnags(job).filter((snag) => snag.stations.includes(station));
  const against = useAgainst((state) => (station === 'build' && state.jobId === job.id ? state.findings : NONE));
  const unjudged = rules.findUnjudged(job).filter((one) => one.stations.includes(station));
  const count = snags.length + against.length;
  return (
    <aside aria-label="Docket" className={LOOK}>
      <div className="border-b bg-well px-3 py-1.5">
        <h2 className="wide font-bold leading-tight">Docket: {STATION_NAMES[station]}</h2>
        <NotNeeded station={station} />
        <p className="text-xs">
          {count === 0 ? (unjudged.length === 0 ? 'No snags here.' : 'No snags found.') : counted(count, 'snag')}
          {unjudged.length > 0 && `${count > 0 ? '.' : ''} ${unjudged.length} not judged.`}
        </p>
      </div>
      <dl className="grid grid-cols-[minmax(6.5rem,1fr)_auto] gap-x-2 border-b px-3 py-2 text-[13px]">
        {rules
          .stationOf(station)
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
          <Against key={finding.id} finding={finding} rules={job.rules} />
        ))}
        {snags.slice(0, AT_ONCE).map((snag) => (
          <SnagItem key={snag.id} snag={snag} job={job} />
        ))}
        {snags.length > AT_ONCE && <li className="px-3 py-2 text-soft">and {snags.length - AT_ONCE} more</li>}
        {unjudged.length > 0 && <NotJudged list={unjudged} />}
      </ul>
    </aside>
  );
});

/** A station that this job can do without, such as Power in a flat. */
function NotNeeded({ station }: { station: StationId }) {
  const { keep, drop } = useRows();
  const skipped = useSession((session) => session.job.skips[station] !== undefined);
  const set = (skip: boolean) =>
    skip ? keep({ table: 'skips', record: { id: station, why: '' } }) : drop('skips', station);
  return (
    <label className="flex min-h-6 items-center gap-1.5 text-xs">
      <input
        type="checkbox"
        className="size-4 accent-act"
        checked={skipped}
        onChange={(event) => set(event.target.checked)}
      />
      Not needed for this job
    </label>
  );
}

/** What could not be judged, folded: one line for each thing. */
const NotJudged = ({ list }: { list: readonly Snag[] }) => (
  <li className="border-b px-3 py-2">
    <details>
      <summary className="flex min-h-8 cursor-pointer items-center gap-1.5 font-bold text-soft text-xs">
        <GradeMark grade="not-judged" />
        <span aria-hidden>
          {GRADE_WORDS['not-judged']}: {list.length}
        </span>
      </summary>
      <ul>
        {list.map(({ id, what }) => (
          <li key={id} className="mt-1 text-[13px]">
            {what}
          </li>
        ))}
      </ul>
    </details>
  </li>
);

/** What stands against the build: it needs to know what stands today, which no other station does. */
const Against = ({ finding: { grade, what, why, source }, rules }: { finding: BuildFinding; rules: Job['rules'] }) => (
  <li className="border-b px-3 py-2">
    <div className={`flex items-center gap-1.5 font-bold text-xs ${GRADE_INK[grade]}`}>
      <GradeMark grade={grade} />
      <span aria-hidden>{GRADE_WORDS[grade]}</span>
    </div>
    <p className="mt-1 text-[13px]">{what}</p>
    <p className="mt-0.5 text-soft text-xs">{why}</p>
    <p className="narrow mt-0.5 text-soft text-xs">Source: {citeFor(source, rules)}</p>
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
      <p className="narrow mt-0.5 text-soft text-xs">Source: {citeFor(snag.source, job.rules)}</p>
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
