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
  /** What both ends can do; null where one end has no speed of its own, as on a panel, or it is not known. */
  speedMbps: number | null;
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

/** What a link of one medium takes, and what is wrong with it. */
type MakeUp = Pick<UplinkFacts, 'parts' | 'heatW' | 'lossDb' | 'faults'>;
type Asked = {
  /** 0 where it is not known: then nothing that rests on it is judged. */
  speedMbps: number;
  wayMm: number | null;
  cages: number;
  /** Length to buy, as words after the name of a cord. */
  lengthWords: string;
  show: (mm: number) => string;
};

function overCopper({ speedMbps, wayMm, cages, lengthWords, show }: Asked): MakeUp {
  const cord = { what: `patch cord${lengthWords}`, count: 1 };
  if (cages === 0) return { parts: [cord], heatW: 0, lossDb: null, faults: [] };
  const tooFar = wayMm !== null && speedMbps >= 10_000 && wayMm > copperModule.mostMm;
  return {
    parts: [{ what: COPPER_MODULE, count: cages }, cord],
    heatW: cages * copperModule.heatW,
    lossDb: null,
    faults: tooFar
      ? [
          {
            grade: 'will-bite',
            words: `A copper module reaches about ${show(copperModule.mostMm)} at 10 Gb/s; the way is ${show(wayMm)}`,
            source: commonPractice,
          },
        ]
      : [],
  };
}

const attachFor = (speedMbps: number) => directAttach.find((row) => row.speedMbps >= speedMbps);

function overDirectAttach({ speedMbps, wayMm, lengthWords, show }: Asked): MakeUp {
  const attach = attachFor(speedMbps);
  const faults: UplinkFault[] = [];
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
  return { parts: [{ what: `direct-attach cable${lengthWords}`, count: 1 }], heatW: 0, lossDb: null, faults };
}

function overFibre({ speedMbps, wayMm, lengthWords, show }: Asked): MakeUp {
  const { module, fibre } = moduleFor(speedMbps, wayMm ?? 0);
  if (!module)
    return {
      parts: [],
      heatW: 0,
      lossDb: null,
      faults: [
        {
          grade: 'wont-work',
          words: `No module is known for ${formatSpeed(speedMbps)} over ${show(wayMm ?? 0)}`,
          source: commonPractice,
        },
      ],
    };
  const lossDb = wayMm === null ? null : linkLossDb(wayMm, 2, module.mode);
  const mostDb = channelLossDb[module.name]?.[fibre];
  const faults: UplinkFault[] = [];
  if (lossDb !== null && mostDb === undefined)
    faults.push({
      grade: 'will-bite',
      words: `This way may lose ${lossDb.toFixed(2)} dB, and what ${module.name} allows over ${fibre} is not known`,
      source: channelLossSource(module.name),
    });
  else if (lossDb !== null && mostDb !== undefined && lossDb > mostDb + 1e-9)
    faults.push({
      grade: 'wont-work',
      words: `${module.name} over ${fibre} allows ${mostDb} dB; this way may lose ${lossDb.toFixed(2)} dB`,
      source: channelLossSource(module.name),
    });
  const parts = [
    { what: moduleWords(module.name), count: 2 },
    { what: `duplex fibre cord ${fibre}${lengthWords}`, count: 1 },
  ];
  return { parts, heatW: 0, lossDb, faults };
}

const noCage = (medium: Exclude<CordMedium, 'auto'>): MakeUp => ({
  parts: [],
  heatW: 0,
  lossDb: null,
  faults: [
    {
      grade: 'wont-work',
      words: `${medium === 'fibre' ? 'Fibre modules' : 'A direct-attach cable'} need a cage at both ends`,
      source: commonPractice,
    },
  ],
});

/** Two switches whose ports differ in speed. A device on its port agrees on a speed by itself. */
function unlikeSpeeds(from: Gear, to: Gear, [a, b]: readonly [number | null, number | null]): UplinkFault[] {
  if (!isSwitching(from) || !isSwitching(to) || a === null || b === null || a === b) return [];
  return [
    {
      grade: 'will-bite',
      words: `One end does ${formatSpeed(Math.max(a, b))}, the other ${formatSpeed(Math.min(a, b))}: the link comes up at the slower, if the faster port can be set to that`,
      source: commonPractice,
    },
  ];
}

/** Way of a cord by where its two ends are, millimetres; null while that is not known. */
function drawnWayMm(job: Job, { fromId, fromPort, toId, toPort }: Cord, from: Gear, to: Gear, bothCages: boolean) {
  const between = wayBetween(indexJob(job).job, fromId, toId);
  const [x1, x2] = [portCentreX(from, fromPort), portCentreX(to, toPort)];
  if (!between || x1 === null || x2 === null) return null;
  const dropMm = Math.abs((portHeightMm(job, fromId, fromPort) ?? 0) - (portHeightMm(job, toId, toPort) ?? 0));
  return Math.round(cordPathMm(between.way, x1, x2, dropMm, bothCages ? 'direct-attach' : 'standard', between.widthMm));
}

/** By distance: copper unless both ends are cages, then direct-attach as far as it goes without correction, then fibre. */
function mediumByWay(speedMbps: number, wayMm: number | null, bothCages: boolean): Exclude<CordMedium, 'auto'> {
  if (!bothCages) return 'copper';
  const attach = attachFor(speedMbps);
  return wayMm === null || (attach !== undefined && wayMm <= attach.plainMm) ? 'direct-attach' : 'fibre';
}

/** What an uplink is made of, how fast it comes up, and what is wrong with it; null where a device at one end is not there. */
export function uplinkFacts(job: Job, uplink: Cord): UplinkFacts | null {
  const [from, to] = [job.gear[uplink.fromId], job.gear[uplink.toId]];
  if (!from || !to) return null;
  const [fromPort, toPort] = [portAt(from, uplink.fromPort), portAt(to, uplink.toPort)];
  const speeds = [fromPort?.speedMbps ?? null, toPort?.speedMbps ?? null] as const;
  const speedMbps = speeds[0] === null || speeds[1] === null ? null : Math.min(speeds[0], speeds[1]);
  const cages = [fromPort, toPort].filter((port) => port !== null && isCage(port)).length;
  const wayMm = uplink.lengthMm ?? drawnWayMm(job, uplink, from, to, cages === 2);
  const medium = uplink.medium === 'auto' ? mediumByWay(speedMbps ?? 0, wayMm, cages === 2) : uplink.medium;
  const lengthMm = wayMm === null ? null : (READY_MM.find((length) => length >= wayMm) ?? null);
  const show = (mm: number) => formatLength(mm, job.units);
  const asked = {
    speedMbps: speedMbps ?? 0,
    wayMm,
    cages,
    lengthWords: lengthMm === null ? '' : ` ${show(lengthMm)}`,
    show,
  };
  const make = { copper: overCopper, 'direct-attach': overDirectAttach, fibre: overFibre }[medium];
  const madeUp = medium !== 'copper' && cages < 2 ? noCage(medium) : make(asked);
  return {
    ...madeUp,
    uplink,
    from,
    to,
    fromPort,
    toPort,
    speedMbps,
    medium,
    wayMm,
    lengthMm,
    faults: [...madeUp.faults, ...unlikeSpeeds(from, to, speeds)],
  };
}

/** All uplinks, in order of what they lead from. */
export function listUplinks(job: Job): UplinkFacts[] {
  return Object.values(besideCordsOf(job)).flatMap((uplink) => uplinkFacts(job, uplink) ?? []);
}
