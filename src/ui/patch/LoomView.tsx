'use client';

import { startTransition, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Grade } from '@/core/base/text/grade';
import type { Gathering } from '@/core/findings/wiring/gatherRuns';
import type { Run } from '@/core/job/records/run';
import type { PatchPlan } from '@/core/trade/patching/planPatching';
import { networkInk } from '../kit/NetworkMark';
import { CarryGround } from '../kit/RunCarrier';
import { useSession } from '../session/session';
import { useJudged } from '../session/useJudged';
import { OutletsPiece, RowsPiece, SocketsPiece } from './ColumnPieces';
import { drawnFor, drawnMore, type Span } from './drawnSpan';
import { LoomStrands } from './LoomStrands';
import { columnsOf } from './loomColumns';
import { type End, type LoomActions, ROW, type RowSize } from './loomHandling';
import { type Loom, type LoomHead, layLoom } from './loomLayout';
import { type LoomPieces, loomPieces, PIECE_PX, type Piece } from './loomPieces';
import { steadyLoom } from './steadyLoom';

/** Narrower than this the columns do not stand clear of each other. */
const LEAST_PX = 580;
/** Between two pieces that are drawn while nothing else is to be done. */
const PAUSE_MS = 60;

/** The same functions at every drawing, which do what the last ones given do. */
function useSteady(actions: LoomActions): LoomActions {
  const last = useRef(actions);
  useLayoutEffect(() => {
    last.current = actions;
  });
  return useMemo(
    () => ({
      onPickUp: (...all) => last.current.onPickUp(...all),
      onBring: (...all) => last.current.onBring(...all),
      onUnpatch: (...all) => last.current.onUnpatch(...all),
    }),
    [],
  );
}

/** The loom: rows are runs gathered by room; every run is one strand from its outlet to its network. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: what is drawn, held and scrolled shares the measures of one frame
export function LoomView({
  carried,
  end,
  seek,
  proposal,
  big,
  gathering,
  ...actions
}: {
  carried: Run | null;
  end: End;
  seek: boolean;
  proposal: PatchPlan | null;
  big: boolean;
  gathering: Gathering;
} & LoomActions) {
  const job = useSession((session) => session.job);
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 980, height: 560 });
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const judged = useJudged();
  const grades = useMemo(() => {
    const worst = new Map<string, Grade>();
    // Snags come gravest first.
    const snags = judged?.rules.findSnags(judged.job) ?? [];
    for (const snag of snags) for (const id of snag.runIds) if (!worst.has(id)) worst.set(id, snag.grade);
    return worst;
  }, [judged]);
  const former = useRef<{ loom: Loom; pieces: LoomPieces } | null>(null);
  const { loom, pieces } = useMemo(() => {
    const proposed = proposal?.cords.map((cord) => cord.switchId) ?? [];
    const now = layLoom(job, size.height - 24, ROW[big ? 'big' : 'fit'], new Set([...opened, ...proposed]), gathering);
    const steadied = steadyLoom(former.current?.loom ?? null, now);
    return { loom: steadied, pieces: loomPieces(former.current?.pieces ?? null, steadied) };
  }, [job, size.height, big, opened, proposal, gathering]);
  useEffect(() => {
    former.current = { loom, pieces };
  }, [loom, pieces]);
  const steady = useSteady(actions);
  // What is near the view comes first, the rest piece by piece: what is drawn already scrolls without any work.
  const [drawn, setDrawn] = useState<Span>(() =>
    drawnFor({ from: 0, to: 0 }, { from: 0, to: size.height }, loom.height),
  );
  const draw = useCallback(
    (by: typeof drawnFor) => {
      const element = frame.current;
      if (!element) return;
      const { scrollTop, clientHeight } = element;
      const view = { from: scrollTop, to: scrollTop + clientHeight };
      startTransition(() => setDrawn((now) => by(now, view, loom.height)));
    },
    [loom.height],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: a higher view shows more
  useEffect(() => draw(drawnFor), [draw, size.height]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each piece calls for the next
  useEffect(() => {
    const later = setTimeout(() => draw(drawnMore), PAUSE_MS);
    return () => clearTimeout(later);
  }, [draw, drawn]);
  const selectedId = useSession((session) => session.selectedRunId);
  useEffect(() => {
    const element = frame.current;
    const row = loom.rows.find(({ run }) => run.id === selectedId);
    if (!element || !row) return;
    if (row.y < element.scrollTop || row.y > element.scrollTop + element.clientHeight - 40)
      element.scrollTop = Math.max(0, row.y - element.clientHeight / 2);
  }, [selectedId, loom]);
  const turn = (id: string) =>
    setOpened((now) => (now.has(id) ? new Set([...now].filter((one) => one !== id)) : new Set([...now, id])));
  // Picked up by key or button, the strand goes on at the first port that suits it.
  useEffect(() => {
    const element = frame.current;
    if (!seek || !element) return;
    const fits = [...element.querySelectorAll<HTMLElement>('[data-fits]')];
    const edge = element.getBoundingClientRect().top;
    (fits.find((one) => one.getBoundingClientRect().top >= edge) ?? fits[0])?.focus();
  }, [seek]);

  const near = <T,>(all: Piece<T>[]) => all.filter(({ top }) => top + PIECE_PX > drawn.from && top < drawn.to);
  const first = near(pieces.rows)[0]?.items[0]?.index ?? 0;
  const rows: RowSize = big ? 'big' : 'fit';
  const width = Math.max(LEAST_PX, size.width);
  const columns = useMemo(() => columnsOf(width), [width]);
  return (
    <div
      ref={frame}
      // Its own ground lets it scroll as one layer.
      className="relative mx-3 min-h-80 min-w-0 flex-1 overflow-auto bg-paper"
      data-testid="loom"
      // All strands at once: large rows, Find, the list of cords and the keys do the same with a thumb.
      data-drawn=""
      onScroll={() => draw(drawnFor)}
    >
      <div
        className="narrow sticky top-0 z-20 h-5 border-strong border-b bg-paper font-bold text-xs"
        style={{ width }}
        aria-hidden="true"
      >
        <span className="absolute left-0">Room</span>
        <span className="absolute" style={{ left: columns.row + 4 }}>
          Device
        </span>
        <span className="absolute -translate-x-full" style={{ left: columns.outlet }}>
          Outlet
        </span>
        <span className="absolute -translate-x-1/2" style={{ left: columns.run }}>
          Run
        </span>
        <span className="absolute -translate-x-1/2" style={{ left: columns.panel }}>
          Panel port
        </span>
        <span className="absolute -translate-x-full" style={{ left: columns.device - 38 }}>
          Cord
        </span>
        <span className="absolute -translate-x-1/2" style={{ left: columns.device }}>
          Switch port
        </span>
        <span className={columns.narrow ? 'hidden' : 'absolute'} style={{ left: columns.network - 26 }}>
          Network
        </span>
      </div>
      {loom.rows.length === 0 && (
        <p className="mt-6">
          {Object.keys(job.runs).length === 0 ? 'No runs yet: they come in at Runs.' : 'No run is like that.'}
        </p>
      )}
      <CarryGround id="loom" className="relative" style={{ height: loom.height, width }}>
        {loom.rooms.map((room) => (
          <div
            key={room.key}
            className="absolute left-0 flex items-center border-strong border-r-2 pr-1.5"
            style={{ top: room.y + 1, height: room.height - 2, width: columns.row - 6 }}
          >
            <span
              title={room.words}
              className="narrow line-clamp-2 w-full break-words text-right font-semibold text-xs leading-[12px]"
            >
              {room.words}
            </span>
          </div>
        ))}
        {near(pieces.rows).map((piece) => (
          <RowsPiece
            key={piece.top}
            piece={piece}
            columns={columns}
            rows={rows}
            height={loom.rowPx}
            grades={grades}
            first={first}
            held={carried?.id ?? null}
            onPickUp={steady.onPickUp}
            onUnpatch={steady.onUnpatch}
          />
        ))}
        {near(pieces.outlets).map((piece) => (
          <OutletsPiece key={piece.top} piece={piece} columns={columns} rows={rows} />
        ))}
        {loom.panelHeads.map((head) => (
          <Head key={head.key} head={head} left={columns.panel} onTurn={turn} />
        ))}
        {loom.switchHeads.map((head) => (
          <Head key={head.key} head={head} left={columns.device} onTurn={turn} />
        ))}
        {(['panel', 'switch'] as const).map((kind) =>
          near(kind === 'panel' ? pieces.panelPorts : pieces.switchPorts).map((piece) => (
            <SocketsPiece
              key={`${kind} ${piece.top}`}
              piece={piece}
              end={kind}
              x={kind === 'panel' ? columns.panel : columns.device}
              rows={rows}
              carried={end === kind ? carried : null}
              onPickUp={steady.onPickUp}
              onBring={steady.onBring}
            />
          )),
        )}
        {loom.networks.map(({ network, y }) => (
          <div
            key={network.id}
            className="absolute flex -translate-y-1/2 items-center gap-1.5"
            style={{ left: columns.network, top: y }}
          >
            <span
              className="grid size-6 place-items-center rounded-full border-2 bg-face font-bold font-mono text-xs"
              style={{ borderColor: networkInk(network), color: networkInk(network) }}
            >
              {network.code}
            </span>
            <span className={columns.narrow ? 'sr-only' : 'narrow max-w-12 text-xs leading-none'}>{network.name}</span>
          </div>
        ))}
        <LoomStrands loom={loom} width={width} drawn={drawn} proposal={proposal} />
      </CarryGround>
    </div>
  );
}

/** The short name whole, the long one as far as there is room. */
const HeadWords = ({ head }: { head: LoomHead }) => (
  <>
    <span className="font-mono">{head.short}</span>{' '}
    <span className="inline-block max-w-28 truncate align-bottom" title={head.words}>
      {head.words}
    </span>
  </>
);

/** The name of a device over its ports. One without cords is folded up until it is wanted. */
function Head({ head, left, onTurn }: { head: LoomHead; left: number; onTurn: (id: string) => void }) {
  const look =
    'narrow absolute -translate-x-1/2 -translate-y-1/2 whitespace-nowrap rounded bg-paper px-1 font-bold text-xs leading-4';
  const style = { left, top: head.y };
  if (!head.foldable) {
    return (
      <span className={look} style={style} title={head.words}>
        <HeadWords head={head} />
      </span>
    );
  }
  return (
    <button
      type="button"
      aria-expanded={!head.folded}
      className={`${look} border border-strong`}
      style={style}
      onClick={() => onTurn(head.key)}
    >
      <HeadWords head={head} /> {head.folded ? '▸' : '▾'}
    </button>
  );
}
