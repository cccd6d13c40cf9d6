import { practice } from '../../../base/standards/practice';
import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { figureOf } from '../../../trade/survey/answers/answers';
import { type Capacity, capacities } from '../../../trade/survey/capacity';
import { type Finding, notJudged, type SnagRule } from '../snag';

/** What rules of their own say, once so much of it is used. */
const SAID_ELSEWHERE: ReadonlySet<string> = new Set(['units', 'panel', 'switch', 'cages', 'poe-watts']);

/** What is missing where a row cannot be judged; rules of their own say it of the others. */
const ASKED: readonly { rows: RegExp; words: string }[] = [
  { rows: /^switch-\d+$/, words: 'the speed that runs with a device need' },
  { rows: /^outlets$/, words: 'how many mains outlets the wall has' },
  { rows: /^amps$/, words: 'the circuit at the cabinet, and what else is on it' },
];

/** All rows that cannot be judged in one line: the job is the thing. */
function unjudgedRows(rows: readonly Capacity[]): Finding[] {
  const open = rows.filter(({ state }) => state === 'not judged');
  const asked = ASKED.filter((one) => open.some(({ id }) => one.rows.test(id)));
  const names = open.filter(({ id }) => asked.some((one) => one.rows.test(id))).map(({ name }) => name);
  if (asked.length === 0) return [];
  return [
    notJudged(
      { rowIds: ['capacity'] },
      'Capacity',
      names.join(', '),
      asked.map(({ words }) => words),
    ),
  ];
}

const show = (value: number) => String(Math.round(value * 10) / 10);

export const capacityShort: SnagRule = {
  id: 'capacity-short',
  why: 'What is bought just full is too small before it is paid for. 80 % is where to look for more.',
  source: commonPractice,
  stations: ['survey'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    shelvings: true,
    runs: ['id', 'label', 'room', 'outlet', 'carries', 'device', 'speedMbps', 'poeW', 'poeClass', 'origin', 'scope'],
    answers: true,
    circuits: true,
    wallOutlets: true,
    plugs: true,
    landings: true,
    cords: true,
    rules: true,
  },
  find: ({ job }) => {
    const years = figureOf(job, 'growth-years');
    const rows = capacities(job);
    const unjudged = unjudgedRows(rows);
    const short = rows
      .filter(({ state }) => state === 'too little' || state === 'nearly full')
      .filter(
        ({ id, used, reserved, has }) =>
          !SAID_ELSEWHERE.has(id) || used < has * practice.fullShare || used + reserved > has + 1e-9,
      )
      .sort((a, b) => b.share - a.share);
    const [worst] = short;
    if (!worst) return unjudged;
    const { name, unit, has, used, reserved, grown, fullInYears } = worst;
    const now = used + reserved > has + 1e-9;
    const when = now || fullInYears === null ? '' : `, full in ${counted(fullInYears, 'year')}`;
    const need = used + reserved;
    const needed = need === 1 ? `1 ${unit.replace(/s$/, '')} is` : `${show(need)} ${unit} are`;
    const what = now
      ? has === 0
        ? `${name}: ${needed} needed now, and there ${unit.endsWith('s') ? 'are none' : 'is none'}.`
        : `${name}: ${show(used + reserved)} of ${show(has)} ${unit} are needed now.`
      : `${name}: ${show(used + reserved)} of ${show(has)} ${unit} now, ${show(grown)} in ${counted(years, 'year')}${when}.`;
    const others = short
      .slice(1)
      .map((row) =>
        /^[A-Z][a-z]+\b/.test(row.name) ? row.name.charAt(0).toLowerCase() + row.name.slice(1) : row.name,
      );
    return [
      ...unjudged,
      {
        grade: now ? ('will-bite' as const) : ('could-be-neater' as const),
        rowIds: [worst.id],
        what: others.length === 0 ? what : `${what} Also: ${others.join('; ')}.`,
      },
    ];
  },
};
