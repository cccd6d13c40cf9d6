'use client';

import { useEffect } from 'react';
import { counted } from '@/core/base/text/counted';
import { tripNow } from '@/core/findings/stations/powerReport';
import { partName, partOfKey } from '@/core/trade/power/dependencies/parts';
import { Button } from '../kit/Button';
import { JobLink } from '../kit/JobLink';
import { useJobPath } from '../kit/jobPath';
import { useTripped } from '../kit/tripped';
import { useSession } from '../session/session';
import { todayHere } from '../session/today';

/** In every station while something is tripped: what it is, what that leaves, and the way back. */
export function TrippedBar() {
  const job = useSession((session) => session.job);
  const { jobId, failed, fail, show } = useTripped();
  const { base } = useJobPath();
  const parts = jobId === job.id ? failed.flatMap((key) => partOfKey(key) ?? []) : [];
  const made = parts.length > 0 ? tripNow(job, parts, todayHere()) : null;
  useEffect(() => {
    show(new Set(made?.darkNow), new Set(made?.cutNow));
  }, [made, show]);
  if (!made) return null;
  return (
    <p
      className="flex flex-wrap items-center gap-x-3 border-wont border-b-2 bg-sheet px-3 py-1 text-[13px]"
      role="status"
    >
      <span className="flex-1">
        <b className="text-wont">Tried out: without {parts.map((part) => partName(job, part)).join(' and ')}.</b>{' '}
        {counted(made.darkNow.length, 'device')} dark, {counted(made.cutNow.length, 'run')} cut; marked ✕ in the
        cabinet, on the loom and on the plan.
      </span>
      <JobLink href={`${base}/power/trip`} className="font-semibold underline underline-offset-2">
        Trip it
      </JobLink>
      <Button onClick={() => fail(job.id, [])}>All back</Button>
    </p>
  );
}
