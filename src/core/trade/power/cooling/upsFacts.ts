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
export function judgedOnDay(job: Job, day: string): Job {
  if (judgedOn(job) !== null) return job;
  const there = jobOnDay.get(job);
  if (there && judgedOn(there) === day) return there;
  const made = Object.freeze({ ...job, answers: answersOnDay(job.answers, day) });
  jobOnDay.set(job, made);
  return made;
}

const jobOnDay = new WeakMap<Job, Job>();
const answersByDay = new WeakMap<Job['answers'], { day: string; made: Job['answers'] }>();
/** The same answers give the same ones, so that what rests on answers is not worked out for every change elsewhere. */
function answersOnDay(answers: Job['answers'], day: string): Job['answers'] {
  const there = answersByDay.get(answers);
  if (there?.day === day) return there.made;
  const made = Object.freeze({ ...answers, 'judged-on': Object.freeze({ id: 'judged-on', value: day, note: '' }) });
  answersByDay.set(answers, { day, made });
  return made;
}
