import { type KeyboardEvent, memo, type ReactNode } from 'react';
import { formatSpeed } from '@/core/base/text/speed';
import { canLand } from '@/core/job/records/ports';
import type { Run } from '@/core/job/records/run';
import { portFault } from '@/core/trade/patching/fitness';
import { carries } from '../kit/RunCarrier';
import { useSession } from '../session/session';
import type { End, LoomActions, RowSize } from './loomHandling';
import type { LoomPort } from './loomLayout';

const PORT_TEXT = { fit: 'text-[10px] leading-[10px]', big: 'text-[14px] leading-[20px]' };

type Props = {
  rows: RowSize;
  port: LoomPort;
  /** From what is above it. */
  gap: number;
  width: number;
  height: number;
  /** What is in hand for ports of this kind. */
  carried: Run | null;
} & Pick<LoomActions, 'onPickUp' | 'onBring'>;

/** A port in its column: an end of a strand is picked up from it and dropped on it. */
function Socket({
  end,
  rows,
  port,
  gap,
  width,
  height,
  carried,
  fits,
  taken,
  about,
  onPickUp,
  onBring,
  children,
  beside = null,
}: Props & { end: End; fits: boolean; taken: boolean; about: string; children: ReactNode; beside?: ReactNode }) {
  const point = useSession((session) => session.point);
  const select = useSession((session) => session.select);
  const { gear, run, key } = port;
  const { number } = port.port;
  const look = fits
    ? 'border-good bg-[color-mix(in_srgb,var(--good)_28%,var(--paper))] text-ink'
    : taken
      ? 'border-ink bg-face font-bold'
      : 'border-rule bg-paper text-soft';
  const press = (event: KeyboardEvent<HTMLButtonElement>) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      const all = [...document.querySelectorAll<HTMLElement>(`[data-socket="${end}"]`)];
      all[all.indexOf(event.currentTarget) + step]?.focus();
    } else if (event.key === 'Enter' && run && !carried) {
      event.preventDefault();
      onPickUp(run, end);
    }
  };
  const button = (
    <button
      {...carries(run?.id, end)}
      type="button"
      data-socket={end}
      data-place={key}
      data-fits={fits ? '' : undefined}
      tabIndex={carried || number === 1 ? 0 : -1}
      aria-label={`${gear.name} port ${number}, ${about}`}
      title={`${gear.name} ${number} · ${about}`}
      onClick={() => {
        if (carried && carried.id !== run?.id) onBring(carried, end, gear.id, number);
        else if (run) select(run.id);
      }}
      onKeyDown={press}
      onPointerEnter={() => run && point(run.id)}
      onPointerLeave={() => point(null)}
      className={`pointer-events-auto relative flex touch-none items-center justify-center gap-0.5 rounded-[2px] border font-mono data-over:z-10 data-over:outline-3 data-over:outline-good ${PORT_TEXT[rows]} ${look}`}
      style={{ marginTop: beside ? 0 : gap, width, height }}
    >
      {number}
      {children}
    </button>
  );
  if (!beside) return button;
  return (
    <div className="relative" style={{ marginTop: gap }}>
      {button}
      {beside}
    </div>
  );
}

export const PanelSocket = memo(function PanelSocket(props: Props) {
  const { port, carried } = props;
  const { run } = port;
  const { connector, carries } = port.port;
  const fits = carried !== null && run === null && canLand(port.port, carried.carries);
  const about = [connector.toUpperCase(), carries && `for ${carries}`, run ? run.label : 'free'];
  return (
    <Socket {...props} end="panel" fits={fits} taken={run !== null} about={about.filter(Boolean).join(', ')}>
      {null}
    </Socket>
  );
});

export const SwitchSocket = memo(function SwitchSocket(props: Props) {
  const { rows, port, carried } = props;
  const { run, fixed, far, farShort } = port;
  const { connector, speedMbps, poeW, use } = port.port;
  const fault = carried ? portFault(carried, port.port) : null;
  const fits = carried !== null && run === null && fault === null && far === null;
  const what = [
    connector.toUpperCase(),
    speedMbps && formatSpeed(speedMbps),
    poeW > 0 && `PoE ${poeW} W`,
    use === 'internet' && 'internet port',
    far && `cord to ${far}`,
  ]
    .filter(Boolean)
    .join(' · ');
  const about = [what, run ? run.label : far ? 'taken' : 'free', fault?.words].filter(Boolean).join(', ');
  return (
    <Socket
      {...props}
      end="switch"
      fits={fits}
      taken={run !== null || far !== null}
      about={about}
      beside={
        far && (
          <span
            aria-hidden
            className={`narrow absolute left-full top-1/2 ml-1 -translate-y-1/2 whitespace-nowrap text-ink ${PORT_TEXT[rows]}`}
          >
            ↑ {farShort}
          </span>
        )
      }
    >
      {poeW > 0 && <span aria-hidden>⚡</span>}
      {fixed && <span aria-hidden>•</span>}
    </Socket>
  );
});
