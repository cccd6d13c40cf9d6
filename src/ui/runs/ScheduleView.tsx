'use client';

import { FileUp } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { counted, grouped } from '@/core/base/text/counted';
import {
  arrangeRuns,
  PLAIN_VIEW,
  RUN_FILTERS,
  RUN_GROUPS,
  shownRuns,
  type ScheduleView as View,
} from '@/core/findings/schedule/scheduleView';
import { indexJob } from '@/core/job/document/jobIndex';
import { scheduleColumns } from '@/core/trade/runs/cells';
import { runCelsius } from '@/core/trade/runs/pathways/cableHeat';
import type { RunColumn } from '@/core/trade/runs/runColumns';
import { runFacts } from '@/core/trade/runs/runFacts';
import { Why } from '../handbook/Why';
import { Button } from '../kit/Button';
import { later } from '../kit/later';
import { useDropFile } from '../kit/useDropFile';
import { useSession } from '../session/session';
import { useJudged } from '../session/useJudged';
import { BulkBar } from './BulkBar';
import { COLUMN_SETS, type ColumnSet, columnsOf } from './columns';
import type { Given } from './ImportSheet';
import { RunTable } from './RunTable';

const pickLook = 'min-h-8 rounded-[3px] border border-strong bg-sheet px-1.5 py-1';

const ImportSheet = later(() => import('./ImportSheet').then((module) => module.ImportSheet));

/** The run schedule, typed or imported; filtered, sorted, grouped, and changed many at a time. */
export function ScheduleView() {
  const job = useSession((session) => session.job);
  const [importing, setImporting] = useState<{ given: Given | null } | null>(null);
  const [view, setView] = useState<View>(PLAIN_VIEW);
  const [set, setSet] = useState<ColumnSet>('devices');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const { over, handlers } = useDropFile(async (file) => {
    setImporting({ given: { name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) } });
  });
  const text = useDeferredValue(view.text);
  const judged = useJudged();
  const snags = view.filter === 'with snags' && judged ? judged.rules.findSnags(judged.job) : null;
  const items = useMemo(() => arrangeRuns(job, { ...view, text }, snags), [job, view, text, snags]);
  const columns = useMemo(() => columnsOf(set, scheduleColumns(job.units)), [set, job.units]);
  const count = indexJob(job).runsInOrder.length;
  const shown = shownRuns(items);
  const there = useMemo(() => new Set([...chosen].filter((id) => job.runs[id])), [chosen, job.runs]);
  const sort = (column: RunColumn) =>
    setView((now) => ({ ...now, sort: column, falling: now.sort === column && !now.falling }));

  return (
    <div className="relative flex min-h-0 flex-1 flex-col" {...handlers}>
      <div className="flex flex-wrap items-center gap-1.5 px-3 py-1.5">
        <Button look={count === 0 ? 'main' : 'plain'} onClick={() => setImporting({ given: null })}>
          <FileUp size={16} aria-hidden /> Import runs
        </Button>
        {count === 0 ? (
          <p className="text-soft">
            No runs yet. Import a CSV, drop it here, type the first label in the row below, or take them over from the
            wishes of the survey.
          </p>
        ) : (
          <>
            <input
              type="search"
              aria-label="Show only runs with"
              placeholder="Show only …"
              className={`${pickLook} w-36`}
              value={view.text}
              onChange={(event) => setView({ ...view, text: event.target.value })}
            />
            <select
              aria-label="Which runs"
              className={pickLook}
              value={view.filter}
              onChange={(event) => setView({ ...view, filter: event.target.value as View['filter'] })}
            >
              {RUN_FILTERS.map((filter) => (
                <option key={filter} value={filter}>
                  {filter === 'all' ? 'all runs' : filter}
                </option>
              ))}
            </select>
            <select
              aria-label="Group by"
              className={pickLook}
              value={view.group}
              onChange={(event) => setView({ ...view, group: event.target.value as View['group'] })}
            >
              {RUN_GROUPS.map((group) => (
                <option key={group} value={group}>
                  {group === 'none' ? 'not grouped' : `by ${group}`}
                </option>
              ))}
            </select>
            <select
              aria-label="Columns"
              className={pickLook}
              value={set}
              onChange={(event) => setSet(event.target.value as ColumnSet)}
            >
              {Object.entries(COLUMN_SETS).map(([id, { words }]) => (
                <option key={id} value={id}>
                  {words}
                </option>
              ))}
            </select>
            <output className="ml-auto text-soft" aria-live="polite">
              {shown === count ? counted(count, 'run') : `${grouped(shown)} of ${counted(count, 'run')}`}
            </output>
          </>
        )}
      </div>
      {there.size > 0 && <BulkBar chosen={there} onDone={() => setChosen(new Set())} />}
      <RunTable items={items} columns={columns} view={view} onSort={sort} chosen={there} onChoose={setChosen} />
      <RunFacts />
      {over && (
        <div className="pointer-events-none absolute inset-2 z-30 grid place-items-center rounded-md border-4 border-act border-dashed bg-sheet/90 font-bold text-xl">
          Drop the list of runs here
        </div>
      )}
      {importing && <ImportSheet given={importing.given} onClose={() => setImporting(null)} />}
    </div>
  );
}

/** What is computed of the run that is selected. */
function RunFacts() {
  const job = useSession((session) => session.job);
  const selected = useSession((session) => session.selectedRunId);
  const run = selected === null ? undefined : job.runs[selected];
  if (!run) return null;
  return (
    <dl
      aria-label={`Figures of ${run.label}`}
      className="narrow flex flex-wrap gap-x-4 border-t bg-sheet px-3 py-1 text-[13px]"
    >
      {runFacts(job, run, runCelsius(job, run)).map(({ name, value, source, reckoning }) => (
        <div key={name} className="flex gap-1.5">
          <dt className="text-soft">{name}</dt>
          <dd className="font-semibold">
            {value}
            {source && <span className="font-normal text-soft text-xs"> [{citeFor(source, job.rules)}]</span>}
            <Why of={name} reckoning={reckoning} />
          </dd>
        </div>
      ))}
    </dl>
  );
}
