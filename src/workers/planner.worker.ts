/// <reference lib="webworker" />
import * as Comlink from 'comlink';
import type { Job } from '../core/job/job';
import { planPatching } from '../core/patching/planPatching';

const planner = {
  patch: (job: Job, includeSpare: boolean) => planPatching(job, { includeSpare }),
};
export type Planner = typeof planner;

Comlink.expose(planner);
