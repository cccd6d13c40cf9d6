import { citeFor } from '@/core/base/standards/cite';
import {
  combinedSource,
  eurocodeSource,
  leadHoleSource,
  loadDurationSource,
  specificGravitySource,
  staticsSource,
  ultimateSource,
  withdrawalSource,
} from '@/core/base/standards/withdrawal';
import { type AtLeast, atLeastWords } from '@/core/base/units/atLeast';
import { formatForce, formatMass } from '@/core/base/units/force';
import { formatSize } from '@/core/base/units/length';
import { percent } from '@/core/base/units/percent';
import type { Rack } from '@/core/job/records/rack';
import {
  type Backboard,
  backboard,
  boardDetailsSource,
  boardThicknessSource,
} from '@/core/trade/rack/mounting/backboard';
import { wallVerdict } from '@/core/trade/rack/mounting/wallMount';
import { useSession } from '../session/session';

/** Loads, forces on the fixings, what they bear, and the board. */
export function WallVerdictView({ rack }: { rack: Rack }) {
  const job = useSession((session) => session.job);
  const verdict = wallVerdict(job, rack);
  const mass = (of: AtLeast) => atLeastWords(of, (kg) => formatMass(kg, job.units));
  const { mount, load, use, holds } = verdict;
  const force = (newton: number) => formatForce(newton, job.units);
  const size = (mm: number) => formatSize(Math.round(mm), job.units);
  const board = backboard(rack, mount);
  const look = holds === null ? 'border-bite text-bite' : holds ? 'border-good text-good' : 'border-wont text-wont';
  return (
    <div className="grid content-start gap-3">
      <section aria-label="Verdict" className={`rounded-[3px] border-2 bg-sheet p-3 ${look}`}>
        <p className="wide font-bold text-lg leading-tight">
          {holds === null ? 'Not judged.' : holds ? 'The fixings hold by these figures.' : 'The fixings do not hold.'}
        </p>
        <p className="text-ink">
          {use !== null &&
            `The worst case uses ${percent(use)} of what is permitted, safety factor ${mount.safetyFactor} counted. `}
          {mass(load.massKg)} in all, {mass(load.gearKg)} of it gear; centre of gravity {size(load.heightMm)} above the
          floor, {size(load.outMm)} out from the wall.
        </p>
        {[...verdict.open, ...verdict.notes].map((note) => (
          <p key={note} className="mt-1 text-ink">
            {note}
          </p>
        ))}
      </section>
      <section aria-label="Forces">
        <table className="w-full text-[13px]">
          <thead>
            <tr className="border-b text-left">
              <th>On {mount.topCount} top fixings</th>
              <th className="text-right">Pull together</th>
              <th className="text-right">Pull each</th>
              <th className="text-right">Shear each</th>
            </tr>
          </thead>
          <tbody>
            {verdict.cases.map((one) => (
              <tr key={one.words} className="border-b">
                <th scope="row" className="text-left font-normal">
                  {one.words}
                </th>
                <td className="text-right font-mono text-xs">{force(one.pullN)}</td>
                <td className="text-right font-mono text-xs">{force(one.pullEachN)}</td>
                <td className="text-right font-mono text-xs">{force(one.shearEachN)}</td>
              </tr>
            ))}
            <tr className="border-b font-semibold">
              <th scope="row" className="text-left">
                permitted, one fixing
              </th>
              <td />
              <td className="text-right font-mono text-xs">
                {verdict.permittedPullN === null ? 'not known' : force(verdict.permittedPullN)}
              </td>
              <td className="text-right font-mono text-xs">
                {verdict.permittedShearN === null ? 'not given' : force(verdict.permittedShearN)}
              </td>
            </tr>
            {verdict.ultimatePullN !== null && (
              <tr className="border-b text-soft">
                <th scope="row" className="text-left font-normal">
                  mean of tests at failure
                </th>
                <td />
                <td className="text-right font-mono text-xs">{force(verdict.ultimatePullN)}</td>
                <td />
              </tr>
            )}
            {verdict.eurocodePullN !== null && (
              <tr className="border-b text-soft">
                <th scope="row" className="text-left font-normal">
                  for comparison, {citeFor(eurocodeSource, job.rules)}, C24, permanent
                </th>
                <td />
                <td className="text-right font-mono text-xs">{force(verdict.eurocodePullN)}</td>
                <td />
              </tr>
            )}
          </tbody>
        </table>
        <p className="narrow mt-1 text-soft text-xs">
          Sources:{' '}
          {[staticsSource, withdrawalSource, specificGravitySource, loadDurationSource, ultimateSource]
            .map((source) => citeFor(source, job.rules))
            .join('; ')}
          {mount.shearN !== null && `; ${citeFor(combinedSource, job.rules)}`}. The safety inside these values is not
          taken out.
          {verdict.leadHoleMm &&
            ` Lead hole for the thread: ${verdict.leadHoleMm.least.toFixed(1)} to ${verdict.leadHoleMm.most.toFixed(1)} mm (${citeFor(leadHoleSource, job.rules)}).`}
        </p>
      </section>
      <BoardView board={board} />
    </div>
  );
}

/** The board over the studs with its screws, to scale. */
function BoardView({ board }: { board: Backboard }) {
  const rules = useSession((session) => session.job.rules);
  const units = useSession((session) => session.job.units);
  const size = (mm: number) => formatSize(mm, units);
  return (
    <section aria-label="Board" className="flex flex-wrap gap-4">
      <div className="min-w-52 flex-1">
        <h2 className="wide font-bold">Board over the studs</h2>
        <p>{board.why}</p>
        <p className="mt-1">
          {board.needed ? '' : 'If you want one: '}
          {size(board.widthMm)} × {size(board.heightMm)}, {size(board.thicknessMm)} thick; {board.screws.length} screws
          in {board.rows} rows on {board.studs} studs.
        </p>
        <ul className="mt-1 text-[13px]">
          {board.cuts.map((cut) => (
            <li key={cut.words}>
              Cut: {cut.words} {size(cut.widthMm)} × {size(cut.heightMm)}
            </li>
          ))}
        </ul>
        <p className="narrow mt-1 text-soft text-xs">
          Sources: {citeFor(boardThicknessSource, rules)}; {citeFor(boardDetailsSource, rules)}; rows and margins:
          common practice.
        </p>
      </div>
      <svg
        viewBox={`-20 -20 ${board.widthMm + 40} ${board.heightMm + 40}`}
        className="h-44"
        role="img"
        aria-label={`Board with ${board.screws.length} screws`}
      >
        <rect width={board.widthMm} height={board.heightMm} fill="var(--face)" stroke="var(--ink)" strokeWidth={6} />
        {board.screws.map(({ xMm, yMm }) => (
          <circle key={`${xMm} ${yMm}`} cx={xMm} cy={yMm} r={11} fill="var(--ink)" />
        ))}
      </svg>
    </section>
  );
}
