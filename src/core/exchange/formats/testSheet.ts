import { citeFor } from '../../base/standards/cite';
import { counted } from '../../base/text/counted';
import { percent } from '../../base/units/percent';
import type { Job } from '../../job/document/job';
import { firstPassYield, yieldsBy } from '../../trade/testing/figures';
import { gateOf } from '../../trade/testing/gate';
import { proofs, provenBy, resultFault } from '../../trade/testing/proof';
import { wireMapSource } from '../../trade/testing/wireMap';
import { intervalSource } from '../../trade/testing/yields';
import type { SheetSection } from './sheetSection';

const COLUMNS = [
  { head: 'Run', share: 1.2 },
  { head: 'Where', share: 3 },
  { head: 'State', share: 1.4 },
  { head: 'Why', share: 4.2 },
  { head: 'When', share: 1.9 },
  { head: 'By', share: 1.4 },
];

/** What the test report says, section by section. */
export function testSheet(job: Job): SheetSection[] {
  const all = proofs(job);
  const of = (state: string) => all.filter((one) => one.state === state).length;
  const { tested, passedFirst, low, high, retests } = firstPassYield(job);
  const again = all.filter(({ results }) => results.length > 1);
  const row = ({ run, state, words, marks, results }: (typeof all)[number]): string[] => [
    run.label,
    [run.floor, run.room, run.outlet].filter(Boolean).join(', '),
    state,
    [words, ...marks].join(' '),
    results[0]?.at.replace('T', ' ') ?? '',
    results[0]?.by ?? '',
  ];
  return [
    {
      title: 'In short',
      columns: [],
      rows: [],
      notes: [
        `${of('passed')} of ${counted(all.length, 'run')} passed (${provenBy(job)} required). ${of('accepted')} accepted by name without a pass.`,
        `${of('failed')} failed, ${of('incomplete') + of('not judged')} incomplete, ${of('not tested')} not tested.`,
        tested === 0
          ? 'Nothing was tested yet: nothing is known of how many fail.'
          : `${passedFirst} of ${tested} passed at first; of all such, between ${percent(low, 1)} and ${percent(high, 1)} fail (95 %). ${counted(retests, 'test')} were made again.`,
      ],
    },
    { title: 'Runs', columns: COLUMNS, rows: all.map(row), notes: [] },
    ...(again.length === 0
      ? []
      : [
          {
            title: 'Tested more than once',
            columns: [
              { head: 'Run', share: 1 },
              { head: 'Results, latest first', share: 8 },
            ],
            rows: again.map(({ run, results }) => [
              run.label,
              results
                .map(
                  (result) =>
                    `${result.at.replace('T', ' ')} ${resultFault(job, run, result) === null ? 'pass' : 'fail'} (${result.tells})${result.note ? `: ${result.note}` : ''}`,
                )
                .join('; '),
            ]),
            notes: [],
          },
        ]),
    ...yieldSections(job),
    ...gateSection(job),
    {
      title: 'Testers',
      columns: [
        { head: 'Name', share: 3 },
        { head: 'Can tell', share: 2 },
        { head: 'Serial', share: 2 },
        { head: 'Calibrated', share: 2 },
      ],
      rows: Object.values(job.testers).map(({ name, tells, serial, calibratedOn }) => [
        name,
        tells,
        serial || 'not known',
        calibratedOn ?? 'not known',
      ]),
      notes: [`Wire maps: ${citeFor(wireMapSource, job.rules)}.`],
    },
  ];
}

const YIELDS = { jack: 'kind of jack', person: 'person', day: 'day' } as const;

function yieldSections(job: Job): SheetSection[] {
  return (Object.keys(YIELDS) as (keyof typeof YIELDS)[]).flatMap((by) => {
    const rows = yieldsBy(job, by);
    if (rows.length === 0) return [];
    return [
      {
        title: `Passed at first, by ${YIELDS[by]}`,
        columns: [
          { head: 'Of', share: 4 },
          { head: 'Passed', share: 2 },
          { head: 'Of all such fail, 95 %', share: 3 },
        ],
        rows: rows.map(({ of, tested, passedFirst, low, high }) => [
          of,
          `${passedFirst} of ${tested}`,
          `${percent(low, 1)} to ${percent(high, 1)}`,
        ]),
        notes: by === 'day' ? [`Intervals: ${citeFor(intervalSource, job.rules)}.`] : [],
      },
    ];
  });
}

/** Cords, uplinks and feeds that nobody stands for, or stood for as what they no longer are. */
function gateSection(job: Job): SheetSection[] {
  const others = gateOf(job).filter(({ kind }) => kind !== 'run');
  if (others.length === 0) return [];
  const open = others.filter((one) => one.open);
  return [
    {
      title: 'Cords, uplinks and feeds',
      columns: [
        { head: 'What', share: 4 },
        { head: 'State', share: 1.4 },
        { head: 'Why', share: 5 },
      ],
      rows: open.map(({ name, state, words }) => [name, state, words]),
      notes: [`${others.length - open.length} of ${others.length} signed off.`],
    },
  ];
}
