import { useEffect, useMemo, useRef } from 'react';
import { formatLength } from '@/core/base/units/length';
import type { PatchPlan } from '@/core/trade/patching/planPatching';
import { useSession } from '../session/session';
import type { Span } from './drawnSpan';
import type { Loom } from './loomLayout';
import { SeenStrands } from './SeenStrands';
import { LENGTH_PX, StrandSheet } from './StrandSheet';
import { curvePath } from './sCurve';
import { placesOf, strandOf } from './strand';
import { SHEET_PX, type Sheet, strandSheets } from './strandSheets';

/**
 * The strands, painted on sheets that lie above the rows and ports, so that these scroll as one piece. The one strand
 * that is pointed at or selected lies above the sheets.
 */
export function LoomStrands({
  loom,
  width,
  drawn,
  proposal,
}: {
  loom: Loom;
  width: number;
  drawn: Span;
  proposal: PatchPlan | null;
}) {
  const units = useSession((session) => session.job.units);
  const former = useRef<Sheet[]>([]);
  const sheets = useMemo(
    () => strandSheets(former.current, loom, width, proposal, units),
    [loom, width, proposal, units],
  );
  useEffect(() => {
    former.current = sheets;
  }, [sheets]);
  return (
    <div aria-hidden="true">
      {sheets
        .filter(({ top }) => top + SHEET_PX >= drawn.from && top <= drawn.to)
        .map((sheet) => (
          <StrandSheet key={sheet.top} sheet={sheet} width={width} />
        ))}
      <SeenStrands loom={loom} width={width} />
      <LitStrand loom={loom} width={width} />
    </div>
  );
}

/** Room around the strand that is lit. */
const MARGIN_PX = 20;

function LitStrand({ loom, width }: { loom: Loom; width: number }) {
  const units = useSession((session) => session.job.units);
  const lit = useSession((session) => session.pointedRunId ?? session.selectedRunId);
  const places = useMemo(() => placesOf(loom), [loom]);
  const row = loom.rows.find(({ run }) => run.id === lit);
  if (!row) return null;
  const { curves, cordEnd } = strandOf(row, places, width);
  if (curves.length === 0) return null;
  const ys = curves.flatMap(([, y1, , y2]) => [y1, y2]);
  const top = Math.min(...ys) - MARGIN_PX;
  const height = Math.max(...ys) + MARGIN_PX - top;
  const path = curves.map(curvePath).join('');
  const { cordMm } = row.trace;
  return (
    <svg
      aria-hidden="true"
      className="pointer-events-none absolute left-0"
      style={{ top }}
      width={width}
      height={height}
      viewBox={`0 ${top} ${width} ${height}`}
      fill="none"
    >
      <path d={path} stroke="var(--paper)" strokeWidth="7" />
      <path d={path} stroke="var(--trace)" strokeWidth="4" />
      {/* Just over what the sheet says of its length, which it hides. */}
      {cordEnd && cordMm !== null && (
        <text
          x={cordEnd.x - 3}
          y={cordEnd.y}
          textAnchor="end"
          dominantBaseline="central"
          fontSize={LENGTH_PX + 1}
          fontWeight={700}
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth={6}
          strokeLinejoin="round"
          paintOrder="stroke"
        >
          {formatLength(cordMm, units)}
        </text>
      )}
    </svg>
  );
}
