import type { ReactNode } from 'react';

/** A rack with its units, empty, to scale: what stands in it is drawn into it in the same millimetres. */
export function CabinetFrame({
  widthMm,
  heightMm,
  units,
  label,
  className,
  children,
}: {
  widthMm: number;
  heightMm: number;
  units: number;
  /** What it is called for those who do not see it. */
  label: string;
  className: string;
  children: ReactNode;
}) {
  const unitMm = heightMm / units;
  return (
    <svg viewBox={`-22 -14 ${widthMm + 44} ${heightMm + 28}`} className={className} role="img" aria-label={label}>
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
      {children}
    </svg>
  );
}

/** A box of a path. */
export const boxPath = ([x = 0, y = 0, width = 0, height = 0]: readonly number[]): string =>
  `M${x} ${y}h${width}v${height}h${-width}z`;
