'use client';

import * as Comlink from 'comlink';
import { Pin, PinOff, Unplug } from 'lucide-react';
import { useState } from 'react';
import { portOfKey } from '@/core/job/jobIndex';
import { isLive, type Run } from '@/core/job/records/run';
import { patchCommands } from '@/core/patching/patchCommands';
import type { PatchPlan } from '@/core/patching/planPatching';
import { counted } from '@/core/text/counted';
import { traceRun } from '@/core/trace/traceRun';
import { useSession } from '../job/session';
import { usePlanner } from '../job/usePlanner';
import { Button } from '../kit/Button';
import { Select } from '../kit/Field';
import { RunCarrier } from '../kit/RunCarrier';
import { useAnnounce } from '../kit/useAnnounce';
import { LoomView } from './LoomView';
import { LOOM_GROUPS, LOOM_SHOWS, type LoomGroup, type LoomShow } from './loomLayout';

const SHOW_WORDS: Record<LoomShow, string> = {
  all: 'every run',
  snags: 'with a snag',
  unpatched: 'not patched',
  spare: 'spare',
  critical: 'critical',
};
/** Time for a plan: what it proves sooner comes sooner. */
export const SECONDS = 5;
const noteNothing = Comlink.proxy(() => undefined);

/** The loom, and a plan for the rest that is shown before it is taken. */
export function LoomScreen() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const select = useSession((session) => session.select);
  const announce = useAnnounce();
  const planner = usePlanner<PatchPlan>(job);
  const [includeSpare, setIncludeSpare] = useState(false);
  const [big, setBig] = useState(false);
  const [group, setGroup] = useState<LoomGroup>('room');
  const [show, setShow] = useState<LoomShow>('all');
  const [carriedId, setCarriedId] = useState<string | null>(null);
  const [seekFor, setSeekFor] = useState<string | null>(null);
  const carried = job.runs[carriedId ?? ''] ?? null;
  const { plan } = planner;

  const pickUp = (run: Run, byPointer = false) => {
    select(run.id);
    if (!traceRun(job, run).landing) {
      announce(`${run.label} is not landed yet: land it first.`);
      return false;
    }
    setCarriedId(run.id);
    setSeekFor(byPointer ? null : run.id);
    announce(`${run.label} picked up. Go to a switch port and press Enter.`);
    return true;
  };
  const letGo = () => {
    if (carried) announce(`${carried.label} let go`);
    setCarriedId(null);
  };
  const patch = (run: Run, switchId: string, switchPort: number) => {
    setCarriedId(null);
    const { landing } = traceRun(job, run);
    if (!landing) return;
    const cord = { panelId: landing.panelId, panelPort: landing.port, switchId, switchPort, fixed: true };
    if (dispatch([{ type: 'patchPorts', cords: [cord] }])) {
      announce(`${run.label} patched to ${job.gear[switchId]?.name} port ${switchPort}`);
    }
  };
  const unpatch = (run: Run) => {
    const { cord } = traceRun(job, run);
    if (cord && dispatch([{ type: 'unplug', cordIds: [cord.id] }])) announce(`${run.label} unpatched`);
  };
  const drop = (runId: string, place: string | null) => {
    setCarriedId(null);
    const run = job.runs[runId];
    if (!run || !place) return;
    const { gearId, port } = portOfKey(place);
    patch(run, gearId, port);
  };

  return (
    <RunCarrier
      id="patch"
      hint="Enter picks the strand up; on a switch port, Enter drops it there."
      carried={carried}
      onPickUp={(runId) => {
        const run = job.runs[runId];
        if (run) pickUp(run, true);
      }}
      onDrop={drop}
      onCancel={() => setCarriedId(null)}
    >
      <section
        aria-label="Patch"
        className="flex min-h-0 flex-1 flex-col"
        onKeyDown={(event) => event.key === 'Escape' && letGo()}
      >
        <div className="flex min-h-12 flex-wrap items-center gap-x-3 gap-y-1 px-3 py-2">
          {plan ? (
            <>
              <Button
                look="main"
                autoFocus
                disabled={plan.cords.length === 0}
                onClick={() => {
                  if (dispatch(patchCommands(plan))) announce(`${counted(plan.cords.length, 'run')} patched`);
                }}
              >
                {plan.cords.length === 0 ? 'Nothing can be patched' : `Patch ${counted(plan.cords.length, 'run')}`}
              </Button>
              <Button onClick={planner.putAway}>Leave it</Button>
              <p className="text-soft">
                {plan.cords.length > 0 &&
                  `Dashed below. ${plan.proven ? 'Proven: no other choice serves these runs better.' : 'A power budget binds: the best found, not proven.'}`}
              </p>
            </>
          ) : (
            <>
              {planner.busy ? (
                <Button onClick={planner.cancel}>Working … cancel</Button>
              ) : (
                <Button
                  look="main"
                  onClick={() =>
                    void planner.start((worker) => worker.patch(job, { includeSpare }, SECONDS, noteNothing))
                  }
                >
                  Patch the rest
                </Button>
              )}
              <label className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="size-4 accent-[var(--act)]"
                  checked={includeSpare}
                  onChange={(event) => setIncludeSpare(event.target.checked)}
                />
                spare runs as well
              </label>
              <label className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="size-4 accent-[var(--act)]"
                  checked={big}
                  onChange={(event) => setBig(event.target.checked)}
                />
                big rows
              </label>
              <Select
                aria-label="Gather by"
                className="max-w-32"
                value={group}
                onChange={(event) => setGroup(event.target.value as LoomGroup)}
              >
                {LOOM_GROUPS.map((value) => (
                  <option key={value} value={value}>
                    by {value}
                  </option>
                ))}
              </Select>
              <Select
                aria-label="Show"
                className="max-w-36"
                value={show}
                onChange={(event) => setShow(event.target.value as LoomShow)}
              >
                {LOOM_SHOWS.map((value) => (
                  <option key={value} value={value}>
                    {SHOW_WORDS[value]}
                  </option>
                ))}
              </Select>
            </>
          )}
          <RunActions carried={carried} onPickUp={pickUp} onLetGo={letGo} onUnpatch={unpatch} />
        </div>
        {plan && plan.left.length > 0 && (
          <ul
            aria-label="Left out"
            className="mx-3 mb-1 grid max-h-24 gap-0.5 overflow-auto rounded border border-bite px-2 py-1 text-[13px]"
          >
            {plan.left.map(({ runId, why, letsIn }) => {
              const label = job.runs[runId]?.label ?? '';
              return (
                <li key={runId}>
                  <button type="button" className="font-bold font-mono underline" onClick={() => select(runId)}>
                    {label}
                  </button>
                  {why.slice(label.length)}
                  {letsIn.length > 0 && <span className="text-soft"> To let it in: {letsIn.join('; or ')}.</span>}
                </li>
              );
            })}
          </ul>
        )}
        <LoomView
          carried={carried}
          seek={carried !== null && seekFor === carried.id}
          proposal={plan}
          big={big}
          group={group}
          show={show}
          onPickUp={pickUp}
          onPatch={patch}
          onUnpatch={unpatch}
        />
      </section>
    </RunCarrier>
  );
}

/** What can be done with the selected run, or with the one in hand. */
function RunActions({
  carried,
  onPickUp,
  onLetGo,
  onUnpatch,
}: {
  carried: Run | null;
  onPickUp: (run: Run) => void;
  onLetGo: () => void;
  onUnpatch: (run: Run) => void;
}) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const selected = useSession((session) => session.job.runs[session.selectedRunId ?? '']);
  if (carried) {
    return (
      <p className="ml-auto flex items-center gap-2 font-bold" data-testid="patch-words">
        {carried.label} is in hand: choose a switch port.
        <Button onClick={onLetGo}>Let go</Button>
      </p>
    );
  }
  if (!selected) return <p className="ml-auto text-soft">Pick a strand up by its run, and drop it on a switch port.</p>;
  const { cord, landing } = traceRun(job, selected);
  return (
    <div className="ml-auto flex items-center gap-1.5">
      <span className="font-bold font-mono">{selected.label}</span>
      {!isLive(selected) && <span className="text-soft">spare</span>}
      {cord ? (
        <>
          <Button onClick={() => onUnpatch(selected)}>
            <Unplug size={15} aria-hidden /> Unpatch
          </Button>
          <Button
            aria-pressed={cord.fixed}
            onClick={() => dispatch([{ type: 'fixCords', cordIds: [cord.id], fixed: !cord.fixed }])}
          >
            {cord.fixed ? <PinOff size={15} aria-hidden /> : <Pin size={15} aria-hidden />}
            {cord.fixed ? 'Free' : 'Fix'}
          </Button>
        </>
      ) : (
        <Button disabled={!landing} onClick={() => onPickUp(selected)}>
          {landing ? 'Pick up' : 'Not landed yet'}
        </Button>
      )}
    </div>
  );
}
