import { SimulateSwitch } from '@/core/wire/switches';
import { answer, readJson } from '@/server/answer';
import { readKept } from '@/server/jobs';
import { noJob } from '@/server/noJob';
import { simulateSwitch } from '@/server/simulatedSwitches';
import { getStore } from '@/server/store';

/** Start a simulated switch on this machine, made from the plan. */
export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/simulated'>) =>
  answer(async () => {
    const { gearId, faults } = await readJson(request, SimulateSwitch);
    const { job } = (await readKept(await getStore(), (await params).id)) ?? noJob();
    return simulateSwitch(job, gearId, faults);
  });
