import { Check, X } from 'lucide-react';
import { useState } from 'react';
import { indexJob } from '@/core/job/document/jobIndex';
import { type Result, SCREEN_WORDS, SCREENS } from '@/core/job/records/result';
import type { Tester } from '@/core/job/records/tester';
import { isScreened } from '@/core/trade/runs/cableKinds';
import { detectsSplits, newResult } from '@/core/trade/testing/newResult';
import { isSettled, type Proof, proofs, resultFault } from '@/core/trade/testing/proof';
import { readingOf, readWireMap } from '@/core/trade/testing/wireMap';
import { runOfScan } from '@/core/trade/trace/readScan';
import { AnswerField } from '../kit/AnswerField';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { secondHere } from '../kit/nowHere';
import { ThumbField } from '../kit/ThumbField';
import { useAnnounce } from '../kit/useAnnounce';
import { newRowId, useRows } from '../kit/useRows';
import { Heading, Scroll, StateMark } from '../kit/viewParts';
import { actorHere } from '../session/actor';
import { useSession } from '../session/session';
import { ScanField } from './ScanField';
import { TELL_WORDS, TesterFields } from './TesterFields';

/** Wire maps that are met most, each in one tap. */
const QUICK_MAPS = [
  ['1-2 dark', '- - 3 4 5 6 7 8'],
  ['3-6 dark', '1 2 - 4 5 - 7 8'],
  ['4-5 dark', '1 2 3 - - 6 7 8'],
  ['7-8 dark', '1 2 3 4 5 6 - -'],
  ['A and B mixed', '3 6 1 4 5 2 7 8'],
  ['All dark', '- - - - - - - -'],
] as const;
const ENDS = { panel: 'panel end', outlet: 'room end' } as const;
type End = keyof typeof ENDS;

/** One result a tap: the next run in panel order, pass or fail, the wire map where it failed. */
export function LogView() {
  const job = useSession((session) => session.job);
  const [testerId, setTesterId] = useState<string | null>(null);
  // A run that was found or traced is the one to be tested.
  const found = useSession((session) => session.selectedRunId);
  const [chosen, setChosen] = useState<string | null>(found);
  const [settingUp, setSettingUp] = useState(Object.keys(job.testers).length === 0);
  const [end, setEnd] = useState<End>('panel');
  const all = end === 'panel' ? inPanelOrder(job, proofs(job)) : inRoomOrder(proofs(job));
  const tester = job.testers[testerId ?? ''] ?? Object.values(job.testers)[0] ?? null;
  const open = all.filter((one) => !isSettled(one));
  // What this tester can tell of a run was logged already: what is missing takes another, so the next run is shown.
  const isSaid = ({ verdict, results }: Proof) => verdict === 'incomplete' && results[0]?.testerId === tester?.id;
  const now =
    all.find(({ run }) => run.id === chosen) ??
    open.find((one) => one.state !== 'failed' && !isSaid(one)) ??
    open.find(({ state }) => state !== 'failed') ??
    open[0];
  const later = open.filter((one) => one !== now);
  return (
    <Scroll label="Log">
      <div className="grid grid-cols-1 items-end gap-3 sm:grid-cols-2">
        <fieldset className="flex flex-wrap gap-2">
          <legend className="text-[13px]">I am at the</legend>
          {(Object.keys(ENDS) as End[]).map((one) => (
            <Button
              key={one}
              big
              look={one === end ? 'main' : 'plain'}
              aria-pressed={one === end}
              onClick={() => {
                setEnd(one);
                setChosen(null);
              }}
            >
              {ENDS[one]}
            </Button>
          ))}
        </fieldset>
        <ScanField
          onScan={(text) => {
            const run = runOfScan(job, text);
            if (run) setChosen(run.id);
            return run ? null : `There is no run “${text}” in this job.`;
          }}
        />
      </div>
      {all.length === 0 && <p>There is no run yet that could be tested.</p>}
      {now ? (
        <TestCard key={now.run.id} proof={now} tester={tester} end={end} onDone={() => setChosen(null)} />
      ) : (
        all.length > 0 && <p className="text-base">Every run has passed, or is accepted by name.</p>
      )}
      <details open={settingUp} onToggle={(event) => setSettingUp(event.currentTarget.open)}>
        <summary className="min-h-12 cursor-pointer py-3 text-[13px]">
          <b>Tester and what counts</b>{' '}
          <span className="text-soft">
            {tester ? `${tester.name}: ${TELL_WORDS[tester.tells]}` : 'no tester is on the list yet: continuity only'}
          </span>
        </summary>
        <div className="grid grid-cols-1 items-start gap-3 pb-2 sm:grid-cols-3">
          <AnswerField id="proven-by" />
          <TesterFields tester={tester} onChoose={setTesterId} />
        </div>
      </details>
      <JustLogged />
      {later.length > 0 && (
        <section aria-label="Still to be tested">
          <Heading>Then</Heading>
          <ul>
            {later.slice(0, 12).map(({ run, state }) => (
              <li key={run.id} className="border-b">
                <button type="button" className="min-h-12 w-full py-1 text-left" onClick={() => setChosen(run.id)}>
                  <b className="font-mono">{run.label}</b>{' '}
                  {[run.floor, run.room, run.outlet].filter(Boolean).join(', ')} <StateMark state={state} />
                </button>
              </li>
            ))}
          </ul>
          {later.length > 12 && <p className="text-[13px] text-soft">and {later.length - 12} more, in What is open</p>}
        </section>
      )}
    </Scroll>
  );
}

/** What came in last, by whomever: two people at two ends see each other's results. */
function JustLogged() {
  const job = useSession((session) => session.job);
  const last = Object.values(job.results)
    .sort((a, b) => b.at.localeCompare(a.at) || b.seq - a.seq)
    .slice(0, 4);
  if (last.length === 0) return null;
  return (
    <section aria-label="Just logged">
      <Heading>Just logged</Heading>
      <ul className="text-[13px]">
        {last.map(({ id, runId, passed, at, by, end }) => (
          <li key={id} className="flex flex-wrap gap-x-2 border-b py-0.5">
            <b className="font-mono">{job.runs[runId]?.label}</b>
            <StateMark state={passed ? 'passed' : 'failed'} words={passed ? 'passed' : 'failed'} />
            <span className="text-soft">{[at.slice(11), by, end && ENDS[end]].filter(Boolean).join(' · ')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

type Job = Parameters<typeof proofs>[0];

/** By panel and port, as one goes along with the tester; what is not landed last. */
function inPanelOrder(job: Job, all: readonly Proof[]): Proof[] {
  const { landingOfRun, gearInOrder } = indexJob(job);
  const panels = new Map(gearInOrder.map((gear, at) => [gear.id, at]));
  const place = ({ run }: Proof) => {
    const landing = landingOfRun.get(run.id);
    return landing ? (panels.get(landing.panelId) ?? 0) * 10_000 + landing.port : Number.MAX_SAFE_INTEGER;
  };
  return [...all].sort((a, b) => place(a) - place(b));
}

/** By floor, room and outlet, as one goes from room to room. */
const inRoomOrder = (all: readonly Proof[]): Proof[] => {
  const place = ({ run }: Proof) => [run.floor, run.room, run.outlet, run.label].join('\u001f');
  return [...all].sort((a, b) => place(a).localeCompare(place(b), undefined, { numeric: true }));
};

/** What a fibre test is judged by, beside its loss. */
const FIBRE_FIELDS = [
  { field: 'lengthM', label: 'Length (m)', example: '85' },
  { field: 'wavelengthNm', label: 'Wavelength (nm)', example: '850' },
  { field: 'matedPairs', label: 'Mated pairs', example: '2' },
  { field: 'splices', label: 'Splices', example: '0' },
] as const;
type FibreField = (typeof FIBRE_FIELDS)[number]['field'];
const NO_FIBRE_FIGURES: Record<FibreField, string> = { lengthM: '', wavelengthNm: '', matedPairs: '', splices: '' };
const amountOf = (text: string): number | null => (text.trim() === '' ? null : Number(text.trim().replace(',', '.')));
const fits = (text: string): boolean => {
  const amount = amountOf(text);
  return amount === null || (Number.isFinite(amount) && amount >= 0);
};

/** Speed and loss of what was typed beside a test, or what is wrong with it. */
function readTyped(typed: { map: string; speed: string; loss: string; fibre: Record<FibreField, string> }) {
  const [map, speed, loss] = [typed.map.trim(), typed.speed.trim(), typed.loss.trim()];
  if (map !== '' && readWireMap(map) === null)
    return 'Expected eight far pins, such as 1 2 3 - 5 6 7 8: - for open, + between pins that are joined.';
  const speedMbps = speed === '' ? null : Number(speed);
  if (speedMbps !== null && !(Number.isInteger(speedMbps) && speedMbps > 0))
    return 'Expected a speed in Mb/s, such as 1000.';
  const lossDb = loss === '' ? null : Number(loss.replace(',', '.'));
  if (lossDb !== null && !(Number.isFinite(lossDb) && lossDb >= -5 && lossDb <= 100))
    return 'Expected the loss in dB, such as 1.2.';
  const wrongFibre = FIBRE_FIELDS.find(({ field }) => !fits(typed.fibre[field]));
  if (wrongFibre) return `${wrongFibre.label}: expected a number, such as ${wrongFibre.example}.`;
  return { speedMbps, lossDb };
}

type CardProps = { proof: Proof; tester: Tester | null; end: End; onDone: () => void };

function TestCard({ proof, tester, end, onDone }: CardProps) {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const announce = useAnnounce();
  const { run, state, words } = proof;
  const [map, setMap] = useState('');
  const [split, setSplit] = useState(false);
  const [speed, setSpeed] = useState('');
  const [loss, setLoss] = useState('');
  const [fibre, setFibre] = useState<Record<FibreField, string>>(NO_FIBRE_FIGURES);
  const [screen, setScreen] = useState<Result['screen']>('not-tested');
  const [note, setNote] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const landing = indexJob(job).landingOfRun.get(run.id);
  const light = run.carries === 'fibre';
  const screened = run.carries === 'ethernet' && isScreened(job, run.cable);
  const wires = run.carries === 'ethernet' || run.carries === 'telephone';
  const seesSplit = detectsSplits(tester) === true;
  const put = (passed: boolean) => {
    const typed = readTyped({ map, speed, loss, fibre: light ? fibre : NO_FIBRE_FIGURES });
    if (typeof typed === 'string') return setWrong(typed);
    const record = newResult(
      job,
      tester,
      {
        id: newRowId('result'),
        runId: run.id,
        passed,
        at: secondHere(),
        by: actorHere().name,
        map: map.trim(),
        screen: screened ? screen : 'not-tested',
        ...typed,
        ...(light ? Object.fromEntries(FIBRE_FIELDS.map(({ field }) => [field, amountOf(fibre[field])])) : {}),
        note: note.trim(),
        end,
      },
      { split },
    );
    if (keep({ table: 'results', record })) {
      const fault = resultFault(job, run, record);
      announce(`${run.label}: ${fault ?? 'passed'}`);
      onDone();
    }
  };
  const read = map.trim() === '' ? null : readWireMap(map);
  return (
    <article aria-label="The run now" className="grid max-w-2xl gap-3 border-2 border-strong bg-sheet p-3">
      <h2 className="wide font-bold text-xl leading-tight">
        Run <span className="font-mono">{run.label}</span> <StateMark state={state} />
      </h2>
      <p className="text-base">
        {[run.floor, run.room, run.outlet].filter(Boolean).join(', ') || 'no room'}
        {landing && (
          <>
            {' '}
            · <b>{job.gear[landing.panelId]?.name}</b> port <b className="font-mono">{landing.port}</b>
          </>
        )}
        {run.device && <span className="text-soft"> · {run.device}</span>}
        <br />
        <span className="text-soft">{words}</span>
      </p>
      <div className="grid grid-cols-2 gap-2">
        <Button look="main" big onClick={() => put(true)}>
          <Check size={20} aria-hidden /> Pass
        </Button>
        <Button big onClick={() => put(false)}>
          <X size={20} aria-hidden /> Fail
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-[1.6fr_0.8fr_1.6fr]">
        {wires && (
          <ThumbField
            label="Wire map, far pins of 1 to 8"
            value={map}
            onText={setMap}
            placeholder="1 2 3 - 5 6 7 8"
            className="col-span-2 sm:col-span-1"
          />
        )}
        {wires && <ThumbField label="Links at (Mb/s)" value={speed} inputMode="numeric" onText={setSpeed} />}
        {light && <ThumbField label="Loss, end to end (dB)" value={loss} inputMode="decimal" onText={setLoss} />}
        {light &&
          FIBRE_FIELDS.map(({ field, label }) => (
            <ThumbField
              key={field}
              label={label}
              value={fibre[field]}
              inputMode="decimal"
              onText={(text) => setFibre((was) => ({ ...was, [field]: text }))}
            />
          ))}
        <ThumbField label="Note" value={note} maxLength={300} onText={setNote} />
      </div>
      {wires && (
        <fieldset className="flex flex-wrap gap-2">
          <legend className="text-[13px]">What the lamps show, in one tap</legend>
          {QUICK_MAPS.map(([words, pins]) => (
            <Button key={words} big aria-pressed={map === pins} onClick={() => setMap(map === pins ? '' : pins)}>
              {words}
            </Button>
          ))}
        </fieldset>
      )}
      {screened && (
        <CommitSelect
          label="Screen"
          className="w-60"
          value={screen}
          options={SCREENS.filter((value) => value !== 'none').map((value) => ({ value, words: SCREEN_WORDS[value] }))}
          onCommit={(value) => setScreen(value as Result['screen'])}
        />
      )}
      {seesSplit && wires && (
        <label className="flex min-h-12 items-center gap-2">
          <input
            type="checkbox"
            checked={split}
            onChange={(event) => setSplit(event.target.checked)}
            className="size-5 accent-act"
          />
          It shows split pairs
        </label>
      )}
      {wrong && (
        <p role="alert" className="font-semibold text-wont">
          {wrong}
        </p>
      )}
      {read && (
        <p className="text-[13px]">
          {readingOf({
            to: read,
            screen: 'not-tested',
            pairM: [null, null, null, null],
            splitSeen: seesSplit ? split : null,
          })
            .faults.map((fault) => fault.words)
            .join(' ') || 'Straight through.'}
        </p>
      )}
    </article>
  );
}
