import { useState } from 'react';
import { type PowerReport, powerReport } from '@/core/findings/stations/powerReport';
import type { Job } from '@/core/job/document/job';
import { useSession } from '../session/session';
import { todayHere } from '../session/today';

/** The job, what the station reckons of it, and the day it reckons by. */
export function usePower(): { job: Job; report: PowerReport; today: string } {
  const job = useSession((session) => session.job);
  const [today] = useState(todayHere);
  return { job, report: powerReport(job, today), today };
}
