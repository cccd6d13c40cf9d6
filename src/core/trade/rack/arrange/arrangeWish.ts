import { commonPractice } from '../../../base/standards/source';
import type { Job } from '../../../job/document/job';
import { answerOf } from '../../survey/answers/answers';

export const SCHOOLS = ['sandwich', 'managers', 'entry'] as const;
export type School = (typeof SCHOOLS)[number];
export const isSchool = (text: string): text is School => (SCHOOLS as readonly string[]).includes(text);
export const PRIORITIES = ['short', 'cool', 'service', 'growth', 'few-moves'] as const;
export type Priority = (typeof PRIORITIES)[number];
export type Stress = 'no' | 'little' | 'some' | 'much';

/** What the person wants of an arrangement. */
export type ArrangeWish = {
  school: School;
  distribution: 'bottom' | 'top' | 'upright';
  stress: Record<Priority, Stress>;
};

export const schoolReasons: Record<School, { name: string; for: string; against: string }> = {
  sandwich: {
    name: 'Panel, switch, panel',
    for: 'Cords of a hand’s length go straight from port to port; no managers to buy.',
    against:
      'A switch can only be drawn out when its cords are off; a second switch between the same panels breaks the pattern.',
  },
  managers: {
    name: 'Panel above switch, manager between',
    for: 'Cords lie in the manager, ports stay readable, and a device comes out without touching the others.',
    against: 'A unit more for each pair, and longer cords.',
  },
  entry: {
    name: 'Panels together at the entry',
    for: 'Fixed cables end where they come in, with short tails, and are never touched again.',
    against: 'Cords run down the side over many units: longer, and more of them in one place.',
  },
};
export const schoolSource = commonPractice;

/** The wish as the job's answers say it. */
export function wishOf(job: Job): ArrangeWish {
  return {
    school: answerOf(job, 'arrange-school') as School,
    distribution: answerOf(job, 'arrange-distribution') as ArrangeWish['distribution'],
    stress: Object.fromEntries(
      PRIORITIES.map((one) => [one, answerOf(job, `arrange-${one}`)]),
    ) as ArrangeWish['stress'],
  };
}

const FACTOR: Record<Stress, number> = { no: 0, little: 0.3, some: 1, much: 3 };

/** Points of each concern. One point: one cord, one unit longer. Common practice, no source. */
export function weightsOf({ school, stress }: ArrangeWish) {
  const of = (priority: Priority) => FACTOR[stress[priority]];
  return {
    /** A cord, for each unit between the middles of its two devices. */
    cord: of('short') * (school === 'entry' ? 0.4 : 1),
    /** A kilogram, for each unit above the lowest. Always counts: a high load pulls at the wall and tips. */
    height: 0.25,
    /** Two hot devices that touch. */
    heat: 25 * of('cool'),
    /** A panel, for each unit from where the cables come in. */
    entry: school === 'entry' ? 12 : 1.5,
    /** Panels of the entry school, for each unit from one another. */
    panels: school === 'entry' ? 6 : 0,
    /** A gateway, for each unit from where the internet comes in. */
    internet: 3,
    distribution: 5,
    brush: 4,
    /** What is touched often, for each unit outside the comfortable band. */
    eye: 1.5 * of('service'),
    /** A unit of the largest free block. */
    free: 4 * of('growth'),
    /** A minute of moving what stands already. */
    minute: 0.6 * of('few-moves'),
    /** A place that will bite: no support is all right, a plug against the back is not. */
    fault: 300,
  };
}
export type ArrangeWeights = ReturnType<typeof weightsOf>;

/** Devices of this heat and more count as hot. Common practice, no source. */
export const HOT_W = 40;
/** Patch and switch between these heights above the floor, millimetres. Common practice, no source. */
export const comfortableBand = { leastMm: 1000, mostMm: 1700 } as const;

/** Minutes to move a device that stands: cords off, screws, cage nuts, cords on. Common practice, no source. */
export function moveMinutes(gear: { massKg: number | null; heightU: number; ears: string }, cords: number): number {
  const massKg = gear.massKg ?? 0;
  const heavy = massKg > 15 ? 15 : massKg > 7 ? 5 : 0;
  return 8 + 2 * gear.heightU + heavy + 0.5 * cords;
}
