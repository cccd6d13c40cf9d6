import { FilePlus2, FolderInput, Search } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type FormEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import type { z } from 'zod';
import { counted } from '@/core/base/text/counted';
import { Created, type ListAnswer, RemovedAnswer, TakenIn } from '@/core/exchange/wire/jobList';
import {
  BIN_DAYS,
  JOB_STATE_WORDS,
  JOB_STATES,
  JOBS_A_PAGE,
  type JobListing,
  type JobPage,
  type JobsAsked,
  type RemovedJob,
} from '@/core/job/document/jobListing';
import { CabinetSketch } from '../drawing/CabinetSketch';
import { Button } from '../kit/Button';
import { formatDay } from '../kit/dates';
import { later } from '../kit/later';
import { ThemeButton } from '../kit/theme';
import { toast } from '../session/toast';
import { todayHere } from '../session/today';
import { askServer } from '../session/wireClient';

const WaitingHere = later(() => import('../kit/WaitingHere').then((module) => module.WaitingHere));
const CopySheet = later(() => import('./CopySheet').then((module) => module.CopySheet));

/** The list of jobs, each with a small drawing of its cabinet. */
export function JobsPage({
  answer: { list, removed, me, mayStart },
  asked,
  busy,
  reload,
}: {
  answer: ListAnswer;
  /** What it was asked by. */
  asked: JobsAsked;
  /** Something else is asked now. */
  busy: boolean;
  reload: () => void;
}) {
  const { words } = asked;
  const narrowed = words !== '' || asked.state !== '' || asked.since !== '' || asked.overdue !== '';
  const [copying, setCopying] = useState<JobListing | null>(null);
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
    if (taken.jobs) toast.success(`${counted(taken.jobs, 'job')} came in.`);
    if (taken.renewed) toast.info('A job with this id was here already: this one came in as a job of its own.');
    for (const note of taken.notes) toast.info(note, { duration: 15_000 });
    if (taken.jobs) reload();
    else router.push(`/jobs/${taken.id}/runs`);
  };
  const addDemo = async () => {
    if (await ask('/api/jobs/demo', Created, {})) reload();
  };
  const putBack = async ({ id }: Pick<JobListing, 'id'>) => {
    if (await ask(`/api/jobs/${id}/removed`, RemovedAnswer, { removed: false })) reload();
  };
  const remove = async (job: JobListing) => {
    if (!(await ask(`/api/jobs/${job.id}/removed`, RemovedAnswer, { removed: true }))) return;
    reload();
    toast(`Removed ${job.name}`, { duration: 15_000, action: { label: 'Undo', onClick: () => void putBack(job) } });
  };

  return (
    <main className="mx-auto max-w-6xl px-5 py-6" aria-busy={busy}>
      <header className="flex flex-wrap items-end gap-3 border-strong border-b-2 pb-3">
        <div className="min-w-60 flex-1">
          <h1 className="wide font-extrabold text-3xl tracking-tight">Good Shelf</h1>
          <p className="text-soft">From a heap of labelled cables to a cabinet that is tidy and known port by port.</p>
        </div>
        <Link href="/handbook" className={TOP_LINK}>
          Handbook
        </Link>
        {me?.owner && (
          <Link href="/firm" className={TOP_LINK}>
            Firm
          </Link>
        )}
        {me && (
          <Link href="/account" className={TOP_LINK}>
            {me.name}
          </Link>
        )}
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
        {mayStart && (
          <>
            <Button onClick={() => file.current?.click()}>
              <FolderInput size={16} aria-hidden /> Open a job or a pack
            </Button>
            <Link
              href="/new"
              className="inline-flex min-h-8 items-center gap-1.5 rounded-[3px] border border-act bg-act px-2.5 py-1 max-sm:min-h-11 font-semibold text-act-ink hover:brightness-110"
            >
              <FilePlus2 size={16} aria-hidden /> New job
            </Link>
          </>
        )}
      </header>
      <div className="mt-4 empty:hidden">
        <WaitingHere pathOf={(jobId) => `/jobs/${jobId}/runs`} />
      </div>
      {(narrowed || count > FEW) && <SearchJobs asked={asked} narrowed={narrowed} count={count} />}
      {jobs.length === 0 && narrowed ? (
        <p className="mt-6 text-lg">
          {words === ''
            ? 'No job is so. '
            : `No job has “${words}” in its name, its client’s, in a run’s label, room, outlet or device, or in its gear${narrowed && (asked.state || asked.since || asked.overdue) ? ', and is so' : ''}. `}
          <ListLink query="" className="underline">
            Show all jobs
          </ListLink>
        </p>
      ) : jobs.length === 0 ? (
        <div className="mt-10 grid max-w-md gap-4 text-lg">
          <p>No jobs yet. Start one with New job, open a job file, or look around in the demo first.</p>
          {mayStart && (
            <div>
              <Button onClick={() => void addDemo()}>Put the demo in</Button>
            </div>
          )}
        </div>
      ) : (
        <ul className="mt-5 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
          {jobs.map((job) => (
            <JobCard
              key={job.id}
              job={job}
              onRemove={mayStart ? () => void remove(job) : null}
              onCopy={mayStart ? () => setCopying(job) : null}
            />
          ))}
        </ul>
      )}
      {list.pages > 1 && <Pages list={list} asked={asked} />}
      {removed.length > 0 && mayStart && <Bin removed={removed} onPutBack={putBack} />}
      {jobs.length > 0 && (me === null || me.owner) && (
        <p className="mt-6 text-[13px] text-soft">
          <a href="/api/archive" download className="inline-flex min-h-8 items-center underline max-sm:min-h-11">
            All jobs as one archive
          </a>{' '}
          to keep, or to open at another place. Photographs and testers’ files are in each job’s pack.
        </p>
      )}
      {copying && <CopySheet job={copying} onClose={() => setCopying(null)} />}
    </main>
  );
}

const TOP_LINK = 'inline-flex min-h-8 items-center font-semibold underline max-sm:min-h-11';

/** What is asked of the list as the address says it, without what is not asked. */
const queryOf = (asked: Iterable<[string, unknown]>): string =>
  new URLSearchParams([...asked].flatMap(([name, value]) => (value === '' ? [] : [[name, String(value)]]))).toString();

/** Ask the list something else: the address says what, and the way back leads to what was asked before. */
const show = (query: string) => window.history.pushState(null, '', query === '' ? '/' : `/?${query}`);

/** A link to the list, asked something else. */
const ListLink = ({ query, children, className }: { query: string; children: ReactNode; className: string }) => (
  <a
    href={query === '' ? '/' : `/?${query}`}
    className={className}
    onClick={(event) => {
      // A window of its own is the browser's business.
      if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
      event.preventDefault();
      show(query);
      window.scrollTo({ top: 0 });
    }}
  >
    {children}
  </a>
);

/** So many are looked through at once without a search. */
const FEW = 4;

function SearchJobs({ asked, narrowed, count }: { asked: JobsAsked; narrowed: boolean; count: number }) {
  const { words, state, since, overdue } = asked;
  const form = useRef<HTMLFormElement>(null);
  // Shows what is asked, also after a way back; the fields stay, and one stays in them.
  useEffect(() => {
    for (const [name, value] of Object.entries({ words, state, since, overdue })) {
      const field = form.current?.elements.namedItem(name);
      if (field instanceof HTMLInputElement && field.type === 'checkbox') field.checked = value !== '';
      else if (field instanceof HTMLInputElement || field instanceof HTMLSelectElement) field.value = value;
    }
  }, [words, state, since, overdue]);
  const search = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    show(queryOf(new FormData(event.currentTarget)));
  };
  const box = 'min-h-9 rounded-[3px] border border-strong bg-sheet px-2 max-sm:min-h-11';
  return (
    <search>
      <form ref={form} action="/" onSubmit={search} className="mt-4 flex flex-wrap items-center gap-2">
        <input
          type="search"
          name="words"
          defaultValue={words}
          maxLength={80}
          aria-label="Search all jobs"
          placeholder="Name, client, label, room or device"
          className={`${box} w-full max-w-md`}
        />
        <select name="state" defaultValue={state} aria-label="How far it has come" className={box}>
          <option value="">However far</option>
          {JOB_STATES.map((one) => (
            <option key={one} value={one}>
              {JOB_STATE_WORDS[one]}
            </option>
          ))}
        </select>
        <label className="inline-flex items-center gap-1.5">
          Changed since
          <input type="date" name="since" defaultValue={since} className={box} />
        </label>
        <label className="inline-flex min-h-9 items-center gap-1.5 max-sm:min-h-11">
          <input
            type="checkbox"
            name="overdue"
            value="1"
            defaultChecked={overdue === '1'}
            className="size-4 accent-act"
          />
          Something overdue
        </label>
        <Button type="submit" className="min-h-9 max-sm:min-h-11">
          <Search size={16} aria-hidden /> Search
        </Button>
        <span role="status" className="text-soft">
          {words === '' ? counted(count, 'job') : `${counted(count, 'job')} with “${words}”`}
        </span>
        {narrowed && (
          <ListLink query="" className="inline-flex min-h-8 items-center underline max-sm:min-h-11">
            Show all
          </ListLink>
        )}
      </form>
    </search>
  );
}

function Pages({ list, asked }: { list: JobPage; asked: JobsAsked }) {
  const { page, pages, count } = list;
  const to = (at: number) => queryOf(Object.entries({ ...asked, page: at > 1 ? String(at) : '' }));
  const link = 'inline-flex min-h-8 items-center underline';
  return (
    <nav aria-label="Pages" className="mt-5 flex flex-wrap items-center gap-4 border-t pt-3">
      {page > 1 && (
        <ListLink query={to(page - 1)} className={link}>
          Jobs changed later
        </ListLink>
      )}
      <span className="text-soft">
        {(page - 1) * JOBS_A_PAGE + 1} to {Math.min(count, page * JOBS_A_PAGE)} of {count}
      </span>
      {page < pages && (
        <ListLink query={to(page + 1)} className={link}>
          Jobs changed earlier
        </ListLink>
      )}
    </nav>
  );
}

/** Removed jobs, kept for a while. */
function Bin({ removed, onPutBack }: { removed: RemovedJob[]; onPutBack: (job: RemovedJob) => Promise<void> }) {
  return (
    <details className="mt-8 border-t pt-3">
      <summary className="cursor-pointer font-semibold">{counted(removed.length, 'removed job')}</summary>
      <p className="text-[13px] text-soft">Gone for good {BIN_DAYS} days after they were removed.</p>
      <ul className="mt-2 max-w-2xl">
        {removed.map((job) => (
          <li key={job.id} className="flex items-center gap-3 border-b py-1">
            <span className="min-w-0 flex-1 break-words">
              {job.name} <span className="text-[13px] text-soft">removed {job.removedAt.slice(0, 10)}</span>
            </span>
            <Button onClick={() => void onPutBack(job)} aria-label={`Put ${job.name} back`}>
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

function JobCard({
  job,
  onRemove,
  onCopy,
}: {
  job: JobListing;
  onRemove: (() => void) | null;
  onCopy: (() => void) | null;
}) {
  const { rack } = job;
  const today = todayHere();
  const overdue = job.due.filter(({ due }) => due < today);
  return (
    <li className="flex gap-4 rounded-md border border-strong bg-sheet p-4">
      <span className="h-44 w-28 shrink-0">{rack && <CabinetSketch sketch={rack.sketch} className="h-44 w-28" />}</span>
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
            ) : 'client' in job.hit ? (
              `Client: ${job.hit.client}`
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
          <dt>So far</dt>
          <dd className="text-ink">{job.state}</dd>
          {rack && (
            <>
              <dt>Cabinet</dt>
              <dd className="text-ink">
                {rack.sketch.units}U, {counted(rack.free, 'unit')} free
              </dd>
            </>
          )}
          {overdue.length > 0 && (
            <>
              <dt className="font-bold text-wont">Overdue</dt>
              <dd className="text-ink">
                {overdue[0]?.what}
                {overdue.length > 1 && `, and ${overdue.length - 1} more`}
              </dd>
            </>
          )}
        </dl>
        <div className="mt-auto flex items-center justify-between pt-2">
          <a
            href={`/jobs/${job.id}/rack`}
            className="inline-flex min-h-11 items-center font-semibold underline sm:hidden"
            aria-label={`${job.name}, at the rack`}
          >
            At the rack
          </a>
          <time className="text-soft text-xs max-sm:hidden" dateTime={job.updatedAt}>
            {formatDay(job.updatedAt, job.rules)}
          </time>
          <span className="flex">
            {onCopy && (
              <Button look="quiet" className="text-soft" onClick={onCopy} aria-label={`Copy ${job.name}`}>
                Copy
              </Button>
            )}
            {onRemove && (
              <Button look="quiet" className="text-soft" onClick={onRemove} aria-label={`Remove ${job.name}`}>
                Remove
              </Button>
            )}
          </span>
        </div>
      </div>
    </li>
  );
}
