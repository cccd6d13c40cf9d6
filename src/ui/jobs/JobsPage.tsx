'use client';

import { FilePlus2, FolderInput, Search } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { toast } from 'sonner';
import type { z } from 'zod';
import { careDates } from '@/core/care/careDates';
import { JOBS_A_PAGE, type JobListing, type JobPage, type RemovedJob } from '@/core/job/jobListing';
import { freeUnits } from '@/core/rack/units';
import { counted } from '@/core/text/counted';
import { Created, RemovedAnswer, TakenIn } from '@/core/wire/wire';
import { CabinetDrawing } from '../drawing/CabinetDrawing';
import { askServer } from '../job/wireClient';
import { Button } from '../kit/Button';
import { formatDay } from '../kit/dates';
import { ThemeButton } from '../kit/theme';
import { todayHere } from '../kit/today';

/** The list of jobs, each with a small drawing of its cabinet. */
export function JobsPage({ list, words, removed }: { list: JobPage; words: string; removed: RemovedJob[] }) {
  const { jobs, count } = list;
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);

  /** Ask the server; what goes wrong is said, and then nothing was done. */
  const ask = async <S extends z.ZodType>(url: string, schema: S, body: unknown): Promise<z.infer<S> | null> => {
    try {
      return await askServer(url, schema, { method: 'POST', body, longestMs: 120_000 });
    } catch (fault) {
      toast.error((fault as Error).message, { duration: 15_000 });
      return null;
    }
  };
  const takeIn = async (chosen: File | undefined) => {
    if (!chosen) return;
    const name = encodeURIComponent(chosen.name.replace(/\.[^.]*$/, ''));
    const bytes = new Uint8Array(await chosen.arrayBuffer());
    const taken = await ask(`/api/jobs/file?name=${name}`, TakenIn, bytes);
    if (!taken) return;
    if (taken.renewed) toast.info('A job with this id was here already: this one came in as a job of its own.');
    for (const note of taken.notes) toast.info(note, { duration: 15_000 });
    router.push(`/jobs/${taken.id}/runs`);
  };
  const addDemo = async () => {
    if (await ask('/api/jobs/demo', Created, {})) router.refresh();
  };
  const putBack = async ({ id }: Pick<JobListing, 'id'>) => {
    if (await ask(`/api/jobs/${id}/removed`, RemovedAnswer, { removed: false })) router.refresh();
  };
  const remove = async (job: JobListing) => {
    if (!(await ask(`/api/jobs/${job.id}/removed`, RemovedAnswer, { removed: true }))) return;
    router.refresh();
    toast(`Removed ${job.name}`, { duration: 15_000, action: { label: 'Undo', onClick: () => void putBack(job) } });
  };

  return (
    <main className="mx-auto max-w-6xl px-5 py-6">
      <header className="flex flex-wrap items-end gap-3 border-strong border-b-2 pb-3">
        <div className="min-w-60 flex-1">
          <h1 className="wide font-extrabold text-3xl tracking-tight">Good Shelf</h1>
          <p className="text-soft">From a heap of labelled cables to a cabinet that is tidy and known port by port.</p>
        </div>
        <Link href="/handbook" className="inline-flex min-h-8 items-center font-semibold underline">
          Handbook
        </Link>
        <ThemeButton />
        <input
          ref={file}
          type="file"
          accept=".json,.zip,.csv,application/json,application/zip,text/csv"
          className="sr-only"
          aria-label="Job file, pack or port map"
          tabIndex={-1}
          onChange={(event) => {
            void takeIn(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        <Button onClick={() => file.current?.click()}>
          <FolderInput size={16} aria-hidden /> Open a job or a pack
        </Button>
        <Link
          href="/new"
          className="inline-flex min-h-8 items-center gap-1.5 rounded-[3px] border border-act bg-act px-2.5 py-1 font-semibold text-act-ink hover:brightness-110"
        >
          <FilePlus2 size={16} aria-hidden /> New job
        </Link>
      </header>
      {(words !== '' || count > FEW) && <SearchJobs words={words} count={count} />}
      {jobs.length === 0 && words !== '' ? (
        <p className="mt-6 text-lg">
          No job has “{words}” in its name, in a run’s label, room, outlet or device, or in its gear.{' '}
          <Link href="/" className="underline">
            Show all jobs
          </Link>
        </p>
      ) : jobs.length === 0 ? (
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
      {list.pages > 1 && <Pages list={list} words={words} />}
      {removed.length > 0 && <Bin removed={removed} onPutBack={putBack} />}
    </main>
  );
}

/** So many are looked through at once without a search. */
const FEW = 4;

function SearchJobs({ words, count }: { words: string; count: number }) {
  return (
    <search>
      <form action="/" className="mt-4 flex flex-wrap items-center gap-2">
        <input
          key={words}
          type="search"
          name="words"
          defaultValue={words}
          maxLength={80}
          aria-label="Search all jobs"
          placeholder="Name, label, room or device"
          className="min-h-9 w-full max-w-md rounded-[3px] border border-strong bg-sheet px-2"
        />
        <Button type="submit">
          <Search size={16} aria-hidden /> Search
        </Button>
        <span role="status" className="text-soft">
          {words === '' ? counted(count, 'job') : `${counted(count, 'job')} with “${words}”`}
        </span>
        {words !== '' && (
          <Link href="/" className="inline-flex min-h-8 items-center underline">
            Show all
          </Link>
        )}
      </form>
    </search>
  );
}

function Pages({ list, words }: { list: JobPage; words: string }) {
  const { page, pages, count } = list;
  const to = (at: number) => `/?${new URLSearchParams({ ...(words === '' ? {} : { words }), page: String(at) })}`;
  const link = 'inline-flex min-h-8 items-center underline';
  return (
    <nav aria-label="Pages" className="mt-5 flex flex-wrap items-center gap-4 border-t pt-3">
      {page > 1 && (
        <Link href={to(page - 1)} className={link}>
          Jobs changed later
        </Link>
      )}
      <span className="text-soft">
        {(page - 1) * JOBS_A_PAGE + 1} to {Math.min(count, page * JOBS_A_PAGE)} of {count}
      </span>
      {page < pages && (
        <Link href={to(page + 1)} className={link}>
          Jobs changed earlier
        </Link>
      )}
    </nav>
  );
}

/** Removed jobs, kept until they are put back. */
function Bin({ removed, onPutBack }: { removed: RemovedJob[]; onPutBack: (job: RemovedJob) => Promise<void> }) {
  return (
    <details className="mt-8 border-t pt-3">
      <summary className="cursor-pointer font-semibold">{counted(removed.length, 'removed job')}</summary>
      <ul className="mt-2 max-w-2xl">
        {removed.map((job) => (
          <li key={job.id} className="flex items-center gap-3 border-b py-1">
            <span className="min-w-0 flex-1 break-words">{job.name}</span>
            <Button onClick={() => void onPutBack(job)} aria-label={`Put ${job.name} back`}>
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

function JobCard({ job, onRemove }: { job: JobListing; onRemove: () => void }) {
  const [rack] = Object.values(job.cabinet.racks);
  const overdue = careDates(job.cabinet, todayHere()).filter((one) => one.overdue);
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
        {job.hit && (
          <p className="mt-1 text-[13px]">
            {'run' in job.hit ? (
              <>
                Run <span className="font-mono">{job.hit.run}</span>
                {job.hit.at.length > 0 && `: ${job.hit.at.join(', ')}`}
              </>
            ) : (
              `Gear: ${job.hit.gear}`
            )}
          </p>
        )}
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
          {overdue.length > 0 && (
            <>
              <dt className="font-bold text-wont">Overdue</dt>
              <dd className="text-ink" suppressHydrationWarning>
                {overdue[0]?.what}
                {overdue.length > 1 && `, and ${overdue.length - 1} more`}
              </dd>
            </>
          )}
        </dl>
        <div className="mt-auto flex items-center justify-between pt-2">
          <time className="text-soft text-xs" dateTime={job.updatedAt} suppressHydrationWarning>
            {formatDay(job.updatedAt, job.cabinet.rules)}
          </time>
          <Button look="quiet" className="text-soft" onClick={onRemove} aria-label={`Remove ${job.name}`}>
            Remove
          </Button>
        </div>
      </div>
    </li>
  );
}
