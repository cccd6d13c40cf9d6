import type { Job } from '@/core/job/job';
import { elevation } from '@/core/rack/elevation';
import type { Rack } from '@/core/records/rack';
import { rackDimensions } from '@/core/standards/rackDimensions';

const SCALE = 0.72;

/** The front of a rack as it stands at a stage, to scale; what was touched last is marked. */
export function StageDrawing({ job, rack, touched }: { job: Job; rack: Rack; touched: string | null }) {
  const drawing = elevation(job, rack);
  const landed = new Map<string, number>();
  for (const cord of Object.values(job.cords))
    for (const id of [cord.panelId, cord.switchId]) landed.set(id, (landed.get(id) ?? 0) + 1);
  return (
    <figure className="min-w-0">
      <figcaption className="font-semibold text-[13px]">{rack.name}, front</figcaption>
      <svg
        data-drawn
        role="img"
        aria-label={`${rack.name}: ${drawing.items.map((item) => `${item.place} ${item.name}`).join(', ') || 'empty'}`}
        viewBox={`-34 -4 ${drawing.widthMm + 44} ${drawing.heightMm + 8}`}
        className="max-h-[62vh] w-full"
        style={{ maxWidth: (drawing.widthMm + 44) * SCALE * 1.4 }}
      >
        <rect
          x={-3}
          y={-3}
          width={drawing.widthMm + 6}
          height={drawing.heightMm + 6}
          fill="var(--well)"
          stroke="var(--strong)"
          strokeWidth={3}
        />
        {drawing.units.map(({ shown, y }) => (
          <text
            key={shown}
            x={-10}
            y={y + rackDimensions.unitMm / 2 + 5}
            fontSize={15}
            textAnchor="end"
            fill="var(--soft)"
            fontFamily="var(--font-mono)"
          >
            {shown}
          </text>
        ))}
        {drawing.items.map((item) => {
          const cords = landed.get(item.gearId) ?? 0;
          return (
            <g key={item.gearId}>
              <rect
                x={item.x}
                y={item.y}
                width={item.width}
                height={item.height}
                rx={3}
                fill="var(--face)"
                stroke={item.gearId === touched ? 'var(--trace)' : 'var(--ink)'}
                strokeWidth={item.gearId === touched ? 5 : 1.5}
              />
              <text x={item.x + 12} y={item.y + item.height / 2 + 6} fontSize={17} fill="var(--ink)">
                {item.shortName} {item.name.length > 30 ? '' : item.name}
              </text>
              {cords > 0 && (
                <text
                  x={item.x + item.width - 12}
                  y={item.y + item.height / 2 + 6}
                  fontSize={15}
                  textAnchor="end"
                  fill="var(--soft)"
                  fontFamily="var(--font-mono)"
                >
                  {cords} cords
                </text>
              )}
              <title>{`${item.place} ${item.name}`}</title>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
