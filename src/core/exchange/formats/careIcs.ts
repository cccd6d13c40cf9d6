import { addDays } from '../../base/text/days';
import type { Job } from '../../job/document/job';
import { careDates } from '../../trade/build/care/careDates';
import { writeCalendar } from './calendar';

/** Dates of care as a calendar: whole days, with a reminder two weeks before. What is not known has no date and is left out. */
export const careIcs = (job: Job, at: string): string =>
  writeCalendar(
    careDates(job, at.slice(0, 10)).flatMap(({ id, what, due, why }) =>
      due === null
        ? []
        : [
            {
              uid: `care-${id.replace(/[^A-Za-z0-9-]/g, '-')}@${job.id}.good-shelf`,
              from: due,
              to: addDays(due, 1),
              title: `${what} (${job.name})`,
              about: why,
              remindDays: 14,
            },
          ],
    ),
    at,
  );
