'use client';

import { citeFor } from '@/core/base/standards/cite';
import { untwistSource } from '@/core/base/standards/landing';
import { pinoutSource } from '@/core/base/standards/pinout';
import { counted } from '@/core/base/text/counted';
import { indexJob } from '@/core/job/document/jobIndex';
import type { Gear } from '@/core/job/records/gear';
import { JOINTS, type Joint } from '@/core/job/records/landing';
import type { Run } from '@/core/job/records/run';
import { RUN_ENDS, type RunEnd, type Termination, type TerminationCheck } from '@/core/job/records/termination';
import { landingParts } from '@/core/trade/panels/jacks';
import { panelsInOrder } from '@/core/trade/panels/panelsInOrder';
import { rearBlocks } from '@/core/trade/panels/rowOrder';
import { panelCards, terminationCard } from '@/core/trade/panels/terminationCard';
import { AnswerField } from '../kit/AnswerField';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { LengthField } from '../kit/LengthField';
import { ShortName } from '../kit/ShortName';
import { TakeawayLink } from '../kit/TakeawayLink';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';

const JOINT_WORDS: Record<Joint, string> = { none: 'no', coupler: 'with a coupler', joint: 'with a joint' };
const END_WORDS: Record<RunEnd, string> = { panel: 'At the panel', outlet: 'At the outlet' };

/** What to do at both ends of each run, who did it, and the parts it takes. */
export function CardsView() {
  const job = useSession((session) => session.job);
  const selectedId = useSession((session) => session.selectedRunId);
  const panels = panelsInOrder(job);
  const cards = panels.map((panel) => ({ panel, cards: panelCards(job, panel) }));
  const first = cards.flatMap((one) => one.cards)[0]?.run;
  const run = job.runs[selectedId ?? ''] ?? first;
  return (
    <div className="grid min-h-0 flex-1 content-start gap-4 overflow-auto px-3 py-2 lg:grid-cols-[200px_minmax(0,1.5fr)_minmax(0,0.8fr)]">
      <RunList cards={cards.map(({ panel, cards: rows }) => ({ panel, runs: rows.map((row) => row.run) }))} now={run} />
      {run ? <Card run={run} /> : <p className="text-soft">No run is landed yet: land some first.</p>}
      <Parts />
    </div>
  );
}

function RunList({ cards, now }: { cards: { panel: Gear; runs: Run[] }[]; now: Run | undefined }) {
  const job = useSession((session) => session.job);
  const select = useSession((session) => session.select);
  const done = new Set(Object.values(job.terminations).map((row) => `${row.runId} ${row.end}`));
  return (
    <nav aria-label="Landed runs" className="max-h-48 overflow-auto lg:max-h-none">
      {cards.map(({ panel, runs }) => (
        <div key={panel.id} className="mb-2">
          <h2 className="wide font-bold text-[13px]">
            <ShortName gearId={panel.id} /> {panel.name}
          </h2>
          <ul className="flex flex-wrap gap-1 pt-1">
            {runs.map((run) => {
              const ends = RUN_ENDS.filter((end) => done.has(`${run.id} ${end}`)).length;
              return (
                <li key={run.id}>
                  <button
                    type="button"
                    aria-current={run.id === now?.id}
                    aria-label={`${run.label}, ${ends} of 2 ends done`}
                    onClick={() => select(run.id)}
                    className={`min-w-11 rounded-[3px] border px-1.5 py-1 font-bold font-mono text-[13px] ${run.id === now?.id ? 'border-ink bg-well outline-2 outline-trace' : 'border-strong bg-face'} ${ends === 2 ? 'border-b-4 border-b-good' : ends === 1 ? 'border-b-4 border-b-bite' : ''}`}
                  >
                    {run.label}
                  </button>
                </li>
              );
            })}
          </ul>
        </div>
      ))}
    </nav>
  );
}

function Card({ run }: { run: Run }) {
  const job = useSession((session) => session.job);
  const card = terminationCard(job, run);
  return (
    <section
      aria-label={`Termination card of ${run.label}`}
      className="rounded-[3px] border-2 border-strong bg-sheet p-3"
    >
      <h2 className="flex items-baseline gap-3">
        <span className="font-bold font-mono text-xl">{run.label}</span>
        <span>{[run.room, run.outlet].filter(Boolean).join(', ')}</span>
      </h2>
      <p className="font-semibold">{card.where}</p>
      <p className="text-soft">{[run.cable, card.part].filter(Boolean).join(' · ')}</p>
      {card.panel && <Longer run={run} />}
      {card.panel && <Back panel={card.panel} port={card.port} />}
      {card.wiring && (
        <div className="mt-2">
          <AnswerField id="land-wiring" label="Both ends of every run" className="max-w-48" />
          <ol className="mt-1 grid gap-x-4 text-[13px] sm:grid-cols-2">
            {card.pins.map(({ pin, colour, pair }) => (
              <li key={pin} className="flex items-center gap-1.5 border-b py-0.5">
                <b className="w-4 text-right font-mono">{pin}</b>
                <span className="flex-1">{colour}</span>
                <span className="text-soft text-xs">pair {pair}</span>
              </li>
            ))}
          </ol>
        </div>
      )}
      <ul className="mt-2 list-disc pl-5 text-[13px]">
        {card.steps
          .filter((step) => step.check === null)
          .map((step) => (
            <li key={step.words}>{step.words}</li>
          ))}
      </ul>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        {RUN_ENDS.map((end) => (
          <End key={`${run.id} ${end}`} run={run} end={end} row={card.done[end]} steps={card.steps} />
        ))}
      </div>
      <p className="narrow mt-2 text-soft text-xs">
        {card.wiring
          ? `${citeFor(pinoutSource, job.rules)}; ${citeFor(untwistSource, job.rules)}.`
          : 'A rule of thumb.'}
      </p>
    </section>
  );
}

/** How a cable that was too short was made longer: kept with the landing, and a snag until the run is pulled anew. */
function Longer({ run }: { run: Run }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const landing = indexJob(job).landingOfRun.get(run.id);
  if (!landing) return null;
  const { panelId, port, joint, jointMm } = landing;
  const set = (changes: { joint?: Joint; jointMm?: number | null }) =>
    dispatch([{ type: 'landRuns', landings: [{ runId: run.id, panelId, port, joint, jointMm, ...changes }] }]);
  return (
    <div className="mt-1 flex flex-wrap items-end gap-2">
      <CommitSelect
        label="Made longer"
        value={joint}
        options={JOINTS.map((value) => ({ value, words: JOINT_WORDS[value] }))}
        onCommit={(value) => set(value === 'none' ? { joint: 'none', jointMm: null } : { joint: value as Joint })}
      />
      {joint !== 'none' && (
        <LengthField
          label="By"
          className="w-24"
          least={1}
          mm={jointMm}
          onCommit={(mm) => set({ jointMm: mm })}
          onClear={() => set({ jointMm: null })}
        />
      )}
    </div>
  );
}

/** The back of a punch-down panel, the block of this run marked. */
function Back({ panel, port }: { panel: Gear; port: number | null }) {
  const blocks = rearBlocks(panel);
  if (blocks.length === 0) return null;
  const columns = Math.max(...blocks.map((block) => block.column)) + 1;
  const rows = Math.max(...blocks.map((block) => block.row)) + 1;
  return (
    <figure className="mt-2">
      <svg
        viewBox={`0 0 ${columns * 16} ${rows * 14}`}
        className="w-full max-w-lg"
        role="img"
        aria-label={`Back of ${panel.name}, port ${port ?? 'none'} marked`}
      >
        {blocks.map((block) => {
          const x = (columns - 1 - block.column) * 16;
          const here = block.port === port;
          return (
            <g key={block.port}>
              <rect
                x={x + 0.5}
                y={block.row * 14 + 0.5}
                width={15}
                height={13}
                fill={here ? 'var(--ink)' : 'var(--face)'}
                stroke="var(--strong)"
                strokeWidth={0.8}
              />
              <text
                x={x + 8}
                y={block.row * 14 + 10}
                fontSize={8}
                textAnchor="middle"
                fontWeight={700}
                fill={here ? 'var(--paper)' : 'var(--ink)'}
              >
                {block.port}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-soft text-xs">Seen from behind: port 1 is at the right.</figcaption>
    </figure>
  );
}

function End({
  run,
  end,
  row,
  steps,
}: {
  run: Run;
  end: RunEnd;
  row: Termination | null;
  steps: { check: TerminationCheck | null; words: string }[];
}) {
  const { keep, drop } = useRows();
  const today = () => new Date().toISOString().slice(0, 10);
  const base: Termination = row ?? { id: newRowId('termination'), runId: run.id, end, by: '', on: '', checks: [] };
  const set = (changes: Partial<Termination>) => {
    const record = { ...base, on: base.on || today(), ...changes };
    const empty = record.by === '' && record.checks.length === 0;
    return empty && row ? drop('terminations', row.id) : keep({ table: 'terminations', record });
  };
  return (
    <fieldset className="rounded-[3px] border p-2">
      <legend className="px-1 font-bold text-[13px]">{END_WORDS[end]}</legend>
      {steps.map(
        ({ check, words }) =>
          check && (
            <label key={check} className="flex items-start gap-2 py-1 text-[13px] leading-tight">
              <input
                type="checkbox"
                className="mt-0.5 size-5 shrink-0 accent-[var(--act)]"
                checked={base.checks.includes(check)}
                onChange={(event) =>
                  set({
                    checks: event.target.checked ? [...base.checks, check] : base.checks.filter((one) => one !== check),
                  })
                }
              />
              {words}
            </label>
          ),
      )}
      <div className="mt-1 grid gap-1.5">
        <CommitField
          label="Who"
          value={base.by}
          onCommit={(text) => (set({ by: text.trim() }) ? null : 'It could not be taken.')}
        />
        <CommitField
          label="Day"
          type="date"
          value={base.on}
          onCommit={(text) => (set({ on: text }) ? null : 'It could not be taken.')}
        />
      </div>
    </fieldset>
  );
}

function Parts() {
  const job = useSession((session) => session.job);
  const { jacks, blanks, ties, perPanel } = landingParts(job);
  return (
    <section aria-label="Parts">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="wide font-bold">Parts for landing</h2>
        <TakeawayLink of="termination.pdf" words="Cards" />
      </div>
      <table className="mt-1 w-full text-[13px]">
        <tbody>
          {jacks.map(({ words, count }) => (
            <tr key={words} className="border-b">
              <th scope="row" className="text-left font-normal">
                {words}
              </th>
              <td className="text-right font-bold font-mono">{count}</td>
            </tr>
          ))}
          <tr className="border-b">
            <th scope="row" className="text-left font-normal">
              Blanks for empty openings
            </th>
            <td className="text-right font-bold font-mono">{blanks}</td>
          </tr>
          <tr className="border-b">
            <th scope="row" className="text-left font-normal">
              Hook-and-loop ties along the strain relief
            </th>
            <td className="text-right font-bold font-mono">{ties}</td>
          </tr>
        </tbody>
      </table>
      <table className="mt-3 w-full text-[13px]">
        <thead>
          <tr className="border-b text-left">
            <th>Panel</th>
            <th className="text-right">Landed</th>
            <th className="text-right">Free</th>
          </tr>
        </thead>
        <tbody>
          {perPanel.map(({ panel, landed, free }) => (
            <tr key={panel.id} className="border-b">
              <th scope="row" className="text-left font-semibold">
                {panel.name}
              </th>
              <td className="text-right font-mono">{landed}</td>
              <td className="text-right font-mono">{free}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {perPanel.length === 0 && <p className="text-soft">No panel yet: add one at Stack.</p>}
      <p className="narrow mt-1 text-soft text-xs">{counted(ties, 'tie')}: one for four ports, a rule of thumb.</p>
    </section>
  );
}
