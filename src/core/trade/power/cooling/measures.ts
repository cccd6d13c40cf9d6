import { fanShare } from '../../../base/standards/cooling';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { gearIn } from '../../../job/rack/gearIn';
import type { Rack } from '../../../job/records/rack';
import { openingNeededCm2 } from './airflow';
import { type CabinetHeat, cabinetHeat, heightOf, leavesW, type Shell, topRiseOf } from './cabinetHeat';

/** A change that cools a cabinet. Prices and effects by rule of thumb, no source. */
export type Measure = {
  id: string;
  words: string;
  /** Points: about what it costs, its trouble counted. */
  cost: number;
  /** What it adds to the noise at a metre, dB(A) of a source of its own; null: none. */
  noiseDbA: number | null;
  shell: (shell: Shell) => Shell;
  /** Watts that leave the cabinet. */
  outW: number;
};

/** A stock fan tray in the open, m³/h, and a quiet one. Common practice, no source. */
const FANS = [
  { id: 'fan-quiet', words: 'A quiet fan in the roof (80 m³/h in the open)', m3h: 80, cost: 45, noiseDbA: 25 },
  { id: 'fan-tray', words: 'A tray of two fans (200 m³/h in the open)', m3h: 200, cost: 70, noiseDbA: 36 },
] as const;
/** What cutting two openings adds, points. Common practice, no source. */
const OPENINGS_COST = 20;
/** Open area of a vented blank, cm²: two units of a 19-inch width, half open. Common practice, no source. */
const BLANK_CM2 = 95;

/** Measures that make sense for a cabinet, at most twelve. */
export function measuresFor(job: Job, rack: Rack): Measure[] {
  const { shell } = cabinetHeat(job, rack);
  const index = indexJob(job);
  const open = shell.lowCm2 > 0 && shell.highCm2 > 0;
  const half = (rack.outerWidthMm ?? 600) * (rack.units * 44.45) * 0.5 * 0.01;
  const measures: Measure[] = [
    ...FANS.map(
      ({ m3h, ...fan }): Measure => ({
        ...fan,
        words: open ? fan.words : `${fan.words}, with an opening low and one high`,
        cost: open ? fan.cost : fan.cost + OPENINGS_COST,
        // A fan in a shut box moves no air: it comes with openings for what it moves.
        shell: (was) => {
          const needed = openingNeededCm2(fanShare * m3h);
          return {
            ...was,
            lowCm2: Math.max(was.lowCm2, needed),
            highCm2: Math.max(was.highCm2, needed),
            fanM3h: was.fanM3h + fanShare * m3h,
            thermostatC: null,
          };
        },
        outW: 0,
      }),
    ),
    {
      id: 'vented-blanks',
      words: 'Two vented blanks, one low and one high',
      cost: 15,
      noiseDbA: null,
      shell: (was) => ({ ...was, lowCm2: was.lowCm2 + BLANK_CM2, highCm2: was.highCm2 + BLANK_CM2 }),
      outW: 0,
    },
    {
      id: 'vented-blanks-more',
      words: 'Two more vented blanks',
      cost: 16,
      noiseDbA: null,
      shell: (was) => ({ ...was, lowCm2: was.lowCm2 + BLANK_CM2, highCm2: was.highCm2 + BLANK_CM2 }),
      outW: 0,
    },
  ];
  if (!open && rack.door !== 'none')
    measures.push({
      id: 'door-off',
      words: 'Its door taken off, or changed for a vented one',
      cost: 30,
      noiseDbA: 0,
      shell: (was) => ({
        ...was,
        lowCm2: was.lowCm2 + half,
        highCm2: was.highCm2 + half,
        apartMm: Math.min(was.apartMm, (rack.units * 44.45) / 2),
      }),
      outW: 0,
    });
  if (rack.filtered)
    measures.push({
      id: 'filters',
      words: 'Its filters cleaned: a full one halves the air',
      cost: 5,
      noiseDbA: null,
      shell: (was) => ({ ...was, fanM3h: was.fanM3h * 1.3 }),
      outW: 0,
    });
  // What is warmest and need not be inside.
  const movable = gearIn(job, rack)
    .filter(({ kind }) => kind === 'ups' || kind === 'server' || kind === 'storage' || kind === 'recorder')
    .map((gear) => ({ gear, watts: leavesW(job, gear) ?? 0 }))
    .filter(({ watts }) => watts > 0)
    .sort((a, b) => b.watts - a.watts)
    .slice(0, 12 - measures.length);
  for (const { gear, watts } of movable)
    measures.push({
      id: `out ${gear.id}`,
      words: `${gear.name} outside the cabinet`,
      cost: 60 + (index.placementOfGear.has(gear.id) ? 20 : 0),
      noiseDbA: null,
      shell: (was) => was,
      outW: watts,
    });
  return measures;
}

export type Cooled = { measure: Measure; summerC: number; lessK: number };
/** What each measure brings on its own on the warmest days, K. */
export function effects(job: Job, heat: CabinetHeat, measures: readonly Measure[]): Cooled[] {
  return measures.map((measure) => {
    const summerC = summerWith(job, heat, [measure]);
    return { measure, summerC, lessK: heat.summerC - summerC };
  });
}

const summerWith = (job: Job, heat: CabinetHeat, chosen: readonly Measure[]): number => {
  const shell = chosen.reduce((was, { shell: change }) => change(was), heat.shell);
  const watts = Math.max(0, heat.watts.sum - chosen.reduce((sum, { outW }) => sum + outW, 0));
  return heat.summerRoomC + topRiseOf(shell, watts, heat.summerRoomC, heightOf(job));
};

export type MeasureSet = { chosen: readonly Measure[]; cost: number; summerC: number; enough: boolean };

/**
 * The cheapest set of measures that keeps every device within what it stands on the warmest days; among those of one cost the
 * coolest. All sets are tried in the order of their cost, so that the first that does is the cheapest. Where none does: the
 * coolest.
 */
export function cheapestMeasures(
  job: Job,
  heat: CabinetHeat,
  measures: readonly Measure[],
  limitC = heat.limitC,
): MeasureSet {
  const none: MeasureSet = { chosen: [], cost: 0, summerC: heat.summerC, enough: heat.summerC <= limitC };
  if (none.enough) return none;
  const sets = Array.from({ length: 2 ** measures.length - 1 }, (_, at) => at + 1)
    .map((set) => ({ set, cost: measures.reduce((sum, { cost }, at) => sum + ((set >> at) & 1 ? cost : 0), 0) }))
    .sort((a, b) => a.cost - b.cost || a.set - b.set);
  let best: MeasureSet | null = null;
  let coolest = none;
  for (const { set, cost } of sets) {
    if (best && cost > best.cost) break;
    const chosen = measures.filter((_, at) => (set >> at) & 1);
    const summerC = summerWith(job, heat, chosen);
    const made = { chosen, cost, summerC, enough: summerC <= limitC };
    if (made.enough && (!best || summerC < best.summerC)) best = made;
    if (summerC < coolest.summerC - 1e-6) coolest = made;
  }
  return best ?? coolest;
}
