'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import type { Command } from '@/core/job/commands/commands';
import { indexJob, portOfKey } from '@/core/job/document/jobIndex';
import { isLive, type Run } from '@/core/job/records/run';
import { type LandOrder, landWishOf } from '@/core/trade/panels/landWish';
import { panelsInOrder } from '@/core/trade/panels/panelsInOrder';
import { planLanding } from '@/core/trade/panels/planLanding';
import { Button } from '../kit/Button';
import { type Carried, CarryGround, carries, RunCarrier } from '../kit/RunCarrier';
import { useAnnounce } from '../kit/useAnnounce';
import { useSession } from '../session/session';
import { toast } from '../session/toast';
import { PanelFace } from './PanelFace';
import { relandingWords } from './relanding';

const ORDER_WORDS: Record<LandOrder, string> = {
  label: 'in label order',
  room: 'room by room',
  plate: 'as the wall plates count',
  bundle: 'bundle by bundle',
};

/** The place to which a run goes back that is taken off its port. */
const WAITING = 'waiting';

/** Runs that wait at the left, panels with their numbered ports at the right. */
export function PanelsScreen() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const select = useSession((session) => session.select);
  const announce = useAnnounce();
  const traced = useSession((session) => session.job.runs[session.selectedRunId ?? '']);
  const [carriedId, setCarriedId] = useState<string | null>(null);
  const [seekFor, setSeekFor] = useState<string | null>(null);
  const seek = carriedId !== null && seekFor === carriedId;
  const room = useRef<HTMLElement>(null);
  const index = indexJob(job);
  const { landingOfRun, runsInOrder } = index;
  const waiting = runsInOrder.filter((run) => !landingOfRun.has(run.id));
  const panels = panelsInOrder(job);
  const plan = useMemo(() => planLanding(job), [job]);
  const carried = job.runs[carriedId ?? ''] ?? null;

  const pickUp = (run: Run) => {
    setCarriedId(run.id);
    setSeekFor(run.id);
    select(run.id);
    announce(`${run.label} picked up. Go to a port and press Enter.`);
  };
  const letGo = () => {
    if (carried) announce(`${carried.label} put back`);
    setCarriedId(null);
  };
  const land = (runId: string, panelId: string, port: number) => {
    setCarriedId(null);
    const landing: Command = { type: 'landRuns', landings: [{ runId, panelId, port }] };
    if (!dispatch([landing])) return;
    select(runId);
    announce(`${job.runs[runId]?.label} landed on ${job.gear[panelId]?.name} port ${port}`);
  };
  const takeOff = (run: Run) => {
    if (dispatch([{ type: 'takeOffRuns', runIds: [run.id] }])) announce(`${run.label} taken off`);
  };
  const drop = ({ runId }: Carried, place: string | null) => {
    setCarriedId(null);
    const run = job.runs[runId];
    if (!run || !place) return;
    if (place === WAITING) {
      if (landingOfRun.has(runId)) takeOff(run);
    } else {
      const { gearId, port } = portOfKey(place);
      land(runId, gearId, port);
    }
  };
  const landAll = () => {
    if (dispatch([{ type: 'landRuns', landings: plan.landings }])) {
      for (const { why } of plan.left.slice(0, 3)) toast.warning(why);
    }
  };
  // Picked up by key or click, the run goes on at the first free port.
  useEffect(() => {
    if (seek) room.current?.querySelector<HTMLElement>('[data-port][data-free]')?.focus();
  }, [seek]);

  return (
    <RunCarrier
      hint="Enter picks the run up; on a port, Enter lands it there."
      carried={carried}
      onPickUp={({ runId }) => {
        setCarriedId(runId);
        setSeekFor(null);
        select(runId);
      }}
      onDrop={drop}
      onCancel={() => setCarriedId(null)}
    >
      <section
        ref={room}
        aria-label="Land"
        className="flex min-h-0 flex-1 flex-col"
        onKeyDown={(event) => event.key === 'Escape' && letGo()}
      >
        <div className="flex flex-wrap items-center gap-2 px-3 py-2">
          <Button
            look={plan.landings.length > 0 ? 'main' : 'plain'}
            disabled={plan.landings.length === 0}
            onClick={landAll}
          >
            {plan.landings.length > 0
              ? `Land ${counted(plan.landings.length, 'run')} ${ORDER_WORDS[landWishOf(job).order]}`
              : 'No run left to land'}
          </Button>
          {!carried && traced && landingOfRun.has(traced.id) && (
            <>
              <Button onClick={() => pickUp(traced)}>Pick up {traced.label}</Button>
              <Button onClick={() => takeOff(traced)}>Take {traced.label} off</Button>
            </>
          )}
          {carried && <Button onClick={letGo}>Put it back</Button>}
          <p className={carried ? 'font-bold' : 'text-soft'} data-testid="land-words">
            {carried
              ? `${carried.label} is in hand: choose a port, or press Escape.${relandingWords(index, carried)}`
              : 'Drag a run to a port, or pick it up first. A tap on a port shows its trace; Delete takes its run off.'}
          </p>
        </div>
        <div className="flex min-h-0 flex-1 flex-col md:flex-row">
          <WaitingRuns waiting={waiting} carriedId={carriedId} onPickUp={pickUp} />
          <CarryGround id="panels" className="relative min-w-0 flex-1 overflow-auto px-3 pb-3">
            {panels.length === 0 && <p className="mt-4">No panel yet: add one at Stack, under Add gear.</p>}
            {panels.map((panel) => (
              <PanelFace
                key={panel.id}
                panel={panel}
                carried={carried}
                onLand={land}
                onPickUp={pickUp}
                onTrace={(run) => select(run.id)}
                onTakeOff={takeOff}
              />
            ))}
          </CarryGround>
        </div>
      </section>
    </RunCarrier>
  );
}

function WaitingRuns({
  waiting,
  carriedId,
  onPickUp,
}: {
  waiting: Run[];
  carriedId: string | null;
  onPickUp: (run: Run) => void;
}) {
  return (
    <section
      data-place={WAITING}
      aria-label="Not landed"
      className="flex max-h-60 w-full shrink-0 flex-col border-t px-3 data-over:bg-well md:max-h-none md:w-[196px]"
    >
      <h2 className="wide py-1.5 font-bold">Not landed{waiting.length > 0 && `: ${waiting.length}`}</h2>
      <CarryGround id="waiting" className="min-h-0 flex-1 overflow-auto pb-2">
        <ul>
          {waiting.length === 0 && <li className="text-soft">Every run has its port.</li>}
          {waiting.map((run) => (
            <WaitingRun key={run.id} run={run} held={run.id === carriedId} onPickUp={onPickUp} />
          ))}
        </ul>
      </CarryGround>
    </section>
  );
}

function WaitingRun({ run, held, onPickUp }: { run: Run; held: boolean; onPickUp: (run: Run) => void }) {
  const point = useSession((session) => session.point);
  return (
    <li>
      <button
        {...carries(run.id)}
        type="button"
        data-run={run.id}
        aria-roledescription="run"
        aria-pressed={held}
        title={[run.label, run.room, run.outlet, run.device].filter(Boolean).join(' · ')}
        onClick={() => onPickUp(run)}
        onPointerEnter={() => point(run.id)}
        onPointerLeave={() => point(null)}
        className={`mb-1 flex w-full cursor-grab touch-none items-center gap-2 rounded-[3px] border border-strong bg-face px-2 py-0.5 text-left ${held ? 'outline-3 outline-act' : ''}`}
      >
        <span className="font-bold font-mono">{run.label}</span>
        <span className="narrow min-w-0 flex-1 truncate text-soft text-xs">
          {run.room} {run.outlet}
          {!isLive(run) && ' · spare'}
        </span>
      </button>
    </li>
  );
}
