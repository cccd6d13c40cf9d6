import { useEffect, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { startFiles } from '../session/fileQueue';
import { type WaitingHere as Here, waitingHere } from '../session/outbox';
import { filesHere } from '../session/waitingFiles';

const wordsOf = ({ waiting, aside }: Here): string =>
  [waiting > 0 ? `${counted(waiting, 'item')} waiting` : '', aside > 0 ? `${aside} set aside` : '']
    .filter(Boolean)
    .join(', ');

/** Jobs of which something waits on this device to be sent, or was set aside on it. Files go on their way from here. */
export function WaitingHere({ pathOf }: { pathOf: (jobId: string) => string }) {
  const [jobs, setJobs] = useState<Here[]>([]);
  useEffect(() => {
    const read = () => void waitingHere().then(setJobs, () => setJobs([]));
    startFiles();
    read();
    return filesHere.subscribe(read);
  }, []);
  if (jobs.length === 0) return null;
  return (
    <section aria-label="Waiting on this device" className="rounded-sm border-2 border-bite bg-sheet px-3 py-2">
      <h2 className="font-bold">Kept on this device, not on the server yet</h2>
      <ul>
        {jobs.map((job) => (
          <li key={job.jobId} className="flex flex-wrap gap-x-2">
            <a className="break-words font-semibold underline" href={pathOf(job.jobId)}>
              {job.name || 'A job'}
            </a>
            <span>{wordsOf(job)}</span>
          </li>
        ))}
      </ul>
      <p className="text-[13px] text-soft">
        {jobs.some(({ waiting }) => waiting > 0) &&
          'Photos and files upload from this page. Changes upload when you open the job. '}
        {jobs.some(({ aside }) => aside > 0) && 'Open the job to review what was set aside.'}
      </p>
    </section>
  );
}
