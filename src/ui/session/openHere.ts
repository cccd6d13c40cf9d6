import { JobAtAnswer, OpenJob } from '@/core/exchange/wire/wire';
import type { Actor } from '@/core/job/document/step';
import { actorHere, memberHere } from './actor';
import { createSession } from './createSession';
import { CannotBeDone, Unwell } from './faults';
import { startFiles } from './fileQueue';
import { createLookBack } from './looking';
import { hearWord } from './meeting';
import { type Outbox, openOutbox, passingOutbox } from './outbox';
import { renewing } from './renewing';
import type { Notice, SessionStore } from './session';
import { askServer } from './wireClient';

export type Opened = { session: SessionStore; jobId: string; close: () => void };

/** Milliseconds after a change until the job is kept here anew: all of it is written each time. */
const KEEP_AFTER_MS = 4000;

/** Keep the job here as the server confirmed it last, so that it opens without a network. */
function keepConfirmed(
  session: SessionStore,
  keep: (opened: Parameters<ReturnType<typeof passingOutbox>['keepJob']>[0]) => Promise<void>,
) {
  let timer: ReturnType<typeof setTimeout> | null = null;
  let kept: unknown = null;
  const write = () => {
    timer = null;
    const { confirmed, reversals } = session.getState();
    if (kept === confirmed) return;
    kept = confirmed;
    void keep({ ...confirmed, reversals }).catch(() => undefined);
  };
  const late = () => {
    timer ??= setTimeout(write, KEEP_AFTER_MS);
  };
  late();
  const stop = session.subscribe((now, before) => {
    if (now.confirmed !== before.confirmed) late();
  });
  window.addEventListener('pagehide', write);
  return () => {
    stop();
    window.removeEventListener('pagehide', write);
    if (timer !== null) clearTimeout(timer);
    write();
  };
}

/** Open a job: from the server, or from what is kept here when there is no way to it. @throws CannotBeDone */
async function fetchJob(jobId: string, outbox: Outbox, actor: Actor): Promise<{ opened: OpenJob; fromKept: boolean }> {
  try {
    const url = `/api/jobs/${jobId}?${new URLSearchParams({ actor: actor.id })}`;
    return { opened: await askServer(url, OpenJob, { longestMs: 8000 }), fromKept: false };
  } catch (fault) {
    // Who is signed out, or may not see it, is not shown what is kept here of it.
    if (fault instanceof CannotBeDone || (fault instanceof Unwell && fault.code === 'signed-out')) throw fault;
    const kept = await outbox.keptJob();
    if (!kept) throw fault;
    return { opened: kept.opened, fromKept: true };
  }
}

/**
 * Open a job in this window, with what still waits here to be sent.
 * @throws CannotBeDone where there is no such job, NoNetwork or Unwell where neither the server nor this browser has it
 */
export async function openHere(jobId: string, notify: (notice: Notice) => void): Promise<Opened> {
  const outbox = renewing(await openOutbox(jobId).catch(() => passingOutbox()));
  const [{ opened, fromKept }, waiting, aside] = await Promise.all([
    fetchJob(jobId, outbox, actorHere()),
    outbox.list(),
    outbox.listAside(),
  ]);
  const may = memberHere(jobId)?.may ?? 'edit';
  const session = createSession({ opened, outbox, waiting, aside, fromKept, actor: actorHere, notify, may });
  const stop = keepConfirmed(session, outbox.keepJob);
  const news = hearNews(session, jobId);
  startFiles();
  return {
    session,
    jobId,
    close: () => {
      news();
      stop();
      outbox.close();
    },
  };
}

/** Open a job as it was at a revision, to look at. @throws as `openHere` */
export async function openPast(jobId: string, revision: number, notify: (notice: Notice) => void): Promise<Opened> {
  const { job } = await askServer(`/api/jobs/${jobId}/at/${revision}`, JobAtAnswer);
  return { session: createLookBack(job, revision, `/jobs/${jobId}/at/${revision}`, notify), jobId, close: () => {} };
}

/** A line that says nothing for so long is none: the server says something twice in this time. */
const SILENT_MS = 60_000;
/** A server that does not want us to listen now is asked again after so long. */
const REFUSED_MS = 10_000;

/** Hear of what other windows do. */
function hearNews(session: SessionStore, jobId: string): () => void {
  let events: EventSource | null = null;
  let wasOpen = false;
  let silent: ReturnType<typeof setTimeout> | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  /** Nobody knows how it stands: what we ask then either arrives, or says that there is no way. */
  const broken = () => {
    session.getState().lost(true);
    session.getState().heard('gap');
  };
  const lives = () => {
    clearTimeout(silent);
    silent = setTimeout(() => {
      broken();
      attend();
    }, SILENT_MS);
  };
  // A browser keeps six connections to a server for all its windows, so only those in view listen.
  const attend = () => {
    events?.close();
    events = null;
    clearTimeout(silent);
    clearTimeout(again);
    if (document.visibilityState === 'hidden') return;
    events = new EventSource(`/api/jobs/${jobId}/events`);
    events.onmessage = ({ data }) => {
      lives();
      session.getState().heard(data === 'gap' ? 'gap' : Number(data));
    };
    events.addEventListener('beat', lives);
    events.addEventListener('meeting', ({ data }) => {
      lives();
      hearWord(jobId, data);
    });
    // The first thing it says is where the job stands. After a gap in the line that may be another history: we ask.
    events.onopen = () => {
      lives();
      session.getState().lost(false);
      session.getState().tryNow();
      if (wasOpen) session.getState().heard('gap');
      wasOpen = true;
    };
    events.onerror = () => {
      broken();
      // A browser comes back by itself to a line that broke, and never to one that it was refused.
      if (events?.readyState === EventSource.CLOSED) again = setTimeout(attend, REFUSED_MS);
    };
  };
  const online = () => {
    session.getState().tryNow();
    attend();
  };
  attend();
  document.addEventListener('visibilitychange', attend);
  window.addEventListener('online', online);
  window.addEventListener('offline', broken);
  return () => {
    events?.close();
    clearTimeout(silent);
    clearTimeout(again);
    document.removeEventListener('visibilitychange', attend);
    window.removeEventListener('online', online);
    window.removeEventListener('offline', broken);
  };
}
