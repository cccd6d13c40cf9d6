import { memo, type ReactNode } from 'react';
import type { Grade } from '@/core/base/text/grade';
import type { Run } from '@/core/job/records/run';
import { PanelSocket, SwitchSocket } from './LoomSockets';
import type { LoomColumns } from './loomColumns';
import type { LoomActions, RowSize } from './loomHandling';
import type { LoomOutlet, LoomPort, LoomRow } from './loomLayout';
import { PIECE_PX, type Piece, REACH_PX } from './loomPieces';
import { StrandRow } from './StrandRow';

const OUTLET_PX: Record<RowSize, number> = { fit: 12, big: 15 };
/** Room at the sides of a piece for what is drawn around its buttons. */
const SIDE_PX = 6;

/**
 * A piece of a column, closed in itself. What is in it stands one under the other by margins: things with a place of
 * their own are each asked at every move of the pointer, and at every frame of scrolling, whether they are meant.
 */
function PieceBox({ top, left, width, children }: { top: number; left: number; width: number; children: ReactNode }) {
  return (
    <div
      className="pointer-events-none absolute contain-strict"
      style={{
        top: top - REACH_PX,
        height: PIECE_PX + 2 * REACH_PX,
        left: left - SIDE_PX,
        width: width + 2 * SIDE_PX,
        paddingLeft: SIDE_PX,
      }}
    >
      {children}
    </div>
  );
}

/** Items of a piece in their order, each with the margin that brings its middle to its place. */
function withGaps<T extends { y: number }>({ top, items }: Piece<T>, height: number): { item: T; gap: number }[] {
  let bottom = top - REACH_PX;
  return items.map((item) => {
    const gap = item.y - height / 2 - bottom;
    bottom = item.y + height / 2;
    return { item, gap };
  });
}

export const RowsPiece = memo(function RowsPiece({
  piece,
  columns,
  grades,
  first,
  held,
  height,
  ...look
}: {
  piece: Piece<LoomRow>;
  columns: LoomColumns;
  grades: ReadonlyMap<string, Grade>;
  /** Index of the row that Tab comes to. */
  first: number;
  held: string | null;
  rows: RowSize;
  height: number;
} & Pick<LoomActions, 'onPickUp' | 'onUnpatch'>) {
  const width = columns.run + 22 - columns.row;
  return (
    <PieceBox top={piece.top} left={columns.row} width={width}>
      {withGaps(piece, height).map(({ item: row, gap }) => (
        <StrandRow
          key={row.run.id}
          row={row}
          first={row.index === first}
          gap={gap}
          width={width}
          height={height}
          deviceWidth={columns.plugged - columns.row - 16}
          grade={grades.get(row.run.id) ?? null}
          held={held === row.run.id}
          {...look}
        />
      ))}
    </PieceBox>
  );
});

export const OutletsPiece = memo(function OutletsPiece({
  piece,
  columns,
  rows,
}: {
  piece: Piece<LoomOutlet>;
  columns: LoomColumns;
  rows: RowSize;
}) {
  const width = columns.outlet - columns.plugged;
  return (
    <PieceBox top={piece.top} left={columns.plugged} width={width}>
      {withGaps(piece, OUTLET_PX[rows]).map(({ item: { key, words }, gap }) => (
        <span
          key={key}
          title={words}
          aria-hidden="true"
          className="narrow block truncate text-right leading-none"
          style={{ width, fontSize: OUTLET_PX[rows], height: OUTLET_PX[rows], marginTop: gap }}
        >
          {words}
        </span>
      ))}
    </PieceBox>
  );
});

const SOCKET_PX: Record<RowSize, number> = { fit: 12, big: 22 };
/** `beside`: room at the right for what a cord inside the cabinet leads to. */
const SOCKETS = {
  panel: { Socket: PanelSocket, width: 28, beside: 0 },
  switch: { Socket: SwitchSocket, width: 40, beside: 76 },
};

export const SocketsPiece = memo(function SocketsPiece({
  piece,
  end,
  x,
  ...rest
}: {
  piece: Piece<LoomPort>;
  end: keyof typeof SOCKETS;
  /** Middle of the column. */
  x: number;
  rows: RowSize;
  carried: Run | null;
} & Pick<LoomActions, 'onPickUp' | 'onBring'>) {
  const { Socket, width, beside } = SOCKETS[end];
  const height = SOCKET_PX[rest.rows];
  return (
    <PieceBox top={piece.top} left={x - width / 2} width={width + beside}>
      {withGaps(piece, height).map(({ item: port, gap }) => (
        <Socket key={port.key} port={port} gap={gap} width={width} height={height} {...rest} />
      ))}
    </PieceBox>
  );
});
