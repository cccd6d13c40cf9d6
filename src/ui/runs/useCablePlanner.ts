import type { Job } from '@/core/job/document/job';
import type { CablePlan } from '@/core/trade/runs/cablePlan';
import { usePlanner } from '../session/usePlanner';

const SECONDS = 2;

/** The plan of boxes, made in a worker. It stands until it is put away or the job changes. */
export const useCablePlanner = (job: Job) => {
  const planner = usePlanner<CablePlan>(job);
  return { ...planner, start: () => planner.start((worker) => worker.cable(job, SECONDS)) };
};
