import type { Job } from '../job/job';
import { firstPassYield, proofs, provenBy } from '../proving/proof';
import { wireMapSource } from '../proving/wireMap';
import { citeSource } from '../standards/source';
import { counted } from '../text/counted';
import { percent } from '../units/percent';
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
  const row = ({ run, state, words, results }: (typeof all)[number]): string[] => [
    run.label,
    [run.floor, run.room, run.outlet].filter(Boolean).join(', '),
    state,
    words,
    results[0]?.at.replace('T', ' ') ?? '',
    results[0]?.by ?? '',
  ];
  return [
    {
      title: 'In short',
      columns: [],
      rows: [],
      notes: [
        `${of('proven')} of ${counted(all.length, 'run')} are proven by ${provenBy(job)}, ${of('accepted')} accepted by name without.`,
        `${of('failed')} failed, ${of('partly')} looked at in part, ${of('not tested')} never tested.`,
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
                  ({ at, passed, tells, note }) =>
                    `${at.replace('T', ' ')} ${passed ? 'pass' : 'fail'} (${tells})${note ? `: ${note}` : ''}`,
                )
                .join('; '),
            ]),
            notes: [],
          },
        ]),
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
      notes: [`Wire maps: ${citeSource(wireMapSource)}.`],
    },
  ];
}
