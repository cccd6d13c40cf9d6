import type { LinePattern, Network } from '@/core/job/records/network';

/** Dash patterns of strands and marks, in units of the stroke width 2. */
export const DASHES: Record<LinePattern, string | undefined> = {
  solid: undefined,
  dashed: '7 3.5',
  dotted: '2 3',
  'dash-dot': '8 3 2 3',
  'long-dash': '13 4',
  'double-dot': '2 2.5 2 7',
};
export const networkInk = (network: Network | null): string =>
  network ? `var(--net-${network.colour})` : 'var(--soft)';

/** A network by colour, line pattern and letter code together. */
export function NetworkMark({ network }: { network: Network }) {
  return (
    <span className="inline-flex items-center gap-1 whitespace-nowrap" style={{ color: networkInk(network) }}>
      <svg width="22" height="6" aria-hidden="true">
        <path d="M0 3h22" stroke="currentColor" strokeWidth="2.4" strokeDasharray={DASHES[network.pattern]} />
      </svg>
      <span className="font-bold font-mono text-xs">{network.code}</span>
    </span>
  );
}
