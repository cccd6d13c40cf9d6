import { ChevronLeft, ChevronRight, ChevronsLeft, ChevronsRight } from 'lucide-react';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { ACTION_WORDS } from '@/core/base/text/actionWords';
import { formatMinutes } from '@/core/base/units/minutes';
import { besideCordsOf, patchCordsOf } from '@/core/job/document/cordKinds';
import { jobAfter } from '@/core/trade/build/play';
import { CabinetDrawing } from '../drawing/CabinetDrawing';
import { Button } from '../kit/Button';
import { Heading, Scroll } from '../kit/viewParts';
import { usePapers } from './useBuild';
import { darkList, oneDigit } from './words';

/** What was touched last. */
const TOUCHED = { letter: '◂', ink: 'var(--trace)', dash: '' } as const;

/** The cabinet step by step: what stands, what is set aside, which cords hang, what is dark. */
export function PlayView() {
  const { plan } = usePapers();
  const { planned, present } = plan;
  const [wanted, setWanted] = useState(0);
  const count = Math.min(wanted, planned.length);
  const job = useMemo(() => jobAfter(present, planned, count), [present, planned, count]);
  const last = planned[count - 1];
  const next = planned[count];
  const go = (to: number) => setWanted(Math.max(0, Math.min(planned.length, to)));
  const press = (event: KeyboardEvent) => {
    const to = { ArrowLeft: count - 1, ArrowRight: count + 1, Home: 0, End: planned.length }[event.key];
    if (to === undefined || event.target instanceof HTMLInputElement) return;
    event.preventDefault();
    go(to);
  };
  const spent = planned.slice(0, count).reduce((sum, { minutes }) => sum + minutes, 0);
  const byId = new Map(planned.map(({ entry }) => [entry.step.id, entry.step]));
  const touched = last?.entry.step.gearId ?? null;
  return (
    <Scroll label="Play">
      {/* biome-ignore lint/a11y/noStaticElementInteractions: arrows go from step to step, its buttons do the same */}
      <div className="grid gap-3" onKeyDown={press}>
        <div className="flex flex-wrap items-center gap-2">
          <Button aria-label="To the beginning" onClick={() => go(0)} disabled={count === 0}>
            <ChevronsLeft size={16} aria-hidden />
          </Button>
          <Button onClick={() => go(count - 1)} disabled={count === 0}>
            <ChevronLeft size={16} aria-hidden /> Back
          </Button>
          <Button look="main" onClick={() => go(count + 1)} disabled={count === planned.length}>
            On <ChevronRight size={16} aria-hidden />
          </Button>
          <Button aria-label="To the end" onClick={() => go(planned.length)} disabled={count === planned.length}>
            <ChevronsRight size={16} aria-hidden />
          </Button>
          <input
            type="range"
            aria-label="Step"
            min={0}
            max={planned.length}
            value={count}
            onChange={(event) => go(Number(event.target.value))}
            className="min-w-40 flex-1 accent-act"
          />
          <span className="font-mono text-[13px]">
            {count} of {planned.length} · {formatMinutes(spent)}
          </span>
        </div>
        <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <section aria-label="Cabinet at this stage" className="grid content-start gap-3">
            {Object.values(job.racks).map((rack) => (
              <CabinetDrawing
                key={rack.id}
                job={job}
                rackId={rack.id}
                className="max-h-[62vh] w-full"
                markOf={(gearId) => (gearId === touched ? TOUCHED : null)}
              />
            ))}
            {Object.keys(job.racks).length === 0 && <p className="text-soft">No cabinet stands yet.</p>}
          </section>
          <section
            aria-live="polite"
            aria-label="What has just been done"
            className="grid content-start gap-2 text-[13px]"
          >
            <Heading>{last ? 'Just done' : 'Before the first step'}</Heading>
            {last ? (
              <p className="text-base">
                <b>
                  {ACTION_WORDS[last.entry.action]}
                  {last.entry.step.words}
                </b>
                <br />
                <span className="text-soft">
                  {last.entry.step.from &&
                    `out of ${last.entry.action === 'fetch' ? 'where it was set aside' : last.entry.step.from} `}
                  {last.entry.step.to && last.entry.action !== 'park' && `into ${last.entry.step.to} `}·{' '}
                  {oneDigit(last.minutes)} min
                  {last.visit && ` · ${last.visit.name}, ${last.startsAt?.slice(-5)}`}
                </span>
              </p>
            ) : (
              <p className="text-soft">This is what stands now.</p>
            )}
            <dl className="grid grid-cols-[7rem_minmax(0,1fr)] gap-y-1">
              <dt className="text-soft">Dark meanwhile</dt>
              <dd className={last && last.dark.length > 0 ? 'font-bold text-wont' : ''}>
                {last ? darkList(last.dark) || 'nothing' : 'nothing'}
              </dd>
              <dt className="text-soft">Dark now</dt>
              <dd className={last && last.darkAfter.length > 0 ? 'font-bold text-wont' : ''}>
                {last ? darkList(last.darkAfter) || 'nothing' : 'nothing'}
              </dd>
              <dt className="text-soft">Set aside</dt>
              <dd>{last?.parked.map((id) => byId.get(id)?.words ?? id).join('; ') || 'nothing'}</dd>
              <dt className="text-soft">Cords hanging in</dt>
              <dd>
                {Object.keys(patchCordsOf(job)).length + Object.keys(besideCordsOf(job)).length}, of the mains{' '}
                {Object.keys(job.plugs).length}
              </dd>
              <dt className="text-soft">One may stop here</dt>
              <dd>{!last || last.safe ? 'yes: all is up' : 'no'}</dd>
            </dl>
            <Heading>Next</Heading>
            {next ? (
              <p>
                {ACTION_WORDS[next.entry.action]}
                {next.entry.step.words}
                {next.dark.length > 0 && <b className="text-wont"> · takes down {darkList(next.dark)}</b>}
              </p>
            ) : (
              <p>It is done: this is the plan.</p>
            )}
          </section>
        </div>
      </div>
    </Scroll>
  );
}
