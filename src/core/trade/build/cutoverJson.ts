import type { BuildPlan } from './buildPlan';
import type { BuildFinding } from './findings';
import type { KitLine } from './kit';

const round = (value: number): number => Math.round(value * 10) / 10;

/** The build as scripts read it. */
export function cutoverJson(plan: BuildPlan, findings: readonly BuildFinding[], kit: readonly KitLine[]) {
  const { order } = plan;
  return {
    proven: order.proven,
    weightedMinutes: order.cost === null ? null : round(order.cost),
    bound: Number.isFinite(order.bound) ? round(order.bound) : null,
    minutes: round(plan.workMin),
    range: { least: round(plan.range.least), mean: round(plan.range.mean), most: round(plan.range.most) },
    endsAt: plan.endsAt,
    steps: plan.planned.map(({ entry, minutes, dark, safe, visit, startsAt }) => ({
      id: entry.step.id,
      do: entry.action,
      phase: entry.phase,
      words: entry.step.words,
      minutes: round(minutes),
      visit: visit?.name ?? null,
      at: startsAt,
      dark: dark.map(({ service, share }) => ({ service, share: Math.round(share * 100) / 100 })),
      safe,
    })),
    visits: plan.visits.map(({ visit, wholeMin, lastMin, planned }) => ({
      name: visit.name,
      on: visit.on,
      from: visit.from,
      steps: planned.length,
      minutes: round(wholeMin),
      lastMoment: lastMin === null ? null : round(lastMin),
    })),
    dark: plan.dark.map(({ service, minutes }) => ({ service, minutes: round(minutes) })),
    unplacedMinutes: round(plan.unplacedMin),
    against: findings.map(({ grade, what }) => ({ grade, what })),
    kit: kit.map(({ item, kind, count, spare, unit, atLeast, status }) => ({
      item,
      kind,
      count: round(count),
      spare,
      unit,
      atLeast,
      state: status?.state ?? 'missing',
    })),
    lets: order.lets.map(({ words }) => words),
  };
}
