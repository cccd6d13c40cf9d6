import { stepLimits } from '../../src/core/base/solve/limits';
import { keepRows } from '../../src/core/job/commands/rows';
import type { Job } from '../../src/core/job/document/job';
import { PLUG_STEPS, planPlugs, plugCommands } from '../../src/core/trade/power/plugPlan';
import { planJob } from '../../src/core/trade/wholeJob/planJob';
import { apply, demoText, surveyed } from './jobs';

let made: Job | null = null;
/** The demo site with everything planned: circuits, outlets, plugs, places where people are, recordings. */
export function powered(): Job {
  made ??= planJob(
    apply(surveyed(), {
      type: 'keepRows',
      rows: keepRows.schema.shape.rows.parse(JSON.parse(demoText('quillback-power.json')).rows),
    }),
  ).job;
  return made;
}

/** The plan of plugs, and the job with it. */
export function plugged(job: Job) {
  const plan = planPlugs(job, stepLimits(PLUG_STEPS));
  return { plan, job: apply(job, ...plugCommands(plan)) };
}
