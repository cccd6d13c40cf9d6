import type { SearchLimits } from '../../base/solve/limits';
import type { Job } from '../../job/document/job';
import { CUTOVER_SCHOOLS } from '../../job/records/cutover';
import { buildPlan, cutoverOf } from './buildPlan';

export type Alternative = {
  school: (typeof CUTOVER_SCHOOLS)[number];
  hands: number;
  cost: number | null;
  proven: boolean;
  workMin: number;
  darkMin: number;
  visits: number;
  unplacedMin: number;
  endsAt: string | null;
};

/** The same build all at once or in phases, by one or by two, side by side. */
export function buildAlternatives(today: Job | null, job: Job, limits: () => SearchLimits): Alternative[] {
  return CUTOVER_SCHOOLS.flatMap((school) =>
    [1, 2].map((hands): Alternative => {
      const cutover = { ...cutoverOf(job), school, hands };
      const plan = buildPlan(today, { ...job, cutovers: { [cutover.id]: cutover } }, limits());
      return {
        school,
        hands,
        cost: plan.order.cost,
        proven: plan.order.proven,
        workMin: plan.range.mean,
        darkMin: Math.max(0, ...plan.dark.map(({ minutes }) => minutes)),
        visits: plan.visits.filter(({ planned }) => planned.length > 0).length,
        unplacedMin: plan.unplacedMin,
        endsAt: plan.endsAt,
      };
    }),
  );
}
