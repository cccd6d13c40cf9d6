import { shortened } from '@/core/base/text/shortened';
import type { PortBox } from '@/core/job/gear/portLayout';
import type { GearKind } from '@/core/job/records/gear';

/** Where the name begins, mm, and the mean width of its letters in the narrow face, of the long name and of the short one. */
const TEXT_LEFT = 24;
const [EM, SHORT_EM] = [0.47, 0.58];

/** A device from the front: a plain enamelled plate with its name and its ports, in millimetres of its own. */
export function Faceplate({
  name,
  short,
  kind,
  width,
  height,
  ports,
  scale = 0.7,
  upright = false,
  tint = null,
}: {
  name: string;
  /** Its short name, before the long one. */
  short?: string;
  kind: GearKind;
  width: number;
  height: number;
  ports: readonly PortBox[];
  /** Pixels a millimetre: the name stays readable however small the plate is. */
  scale?: number;
  upright?: boolean;
  tint?: string | null;
}) {
  const size = Math.max(kind === 'panel' ? 15.5 : 17.5, 11.5 / scale);
  // The short name stands whole; the long one has what is left before the ports, or above those of a panel.
  const end = kind === 'panel' ? width - TEXT_LEFT : Math.min(width - TEXT_LEFT, ...ports.map((port) => port.x)) - 4;
  const room = end - TEXT_LEFT - (short ? (Array.from(short).length + 1) * size * SHORT_EM : 0);
  const long = room < 3 * size * EM ? '' : shortened(name, (text) => Array.from(text).length * size * EM <= room);
  if (upright) return <UprightPlate name={name} width={width} height={height} tint={tint} />;
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
        fill={tint ?? 'var(--face)'}
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
        x={TEXT_LEFT}
        y={kind === 'panel' && height < 100 ? Math.min(size - 3, 17.5) : Math.min(height / 2 + 6, 28)}
        fontSize={size}
        stroke={tint ?? 'var(--face)'}
        strokeWidth={kind === 'panel' ? 0 : 4}
        paintOrder="stroke"
        fontWeight={650}
        fill="var(--ink)"
        className="narrow"
      >
        {short && <tspan fontWeight={800}>{short} </tspan>}
        {long}
      </text>
    </svg>
  );
}

/** A unit that stands upright: its outlets down its length. */
function UprightPlate({
  name,
  width,
  height,
  tint,
}: {
  name: string;
  width: number;
  height: number;
  tint: string | null;
}) {
  const outlets = Math.floor((height - 60) / 44);
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width="100%" height="100%" aria-hidden="true" className="block">
      <title>{name}</title>
      <rect
        x={0.6}
        y={0.6}
        width={width - 1.2}
        height={height - 1.2}
        rx={3}
        fill={tint ?? 'var(--face)'}
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <path
        d={Array.from({ length: outlets }, (_, at) => `M${width / 2 - 11} ${34 + at * 44}h22v26h-22z`).join('')}
        fill="none"
        stroke="var(--strong-rule)"
        strokeWidth={1.6}
      />
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
  if (
    kind === 'blank' ||
    kind === 'ups' ||
    kind === 'server' ||
    kind === 'recorder' ||
    kind === 'storage' ||
    kind === 'computer'
  ) {
    const d = Array.from({ length: 7 }, (_, at) => `M${right - 120} ${height / 2 - 12 + at * 4}h116`).join('');
    return <path d={d} {...mark} />;
  }
  if (kind === 'distribution') {
    const outlet = (x: number) => `M${x} ${height / 2 - 9}h18v18h-18z`;
    const d = Array.from({ length: 10 }, (_, at) => outlet(right - 252 + at * 26)).join('');
    return <path d={d} {...mark} />;
  }
  if (kind === 'shelf' || kind === 'kit')
    return <path d={`M26 ${height - 9}H${right + 2}M26 ${height - 5}H${right + 2}`} {...mark} />;
  if (kind === 'drawer')
    return <path d={`M30 7H${right}V${height - 7}H30zM${right / 2 - 24} ${height - 14}h48`} {...mark} />;
  if (kind === 'fan') {
    const fan = (x: number) =>
      `M${x - 14} ${height / 2}a14 14 0 1 0 28 0a14 14 0 1 0 -28 0M${x - 5} ${height / 2}a5 5 0 1 0 10 0a5 5 0 1 0 -10 0`;
    return <path d={[right - 150, right - 90, right - 30].map(fan).join('')} {...mark} />;
  }
  if (kind === 'cassette') {
    const d = Array.from({ length: 12 }, (_, at) => `M${170 + at * 22} ${height - 20}h14v12h-14z`).join('');
    return <path d={d} {...mark} />;
  }
  if (kind === 'manager') {
    const d = Array.from({ length: 5 }, (_, at) => `M${170 + at * 66} ${height - 6}v-22h26v22`).join('');
    return <path d={d} {...mark} />;
  }
  return null;
}
