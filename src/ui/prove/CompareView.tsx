import { useState } from 'react';
import { toast } from 'sonner';
import { indexJob } from '@/core/job/jobIndex';
import { isSwitching } from '@/core/records/ports';
import { citeSource } from '@/core/standards/source';
import { asSeenCommands, rememberCommands, runsByAddress } from '@/core/switching/addresses';
import { treeSource } from '@/core/switching/managementTree';
import { readWalk, type SeenPort } from '@/core/switching/readWalk';
import { plannedPorts, reconcile } from '@/core/switching/reconcile';
import { counted } from '@/core/text/counted';
import { Refusal } from '@/core/text/refusal';
import { type SwitchFault, simulatedAddress, simulatedWalk } from '@/simulators/managedSwitch';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { inputLook } from '../kit/Field';
import { todayHere } from '../kit/today';
import { newRowId } from '../kit/useRows';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';

const FAULTS = {
  none: 'as planned',
  exchanged: 'two cords exchanged',
  missing: 'a cord missing',
  slow: 'a pair open: slow',
  mixed: 'several at once',
} as const;

/** What a switch sees, as text of a walk, against the plan: the fewest causes that explain it, each with its mend. */
export function CompareView() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const switches = indexJob(job).gearInOrder.filter(isSwitching);
  const [switchId, setSwitchId] = useState<string | null>(null);
  const [text, setText] = useState('');
  const [simulated, setSimulated] = useState(false);
  const [fault, setFault] = useState<keyof typeof FAULTS>('exchanged');
  const used = (id: string) => Object.values(job.cords).some((cord) => cord.switchId === id);
  const device = switches.find(({ id }) => id === switchId) ?? switches.find(({ id }) => used(id)) ?? switches[0];
  if (!device)
    return (
      <Scroll label="Compare">
        <p>There is no switch yet whose ports could be compared.</p>
      </Scroll>
    );
  const made = read(text);
  const known = runsByAddress(job);
  const madeUp = new Map(Object.keys(job.runs).map((id) => [simulatedAddress(id), id]));
  const runOf = (address: string) => known(address) ?? (simulated ? (madeUp.get(address) ?? null) : null);
  const found = made.seen && reconcile(job, device, made.seen, runOf);
  const simulate = () => {
    const live = plannedPorts(job, device).flatMap(({ port, run }) => (run ? [port] : []));
    setText(simulatedWalk(job, device, faultsOf(fault, live)));
    setSimulated(true);
  };
  const remember = made.seen ? rememberCommands(job, device, made.seen, () => newRowId('address'), todayHere()) : [];
  return (
    <Scroll label="Compare">
      <div className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
        <CommitSelect
          label="Switch"
          value={device.id}
          options={switches.map(({ id, name }) => ({ value: id, words: name }))}
          onCommit={(value) => {
            setSwitchId(value);
            setText('');
          }}
        />
        <CommitSelect
          label="Simulated switch, with"
          value={fault}
          options={Object.entries(FAULTS).map(([value, words]) => ({ value, words }))}
          onCommit={(value) => setFault(value as keyof typeof FAULTS)}
        />
        <Button onClick={simulate}>Ask the simulated switch</Button>
      </div>
      <label className="grid font-semibold text-[13px]">
        What a walk over the switch printed, with numbers
        <textarea
          value={text}
          rows={5}
          spellCheck={false}
          onChange={(event) => {
            setText(event.target.value);
            setSimulated(false);
          }}
          className={`${inputLook} font-mono text-xs`}
          placeholder=".1.3.6.1.2.1.2.2.1.8.1 = INTEGER: up(1)"
        />
      </label>
      {simulated && (
        <p role="status" className="font-semibold text-bite">
          Simulated: no switch was asked, and its devices have made-up addresses.
        </p>
      )}
      {made.fault && (
        <p role="alert" className="font-semibold text-wont">
          {made.fault}
        </p>
      )}
      {!made.seen && !made.fault && (
        <p className="max-w-[70ch] text-[13px]">
          Read the switch with any tool that prints its standard modules by number, read only, and put the text here. It
          is held against the plan, port by port: which cords are exchanged, missing or too many, which links are slow
          or without power.
        </p>
      )}
      {found && (
        <>
          <Figures>
            <Figure name="Ports that agree">{found.agree}</Figure>
            <Figure name="Causes">{found.causes.length}</Figure>
            <Figure name="Findings that they explain">
              {found.causes.reduce((sum, { explains }) => sum + explains, 0)}
            </Figure>
            <Figure name="Cannot be told">{found.untold.length}</Figure>
          </Figures>
          <section aria-label="Causes">
            <Heading>
              {found.causes.length === 0 ? 'As planned, as far as it can be told' : 'What is otherwise than planned'}
            </Heading>
            <ul className="text-[13px]">
              {found.causes.map((cause) => {
                const commands = made.seen ? asSeenCommands(job, device, made.seen, runOf, cause) : [];
                return (
                  <li
                    key={`${cause.kind} ${cause.ports.join(' ')}`}
                    className="flex flex-wrap items-baseline gap-x-3 border-b py-1"
                  >
                    <span className="min-w-0 flex-1">
                      <b>{cause.words}</b> {cause.mend}
                      {cause.explains > 1 && <span className="text-soft"> Explains {cause.explains} findings.</span>}
                    </span>
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
              })}
            </ul>
            {found.causes.length > 0 && (
              <p className="text-[13px] text-soft">
                {found.proven
                  ? 'No fewer causes explain what was found.'
                  : 'Fewer may explain it: what is in a port with nobody known may have been moved there from one that is down.'}
              </p>
            )}
          </section>
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
        </>
      )}
      <p className="narrow text-soft text-xs">
        {citeSource(treeSource)}. A device that is silent or asleep is no proof of absence.
      </p>
    </Scroll>
  );
}

function read(text: string): { seen: SeenPort[] | null; fault: string | null } {
  if (text.trim() === '') return { seen: null, fault: null };
  try {
    return { seen: readWalk(text), fault: null };
  } catch (fault) {
    if (fault instanceof Refusal) return { seen: null, fault: fault.message };
    throw fault;
  }
}

function faultsOf(fault: keyof typeof FAULTS, live: readonly number[]): SwitchFault[] {
  const [a, b, c, d] = live;
  const exchanged: SwitchFault[] = a !== undefined && b !== undefined ? [{ kind: 'exchanged', ports: [a, b] }] : [];
  const missing: SwitchFault[] = c !== undefined ? [{ kind: 'missing', port: c }] : [];
  const slow: SwitchFault[] = d !== undefined ? [{ kind: 'slow', port: d }] : [];
  return { none: [], exchanged, missing, slow, mixed: [...exchanged, ...missing, ...slow] }[fault];
}
