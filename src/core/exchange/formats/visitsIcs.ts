import { minutesOfHour, timeAfter } from '../../base/text/days';
import type { Job } from '../../job/document/job';
import type { BuildPlan } from '../../trade/build/buildPlan';
import { darkWords } from '../../trade/build/notices';
import { writeCalendar } from './calendar';

/**
 * Visits and outages as a calendar file (RFC 5545), in local time without a zone, as the windows were entered.
 * @param madeAt when it was made, as `2026-11-27T18:30`, taken as UTC
 */
export function visitsIcs(job: Job, plan: BuildPlan, madeAt: string): string {
  const visits = plan.visits.map(({ visit, planned }) => {
    const start = minutesOfHour(visit.from);
    return {
      uid: `visit-${visit.id}@${job.id}.good-shelf`,
      from: timeAfter(visit.on, start),
      to: timeAfter(visit.on, start + visit.minutes),
      title: `${job.name}: ${visit.name}`,
      about: [visit.notes, ...planned.map(({ entry, startsAt }) => `${startsAt?.slice(-5)} ${entry.step.words}`)]
        .filter(Boolean)
        .join('\n'),
    };
  });
  const outages = plan.dark.flatMap((dark) =>
    dark.stretches.flatMap(({ from, to }, at) =>
      from === null || to === null
        ? []
        : [
            {
              uid: `dark-${dark.service.replace(/\W+/g, '-')}-${at}@${job.id}.good-shelf`,
              from,
              to,
              title: `${dark.service} down (${job.name})`,
              about: darkWords({ ...dark, stretches: dark.stretches.slice(at, at + 1) }).join('\n'),
            },
          ],
    ),
  );
  return writeCalendar([...visits, ...outages], madeAt);
}
