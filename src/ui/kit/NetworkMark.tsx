import type { LinePattern, Network } from '@/core/job/records/network';
import { lineDashes } from '@/core/trade/patching/networks/networkMarks';

/** Dash pattern of a line 2 px wide, as SVG takes it. */
export const dashArray = (pattern: LinePattern): string => lineDashes[pattern].join(' ');
export const networkInk = (network: Network | null): string =>
  network ? `var(--net-${network.colour})` : 'var(--soft)';

/** A network by colour, line pattern and letter code together. */
export function NetworkMark({ network }: { network: Network }) {
  return (
    <span className="inline-flex items-center gap-1 whitespace-nowrap" style={{ color: networkInk(network) }}>
      <svg width="22" height="6" aria-hidden="true">
        <path d="M0 3h22" stroke="currentColor" strokeWidth="2.4" strokeDasharray={dashArray(network.pattern)} />
      </svg>
      <span className="font-bold font-mono text-xs">{network.code}</span>
    </span>
  );
}
