import { always, kept } from '../../../base/memo/kept';
import { bundleBase, bundleFreeAmps } from '../../../base/standards/bundleAmpacity';
import { pairsetLimitA } from '../../../base/standards/poeFeed';
import type { Job } from '../../../job/document/job';
import type { Pathway } from '../../../job/records/pathway';
import { isNow, type Run } from '../../../job/records/run';
import { limitLoopOhm } from '../../power/copperWire';
import { deviceWattsOf, poeUnknown, takesPower } from '../../power/poe';
import { runFeed } from '../../power/poeFeed';
import { figureOf } from '../../survey/answers/answers';
import { cableKindOf } from '../cableKinds';
import { temperatureLoss } from '../linkLimits';
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
  /** Air along it, °C. */
  ambientC: number;
  /** Powered cables of which nobody entered the watts. */
  unknownW: number;
  /** Into how many bundles to split it so that each is within the table; null: it is. */
  split: number | null;
};

/**
 * The warmest that a run gets along its way, °C: the air of each pathway with what powered cables beside it add, or the
 * job's routes. The whole run is taken to be so warm, which errs on the safe side.
 */
export function runCelsius(job: Job, run: Run): number {
  return warmestOf(job).get(run.id) ?? figureOf(job, 'route-c');
}

const warmestOf = kept((job: Job): ReadonlyMap<string, number> => {
  const usual = figureOf(job, 'route-c');
  const made = new Map<string, number>();
  if (Object.keys(job.passages).length > 0) {
    const heats = new Map(pathwayHeats(job).map((heat) => [heat.pathway.id, heat]));
    for (const { runId, pathwayId } of Object.values(job.passages)) {
      const pathway = job.pathways[pathwayId];
      const heat = heats.get(pathwayId);
      // Warmer than the table goes nothing is known: that is a finding of its own.
      const celsius = heat?.cableC ?? pathway?.ambientC ?? usual;
      made.set(runId, Math.max(made.get(runId) ?? Number.NEGATIVE_INFINITY, celsius));
    }
  }
  return made;
}, always);

/** Heat of the bundle in each pathway that holds powered cables. */
export function pathwayHeats(job: Job): PathwayHeat[] {
  const usual = figureOf(job, 'route-c');
  return Object.values(job.pathways).flatMap((pathway): PathwayHeat[] => {
    const all = runsThrough(job, pathway.id).filter((run) => isNow(run) && run.carries === 'ethernet');
    const powered = all.filter(takesPower);
    if (powered.length === 0) return [];
    const ambient = pathway.ambientC ?? usual;
    const kinds = all.map((run) => cableKindOf(job, run.cable));
    const awg = Math.max(...kinds.map((kind) => kind?.gaugeAwg ?? USUAL_AWG));
    const screened = kinds.every((kind) => kind?.screened === true);
    const amps = Math.max(
      ...powered.map((run) => {
        const feed = runFeed(deviceWattsOf(run), limitLoopOhm(run.lengthMm ?? LINK_MM, awg));
        if (feed === null || feed === 'beyond') return 0;
        const amps = perConductor(feed.amps, feed.pairs);
        // Pairs share unevenly: of class 8 a pair set may carry what the standard allows it.
        return feed.class === 8 ? Math.max(amps, pairsetLimitA / 2) : amps;
      }),
    );
    const allowedA = bundleAmpacity(awg, powered.length);
    const riseK = bundleRise(awg, powered.length, amps);
    const cableC = riseK === null ? null : ambient + riseK;
    const asked = amps > bundleFreeAmps;
    const over = (cables: number): boolean => {
      const allowed = bundleAmpacity(awg, cables);
      const rise = bundleRise(awg, cables, amps);
      return allowed === null || rise === null || (asked && amps > allowed) || ambient + rise > bundleBase.ratedC;
    };
    let split: number | null = null;
    const tooWarm = cableC !== null && cableC > bundleBase.ratedC;
    if ((asked && over(powered.length)) || tooWarm || allowedA === null)
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
        ambientC: ambient,
        unknownW: powered.filter(poeUnknown).length,
        split,
      },
    ];
  });
}
