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
/** A day such as `2026-11-27`, or a local time such as `2026-11-27T18:30`. */
const moment = (name: string, at: string): string =>
  at.includes('T') ? `${name}:${stamp(at)}` : `${name};VALUE=DATE:${at.replace(/-/g, '')}`;

export type CalendarEvent = {
  uid: string;
  /** A day, or a local time without a zone, as it was entered; `to` is the first that is not of it. */
  from: string;
  to: string;
  title: string;
  about: string;
  /** A reminder so many days before. */
  remindDays?: number;
};

/**
 * Events as a calendar file (RFC 5545).
 * @param madeAt when it was made, as `2026-11-27T18:30`, taken as UTC
 */
export function writeCalendar(events: readonly CalendarEvent[], madeAt: string): string {
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Good Shelf//Good Shelf//EN',
    'CALSCALE:GREGORIAN',
    ...events.flatMap(({ uid, from, to, title, about, remindDays }) => [
      'BEGIN:VEVENT',
      `UID:${escaped(uid)}`,
      `DTSTAMP:${stamp(madeAt)}Z`,
      moment('DTSTART', from),
      moment('DTEND', to),
      `SUMMARY:${escaped(title)}`,
      ...(about === '' ? [] : [`DESCRIPTION:${escaped(about)}`]),
      ...(remindDays === undefined
        ? []
        : [
            'BEGIN:VALARM',
            'ACTION:DISPLAY',
            `DESCRIPTION:${escaped(title)}`,
            `TRIGGER:-P${remindDays}D`,
            'END:VALARM',
          ]),
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
  ];
  return `${lines.map(folded).join('\r\n')}\r\n`;
}
