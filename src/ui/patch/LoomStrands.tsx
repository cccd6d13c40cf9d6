import { type RefObject, useEffect, useMemo, useRef } from 'react';
import { portKey } from '@/core/job/jobIndex';
import { isLive } from '@/core/job/records/run';
import type { PatchPlan } from '@/core/patching/planPatching';
import { useSession } from '../job/session';
import { DASHES } from '../kit/NetworkMark';
import { useThemeName } from '../kit/theme';
import type { Loom, LoomRow } from './loomLayout';

/** Shares of the width at which the columns stand: room and outlet, run, panel port, switch port, network. */
export const COLUMNS = { run: 0.315, panel: 0.5, device: 0.735, network: 0.925 };
/** Height of the heads of the columns, which stay while the rest scrolls. */
const HEADS_PX = 20;

type Places = { panel: Map<string, number>; device: Map<string, number>; network: Map<string, number> };
const placesOf = (loom: Loom): Places => ({
  panel: new Map(loom.panelPorts.map((port) => [port.key, port.y])),
  device: new Map(loom.switchPorts.map((port) => [port.key, port.y])),
  network: new Map(loom.networks.map(({ network, y }) => [network.id, y])),
});

/** One piece of a strand, from stop to stop. */
type Piece = [x1: number, y1: number, x2: number, y2: number];
type Strand = { row: LoomRow; pieces: Piece[]; low: number; high: number };

/** The pieces of one strand, from its run as far as it goes. */
function strandOf(row: LoomRow, places: Places, width: number): Strand | null {
  const x = (share: number) => Math.round(width * share);
  const { landing, cord, run } = row.trace;
  const panelY = landing && places.panel.get(portKey(landing.panelId, landing.port));
  if (panelY == null) return null;
  const pieces: Piece[] = [[x(COLUMNS.run) + 22, row.y, x(COLUMNS.panel) - 14, panelY]];
  const deviceY = cord && places.device.get(portKey(cord.switchId, cord.switchPort));
  if (deviceY != null) {
    pieces.push([x(COLUMNS.panel) + 14, panelY, x(COLUMNS.device) - 20, deviceY]);
    const networkY = places.network.get(run.networkId ?? '');
    if (networkY !== undefined) pieces.push([x(COLUMNS.device) + 20, deviceY, x(COLUMNS.network), networkY]);
  }
  const ys = pieces.flatMap(([, y1, , y2]) => [y1, y2]);
  return { row, pieces, low: Math.min(...ys), high: Math.max(...ys) };
}

/**
 * The strands, drawn on one sheet as large as the view that follows the scrolling: hundreds of curves are painted in
 * the time that one frame has. What can be picked up lies above it.
 */
export function LoomStrands({
  frame,
  loom,
  width,
  height,
  proposal,
}: {
  frame: RefObject<HTMLDivElement | null>;
  loom: Loom;
  width: number;
  height: number;
  proposal: PatchPlan | null;
}) {
  const sheet = useRef<HTMLCanvasElement>(null);
  const theme = useThemeName();
  const lit = useSession((session) => session.pointedRunId ?? session.selectedRunId);
  const places = useMemo(() => placesOf(loom), [loom]);
  const strands = useMemo(() => loom.rows.flatMap((row) => strandOf(row, places, width) ?? []), [loom, places, width]);
  const tall = Math.max(1, Math.round(height - HEADS_PX));

  useEffect(() => {
    const element = frame.current;
    const canvas = sheet.current;
    const context = canvas?.getContext('2d');
    if (!element || !canvas || !context) return;
    const style = getComputedStyle(canvas);
    const inks = new Map<string, string>();
    const ink = (name: string) => {
      const known = inks.get(name) ?? style.getPropertyValue(`--${name}`).trim();
      inks.set(name, known);
      return known;
    };
    // The theme is read with the colours.
    void theme;
    const scale = window.devicePixelRatio || 1;
    canvas.width = Math.round(width * scale);
    canvas.height = Math.round(tall * scale);
    const x = (share: number) => Math.round(width * share);
    const trail = (pieces: Piece[]) => {
      context.beginPath();
      for (const [x1, y1, x2, y2] of pieces) {
        const middle = (x1 + x2) / 2;
        context.moveTo(x1, y1);
        context.bezierCurveTo(middle, y1, middle, y2, x2, y2);
      }
      context.stroke();
    };
    const dashes = (pattern: string | undefined) => context.setLineDash(pattern ? pattern.split(' ').map(Number) : []);
    const draw = () => {
      const top = element.scrollTop;
      context.setTransform(scale, 0, 0, scale, 0, -top * scale);
      context.clearRect(0, top, width, tall);
      for (const { row, pieces, low, high } of strands) {
        if (high < top || low > top + tall) continue;
        const { network, cord } = row.trace;
        context.globalAlpha = cord ? 0.85 : 0.5;
        context.lineWidth = cord ? 2 : 1.2;
        context.strokeStyle = network ? ink(`net-${network.colour}`) : ink('soft');
        dashes(network ? DASHES[network.pattern] : undefined);
        trail(pieces);
      }
      context.globalAlpha = 1;
      dashes(undefined);
      context.lineWidth = 2;
      context.strokeStyle = ink('bite');
      context.fillStyle = ink('paper');
      for (const { run, trace } of loom.rows) {
        if (!trace.landing || trace.cord || !isLive(run)) continue;
        const y = places.panel.get(portKey(trace.landing.panelId, trace.landing.port));
        if (y === undefined || y < top - 5 || y > top + tall + 5) continue;
        context.beginPath();
        context.arc(x(COLUMNS.panel) + 19, y, 3.4, 0, 2 * Math.PI);
        context.fill();
        context.stroke();
      }
      context.strokeStyle = ink('act');
      context.lineWidth = 2.4;
      context.setLineDash([5, 4]);
      for (const cord of proposal?.cords ?? []) {
        const from = places.panel.get(portKey(cord.panelId, cord.panelPort));
        const to = places.device.get(portKey(cord.switchId, cord.switchPort));
        if (from !== undefined && to !== undefined) trail([[x(COLUMNS.panel) + 14, from, x(COLUMNS.device) - 20, to]]);
      }
      context.setLineDash([]);
      const here = strands.find(({ row }) => row.run.id === lit);
      if (here) {
        for (const [colour, thick] of [
          ['paper', 7],
          ['trace', 4],
        ] as const) {
          context.strokeStyle = ink(colour);
          context.lineWidth = thick;
          trail(here.pieces);
        }
      }
    };
    draw();
    element.addEventListener('scroll', draw, { passive: true });
    return () => element.removeEventListener('scroll', draw);
  }, [frame, strands, places, loom, proposal, lit, width, tall, theme]);

  return (
    <div
      aria-hidden="true"
      className="pointer-events-none sticky"
      style={{ top: HEADS_PX, width, height: tall, marginBottom: -tall }}
    >
      <canvas ref={sheet} className="block" style={{ width, height: tall }} />
    </div>
  );
}
