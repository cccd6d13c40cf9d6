import { citeFor } from '../../base/standards/cite';
import { ACTION_WORDS } from '../../base/text/actionWords';
import { GRADE_WORDS } from '../../base/text/grade';
import { formatMinutes } from '../../base/units/minutes';
import type { Job } from '../../job/document/job';
import type { BuildPlan, Planned, VisitPlan } from '../../trade/build/buildPlan';
import { estimateWords } from '../../trade/build/estimate';
import type { BuildFinding } from '../../trade/build/findings';
import type { KitLine } from '../../trade/build/kit';
import { outageNotice } from '../../trade/build/notices';
import { cautionsFor } from '../../trade/survey/cautions';
import type { SheetSection } from './sheetSection';

const STEP_COLUMNS = [
  { head: 'At', share: 1.2 },
  { head: 'What', share: 6 },
  { head: 'Out of', share: 3.2 },
  { head: 'Into', share: 3.2 },
  { head: 'min', share: 0.9 },
  { head: 'Dark meanwhile', share: 3 },
];

const stepRow = ({ entry, startsAt, minutes, dark }: Planned): string[] => {
  const { step, action } = entry;
  const parts = step.parts.length > 0 && action !== 'park' ? ` (${step.parts.join(', ')})` : '';
  return [
    startsAt?.slice(-5) ?? '',
    `${ACTION_WORDS[action]}${step.words}${parts}${step.photograph && action !== 'fetch' ? ' · photograph first' : ''}${step.who === 'two' ? ' · two lift' : ''}${step.caution && step.kind !== 'pull' && action !== 'fetch' ? `. ${step.caution}` : ''}`,
    action === 'fetch' ? 'set aside' : step.from,
    action === 'park' ? 'set aside' : step.to,
    String(Math.max(1, Math.round(minutes))),
    dark.map(({ service, share }) => (share < 0.995 ? `${service} ${Math.round(share * 100)} %` : service)).join(', '),
  ];
};

const visitTitle = ({ visit, planned, wholeMin }: VisitPlan): string =>
  `${visit.name}, ${visit.on} ${visit.from}: ${planned.length === 0 ? 'nothing fits' : `${formatMinutes(wholeMin)} of ${formatMinutes(visit.minutes)}`}`;

/** The build list, section by section: visits with their steps to tick, kit, what stands against it, the notice. */
export function buildSheet(
  job: Job,
  plan: BuildPlan,
  kit: readonly KitLine[],
  findings: readonly BuildFinding[],
): SheetSection[] {
  const unplaced = plan.planned.filter(({ visit }) => visit === null);
  return [
    {
      title: 'In short',
      columns: [],
      rows: [],
      notes: [
        `${plan.planned.length} steps left, ${estimateWords(plan.range)} of work for ${plan.cutover.hands === 1 ? 'one person' : 'two people'}.`,
        plan.order.cost === null
          ? 'No order of the cut-over can be given.'
          : `The order of the cut-over is ${plan.order.proven ? 'proven: none has fewer weighted minutes dark' : 'the best that was found, not proven'}.`,
        ...plan.dark.map(({ service, minutes }) => `${service}: down ${Math.ceil(minutes)} min.`),
      ],
    },
    ...(findings.length === 0
      ? []
      : [
          {
            title: 'What stands against it',
            columns: [
              { head: 'Grade', share: 1.4 },
              { head: 'What', share: 6 },
              { head: 'Source', share: 1.6 },
            ],
            rows: findings.map(({ grade, what, source }) => [GRADE_WORDS[grade], what, citeFor(source, job.rules)]),
            notes: [],
          },
        ]),
    // Read before the first hole is drilled, not after.
    {
      title: 'Cautions',
      columns: [],
      rows: [],
      notes: [
        'Mains work and new circuits: a licensed electrician, by local code. Unplug before you unscrew; batteries stay live.',
        'Lifts for two are for two. Ladders on firm ground, one unit out for four up, nobody below. Eyes, ears and lungs protected for drilling.',
        ...cautionsFor(job).map(({ words, source }) =>
          source === null ? words : `${words} [${citeFor(source, job.rules)}]`,
        ),
        'Minutes are common practice until your own ticks correct them.',
      ],
    },
    ...plan.visits.map(
      (visit): SheetSection => ({
        title: visitTitle(visit),
        columns: STEP_COLUMNS,
        rows: visit.planned.map(stepRow),
        notes: [
          ...(visit.lastMin === null
            ? []
            : [`Last moment to go on: ${formatMinutes(Math.max(0, visit.lastMin))} after the beginning.`]),
          'At the end all is up; test before you leave.',
        ],
        ticked: true,
      }),
    ),
    ...(unplaced.length === 0
      ? []
      : [{ title: 'In no visit yet', columns: STEP_COLUMNS, rows: unplaced.map(stepRow), notes: [], ticked: true }]),
    kitSection(kit),
    { title: 'Notice', columns: [], rows: [], notes: outageNotice(job, plan).trim().split('\n').filter(Boolean) },
  ];
}

const STATE_WORDS = { missing: 'missing', ordered: 'ordered', 'at-hand': 'at hand', 'in-van': 'in the van' } as const;

/** Kit and shopping list. */
export function kitSection(kit: readonly KitLine[]): SheetSection {
  return {
    title: 'Kit',
    columns: [
      { head: 'What', share: 5 },
      { head: 'Needed', share: 1.5 },
      { head: 'Spare', share: 1 },
      { head: 'As sold', share: 2 },
      { head: 'Price', share: 1.2 },
      { head: 'Where', share: 2 },
    ],
    rows: kit.map(({ item, count, spare, unit, atLeast, packs, priceMinor, status, kind }) => [
      item,
      `${atLeast ? 'at least ' : ''}${unit === 'm' ? `${count.toFixed(1)} m` : count}`,
      spare === 0 ? '' : String(spare),
      kind === 'tool' ? 'tool' : `${packs.count} × ${packs.words}`,
      priceMinor === null ? '' : (priceMinor / 100).toFixed(2),
      `${STATE_WORDS[status?.state ?? 'missing']}${status?.due ? `, due ${status.due}` : ''}`,
    ]),
    notes: ['Prices where they are known; what has none is not nothing. Packs and spares are rules of thumb.'],
    ticked: true,
  };
}
