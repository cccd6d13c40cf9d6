import type { Job } from '@/core/job/job';
import { elevation } from '@/core/rack/elevation';
import { naturalOrder } from '@/core/text/naturalOrder';

/** A small front drawing of a job's first cabinet, to scale. */
export function CabinetDrawing({ job, className = '' }: { job: Job; className?: string }) {
  const [rack] = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  if (!rack) return null;
  const { widthMm, heightMm, items, units } = elevation(job, rack);
  return (
    <svg
      viewBox={`-22 -14 ${widthMm + 44} ${heightMm + 28}`}
      className={className}
      role="img"
      aria-label={`${rack.name}: ${items.length} devices in ${rack.units} units`}
    >
      <rect
        x={-18}
        y={-10}
        width={widthMm + 36}
        height={heightMm + 20}
        fill="var(--well)"
        stroke="var(--ink)"
        strokeWidth={6}
      />
      {units.map((unit) => (
        <path key={unit.unitFromBottom} d={`M0 ${unit.y}h${widthMm}`} stroke="var(--rule)" strokeWidth={1.5} />
      ))}
      {items.map((item) => (
        <g key={item.gearId}>
          <rect
            x={item.x}
            y={item.y}
            width={item.width}
            height={item.height}
            fill="var(--face)"
            stroke="var(--ink)"
            strokeWidth={3}
          />
          {item.ports.map((port) => (
            <rect
              key={port.number}
              x={item.x + port.x}
              y={item.y + port.y}
              width={port.width}
              height={port.height}
              fill="var(--strong-rule)"
            />
          ))}
        </g>
      ))}
    </svg>
  );
}
