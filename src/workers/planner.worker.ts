/// <reference lib="webworker" />
import * as Comlink from 'comlink';
import type { Job } from '../core/job/job';
import { planPatching } from '../core/patching/planPatching';
import { planCable } from '../core/runs/cablePlan';

const planner = {
  patch: (job: Job, includeSpare: boolean) => planPatching(job, { includeSpare }),
  cable: (job: Job, seconds: number) =>
    planCable(
      job,
      { now: () => performance.now(), untilMs: performance.now() + seconds * 1000 },
      () => `box-${crypto.randomUUID()}`,
    ),
};
export type Planner = typeof planner;

Comlink.expose(planner);
