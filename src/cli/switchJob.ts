import { citeFor } from '../core/base/standards/cite';
import { refuse } from '../core/base/text/refusal';
import { readJobFile } from '../core/exchange/formats/jobFile';
import { readSeen } from '../core/exchange/formats/seenCsv';
import type { Job } from '../core/job/document/job';
import { indexJob, sameKey } from '../core/job/document/jobIndex';
import type { Gear } from '../core/job/records/gear';
import { isSwitching } from '../core/job/records/ports';
import { runsByAddress } from '../core/trade/testing/switches/addresses';
import { treeSource } from '../core/trade/testing/switches/managementTree';
import { reconcile } from '../core/trade/testing/switches/reconcile';
import { writeWalk } from '../core/trade/testing/switches/writeWalk';
import { readSwitchFault, simulatedAddress, simulatedValues } from '../simulators/managedSwitch';
import { startSwitchAgent } from '../simulators/switchAgent';
import { readText, say, write } from './io';
import type { Options } from './options';

function switchOf(job: Job, options: Options): Gear {
  const all = indexJob(job).gearInOrder.filter(isSwitching);
  const found = all.find((gear) => sameKey(gear.name) === sameKey(options.switch ?? '') || gear.id === options.switch);
  return (
    found ??
    refuse(
      'usage',
      `--switch: expected one of ${all.map(({ name }) => name).join(', ')}, found “${options.switch ?? ''}”.`,
    )
  );
}

const COMMUNITY = 'simulated';

/**
 * `walk JOB --switch NAME [--fault …]`: what the simulated switch would answer; with `--serve PORT` it answers for itself,
 * on this machine only, until it is stopped.
 */
export async function walkOfJob(path: string, options: Options): Promise<number> {
  const job = readJobFile(readText(path));
  const device = switchOf(job, options);
  const values = simulatedValues(job, device, (options.fault ?? []).map(readSwitchFault));
  if (options.serve === undefined) {
    write(options.out, writeWalk(values));
    say('Simulated: no switch was asked. Its devices have made-up addresses.');
    return 0;
  }
  const port = Number(options.serve);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    return refuse('usage', `--serve: expected a port, or 0 for one that is free, found “${options.serve}”.`);
  const agent = await startSwitchAgent(values, { port, community: COMMUNITY });
  write('-', `127.0.0.1:${agent.port}\n`);
  say(`Simulated: ${device.name} answers by version 2c, community “${COMMUNITY}”. Stop it with Ctrl-C.`);
  await new Promise<void>((done) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => done());
  });
  agent.close();
  return 0;
}

/** `reconcile JOB --switch NAME --walk FILE`: the plan against what the switch sees. @returns 1 when they differ */
export function reconcileJob(path: string, options: Options): number {
  const job = readJobFile(readText(path));
  const device = switchOf(job, options);
  if (options.walk === undefined)
    return refuse('usage', '--walk: expected a file with what a walk over the switch printed.');
  const known = runsByAddress(job);
  const simulated = new Map(Object.keys(job.runs).map((id) => [simulatedAddress(id), id]));
  const made = reconcile(
    job,
    device,
    readSeen(readText(options.walk)),
    (address) => known(address) ?? simulated.get(address) ?? null,
  );
  if (options.json) write(options.out, `${JSON.stringify({ switch: device.name, ...made }, null, 2)}\n`);
  else {
    for (const { words, mend, explains } of made.causes)
      write('-', `${words} ${mend}${explains > 1 ? ` [explains ${explains} findings]` : ''}\n`);
    for (const { words } of made.unexplained) write('-', `not explained: ${words}\n`);
    for (const words of made.untold) write('-', `cannot be told: ${words}\n`);
    say(
      `${made.agree} ports agree, ${made.causes.length} causes${made.causes.length === 0 ? '' : made.proven ? ' (no fewer explain it)' : ' (other causes may explain it)'}, ${made.unexplained.length} not explained. Read by ${citeFor(treeSource, job.rules)}.`,
    );
  }
  return made.causes.length + made.unexplained.length > 0 ? 1 : 0;
}
