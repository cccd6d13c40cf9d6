import { memo, useEffect, useMemo, useRef } from 'react';
import { portKey } from '@/core/job/jobIndex';
import { isLive } from '@/core/job/records/run';
import { lineDashes } from '@/core/networks/networkMarks';
import type { PatchPlan } from '@/core/patching/planPatching';
import { formatLength } from '@/core/units/length';
import { useSession } from '../job/session';
import { useThemeName } from '../kit/theme';
import { columnsOf } from './loomColumns';
import type { Loom, LoomRow } from './loomLayout';
import { clipCurve, curvePath, type SCurve } from './sCurve';

type Places = { panel: Map<string, number>; device: Map<string, number>; network: Map<string, number> };
const placesOf = (loom: Loom): Places => ({
  panel: new Map(loom.panelPorts.map((port) => [port.key, port.y])),
  device: new Map(loom.switchPorts.map((port) => [port.key, port.y])),
  network: new Map(loom.networks.map(({ network, y }) => [network.id, y])),
});

/** `cordEnd`: where its cord comes to the switch port. */
type Strand = { row: LoomRow; curves: SCurve[]; cordEnd: { x: number; y: number } | null; low: number; high: number };
const LENGTH_PX = 10;
/** Room around the strand that is lit. */
const MARGIN_PX = 20;

/** The curves of one strand, from its outlet as far as it goes. */
function strandOf(row: LoomRow, places: Places, width: number): Strand {
  const x = columnsOf(width);
  const { landing, cord, run } = row.trace;
  const curves: SCurve[] = [];
  let cordEnd: Strand['cordEnd'] = null;
  if (run.outlet) curves.push([x.outlet + 4, row.outletY, x.run - 22, row.y]);
  const panelY = landing && places.panel.get(portKey(landing.panelId, landing.port));
  if (panelY != null) {
    curves.push([x.run + 22, row.y, x.panel - 14, panelY]);
    const deviceY = cord && places.device.get(portKey(cord.switchId, cord.switchPort));
    if (deviceY != null) {
      cordEnd = { x: x.device - 20, y: deviceY };
      curves.push([x.panel + 14, panelY, cordEnd.x, cordEnd.y]);
      const networkY = places.network.get(run.networkId ?? '');
      if (networkY !== undefined) curves.push([x.device + 20, deviceY, x.network, networkY]);
    }
  }
  const ys = curves.flatMap(([, y1, , y2]) => [y1, y2]);
  return { row, curves, cordEnd, low: Math.min(...ys), high: Math.max(...ys) };
}

/** Height of a sheet. Sheets are painted once and then scrolled, not painted anew. */
const SHEET_PX = 160;

/** What is painted on every sheet. */
type Drawing = {
  strands: Strand[];
  /** Where a landed run waits for its cord. */
  loose: number[];
  proposed: SCurve[];
  /** Lengths of cords, beside the switch ports that they end at. */
  lengths: { y: number; words: string }[];
  width: number;
};

/**
 * The strands, painted on sheets that lie above the rows and ports, so that these scroll as one piece. Only sheets near
 * the view are kept; the one strand that is pointed at or selected lies above those.
 */
export function LoomStrands({
  loom,
  width,
  near,
  proposal,
}: {
  loom: Loom;
  width: number;
  near: { from: number; to: number };
  proposal: PatchPlan | null;
}) {
  const units = useSession((session) => session.job.units);
  const drawing = useMemo<Drawing>(() => {
    const places = placesOf(loom);
    const x = columnsOf(width);
    const loose = loom.rows.flatMap(({ run, trace: { landing, cord } }) =>
      landing && !cord && isLive(run) ? (places.panel.get(portKey(landing.panelId, landing.port)) ?? []) : [],
    );
    const proposed = (proposal?.cords ?? []).flatMap((cord): SCurve[] => {
      const from = places.panel.get(portKey(cord.panelId, cord.panelPort));
      const to = places.device.get(portKey(cord.switchId, cord.switchPort));
      return from === undefined || to === undefined ? [] : [[x.panel + 14, from, x.device - 20, to]];
    });
    const lengths = loom.rows.flatMap(({ trace: { cord, cordMm } }) => {
      const y = cord && places.device.get(portKey(cord.switchId, cord.switchPort));
      return y == null || cordMm === null ? [] : [{ y, words: formatLength(cordMm, units) }];
    });
    return { strands: loom.rows.map((row) => strandOf(row, places, width)), loose, proposed, lengths, width };
  }, [loom, width, proposal, units]);
  const tops: number[] = [];
  for (let top = 0; top < loom.height; top += SHEET_PX)
    if (top + SHEET_PX >= near.from && top <= near.to) tops.push(top);
  return (
    <div aria-hidden="true">
      {tops.map((top) => (
        <Sheet key={top} top={top} drawing={drawing} />
      ))}
      <LitStrand drawing={drawing} />
    </div>
  );
}

const Sheet = memo(function Sheet({ top, drawing }: { top: number; drawing: Drawing }) {
  const sheet = useRef<HTMLCanvasElement>(null);
  const theme = useThemeName();
  const { width } = drawing;
  useEffect(() => {
    const canvas = sheet.current;
    const shown = canvas?.getContext('bitmaprenderer');
    const scale = window.devicePixelRatio || 1;
    // Painted apart and shown as a picture: a canvas that is drawn on is made anew at each frame of scrolling.
    const painted = new OffscreenCanvas(Math.round(width * scale), Math.round(SHEET_PX * scale));
    const context = painted.getContext('2d');
    if (!canvas || !shown || !context) return;
    const style = getComputedStyle(canvas);
    const inks = new Map<string, string>();
    const ink = (name: string) => {
      const known = inks.get(name) ?? style.getPropertyValue(`--${name}`).trim();
      inks.set(name, known);
      return known;
    };
    // The theme is read with the colours.
    void theme;
    context.setTransform(scale, 0, 0, scale, 0, -top * scale);
    const [from, to] = [top - 6, top + SHEET_PX + 6];
    const stroke = (curves: SCurve[], dashes: readonly number[]) => {
      for (const curve of curves) {
        const clipped = clipCurve(curve, from, to);
        if (!clipped) continue;
        const [x1, y1, x2, y2, x3, y3, x4, y4] = clipped.points;
        context.setLineDash([...dashes]);
        context.lineDashOffset = dashes.length > 0 ? clipped.before : 0;
        context.beginPath();
        context.moveTo(x1, y1);
        context.bezierCurveTo(x2, y2, x3, y3, x4, y4);
        context.stroke();
      }
    };
    for (const { row, curves, low, high } of drawing.strands) {
      if (high < from || low > to) continue;
      const { network, cord } = row.trace;
      context.globalAlpha = cord ? 0.85 : 0.5;
      context.lineWidth = cord ? 2 : 1.2;
      context.strokeStyle = network ? ink(`net-${network.colour}`) : ink('soft');
      stroke(curves, network ? lineDashes[network.pattern] : []);
    }
    context.globalAlpha = 1;
    context.lineWidth = 2.4;
    context.strokeStyle = ink('act');
    stroke(drawing.proposed, [5, 4]);
    context.setLineDash([]);
    context.font = `${LENGTH_PX}px ${style.fontFamily}`;
    context.textAlign = 'right';
    context.textBaseline = 'middle';
    for (const { y, words } of drawing.lengths) {
      if (y < from || y > to) continue;
      const right = columnsOf(width).device - 23;
      const wide = context.measureText(words).width;
      context.fillStyle = ink('paper');
      context.fillRect(right - wide - 2, y - LENGTH_PX / 2, wide + 3, LENGTH_PX);
      context.fillStyle = ink('soft');
      context.fillText(words, right, y);
    }
    context.lineWidth = 2;
    context.strokeStyle = ink('bite');
    context.fillStyle = ink('paper');
    const x = columnsOf(width).panel + 19;
    for (const y of drawing.loose) {
      if (y < from || y > to) continue;
      context.beginPath();
      context.arc(x, y, 3.4, 0, 2 * Math.PI);
      context.fill();
      context.stroke();
    }
    shown.transferFromImageBitmap(painted.transferToImageBitmap());
  }, [drawing, top, width, theme]);
  return (
    <canvas
      ref={sheet}
      className="pointer-events-none absolute left-0 block"
      style={{ top, width, height: SHEET_PX }}
    />
  );
});

function LitStrand({ drawing }: { drawing: Drawing }) {
  const units = useSession((session) => session.job.units);
  const lit = useSession((session) => session.pointedRunId ?? session.selectedRunId);
  const strand = lit === null ? undefined : drawing.strands.find(({ row }) => row.run.id === lit);
  if (!strand || strand.curves.length === 0) return null;
  const top = strand.low - MARGIN_PX;
  const height = strand.high - strand.low + 2 * MARGIN_PX;
  const path = strand.curves.map(curvePath).join('');
  const { cordEnd } = strand;
  const { cordMm } = strand.row.trace;
  return (
    <svg
      aria-hidden="true"
      className="pointer-events-none absolute left-0"
      style={{ top }}
      width={drawing.width}
      height={height}
      viewBox={`0 ${top} ${drawing.width} ${height}`}
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
