'use client';

import { FilePlus2, FolderInput } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { toast } from 'sonner';
import type { JobListing } from '@/core/job/jobListing';
import { freeUnits } from '@/core/rack/units';
import { counted } from '@/core/text/counted';
import { CabinetDrawing } from '../drawing/CabinetDrawing';
import { Button } from '../kit/Button';
import { ThemeButton } from '../kit/theme';
import { postJson } from './postJson';

/** The list of jobs, each with a small drawing of its cabinet. */
export function JobsPage({ jobs }: { jobs: JobListing[] }) {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);

  const takeIn = async (chosen: File | undefined) => {
    if (!chosen) return;
    const answer = await postJson('/api/jobs/file', await chosen.text());
    if (!answer.ok) return void toast.error(answer.message, { duration: 15_000 });
    if (answer.value.renewed) toast.info('A job with this id was here already: this one came in as a job of its own.');
    router.push(`/jobs/${answer.value.id}/runs`);
  };
  const addDemo = async () => {
    const answer = await postJson('/api/jobs/demo', {});
    if (answer.ok) router.refresh();
    else toast.error(answer.message);
  };
  const remove = async (job: JobListing) => {
    await postJson(`/api/jobs/${job.id}/removed`, { removed: true });
    router.refresh();
    toast(`Removed ${job.name}`, {
      duration: 15_000,
      action: {
        label: 'Undo',
        onClick: () => void postJson(`/api/jobs/${job.id}/removed`, { removed: false }).then(() => router.refresh()),
      },
    });
  };

  return (
    <main className="mx-auto max-w-6xl px-5 py-6">
      <header className="flex flex-wrap items-end gap-3 border-strong border-b-2 pb-3">
        <div className="min-w-60 flex-1">
          <h1 className="wide font-extrabold text-3xl tracking-tight">Good Shelf</h1>
          <p className="text-soft">From a heap of labelled cables to a cabinet that is tidy and known port by port.</p>
        </div>
        <ThemeButton />
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          aria-label="Job file"
          tabIndex={-1}
          onChange={(event) => {
            void takeIn(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        <Button onClick={() => file.current?.click()}>
          <FolderInput size={16} aria-hidden /> Open a job file
        </Button>
        <Link
          href="/new"
          className="inline-flex min-h-8 items-center gap-1.5 rounded-[3px] border border-act bg-act px-2.5 py-1 font-semibold text-act-ink hover:brightness-110"
        >
          <FilePlus2 size={16} aria-hidden /> New job
        </Link>
      </header>
      {jobs.length === 0 ? (
        <div className="mt-10 grid max-w-md gap-4 text-lg">
          <p>No jobs yet. Start one with New job, open a job file, or look around in the demo first.</p>
          <div>
            <Button onClick={() => void addDemo()}>Put the demo in</Button>
          </div>
        </div>
      ) : (
        <ul className="mt-5 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
          {jobs.map((job) => (
            <JobCard key={job.id} job={job} onRemove={() => void remove(job)} />
          ))}
        </ul>
      )}
    </main>
  );
}

function JobCard({ job, onRemove }: { job: JobListing; onRemove: () => void }) {
  const [rack] = Object.values(job.cabinet.racks);
  const free = rack ? freeUnits(rack, Object.values(job.cabinet.placements), job.cabinet.gear).length : 0;
  return (
    <li className="flex gap-4 rounded-md border border-strong bg-sheet p-4">
      <CabinetDrawing job={job.cabinet} className="h-44 w-28 shrink-0" />
      <div className="flex min-w-0 flex-1 flex-col">
        <h2 className="wide font-bold text-lg leading-tight">
          <Link href={`/jobs/${job.id}/runs`} className="underline decoration-1 underline-offset-2 hover:decoration-2">
            {job.name}
          </Link>
        </h2>
        <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 text-soft">
          <dt>Runs</dt>
          <dd className="text-ink">{job.runs}</dd>
          <dt>Landed</dt>
          <dd className="text-ink">{job.landed}</dd>
          <dt>Patched</dt>
          <dd className="text-ink">{job.patched}</dd>
          {rack && (
            <>
              <dt>Cabinet</dt>
              <dd className="text-ink">
                {rack.units}U, {counted(free, 'unit')} free
              </dd>
            </>
          )}
        </dl>
        <div className="mt-auto flex items-center justify-between pt-2">
          <time className="text-soft text-xs" dateTime={job.updatedAt} suppressHydrationWarning>
            {new Date(job.updatedAt).toLocaleDateString(undefined, { dateStyle: 'medium' })}
          </time>
          <Button look="quiet" className="text-soft" onClick={onRemove} aria-label={`Remove ${job.name}`}>
            Remove
          </Button>
        </div>
      </div>
    </li>
  );
}
