import { arrays } from '../../../base/standards/recording';
import { DEVICE_WORDS } from '../../../base/text/deviceWords';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { Gear } from '../../../job/records/gear';
import { isLive } from '../../../job/records/run';
import type { Stream } from '../../../job/records/stream';
import { figureOf } from '../../survey/answers/answers';
import {
  arrayWrites,
  daysHeld,
  drivesFor,
  rebuildHours,
  recordingTb,
  unreadableChance,
  uploadHours,
  usableTb,
} from './recordings';

export type RecorderFacts = {
  gear: Gear;
  streams: readonly Stream[];
  cameras: number;
  /** Of all its cameras, averaged over what is recorded, Mb/s; what is not known adds nothing. */
  mbps: number;
  writesMbps: number | null;
  daysWanted: number | null;
  /** Null: not known. */
  needTb: number | null;
  haveTb: number | null;
  days: number | null;
  drivesNeeded: number | null;
  survives: number | null;
  rebuildH: number | null;
  unreadable: number | null;
  /** Hours to carry all of it away, once. */
  firstCopyH: number | null;
  state: 'enough' | 'too little' | 'not judged';
  unknown: string[];
};

/** What a recorder must hold and does. */
export function recorderFacts(job: Job, gear: Gear): RecorderFacts {
  const uploadMbps = figureOf(job, 'upload-mbps');
  const streams = Object.values(job.streams).filter(({ recorderId }) => recorderId === gear.id);
  const known = streams.filter((stream) => stream.mbps !== null);
  const cameras = streams.reduce((sum, { count }) => sum + count, 0);
  const mbps = known.reduce(
    (sum, { count, mbps: each, percent }) => sum + (count * (each ?? 0) * (percent ?? 100)) / 100,
    0,
  );
  const { drives, daysWanted } = gear;
  const inJob = indexJob(job).runsInOrder.filter((run) => isLive(run) && DEVICE_WORDS.camera?.test(run.device)).length;
  const unknown = [
    ...(streams.length === 0 ? ['which cameras it records'] : []),
    ...(known.length < streams.length ? [`the bit rate of ${streams.length - known.length} of its recordings`] : []),
    ...(daysWanted === null ? ['how many days are wanted'] : []),
    ...(drives === null ? ['its drives'] : []),
    ...(streams.length > 0 && cameras < inJob
      ? [`whether the other ${inJob - cameras} cameras of the job are recorded`]
      : []),
  ];
  const needTb = daysWanted === null || streams.length === 0 ? null : recordingTb(mbps, daysWanted, 1);
  const haveTb = drives === null ? null : usableTb(drives.array, drives.count, drives.tbEach);
  const days = haveTb === null || mbps === 0 ? null : daysHeld(haveTb, mbps, 1);
  const short = needTb !== null && haveTb !== null && haveTb < needTb;
  return {
    gear,
    streams,
    cameras,
    mbps,
    writesMbps: drives === null ? null : arrayWrites(drives.array, mbps),
    daysWanted,
    needTb,
    haveTb,
    days,
    drivesNeeded: drives === null || needTb === null ? null : drivesFor(drives.array, drives.tbEach, needTb),
    survives: drives === null ? null : arrays[drives.array].survives(drives.count),
    rebuildH: drives === null || drives.array === 'single' || drives.array === '0' ? null : rebuildHours(drives.tbEach),
    unreadable:
      drives === null || (drives.array !== '5' && drives.array !== '1')
        ? null
        : unreadableChance(drives.tbEach * (drives.array === '5' ? drives.count - 1 : 1)),
    firstCopyH: haveTb === null || uploadMbps <= 0 ? null : uploadHours(Math.min(haveTb, needTb ?? haveTb), uploadMbps),
    state: short ? 'too little' : unknown.length > 0 ? 'not judged' : 'enough',
    unknown,
  };
}

/** Recorders and stores of a job. */
export const recordersOf = (job: Job): Gear[] =>
  indexJob(job).gearInOrder.filter(({ kind }) => kind === 'recorder' || kind === 'storage');
