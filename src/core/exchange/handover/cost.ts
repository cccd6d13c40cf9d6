import Papa from 'papaparse';
import { keptWhile } from '../../base/memo/kept';
import { csvCell } from '../../base/text/csvCell';
import { groupBy } from '../../base/text/groupBy';
import { formatMinutes } from '../../base/units/minutes';
import type { Job } from '../../job/document/job';
import { cutoverOf } from '../../trade/build/buildPlan';
import type { BuildStep } from '../../trade/build/buildStep';
import { deriveSteps } from '../../trade/build/deriveSteps';
import { estimateOf, paceTimer } from '../../trade/build/estimate';
import { kitOf } from '../../trade/build/kit';
import { firstMinutes } from '../../trade/build/orderSteps';
import { pacesOf } from '../../trade/build/pace';
import { answerOf } from '../../trade/survey/answers/answers';
import { moneyOf } from '../../trade/survey/answers/money';
import type { SheetSection } from '../formats/sheetSection';

export type CostLine = {
  kind: 'part' | 'hours';
  what: string;
  /** Pieces, metres or minutes. */
  count: number;
  unit: string;
  /** In minor units of the job's money; null: not known. */
  plannedMinor: number | null;
  realMinor: number | null;
};
export type Cost = {
  lines: CostLine[];
  /** Sums of what is known. */
  plannedMinor: number;
  realMinor: number;
  /** Lines without a price: the sum is at least so much. */
  unknown: number;
  /** Minutes planned, and taken down at the steps so far. */
  plannedMin: number;
  realMin: number;
};

const STEP_WORDS: Record<string, string> = {
  records: 'Labels and records',
  circuit: 'Circuits (electrician)',
  'rack-in': 'Cabinets hung or stood',
  'rack-out': 'Cabinets taken down',
  pull: 'Cable pulled',
  gear: 'Gear put in',
  land: 'Runs landed',
  link: 'Uplinks',
  plug: 'Supplies plugged',
  cord: 'Cords',
  outlet: 'Outlets',
  test: 'Tests',
};

/**
 * What the job costs as planned, and what it has cost so far: parts by the kit, hours by the steps and their ticks.
 * @param today what stood when the build began; null: nothing
 */
export const costOf = (job: Job, today: Job | null = null): Cost => costFrom(job, today);

const costFrom = keptWhile((job: Job, today: Job | null) => [job, today], makeCost);

function makeCost(job: Job, today: Job | null): Cost {
  const steps = deriveSteps(today, job);
  const cutover = cutoverOf(job);
  const firstMin = (step: BuildStep) => firstMinutes(step, 'move', cutover.hands);
  const minutesOf = paceTimer(cutover, pacesOf(steps, Object.values(job.ticks), firstMin, cutover.learning));
  const hour = Number(answerOf(job, 'cost-hour')) * 100;
  const parts = kitOf(job, steps)
    .filter(({ kind }) => kind === 'part')
    .map(
      ({ item, count, spare, unit, priceMinor, status }): CostLine => ({
        kind: 'part',
        what: item,
        count: count + spare,
        unit: unit === 'm' ? 'm' : '',
        plannedMinor: priceMinor,
        realMinor: status?.paidMinor ?? null,
      }),
    );
  const took = new Map(
    Object.values(job.ticks).flatMap(({ step, state, minutes }) =>
      state === 'done' && minutes !== null ? [[step, minutes] as const] : [],
    ),
  );
  const hours = [...groupBy(steps, ({ kind }) => kind)].map(([kind, some]): CostLine => {
    // The estimate of the Build station, for as many people as work.
    const each = some.map((step) =>
      minutesOf(step, step.turn === 'in' ? 'bring' : step.turn === 'out' ? 'remove' : 'move'),
    );
    const minutes = estimateOf(each).mean * cutover.hands;
    const real = some.flatMap(({ id }) => took.get(id) ?? []);
    return {
      kind: 'hours',
      what: STEP_WORDS[kind] ?? kind,
      count: minutes,
      unit: 'min',
      plannedMinor: Math.round((minutes / 60) * hour),
      realMinor: real.length === 0 ? null : Math.round((real.reduce((sum, one) => sum + one, 0) / 60) * hour),
    };
  });
  const lines = [...parts, ...hours];
  const sum = (of: 'plannedMinor' | 'realMinor') => lines.reduce((all, line) => all + (line[of] ?? 0), 0);
  return {
    lines,
    plannedMinor: sum('plannedMinor'),
    realMinor: sum('realMinor'),
    unknown: lines.filter(({ plannedMinor }) => plannedMinor === null).length,
    plannedMin: hours.reduce((all, { count }) => all + count, 0),
    realMin: [...took.values()].reduce((all, one) => all + one, 0),
  };
}

/** An amount in minor units in the job's money; what is not known says so. */
export const minorWords = (job: Job, minor: number | null): string =>
  minor === null ? 'not known' : moneyOf(job, minor / 100);

export function costSections(job: Job): SheetSection[] {
  const { lines, plannedMinor, realMinor, unknown, plannedMin, realMin } = costOf(job);
  const count = ({ kind, count: much, unit }: CostLine) =>
    kind === 'hours' ? formatMinutes(much) : `${Number(much.toFixed(1))}${unit ? ` ${unit}` : ''}`;
  return [
    {
      title: 'Parts and hours',
      columns: [
        { head: 'What', share: 5 },
        { head: 'How much', share: 1.6 },
        { head: 'Planned', share: 1.8 },
        { head: 'Real', share: 1.8 },
      ],
      rows: lines.map((line) => [
        line.what,
        count(line),
        minorWords(job, line.plannedMinor),
        line.realMinor === null ? '' : minorWords(job, line.realMinor),
      ]),
      notes: [
        `Planned: ${unknown > 0 ? 'at least ' : ''}${minorWords(job, plannedMinor)}, of it ${formatMinutes(plannedMin)} of work${unknown > 0 ? `; ${unknown} prices are not known` : ''}.`,
        `So far: ${minorWords(job, realMinor)} taken down, ${formatMinutes(realMin)} of work.`,
        'Without tax. An hour of work as answered under What things cost; minutes by rule of thumb.',
      ],
    },
  ];
}

const COLUMNS = ['kind', 'what', 'count', 'unit', 'planned', 'real'] as const;
const amount = (minor: number | null): string => (minor === null ? '' : (minor / 100).toFixed(2));

/** Quotation and account, a line a part or kind of work; a price that is not known is empty. */
export const costCsv = (job: Job): string =>
  `${Papa.unparse(
    {
      fields: [...COLUMNS],
      data: costOf(job).lines.map(({ kind, what, count, unit, plannedMinor, realMinor }) =>
        [kind, what, String(Number(count.toFixed(2))), unit, amount(plannedMinor), amount(realMinor)].map(csvCell),
      ),
    },
    { newline: '\n' },
  )}\n`;
