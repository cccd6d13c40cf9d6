import { createContext, useContext, useEffect, useRef, useState } from 'react';
import { JobAtAnswer } from '@/core/exchange/wire/wire';
import type { Job } from '@/core/job/document/job';
import { sealJob } from '@/core/job/document/sealJob';
import type { BuildPapers } from '@/core/trade/build/buildPapers';
import { cutoverOf } from '@/core/trade/build/buildPlan';
import { useAgainst } from '../kit/against';
import { CannotBeDone } from '../session/faults';
import { usePlannerThread } from '../session/plannerThread';
import { useSession } from '../session/session';
import { askServer } from '../session/wireClient';

export type Build = {
  job: Job;
  /** What stood before; null: nothing. Undefined while it is read. */
  today: Job | null | undefined;
  fault: string | null;
  papers: BuildPapers | null;
  /** It is being solved anew. */
  busy: boolean;
  again: () => void;
};

export const BuildContext = createContext<Build | null>(null);
export function useBuild(): Build {
  const build = useContext(BuildContext);
  if (!build) throw new Error('No build here.');
  return build;
}

/** The papers of the build. Only views that wait for them are shown inside it. */
export function usePapers(): BuildPapers {
  const { papers } = useBuild();
  if (!papers) throw new Error('No papers yet.');
  return papers;
}

const KEPT = 'good-shelf-today';

/** The job as it was at a revision, from the server, or from what this browser kept of it. A revision never changes. */
async function readToday(jobId: string, revision: number): Promise<Job> {
  const url = `/api/jobs/${jobId}/at/${revision}`;
  const kept = typeof caches === 'undefined' ? null : await caches.open(KEPT).catch(() => null);
  const there = await kept?.match(url).catch(() => undefined);
  if (there) {
    const read = JobAtAnswer.safeParse(await there.json().catch(() => null));
    if (read.success) return sealJob(read.data.job);
  }
  const { job } = await askServer(url, JobAtAnswer);
  await kept?.put(url, new Response(JSON.stringify({ job, revision }))).catch(() => undefined);
  return sealJob(job);
}

/** What is planned of the build: made in a worker, and anew whenever the job changes. */
export function useMakeBuild(): Build {
  const job = useSession((session) => session.job);
  const revision = cutoverOf(job).todayRevision;
  const [today, setToday] = useState<Job | null | undefined>(undefined);
  const [fault, setFault] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);
  const [papers, setPapers] = useState<BuildPapers | null>(null);
  const { busy, run } = usePlannerThread();
  const say = useAgainst((state) => state.say);
  const jobId = job.id;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another attempt reads it anew
  useEffect(() => {
    let here = true;
    setFault(null);
    setToday(revision === null ? null : undefined);
    if (revision === null) return;
    readToday(jobId, revision).then(
      (read) => here && setToday(read),
      (wrong: Error) =>
        here &&
        setFault(
          wrong instanceof CannotBeDone
            ? `${wrong.message} Choose at “From what, when” what stands today.`
            : `What stands today could not be read: ${wrong.message}`,
        ),
    );
    return () => {
      here = false;
    };
  }, [jobId, revision, attempt]);
  const latest = useRef(0);
  useEffect(() => {
    if (today === undefined) return;
    latest.current += 1;
    const mine = latest.current;
    void run((planner) => planner.build(today, job)).then((made) => {
      if (!made || mine !== latest.current) return;
      setPapers(made);
      say(job.id, made.findings);
    });
  }, [today, job, run, say]);
  return { job, today, fault, papers, busy, again: () => setAttempt((count) => count + 1) };
}
