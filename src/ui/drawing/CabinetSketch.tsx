import type { Sketch } from '@/core/job/document/jobListing';
import { boxPath, CabinetFrame } from './CabinetFrame';

/** The front of a cabinet the size of a thumb, to scale. */
export function CabinetSketch({ sketch, className }: { sketch: Sketch; className: string }) {
  const { name, units, widthMm, heightMm, boxes, ports } = sketch;
  const each = ports.flatMap(([x = 0, y = 0, width = 0, height = 0, pitch = 0, count = 1]) =>
    Array.from({ length: count }, (_, at) => [x + at * pitch, y, width, height]),
  );
  return (
    <CabinetFrame
      widthMm={widthMm}
      heightMm={heightMm}
      units={units}
      label={`${name}: ${boxes.length} devices in ${units} units`}
      className={className}
    >
      <path d={boxes.map(boxPath).join('')} fill="var(--face)" stroke="var(--ink)" strokeWidth={3} />
      <path d={each.map(boxPath).join('')} fill="var(--strong-rule)" />
    </CabinetFrame>
  );
}
