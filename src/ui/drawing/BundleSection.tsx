import { useMemo } from 'react';
import { packCircles } from '@/core/base/solve/circlePacking';
import { formatSize } from '@/core/base/units/length';
import type { PathwayFigures } from '@/core/trade/runs/pathways/pathwayFigures';
import { networkInk } from '../kit/NetworkMark';
import { useSession } from '../session/session';

const SIZE = 220;
const MOST_DRAWN = 120;

/** The bundle in its pathway, cut across and to scale: each cable where the search put it, with its label. */
export function BundleSection({ figures }: { figures: PathwayFigures }) {
  const job = useSession((session) => session.job);
  const { pathway, runs, kinds, diametersMm, fits } = figures;
  const cables = useMemo(
    () =>
      runs
        .flatMap((run, at) => (kinds[at] ? [{ run, diameterMm: kinds[at]?.diameterMm ?? 0 }] : []))
        .slice(0, MOST_DRAWN),
    [runs, kinds],
  );
  const packing = useMemo(() => packCircles(cables.map((one) => one.diameterMm / 2)), [cables]);
  const round = pathway.heightMm === null;
  const hooks = pathway.kind === 'hooks';
  const [w, h] = [pathway.widthMm, pathway.heightMm ?? pathway.widthMm];
  const across = Math.max(hooks ? 0 : w, hooks ? 0 : h, packing.radius * 2) * 1.08 || 10;
  // Cables lie at the bottom of what holds them.
  const down = hooks ? 0 : Math.max(0, h / 2 - packing.radius);
  return (
    <figure className="w-[220px]">
      <svg width={SIZE} height={SIZE} viewBox={`${-across / 2} ${-across / 2} ${across} ${across}`} role="img">
        <title>{`${diametersMm.length} cables in ${pathway.name}, cut across`}</title>
        {!hooks &&
          (round ? (
            <circle r={w / 2} fill="var(--face)" stroke="var(--ink)" strokeWidth={across / 90} />
          ) : (
            <rect
              x={-w / 2}
              y={-h / 2}
              width={w}
              height={h}
              fill="var(--face)"
              stroke="var(--ink)"
              strokeWidth={across / 90}
            />
          ))}
        <g transform={`translate(0 ${round && !fits ? 0 : down})`}>
          {packing.circles.map(({ x, y, r }, at) => {
            const run = cables[at]?.run;
            const network = run?.networkId ? job.networks[run.networkId] : undefined;
            const label = run?.label ?? '';
            return (
              <g key={run?.id}>
                <circle
                  cx={x}
                  cy={y}
                  r={r * 0.97}
                  fill={fits ? 'var(--well)' : 'var(--sheet)'}
                  stroke={network ? networkInk(network) : 'var(--strong-rule)'}
                  strokeWidth={r / 7}
                />
                {label.length <= 6 && (
                  <text
                    x={x}
                    y={y}
                    fontSize={Math.min(r * 0.95, (r * 2.6) / Math.max(2, label.length))}
                    fontFamily="var(--font-mono)"
                    fontWeight="700"
                    textAnchor="middle"
                    dominantBaseline="central"
                    fill="var(--ink)"
                  >
                    {label}
                  </text>
                )}
              </g>
            );
          })}
        </g>
      </svg>
      <figcaption className="narrow text-center text-soft text-xs leading-tight">
        {hooks
          ? 'the bundle on its hooks'
          : `${formatSize(w, job.units)}${round ? ' inside' : ` × ${formatSize(h, job.units)}`}`}
        {diametersMm.length > MOST_DRAWN && `, the first ${MOST_DRAWN} drawn`}
        {!fits && <b className="block text-wont">they do not fit</b>}
      </figcaption>
    </figure>
  );
}
