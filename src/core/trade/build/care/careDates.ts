import { commonPractice, type Source } from '../../../base/standards/source';
import { addMonths, addYears } from '../../../base/text/days';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { UsualCare } from '../../../job/records/careItem';
import { lifeAt } from '../../power/batteryRuntime';
import { batteryAmbientC } from '../../power/cooling/upsFacts';

export type CareDate = {
  id: string;
  what: string;
  /** Null: not known, because it is not known when it was done last. */
  due: string | null;
  /** What it is reckoned from. */
  why: string;
  source: Source | null;
  overdue: boolean;
  kind: 'battery' | 'calibration' | 'item';
};

const TESTER_YEARS = 1;
/** The interval is the maker's; a year is usual. */
export const calibrationSource: Source = commonPractice;

/** What is to be looked after and when, soonest first, what is not known at the end. @param today such as 2026-11-27 */
export function careDates(job: Job, today: string): CareDate[] {
  const dates: Omit<CareDate, 'overdue'>[] = [];
  for (const gear of indexJob(job).gearInOrder) {
    if (!gear.battery) continue;
    const { madeOn, chemistry } = gear.battery;
    const ambientC = batteryAmbientC(job, gear);
    const years = lifeAt(chemistry, ambientC);
    dates.push({
      id: `battery ${gear.id}`,
      what: `New battery for ${gear.name}`,
      due: madeOn === null ? null : addYears(madeOn, years),
      why:
        madeOn === null
          ? 'When its blocks were made is not known.'
          : `Made on ${madeOn}; about ${years.toFixed(1)} years at the ${Math.round(ambientC)} °C where it is.`,
      source: commonPractice,
      kind: 'battery',
    });
  }
  for (const tester of Object.values(job.testers))
    dates.push({
      id: `tester ${tester.id}`,
      what: `Calibrate ${tester.name}${tester.serial ? ` (${tester.serial})` : ''}`,
      due: tester.calibratedOn === null ? null : addYears(tester.calibratedOn, TESTER_YEARS),
      why:
        tester.calibratedOn === null ? 'When it was calibrated is not known.' : `Calibrated on ${tester.calibratedOn}.`,
      source: calibrationSource,
      kind: 'calibration',
    });
  for (const { id, what, gearId, everyMonths, lastOn, dueOn, note } of Object.values(job.careItems)) {
    const gear = job.gear[gearId ?? ''];
    const every = everyMonths === null ? null : `Every ${everyMonths === 1 ? 'month' : `${everyMonths} months`}`;
    dates.push({
      id,
      what: gear ? `${what}: ${gear.name}` : what,
      due: dueOn ?? (everyMonths !== null && lastOn !== null ? addMonths(lastOn, everyMonths) : null),
      why: [every, lastOn && `last on ${lastOn}`, note].filter(Boolean).join(', ') || 'When it is due is not known.',
      source: null,
      kind: 'item',
    });
  }
  return dates
    .map((one) => ({ ...one, overdue: one.due !== null && one.due < today }))
    .sort((a, b) => (a.due ?? '9999').localeCompare(b.due ?? '9999') || a.what.localeCompare(b.what));
}

/** Care that is usual, to be added where it applies. Months by rule of thumb (filters 3 to 6 months, restores yearly). */
export const USUAL_CARE_DATES: readonly { usual: UsualCare; what: string; everyMonths: number; source: Source }[] = [
  { usual: 'filters', what: 'Clean or change the filters', everyMonths: 6, source: commonPractice },
  {
    usual: 'fans',
    what: 'Look at the fans, listen to them, and blow out the dust',
    everyMonths: 12,
    source: commonPractice,
  },
  { usual: 'battery-test', what: 'Test the battery under load', everyMonths: 6, source: commonPractice },
  {
    usual: 'restore-test',
    what: 'Restore the settings from their backup, to see that it works',
    everyMonths: 12,
    source: commonPractice,
  },
  { usual: 'rcd-test', what: 'Trip the residual-current device by its button', everyMonths: 6, source: commonPractice },
];
