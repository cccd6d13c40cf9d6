import { cutStock } from '../../base/solve/cutting/cutStock';
import type { SearchLimits } from '../../base/solve/limits';
import { sameKey } from '../../base/text/sameKey';
import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { isNow, type Run } from '../../job/records/run';
import { answerOf, figureOf } from '../survey/answers/answers';
import { siteOf } from '../survey/answers/site';
import { cableKey } from './cableCategory';
import { cableKindOf } from './cableKinds';
import { runLengthMm } from './routeLength';

/** Lengths are cut to the tenth of a metre. */
const STEP_MM = 100;
const DEFAULT_BOX_MM = 305_000;
/** What a box of a cable holds, mm. */
export const boxLengthMm = (job: Job, cable: string): number => cableKindOf(job, cable)?.boxMm ?? DEFAULT_BOX_MM;

export type PlannedBox = { id: string; name: string; cable: string; lengthMm: number; fresh: boolean };
export type PlannedCut = { runId: string; boxId: string; pull: number; lengthMm: number };

export type CableBuy = {
  cable: string;
  runs: number;
  totalMm: number;
  boxMm: number;
  boxes: PlannedBox[];
  opened: number;
  scrapMm: number;
  /** Rests long enough to be kept, mm. */
  keptMm: number;
  openedBound: number;
  scrapBoundMm: number;
  proven: boolean;
};

export type CablePlan = {
  buys: CableBuy[];
  cuts: PlannedCut[];
  boxes: PlannedBox[];
  left: { runId: string; why: string }[];
};

/** A length with so many percent to spare, up to the next tenth of a metre, mm. */
export const cutMm = (mm: number, sparePercent: number): number =>
  Math.ceil((mm * (1 + sparePercent / 100)) / STEP_MM - 1e-9) * STEP_MM;

/** Length to cut for a run, mm, with the spare for a pull. */
export function cutLengthMm(job: Job, run: Run): number | null {
  const mm = runLengthMm(job, run);
  return mm === null ? null : cutMm(mm, figureOf(job, 'pull-spare'));
}

/** New runs of this job that are not pulled yet. */
export const toPull = (job: Job): Run[] => indexJob(job).runsInOrder.filter(isToPull);
export const isToPull = (run: Run): boolean => run.origin === 'new' && run.state === 'wanted' && isNow(run);

const placeKey = (run: Run) => [run.floor, run.room, run.outlet].map(sameKey).join(':');

/** What is pulled at once: the runs of one outlet, or each run for itself. In the order of the work: floor by floor, far rooms first. */
function pullsInOrder(job: Job, runs: Run[]): Run[][] {
  const together = answerOf(job, 'pull-together') === 'yes';
  const groups = new Map<string, Run[]>();
  for (const run of runs) {
    const key = together && run.outlet !== '' ? placeKey(run) : run.id;
    groups.set(key, [...(groups.get(key) ?? []), run]);
  }
  const site = siteOf(job);
  const level = (run?: Run) => site.floorByName.get(sameKey(run?.floor ?? ''))?.level ?? 0;
  const far = (members: Run[]) => Math.max(...members.map((run) => runLengthMm(job, run) ?? 0));
  return [...groups.values()].sort((a, b) => level(a[0]) - level(b[0]) || far(b) - far(a));
}

/** What is left in a box once the runs that are pulled already are out of it, mm. */
export function leftInBoxMm(job: Job, boxId: string): number {
  const box = job.boxes[boxId];
  if (!box) return 0;
  const pulled = Object.values(job.cuts).filter(
    (cut) => cut.boxId === boxId && job.runs[cut.runId] && job.runs[cut.runId]?.state !== 'wanted',
  );
  return Math.max(0, box.leftMm - pulled.reduce((sum, cut) => sum + cut.lengthMm, 0));
}

/** Boxes bought for this job that nothing was pulled from yet: the plan may do without them. */
const isUntouchedPurchase = (job: Job, boxId: string): boolean =>
  job.boxes[boxId]?.bought === true && leftInBoxMm(job, boxId) === job.boxes[boxId]?.leftMm;

/**
 * Which runs to cut from which boxes: for each kind of cable the fewest new boxes, then the least scrap.
 * @param limits time for all kinds together
 */
export function planCable(job: Job, limits: SearchLimits, newId: () => string): CablePlan {
  const plan: CablePlan = { buys: [], cuts: [], boxes: [], left: [] };
  const byCable = new Map<string, Run[]>();
  for (const run of toPull(job)) {
    const why =
      run.cable === ''
        ? `${run.label} has no kind of cable.`
        : cutLengthMm(job, run) === null
          ? `${run.label} has no length, and the plan does not know its room.`
          : null;
    if (why) plan.left.push({ runId: run.id, why });
    else byCable.set(cableKey(run.cable), [...(byCable.get(cableKey(run.cable)) ?? []), run]);
  }
  const pulls = pullsInOrder(job, [...byCable.values()].flat());
  const pullOf = new Map(pulls.flatMap((runs, at) => runs.map((run) => [run.id, at + 1] as const)));
  let number = 0;
  const taken = new Set(
    Object.values(job.boxes)
      .filter((box) => !isUntouchedPurchase(job, box.id))
      .map((box) => sameKey(box.name)),
  );
  const nextName = () => {
    do number += 1;
    while (taken.has(sameKey(`New ${number}`)));
    return `New ${number}`;
  };
  const share = (limits.untilMs - limits.now()) / Math.max(1, byCable.size);
  for (const runs of byCable.values()) {
    const [first] = runs;
    if (!first) continue;
    const boxMm = boxLengthMm(job, first.cable);
    const parts = Object.values(job.boxes)
      .filter((box) => cableKey(box.cable) === cableKey(first.cable) && !isUntouchedPurchase(job, box.id))
      .map((box) => ({ box, leftMm: leftInBoxMm(job, box.id) }))
      .filter(({ leftMm }) => leftMm > 0);
    const steps = (mm: number) => Math.floor(mm / STEP_MM);
    const longest = Math.max(boxMm, ...parts.map(({ leftMm }) => leftMm));
    const fitting = runs.filter((run) => (cutLengthMm(job, run) ?? 0) <= longest);
    for (const run of runs) {
      if (!fitting.includes(run))
        plan.left.push({ runId: run.id, why: `${run.label} is longer than any box of ${run.cable}.` });
    }
    const problem = {
      pieces: fitting.map((run) => ({
        group: pullOf.get(run.id) ?? 0,
        length: Math.round((cutLengthMm(job, run) ?? 0) / STEP_MM),
      })),
      parts: parts.map(({ leftMm }) => steps(leftMm)),
      fresh: steps(boxMm),
      reusable: steps(figureOf(job, 'reusable-rest')),
    };
    const result = cutStock(problem, { ...limits, untilMs: limits.now() + share });
    if (!result.stockOf) continue;
    const boxes = new Map<number, PlannedBox>();
    const boxOf = (stock: number): PlannedBox => {
      const known = boxes.get(stock);
      if (known) return known;
      const part = parts[stock];
      const box = part
        ? { id: part.box.id, name: part.box.name, cable: first.cable, lengthMm: part.leftMm, fresh: false }
        : { id: newId(), name: nextName(), cable: first.cable, lengthMm: boxMm, fresh: true };
      boxes.set(stock, box);
      return box;
    };
    const cuts = fitting.map((run, at) => ({
      runId: run.id,
      boxId: boxOf(result.stockOf?.[at] ?? 0).id,
      pull: pullOf.get(run.id) ?? 1,
      lengthMm: cutLengthMm(job, run) ?? 0,
    }));
    const totalMm = cuts.reduce((sum, cut) => sum + cut.lengthMm, 0);
    const inUse = [...boxes.values()].reduce((sum, box) => sum + box.lengthMm, 0);
    plan.cuts.push(...cuts);
    plan.boxes.push(...boxes.values());
    plan.buys.push({
      cable: first.cable,
      runs: fitting.length,
      totalMm,
      boxMm,
      boxes: [...boxes.values()],
      opened: result.opened,
      scrapMm: result.scrap * STEP_MM,
      keptMm: Math.max(0, inUse - totalMm - result.scrap * STEP_MM),
      openedBound: result.openedBound,
      scrapBoundMm: result.scrapBound * STEP_MM,
      proven: result.proven,
    });
  }
  return plan;
}

/** The commands that put a plan into the job: cuts of runs that are not pulled yet are made anew. */
export function cablePlanCommands(job: Job, plan: CablePlan): Command[] {
  const commands: Command[] = [];
  const stale = Object.values(job.boxes)
    .filter((box) => isUntouchedPurchase(job, box.id))
    .map((box) => box.id);
  const cuts = Object.values(job.cuts)
    .filter((cut) => job.runs[cut.runId]?.state === 'wanted' && !stale.includes(cut.boxId))
    .map((cut) => cut.id);
  if (cuts.length > 0) commands.push({ type: 'dropRows', table: 'cuts', ids: cuts });
  if (stale.length > 0) commands.push({ type: 'dropRows', table: 'boxes', ids: stale });
  const boxes = plan.boxes.filter((box) => box.fresh);
  const record = ({ id, name, cable, lengthMm }: PlannedBox) => ({
    id,
    name,
    cable,
    leftMm: lengthMm,
    bought: true,
    markMm: null,
    marksFall: true,
  });
  const rows = [
    ...boxes.map((box) => ({ table: 'boxes' as const, record: record(box) })),
    ...plan.cuts.map((cut) => ({ table: 'cuts' as const, record: { id: cut.runId, ...cut } })),
  ];
  if (rows.length > 0) commands.push({ type: 'keepRows', rows });
  return commands;
}
