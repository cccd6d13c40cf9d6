'use client';

import { useDraggable } from '@dnd-kit/core';
import { type KeyboardEvent, type RefObject, useEffect, useRef } from 'react';
import type { Rack } from '@/core/job/records/rack';
import { type ElevationItem, elevation, unitTop } from '@/core/rack/elevation';
import { unitName } from '@/core/rack/units';
import { rackDimensions } from '@/core/standards/rackDimensions';
import { Faceplate } from '../drawing/Faceplate';
import { useSession } from '../job/session';
import type { Carried } from './carried';

const { unitMm, panelWidthMm } = rackDimensions;

type Handlers = {
  onCarry: (gearId: string, bottomU: number | null) => void;
  onPutDown: (what: Carried | null) => void;
  onLift: (gearId: string) => void;
  onChoose: (gearId: string) => void;
};

/** The front of a rack to scale: rails with their holes, unit numbers, and the devices as controls. */
export function RackFront({
  frame,
  rack,
  scale,
  carried,
  ...handlers
}: { frame: RefObject<HTMLDivElement | null>; rack: Rack; scale: number; carried: Carried | null } & Handlers) {
  const job = useSession((session) => session.job);
  const { units, holes, items, heightMm } = elevation(job, rack);
  const width = panelWidthMm * scale;
  const height = heightMm * scale;
  const gear = job.gear[carried?.gearId ?? ''];
  return (
    <figure className="shrink-0">
      <figcaption className="narrow mb-1 pl-7 text-center text-soft text-xs">Front, {rack.name}</figcaption>
      <div className="flex">
        <ol aria-hidden="true" className="relative w-7 font-mono text-[11px] text-soft" style={{ height }}>
          {units.map((unit) => (
            <li
              key={unit.unitFromBottom}
              className="absolute right-1.5 leading-none"
              style={{ top: (unit.y + unitMm / 2) * scale - 5.5 }}
            >
              {unit.shown}
            </li>
          ))}
        </ol>
        <div
          ref={frame}
          data-testid="rack-front"
          className="relative bg-well outline-4 outline-ink"
          style={{ width, height }}
        >
          <svg
            viewBox={`0 0 ${panelWidthMm} ${heightMm}`}
            width={width}
            height={height}
            aria-hidden="true"
            className="absolute inset-0"
          >
            <path
              d={`M18.2 0V${heightMm}M${panelWidthMm - 18.2} 0V${heightMm}`}
              stroke="var(--strong-rule)"
              strokeWidth={1.4}
            />
            {units.map((unit) => (
              <path
                key={unit.unitFromBottom}
                d={`M0 ${unit.y}H${panelWidthMm}`}
                stroke="var(--rule)"
                strokeWidth={1.2}
              />
            ))}
            {holes.map((hole) => (
              <rect
                key={`${hole.x} ${hole.y}`}
                x={hole.x - 3.4}
                y={hole.y - 3.4}
                width={6.8}
                height={6.8}
                fill="var(--paper)"
                stroke="var(--strong-rule)"
                strokeWidth={0.9}
              />
            ))}
          </svg>
          {items
            .sort((a, b) => a.y - b.y)
            .map((item) => (
              <Device key={item.gearId} item={item} rack={rack} scale={scale} carried={carried} {...handlers} />
            ))}
          {gear && carried && carried.bottomU !== null && (
            <div
              aria-hidden="true"
              className={`pointer-events-none absolute inset-x-0 grid place-items-center border-4 font-bold ${carried.fault ? 'border-wont border-dashed bg-wont/25 text-wont' : 'border-good bg-good/25 text-good'}`}
              style={{
                top: unitTop(rack, carried.bottomU + gear.heightU - 1) * scale,
                height: gear.heightU * unitMm * scale,
              }}
            >
              <span className="rounded bg-sheet px-1.5">
                {carried.fault ? 'will not do' : unitName(rack, carried.bottomU, gear.heightU)}
              </span>
            </div>
          )}
        </div>
      </div>
    </figure>
  );
}

function Device({
  item,
  rack,
  scale,
  carried,
  onCarry,
  onPutDown,
  onLift,
  onChoose,
}: { item: ElevationItem; rack: Rack; scale: number; carried: Carried | null } & Handlers) {
  const { setNodeRef, listeners, attributes } = useDraggable({ id: item.gearId });
  const bottomU = useSession(
    (session) => Object.values(session.job.placements).find((row) => row.gearId === item.gearId)?.bottomU ?? 1,
  );
  const held = carried?.gearId === item.gearId;
  const found = useSession((session) => session.foundGearId === item.gearId);
  const button = useRef<HTMLButtonElement | null>(null);
  useEffect(() => {
    // After the dialog it was found with has closed and given the focus back.
    if (found) setTimeout(() => button.current?.focus(), 50);
  }, [found]);
  const press = (event: KeyboardEvent) => {
    const at = held ? (carried.bottomU ?? bottomU) : bottomU;
    const act = (work: () => void) => {
      event.preventDefault();
      work();
    };
    if (event.key === 'Enter' || event.key === ' ')
      act(() => (held ? onPutDown(carried) : onCarry(item.gearId, bottomU)));
    else if (event.key === 'Delete' || event.key === 'Backspace') act(() => onLift(item.gearId));
    else if (held && event.key === 'ArrowUp') act(() => onCarry(item.gearId, Math.min(rack.units, at + 1)));
    else if (held && event.key === 'ArrowDown') act(() => onCarry(item.gearId, Math.max(1, at - 1)));
    else if (held && event.key === 'Escape') act(() => onPutDown(null));
  };
  return (
    <button
      ref={(node) => {
        button.current = node;
        setNodeRef(node);
      }}
      {...attributes}
      {...listeners}
      type="button"
      data-device={item.gearId}
      aria-roledescription="device"
      aria-label={`${item.name}, ${item.place}`}
      aria-pressed={held}
      onKeyDown={press}
      onFocus={() => onChoose(item.gearId)}
      onBlur={() => held && carried.by === 'keys' && onPutDown(null)}
      className={`absolute cursor-grab touch-none text-left ${held ? 'opacity-40' : ''} ${item.tooDeep ? 'outline-3 outline-wont' : ''}`}
      style={{ left: item.x * scale, top: item.y * scale, width: item.width * scale, height: item.height * scale }}
    >
      <Faceplate name={item.name} kind={item.kind} width={item.width} height={item.height} ports={item.ports} />
    </button>
  );
}
