'use client';

import * as Comlink from 'comlink';
import { ChevronDown, Pin, PinOff, Printer, Unplug } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { counted } from '@/core/base/text/counted';
import {
  GATHERED_BY,
  type GatheredBy,
  type Gathering,
  SHOWN_RUNS,
  type ShownRuns,
} from '@/core/findings/wiring/gatherRuns';
import { indexJob, portOfKey } from '@/core/job/document/jobIndex';
import { isPanel } from '@/core/job/records/ports';
import { isLive, type Run } from '@/core/job/records/run';
import { patchCommands } from '@/core/trade/patching/patchCommands';
import type { PatchPlan } from '@/core/trade/patching/planPatching';
import { traceRun } from '@/core/trade/trace/traceRun';
import { Button } from '../kit/Button';
import { Select } from '../kit/Field';
import { MenuCheck } from '../kit/MenuCheck';
import { MenuSheet } from '../kit/MenuSheet';
import { type Carried, RunCarrier } from '../kit/RunCarrier';
import { takeawayPath } from '../kit/TakeawayLink';
import { useAnnounce } from '../kit/useAnnounce';
import { relandingWords } from '../land/relanding';
import { useSession } from '../session/session';
import { toast } from '../session/toast';
import { usePlanner } from '../session/usePlanner';
import { FacesView } from './FacesView';
import { LoomView } from './LoomView';
import type { End } from './loomHandling';
import { SeenBar } from './SeenStrands';

const SHOW_WORDS: Record<ShownRuns, string> = {
  all: 'every run',
  snags: 'with a snag',
  unpatched: 'not patched',
  spare: 'spare',
  critical: 'critical',
};
type Hand = { runId: string; end: End };
/** Time for a plan: what it proves sooner comes sooner. */
export const SECONDS = 5;
const noteNothing = Comlink.proxy(() => undefined);

/** The loom, and a plan for the rest that is shown before it is taken. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: the bar above the loom, control after control
export function LoomScreen() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const select = useSession((session) => session.select);
  const announce = useAnnounce();
  const planner = usePlanner<PatchPlan>(job);
  const [includeSpare, setIncludeSpare] = useState(false);
  const [big, setBig] = useState(false);
  const [beside, setBeside] = useState(false);
  const [gathering, setGathering] = useState<Gathering>({ by: 'room', show: 'all' });
  const [hand, setHand] = useState<Hand | null>(null);
  const [seekFor, setSeekFor] = useState<Hand | null>(null);
  const carried = job.runs[hand?.runId ?? ''] ?? null;
  const { plan } = planner;

  /** A run that is not landed has but its panel end to pick up. */
  const pickUp = (run: Run, wanted: End = 'switch', byPointer = false) => {
    select(run.id);
    const end = traceRun(job, run).landing ? wanted : 'panel';
    const taken = { runId: run.id, end };
    setHand(taken);
    setSeekFor(byPointer ? null : taken);
    announce(`${run.label} picked up at its ${end} end. Go to a ${end} port and press Enter.`);
  };
  const letGo = () => {
    if (carried) announce(`${carried.label} let go`);
    setHand(null);
  };
  const bring = (run: Run, end: End, gearId: string, port: number) => {
    setHand(null);
    const place = `${job.gear[gearId]?.name} port ${port}`;
    if (end === 'panel') {
      const landings = [{ runId: run.id, panelId: gearId, port }];
      if (dispatch([{ type: 'landRuns', landings }])) announce(`${run.label} landed on ${place}`);
      return;
    }
    const { landing } = traceRun(job, run);
    if (!landing) return;
    const cord = {
      panelId: landing.panelId,
      panelPort: landing.port,
      switchId: gearId,
      switchPort: port,
      fixed: true,
    };
    if (dispatch([{ type: 'patchPorts', cords: [cord] }])) announce(`${run.label} patched to ${place}`);
  };
  const unpatch = (run: Run) => {
    const { cord } = traceRun(job, run);
    if (cord && dispatch([{ type: 'unplug', cordIds: [cord.id] }])) announce(`${run.label} unpatched`);
  };
  const drop = ({ runId }: Carried, place: string | null) => {
    const run = job.runs[runId];
    const end = hand?.end;
    setHand(null);
    if (!run || !end || !place) return;
    const { gearId, port } = portOfKey(place);
    const gear = job.gear[gearId];
    if (!gear || isPanel(gear) !== (end === 'panel'))
      toast.warning(`${run.label} was in hand at its ${end} end: drop it on a ${end} port.`);
    else bring(run, end, gearId, port);
  };

  return (
    <RunCarrier
      hint="Enter picks the strand up; on a port, Enter drops it there."
      carried={carried}
      onPickUp={({ runId, end }) => {
        const run = job.runs[runId];
        if (run) pickUp(run, end, true);
      }}
      onDrop={drop}
      onCancel={() => setHand(null)}
    >
      <section
        aria-label="Patch"
        className="flex min-h-0 flex-1 flex-col"
        onKeyDown={(event) => event.key === 'Escape' && letGo()}
      >
        <SeenBar />
        <div className="flex h-12 shrink-0 items-center gap-x-2.5 overflow-hidden px-3">
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
              <p className="min-w-0 truncate text-soft">
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
              {!hand && (
                <>
                  <label className="flex shrink-0 items-center gap-1.5">
                    <input
                      type="checkbox"
                      className="size-4 accent-[var(--act)]"
                      checked={includeSpare}
                      onChange={(event) => setIncludeSpare(event.target.checked)}
                    />
                    spare runs as well
                  </label>
                  <Select
                    aria-label="Gather by"
                    className="max-w-28"
                    value={gathering.by}
                    onChange={(event) => setGathering({ ...gathering, by: event.target.value as GatheredBy })}
                  >
                    {GATHERED_BY.map((value) => (
                      <option key={value} value={value}>
                        by {value}
                      </option>
                    ))}
                  </Select>
                  <Select
                    aria-label="Show"
                    className="max-w-32"
                    value={gathering.show}
                    onChange={(event) => setGathering({ ...gathering, show: event.target.value as ShownRuns })}
                  >
                    {SHOWN_RUNS.map((value) => (
                      <option key={value} value={value}>
                        {SHOW_WORDS[value]}
                      </option>
                    ))}
                  </Select>
                  <DropdownMenu.Root modal={false}>
                    <DropdownMenu.Trigger asChild>
                      <Button>
                        Look <ChevronDown size={14} aria-hidden />
                      </Button>
                    </DropdownMenu.Trigger>
                    <MenuSheet>
                      <MenuCheck checked={big} onCheckedChange={setBig}>
                        Big rows
                      </MenuCheck>
                      <MenuCheck checked={beside} onCheckedChange={setBeside}>
                        Faces beside it
                      </MenuCheck>
                      <DropdownMenu.Item asChild>
                        <a
                          download
                          href={takeawayPath(job.id, 'loom.pdf', { by: gathering.by, show: gathering.show })}
                          className="flex items-center gap-2 rounded-[3px] px-2 py-1 data-highlighted:bg-well"
                        >
                          <Printer size={15} aria-hidden /> Print the loom, PDF
                        </a>
                      </DropdownMenu.Item>
                    </MenuSheet>
                  </DropdownMenu.Root>
                </>
              )}
            </>
          )}
          <RunActions hand={hand} onPickUp={pickUp} onLetGo={letGo} onUnpatch={unpatch} />
        </div>
        {plan && plan.left.length > 0 && (
          <ul
            aria-label="Left out"
            className="mx-3 mb-1 grid max-h-24 gap-0.5 overflow-auto rounded border border-bite px-2 py-1 text-[13px]"
          >
            {plan.left.map(({ runId, why, letsIn }) => (
              <li key={runId}>
                <button type="button" className="text-left underline" onClick={() => select(runId)}>
                  {why}
                </button>
                {letsIn.length > 0 && <span className="text-soft"> To let it in: {letsIn.join('; or ')}.</span>}
              </li>
            ))}
          </ul>
        )}
        <div className="flex min-h-0 flex-1">
          <LoomView
            carried={carried}
            end={hand?.end ?? 'switch'}
            seek={carried !== null && seekFor === hand}
            proposal={plan}
            big={big}
            gathering={gathering}
            onPickUp={pickUp}
            onBring={bring}
            onUnpatch={unpatch}
          />
          {beside && (
            <section aria-label="Faces" className="flex w-2/5 shrink-0 border-strong border-l">
              <FacesView small />
            </section>
          )}
        </div>
      </section>
    </RunCarrier>
  );
}

/** What can be done with the selected run, or with the one in hand. */
function RunActions({
  hand,
  onPickUp,
  onLetGo,
  onUnpatch,
}: {
  hand: Hand | null;
  onPickUp: (run: Run, end: End) => void;
  onLetGo: () => void;
  onUnpatch: (run: Run) => void;
}) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const selected = useSession((session) => session.job.runs[session.selectedRunId ?? '']);
  const carried = job.runs[hand?.runId ?? ''];
  if (hand && carried) {
    const anew = hand.end === 'panel' ? relandingWords(indexJob(job), carried) : '';
    return (
      <p className="ml-auto flex min-w-0 items-center gap-2 font-bold" data-testid="patch-words">
        <span className="truncate">
          {carried.label} is in hand: choose a {hand.end} port.{anew}
        </span>
        <Button onClick={onLetGo}>Put it back</Button>
      </p>
    );
  }
  if (!selected)
    return <p className="ml-auto text-soft max-xl:hidden">Pick a strand up by its run, or by a port at its end.</p>;
  const { cord, landing } = traceRun(job, selected);
  return (
    <div className="ml-auto flex shrink-0 items-center gap-1.5">
      <span className="font-bold font-mono">{selected.label}</span>
      {!isLive(selected) && <span className="text-soft">spare</span>}
      {cord && (
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
      )}
      {landing && !cord && <Button onClick={() => onPickUp(selected, 'switch')}>Pick up</Button>}
      <Button onClick={() => onPickUp(selected, 'panel')}>{landing ? 'Re-land' : 'Land'}</Button>
    </div>
  );
}
