/// <reference lib="webworker" />
import './noMadeUpCode';
import * as Comlink from 'comlink';
import type { Job } from '../core/job/document/job';
import { sealJob } from '../core/job/document/sealJob';
import { buildAlternatives } from '../core/trade/build/alternatives';
import { buildPapers } from '../core/trade/build/buildPapers';
import type { LandWish } from '../core/trade/panels/landWish';
import { planLanding } from '../core/trade/panels/planLanding';
import type { PatchWish } from '../core/trade/patching/patchWish';
import { patchAlternatives, planPatching } from '../core/trade/patching/planPatching';
import { planPlugs } from '../core/trade/power/plugPlan';
import { type Arrangement, arrange, type BetterSoFar } from '../core/trade/rack/arrange/arrange';
import type { ArrangeWish } from '../core/trade/rack/arrange/arrangeWish';
import { planCable } from '../core/trade/runs/cablePlan';

const within = (seconds: number) => ({
  seed: 1,
  now: () => performance.now(),
  untilMs: performance.now() + seconds * 1000,
});

const planner = {
  patch: async (
    job: Job,
    wish: Partial<PatchWish>,
    seconds: number,
    onBetter: (points: number, patched: number) => unknown,
  ) => planPatching(sealJob(job), wish, within(seconds), (points, patched) => void onBetter(points, patched)),
  patchAlternatives: (job: Job, wish: Partial<PatchWish>, seconds: number) =>
    patchAlternatives(sealJob(job), wish, () => within(seconds)),
  land: (job: Job, wish: Partial<LandWish>, seconds: number) => planLanding(sealJob(job), wish, within(seconds)),
  /** The plan of the build. @param today what stood before; null: nothing */
  build: (today: Job | null, job: Job) => buildPapers(today === null ? null : sealJob(today), sealJob(job), within(3)),
  buildAlternatives: (today: Job | null, job: Job) =>
    buildAlternatives(today === null ? null : sealJob(today), sealJob(job), () => within(2)),
  plugs: (job: Job, seconds: number) => planPlugs(sealJob(job), within(seconds)),
  cable: (job: Job, seconds: number) =>
    planCable(
      sealJob(job),
      { now: () => performance.now(), untilMs: performance.now() + seconds * 1000 },
      () => `box-${crypto.randomUUID()}`,
    ),
  /** One arrangement a wish, each given as soon as it is done, and better ones on the way. */
  arrange: async (
    job: Job,
    wishes: ArrangeWish[],
    seconds: number,
    onBetter: (at: number, better: BetterSoFar) => unknown,
    onDone: (at: number, made: Arrangement) => unknown,
  ) => {
    for (const [at, wish] of wishes.entries()) {
      const limits = { seed: 1, now: () => performance.now(), untilMs: performance.now() + seconds * 1000 };
      const made = arrange(sealJob(job), wish, limits, (better) => onBetter(at, better));
      // What is given through another port can come after the end of this call: wait until it was taken.
      await onDone(at, made);
    }
  },
};
export type Planner = typeof planner;

Comlink.expose(planner);
