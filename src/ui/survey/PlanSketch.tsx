'use client';

import { DndContext, type DragEndEvent, PointerSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core';
import { type CSSProperties, type KeyboardEvent, useLayoutEffect, useRef, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { formatLength } from '@/core/base/units/length';
import type { Floor } from '@/core/job/records/floor';
import type { Place } from '@/core/job/records/place';
import type { Room } from '@/core/job/records/room';
import { siteOf } from '@/core/trade/survey/answers/site';
import { SILENT } from '../kit/silentDrag';
import { useTripped } from '../kit/tripped';
import { useAnnounce } from '../kit/useAnnounce';
import { useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import type { Chosen } from './chosen';
import { PLACE_WORDS } from './placeWords';

const GRID_MM = 100;
const METRE_MM = 1000;
const MARGIN_MM = 700;
const snap = (mm: number) => Math.max(0, Math.round(mm / GRID_MM) * GRID_MM);

type Moved = (table: 'rooms' | 'places', id: string, dxMm: number, dyMm: number) => void;

/** The plan of a floor to scale: rooms and places, dragged or moved by arrow keys. */
export function PlanSketch({
  floor,
  chosen,
  onChoose,
}: {
  floor: Floor;
  chosen: Chosen;
  onChoose: (chosen: Chosen) => void;
}) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const announce = useAnnounce();
  const site = siteOf(job);
  const rooms = site.roomsOfFloor.get(floor.id) ?? [];
  const places = site.places.filter((place) => place.floorId === floor.id);
  const host = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 600, height: 400 });
  useLayoutEffect(() => {
    const element = host.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 3 } }));

  const right = Math.max(6000, ...rooms.map((room) => room.xMm + room.widthMm), ...places.map((place) => place.xMm));
  const bottom = Math.max(4000, ...rooms.map((room) => room.yMm + room.depthMm), ...places.map((place) => place.yMm));
  const [widthMm, heightMm] = [right + 2 * MARGIN_MM, bottom + 2 * MARGIN_MM];
  const scale = Math.min(size.width / widthMm, size.height / heightMm);

  const move: Moved = (table, id, dxMm, dyMm) => {
    const record = job[table][id];
    if (!record) return;
    const [xMm, yMm] = [snap(record.xMm + dxMm), snap(record.yMm + dyMm)];
    if (xMm === record.xMm && yMm === record.yMm) return;
    const row =
      table === 'rooms'
        ? ({ table, record: { ...(record as Room), xMm, yMm } } as const)
        : ({ table, record: { ...(record as Place), xMm, yMm } } as const);
    if (keep(row)) {
      announce(
        `${record.name}: ${formatLength(xMm, job.units)} from the left, ${formatLength(yMm, job.units)} from the top`,
      );
    }
  };
  const press = (event: KeyboardEvent, table: 'rooms' | 'places', id: string) => {
    const step = event.shiftKey ? METRE_MM : GRID_MM;
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const way = by[event.key];
    if (way) {
      event.preventDefault();
      move(table, id, ...way);
    } else if (event.key === 'Delete') {
      event.preventDefault();
      if (drop(table, id)) onChoose(null);
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      onChoose({ table, id });
    }
  };
  const end = ({ active, delta }: DragEndEvent) => {
    const [table, id] = String(active.id).split(' ') as ['rooms' | 'places', string];
    move(table, id, delta.x / scale, delta.y / scale);
  };
  const props = { scale, chosen, onChoose, onPress: press };
  const runsIn = (room: Room) =>
    Object.values(job.runs).filter((run) => run.room === room.name && run.floor === floor.name).length;

  return (
    <div
      ref={host}
      data-drawn=""
      className="relative mx-3 mb-3 min-h-0 flex-1 overflow-hidden rounded-[3px] border border-strong bg-face"
    >
      <DndContext id="plan" sensors={sensors} onDragEnd={end} accessibility={{ announcements: SILENT }}>
        <svg
          width={size.width}
          height={size.height}
          viewBox={`${-MARGIN_MM} ${-MARGIN_MM} ${size.width / scale} ${size.height / scale}`}
          className="absolute inset-0"
        >
          <title>{`Plan of ${floor.name}, one square a metre`}</title>
          <defs>
            <pattern id="metres" width={METRE_MM} height={METRE_MM} patternUnits="userSpaceOnUse">
              <path d={`M${METRE_MM} 0H0V${METRE_MM}`} fill="none" stroke="var(--rule)" strokeWidth={1 / scale} />
            </pattern>
          </defs>
          <rect
            x={-MARGIN_MM}
            y={-MARGIN_MM}
            width={size.width / scale}
            height={size.height / scale}
            fill="url(#metres)"
          />
          {rooms.map((room) => (
            <RoomShape key={room.id} room={room} runs={runsIn(room)} {...props} />
          ))}
          {places.map((place) => (
            <PlaceShape key={place.id} place={place} {...props} />
          ))}
        </svg>
      </DndContext>
      <p className="narrow pointer-events-none absolute right-1 bottom-0.5 bg-face/80 px-1 text-soft text-xs">
        one square is {formatLength(METRE_MM, job.units)} · drag, or arrow keys
      </p>
    </div>
  );
}

type ShapeProps = {
  scale: number;
  chosen: Chosen;
  onChoose: (chosen: Chosen) => void;
  onPress: (event: KeyboardEvent, table: 'rooms' | 'places', id: string) => void;
};

function useShape(table: 'rooms' | 'places', id: string, { scale, chosen, onChoose, onPress }: ShapeProps) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: `${table} ${id}` });
  const style: CSSProperties = { cursor: isDragging ? 'grabbing' : 'grab', touchAction: 'none' };
  return {
    isChosen: chosen?.id === id,
    isDragging,
    props: {
      ref: (node: SVGGElement | null) => setNodeRef(node as unknown as HTMLElement | null),
      transform: transform ? `translate(${transform.x / scale} ${transform.y / scale})` : undefined,
      ...listeners,
      style,
      tabIndex: 0,
      role: 'button',
      onFocus: () => onChoose({ table, id }),
      onClick: () => onChoose({ table, id }),
      onKeyDown: (event: KeyboardEvent) => onPress(event, table, id),
    },
  };
}

/** About the width of a bold letter, in its size. */
const EM = 0.6;

function RoomShape({ room, runs, ...rest }: { room: Room; runs: number } & ShapeProps) {
  const { isChosen, isDragging, props } = useShape('rooms', room.id, rest);
  const job = useSession((session) => session.job);
  const cut = useTripped((tripped) => tripped.cut);
  const cutHere = [...cut].filter((id) => job.runs[id]?.room === room.name).length;
  const px = 1 / rest.scale;
  // A long name in a narrow room goes over several lines.
  const oneLine = room.name.length * 7.2 * px < room.widthMm - 10 * px;
  const lines = oneLine ? [room.name] : room.name.split(' ');
  const longest = Math.max(4, ...lines.map((line) => line.length));
  const fit = Math.max(
    6 * px,
    Math.min(14 * px, (room.widthMm - 10 * px) / (longest * EM), room.depthMm / (lines.length + 2)),
  );
  const x = room.xMm + 5 * px;
  return (
    <g {...props} aria-label={`Room ${room.name}${runs > 0 ? ` ${counted(runs, 'run')}` : ''}`}>
      <rect
        x={room.xMm}
        y={room.yMm}
        width={room.widthMm}
        height={room.depthMm}
        fill={isChosen ? 'var(--well)' : 'var(--sheet)'}
        fillOpacity={isDragging ? 0.7 : 0.94}
        stroke={isChosen ? 'var(--focus)' : 'var(--ink)'}
        strokeWidth={(isChosen ? 3 : 1.6) * px}
      />
      <text x={x} y={room.yMm + fit * 1.15} fontSize={fit} fontWeight="700" fill="var(--ink)">
        {lines.map((line, at) => (
          <tspan key={line} x={x} dy={at === 0 ? 0 : fit * 1.1}>
            {`${line} `}
          </tspan>
        ))}
        {runs > 0 && (
          <tspan
            x={x}
            dy={fit * 1.2}
            fontSize={fit * 0.86}
            fontWeight="400"
            fill="var(--soft)"
            fontFamily="var(--font-mono)"
          >
            {`${counted(runs, 'run')} `}
          </tspan>
        )}
        {cutHere > 0 && (
          <tspan x={x} dy={fit * 1.2} fontSize={fit * 0.86} fontWeight="700" fill="var(--wont)">
            {`✕ ${cutHere} cut`}
          </tspan>
        )}
      </text>
    </g>
  );
}

/** Pixels a millimetre from which the names of outlets have room. */
const NAMES_FROM = 0.035;

function PlaceShape({ place, ...rest }: { place: Place } & ShapeProps) {
  const { isChosen, props } = useShape('places', place.id, rest);
  const px = 1 / rest.scale;
  const { letter, name } = PLACE_WORDS[place.kind];
  const r = (place.kind === 'outlet' ? 6.5 : 11) * px;
  const stroke = isChosen ? 'var(--focus)' : 'var(--ink)';
  return (
    <g {...props} aria-label={`${name} ${place.name}`}>
      {place.kind === 'cabinet' ? (
        <rect
          x={place.xMm - r}
          y={place.yMm - r}
          width={2 * r}
          height={2 * r}
          fill="var(--act)"
          stroke={stroke}
          strokeWidth={2 * px}
        />
      ) : place.kind === 'cable-entry' ? (
        <path
          d={`M${place.xMm} ${place.yMm - r * 1.25}L${place.xMm + r * 1.25} ${place.yMm}L${place.xMm} ${place.yMm + r * 1.25}L${place.xMm - r * 1.25} ${place.yMm}z`}
          fill="var(--bite)"
          stroke={stroke}
          strokeWidth={2 * px}
        />
      ) : (
        <circle
          cx={place.xMm}
          cy={place.yMm}
          r={r}
          fill={place.kind === 'outlet' ? 'var(--face)' : place.kind === 'mains' ? 'var(--wont)' : 'var(--net-blue)'}
          stroke={stroke}
          strokeWidth={2 * px}
        />
      )}
      {place.kind === 'outlet' ? (
        // On a small plan names would lie over each other: there the list beside says them.
        (isChosen || rest.scale >= NAMES_FROM) && (
          <text aria-hidden x={place.xMm + 9 * px} y={place.yMm + 4 * px} fontSize={10.5 * px} fill="var(--ink)">
            {place.name}
          </text>
        )
      ) : (
        // A sign stands where the thing is, also over the name of a room.
        <text
          data-over=""
          aria-hidden
          x={place.xMm}
          y={place.yMm + 4.6 * px}
          fontSize={13 * px}
          fontWeight="800"
          textAnchor="middle"
          fill="var(--sheet)"
        >
          {letter}
        </text>
      )}
    </g>
  );
}
