'use client';

import { useDraggable } from '@dnd-kit/core';
import { type KeyboardEvent, memo, useEffect, useMemo, useRef, useState } from 'react';
import { indexJob } from '@/core/job/jobIndex';
import { isLive, type Run } from '@/core/job/records/run';
import { farEnd } from '@/core/networks/portPlan';
import { portFault } from '@/core/patching/fitness';
import type { PatchPlan } from '@/core/patching/planPatching';
import { findSnags } from '@/core/snags/findSnags';
import type { Grade } from '@/core/snags/snag';
import { formatSpeed } from '@/core/text/speed';
import { traceRun } from '@/core/trace/traceRun';
import { formatLength } from '@/core/units/length';
import { useSession } from '../job/session';
import { GradeMark } from '../kit/GradeMark';
import { networkInk } from '../kit/NetworkMark';
import { useInView } from '../kit/useInView';
import { usePortTarget } from '../kit/usePortTarget';
import { COLUMNS, LoomStrands } from './LoomStrands';
import { type LoomGroup, type LoomHead, type LoomPort, type LoomRow, type LoomShow, layLoom } from './loomLayout';

type Actions = {
  onPickUp: (run: Run) => boolean;
  onPatch: (run: Run, switchId: string, port: number) => void;
  onUnpatch: (run: Run) => void;
};

const ROW = { fit: 12.6, big: 26 };
/** Text of ports and rows: all of a small job in one view, or large enough for a ladder. */
const PORT_TEXT = { fit: 'text-[10px] leading-[10px]', big: 'text-[14px] leading-[20px]' };
const ROW_TEXT = { fit: 'text-[12px]', big: 'text-[15px]' };
const LABEL_TEXT = { fit: 'text-[11px] leading-[12px]', big: 'text-[14px] leading-[20px]' };
type Size = keyof typeof ROW;
/** The view is drawn anew each so many pixels of scrolling, and so far beyond its edges. */
const STEP_PX = 60;
const MARGIN_PX = 300;

/** The loom: rows are runs gathered by room; every run is one strand from its outlet to its network. */
export function LoomView({
  carried,
  seek,
  proposal,
  big,
  group,
  show,
  ...actions
}: {
  carried: Run | null;
  seek: boolean;
  proposal: PatchPlan | null;
  big: boolean;
  group: LoomGroup;
  show: LoomShow;
} & Actions) {
  const job = useSession((session) => session.job);
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 980, height: 560 });
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const grades = useMemo(() => {
    const worst = new Map<string, Grade>();
    // Snags come gravest first.
    for (const snag of findSnags(job)) for (const id of snag.runIds) if (!worst.has(id)) worst.set(id, snag.grade);
    return worst;
  }, [job]);
  const loom = useMemo(() => {
    const proposed = proposal?.cords.map((cord) => cord.switchId) ?? [];
    const view = { group, show, withSnags: new Set(grades.keys()) };
    return layLoom(job, size.height - 24, ROW[big ? 'big' : 'fit'], new Set([...opened, ...proposed]), view);
  }, [job, size.height, big, opened, proposal, group, show, grades]);
  // Only what is near the view is drawn, in steps, so that a long loom scrolls like a short one.
  const [step, setStep] = useState(0);
  const near = useMemo(
    () => ({ from: step * STEP_PX - MARGIN_PX, to: step * STEP_PX + size.height + MARGIN_PX + STEP_PX }),
    [step, size.height],
  );
  const inside = (y: number) => y >= near.from && y <= near.to;
  const selectedId = useSession((session) => session.selectedRunId);
  useEffect(() => {
    const element = frame.current;
    const row = loom.rows.find(({ run }) => run.id === selectedId);
    if (!element || !row) return;
    if (row.y < element.scrollTop || row.y > element.scrollTop + element.clientHeight - 40)
      element.scrollTop = Math.max(0, row.y - element.clientHeight / 2);
  }, [selectedId, loom]);
  const turn = (id: string) =>
    setOpened((now) => (now.has(id) ? new Set([...now].filter((one) => one !== id)) : new Set([...now, id])));
  // Picked up by key or button, the strand goes on at the first port that suits it.
  useEffect(() => {
    if (seek) frame.current?.querySelector<HTMLElement>('[data-socket][data-fits]')?.focus();
  }, [seek]);

  const visible = loom.rows.map((row, index) => ({ row, index })).filter(({ row }) => inside(row.y));
  const rows: Size = big ? 'big' : 'fit';
  const width = Math.max(760, size.width);
  const at = (share: number) => Math.round(width * share);
  return (
    <div
      ref={frame}
      className="relative mx-3 min-h-80 flex-1 overflow-auto"
      data-testid="loom"
      onScroll={(event) => setStep(Math.floor(event.currentTarget.scrollTop / STEP_PX))}
    >
      <div
        className="narrow sticky top-0 z-20 h-5 border-strong border-b bg-paper font-bold text-xs"
        style={{ width }}
        aria-hidden="true"
      >
        <span className="absolute left-0">Room, outlet</span>
        <span className="absolute -translate-x-1/2" style={{ left: at(COLUMNS.run) }}>
          Run
        </span>
        <span className="absolute -translate-x-1/2" style={{ left: at(COLUMNS.panel) }}>
          Panel port
        </span>
        <span className="absolute -translate-x-1/2" style={{ left: at(COLUMNS.device) }}>
          Switch port
        </span>
        <span className="absolute" style={{ left: at(COLUMNS.network) - 26 }}>
          Network
        </span>
      </div>
      {loom.rows.length === 0 && (
        <p className="mt-6">
          {Object.keys(job.runs).length === 0 ? 'No runs yet: they come in at Runs.' : 'No run is like that.'}
        </p>
      )}
      <div className="relative" style={{ height: loom.height, width }}>
        <LoomStrands frame={frame} loom={loom} width={width} height={size.height} proposal={proposal} />
        {loom.rooms.map((room) => (
          <div
            key={room.key}
            className="absolute left-0 flex w-[13.5%] items-center border-strong border-r-2 pr-1.5"
            style={{ top: room.y + 1, height: room.height - 2 }}
          >
            <span className="narrow line-clamp-2 w-full text-right font-semibold text-xs leading-[12px]">
              {room.words}
            </span>
          </div>
        ))}
        {visible.map(({ row, index }) => (
          <StrandRow
            key={row.run.id}
            rows={rows}
            row={row}
            index={index}
            first={index === visible[0]?.index}
            height={loom.rowPx}
            left={at(0.14)}
            right={at(COLUMNS.run)}
            grade={grades.get(row.run.id) ?? null}
            held={carried?.id === row.run.id}
            onPickUp={actions.onPickUp}
            onUnpatch={actions.onUnpatch}
          />
        ))}
        {loom.panelHeads.map((head) => (
          <Head key={head.key} head={head} left={at(COLUMNS.panel)} onTurn={turn} />
        ))}
        {loom.switchHeads.map((head) => (
          <Head key={head.key} head={head} left={at(COLUMNS.device)} onTurn={turn} />
        ))}
        {loom.panelPorts
          .filter((port) => inside(port.y))
          .map((port) => (
            <span
              key={port.key}
              aria-hidden="true"
              className={`absolute w-7 -translate-x-1/2 -translate-y-1/2 text-center font-mono ${PORT_TEXT[rows]} ${port.run ? 'rounded-[2px] border border-strong bg-face' : 'text-soft'}`}
              style={{ left: at(COLUMNS.panel), top: port.y }}
            >
              {port.port.number}
            </span>
          ))}
        {loom.switchPorts
          .filter((port) => inside(port.y))
          .map((port) => (
            <Socket
              key={port.key}
              rows={rows}
              port={port}
              left={at(COLUMNS.device)}
              carried={carried}
              onPatch={actions.onPatch}
            />
          ))}
        {loom.networks.map(({ network, y }) => (
          <div
            key={network.id}
            className="absolute flex -translate-y-1/2 items-center gap-1.5"
            style={{ left: at(COLUMNS.network), top: y }}
          >
            <span
              className="grid size-6 place-items-center rounded-full border-2 bg-face font-bold font-mono text-xs"
              style={{ borderColor: networkInk(network), color: networkInk(network) }}
            >
              {network.code}
            </span>
            <span className="narrow max-w-12 text-xs leading-none">{network.name}</span>
          </div>
        ))}
      </div>
    </div>
  );
}

/** The name of a device over its ports. One without cords is folded up until it is wanted. */
function Head({ head, left, onTurn }: { head: LoomHead; left: number; onTurn: (id: string) => void }) {
  const look =
    'narrow absolute -translate-x-1/2 -translate-y-1/2 whitespace-nowrap rounded bg-paper px-1 font-bold text-xs leading-4';
  const style = { left, top: head.y };
  if (!head.foldable) {
    return (
      <span className={look} style={style}>
        {head.words}
      </span>
    );
  }
  return (
    <button
      type="button"
      aria-expanded={!head.folded}
      className={`${look} border border-strong`}
      style={style}
      onClick={() => onTurn(head.key)}
    >
      {head.words} {head.folded ? '▸' : '▾'}
    </button>
  );
}

const StrandRow = memo(function StrandRow({
  rows,
  row,
  index,
  first,
  height,
  left,
  right,
  grade,
  held,
  onPickUp,
  onUnpatch,
}: {
  rows: Size;
  row: LoomRow;
  index: number;
  first: boolean;
  height: number;
  left: number;
  right: number;
  grade: Grade | null;
  held: boolean;
} & Pick<Actions, 'onPickUp' | 'onUnpatch'>) {
  const { run, trace } = row;
  const selected = useSession((session) => session.selectedRunId === run.id);
  const point = useSession((session) => session.point);
  const select = useSession((session) => session.select);
  const view = useInView<HTMLSpanElement>(selected);
  const drag = useDraggable({ id: `strand ${run.id}`, data: { runId: run.id }, disabled: !trace.landing });
  const press = (event: KeyboardEvent<HTMLButtonElement>) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      document.querySelector<HTMLElement>(`[data-strand="${index + step}"]`)?.focus();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      onPickUp(run);
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      onUnpatch(run);
    }
  };
  const where = trace.cord
    ? `patched to ${trace.device?.name} port ${trace.cord.switchPort}`
    : trace.landing
      ? 'not patched'
      : 'not landed';
  return (
    <button
      ref={drag.setNodeRef}
      {...drag.listeners}
      type="button"
      data-strand={String(index)}
      // One stop for Tab; the arrows go from row to row.
      tabIndex={first || selected ? 0 : -1}
      aria-label={`${run.label} ${run.outlet} ${isLive(run) ? run.device : '· spare'}, ${run.room}, ${where}`}
      aria-pressed={held}
      onClick={() => select(run.id)}
      onDoubleClick={() => onPickUp(run)}
      onFocus={() => select(run.id)}
      onKeyDown={press}
      onPointerEnter={() => point(run.id)}
      onPointerLeave={() => point(null)}
      className={`absolute flex touch-none items-center gap-1 rounded-[2px] pl-1 text-left leading-none ${selected ? 'bg-well' : ''} ${held ? 'outline-3 outline-act' : ''}`}
      style={{ left, top: row.y - height / 2, height, width: right - left + 22 }}
    >
      <span
        ref={view}
        className={`order-last min-w-11 shrink-0 rounded-[2px] border px-1 text-center font-bold font-mono ${LABEL_TEXT[rows]} ${run.critical ? 'border-2 border-ink' : 'border-strong'} bg-face`}
      >
        {run.label}
      </span>{' '}
      <span className={`narrow min-w-0 flex-1 truncate ${ROW_TEXT[rows]}`}>
        {run.outlet}
        <span className="text-soft"> {isLive(run) ? run.device : '· spare'}</span>
      </span>
      {grade && <GradeMark grade={grade} size={11} />}
    </button>
  );
});

const Socket = memo(function Socket({
  rows,
  port,
  left,
  carried,
  onPatch,
}: {
  rows: Size;
  port: LoomPort;
  left: number;
  carried: Run | null;
  onPatch: Actions['onPatch'];
}) {
  const job = useSession((session) => session.job);
  const point = useSession((session) => session.point);
  const select = useSession((session) => session.select);
  const { gear, run, key } = port;
  const { number, connector, speedMbps, poeW, use } = port.port;
  const target = usePortTarget(key, run);
  const fault = carried ? portFault(carried, port.port) : null;
  const far = farEnd(indexJob(job), gear.id, number);
  const fits = carried !== null && run === null && fault === null && far === undefined;
  const about = [
    connector.toUpperCase(),
    speedMbps && formatSpeed(speedMbps),
    poeW > 0 && `PoE ${poeW} W`,
    use === 'internet' && 'internet port',
    far && `uplink to ${far}`,
  ]
    .filter(Boolean)
    .join(' · ');
  const { cord, cordMm } = run ? traceRun(job, run) : { cord: null, cordMm: null };
  const cordWords = cord && cordMm !== null ? formatLength(cordMm, job.units) : '';
  const look = fits
    ? 'z-10 border-good bg-[color-mix(in_srgb,var(--good)_28%,var(--paper))] text-ink'
    : run || far
      ? 'border-ink bg-face font-bold'
      : 'border-rule bg-paper text-soft';
  const press = (event: KeyboardEvent<HTMLButtonElement>) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!step) return;
    event.preventDefault();
    const all = [...document.querySelectorAll<HTMLElement>('[data-socket]')];
    all[all.indexOf(event.currentTarget) + step]?.focus();
  };
  return (
    <>
      {cordWords && (
        <span
          aria-hidden="true"
          className="absolute -translate-x-full -translate-y-1/2 whitespace-nowrap bg-paper px-0.5 text-[10px] text-soft leading-none"
          style={{ left: left - 22, top: port.y }}
        >
          {cordWords}
        </span>
      )}
      <button
        ref={target.ref}
        {...target.listeners}
        type="button"
        data-socket={key}
        data-place={key}
        data-fits={fits ? '' : undefined}
        tabIndex={carried || number === 1 ? 0 : -1}
        aria-label={`${gear.name} port ${number}, ${about}, ${run ? run.label : far ? 'taken' : 'free'}${fault ? `, ${fault.words}` : ''}`}
        title={`${gear.name} ${number} · ${about}${run ? ` · ${run.label}` : ''}${fault ? ` · ${fault.words}` : ''}`}
        onClick={() => {
          if (carried && carried.id !== run?.id) onPatch(carried, gear.id, number);
          else if (run) select(run.id);
        }}
        onKeyDown={press}
        onPointerEnter={() => run && point(run.id)}
        onPointerLeave={() => point(null)}
        className={`absolute flex w-10 -translate-x-1/2 -translate-y-1/2 touch-none items-center justify-center gap-0.5 rounded-[2px] border font-mono ${PORT_TEXT[rows]} ${look} ${target.isOver ? 'z-10 outline-3 outline-good' : ''}`}
        style={{ left, top: port.y }}
      >
        {number}
        {far && <span aria-hidden>↑</span>}
        {poeW > 0 && <span aria-hidden>⚡</span>}
        {cord?.fixed && <span aria-hidden>•</span>}
      </button>
    </>
  );
});
