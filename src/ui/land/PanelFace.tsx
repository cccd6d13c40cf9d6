'use client';

import type { KeyboardEvent } from 'react';
import { indexJob } from '@/core/job/document/jobIndex';
import { unitName } from '@/core/job/rack/units';
import type { Gear } from '@/core/job/records/gear';
import type { Network } from '@/core/job/records/network';
import { portKey } from '@/core/job/records/portKey';
import { canLand, type Port, portsOf } from '@/core/job/records/ports';
import { isLive, type Run } from '@/core/job/records/run';
import { dashArray, networkInk } from '../kit/NetworkMark';
import { carries } from '../kit/RunCarrier';
import { ShortName } from '../kit/ShortName';
import { useInView } from '../kit/useInView';
import { useSession } from '../session/session';

type Handlers = {
  onLand: (runId: string, panelId: string, port: number) => void;
  onPickUp: (run: Run) => void;
  onTrace: (run: Run) => void;
  onTakeOff: (run: Run) => void;
};

/** Stretches of neighbouring ports whose runs go to the same room. */
function roomsAlong(runs: (Run | null)[]): { room: string; from: number; count: number }[] {
  const stretches: { room: string; from: number; count: number }[] = [];
  runs.forEach((run, at) => {
    const room = run?.room ?? '';
    const last = stretches.at(-1);
    if (last && last.room === room) last.count += 1;
    else stretches.push({ room, from: at, count: 1 });
  });
  return stretches.filter(({ room }) => room !== '');
}

/** A panel from the front: numbered ports with the labels landed on them, spares plain to see. */
export function PanelFace({ panel, carried, ...handlers }: { panel: Gear; carried: Run | null } & Handlers) {
  const job = useSession((session) => session.job);
  const { landingAtPort, placementOfGear } = indexJob(job);
  const ports = portsOf(panel);
  const perRow = Math.ceil(ports.length / panel.heightU);
  const runAt = (number: number) => job.runs[landingAtPort.get(portKey(panel.id, number))?.runId ?? ''] ?? null;
  const placement = placementOfGear.get(panel.id);
  const rack = placement && job.racks[placement.rackId];
  const spare = ports.filter((port) => !runAt(port.number)).length;
  const rows = Array.from({ length: panel.heightU }, (_, row) => ports.slice(row * perRow, (row + 1) * perRow));
  return (
    <section aria-label={panel.name} className="mb-3 [--port:44px] sm:[--port:30px]">
      <h2 className="flex items-baseline gap-3 py-1">
        <ShortName gearId={panel.id} />
        <span className="wide font-bold">{panel.name}</span>
        <span className="text-soft text-xs">
          {rack && placement ? unitName(rack, placement.bottomU, panel.heightU) : 'not placed'}
        </span>
        <span className="text-soft text-xs">
          {spare} of {ports.length} ports spare
        </span>
      </h2>
      {/* The frame goes as far as its ports do. */}
      <div
        className="grid gap-1 rounded-[4px] border-2 border-ink bg-face p-1"
        style={{ minWidth: `calc(${perRow} * var(--port) + 12px)` }}
      >
        {rows.map((row) => (
          <div key={row[0]?.number}>
            <div className="grid" style={{ gridTemplateColumns: `repeat(${perRow}, minmax(var(--port), 1fr))` }}>
              {row.map((port) => {
                const run = runAt(port.number);
                return (
                  <PortCell
                    key={port.number}
                    panel={panel}
                    port={port}
                    run={run}
                    network={run?.networkId ? (job.networks[run.networkId] ?? null) : null}
                    carried={carried}
                    perRow={perRow}
                    {...handlers}
                  />
                );
              })}
            </div>
            <div
              aria-hidden="true"
              className="grid h-[18px]"
              style={{ gridTemplateColumns: `repeat(${perRow}, minmax(var(--port), 1fr))` }}
            >
              {roomsAlong(row.map((port) => runAt(port.number))).map(({ room, from, count }) => (
                <span
                  key={`${room} ${from}`}
                  title={room}
                  className="narrow mx-px truncate border-ink border-t-2 text-center text-[11px] leading-4"
                  style={{ gridColumn: `${from + 1} / span ${count}` }}
                >
                  {room}
                </span>
              ))}
            </div>
          </div>
        ))}
      </div>
    </section>
  );
}

function PortCell({
  panel,
  port,
  run,
  network,
  carried,
  perRow,
  onLand,
  onPickUp,
  onTrace,
  onTakeOff,
}: {
  panel: Gear;
  port: Port;
  run: Run | null;
  network: Network | null;
  carried: Run | null;
  perRow: number;
} & Handlers) {
  const selected = useSession((session) => run !== null && session.selectedRunId === run.id);
  const point = useSession((session) => session.point);
  const place = portKey(panel.id, port.number);
  const view = useInView<HTMLSpanElement>(selected);
  const takes = carried && !run && canLand(port, carried.carries);
  // What is written on the port comes first, so that a person can call it by what they see.
  const written = run ? `${port.number} ${run.label} ${run.device || 'no device'}` : `${port.number} spare`;
  const name = [written, `${panel.name} port ${port.number}`, run?.room, run?.outlet].filter(Boolean).join(', ');

  const press = (event: KeyboardEvent<HTMLButtonElement>) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: perRow, ArrowUp: -perRow }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      const all = [...document.querySelectorAll<HTMLElement>('[data-port]')];
      all[all.indexOf(event.currentTarget) + step]?.focus();
    } else if ((event.key === 'Delete' || event.key === 'Backspace') && run) {
      event.preventDefault();
      onTakeOff(run);
    }
  };
  return (
    <button
      {...carries(run?.id)}
      type="button"
      data-port={port.number}
      data-place={place}
      // One stop a panel for Tab; the arrows go from port to port.
      tabIndex={port.number === 1 || selected ? 0 : -1}
      data-free={run ? undefined : ''}
      aria-label={name}
      aria-pressed={selected}
      title={run ? [run.label, run.room, run.outlet, run.device].filter(Boolean).join(' · ') : 'spare'}
      onClick={({ detail }) => {
        if (carried && carried.id !== run?.id) onLand(carried.id, panel.id, port.number);
        // A tap shows the trace; to move a run is asked for, by Enter or with its button.
        else if (run && detail > 0) onTrace(run);
        else if (run) onPickUp(run);
      }}
      onKeyDown={press}
      onPointerEnter={() => run && point(run.id)}
      onPointerLeave={() => point(null)}
      className={`relative flex h-[150px] min-w-0 touch-none flex-col items-center border-rule border-r px-px pt-0.5 last:border-r-0 ${run ? 'cursor-grab' : ''} ${selected ? 'bg-well outline-3 outline-trace -outline-offset-2' : ''} ${takes ? 'bg-good/15' : ''} data-over:bg-good/40 data-over:outline-3 data-over:outline-good data-over:-outline-offset-3`}
    >
      <span ref={view} className="font-mono text-[11px] text-soft leading-none">
        {port.number}
      </span>{' '}
      <span
        className={`mt-0.5 flex h-6 w-full items-center justify-center rounded-[2px] border ${run ? 'border-strong bg-sheet' : 'border-rule border-dashed bg-well'}`}
      >
        <span className="truncate font-bold font-mono text-[13px] leading-none tracking-tight">{run?.label}</span>
      </span>{' '}
      <span
        className={`narrow mt-1 min-h-0 flex-1 overflow-hidden text-[12px] leading-[13px] [writing-mode:vertical-rl] ${run && isLive(run) ? '' : 'text-soft italic'}`}
      >
        {run ? run.device || 'no device' : 'spare'}
      </span>
      {network && (
        <svg aria-hidden="true" width="100%" height="5" className="mb-0.5 shrink-0" preserveAspectRatio="none">
          <path
            d="M2 2.5H200"
            stroke={networkInk(network)}
            strokeWidth="4"
            strokeDasharray={dashArray(network.pattern)}
          />
        </svg>
      )}
    </button>
  );
}
