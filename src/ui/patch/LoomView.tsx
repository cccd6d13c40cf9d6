'use client';

import { useDraggable } from '@dnd-kit/core';
import { type KeyboardEvent, memo, useEffect, useMemo, useRef, useState } from 'react';
import type { Job } from '@/core/job/job';
import { portKey } from '@/core/job/jobIndex';
import { isLive, type Run } from '@/core/job/records/run';
import { portFault } from '@/core/patching/fitness';
import type { PatchPlan } from '@/core/patching/planPatching';
import { findSnags } from '@/core/snags/findSnags';
import type { Grade } from '@/core/snags/snag';
import { formatSpeed } from '@/core/text/speed';
import { traceRun } from '@/core/trace/traceRun';
import { useSession } from '../job/session';
import { GradeMark } from '../kit/GradeMark';
import { DASHES, networkInk } from '../kit/NetworkMark';
import { useInView } from '../kit/useInView';
import { usePortTarget } from '../kit/usePortTarget';
import { type Loom, type LoomHead, type LoomPort, type LoomRow, layLoom } from './loomLayout';

type Actions = {
  onPickUp: (run: Run) => boolean;
  onPatch: (run: Run, switchId: string, port: number) => void;
  onUnpatch: (run: Run) => void;
};

/** Shares of the width at which the columns stand: room and outlet, run, panel port, switch port, network. */
const COLUMNS = { run: 0.315, panel: 0.5, device: 0.735, network: 0.925 };
const ROW = { fit: 12.6, big: 26 };
/** Text of ports and rows: all of a small job in one view, or large enough for a ladder. */
const PORT_TEXT = { fit: 'text-[10px] leading-[10px]', big: 'text-[14px] leading-[20px]' };
const ROW_TEXT = { fit: 'text-[12px]', big: 'text-[15px]' };
const LABEL_TEXT = { fit: 'text-[11px] leading-[12px]', big: 'text-[14px] leading-[20px]' };
type Size = keyof typeof ROW;

/** The loom: rows are runs gathered by room; every run is one strand from its outlet to its network. */
export function LoomView({
  carried,
  seek,
  proposal,
  big,
  ...actions
}: { carried: Run | null; seek: boolean; proposal: PatchPlan | null; big: boolean } & Actions) {
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
  const loom = useMemo(() => {
    const proposed = proposal?.cords.map((cord) => cord.switchId) ?? [];
    return layLoom(job, size.height - 24, ROW[big ? 'big' : 'fit'], new Set([...opened, ...proposed]));
  }, [job, size.height, big, opened, proposal]);
  const turn = (id: string) =>
    setOpened((now) => (now.has(id) ? new Set([...now].filter((one) => one !== id)) : new Set([...now, id])));
  const grades = useMemo(() => {
    const worst = new Map<string, Grade>();
    // Snags come gravest first.
    for (const snag of findSnags(job)) for (const id of snag.runIds) if (!worst.has(id)) worst.set(id, snag.grade);
    return worst;
  }, [job]);
  // Picked up by key or button, the strand goes on at the first port that suits it.
  useEffect(() => {
    if (seek) frame.current?.querySelector<HTMLElement>('[data-socket][data-fits]')?.focus();
  }, [seek]);

  const rows: Size = big ? 'big' : 'fit';
  const width = Math.max(760, size.width);
  const at = (share: number) => Math.round(width * share);
  return (
    <div ref={frame} className="relative mx-3 min-h-80 flex-1 overflow-auto" data-testid="loom">
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
      {loom.rows.length === 0 && <p className="mt-6">No runs yet: they come in at Runs.</p>}
      <div className="relative" style={{ height: loom.height, width }}>
        <Strands job={job} loom={loom} width={width} proposal={proposal} />
        <Lit loom={loom} width={width} />
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
        {loom.rows.map((row, index) => (
          <StrandRow
            key={row.run.id}
            rows={rows}
            row={row}
            index={index}
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
        {loom.panelPorts.map((port) => (
          <span
            key={port.key}
            aria-hidden="true"
            className={`absolute w-7 -translate-x-1/2 -translate-y-1/2 text-center font-mono ${PORT_TEXT[rows]} ${port.run ? 'rounded-[2px] border border-strong bg-face' : 'text-soft'}`}
            style={{ left: at(COLUMNS.panel), top: port.y }}
          >
            {port.port.number}
          </span>
        ))}
        {loom.switchPorts.map((port) => (
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

const curve = (x1: number, y1: number, x2: number, y2: number): string => {
  const middle = (x1 + x2) / 2;
  return `M${x1} ${y1.toFixed(1)}C${middle} ${y1.toFixed(1)} ${middle} ${y2.toFixed(1)} ${x2} ${y2.toFixed(1)}`;
};

type Places = { panel: Map<string, number>; device: Map<string, number>; network: Map<string, number> };
const placesOf = (loom: Loom): Places => ({
  panel: new Map(loom.panelPorts.map((port) => [port.key, port.y])),
  device: new Map(loom.switchPorts.map((port) => [port.key, port.y])),
  network: new Map(loom.networks.map(({ network, y }) => [network.id, y])),
});

/** The pieces of one strand, from its run as far as it goes. */
function strandPath({ trace, y }: LoomRow, places: Places, width: number): string {
  const x = (share: number) => Math.round(width * share);
  const { landing, cord, run } = trace;
  if (!landing) return '';
  const panelY = places.panel.get(portKey(landing.panelId, landing.port));
  if (panelY === undefined) return '';
  const parts = [curve(x(COLUMNS.run) + 22, y, x(COLUMNS.panel) - 14, panelY)];
  const deviceY = cord && places.device.get(portKey(cord.switchId, cord.switchPort));
  if (deviceY != null) {
    parts.push(curve(x(COLUMNS.panel) + 14, panelY, x(COLUMNS.device) - 20, deviceY));
    const networkY = places.network.get(run.networkId ?? '');
    if (networkY !== undefined) parts.push(curve(x(COLUMNS.device) + 20, deviceY, x(COLUMNS.network), networkY));
  }
  return parts.join('');
}

const Strands = memo(function Strands({
  job,
  loom,
  width,
  proposal,
}: {
  job: Job;
  loom: Loom;
  width: number;
  proposal: PatchPlan | null;
}) {
  const places = placesOf(loom);
  const x = (share: number) => Math.round(width * share);
  return (
    <svg
      aria-hidden="true"
      width={width}
      height={loom.height}
      className="pointer-events-none absolute inset-0 will-change-transform"
      fill="none"
    >
      {loom.rows.map((row) => (
        <path
          key={row.run.id}
          d={strandPath(row, places, width)}
          stroke={networkInk(row.trace.network)}
          strokeWidth={row.trace.cord ? 2 : 1.2}
          strokeDasharray={row.trace.network ? DASHES[row.trace.network.pattern] : undefined}
          opacity={row.trace.cord ? 0.85 : 0.5}
        />
      ))}
      {loom.rows.map(({ run, trace }) => {
        const y =
          trace.landing &&
          !trace.cord &&
          isLive(run) &&
          places.panel.get(portKey(trace.landing.panelId, trace.landing.port));
        return y ? (
          <circle
            key={run.id}
            cx={x(COLUMNS.panel) + 19}
            cy={y}
            r={3.4}
            stroke="var(--bite)"
            strokeWidth={2}
            fill="var(--paper)"
          />
        ) : null;
      })}
      {proposal?.cords.map((cord) => {
        const from = places.panel.get(portKey(cord.panelId, cord.panelPort));
        const to = places.device.get(portKey(cord.switchId, cord.switchPort));
        if (from === undefined || to === undefined) return null;
        return (
          <path
            key={portKey(cord.panelId, cord.panelPort)}
            d={curve(x(COLUMNS.panel) + 14, from, x(COLUMNS.device) - 20, to)}
            stroke="var(--act)"
            strokeWidth={2.4}
            strokeDasharray="5 4"
          />
        );
      })}
      <title>{job.name}</title>
    </svg>
  );
});

/** The strand under the pointer or selected, drawn over the others. */
function Lit({ loom, width }: { loom: Loom; width: number }) {
  const lit = useSession((session) => session.pointedRunId ?? session.selectedRunId);
  const row = loom.rows.find(({ run }) => run.id === lit);
  if (!row) return null;
  const d = strandPath(row, placesOf(loom), width);
  return (
    <svg
      aria-hidden="true"
      width={width}
      height={loom.height}
      className="pointer-events-none absolute inset-0 will-change-transform"
      fill="none"
    >
      <path d={d} stroke="var(--paper)" strokeWidth={7} />
      <path d={d} stroke="var(--trace)" strokeWidth={4} />
    </svg>
  );
}

const StrandRow = memo(function StrandRow({
  rows,
  row,
  index,
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
      tabIndex={index === 0 || selected ? 0 : -1}
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

function Socket({
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
  const fits = carried !== null && run === null && fault === null;
  const about = [
    connector.toUpperCase(),
    speedMbps && formatSpeed(speedMbps),
    poeW > 0 && `PoE ${poeW} W`,
    use === 'internet' && 'internet port',
  ]
    .filter(Boolean)
    .join(' · ');
  const cord = run && traceRun(job, run).cord;
  const look = fits
    ? 'z-10 border-good bg-[color-mix(in_srgb,var(--good)_28%,var(--paper))] text-ink'
    : run
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
    <button
      ref={target.ref}
      {...target.listeners}
      type="button"
      data-socket={key}
      data-place={key}
      data-fits={fits ? '' : undefined}
      tabIndex={carried || number === 1 ? 0 : -1}
      aria-label={`${gear.name} port ${number}, ${about}, ${run ? run.label : 'free'}${fault ? `, ${fault.words}` : ''}`}
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
      {poeW > 0 && <span aria-hidden>⚡</span>}
      {cord?.fixed && <span aria-hidden>•</span>}
    </button>
  );
}
