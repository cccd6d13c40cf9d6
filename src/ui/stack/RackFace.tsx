'use client';

import { memo, type RefObject } from 'react';
import { rackDimensions } from '@/core/base/standards/rackDimensions';
import { bodyWidthMm, frontWidthMm } from '@/core/job/gear/body';
import { type Elevation, type ElevationItem, elevation, unitTop } from '@/core/job/rack/elevation';
import { sideOf } from '@/core/job/records/placement';
import type { Rack } from '@/core/job/records/rack';
import { aimWords } from '@/core/trade/rack/arrange/aim';
import { useSession } from '../session/session';
import { useCarrying } from './carrying';
import { Device } from './Device';
import { type Overlay, overlayOf } from './overlays';
import type { Carry } from './useCarry';

const { unitMm, panelReliefMm } = rackDimensions;

/** Where frames are on the screen, for the pointer: by rack and side. */
export type Frames = RefObject<Map<string, HTMLDivElement>>;
export const frameKey = (rackId: string, side: 'front' | 'rear') => `${rackId} ${side}`;

/** The front or the rear of a rack to scale: rails with their holes, unit numbers, and the devices as controls. */
export function RackFace({
  frames,
  rack,
  side,
  scale,
  overlay,
  carry,
  onChoose,
}: {
  frames: Frames;
  rack: Rack;
  side: 'front' | 'rear';
  scale: number;
  overlay: Overlay;
  carry: Carry;
  onChoose: (gearId: string) => void;
}) {
  const job = useSession((session) => session.job);
  const drawing = elevation(job, rack);
  const { items, heightMm, widthMm } = drawing;
  const behind = side === 'rear';
  const near = (item: ElevationItem) => sideOf(item.face) === side;
  const [mine, far] = [items.filter(near), items.filter((item) => !near(item))];
  return (
    <figure className="shrink-0">
      <figcaption className="narrow mb-1 pl-7 text-center text-soft text-xs">
        {behind ? 'Rear' : 'Front'}, {rack.name}
      </figcaption>
      <div className="flex">
        <UnitNumbers drawing={drawing} scale={scale} />
        <div
          ref={(node) => {
            if (node) frames.current.set(frameKey(rack.id, side), node);
            else frames.current.delete(frameKey(rack.id, side));
          }}
          data-testid={`rack-${side}`}
          data-drawn=""
          className="relative bg-well outline-4 outline-ink"
          style={{ width: widthMm * scale, height: heightMm * scale }}
        >
          <Rails units={rack.units} pattern={rack.holePattern} drawing={drawing} scale={scale} />
          {far.map((item) => (
            <Behind key={item.gearId} item={item} widthMm={widthMm} mirrored={behind} scale={scale} />
          ))}
          {mine
            .toSorted((a, b) => a.y - b.y)
            .map((item) => {
              const { tint, note } = overlayOf(overlay, item, items, job.units);
              return (
                <Device
                  key={item.gearId}
                  item={item}
                  widthMm={widthMm}
                  behind={behind}
                  scale={scale}
                  tint={tint}
                  note={note}
                  carry={carry}
                  onChoose={onChoose}
                />
              );
            })}
          <Ghost rack={rack} side={side} widthMm={widthMm} scale={scale} />
        </div>
      </div>
    </figure>
  );
}

const UnitNumbers = memo(
  function UnitNumbers({ drawing, scale }: { drawing: Elevation; scale: number }) {
    return (
      <ol
        aria-hidden="true"
        className="relative w-7 font-mono text-[11px] text-soft"
        style={{ height: drawing.heightMm * scale }}
      >
        {drawing.units.map((unit) => (
          <li
            key={unit.unitFromBottom}
            className="absolute right-1.5 leading-none"
            style={{ top: (unit.y + unitMm / 2) * scale - 5.5 }}
          >
            {unit.shown}
          </li>
        ))}
      </ol>
    );
  },
  (was, is) =>
    was.scale === is.scale &&
    was.drawing.heightMm === is.drawing.heightMm &&
    was.drawing.units[0]?.shown === is.drawing.units[0]?.shown,
);

/** Rails, unit lines and holes: drawn once, whatever is carried over them. */
const Rails = memo(
  function Rails({ drawing, scale }: { units: number; pattern: string; drawing: Elevation; scale: number }) {
    const { widthMm, heightMm, units, holes } = drawing;
    return (
      <svg
        viewBox={`0 0 ${widthMm} ${heightMm}`}
        width={widthMm * scale}
        height={heightMm * scale}
        aria-hidden="true"
        className="absolute inset-0"
      >
        <path d={`M18.2 0V${heightMm}M${widthMm - 18.2} 0V${heightMm}`} stroke="var(--strong-rule)" strokeWidth={1.4} />
        <path d={units.map((unit) => `M0 ${unit.y}H${widthMm}`).join('')} stroke="var(--rule)" strokeWidth={1.2} />
        <path
          d={holes.map((hole) => `M${hole.x - 3.4} ${hole.y - 3.4}h6.8v6.8h-6.8z`).join('')}
          fill="var(--paper)"
          stroke="var(--strong-rule)"
          strokeWidth={0.9}
        />
      </svg>
    );
  },
  (was, is) =>
    was.scale === is.scale &&
    was.units === is.units &&
    was.pattern === is.pattern &&
    was.drawing.widthMm === is.drawing.widthMm,
);

/** What hangs on the other rails, as it is seen through from here: its outline, its inlets and the ports on this side. */
const Behind = memo(function Behind({
  item,
  widthMm,
  mirrored,
  scale,
}: {
  item: ElevationItem;
  widthMm: number;
  mirrored: boolean;
  scale: number;
}) {
  const x = mirrored ? widthMm - item.x - item.width : item.x;
  const wide = item.width > 200;
  return (
    <div
      aria-hidden="true"
      className="pointer-events-none absolute overflow-hidden border border-strong border-dashed text-soft"
      style={{ left: x * scale, top: item.y * scale, width: item.width * scale, height: item.height * scale }}
    >
      {wide && (
        <span className="narrow absolute top-0 left-2 max-w-[60%] truncate text-[11px] leading-4" title={item.name}>
          {item.name}
        </span>
      )}
      {mirrored &&
        wide &&
        Array.from({ length: item.inlets }, (_, at) => at).map((at) => (
          <span
            key={`inlet ${at}`}
            className="absolute rounded-[2px] border border-strong bg-strong/40"
            style={{ right: (18 + at * 36) * scale, bottom: 8 * scale, width: 28 * scale, height: 22 * scale }}
          />
        ))}
      {item.ports
        .filter((port) => port.side === 'rear')
        .map((port) => (
          <span
            key={port.number}
            className="absolute border border-strong bg-face"
            style={{
              left: port.x * scale,
              top: port.y * scale,
              width: port.width * scale,
              height: port.height * scale,
            }}
          />
        ))}
    </div>
  );
});

/** Where the device in the hand would go. */
function Ghost({ rack, side, widthMm, scale }: { rack: Rack; side: 'front' | 'rear'; widthMm: number; scale: number }) {
  const carried = useCarrying((state) => state.carried);
  const job = useSession((session) => session.job);
  const gear = job.gear[carried?.gearId ?? ''];
  const aim = carried?.aim;
  if (!gear || !aim || aim.rackId !== rack.id) return null;
  if (sideOf(aim.face) !== side) return null;
  const carrier = aim.carrierId === null ? undefined : job.gear[aim.carrierId];
  const height = carrier?.heightU ?? gear.heightU;
  const upright = gear.frame === 'upright';
  const width = upright ? bodyWidthMm(gear) : carrier ? widthMm : frontWidthMm(gear);
  const atLeft = (aim.face === 'left' || aim.face === 'rear-left') === (side === 'front');
  const x = upright ? (atLeft ? -width : widthMm) : (widthMm - width) / 2;
  const look = aim.fault
    ? 'border-wont border-dashed bg-wont/25 text-wont'
    : aim.warnings.length > 0
      ? 'border-bite border-double bg-bite/25 text-bite'
      : 'border-good bg-good/25 text-good';
  return (
    <div
      aria-hidden="true"
      className={`pointer-events-none absolute z-10 grid place-items-center border-4 font-bold ${look}`}
      style={{
        left: x * scale,
        width: width * scale,
        top: unitTop(rack, aim.bottomU + height - 1) * scale,
        height: (height * unitMm - panelReliefMm) * scale,
      }}
    >
      {!upright && (
        <span className="truncate rounded bg-sheet px-1.5 text-[13px] leading-tight">
          {aim.fault
            ? 'will not do'
            : aim.warnings.length > 0
              ? `${aimWords(job, gear, aim)}: will cause trouble`
              : aimWords(job, gear, aim)}
        </span>
      )}
    </div>
  );
}
