'use client';

import { citeFor } from '@/core/base/standards/cite';
import { cordBuildSource, cordBuilds, cordHabits } from '@/core/base/standards/cords';
import { counted } from '@/core/base/text/counted';
import { formatLength } from '@/core/base/units/length';
import { formatMinutes } from '@/core/base/units/minutes';
import { percent } from '@/core/base/units/percent';
import { LEAST_CORD_MM } from '@/core/job/records/cord';
import type { LinePattern } from '@/core/job/records/network';
import {
  type CordCode,
  cordCost,
  type ListedCord,
  listCords,
  managerFills,
  pickList,
} from '@/core/trade/patching/cordList';
import { linkParts } from '@/core/trade/patching/uplinks/linkParts';
import { answerOf } from '@/core/trade/survey/answers/answers';
import { moneyOf } from '@/core/trade/survey/answers/money';
import { AnswerField } from '../kit/AnswerField';
import { LengthField } from '../kit/LengthField';
import { dashArray } from '../kit/NetworkMark';
import { TakeawayLink } from '../kit/TakeawayLink';
import { useSession } from '../session/session';

/** What to lay out, how each cord goes, and how full the managers get. */
export function CordsView() {
  const job = useSession((session) => session.job);
  const cords = listCords(job);
  return (
    <div className="relative flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-3 py-2">
      <div className="grid items-end gap-2 sm:grid-cols-3 xl:grid-cols-[3fr_1fr_2.8fr_1.5fr_0.9fr]">
        <AnswerField id="cord-lengths" label="Lengths they come in" />
        <AnswerField id="cord-awg" label="Gauge" />
        <AnswerField id="cord-way" label="Way" />
        <AnswerField id="cord-colour" label="Colour" />
        <AnswerField id="cord-spare" label="Spares" />
      </div>
      <div className="grid content-start gap-x-8 gap-y-4 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <PickList />
        <div className="grid content-start gap-4">
          <CordSource />
          <LinkParts />
          <Managers />
        </div>
      </div>
      <CordTable cords={cords} />
      <p className="narrow text-soft text-xs">
        Room for plug, boot and bend, and ways through managers and round the side:{' '}
        {citeFor(cordBuildSource, job.rules)}.
      </p>
    </div>
  );
}

function CodeMark({ code }: { code: CordCode }) {
  const ink = code.colour in INKS ? `var(--net-${code.colour})` : 'var(--soft)';
  return (
    <span className="inline-flex items-center gap-1 whitespace-nowrap">
      <svg width="26" height="6" aria-hidden="true">
        <path d="M0 3h26" stroke={ink} strokeWidth="3" strokeDasharray={dashArray(code.pattern as LinePattern)} />
      </svg>
      <b className="font-mono text-xs">{code.letter}</b> <span className="text-xs">{code.colour}</span>
    </span>
  );
}
const INKS = { blue: 1, orange: 1, green: 1, red: 1, violet: 1, teal: 1, brown: 1, grey: 1 };

function PickList() {
  const job = useSession((session) => session.job);
  const picks = pickList(job);
  return (
    <section aria-label="Pick list">
      <div className="flex items-baseline gap-2">
        <h2 className="wide font-bold">Pick list</h2>
        {picks.length > 0 && <TakeawayLink of="cords.csv" />}
      </div>
      {picks.length === 0 ? (
        <p className="text-soft">No cord yet: patch runs first, on the loom or by a plan.</p>
      ) : (
        <table className="mt-1 w-full text-[13px]">
          <thead>
            <tr className="border-b text-left">
              <th className="pr-2 text-right">Length</th>
              <th className="pr-2">Kind</th>
              <th className="pr-2">Colour</th>
              <th className="whitespace-nowrap pr-2">Stands for</th>
              <th className="pl-2 text-right">Cords</th>
              <th className="pl-2 text-right">Spare</th>
            </tr>
          </thead>
          <tbody>
            {picks.map(({ kind, lengthMm, code, count, spare }) => (
              <tr key={`${kind} ${lengthMm} ${code.colour} ${code.letter}`} className="border-b">
                <th scope="row" className="pr-2 text-right font-bold font-mono">
                  {formatLength(lengthMm, job.units)}
                </th>
                <td className="narrow pr-2">{cordBuilds[kind].words}</td>
                <td className="pr-2">
                  <CodeMark code={code} />
                </td>
                <td className="narrow pr-2">{code.words}</td>
                <td className="pl-2 text-right font-mono">{count}</td>
                <td className="pl-2 text-right font-mono">{spare}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** Modules and ready-made cables of uplinks and of runs in cages. */
function LinkParts() {
  const job = useSession((session) => session.job);
  const parts = linkParts(job);
  if (parts.length === 0) return null;
  return (
    <section aria-label="Modules and uplink cables">
      <h2 className="wide font-bold">Modules and uplink cables</h2>
      <ul className="mt-1 text-[13px]">
        {parts.map(({ what, count }) => (
          <li key={what} className="flex gap-2 border-b py-0.5">
            <span className="w-10 shrink-0 text-right font-bold font-mono">{count}</span>
            <span>{what}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Cords bought or made, with what each would cost. */
function CordSource() {
  const job = useSession((session) => session.job);
  const cost = cordCost(job);
  const made = answerOf(job, 'cord-source') === 'made';
  const money = (value: number) => moneyOf(job, value);
  if (cost.cords === 0) return null;
  return (
    <section aria-label="Bought or made" className="flex flex-wrap items-end gap-3">
      <AnswerField id="cord-source" />
      <p className={`text-[13px] ${made ? 'text-soft' : 'font-semibold'}`}>
        Bought: {counted(cost.cords, 'cord')} for {money(cost.bought)}
      </p>
      <p className={`text-[13px] ${made ? 'font-semibold' : 'text-soft'}`}>
        Made: {money(cost.made)} and {formatMinutes(cost.madeMinutes)}
      </p>
    </section>
  );
}

function Managers() {
  const job = useSession((session) => session.job);
  const fills = managerFills(job);
  if (fills.length === 0) return null;
  return (
    <section aria-label="Managers">
      <h2 className="wide font-bold">Managers</h2>
      {fills.map(({ manager, cords, usedMm2, roomMm2, share }) => (
        <div key={manager.id} className="mt-1">
          <p className="flex justify-between text-[13px]">
            <span>
              {manager.name}: {counted(cords, 'cord')}
            </span>
            <b>{percent(usedMm2, roomMm2)} full</b>
          </p>
          <div className="h-2.5 rounded-[2px] border border-strong bg-face" aria-hidden="true">
            <div
              className={`h-full ${share > cordHabits.managerFull ? 'bg-bite' : 'bg-good'}`}
              style={{ width: `${Math.min(100, share * 100)}%` }}
            />
          </div>
        </div>
      ))}
    </section>
  );
}

function CordTable({ cords }: { cords: ListedCord[] }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const select = useSession((session) => session.select);
  if (cords.length === 0) return null;
  const show = (mm: number | null) => (mm === null ? '–' : formatLength(mm, job.units));
  const lies = (cordId: string, lengthMm: number | null) =>
    dispatch([{ type: 'editCords', cordIds: [cordId], changes: { lengthMm } }]);
  return (
    <section aria-label="Cords">
      <h2 className="wide font-bold">{counted(cords.length, 'cord')}</h2>
      <table className="mt-1 w-full text-[13px]">
        <thead>
          <tr className="border-b text-left">
            <th className="pr-2">Run</th>
            <th className="pr-2">From</th>
            <th className="pr-2">To</th>
            <th className="pr-2">Way</th>
            <th className="pr-2 text-right">Takes</th>
            <th className="pr-2 text-right">Cord</th>
            <th className="pr-2">As it lies</th>
            <th className="pr-2">Colour</th>
            <th>Rest</th>
          </tr>
        </thead>
        <tbody>
          {cords.map((one) => (
            <tr key={one.cord.id} className="border-b align-baseline">
              <th scope="row" className="pr-2 text-left">
                <button
                  type="button"
                  className="font-bold font-mono underline"
                  onClick={() => one.run && select(one.run.id)}
                >
                  {one.run?.label ?? '–'}
                </button>
              </th>
              <td className="whitespace-nowrap pr-2 font-mono text-xs">
                {one.panel.name} {one.cord.panelPort}
              </td>
              <td className="whitespace-nowrap pr-2 font-mono text-xs">
                {one.device.name} {one.cord.switchPort}
              </td>
              <td className="whitespace-nowrap pr-2">{one.way ?? 'not placed'}</td>
              <td className="whitespace-nowrap pr-2 text-right font-mono text-xs">{show(one.pathMm)}</td>
              <td className="whitespace-nowrap pr-2 text-right font-bold font-mono text-xs">{show(one.lengthMm)}</td>
              <td className="pr-2">
                <LengthField
                  hideLabel
                  label={`Length of the cord of ${one.run?.label ?? 'this port'} as it lies`}
                  className="w-20"
                  placeholder="as planned"
                  least={LEAST_CORD_MM}
                  mm={one.cord.lengthMm}
                  onCommit={(mm) => lies(one.cord.id, mm)}
                  onClear={() => lies(one.cord.id, null)}
                />
              </td>
              <td className="pr-2">
                <CodeMark code={one.code} />
              </td>
              <td>
                {one.verdict === 'fits' ? (
                  <span className="text-soft">
                    {show(one.coilMm)} {one.hides}
                  </span>
                ) : (
                  <b className={one.verdict === 'too long' ? 'text-soft' : 'text-wont'}>
                    {one.verdict}
                    {one.coilMm !== null && one.coilMm > 0 && `, ${show(one.coilMm)} ${one.hides}`}
                  </b>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
