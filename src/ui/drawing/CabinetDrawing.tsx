import { naturalOrder } from '@/core/base/text/naturalOrder';
import type { Job } from '@/core/job/document/job';
import { elevation } from '@/core/job/rack/elevation';
import { boxPath, CabinetFrame } from './CabinetFrame';

/** A front drawing of a cabinet with what stands there, the first of its job where none is named, to scale. */
export function CabinetDrawing({
  job,
  rackId,
  className = '',
  markOf,
}: {
  job: Job;
  rackId?: string;
  className?: string;
  /** How a device is marked, if it is. */
  markOf?: (gearId: string) => { letter: string; ink: string; dash: string } | null;
}) {
  const [first] = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  const rack = rackId === undefined ? first : job.racks[rackId];
  if (!rack) return null;
  const { widthMm, heightMm, items: all } = elevation(job, rack);
  const items = all.filter((item) => item.face === 'front');
  return (
    <CabinetFrame
      widthMm={widthMm}
      heightMm={heightMm}
      units={rack.units}
      label={`${rack.name}: ${items.map((item) => `${item.place} ${item.name}`).join(', ') || 'empty'}`}
      className={className}
    >
      {items.map((item) => {
        const mark = markOf?.(item.gearId) ?? null;
        return (
          <g key={item.gearId}>
            <rect
              x={item.x}
              y={item.y}
              width={item.width}
              height={item.height}
              fill="var(--face)"
              stroke={mark?.ink ?? 'var(--ink)'}
              strokeWidth={mark ? 9 : 3}
              strokeDasharray={mark?.dash ?? ''}
            />
            {item.ports.length > 0 && (
              <path
                d={item.ports
                  .map(({ x, y, width, height }) => boxPath([item.x + x, item.y + y, width, height]))
                  .join('')}
                fill="var(--strong-rule)"
              />
            )}
            <text
              x={14}
              y={item.y + Math.min(item.height, 44) * 0.75}
              fontSize={34}
              fontWeight={650}
              fill="var(--ink)"
              stroke="var(--face)"
              strokeWidth={8}
              paintOrder="stroke"
              className="narrow"
            >
              {item.name.length > 22 ? `${item.name.slice(0, 21)}…` : item.name}
            </text>
            {mark && (
              <text
                x={item.x + item.width - 34}
                y={item.y + Math.min(item.height, 44) * 0.82}
                fontSize={40}
                fontWeight={800}
                fill={mark.ink}
              >
                {mark.letter}
              </text>
            )}
          </g>
        );
      })}
    </CabinetFrame>
  );
}
