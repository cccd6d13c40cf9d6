import { type AskSwitch, SimulatedSwitch, SwitchAnswer, SwitchesHere } from '@/core/exchange/wire/switches';
import { askServer } from '../session/wireClient';

const LONGEST_MS = 45_000;

/** What may be asked from where the program runs. */
export const switchesHere = (jobId: string) => askServer(`/api/jobs/${jobId}/switch`, SwitchesHere);

/** What a switch says, as a walk prints it. */
export const readSwitch = (jobId: string, given: AskSwitch) =>
  askServer(`/api/jobs/${jobId}/switch`, SwitchAnswer, { method: 'POST', body: given, longestMs: LONGEST_MS });

/** Start a simulated switch on the machine of the server, and ask it as a real one is asked. */
export async function readSimulated(jobId: string, gearId: string, faults: readonly string[]): Promise<string> {
  const { address, port, community } = await askServer(`/api/jobs/${jobId}/simulated`, SimulatedSwitch, {
    method: 'POST',
    body: { gearId, faults },
  });
  const { walk } = await readSwitch(jobId, { address, port, as: { version: '2c', community } });
  return walk;
}
