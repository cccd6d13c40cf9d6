import { memo } from 'react';
import { rackDimensions } from '@/core/base/standards/rackDimensions';
import { formatSize, type Units } from '@/core/base/units/length';
import { plugFrontMm, plugRearMm } from '@/core/job/gear/body';
import { type Elevation, type ElevationItem, elevation, unitTop } from '@/core/job/rack/elevation';
import { depthsOf } from '@/core/job/rack/space';
import { sideOf } from '@/core/job/records/placement';
import type { Rack } from '@/core/job/records/rack';
import { useSession } from '../session/session';
import { useCarrying } from './carrying';

const MARGIN = 14;

/** How far the side view reaches before the rails and behind them, millimetres. */
export function sideReach(rack: Rack, items: readonly ElevationItem[]) {
  const before = Math.max(rack.frontClearanceMm ?? 0, ...items.map((item) => item.plugFrontMm));
  const behind = Math.max(
    rack.depthMm,
    ...items.map((item) => item.backMm + (item.face === 'front' ? item.plugRearMm : 0)),
  );
  return { before: before + MARGIN, behind: behind + MARGIN };
}

/** The rack from the side: how deep each device is with its plugs, against the rails, the back and the door. */
export function RackSide({ rack, scale }: { rack: Rack; scale: number }) {
  const job = useSession((session) => session.job);
  const drawing = elevation(job, rack);
  const { items, heightMm } = drawing;
  const door = rack.frontClearanceMm ?? 0;
  const { before, behind } = sideReach(rack, items);
  const width = before + behind;
  return (
    <figure className="shrink-0">
      <figcaption className="narrow mb-1 text-center text-soft text-xs">
        Side: {door > 0 && `door ${formatSize(door, job.units)} · `}rails · {formatSize(rack.depthMm, job.units)} to the
        back
      </figcaption>
      <svg
        role="img"
        aria-label={`Side view: ${formatSize(rack.depthMm, job.units)} usable depth`}
        viewBox={`${-before} 0 ${width} ${heightMm}`}
        width={width * scale}
        height={heightMm * scale}
        className="block overflow-visible"
      >
        <Box rack={rack} drawing={drawing} door={door} />
        {items.map((item) => (
          <Body key={item.gearId} item={item} units={job.units} scale={scale} />
        ))}
        <SideGhost rack={rack} />
        <path d={`M0 0V${heightMm}`} stroke="var(--ink)" strokeWidth={5} />
        <path d={`M${rack.depthMm} 0V${heightMm}`} stroke="var(--ink)" strokeWidth={3} />
      </svg>
    </figure>
  );
}

const Box = memo(
  function Box({ rack, drawing, door }: { rack: Rack; drawing: Elevation; door: number }) {
    const { heightMm, units, rearRails } = drawing;
    return (
      <>
        <rect x={0} y={0} width={rack.depthMm} height={heightMm} fill="var(--well)" />
        <path d={units.map(({ y }) => `M0 ${y}H${rack.depthMm}`).join('')} stroke="var(--rule)" strokeWidth={1} />
        {rearRails.map((rail) => (
          <rect
            key={`${rail.depthMm} ${rail.y}`}
            x={rail.depthMm - 3}
            y={rail.y}
            width={6}
            height={rail.height}
            fill="var(--strong-rule)"
            opacity={0.65}
          />
        ))}
        {door > 0 && (
          <path d={`M${-door} 0V${heightMm}`} stroke="var(--soft)" strokeWidth={2.5} strokeDasharray="10 6" />
        )}
      </>
    );
  },
  (was, is) => was.rack === is.rack,
);

const Body = memo(function Body({ item, units, scale }: { item: ElevationItem; units: Units; scale: number }) {
  const held = useCarrying(({ carried }) => carried?.gearId === item.gearId);
  const plug = { fill: 'none', stroke: 'var(--soft)', strokeWidth: 1.6, strokeDasharray: '6 4' };
  const inset = Math.min(8, item.height / 5);
  const size = Math.max(17, 10.5 / scale);
  return (
    <g opacity={held ? 0.35 : 1}>
      <rect
        x={item.frontMm}
        y={item.y}
        width={item.backMm - item.frontMm}
        height={item.height}
        fill={item.tooDeep ? 'color-mix(in srgb, var(--wont) 30%, var(--face))' : 'var(--face)'}
        stroke={item.tooDeep ? 'var(--wont)' : 'var(--ink)'}
        strokeWidth={item.tooDeep ? 3 : 1.4}
      />
      {item.face === 'front' && item.plugFrontMm > 0 && (
        <rect
          x={-item.plugFrontMm}
          y={item.y + inset}
          width={item.plugFrontMm}
          height={item.height - 2 * inset}
          {...plug}
        />
      )}
      {item.face === 'front' && item.plugRearMm > 0 && (
        <rect x={item.backMm} y={item.y + inset} width={item.plugRearMm} height={item.height - 2 * inset} {...plug} />
      )}
      {item.carried.map((one) => (
        <rect
          key={one.gearId}
          x={one.frontMm}
          y={one.y}
          width={one.backMm - one.frontMm}
          height={one.height}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={1}
        />
      ))}
      {item.depthMm > 130 && item.carried.length === 0 && (
        <text
          x={item.backMm - 8}
          y={item.y + item.height / 2 + size / 3}
          fontSize={size}
          textAnchor="end"
          fill="var(--soft)"
          className="narrow"
        >
          {formatSize(item.depthMm, units)}
        </text>
      )}
    </g>
  );
});

/** The device in the hand from the side, plugs and all. */
function SideGhost({ rack }: { rack: Rack }) {
  const carried = useCarrying((state) => state.carried);
  const gear = useSession((session) => session.job.gear[carried?.gearId ?? '']);
  const aim = carried?.aim;
  if (!gear || !aim || aim.rackId !== rack.id || aim.carrierId !== null) return null;
  const rear = sideOf(aim.face) === 'rear';
  const { frontMm } = depthsOf(rack, gear, aim.face);
  const [front, rearPlug] = [plugFrontMm(gear), plugRearMm(gear)];
  const y = unitTop(rack, aim.bottomU + gear.heightU - 1);
  const height = gear.heightU * rackDimensions.unitMm;
  const stroke = aim.fault ? 'var(--wont)' : aim.warnings.length > 0 ? 'var(--bite)' : 'var(--good)';
  const dash = aim.fault ? { strokeDasharray: '12 7' } : {};
  return (
    <g fill="none" stroke={stroke} strokeWidth={5} {...dash}>
      <rect x={frontMm} y={y} width={gear.depthMm} height={height} />
      {!rear && front > 0 && <rect x={-front} y={y + 8} width={front} height={height - 16} strokeWidth={2.5} />}
      {!rear && rearPlug > 0 && (
        <rect x={gear.depthMm} y={y + 8} width={rearPlug} height={height - 16} strokeWidth={2.5} />
      )}
    </g>
  );
}
