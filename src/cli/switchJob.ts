import { readJobFile } from '../core/formats/jobFile';
import { readSeen } from '../core/formats/seenCsv';
import type { Job } from '../core/job/job';
import { indexJob, sameKey } from '../core/job/jobIndex';
import type { Gear } from '../core/records/gear';
import { isSwitching } from '../core/records/ports';
import { citeSource } from '../core/standards/source';
import { runsByAddress } from '../core/switching/addresses';
import { treeSource } from '../core/switching/managementTree';
import { reconcile } from '../core/switching/reconcile';
import { refuse } from '../core/text/refusal';
import { readSwitchFault, simulatedAddress, simulatedWalk } from '../simulators/managedSwitch';
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

/** `walk JOB --switch NAME [--fault …]`: what the simulated switch would answer. */
export function walkOfJob(path: string, options: Options): number {
  const job = readJobFile(readText(path));
  const faults = (options.fault ?? []).map(readSwitchFault);
  write(options.out, simulatedWalk(job, switchOf(job, options), faults));
  say('Simulated: no switch was asked. Its devices have made-up addresses.');
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
    for (const words of made.untold) write('-', `cannot be told: ${words}\n`);
    say(
      `${made.agree} ports agree, ${made.causes.length} causes${made.causes.length === 0 ? '' : made.proven ? ' (no fewer explain it)' : ' (fewer may explain it: what is in a port with nobody known may have been moved there)'}. Read by ${citeSource(treeSource)}.`,
    );
  }
  return made.causes.length > 0 ? 1 : 0;
}
