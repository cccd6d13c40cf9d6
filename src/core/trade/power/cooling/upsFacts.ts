import { always, keptFor } from '../../../base/memo/kept';
import type { Job } from '../../../job/document/job';
import { standOf } from '../../../job/rack/stand';
import type { Gear } from '../../../job/records/gear';
import { answerOf, figureOf } from '../../survey/answers/answers';
import { type UnitFacts, unitFacts } from '../batteries';
import { cabinetHeat } from './cabinetHeat';

/** Air around the battery of a device, °C: of its cabinet on a usual day as it idles, else of the room. */
export function batteryAmbientC(job: Job, gear: Gear): number {
  const rack = job.racks[standOf(job, gear.id)?.rackId ?? ''];
  return rack ? cabinetHeat(job, rack).usualC : figureOf(job, 'room-c');
}

/** What is to be said of a UPS where it stands: its one due date and its run time. @param today null: its age is not known */
export const upsFacts = (job: Job, gear: Gear, today: string | null): UnitFacts =>
  unitFacts(job, gear, batteryAmbientC(job, gear), today);

/** The day that snags judge batteries by; null: nobody said it. */
export const judgedOn = (job: Job): string | null => answerOf(job, 'judged-on') || null;

/** A job whose batteries are judged by a day, where it does not say by which. Of the same job and day it is the same one. */
export const judgedOnDay = (job: Job, day: string): Job => (judgedOn(job) === null ? jobOnDay(job, day) : job);

const jobOnDay = keptFor(
  (job: Job, day: string): Job => Object.freeze({ ...job, answers: answersOnDay(job.answers, day) }),
  always,
);
/** The same answers give the same ones, so that what rests on answers is not worked out for every change elsewhere. */
const answersOnDay = keptFor(
  (answers: Job['answers'], day: string): Job['answers'] =>
    Object.freeze({ ...answers, 'judged-on': Object.freeze({ id: 'judged-on', value: day, note: '' }) }),
  always,
);
