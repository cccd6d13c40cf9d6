'use client';

import { citeFor } from '@/core/base/standards/cite';
import { holesOfPattern, rackDimensions, standardHolesSource } from '@/core/base/standards/rackDimensions';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { formatSize } from '@/core/base/units/length';
import { type HoleCard, holeCard, holeHeightMm } from '@/core/job/rack/holes';
import { shownUnit } from '@/core/job/rack/units';
import type { Rack } from '@/core/job/records/rack';
import { TakeawayLink } from '../kit/TakeawayLink';
import { useSession } from '../session/session';

const HOLE_NAMES = ['lower', 'middle', 'upper'];

/** Which holes each device uses, and how many nuts and screws that makes. */
export function HolesView() {
  const job = useSession((session) => session.job);
  const racks = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls
    <section tabIndex={0} aria-label="Holes" className="min-h-0 flex-1 overflow-auto px-3 py-2">
      <div className="flex flex-wrap items-center gap-2">
        <TakeawayLink of="hole-card.pdf" main />
        <p className="text-soft">
          A unit begins midway in the narrow gap between two holes. From 3U on the holes are from{' '}
          {citeFor(standardHolesSource, job.rules)}; real gear varies.
        </p>
      </div>
      {racks.map((rack) => (
        <CardOf key={rack.id} card={holeCard(job, rack)} />
      ))}
    </section>
  );
}

function CardOf({ card }: { card: HoleCard }) {
  const units = useSession((session) => session.job.units);
  const { rack, rows, screws, nuts, mixed } = card;
  return (
    <section aria-label={`Holes of ${rack.name}`} className="mt-3">
      <h2 className="wide font-bold">
        {rack.name}: {nuts > 0 && `${nuts} cage nuts, `}
        {screws} screws {rack.thread}
      </h2>
      {mixed.length > 0 && (
        <p className="font-semibold text-bite">Other threads in the box, put away: {mixed.join(', ')}.</p>
      )}
      <div className="mt-2 flex items-start gap-5">
        <Strip rack={rack} card={card} />
        <table className="flex-1 text-[13px]">
          <thead>
            <tr className="border-b text-left">
              <th className="pr-3">Place</th>
              <th className="pr-3">Device</th>
              <th className="pr-3">Holes on each rail, lowest first</th>
              <th className="pr-3 text-right">Screws</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.gearId} className="border-b align-top">
                <td className="pr-3 font-mono text-xs leading-5">{row.place}</td>
                <th scope="row" className="pr-3 text-left font-semibold">
                  {row.name}
                  {row.face === 'rear' && <span className="font-normal text-soft"> rear rails</span>}
                </th>
                <td className="pr-3">
                  {row.holes.map((one) => (
                    <span key={`${one.unit} ${one.hole}`} className="mr-3 inline-block">
                      U{one.shownUnit} {HOLE_NAMES[one.hole - 1]}{' '}
                      <span className="font-mono text-soft text-xs">
                        no. {one.fromBottom}, {formatSize(one.heightMm, units)}
                      </span>
                    </span>
                  ))}
                  {row.note && <span className="block text-soft text-xs">{row.note}</span>}
                </td>
                <td className="pr-3 text-right font-mono text-xs leading-5">{row.screws}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {rows.length === 0 && <p className="text-soft">Nothing is screwed to its rails yet.</p>}
    </section>
  );
}

/** The left rail as it is seen from the front, used holes filled. */
function Strip({ rack, card }: { rack: Rack; card: HoleCard }) {
  const { unitMm } = rackDimensions;
  const height = rack.units * unitMm;
  const used = new Set(
    card.rows.flatMap((row) => (row.face === 'front' ? row.holes.map((one) => `${one.unit} ${one.hole}`) : [])),
  );
  const units = Array.from({ length: rack.units }, (_, at) => at + 1);
  return (
    <svg
      viewBox={`-44 -4 92 ${height + 8}`}
      style={{ height: Math.min(590, height) }}
      className="shrink-0"
      role="img"
      aria-label={`Rail of ${rack.name}, holes in use filled`}
    >
      <rect x={0} y={0} width={40} height={height} fill="var(--face)" stroke="var(--ink)" strokeWidth={2} />
      {units.map((unit) => (
        <g key={unit}>
          <path d={`M0 ${height - unit * unitMm}h40`} stroke="var(--rule)" strokeWidth={1.4} />
          <text
            x={-6}
            y={height - (unit - 0.5) * unitMm + 6}
            fontSize={18}
            textAnchor="end"
            fill="var(--soft)"
            className="font-mono"
          >
            {shownUnit(rack, unit)}
          </text>
          {holesOfPattern[rack.holePattern].map((hole) => (
            <rect
              key={hole}
              x={14}
              y={height - holeHeightMm(unit, hole) - 5}
              width={11}
              height={10}
              fill={used.has(`${unit} ${hole}`) ? 'var(--ink)' : 'none'}
              stroke="var(--strong-rule)"
              strokeWidth={1.2}
            />
          ))}
        </g>
      ))}
    </svg>
  );
}
