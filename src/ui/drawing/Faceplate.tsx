import type { PortBox } from '@/core/gear/portLayout';
import type { GearKind } from '@/core/job/records/gear';

/** A device from the front: a plain enamelled plate with its name and its ports, in millimetres of its own. */
export function Faceplate({
  name,
  kind,
  width,
  height,
  ports,
}: {
  name: string;
  kind: GearKind;
  width: number;
  height: number;
  ports: readonly PortBox[];
}) {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      height="100%"
      aria-hidden="true"
      className="block overflow-visible"
    >
      <rect
        x={0.6}
        y={0.6}
        width={width - 1.2}
        height={height - 1.2}
        rx={2.5}
        fill="var(--face)"
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
      {[8.8, width - 8.8].map((x) => (
        <g key={x} fill="var(--well)" stroke="var(--strong-rule)" strokeWidth={0.9}>
          <rect x={x - 4.5} y={4} width={9} height={6} rx={3} />
          <rect x={x - 4.5} y={height - 10} width={9} height={6} rx={3} />
        </g>
      ))}
      <path d={`M18.2 3V${height - 3}M${width - 18.2} 3V${height - 3}`} stroke="var(--rule)" strokeWidth={1} />
      <Dress kind={kind} right={(ports[0]?.x ?? width - 24) - 6} height={height} />
      {ports.map((port) => (
        <rect
          key={port.number}
          x={port.x}
          y={port.y}
          width={port.width}
          height={port.height}
          rx={1.2}
          fill="var(--well)"
          stroke="var(--soft)"
          strokeWidth={1}
        />
      ))}
      <text
        x={24}
        y={kind === 'panel' ? 16.5 : Math.min(height / 2 + 6, 28)}
        fontSize={kind === 'panel' ? 15.5 : 17.5}
        fontWeight={650}
        fill="var(--ink)"
        className="narrow"
      >
        {name}
      </text>
    </svg>
  );
}

/** What tells kinds of gear apart besides ports: vents, bristles, outlets, a tray. */
function Dress({ kind, right, height }: { kind: GearKind; right: number; height: number }) {
  const mark = { stroke: 'var(--strong-rule)', strokeWidth: 1.2, fill: 'none' };
  if (kind === 'brush') {
    const d = Array.from({ length: 46 }, (_, at) => `M${150 + at * 6.6} ${height / 2 - 8}v16`).join('');
    return <path d={d} {...mark} />;
  }
  if (kind === 'blank' || kind === 'ups' || kind === 'server' || kind === 'recorder') {
    const d = Array.from({ length: 7 }, (_, at) => `M${right - 120} ${height / 2 - 12 + at * 4}h116`).join('');
    return <path d={d} {...mark} />;
  }
  if (kind === 'distribution') {
    const outlet = (x: number) => `M${x} ${height / 2 - 9}h18v18h-18z`;
    const d = Array.from({ length: 10 }, (_, at) => outlet(right - 252 + at * 26)).join('');
    return <path d={d} {...mark} />;
  }
  if (kind === 'shelf') return <path d={`M26 ${height - 9}H${right + 2}M26 ${height - 5}H${right + 2}`} {...mark} />;
  if (kind === 'manager') {
    const d = Array.from({ length: 5 }, (_, at) => `M${170 + at * 66} ${height - 6}v-22h26v22`).join('');
    return <path d={d} {...mark} />;
  }
  return null;
}
