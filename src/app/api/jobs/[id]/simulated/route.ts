import { SimulateSwitch } from '@/core/exchange/wire/switches';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { readKept } from '@/server/jobs';
import { noJob } from '@/server/noJob';
import { simulateSwitch } from '@/server/simulatedSwitches';

/** Start a simulated switch on this machine, made from the plan. */
export const POST = route('work', async ({ store, job: { id }, request }) => {
  const { gearId, faults } = await readJson(request, SimulateSwitch);
  const { job } = (await readKept(store, id)) ?? noJob();
  return simulateSwitch(job, gearId, faults);
});
