import type { SearchLimits } from '../../base/solve/limits';
import type { Job } from '../../job/document/job';
import { type BuildPlan, buildPlan } from './buildPlan';
import { type BuildFinding, buildFindings } from './findings';
import { type KitLine, kitOf } from './kit';

export type BuildPapers = { plan: BuildPlan; kit: KitLine[]; findings: BuildFinding[] };

/** The plan of the build with its kit and what stands against it. @param today null: nothing stands yet */
export function buildPapers(today: Job | null, job: Job, limits: SearchLimits): BuildPapers {
  const plan = buildPlan(today, job, limits);
  const over = new Set(
    [...plan.tickOf].flatMap(([step, { state }]) => (state === 'done' || state === 'skipped' ? [step] : [])),
  );
  const kit = kitOf(
    job,
    plan.steps.filter(({ id }) => !over.has(id)),
  );
  return { plan, kit, findings: buildFindings(job, plan, kit) };
}
