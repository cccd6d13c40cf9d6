import { type KeyboardEvent, memo } from 'react';
import type { Grade } from '@/core/base/text/grade';
import { isLive } from '@/core/job/records/run';
import { GradeMark } from '../kit/GradeMark';
import { carries } from '../kit/RunCarrier';
import { useTripped } from '../kit/tripped';
import { useInView } from '../kit/useInView';
import { useSession } from '../session/session';
import type { LoomActions, RowSize } from './loomHandling';
import type { LoomRow } from './loomLayout';

const ROW_TEXT = { fit: 'text-[12px]', big: 'text-[15px]' };
const LABEL_TEXT = { fit: 'text-[11px] leading-[12px]', big: 'text-[14px] leading-[20px]' };

/** One run of the loom, from the device to its label: the place to pick its strand up. */
export const StrandRow = memo(function StrandRow({
  rows,
  row,
  first,
  gap,
  width,
  height,
  deviceWidth,
  grade,
  held,
  onPickUp,
  onUnpatch,
}: {
  rows: RowSize;
  row: LoomRow;
  first: boolean;
  /** From what is above it. */
  gap: number;
  width: number;
  height: number;
  deviceWidth: number;
  grade: Grade | null;
  held: boolean;
} & Pick<LoomActions, 'onPickUp' | 'onUnpatch'>) {
  const { index, run, trace } = row;
  const selected = useSession((session) => session.selectedRunId === run.id);
  const cut = useTripped((tripped) => tripped.cut.has(run.id));
  const point = useSession((session) => session.point);
  const select = useSession((session) => session.select);
  const view = useInView<HTMLSpanElement>(selected);
  const press = (event: KeyboardEvent<HTMLButtonElement>) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      document.querySelector<HTMLElement>(`[data-strand="${index + step}"]`)?.focus();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      onPickUp(run);
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      onUnpatch(run);
    }
  };
  const where = trace.cord
    ? `patched to ${trace.device?.name} port ${trace.cord.switchPort}`
    : trace.landing
      ? 'not patched'
      : 'not landed';
  return (
    <button
      {...carries(run.id)}
      type="button"
      data-strand={String(index)}
      // One stop for Tab; the arrows go from row to row.
      tabIndex={first || selected ? 0 : -1}
      aria-label={`${run.label} ${isLive(run) ? run.device : 'spare'}, ${[run.outlet, run.room].filter(Boolean).join(', ')}, ${where}${cut ? ', cut' : ''}`}
      aria-pressed={held}
      title={[run.label, run.device, run.room, run.outlet].filter(Boolean).join(' · ')}
      onClick={() => select(run.id)}
      onDoubleClick={() => onPickUp(run)}
      onFocus={() => select(run.id)}
      onKeyDown={press}
      onPointerEnter={() => point(run.id)}
      onPointerLeave={() => point(null)}
      className={`pointer-events-auto flex touch-none items-center gap-1 rounded-[2px] text-left leading-none ${selected ? 'bg-well' : ''} ${held ? 'outline-3 outline-act' : ''}`}
      style={{ marginTop: gap, height, width }}
    >
      <span
        ref={view}
        className={`order-last ml-auto min-w-11 shrink-0 rounded-[2px] border px-1 text-center font-bold font-mono ${LABEL_TEXT[rows]} ${run.critical ? 'border-2 border-ink' : 'border-strong'} bg-face`}
      >
        {run.label}
      </span>{' '}
      <span className="w-3 shrink-0">{grade && <GradeMark grade={grade} size={11} />}</span>
      <span className={`narrow min-w-0 truncate ${ROW_TEXT[rows]}`} style={{ width: deviceWidth }}>
        {cut && (
          <b aria-hidden className="text-wont">
            ✕{' '}
          </b>
        )}
        {isLive(run) ? run.device : <span className="text-soft">spare</span>}
      </span>
    </button>
  );
});
