import { buildMinutes } from '../../base/standards/buildMinutes';
import { type Change, diffJobs } from '../../job/document/change';
import { emptyJob, type Job, type TableName } from '../../job/document/job';
import { tablesThat } from '../../job/document/tables';
import type { QuestionId } from '../../job/records/questions';
import { figureOf } from '../survey/answers/answers';
import type { BuildStep, StepKind } from './buildStep';
import { cordSteps, linkSteps, plugSteps } from './cordSteps';
import { landSteps, runSteps } from './runSteps';
import { circuitSteps, gearSteps, rackSteps } from './standingSteps';
import { withNeeds } from './stepNeeds';
import { type Both, plain } from './stepParts';

/** What is built: other tables say how, what was found on the site, or what a firm works by. */
const BUILT: ReadonlySet<TableName> = new Set(tablesThat(({ about }) => about === 'plan'));

/**
 * Everything that must be done to come from one version of a job to another, step by step, with what each needs done before.
 * Every difference belongs to exactly one step, so that steps played to the end give the plan, and played back what was.
 * @param today null: nothing stands yet
 */
export function deriveSteps(today: Job | null, plan: Job): BuildStep[] {
  const was = today ?? emptyJob({ id: plan.id, name: plan.name, units: plan.units, rules: plan.rules });
  const all = diffJobs(was, plan).filter(({ table }) => table === null || BUILT.has(table));
  const byRecord = new Map<string, Change[]>();
  for (const change of all) {
    const key = `${change.table ?? ''} ${change.id}`;
    byRecord.set(key, [...(byRecord.get(key) ?? []), change]);
  }
  const taken = new Set<Change>();
  const both: Both = {
    was,
    is: plan,
    differs: (table, id) => byRecord.has(`${table} ${id}`),
    changesOf: (table, id) => {
      const changes = byRecord.get(`${table} ${id}`) ?? [];
      for (const change of changes) taken.add(change);
      return changes;
    },
  };
  const steps = [
    ...rackSteps(both),
    ...circuitSteps(both),
    ...gearSteps(both),
    ...runSteps(both),
    ...landSteps(both),
    ...linkSteps(both),
    ...plugSteps(both),
    ...cordSteps(both),
  ];
  const left = all.filter((change) => !taken.has(change));
  const records: BuildStep[] =
    left.length === 0
      ? []
      : [
          plain({
            id: 'records-all',
            kind: 'records',
            turn: 'in',
            words: 'Take over what else is known anew: names, settings, answers',
            at: 'desk',
            changes: left,
          }),
        ];
  return withNeeds([...records, ...atOwnPace(steps, plan)], both);
}

/** Which figure of the job says how long the first of a kind takes. */
const MINUTES = {
  circuit: 'minutes-circuit',
  'rack-in': 'minutes-rack-in',
  'rack-out': 'minutes-rack-out',
  pull: 'minutes-run',
  gear: 'minutes-gear',
  land: 'minutes-land',
  outlet: 'minutes-outlet',
  cord: 'minutes-cord',
  link: 'minutes-link',
  plug: 'minutes-supply',
  test: 'minutes-test',
} as const satisfies Partial<Record<StepKind, QuestionId>>;

/** Steps as long as they take those who build this job: what the first of a kind takes sets all of the kind. */
function atOwnPace(steps: readonly BuildStep[], plan: Job): BuildStep[] {
  const shares = new Map<StepKind, number>(
    Object.entries(MINUTES).map(([kind, id]) => {
      const { put, take } = buildMinutes[kind as keyof typeof MINUTES];
      return [kind as StepKind, figureOf(plan, id) / (put || take)];
    }),
  );
  return steps.map((step) => {
    const share = shares.get(step.kind) ?? 1;
    return share === 1 ? step : { ...step, takeMin: step.takeMin * share, putMin: step.putMin * share };
  });
}
