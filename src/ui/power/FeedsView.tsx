'use client';

import { type KeyboardEvent, useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { outlets, plugBodySource } from '@/core/base/standards/outlets';
import { counted } from '@/core/base/text/counted';
import { formatLength } from '@/core/base/units/length';
import { formatWatts } from '@/core/base/units/power';
import { gearShortNames } from '@/core/job/gear/shortNames';
import type { Gear } from '@/core/job/records/gear';
import { inletCount, type MainsOutlet, outletKindOf, outletsOf, pitchOf } from '@/core/job/records/mainsSockets';
import { plugId } from '@/core/job/records/plug';
import { portKey } from '@/core/job/records/portKey';
import type { WallOutlet } from '@/core/job/records/wallOutlet';
import { type SeatedPlug, seatedPlugs } from '@/core/trade/power/coveredOutlets';
import { carriedLoad, feedsOf, unitLimitAmps, voltsOf, wallOutletsOf } from '@/core/trade/power/feeds';
import { mainsSideOf, mainsWayMm, stockCordMm } from '@/core/trade/power/mainsCords';
import { plugFit } from '@/core/trade/power/plugFit';
import { type PlugPlan, plugCommands } from '@/core/trade/power/plugPlan';
import { Button } from '../kit/Button';
import { JobLink } from '../kit/JobLink';
import { useJobPath } from '../kit/jobPath';
import { TakeawayLink } from '../kit/TakeawayLink';
import { useAnnounce } from '../kit/useAnnounce';
import { useRows } from '../kit/useRows';
import { Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';
import { usePlanner } from '../session/usePlanner';

/** An inlet in the hand, to be put into an outlet. */
type Held = { gear: Gear; inlet: number };
type Row = { feed: Gear } | { wall: WallOutlet };
const idOf = (row: Row) => ('feed' in row ? row.feed.id : row.wall.id);
const nameOf = (row: Row) => ('feed' in row ? row.feed.name : row.wall.name);

/** Strips, battery units and walls with their outlets to scale, and what is in them. */
export function FeedsView() {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const announce = useAnnounce();
  const [held, setHeld] = useState<Held | null>(null);
  const feeds = feedsOf(job);
  const rows: Row[] = [
    ...Object.values(job.wallOutlets).map((wall) => ({ wall })),
    ...feeds.units.filter((feed) => feed.outlets.length > 0).map((feed) => ({ feed })),
  ];
  const pick = (gear: Gear, inlet: number) => {
    setHeld({ gear, inlet });
    announce(`${inletWords(gear, inlet)} in the hand: go to an outlet and press Enter.`);
  };
  const putIn = (row: Row, outlet: MainsOutlet) => {
    if (!held) return;
    const { gear, inlet } = held;
    const record = {
      id: plugId(gear.id, inlet),
      gearId: gear.id,
      inlet,
      feedId: 'feed' in row ? row.feed.id : null,
      wallId: 'wall' in row ? row.wall.id : null,
      outlet: outlet.number,
      fixed: true,
      lengthMm: null,
      side: null,
    };
    if (keep({ table: 'plugs', record })) {
      announce(`${inletWords(gear, inlet)} is in ${nameOf(row)} outlet ${outlet.number}.`);
      setHeld(null);
    }
  };
  const pull = (plug: SeatedPlug) => {
    if (drop('plugs', plug.plug.id)) announce(`${inletWords(plug.gear, plug.plug.inlet)} is pulled.`);
  };
  const open = feeds.consumers.flatMap((gear) =>
    Array.from({ length: inletCount(gear) }, (_, at) => at + 1)
      .filter((inlet) => !feeds.plugAtInlet.has(portKey(gear.id, inlet)))
      .map((inlet) => ({ gear, inlet })),
  );
  return (
    <Scroll label="Feeds">
      <div className="flex flex-wrap items-start justify-between gap-2">
        <PlugTheRest />
        <span className="flex flex-wrap gap-2">
          <TakeawayLink of="outlets.csv" />
          <TakeawayLink of="outlets.svg" />
          <TakeawayLink of="power.pdf" />
        </span>
      </div>
      {held && (
        <p role="status" className="flex flex-wrap items-center gap-2 border-2 border-trace px-2 py-1 font-semibold">
          In the hand: {inletWords(held.gear, held.inlet)}. Choose an outlet.
          <Button onClick={() => setHeld(null)}>Put it back</Button>
        </p>
      )}
      <section aria-label="Without an outlet">
        <Heading>
          {open.length === 0 ? 'Every inlet has its outlet' : `${counted(open.length, 'inlet')} without an outlet`}
        </Heading>
        <ul className="mt-1 flex flex-wrap gap-1.5">
          {open.map(({ gear, inlet }) => (
            <li key={`${gear.id} ${inlet}`}>
              <Button
                aria-pressed={held?.gear.id === gear.id && held.inlet === inlet}
                onClick={() => pick(gear, inlet)}
                className={held?.gear.id === gear.id && held.inlet === inlet ? 'outline-3 outline-trace' : ''}
              >
                {inletWords(gear, inlet)}
              </Button>
            </li>
          ))}
        </ul>
      </section>
      {rows.length === 0 && <NoOutlets />}
      {rows.map((row) => (
        <FeedRow
          key={idOf(row)}
          row={row}
          held={held}
          onPick={pick}
          onPut={(outlet) => putIn(row, outlet)}
          onPull={pull}
          onBack={() => setHeld(null)}
        />
      ))}
      <p className="narrow text-soft text-xs">
        Outlets and plugs are drawn to scale; where their sizes were not entered, as is usual:{' '}
        {citeFor(plugBodySource, job.rules)}. Mains cords run on the other side than data: a school. New outlets are
        work for a licensed electrician, by local code.
      </p>
    </Scroll>
  );
}

const inletWords = (gear: Gear, inlet: number): string =>
  inletCount(gear) > 1 ? `${gear.name}, inlet ${inlet}` : gear.name;

function NoOutlets() {
  const { base } = useJobPath();
  return (
    <p className="max-w-[70ch]">
      No outlet is known yet. Say at{' '}
      <JobLink className="underline" href={`${base}/power/circuits`}>
        Circuits
      </JobLink>{' '}
      which circuits and wall outlets there are; strips and battery units bring theirs from Stack.
    </p>
  );
}

/** One row of outlets: a strip, a battery unit or a wall. */
function FeedRow({
  row,
  held,
  onPick,
  onPut,
  onPull,
  onBack,
}: {
  row: Row;
  held: Held | null;
  onPick: (gear: Gear, inlet: number) => void;
  onPut: (outlet: MainsOutlet) => void;
  onPull: (plug: SeatedPlug) => void;
  onBack: () => void;
}) {
  const job = useSession((session) => session.job);
  const feeds = feedsOf(job);
  const feed = 'feed' in row ? row.feed : null;
  const all = 'feed' in row ? outletsOf(row.feed) : wallOutletsOf(row.wall);
  const seated = seatedPlugs(job, row);
  const at = new Map(seated.map((one) => [one.outlet.number, one]));
  const covered = new Map(seated.flatMap((one) => one.covers.map((number) => [number, one] as const)));
  const short = gearShortNames(job);
  const load = feed ? carriedLoad(feeds, feed, 'full') : null;
  const limit = feed ? unitLimitAmps(job, feed) : null;
  const volts = voltsOf(job, null);
  const name = nameOf(row);
  const first = all[0]?.xMm ?? 0;
  const pitch = (outlet: MainsOutlet) => pitchOf({ kind: outlet.kind, pitchMm: gapAt(all, outlet.number) });
  const margin = 30;
  const width = (all.at(-1)?.xMm ?? 0) - first + 2 * margin;
  return (
    <section aria-label={name}>
      <Heading
        aside={
          <span className="text-[13px] text-soft">
            {wordsOf(row)}
            {load && (
              <>
                {' '}
                · {load.unknown > 0 ? 'at least ' : ''}
                {formatWatts(load.w)}
                {volts !== null && `, ${(load.va / volts).toFixed(1)} A`}
                {limit !== null && ` of ${limit.toFixed(1)} A`}
              </>
            )}
          </span>
        }
      >
        {name}
      </Heading>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls */}
      <section data-drawn tabIndex={0} aria-label={`Outlets of ${name}`} className="mt-1 overflow-x-auto pb-1">
        <div
          className="relative h-[58px] rounded-[3px] border-2 border-strong bg-well"
          style={{ width: Math.max(120, width) }}
        >
          {all.map((outlet) => {
            const plug = at.get(outlet.number);
            const cover = covered.get(outlet.number);
            const half = Math.min(22, pitch(outlet) / 2 - 1);
            const kind = outletKindOf(outlet.kind, feed, job.rules);
            const fit = held ? plugFit(job, held.gear, feed, outlet) : null;
            const can = held !== null && !plug && fit?.fits !== 'no';
            const what = plug
              ? `${inletWords(plug.gear, plug.plug.inlet)}`
              : cover
                ? `covered by ${cover.gear.name}`
                : 'free';
            const about = [
              `${name} outlet ${outlet.number}`,
              kind === null ? 'kind not known' : outlets[kind].name,
              outlet.backing === 'battery' ? 'on battery' : outlet.backing === 'surge' ? 'surge protection only' : '',
              outlet.switched ? 'switched from afar' : '',
              what,
            ].filter(Boolean);
            return (
              <button
                key={outlet.number}
                type="button"
                data-outlet
                tabIndex={outlet.number === 1 ? 0 : -1}
                aria-label={about.join(', ')}
                title={about.join(' · ')}
                onClick={() => {
                  if (held && !plug) onPut(outlet);
                  else if (plug) onPick(plug.gear, plug.plug.inlet);
                }}
                onKeyDown={(event) => press(event, () => plug && onPull(plug), onBack)}
                className={`absolute top-[7px] flex h-10 flex-col items-center justify-end rounded-[3px] border font-mono text-[11px] leading-none ${can ? 'border-good border-2 bg-[color-mix(in_srgb,var(--good)_25%,var(--face))]' : plug ? 'border-ink bg-face font-bold' : cover ? 'border-wont border-dashed bg-face text-wont' : 'border-strong bg-face text-soft'}`}
                style={{ left: margin + outlet.xMm - first - half, width: 2 * half }}
              >
                <span aria-hidden className="pb-0.5">
                  {outlet.backing === 'battery' ? '▮' : ''}
                  {outlet.number}
                </span>
              </button>
            );
          })}
          {seated.map((one) => (
            <span
              key={one.plug.id}
              aria-hidden
              className={`pointer-events-none absolute top-[3px] flex h-6 items-center justify-center overflow-hidden rounded-[5px] border-2 bg-sheet font-bold text-[10px] leading-none ${one.meets.length > 0 ? 'border-wont' : 'border-ink'}`}
              style={{ left: margin + one.outlet.xMm - first - one.widthMm / 2, width: one.widthMm }}
            >
              {one.widthMm >= 7 * (short.get(one.gear.id) ?? '').length ? short.get(one.gear.id) : ''}
            </span>
          ))}
        </div>
      </section>
      {seated.length > 0 && <SeatedList seated={seated} row={row} onPull={onPull} onPick={onPick} />}
    </section>
  );
}

/** From outlet to outlet by arrows; Delete pulls, Escape puts back. */
function press(event: KeyboardEvent<HTMLButtonElement>, pull: () => void, back: () => void) {
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
  if (step) {
    event.preventDefault();
    const all = [...document.querySelectorAll<HTMLElement>('[data-outlet]')];
    all[all.indexOf(event.currentTarget) + step]?.focus();
  } else if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault();
    pull();
  } else if (event.key === 'Escape') back();
}

/** Room from an outlet to its neighbour, mm. */
function gapAt(all: readonly MainsOutlet[], number: number): number | null {
  const at = all.findIndex((one) => one.number === number);
  const gaps = [all[at + 1], all[at - 1]].flatMap((one) => (one ? Math.abs(one.xMm - (all[at]?.xMm ?? 0)) : []));
  return gaps.length > 0 ? Math.min(...gaps) : null;
}

function wordsOf(row: Row): string {
  if ('wall' in row) return row.wall.place || 'in the wall';
  return row.feed.kind === 'ups' ? 'battery unit' : row.feed.frame === 'upright' ? 'upright strip' : 'strip';
}

/** The same as a list: what is in which outlet, its cord, and what it covers. */
function SeatedList({
  seated,
  row,
  onPull,
  onPick,
}: {
  seated: readonly SeatedPlug[];
  row: Row;
  onPull: (plug: SeatedPlug) => void;
  onPick: (gear: Gear, inlet: number) => void;
}) {
  const job = useSession((session) => session.job);
  return (
    <ul className="mt-1 grid gap-x-8 text-[13px] lg:grid-cols-2">
      {seated.map((one) => {
        const way = mainsWayMm(
          job,
          one.gear,
          'feed' in row ? { gear: row.feed, outlet: one.outlet.number } : { reachMm: row.wall.reachMm },
        );
        const side = mainsSideOf(job, one.plug);
        return (
          <li key={one.plug.id} className="flex flex-wrap items-center gap-x-2 border-b py-0.5">
            <b className="w-6 text-right font-mono">{one.outlet.number}</b>
            <span className="min-w-0 flex-1">
              {inletWords(one.gear, one.plug.inlet)}
              <span className="text-soft">
                {' '}
                ·{' '}
                {one.plug.lengthMm !== null
                  ? `cord ${formatLength(one.plug.lengthMm, job.units)}`
                  : way === null
                    ? 'not placed'
                    : `cord ${formatLength(stockCordMm(way), job.units)}`}
                {side && ` · ${side} side`}
              </span>
              {one.covers.length > 0 && <span className="text-bite"> · covers outlet {one.covers.join(', ')}</span>}
              {one.meets.length > 0 && (
                <b className="text-wont"> · does not go beside {one.meets.map(({ gear }) => gear.name).join(', ')}</b>
              )}
            </span>
            <Button
              look="quiet"
              onClick={() => onPick(one.gear, one.plug.inlet)}
              aria-label={`Move ${inletWords(one.gear, one.plug.inlet)}`}
            >
              Move
            </Button>
            <Button
              look="quiet"
              onClick={() => onPull(one)}
              aria-label={`Pull ${inletWords(one.gear, one.plug.inlet)}`}
            >
              Pull
            </Button>
          </li>
        );
      })}
    </ul>
  );
}

/** A place for every inlet that has none, with the reason for each, before anything is changed. */
function PlugTheRest() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const { plan, busy, start, cancel, putAway } = usePlanner<PlugPlan>(job);
  const { base } = useJobPath();
  const use = () => {
    if (plan && dispatch(plugCommands(plan))) putAway();
  };
  return (
    <section aria-label="Plug the rest">
      <div className="flex flex-wrap items-center gap-2">
        <Button look="main" disabled={busy} onClick={() => start((planner) => planner.plugs(job, 5))}>
          Plug the rest
        </Button>
        {busy && <Button onClick={cancel}>Stop</Button>}
        {plan && plan.plugs.length > 0 && (
          <Button look="main" onClick={use}>
            Use this plan
          </Button>
        )}
        {plan && <Button onClick={putAway}>Close</Button>}
        {plan && (
          <span className="text-soft">
            {plan.plugs.length === 0 && plan.left.length === 0
              ? 'Nothing to change.'
              : plan.proven
                ? 'Proven: there is no cheaper choice.'
                : `Best found, at most ${plan.points - plan.bound} points from the best.`}
          </span>
        )}
      </div>
      {plan && (plan.plugs.length > 0 || plan.left.length > 0) && (
        <ul className="mt-1 border-2 border-trace px-2 py-1 text-[13px]">
          {plan.plugs.map(({ plug, gear, feedName, cordMm, why }) => (
            <li key={plug.id} className="border-b py-0.5">
              <b>{inletWords(gear, plug.inlet)}</b> → {feedName} {plug.outlet}, cord {formatLength(cordMm, job.units)}{' '}
              <span className="text-soft">({why.join('; ')})</span>
            </li>
          ))}
          {plan.left.map(({ gear, inlet, why }) => (
            <li key={`${gear.id} ${inlet}`} className="border-b py-0.5 font-semibold text-bite">
              {inletWords(gear, inlet)}: {why}
            </li>
          ))}
          {plan.missing.map(({ kind, count }) => (
            <li key={kind ?? 'any'} className="py-0.5 font-semibold">
              {plan.wallsUnknown ? 'To find in the wall, or to have fitted' : 'To have fitted, or a strip with them'}:{' '}
              {counted(count, 'outlet')} more{kind === null ? '' : ` of the kind ${outlets[kind].name}`}
            </li>
          ))}
          {plan.wallsUnknown && (
            <li className="py-0.5">
              How many outlets the wall has was not said: answer it in Survey, or enter them at{' '}
              <JobLink className="underline" href={`${base}/power/circuits`}>
                Circuits
              </JobLink>
              .
            </li>
          )}
          {plan.walls.length > 0 && plan.plugs.length > 0 && (
            <li className="py-0.5">The wall outlets counted in the survey are entered with it.</li>
          )}
        </ul>
      )}
    </section>
  );
}
