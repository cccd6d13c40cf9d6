'use client';

import { usePathname } from 'next/navigation';
import { type ReactNode, useEffect, useState } from 'react';
import { toast } from 'sonner';
import { indexJob, sameKey } from '@/core/job/jobIndex';
import { STATIONS, type StationId } from '@/core/stations';
import { Announcer } from '../kit/useAnnounce';
import { Docket } from './Docket';
import { FindDialog } from './FindDialog';
import { JobHeader } from './JobHeader';
import { KeysSheet } from './KeysSheet';
import { createSession, type Notice, SessionContext, type SessionStore } from './session';
import { TraceStrip } from './TraceStrip';
import { useJobKeys } from './useJobKeys';

const notify = ({ tone, words }: Notice) => {
  if (tone === 'done') toast.success(words, { duration: 3000 });
  else toast.error(words, { duration: 9000 });
};

/** A job in its room: the job line above, a station, the docket at its right, the trace strip below. */
export function JobRoom({ opened, children }: { opened: Parameters<typeof createSession>[0]; children: ReactNode }) {
  const [session] = useState(() => createSession(opened, notify));
  const [finding, setFinding] = useState(false);
  const [keys, setKeys] = useState(false);
  const pathname = usePathname();
  const station = STATIONS.find((id) => id === pathname.split('/')[3]) ?? 'runs';
  useServerNews(session, opened.job.id);
  // A code on a label leads here: the run it names is traced.
  useEffect(() => {
    const label = new URLSearchParams(window.location.search).get('trace');
    const run = label === null ? undefined : indexJob(session.getState().job).runByLabel.get(sameKey(label));
    if (run) session.getState().select(run.id);
  }, [session]);
  useJobKeys(session, opened.job.id, { find: () => setFinding(true), keys: () => setKeys(true) });

  return (
    <SessionContext value={session}>
      <Announcer>
        <div className="flex min-h-dvh flex-col md:h-dvh">
          <JobHeader station={station} onFind={() => setFinding(true)} onKeys={() => setKeys(true)} />
          <div className="flex min-h-0 flex-1 flex-col md:flex-row">
            <main className="flex min-h-0 min-w-0 flex-1 flex-col">{children}</main>
            <Docket station={station as StationId} />
          </div>
          <TraceStrip />
        </div>
        <FindDialog open={finding} onOpenChange={setFinding} />
        <KeysSheet open={keys} onClose={() => setKeys(false)} station={station} />
      </Announcer>
    </SessionContext>
  );
}

/** Hear of what other windows do, and warn before the page goes while steps are still on their way. */
function useServerNews(session: SessionStore, jobId: string) {
  useEffect(() => {
    let events: EventSource | null = null;
    // A browser keeps six connections to a server for all its windows, so only those in view listen.
    const attend = () => {
      events?.close();
      events = null;
      if (document.visibilityState === 'hidden') return;
      events = new EventSource(`/api/jobs/${jobId}/events`);
      events.onmessage = (event) => session.getState().heard(Number(event.data));
      // After a gap in the line something may have been missed: asking costs little.
      events.onopen = () => {
        const { confirmed, heard } = session.getState();
        void fetch(`/api/jobs/${jobId}/changes?since=${confirmed.revision}`)
          .then((answer) => answer.json())
          .then(({ missed }) => missed.length > 0 && heard(missed.at(-1).revision))
          .catch(() => {});
      };
    };
    attend();
    document.addEventListener('visibilitychange', attend);
    const leaving = (event: BeforeUnloadEvent) => {
      if (session.getState().pending.length > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', leaving);
    return () => {
      events?.close();
      document.removeEventListener('visibilitychange', attend);
      window.removeEventListener('beforeunload', leaving);
    };
  }, [session, jobId]);
}
