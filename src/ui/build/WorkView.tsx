import { Camera, Check, Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { ACTION_WORDS } from '@/core/base/text/actionWords';
import { counted } from '@/core/base/text/counted';
import { formatMinutes } from '@/core/base/units/minutes';
import { otherwise, type Ticking, tickCommands } from '@/core/trade/build/asBuilt';
import type { BuildPapers } from '@/core/trade/build/buildPapers';
import type { Planned } from '@/core/trade/build/buildPlan';
import { noStepsWords, WHO_CAUTIONS } from '@/core/trade/build/buildWords';
import { estimateWords } from '@/core/trade/build/estimate';
import { Button } from '../kit/Button';
import { nowHere } from '../kit/nowHere';
import { Photographs } from '../kit/Photographs';
import { ThumbField } from '../kit/ThumbField';
import { useAnnounce } from '../kit/useAnnounce';
import { Heading, Scroll } from '../kit/viewParts';
import { actorHere } from '../session/actor';
import { useSessionStore } from '../session/session';
import { useBuild, usePapers } from './useBuild';
import { darkList, oneDigit } from './words';

/** Longer than this since the last tick is a break, not work. */
const LONGEST_STEP_MIN = 120;

/** For one thumb at the rack: the step now, where, with what; ticked, skipped or stuck; and what comes next. */
export function WorkView() {
  const { plan } = usePapers();
  const { job } = useBuild();
  const session = useSessionStore();
  const announce = useAnnounce();
  const stuck = new Set([...plan.tickOf.values()].flatMap(({ step, state }) => (state === 'stuck' ? [step] : [])));
  const open = plan.planned.filter(({ key }) => plan.tickOf.get(key) === undefined || stuck.has(key));
  const [chosen, setChosen] = useState<string | null>(null);
  const now = open.find(({ key }) => key === chosen) ?? open.find(({ key }) => !stuck.has(key)) ?? open[0];
  const done = [...plan.tickOf.values()].filter(({ state }) => state === 'done').length;
  const last = [...plan.tickOf.values()].sort((a, b) => b.at.localeCompare(a.at))[0];
  const tick = (one: Planned, ticking: Omit<Ticking, 'by' | 'at'>) => {
    const { job: latest, dispatch } = session.getState();
    const full = { ...ticking, by: actorHere().name, at: nowHere() };
    if (dispatch(tickCommands(latest, one.entry.step, one.key, full))) {
      announce(`${one.entry.step.words}: ${ticking.state}.`);
      setChosen(null);
    }
  };
  return (
    <Scroll label="Work">
      <div className="flex flex-wrap items-center justify-between gap-2 text-[13px]">
        <span>
          <b>{done}</b> done, <b>{open.length}</b> left, {estimateWords(plan.range)}
          {plan.paces.length > 0 && <Pace plan={plan} />}
        </span>
        {last && (
          <Button
            onClick={() => {
              session.getState().dispatch([{ type: 'dropRows', table: 'ticks', ids: [last.id] }]);
              announce('The last tick is taken back.');
            }}
          >
            <Undo2 size={15} aria-hidden /> Take back the last tick
          </Button>
        )}
      </div>
      {now ? (
        <StepCard
          key={now.key}
          one={now}
          isStuck={stuck.has(now.key)}
          lastAt={last?.at ?? null}
          onTick={(ticking) => tick(now, ticking)}
          job={job}
        />
      ) : (
        <p className="text-base">{noStepsWords(plan.steps.length)}</p>
      )}
      {open.length > 1 && (
        <section aria-label="What comes next">
          <Heading>Then</Heading>
          <ol>
            {open
              .filter((one) => one !== now)
              .slice(0, 8)
              .map((one) => (
                <li key={one.key} className="border-b">
                  <button type="button" className="min-h-12 w-full py-1 text-left" onClick={() => setChosen(one.key)}>
                    {stuck.has(one.key) && <b className="text-bite">stuck · </b>}
                    {ACTION_WORDS[one.entry.action]}
                    {one.entry.step.words} <span className="text-soft">{oneDigit(one.minutes)} min</span>
                    {one.dark.length > 0 && <span className="text-wont"> · down: {darkList(one.dark)}</span>}
                  </button>
                </li>
              ))}
          </ol>
          {open.length > 9 && (
            <p className="text-[13px] text-soft">and {counted(open.length - 9, 'step')} more, in Order</p>
          )}
        </section>
      )}
    </Scroll>
  );
}

function Pace({ plan }: { plan: BuildPapers['plan'] }) {
  const all = plan.paces.filter(({ by }) => by === '');
  const [planned, took] = [
    all.reduce((sum, { plannedMin }) => sum + plannedMin, 0),
    all.reduce((sum, { tookMin }) => sum + tookMin, 0),
  ];
  if (planned === 0) return null;
  return (
    <span className="text-soft">
      {' '}
      · your pace: {formatMinutes(took)} for what was planned at {formatMinutes(planned)}
    </span>
  );
}

function StepCard({
  one,
  isStuck,
  lastAt,
  onTick,
  job,
}: {
  one: Planned;
  isStuck: boolean;
  lastAt: string | null;
  onTick: (ticking: Omit<Ticking, 'by' | 'at'>) => void;
  job: Parameters<typeof otherwise>[0];
}) {
  const session = useSessionStore();
  const { step, action } = one.entry;
  const began = useRef(Date.now());
  const [minutes, setMinutes] = useState('');
  const [note, setNote] = useState('');
  const [photographed, setPhotographed] = useState(false);
  const [other, setOther] = useState(false);
  const heading = useRef<HTMLHeadingElement>(null);
  const first = useRef(true);
  useEffect(() => {
    // What was ticked makes place for the next: the reading goes on there, but not when the page is opened.
    if (!first.current) heading.current?.focus();
    first.current = false;
  }, []);
  const took = (): number | null => {
    const typed = Number(minutes.replace(',', '.'));
    if (minutes.trim() !== '' && typed >= 0) return typed;
    const since = lastAt === null ? began.current : Math.max(began.current, new Date(lastAt).getTime());
    const run = (Date.now() - since) / 60_000;
    return run > LONGEST_STEP_MIN ? null : Math.round(run * 10) / 10;
  };
  const places = other ? otherwise(job, step) : [];
  return (
    <article aria-label="The step now" className="grid max-w-2xl gap-3 border-2 border-strong bg-sheet p-3">
      <h2 ref={heading} tabIndex={-1} className="wide font-bold text-xl leading-tight">
        {isStuck && <span className="text-bite">Stuck: </span>}
        {ACTION_WORDS[action]}
        {step.words}
      </h2>
      <dl className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-y-1 text-base">
        {step.from && action !== 'bring' && (
          <>
            <dt className="text-soft">Out of</dt>
            <dd className="font-semibold">{action === 'fetch' ? 'where it was set aside' : step.from}</dd>
          </>
        )}
        {step.to && action !== 'park' && (
          <>
            <dt className="text-soft">Into</dt>
            <dd className="font-semibold">{step.to}</dd>
          </>
        )}
        {!step.from && !step.to && step.place && (
          <>
            <dt className="text-soft">Where</dt>
            <dd className="font-semibold">{step.place}</dd>
          </>
        )}
        {step.parts.length > 0 && action !== 'park' && (
          <>
            <dt className="text-soft">Parts</dt>
            <dd>{step.parts.join(', ')}</dd>
          </>
        )}
        {step.tools.length > 0 && (
          <>
            <dt className="text-soft">Tools</dt>
            <dd>{step.tools.join(', ')}</dd>
          </>
        )}
        <dt className="text-soft">Down</dt>
        <dd className={one.dark.length > 0 ? 'font-bold text-wont' : ''}>{darkList(one.dark) || 'nothing'}</dd>
        <dt className="text-soft">Planned</dt>
        <dd>{oneDigit(one.minutes)} min</dd>
      </dl>
      {step.caution !== '' && <p className="font-semibold text-bite">{step.caution}</p>}
      {WHO_CAUTIONS[step.who] && <p className="font-semibold text-bite">{WHO_CAUTIONS[step.who]}</p>}
      <Photographs about={step.id} of={step.words.slice(0, 90)} />
      {step.photograph && action !== 'fetch' && (
        <label className="flex min-h-12 items-center gap-2 border border-strong px-3">
          <input
            type="checkbox"
            checked={photographed}
            onChange={(event) => setPhotographed(event.target.checked)}
            className="size-5 accent-act"
          />
          <Camera size={18} aria-hidden /> Photographed before it was touched
        </label>
      )}
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        <Button
          look="main"
          big
          className="col-span-2"
          onClick={() => onTick({ state: 'done', minutes: took(), note: note.trim(), photographed })}
        >
          <Check size={20} aria-hidden /> Done
        </Button>
        <Button big onClick={() => onTick({ state: 'skipped', note: note.trim() })}>
          Skip
        </Button>
        <Button big onClick={() => onTick({ state: 'stuck', note: note.trim() })}>
          Stuck
        </Button>
      </div>
      <div className="grid grid-cols-[7rem_minmax(0,1fr)] gap-2">
        <ThumbField
          label="Minutes it took"
          value={minutes}
          onText={setMinutes}
          inputMode="decimal"
          placeholder="by itself"
        />
        <ThumbField label="Note" value={note} maxLength={300} onText={setNote} />
      </div>
      {otherwise(job, step).length > 0 && action !== 'park' && (
        <div>
          <Button big aria-expanded={other} onClick={() => setOther(!other)}>
            It was done otherwise …
          </Button>
          {other && (
            <ul aria-label="Where it went instead" className="mt-2 flex flex-wrap gap-2">
              {places.map(({ words, commands }) => (
                <li key={words}>
                  <Button
                    big
                    onClick={() => {
                      if (session.getState().dispatch(commands))
                        onTick({
                          state: 'done',
                          minutes: took(),
                          note: note.trim() || `Done otherwise: ${words}`,
                          photographed,
                        });
                    }}
                  >
                    {words}
                  </Button>
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </article>
  );
}
