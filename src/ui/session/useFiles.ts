import { useMemo } from 'react';
import { useStore } from 'zustand';
import type { WaitingFile } from './shelves';
import { type FileTrouble, filesHere } from './waitingFiles';

/** Files of a job that wait in this browser, and those that the server did not take. */
export function useFilesOf(jobId: string): {
  waiting: WaitingFile[];
  aside: WaitingFile[];
  trouble: FileTrouble | null;
} {
  const files = useStore(filesHere, (here) => here.files);
  const trouble = useStore(filesHere, (here) => here.trouble);
  return useMemo(() => {
    const mine = files.filter((file) => file.jobId === jobId);
    const waiting = mine.filter(({ why }) => why === null);
    return { waiting, aside: mine.filter(({ why }) => why !== null), trouble: waiting.length > 0 ? trouble : null };
  }, [files, trouble, jobId]);
}
