import { linkUpS } from '../../base/standards/buildMinutes';
import { counted } from '../../base/text/counted';
import type { Job } from '../../job/document/job';
import type { BuildPlan, ServiceDark } from './buildPlan';

const clock = (at: string | null): string => (at === null ? 'time not set' : at.replace('T', ' '));

/** Whom a service going down concerns, and when, in a sentence. */
export function darkWords({ service, stretches }: ServiceDark): string[] {
  return stretches.map(
    ({ from, to, minutes, share }) =>
      `${service}${share < 0.995 ? ` (up to ${Math.round(share * 100)} % of it)` : ''}: ${
        from === null ? 'no day yet' : `${clock(from)} to ${clock(to).slice(-5)}`
      }, about ${counted(Math.max(1, Math.ceil(minutes - 1e-9)), 'minute')}`,
  );
}

/** The notice of outages as text to send: who is without what, from when to when. */
export function outageNotice(job: Job, plan: BuildPlan): string {
  const visits = plan.visits.filter(({ planned }) => planned.length > 0);
  const lines = [
    `${job.name}: work on the network cabinet`,
    '',
    ...(visits.length === 0
      ? ['No day is set yet.']
      : visits.map(
          ({ visit, wholeMin }) =>
            `${visit.name}: ${visit.on}, ${visit.from}, about ${counted(Math.ceil(wholeMin), 'minute')}.`,
        )),
    '',
    ...(plan.dark.length === 0
      ? ['Nothing goes down.']
      : ['While we work these are down for a while:', ...plan.dark.flatMap(darkWords).map((words) => `- ${words}`)]),
    '',
    ...(plan.unplacedMin > 0.5 ? ['Some of the work has no day yet; we will tell you when it has.', ''] : []),
    `After its cord is in, a port is up in about ${linkUpS.edge} s (${linkUpS.spanningTree} s where a loop is looked for first), an access point that takes its power from it in about ${linkUpS.accessPoint / 60} min.`,
    'Times are as planned; it may take up to half as long again. Telephones that go over the network cannot call for help while they are down: keep a mobile telephone at hand.',
  ];
  return `${lines.join('\n')}\n`;
}
