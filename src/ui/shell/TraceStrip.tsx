'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import { STATION_NAMES } from '@/core/job/records/stationIds';
import { traceParts, traceRun } from '@/core/trade/trace/traceRun';
import { Button } from '../kit/Button';
import { JobLink } from '../kit/JobLink';
import { NetworkMark } from '../kit/NetworkMark';
import { useSession } from '../session/session';

/** The path of the selected run from end to end, in words. Each part leads to where it can be changed. */
export function TraceStrip() {
  const job = useSession((session) => session.job);
  const selected = useSession((session) => session.selectedRunId);
  const pointed = useSession((session) => session.pointedRunId);
  const run = job.runs[pointed ?? ''] ?? job.runs[selected ?? ''];
  return (
    <section
      aria-label="Trace"
      data-testid="trace"
      className="sticky bottom-0 z-20 flex min-h-[58px] items-stretch gap-2 border-ink border-t-2 bg-sheet px-3 py-1.5"
    >
      {run ? (
        <>
          <GroupSteps />
          <TraceParts job={job} run={run} />
        </>
      ) : (
        <p className="self-center text-soft">
          <span className="pointer-coarse:hidden">
            Point at a run, or press{' '}
            <kbd className="rounded border border-strong bg-face px-1 font-mono text-ink">/</kbd> to find one: its whole
            path is spelled out here.
          </span>
          <span className="hidden pointer-coarse:inline">Tap a run, or Find: its whole path is spelled out here.</span>
        </p>
      )}
    </section>
  );
}

function TraceParts({ job, run }: { job: Parameters<typeof traceRun>[0]; run: Parameters<typeof traceRun>[1] }) {
  const base = useSession((session) => session.base);
  const trace = traceRun(job, run);
  return (
    <ol className="grid flex-1 grid-cols-2 gap-x-3 gap-y-1 sm:grid-cols-4 lg:flex lg:items-stretch lg:gap-0">
      {traceParts(job, trace).map(({ kind, words, missing, station }, at) => (
        <li key={kind} className="flex min-w-0 items-stretch lg:flex-auto">
          {at > 0 && (
            <span aria-hidden className="mr-2 hidden w-3 shrink-0 items-center lg:flex">
              <span className={`h-0 w-full border-t-[3px] ${missing ? 'border-rule border-dotted' : 'border-trace'}`} />
            </span>
          )}
          <JobLink
            href={`${base}/${station}`}
            className="min-w-0 rounded-sm pr-2 hover:underline"
            title={`Change it at ${STATION_NAMES[station]}`}
          >
            <span className="narrow block text-[11px] text-soft leading-tight">{kind}</span>
            <span
              className={`narrow line-clamp-2 text-[13px] leading-tight ${missing ? 'text-soft italic' : 'font-semibold'}`}
            >
              {kind === 'Network' && trace.network && <NetworkMark network={trace.network} />} {words}
            </span>
          </JobLink>
        </li>
      ))}
    </ol>
  );
}

function GroupSteps() {
  const group = useSession((session) => session.group);
  const selected = useSession((session) => session.selectedRunId);
  const select = useSession((session) => session.select);
  if (!group) return null;
  const at = Math.max(0, group.runIds.indexOf(selected ?? ''));
  const go = (step: number) => select(group.runIds[(at + step + group.runIds.length) % group.runIds.length] ?? null);
  return (
    <div className="flex shrink-0 flex-col justify-center border-r pr-2">
      <span className="narrow max-w-28 truncate font-semibold text-xs">{group.words}</span>
      <span className="flex items-center gap-1">
        <Button look="quiet" className="min-h-6 px-0.5 py-0" aria-label="Previous run" onClick={() => go(-1)}>
          <ChevronLeft size={16} aria-hidden />
        </Button>
        <span className="font-mono text-xs">
          {at + 1}/{group.runIds.length}
        </span>
        <Button look="quiet" className="min-h-6 px-0.5 py-0" aria-label="Next run" onClick={() => go(1)}>
          <ChevronRight size={16} aria-hidden />
        </Button>
      </span>
    </div>
  );
}
