import type { Rack } from '@/core/job/records/rack';
import { elevation, unitTop } from '@/core/rack/elevation';
import { rackDimensions } from '@/core/standards/rackDimensions';
import { formatSize } from '@/core/units/length';
import { useSession } from '../job/session';
import type { Carried } from './carried';

const MARGIN = 14;

/** The same rack from the side: how deep each device is against the rails, the back and the door. */
export function RackSide({ rack, scale, carried }: { rack: Rack; scale: number; carried: Carried | null }) {
  const job = useSession((session) => session.job);
  const { items, heightMm, units } = elevation(job, rack);
  const door = rack.frontClearanceMm ?? 0;
  const gear = job.gear[carried?.gearId ?? ''];
  const deepest = Math.max(rack.depthMm, gear?.depthMm ?? 0, ...items.map((item) => item.depthMm));
  const width = door + deepest + MARGIN * 2;
  return (
    <figure className="shrink-0">
      <figcaption className="narrow mb-1 text-center text-soft text-xs">
        Side: {door > 0 && `door ${formatSize(door, job.units)} · `}rails · {formatSize(rack.depthMm, job.units)} to the
        back
      </figcaption>
      <svg
        role="img"
        aria-label={`Side view: ${formatSize(rack.depthMm, job.units)} usable depth`}
        viewBox={`${-door - MARGIN} 0 ${width} ${heightMm}`}
        width={width * scale}
        height={heightMm * scale}
        className="block overflow-visible"
      >
        <rect x={0} y={0} width={rack.depthMm} height={heightMm} fill="var(--well)" />
        {units.map(({ unitFromBottom, y }) => (
          <path key={unitFromBottom} d={`M0 ${y}H${rack.depthMm}`} stroke="var(--rule)" strokeWidth={1} />
        ))}
        {door > 0 && (
          <path d={`M${-door} 0V${heightMm}`} stroke="var(--soft)" strokeWidth={2.5} strokeDasharray="10 6" />
        )}
        {items.map((item) => (
          <g key={item.gearId} opacity={carried?.gearId === item.gearId ? 0.35 : 1}>
            <rect
              x={0}
              y={item.y}
              width={item.depthMm}
              height={item.height}
              fill={item.tooDeep ? 'color-mix(in srgb, var(--wont) 30%, var(--face))' : 'var(--face)'}
              stroke={item.tooDeep ? 'var(--wont)' : 'var(--ink)'}
              strokeWidth={item.tooDeep ? 3 : 1.4}
            />
            {item.depthMm > 130 && (
              <text
                x={item.depthMm - 8}
                y={item.y + item.height / 2 + 5}
                fontSize={17}
                textAnchor="end"
                fill="var(--soft)"
                className="narrow"
              >
                {formatSize(item.depthMm, job.units)}
              </text>
            )}
          </g>
        ))}
        {gear && carried && carried.bottomU !== null && (
          <rect
            x={0}
            y={unitTop(rack, carried.bottomU + gear.heightU - 1)}
            width={gear.depthMm}
            height={gear.heightU * rackDimensions.unitMm}
            fill="none"
            stroke={carried.fault ? 'var(--wont)' : 'var(--good)'}
            strokeWidth={5}
            strokeDasharray={carried.fault ? '12 7' : undefined}
          />
        )}
        <path d={`M0 0V${heightMm}`} stroke="var(--ink)" strokeWidth={5} />
        <path d={`M${rack.depthMm} 0V${heightMm}`} stroke="var(--ink)" strokeWidth={3} />
      </svg>
    </figure>
  );
}
