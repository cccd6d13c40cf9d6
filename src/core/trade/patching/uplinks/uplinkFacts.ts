import {
  channelLossDb,
  channelLossSource,
  copperModule,
  directAttach,
  type FibreKind,
  fibreLoss,
  modules,
} from '../../../base/standards/links';
import { commonPractice, type Source } from '../../../base/standards/source';
import { formatSpeed } from '../../../base/text/speed';
import { formatLength } from '../../../base/units/length';
import { besideCordsOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { portCentreX } from '../../../job/gear/portLayout';
import type { Cord, CordMedium } from '../../../job/records/cord';
import type { Gear } from '../../../job/records/gear';
import { isCage, isSwitching, type Port, portAt } from '../../../job/records/ports';
import { cordPathMm, portHeightMm, wayBetween } from '../cords/cordLength';

/** Lengths that direct-attach cables and duplex fibre cords come in, millimetres. Common practice, no source. */
const READY_MM = [500, 1000, 2000, 3000, 5000, 7000, 10_000, 15_000, 20_000, 30_000, 50_000];

/** Something to buy for a link. */
export type LinkPart = { what: string; count: number };

export type UplinkFault = { grade: 'wont-work' | 'will-bite'; words: string; source: Source };
export type UplinkFacts = {
  uplink: Cord;
  from: Gear;
  to: Gear;
  fromPort: Port | null;
  toPort: Port | null;
  /** What both ends can do. */
  speedMbps: number;
  medium: Exclude<CordMedium, 'auto'>;
  /** Way of the cable, millimetres; null while it cannot be told and was not entered. */
  wayMm: number | null;
  lengthMm: number | null;
  /** What to put into the ports. */
  parts: LinkPart[];
  heatW: number;
  lossDb: number | null;
  faults: UplinkFault[];
};

export const COPPER_MODULE = 'copper module';
export const moduleWords = (name: string): string => `${name} module`;

/** Module for a speed and a way over multimode fibre of today, or single-mode where that does not reach. */
export function moduleFor(speedMbps: number, wayMm: number, fibre: FibreKind = 'OM4') {
  const fits = (kind: FibreKind) =>
    modules.find(
      (one) =>
        one.speedMbps >= speedMbps && (one.reachMm[kind] ?? 0) >= wayMm && one.speedMbps === nextSpeed(speedMbps),
    );
  return fits(fibre) ? { module: fits(fibre), fibre } : { module: fits('OS2'), fibre: 'OS2' as const };
}
const nextSpeed = (speedMbps: number) =>
  [...new Set(modules.map((one) => one.speedMbps))].sort((a, b) => a - b).find((speed) => speed >= speedMbps);

/** Loss of a fibre link with so many mated pairs, dB (ANSI/TIA-568.3). */
export function linkLossDb(wayMm: number, matedPairs: number, mode: 'multi' | 'single' = 'multi'): number {
  const perKm = mode === 'multi' ? fibreLoss.multiPerKmDb : fibreLoss.singleIndoorPerKmDb;
  return (wayMm / 1e6) * perKm + matedPairs * fibreLoss.matedPairDb;
}

/** What an uplink is made of, how fast it comes up, and what is wrong with it. */
export function uplinkFacts(job: Job, uplink: Cord): UplinkFacts | null {
  const index = indexJob(job);
  const [from, to] = [job.gear[uplink.fromId], job.gear[uplink.toId]];
  if (!from || !to) return null;
  const [fromPort, toPort] = [portAt(from, uplink.fromPort), portAt(to, uplink.toPort)];
  const faults: UplinkFault[] = [];
  const speeds = [fromPort?.speedMbps ?? 0, toPort?.speedMbps ?? 0];
  const speedMbps = Math.min(...speeds);
  const [cageA, cageB] = [fromPort !== null && isCage(fromPort), toPort !== null && isCage(toPort)];
  const between = wayBetween(index.job, from.id, to.id);
  const [x1, x2] = [portCentreX(from, uplink.fromPort), portCentreX(to, uplink.toPort)];
  const [y1, y2] = [portHeightMm(job, from.id, uplink.fromPort), portHeightMm(job, to.id, uplink.toPort)];
  const kind = cageA && cageB ? 'direct-attach' : 'standard';
  const geometryMm =
    between && x1 !== null && x2 !== null
      ? Math.round(cordPathMm(between.way, x1, x2, Math.abs((y1 ?? 0) - (y2 ?? 0)), kind, between.widthMm))
      : null;
  const wayMm = uplink.lengthMm ?? geometryMm;
  const show = (mm: number) => formatLength(mm, job.units);
  const attach = directAttach.find((row) => row.speedMbps >= speedMbps);
  const attachFits = cageA && cageB && attach !== undefined && wayMm !== null && wayMm <= attach.plainMm;
  const medium =
    uplink.medium !== 'auto'
      ? uplink.medium
      : cageA && cageB
        ? attachFits || wayMm === null
          ? 'direct-attach'
          : 'fibre'
        : 'copper';
  const parts: LinkPart[] = [];
  const needs = (count: number, what: string) => parts.push({ what, count });
  let heatW = 0;
  let lossDb: number | null = null;
  const readyMm = wayMm === null ? null : (READY_MM.find((length) => length >= wayMm) ?? null);
  const lengthWords = readyMm === null ? '' : ` ${show(readyMm)}`;
  if (medium === 'copper') {
    const cages = Number(cageA) + Number(cageB);
    if (cages > 0) needs(cages, COPPER_MODULE);
    needs(1, `patch cord${lengthWords}`);
    if (cages > 0) {
      heatW = cages * copperModule.heatW;
      if (wayMm !== null && speedMbps >= 10_000 && wayMm > copperModule.mostMm)
        faults.push({
          grade: 'will-bite',
          words: `A copper module reaches about ${show(copperModule.mostMm)} at 10 Gb/s; the way is ${show(wayMm)}`,
          source: commonPractice,
        });
    }
  } else if (!cageA || !cageB) {
    faults.push({
      grade: 'wont-work',
      words: `${medium === 'fibre' ? 'Fibre modules' : 'A direct-attach cable'} need a cage at both ends`,
      source: commonPractice,
    });
  } else if (medium === 'direct-attach') {
    needs(1, `direct-attach cable${lengthWords}`);
    if (attach && wayMm !== null && wayMm > attach.mostMm)
      faults.push({
        grade: 'wont-work',
        words: `Direct-attach at ${formatSpeed(speedMbps)} reaches ${show(attach.mostMm)}; the way is ${show(wayMm)}: take fibre`,
        source: attach.source,
      });
    else if (attach && wayMm !== null && wayMm > attach.plainMm)
      faults.push({
        grade: 'will-bite',
        words: `Direct-attach at ${formatSpeed(speedMbps)} beyond ${show(attach.plainMm)} needs forward error correction at both ends; the way is ${show(wayMm)}`,
        source: attach.source,
      });
  } else {
    const { module, fibre } = moduleFor(speedMbps, wayMm ?? 0);
    if (module) {
      needs(2, moduleWords(module.name));
      needs(1, `duplex fibre cord ${fibre}${lengthWords}`);
      if (wayMm !== null) lossDb = linkLossDb(wayMm, 2, module.mode);
      const mostDb = channelLossDb[module.name]?.[fibre];
      if (lossDb !== null && (mostDb === undefined || lossDb > mostDb + 1e-9))
        faults.push({
          grade: mostDb === undefined ? 'will-bite' : 'wont-work',
          words:
            mostDb === undefined
              ? `This way may lose ${lossDb.toFixed(2)} dB, and what ${module.name} allows over ${fibre} is not known`
              : `${module.name} over ${fibre} allows ${mostDb} dB; this way may lose ${lossDb.toFixed(2)} dB`,
          source: channelLossSource(module.name),
        });
    } else
      faults.push({
        grade: 'wont-work',
        words: `No module is known for ${formatSpeed(speedMbps)} over ${show(wayMm ?? 0)}`,
        source: commonPractice,
      });
  }
  // A device on its port agrees on a speed by itself.
  if (isSwitching(from) && isSwitching(to) && speeds[0] !== speeds[1] && Math.min(...speeds) > 0)
    faults.push({
      grade: 'will-bite',
      words: `One end does ${formatSpeed(Math.max(...speeds))}, the other ${formatSpeed(speedMbps)}: the link comes up at the slower, if the faster port can be set to that`,
      source: commonPractice,
    });
  return {
    uplink,
    from,
    to,
    fromPort,
    toPort,
    speedMbps,
    medium,
    wayMm,
    lengthMm: readyMm,
    parts,
    heatW,
    lossDb,
    faults,
  };
}

/** All uplinks, in order of what they lead from. */
export function listUplinks(job: Job): UplinkFacts[] {
  return Object.values(besideCordsOf(job)).flatMap((uplink) => uplinkFacts(job, uplink) ?? []);
}
