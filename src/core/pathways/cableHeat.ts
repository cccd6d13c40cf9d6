import type { Job } from '../job/job';
import { limitLoopOhm } from '../power/copperWire';
import { deviceWattsOf, takesPower } from '../power/poe';
import { runFeed } from '../power/poeFeed';
import type { Pathway } from '../records/pathway';
import { isNow } from '../records/run';
import { cableKindOf } from '../runs/cableKinds';
import { temperatureLoss } from '../runs/linkLimits';
import { figureOf } from '../site/answers';
import { bundleBase, bundleFreeAmps } from '../standards/bundleAmpacity';
import { bundleAmpacity, bundleRise, perConductor, poweringClass } from './bundleHeat';
import { runsThrough } from './pathwayFigures';

/** Usual conductors of horizontal cable where the kind does not tell: the thinner of the two. Common practice, no source. */
const USUAL_AWG = 24;
const LINK_MM = 90_000;

export type PathwayHeat = {
  pathway: Pathway;
  powered: number;
  cables: number;
  awg: number;
  /** Of the run that draws most, in each conductor, A. */
  amps: number;
  /** What the table lets each conductor carry in such a bundle; null: the table does not go so far. */
  allowedA: number | null;
  /** Asked at all: up to a small current the rule does not. */
  asked: boolean;
  riseK: number | null;
  cableC: number | null;
  ratedC: number;
  /** The longest link at that temperature, mm. */
  linkMm: number | null;
  remote: 'RP1' | 'RP2' | 'RP3';
  /** Into how many bundles to split it so that each is within the table; null: it is. */
  split: number | null;
};

/** Heat of the bundle in each pathway that holds powered cables. */
export function pathwayHeats(job: Job): PathwayHeat[] {
  const ambient = figureOf(job, 'route-c');
  return Object.values(job.pathways).flatMap((pathway): PathwayHeat[] => {
    const all = runsThrough(job, pathway.id).filter((run) => isNow(run) && run.carries === 'ethernet');
    const powered = all.filter(takesPower);
    if (powered.length === 0) return [];
    const kinds = all.map((run) => cableKindOf(job, run.cable));
    const awg = Math.max(...kinds.map((kind) => kind?.gaugeAwg ?? USUAL_AWG));
    const screened = kinds.every((kind) => kind?.screened === true);
    const amps = Math.max(
      ...powered.map((run) => {
        const feed = runFeed(deviceWattsOf(run), limitLoopOhm(run.lengthMm ?? LINK_MM, awg));
        return feed === null || feed === 'beyond' ? 0 : perConductor(feed.amps, feed.pairs);
      }),
    );
    const allowedA = bundleAmpacity(awg, powered.length);
    const riseK = bundleRise(awg, powered.length, amps);
    const cableC = riseK === null ? null : ambient + riseK;
    const asked = amps > bundleFreeAmps;
    const over = (cables: number): boolean => {
      const allowed = bundleAmpacity(awg, cables);
      const rise = bundleRise(awg, cables, amps);
      return allowed === null || rise === null || amps > allowed || ambient + rise > bundleBase.ratedC;
    };
    let split: number | null = null;
    if (asked && over(powered.length))
      for (let parts = 2; parts <= powered.length && split === null; parts++)
        if (!over(Math.ceil(powered.length / parts))) split = parts;
    return [
      {
        pathway,
        powered: powered.length,
        cables: all.length,
        awg,
        amps,
        allowedA,
        asked,
        riseK,
        cableC,
        ratedC: bundleBase.ratedC,
        linkMm: cableC === null ? null : LINK_MM * (1 - temperatureLoss(cableC, screened)),
        remote: poweringClass(amps),
        split,
      },
    ];
  });
}
