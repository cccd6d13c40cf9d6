import type { Sketch } from '@/core/job/jobListing';

/** The front of a cabinet the size of a thumb, to scale. */
export function CabinetSketch({ sketch, className }: { sketch: Sketch; className: string }) {
  const { name, units, widthMm, heightMm, boxes, ports } = sketch;
  const unitMm = heightMm / units;
  return (
    <svg
      viewBox={`-22 -14 ${widthMm + 44} ${heightMm + 28}`}
      className={className}
      role="img"
      aria-label={`${name}: ${boxes.length} devices in ${units} units`}
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
      <path
        d={Array.from({ length: units }, (_, at) => `M0 ${at * unitMm}h${widthMm}`).join('')}
        stroke="var(--rule)"
        strokeWidth={1.5}
      />
      <path d={boxes.map(boxPath).join('')} fill="var(--face)" stroke="var(--ink)" strokeWidth={3} />
      <path
        d={ports
          .flatMap(([x = 0, y, width, height, pitch = 0, count = 1]) =>
            Array.from({ length: count }, (_, at) => boxPath([x + at * pitch, y, width, height] as number[])),
          )
          .join('')}
        fill="var(--strong-rule)"
      />
    </svg>
  );
}

const boxPath = ([x = 0, y = 0, width = 0, height = 0]: number[]): string => `M${x} ${y}h${width}v${height}h${-width}z`;
