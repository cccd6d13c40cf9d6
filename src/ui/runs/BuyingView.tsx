'use client';

import { useMemo } from 'react';
import { counted } from '@/core/base/text/counted';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { formatLength } from '@/core/base/units/length';
import type { Box } from '@/core/job/records/box';
import { cableKindsOf } from '@/core/trade/runs/cableKinds';
import { cablePlanCommands, leftInBoxMm, toPull } from '@/core/trade/runs/cablePlan';
import { pullSheet } from '@/core/trade/runs/pullSheet';
import { AnswerField } from '../kit/AnswerField';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { LengthField } from '../kit/LengthField';
import { TakeawayLink } from '../kit/TakeawayLink';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import { useCablePlanner } from './useCablePlanner';

/** Cable to buy: boxes at hand, which run from which box, and the pulls in order. */
export function BuyingView() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const planner = useCablePlanner(job);
  const waiting = useMemo(() => toPull(job), [job]);
  const lines = useMemo(() => pullSheet(job), [job]);
  const { plan } = planner;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-3 py-2">
      <div className="flex flex-wrap items-center gap-2">
        <Button
          look={lines.length === 0 ? 'main' : 'plain'}
          disabled={planner.busy || waiting.length === 0}
          onClick={planner.start}
        >
          Plan the boxes for {counted(waiting.length, 'run')}
        </Button>
        {planner.busy && (
          <>
            <output className="text-soft">Looking for the fewest boxes and the least scrap …</output>
            <Button onClick={planner.cancel}>Cancel</Button>
          </>
        )}
        {lines.length > 0 && <TakeawayLink of="pull-sheet.csv" />}
        <AnswerField id="pull-together" className="max-w-80" />
        <p className="text-soft">New runs not pulled yet. Lengths are measured, or reckoned over the plan.</p>
      </div>
      {plan && (
        <section aria-label="Proposed boxes" className="rounded-[3px] border-2 border-act bg-sheet p-3">
          <h2 className="wide font-bold">Proposed</h2>
          <table className="my-1 w-full text-[13px]">
            <thead>
              <tr className="border-b text-left">
                <th>Cable</th>
                <th className="px-2 text-right">Runs</th>
                <th className="px-2 text-right">In all</th>
                <th className="px-2 text-right">Boxes to buy</th>
                <th className="px-2 text-right">Scrap</th>
                <th className="px-2 text-right">Kept</th>
                <th className="px-2">State</th>
              </tr>
            </thead>
            <tbody>
              {plan.buys.map((buy) => (
                <tr key={buy.cable} className="border-b">
                  <th scope="row" className="text-left font-semibold">
                    {buy.cable}
                  </th>
                  <td className="px-2 text-right font-mono text-xs">{buy.runs}</td>
                  <td className="px-2 text-right font-mono text-xs">{formatLength(buy.totalMm, job.units)}</td>
                  <td className="px-2 text-right font-mono text-xs">
                    {buy.opened} × {formatLength(buy.boxMm, job.units)}
                  </td>
                  <td className="px-2 text-right font-mono text-xs">{formatLength(buy.scrapMm, job.units)}</td>
                  <td className="px-2 text-right font-mono text-xs">{formatLength(buy.keptMm, job.units)}</td>
                  <td className="px-2">
                    {buy.proven
                      ? 'proven: no plan has fewer boxes or less scrap'
                      : `best found; no plan has fewer than ${counted(buy.openedBound, 'box', 'boxes')}${buy.openedBound === buy.opened ? ` or less than ${formatLength(buy.scrapBoundMm, job.units)} of scrap` : ''}`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {plan.left.length > 0 && (
            <ul className="my-1 list-disc pl-5 text-bite">
              {plan.left.slice(0, 8).map(({ runId, why }) => (
                <li key={runId}>{why}</li>
              ))}
              {plan.left.length > 8 && <li>and {plan.left.length - 8} more</li>}
            </ul>
          )}
          <div className="flex gap-2">
            <Button
              look="main"
              disabled={plan.cuts.length === 0}
              onClick={() => {
                if (dispatch(cablePlanCommands(job, plan))) planner.putAway();
              }}
            >
              Take this plan
            </Button>
            <Button onClick={planner.putAway}>Put it away</Button>
          </div>
        </section>
      )}
      <div className="grid content-start gap-4 xl:grid-cols-[minmax(0,1fr)_minmax(0,1.5fr)]">
        <Boxes />
        <PullSheet lines={lines} />
      </div>
    </div>
  );
}

function Boxes() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const boxes = Object.values(job.boxes).sort(
    (a, b) => Number(a.bought) - Number(b.bought) || naturalOrder(a.name, b.name),
  );
  const [first] = toPull(job);
  const add = () => {
    const names = new Set(boxes.map((box) => box.name));
    let number = 1;
    while (names.has(`Box ${number}`)) number += 1;
    const record: Box = {
      id: newRowId('box'),
      name: `Box ${number}`,
      cable: first?.cable || 'Cat 6 U/UTP',
      leftMm: 100_000,
      bought: false,
      markMm: null,
      marksFall: true,
    };
    keep({ table: 'boxes', record });
  };
  return (
    <section aria-label="Boxes">
      <div className="mb-1 flex items-center gap-2 border-strong border-b">
        <h2 className="wide flex-1 font-bold">Boxes</h2>
        <Button className="mb-1" onClick={add}>
          + Box at hand
        </Button>
      </div>
      {boxes.length === 0 && <p className="text-soft">None at hand: every box is bought new.</p>}
      <ul className="grid gap-2">
        {boxes.map((box) => (
          <BoxRow key={box.id} box={box} />
        ))}
      </ul>
    </section>
  );
}

function BoxRow({ box }: { box: Box }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const change = (changes: Partial<Box>) => keep({ table: 'boxes', record: { ...box, ...changes } });
  const cuts = Object.values(job.cuts).filter((cut) => cut.boxId === box.id);
  const taken = cuts.reduce((sum, cut) => sum + cut.lengthMm, 0);
  const share = Math.min(1, taken / box.leftMm);
  return (
    <li className="rounded-[3px] border bg-sheet p-2">
      <div className="grid grid-cols-[1fr_1.4fr_0.8fr_1fr] gap-2">
        <CommitField
          label="Box"
          value={box.name}
          maxLength={40}
          onCommit={(name) =>
            name.trim() === '' ? 'Expected a name.' : change({ name: name.trim() }) ? null : 'That name is taken.'
          }
        />
        <CommitSelect
          label="Cable"
          value={box.cable}
          options={[...new Set([box.cable, ...cableKindsOf(job).map((kind) => kind.name)])].map((name) => ({
            value: name,
            words: name,
          }))}
          onCommit={(cable) => change({ cable })}
        />
        <LengthField label="In it" mm={box.leftMm} least={1} onCommit={(leftMm) => change({ leftMm })} />
        <LengthField
          label="End mark"
          mm={box.markMm}
          onCommit={(markMm) => change({ markMm })}
          onClear={() => change({ markMm: null })}
        />
      </div>
      <div className="mt-1 flex items-center gap-2">
        <svg width="100%" height="10" aria-hidden className="flex-1" preserveAspectRatio="none" viewBox="0 0 100 10">
          <rect width="100" height="10" fill="var(--face)" stroke="var(--strong-rule)" />
          <rect width={100 * share} height="10" fill="var(--act)" />
        </svg>
        <span className="narrow whitespace-nowrap text-soft text-xs">
          {box.bought ? 'to buy · ' : ''}
          {counted(cuts.length, 'cut')}, {formatLength(box.leftMm - taken, job.units)} over
          {leftInBoxMm(job, box.id) !== box.leftMm &&
            `, ${formatLength(leftInBoxMm(job, box.id), job.units)} in it now`}
        </span>
        <label className="narrow flex items-center gap-1 text-xs">
          <input type="checkbox" checked={box.marksFall} onChange={() => change({ marksFall: !box.marksFall })} />
          metre marks count down
        </label>
        <Button
          look="quiet"
          className="min-h-6 px-1.5 py-0 text-xs"
          aria-label={`Remove ${box.name}`}
          onClick={() => drop('boxes', box.id)}
        >
          Remove
        </Button>
      </div>
    </li>
  );
}

function PullSheet({ lines }: { lines: ReturnType<typeof pullSheet> }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const show = (mm: number | null) => (mm === null ? '' : formatLength(mm, job.units));
  const pulls = [...new Set(lines.map((line) => line.pull))];
  return (
    <section aria-label="Pull sheet">
      <h2 className="wide mb-1 border-strong border-b pb-1 font-bold">Pull sheet</h2>
      {lines.length === 0 ? (
        <p className="text-soft">Plan the boxes first: the pulls then stand here in the order of the work.</p>
      ) : (
        <table className="narrow w-full text-[13px]">
          <thead>
            <tr className="border-b text-left">
              <th>Pull</th>
              <th>Run</th>
              <th>To</th>
              <th>From box</th>
              <th className="text-right">Cut</th>
              <th className="px-1 text-right">Marks</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {pulls.map((pull) => {
              const members = lines.filter((line) => line.pull === pull);
              const done = members.every((line) => line.run.state !== 'wanted');
              return members.map((line, at) => (
                <tr
                  key={line.run.id}
                  className={`${at === members.length - 1 ? 'border-strong border-b' : ''} ${done ? 'text-soft' : ''}`}
                >
                  <td className="font-bold font-mono">{at === 0 ? pull : ''}</td>
                  <td className="font-bold font-mono">{line.run.label}</td>
                  <td className="truncate">
                    {[line.run.floor, line.run.room, line.run.outlet].filter(Boolean).join(', ')}
                  </td>
                  <td className="whitespace-nowrap">{line.box.name}</td>
                  <td className="whitespace-nowrap text-right font-mono text-xs">{show(line.lengthMm)}</td>
                  <td className="whitespace-nowrap px-1 text-right font-mono text-xs">
                    {line.fromMarkMm === null ? '' : `${show(line.fromMarkMm)} → ${show(line.toMarkMm)}`}
                  </td>
                  <td className="text-right">
                    {at === 0 && (
                      <Button
                        className="min-h-6 px-1.5 py-0 text-xs"
                        aria-label={done ? `Pull ${pull} is not pulled after all` : `Pull ${pull} is pulled`}
                        onClick={() =>
                          dispatch([
                            {
                              type: 'editRuns',
                              edits: members.map(({ run }) => ({
                                runId: run.id,
                                changes: { state: done ? ('wanted' as const) : ('pulled' as const) },
                              })),
                            },
                          ])
                        }
                      >
                        {done ? '✓ pulled' : 'Pulled'}
                      </Button>
                    )}
                  </td>
                </tr>
              ));
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}
