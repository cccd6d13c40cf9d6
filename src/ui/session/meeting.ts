import { useEffect } from 'react';
import { create } from 'zustand';
import { Meeting, Said } from '@/core/exchange/wire/meeting';
import { actorHere } from './actor';
import { askServer } from './wireClient';

/** This window, for as long as it is open. */
const HERE = crypto.randomUUID();
const AGAIN_MS = 25_000;
/** Who said nothing for so long is not there any more. */
const GONE_MS = 60_000;

type Other = Meeting & { heardAt: number };
type Meetings = {
  jobId: string;
  /** Others at the same job now, by window. */
  others: Readonly<Record<string, Other>>;
  /** The last word of a partner that is more than being here. */
  last: Other | null;
};
export const useMeetings = create<Meetings>(() => ({ jobId: '', others: {}, last: null }));

/** A word came in, of this job. */
export function hearWord(jobId: string, text: string): void {
  const read = Meeting.safeParse(JSON.parse(text));
  if (!read.success || read.data.id === HERE) return;
  const word = { ...read.data, heardAt: Date.now() };
  useMeetings.setState((state) => {
    const before = state.jobId === jobId ? state.others : {};
    const live = Object.entries(before).filter(([id, one]) => id !== word.id && word.heardAt - one.heardAt < GONE_MS);
    const others = Object.fromEntries(word.mark === 'gone' ? live : [...live, [word.id, word]]);
    return { jobId, others, last: word.mark === 'here' || word.mark === 'gone' ? state.last : word };
  });
}

/** Say a word to the others. What does not arrive is not said again: it is of this moment. @returns whether it arrived */
export async function sayWord(jobId: string, word: Omit<Meeting, 'id' | 'name'>): Promise<boolean> {
  try {
    const body: Meeting = { id: HERE, name: actorHere().name, ...word };
    await askServer(`/api/jobs/${jobId}/meeting`, Said, { method: 'POST', body, longestMs: 4000 });
    return true;
  } catch {
    return false;
  }
}

/** Be there: say so now and again while the window is in view, and once more when it goes. */
export function usePresence(jobId: string, about: Pick<Meeting, 'place' | 'code' | 'end'>): void {
  const { place, code, end } = about;
  useEffect(() => {
    const word = { place, code, end, runId: null };
    const here = () => {
      if (document.visibilityState === 'visible') void sayWord(jobId, { ...word, mark: 'here' });
    };
    // What is looked at in passing is not told.
    const first = setTimeout(here, 1500);
    const timer = setInterval(here, AGAIN_MS);
    const gone = () => void sayWord(jobId, { ...word, mark: 'gone' });
    window.addEventListener('pagehide', gone);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
      window.removeEventListener('pagehide', gone);
    };
  }, [jobId, place, code, end]);
}
