import type { BuildPlan } from '../build/buildPlan';
import { darkWords } from '../build/notices';
import type { Job } from '../job/job';
import { minutesOfHour, timeAfter } from '../text/days';

/** Longest line of a calendar file in octets (RFC 5545, 3.1). */
const FOLD = 75;

/** Text as a calendar file takes it (RFC 5545, 3.3.11). */
const escaped = (text: string): string =>
  text.replace(/\\/g, '\\\\').replace(/;/g, '\\;').replace(/,/g, '\\,').replace(/\r?\n/g, '\\n');

/** A line in pieces of at most 75 octets, no letter cut in two. */
function folded(line: string): string {
  const pieces: string[] = [];
  let piece = '';
  let size = 0;
  const encoder = new TextEncoder();
  for (const letter of line) {
    const octets = encoder.encode(letter).length;
    if (size + octets > FOLD) {
      pieces.push(piece);
      piece = ' ';
      size = 1;
    }
    piece += letter;
    size += octets;
  }
  return [...pieces, piece].join('\r\n');
}

const stamp = (at: string): string => `${at.replace(/[-:]/g, '')}00`;

/**
 * Visits and outages as a calendar file (RFC 5545), in local time without a zone, as the windows were entered.
 * @param madeAt when it was made, as `2026-11-27T18:30`, taken as UTC
 */
export function visitsIcs(job: Job, plan: BuildPlan, madeAt: string): string {
  const event = (uid: string, from: string, to: string, summary: string, description: string) => [
    'BEGIN:VEVENT',
    `UID:${escaped(uid)}`,
    `DTSTAMP:${stamp(madeAt)}Z`,
    `DTSTART:${stamp(from)}`,
    `DTEND:${stamp(to)}`,
    `SUMMARY:${escaped(summary)}`,
    ...(description === '' ? [] : [`DESCRIPTION:${escaped(description)}`]),
    'END:VEVENT',
  ];
  const visits = plan.visits.flatMap(({ visit, planned }) => {
    const start = minutesOfHour(visit.from);
    return event(
      `visit-${visit.id}@${job.id}.good-shelf`,
      timeAfter(visit.on, start),
      timeAfter(visit.on, start + visit.minutes),
      `${job.name}: ${visit.name}`,
      [visit.notes, ...planned.map(({ entry, startsAt }) => `${startsAt?.slice(-5)} ${entry.step.words}`)]
        .filter(Boolean)
        .join('\n'),
    );
  });
  const outages = plan.dark.flatMap((dark) =>
    dark.stretches.flatMap(({ from, to }, at) =>
      from === null || to === null
        ? []
        : event(
            `dark-${dark.service.replace(/\W+/g, '-')}-${at}@${job.id}.good-shelf`,
            from,
            to,
            `${dark.service} down (${job.name})`,
            darkWords({ ...dark, stretches: dark.stretches.slice(at, at + 1) }).join('\n'),
          ),
    ),
  );
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Good Shelf//Build//EN',
    'CALSCALE:GREGORIAN',
    ...visits,
    ...outages,
    'END:VCALENDAR',
  ];
  return `${lines.map(folded).join('\r\n')}\r\n`;
}
