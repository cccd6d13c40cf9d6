import { citeFor } from '../core/base/standards/cite';
import { ACTION_WORDS } from '../core/base/text/actionWords';
import { GRADE_WORDS } from '../core/base/text/grade';
import { formatMinutes } from '../core/base/units/minutes';
import { readJobFile } from '../core/exchange/formats/jobFile';
import type { Job } from '../core/job/document/job';
import { buildPapers } from '../core/trade/build/buildPapers';
import { cutoverJson } from '../core/trade/build/cutoverJson';
import { readText, say, write } from './io';
import { limitsOf, type Options } from './options';

/** `cutover TODAY PLAN`: steps, order, visits, kit and what stands against it. @returns 1 when it cannot be done so */
export function cutoverOfJobs(todayPath: string, planPath: string, options: Options): number {
  const today: Job | null = todayPath === 'none' ? null : readJobFile(readText(todayPath));
  const job = readJobFile(readText(planPath));
  const { plan, kit, findings } = buildPapers(today, job, limitsOf(options, 5));
  if (options.json) write(options.out, `${JSON.stringify(cutoverJson(plan, findings, kit), null, 2)}\n`);
  else {
    for (const { entry, minutes, startsAt, dark, safe } of plan.planned)
      write(
        '-',
        `${startsAt?.replace('T', ' ') ?? 'no visit yet   '}  ${minutes.toFixed(1).padStart(5)} min  ${ACTION_WORDS[entry.action]}${entry.step.words}${
          dark.length > 0
            ? `  [down: ${dark.map(({ service, share }) => `${service}${share < 0.995 ? ` ${Math.round(share * 100)} %` : ''}`).join(', ')}]`
            : ''
        }${safe ? '' : '  (not yet safe to stop)'}\n`,
      );
    for (const { grade, what, source } of findings)
      write('-', `${GRADE_WORDS[grade]}: ${what} [${citeFor(source, job.rules)}]\n`);
    const { order, range } = plan;
    say(
      `${plan.planned.length} steps, ${formatMinutes(range.least)} to ${formatMinutes(range.most)}; ${
        order.cost === null
          ? order.proven
            ? 'no order'
            : 'no order was found in the time'
          : `${order.cost.toFixed(1)} weighted minutes dark (${order.proven ? 'proven least' : `least possible ${order.bound.toFixed(1)}`})`
      }`,
    );
  }
  return findings.some(({ grade }) => grade === 'wont-work') ? 1 : 0;
}
