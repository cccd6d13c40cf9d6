'use client';

import { useMemo } from 'react';
import { counted } from '@/core/base/text/counted';
import { elevation } from '@/core/job/rack/elevation';
import type { LinePattern } from '@/core/job/records/network';
import { type HangingCord, hangingCords, type Point } from '@/core/trade/patching/hangingCords';
import { dashArray } from '../kit/NetworkMark';
import { useSession } from '../session/session';
import { RackPicker } from '../stack/RackPicker';
import { useRack } from '../stack/useRack';

const SIDE_MM = 40;

/** A path through the points with round corners; two points alone hang in a bow. */
function cordPath({ points, sagMm }: HangingCord): string {
  const [first, ...rest] = points as [Point, ...Point[]];
  if (rest.length === 1) {
    const last = rest[0] as Point;
    const low = Math.max(first.y, last.y) + sagMm * 1.33;
    return `M${first.x} ${first.y}C${first.x} ${low} ${last.x} ${low} ${last.x} ${last.y}`;
  }
  const parts = [`M${first.x} ${first.y}`];
  rest.forEach((point, at) => {
    const next = rest[at + 1];
    if (!next) {
      parts.push(`L${point.x} ${point.y}`);
      return;
    }
    const before = points[at] as Point;
    const turn = 14;
    const towards = (from: Point, to: Point): Point => {
      const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
      const share = Math.min(0.5, turn / length);
      return { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share };
    };
    const [enter, leave] = [towards(point, before), towards(point, next)];
    parts.push(`L${enter.x} ${enter.y}Q${point.x} ${point.y} ${leave.x} ${leave.y}`);
  });
  return parts.join('');
}

/** The faces of a rack to scale, with the cords as they hang between the ports. `small` where it stands beside another view. */
export function FacesView({ small = false }: { small?: boolean }) {
  const job = useSession((session) => session.job);
  const point = useSession((session) => session.point);
  const lit = useSession((session) => session.pointedRunId ?? session.selectedRunId);
  const { all, rack, onRack } = useRack();
  const front = useMemo(() => (rack ? elevation(job, rack) : null), [job, rack]);
  const cords = useMemo(() => (rack ? hangingCords(job, rack) : []), [job, rack]);
  if (!rack || !front) return <p className="m-4">No rack yet: put one up at Stack.</p>;
  // What has ports or leads cords, and what stands between: the rest of the rack is at Stack.
  const plugged = front.items.filter(
    (item) => item.face === 'front' && (item.kind === 'manager' || item.ports.some((port) => port.side === 'front')),
  );
  const [high, low] = [
    Math.min(...plugged.map((item) => item.y)),
    Math.max(...plugged.map((item) => item.y + item.height)),
  ];
  const used = front.items.filter(
    (item) => item.face === 'front' && item.y >= high - 1 && item.y + item.height <= low + 1,
  );
  const top = Math.min(...used.map((item) => item.y), front.heightMm) - 12;
  const bottom = Math.max(...used.map((item) => item.y + item.height), 0) + 12;
  const ordered = [...cords].sort((a, b) => Number(a.run?.id === lit) - Number(b.run?.id === lit));
  return (
    <div className="flex min-h-0 flex-1 flex-col px-3 py-2">
      <div className="flex flex-wrap items-center gap-3">
        <RackPicker all={all} rack={rack} onRack={onRack} />
        <p className="text-soft">
          {counted(cords.length, 'cord')} before the faces of {rack.name}, to scale.
          {!small && ' Point at one to trace it.'}
        </p>
      </div>
      {used.length === 0 ? (
        <p className="mt-4">Nothing stands in this rack yet.</p>
      ) : (
        <svg
          viewBox={`${-SIDE_MM} ${top} ${front.widthMm + 2 * SIDE_MM} ${bottom - top}`}
          className="mt-1 min-h-0 w-full flex-1"
          role="img"
          aria-label={`${rack.name} from the front with ${counted(cords.length, 'cord')}`}
        >
          <g fill="none" stroke="var(--strong)" strokeWidth={1.2}>
            <path d={`M-2 ${top}V${bottom}M${front.widthMm + 2} ${top}V${bottom}`} />
          </g>
          {used.map((item) => (
            <g key={item.gearId} transform={`translate(${item.x} ${item.y})`}>
              <rect
                width={item.width}
                height={item.height - 1}
                rx={2}
                fill="var(--face)"
                stroke="var(--ink)"
                strokeWidth={0.9}
              />
              <text x={4} y={small ? 14 : 9} fontSize={small ? 14 : 7} fontWeight={700} fill="var(--ink)">
                {item.shortName}
                <tspan fontWeight={400}> {item.name}</tspan>
              </text>
              {item.ports
                .filter((port) => port.side === 'front')
                .map((port) => (
                  <rect
                    key={port.number}
                    x={port.x}
                    y={port.y}
                    width={port.width}
                    height={port.height}
                    rx={1}
                    fill="var(--well)"
                    stroke="var(--strong)"
                    strokeWidth={0.5}
                  />
                ))}
            </g>
          ))}
          {ordered.map((cord) => {
            const here = cord.run?.id === lit;
            const d = cordPath(cord);
            return (
              <g
                key={cord.cordId}
                onPointerEnter={() => point(cord.run?.id ?? null)}
                onPointerLeave={() => point(null)}
              >
                <path d={d} fill="none" stroke="transparent" strokeWidth={9} />
                <path
                  d={d}
                  fill="none"
                  stroke={here ? 'var(--trace)' : `var(--net-${cord.code.colour})`}
                  strokeWidth={here ? 5 : 3.4}
                  strokeLinecap="round"
                  strokeDasharray={here ? undefined : dashArray(cord.code.pattern as LinePattern)}
                  opacity={lit && !here ? 0.45 : 0.9}
                />
                {cord.points.length > 0 &&
                  [cord.points[0], cord.points.at(-1)].map(
                    (end, at) =>
                      end && (
                        <circle
                          // biome-ignore lint/suspicious/noArrayIndexKey: an end has no other name
                          key={at}
                          cx={end.x}
                          cy={end.y}
                          r={3}
                          fill="var(--paper)"
                          stroke={here ? 'var(--trace)' : `var(--net-${cord.code.colour})`}
                          strokeWidth={1.6}
                        />
                      ),
                  )}
              </g>
            );
          })}
        </svg>
      )}
    </div>
  );
}
