import { refuse } from '../core/base/text/refusal';
import type { Job } from '../core/job/document/job';
import { isSwitching } from '../core/job/records/ports';
import { readSwitchFault, simulatedValues } from '../simulators/managedSwitch';
import { type SwitchAgent, startSwitchAgent } from '../simulators/switchAgent';

const COMMUNITY = 'simulated';
const MOST = 8;

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfSwitches?: Map<string, SwitchAgent> };
home.goodShelfSwitches ??= new Map();
const agents = home.goodShelfSwitches;

/** Whether simulated switches are offered here: where the demo runs, and in tests. */
export const offersSimulated = (): boolean => process.env.SHELF_SIMULATED === '1';

/** Whether a simulated switch answers at this port of this machine. */
export const isSimulated = (address: string, port: number): boolean =>
  address === '127.0.0.1' && [...agents.values()].some((agent) => agent.port === port);

/** A simulated switch of a job, with these faults, in place of the one before. @throws Refusal */
export async function simulateSwitch(
  job: Job,
  gearId: string,
  faults: readonly string[],
): Promise<{ address: string; port: number; community: string }> {
  if (!offersSimulated()) refuse('no-simulated', 'Simulated switches are only offered where the demo runs.');
  const device = job.gear[gearId];
  if (!device || !isSwitching(device)) return refuse('no-switch', 'There is no such switch in this job.');
  const values = simulatedValues(job, device, faults.map(readSwitchFault));
  const key = `${job.id} ${gearId}`;
  const oldest = agents.has(key) ? key : agents.size >= MOST ? [...agents.keys()][0] : undefined;
  if (oldest !== undefined) {
    agents.get(oldest)?.close();
    agents.delete(oldest);
  }
  const agent = await startSwitchAgent(values, { port: 0, community: COMMUNITY });
  agents.set(key, agent);
  return { address: '127.0.0.1', port: agent.port, community: COMMUNITY };
}
