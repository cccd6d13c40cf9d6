import { useEffect, useMemo, useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { counted } from '@/core/base/text/counted';
import { readSeen } from '@/core/exchange/formats/seenCsv';
import type { SwitchesHere } from '@/core/exchange/wire/switches';
import { patchCordsOf } from '@/core/job/document/cordKinds';
import type { Job } from '@/core/job/document/job';
import { indexJob } from '@/core/job/document/jobIndex';
import { openPoints } from '@/core/job/records/openPoint';
import { isSwitching } from '@/core/job/records/ports';
import {
  asSeenCommands,
  rememberCommands,
  runsByAddress,
  shownBySwitch,
} from '@/core/trade/testing/switches/addresses';
import { treeSource } from '@/core/trade/testing/switches/managementTree';
import { readSwitchWatts } from '@/core/trade/testing/switches/readWalk';
import { causeId, plannedPorts, reconcileAll } from '@/core/trade/testing/switches/reconcile';
import { simulatedAddress } from '@/simulators/managedSwitch';
import { attempt } from '../kit/attempt';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { inputLook } from '../kit/Field';
import { JobLink } from '../kit/JobLink';
import { nowHere } from '../kit/nowHere';
import { useSeenElsewhere } from '../kit/seenElsewhere';
import { newRowId, useRows } from '../kit/useRows';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';
import { actorHere } from '../session/actor';
import { useSession } from '../session/session';
import { toast } from '../session/toast';
import { todayHere } from '../session/today';
import { AskSwitchForm } from './AskSwitchForm';
import { EarlierReadings } from './EarlierReadings';
import { PortTable } from './PortTable';
import { readSimulated, readSwitch, switchesHere } from './switchClient';

const FAULTS = {
  none: 'as planned',
  exchanged: 'two cords exchanged',
  missing: 'a cord missing',
  slow: 'a pair open: slow',
  errors: 'broken frames',
  hub: 'a small switch behind a port',
  'no-power': 'power denied',
  network: 'one in a wrong network',
  silent: 'a silent device',
  mixed: 'several at once',
} as const;
type FaultName = keyof typeof FAULTS;

type Found = ReturnType<typeof reconcileAll>;
type Cause = Found['causes'][number];

/** What was read of a switch. */
type Read = { text: string; simulated: boolean };

/** What was read of each switch, as it is understood, and all of it held against the plan; null: nothing to hold yet. */
function useReadings(job: Job, reads: Readonly<Record<string, Read>>) {
  const parsed = useMemo(
    () =>
      Object.entries(reads).flatMap(([id, { text, simulated }]) =>
        text.trim() === '' ? [] : [{ id, text, simulated, ...attempt(() => readSeen(text)) }],
      ),
    [reads],
  );
  const found = useMemo(() => {
    const readings = parsed.flatMap(({ id, value }) => {
      const gear = job.gear[id];
      return gear && value ? [{ device: gear, seen: value }] : [];
    });
    if (readings.length === 0) return null;
    const known = runsByAddress(job);
    const madeUp = parsed.some(({ simulated }) => simulated)
      ? new Map(Object.keys(job.runs).map((id) => [simulatedAddress(id), id]))
      : null;
    const runOf = (address: string) => known(address) ?? madeUp?.get(address) ?? null;
    return reconcileAll(job, readings, runOf);
  }, [job, parsed]);
  return { parsed, found };
}

/** What switches see, held against the plan: the fewest causes that explain it, each with its mend. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: one page, from what is read to what follows from it
export function CompareView() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const { keep } = useRows();
  const showElsewhere = useSeenElsewhere((seen) => seen.show);
  const switches = indexJob(job).gearInOrder.filter(isSwitching);
  const [switchId, setSwitchId] = useState<string | null>(null);
  const [reads, setReads] = useState<Readonly<Record<string, Read>>>({});
  const [fault, setFault] = useState<FaultName>('exchanged');
  const [here, setHere] = useState<SwitchesHere>({ listed: [], simulated: false });
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    switchesHere(job.id).then(setHere, () => {});
  }, [job.id]);
  const used = (id: string) => Object.values(patchCordsOf(job)).some((cord) => cord.switchId === id);
  const device = switches.find(({ id }) => id === switchId) ?? switches.find(({ id }) => used(id)) ?? switches[0];
  const { parsed, found } = useReadings(job, reads);
  useEffect(() => {
    if (found) showElsewhere(job.id, new Map(found.moved.map(({ runId, place }) => [runId, place])));
  }, [found, job.id, showElsewhere]);
  if (!device)
    return (
      <Scroll label="Compare">
        <p>There is no switch yet whose ports could be compared.</p>
      </Scroll>
    );
  const now = parsed.find(({ id }) => id === device.id) ?? null;
  const open = new Set(Object.values(job.openPoints).flatMap(({ done, about }) => (done ? [] : about)));
  const simulated = parsed.some((one) => one.simulated);
  const take = (text: string, made = false) => {
    setWrong(null);
    setReads((before) => ({ ...before, [device.id]: { text, simulated: made } }));
  };
  const read = async (work: () => Promise<void>) => {
    setBusy(true);
    setWrong(null);
    try {
      await work();
    } catch (trouble) {
      setWrong(trouble instanceof Error ? trouble.message : 'It could not be read.');
    } finally {
      setBusy(false);
    }
  };
  const simulate = () =>
    read(async () => {
      const live = plannedPorts(job, device).flatMap(({ port, run }) => (run ? [port] : []));
      take(await readSimulated(job.id, device.id, faultsOf(fault, live)), true);
    });
  const remember = now?.value ? rememberCommands(job, device, now.value, () => newRowId('address'), todayHere()) : [];
  const shown = found
    ? shownBySwitch(job, found.sure, { by: actorHere().name || 'a switch', why: '', at: nowHere() }, () =>
        newRowId('vouch'),
      )
    : [];
  return (
    <Scroll label="Compare">
      <div className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
        <CommitSelect
          label="Switch"
          value={device.id}
          options={switches.map(({ id, name }) => ({
            value: id,
            words: `${name}${reads[id]?.text ? ', read' : ''}`,
          }))}
          onCommit={(value) => {
            setSwitchId(value);
            setWrong(null);
          }}
        />
        {here.simulated && (
          <>
            <CommitSelect
              label="Simulated switch, with"
              value={fault}
              options={Object.entries(FAULTS).map(([value, words]) => ({ value, words }))}
              onCommit={(value) => setFault(value as FaultName)}
            />
            <Button disabled={busy} onClick={() => void simulate()}>
              Ask the simulated switch
            </Button>
          </>
        )}
      </div>
      <AskSwitchForm
        listed={here.listed}
        onAsk={(given) => read(async () => take((await readSwitch(job.id, given)).walk))}
      />
      <details className="text-[13px]" open={now !== null && !now.simulated}>
        <summary className="min-h-8 cursor-pointer py-1 font-semibold">
          Or put in what a walk over it printed, or CSV
        </summary>
        <label className="grid">
          What a walk over the switch printed, with numbers, or CSV with a column “port”
          <textarea
            value={reads[device.id]?.text ?? ''}
            rows={5}
            spellCheck={false}
            onChange={(event) => take(event.target.value)}
            className={`${inputLook} font-mono text-xs`}
            placeholder=".1.3.6.1.2.1.2.2.1.8.1 = INTEGER: up(1)"
          />
        </label>
      </details>
      {simulated && (
        <p role="status" className="font-semibold text-bite">
          Simulated: no real switch was asked, and its devices have made-up addresses.
        </p>
      )}
      {(wrong ?? now?.words) && (
        <p role="alert" className="font-semibold text-wont">
          {wrong ?? now?.words}
        </p>
      )}
      {!found && !now && (
        <p className="max-w-[70ch] text-[13px]">
          What the switch says is held against the plan, port by port: which cords are exchanged, missing or too many,
          which links are slow or without power. Several switches that are read are looked at together.
        </p>
      )}
      {found && (
        <>
          <Figures>
            <Figure name="Switches read">{parsed.filter(({ value }) => value !== null).length}</Figure>
            <Figure name="Ports that agree">{found.agree}</Figure>
            <Figure name="Causes">{found.causes.length}</Figure>
            <Figure name="Findings that they explain">
              {found.causes.reduce((sum, { explains }) => sum + explains, 0)}
            </Figure>
            <Figure name="Not explained">{found.unexplained.length}</Figure>
            <Figure name="Cannot be told">{found.untold.length}</Figure>
            {now?.value && <Watts text={now.text} />}
          </Figures>
          <section aria-label="Causes">
            <Heading
              aside={
                found.moved.length > 0 ? (
                  <JobLink href={`/jobs/${job.id}/patch`} className="underline">
                    see it on the loom
                  </JobLink>
                ) : null
              }
            >
              {found.causes.length + found.unexplained.length === 0
                ? 'As planned, as far as it can be told'
                : 'What is otherwise than planned'}
            </Heading>
            <ul className="text-[13px]">
              {found.causes.map((cause) => (
                <CauseRow key={causeId(cause)} cause={cause} moved={found.moved} noted={open.has(causeId(cause))} />
              ))}
            </ul>
            {found.causes.length > 0 && (
              <p className="text-[13px] text-soft">
                {found.proven
                  ? 'No fewer causes explain what was found.'
                  : found.unexplained.length > 0
                    ? 'Some of what was found is not explained, so other causes may be behind it.'
                    : 'Fewer may explain it: what is in a port with nobody known may have been moved there from one that is down.'}{' '}
                A cord that is to be put where it is planned is work: “To be done” puts it among the open points.
              </p>
            )}
            {shown.length > 0 && !simulated && (
              <p className="pt-1">
                <Button onClick={() => keep(...shown.map((record) => ({ table: 'vouches' as const, record })))}>
                  Take {counted(shown.length, 'cord or uplink', 'cords and uplinks')} as proven by the switch
                </Button>
              </p>
            )}
          </section>
          {found.unexplained.length > 0 && <Unexplained all={found.unexplained} />}
          {found.untold.length > 0 && (
            <section aria-label="Cannot be told">
              <Heading
                aside={
                  remember.length > 0 && !simulated ? (
                    <Button onClick={() => dispatch(remember)}>
                      All is as planned: remember {counted(remember.length, 'address', 'addresses')}
                    </Button>
                  ) : null
                }
              >
                What cannot be told
              </Heading>
              <ul className="text-[13px]">
                {found.untold.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            </section>
          )}
          {now?.value && <PortTable device={device} seen={now.value} />}
        </>
      )}
      <EarlierReadings
        device={device}
        now={now?.value ? { text: now.text, seen: now.value, simulated: now.simulated } : null}
      />
      <p className="narrow text-soft text-xs">
        {citeFor(treeSource, job.rules)}. A device that is silent or asleep is no proof of absence.
      </p>
    </Scroll>
  );
}

function Watts({ text }: { text: string }) {
  const { budgetW, drawnW } = readSwitchWatts(text);
  if (budgetW === null && drawnW === null) return null;
  return (
    <Figure name="Watts over its ports">
      {drawnW ?? 'not known'} of {budgetW ?? 'not known'}
    </Figure>
  );
}

function faultsOf(fault: FaultName, live: readonly number[]): string[] {
  const [a, b, c, d] = live;
  if (fault === 'none' || a === undefined) return [];
  const exchanged = b === undefined ? [] : [`exchanged ${a} ${b}`];
  if (fault === 'exchanged') return exchanged;
  if (fault === 'mixed')
    return [...exchanged, ...(c === undefined ? [] : [`missing ${c}`]), ...(d === undefined ? [] : [`slow ${d}`])];
  return [`${fault} ${c ?? a}`];
}

/** One cause: what it is, what to do about it, and the ways to take it into the plan or onto the list of work. */
function CauseRow({ cause, moved, noted }: { cause: Cause; moved: Found['moved']; noted: boolean }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const { keep } = useRows();
  const commands = asSeenCommands(job, cause, moved);
  const note = () => {
    const words = `${cause.words} ${cause.mend}`.slice(0, 300);
    keep({ table: 'openPoints', record: openPoints.make({ id: newRowId('open'), words, about: causeId(cause) }) });
  };
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-b py-1">
      <span className="min-w-0 flex-1">
        <b>{cause.words}</b> {cause.mend}
        {cause.explains > 1 && <span className="text-soft"> Explains {cause.explains} findings.</span>}
      </span>
      {!noted && (
        <Button look="quiet" onClick={note}>
          To be done
        </Button>
      )}
      {commands.length > 0 && (
        <Button
          onClick={() => {
            if (dispatch(commands)) toast.success('The plan is as the switch sees it.');
          }}
        >
          Take it into the plan
        </Button>
      )}
    </li>
  );
}

/** What no cause accounts for. */
const Unexplained = ({ all }: { all: Found['unexplained'] }) => (
  <section aria-label="Not explained">
    <Heading>Not explained</Heading>
    <ul className="text-[13px]">
      {all.map(({ words }) => (
        <li key={words} className="border-b py-1">
          <b>{words}</b>
        </li>
      ))}
    </ul>
    <p className="text-[13px] text-soft">
      No cause accounts for these, or several would. Look at the cords, or read the addresses of the devices.
    </p>
  </section>
);
