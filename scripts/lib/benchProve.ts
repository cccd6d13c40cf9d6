import { solveDiagnose } from '../../src/cli/models/diagnose';
import { indexJob } from '../../src/core/job/document/jobIndex';
import { isSwitching } from '../../src/core/job/records/ports';
import { readWalk } from '../../src/core/trade/testing/switches/readWalk';
import { plannedPorts, reconcileAll } from '../../src/core/trade/testing/switches/reconcile';
import { type SwitchFault, simulatedAddress, simulatedWalk } from '../../src/simulators/managedSwitch';
import { diagnoseInstance } from '../../tests/support/diagnose';
import { plannedJob } from './benchJob';
import type { Note } from './benchServer';
import { median, timed } from './measure';

/** Suspects, and the seconds within which the least minutes are to be proven, or a way to be found. */
const SIZES = [
  [16, 0.3],
  [20, 2],
  [40, 1],
] as const;
const SEEDS = Array.from({ length: 8 }, (_, at) => at + 1);

/** The way to a fault, and the plan held against what eight switches see. */
export async function benchProve(note: Note, miss: (words: string) => void): Promise<void> {
  for (const [suspects, seconds] of SIZES) {
    const times: number[] = [];
    for (const seed of SEEDS) {
      const began = performance.now();
      const { status } = solveDiagnose(diagnoseInstance(suspects, seed), {
        seed: 1,
        now: () => performance.now(),
        untilMs: began + seconds * 1000,
      });
      times.push(performance.now() - began);
      if (suspects <= 20 && status !== 'optimal') miss(`way to the fault, ${suspects} suspects #${seed}: not proven`);
    }
    note('way to the fault, suspects', suspects, median(times), `${seconds * 1000} ms`);
  }
  const job = plannedJob(384);
  const switches = indexJob(job).gearInOrder.filter(isSwitching);
  const addresses = new Map(Object.keys(job.runs).map((id) => [simulatedAddress(id), id]));
  const texts = switches.map((device, at) => {
    const live = plannedPorts(job, device).flatMap(({ port, run }) => (run ? [port] : []));
    const [a = 1, b = 2, c = 3, d = 4] = live;
    const faults: SwitchFault[] = [
      { kind: 'exchanged', ports: [a, b] },
      { kind: 'missing', port: c },
      ...(at % 2 ? [{ kind: 'slow' as const, port: d }] : []),
    ];
    return { device, faults, text: simulatedWalk(job, device, faults) };
  });
  let causes = 0;
  const ms = await timed(5, () => {
    const readings = texts.map(({ device, text }) => ({ device, seen: readWalk(text) }));
    causes = reconcileAll(job, readings, (address) => addresses.get(address) ?? null).causes.length;
  });
  note('switches of 48 ports read and compared', switches.length, ms, '1000 ms');
  const wanted = texts.reduce((sum, { faults }) => sum + faults.length, 0);
  if (causes !== wanted) miss(`eight switches: ${causes} causes in place of ${wanted}`);
}
