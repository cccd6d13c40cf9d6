import { z } from 'zod';
import type { SearchLimits } from '../../core/base/solve/limits';
import {
  ACTIONS,
  type Action,
  addThing,
  COMES,
  LEAVES,
  MOST_THINGS,
  noThings,
  type SequencingProblem,
  STAYS,
  type Step,
  type Things,
  type Way,
} from '../../core/base/solve/sequencing/problem';
import { sequence } from '../../core/base/solve/sequencing/sequence';
import { refuse } from '../../core/base/text/refusal';
import type { Solved } from './cables';

const name = z.string().min(1).max(80);
const minutes = z.number().min(0).max(100_000);
const unit = z.number().int().min(0).max(200).nullable().default(null);

/** An instance of the order of a cut-over: what stands where today and then, and which services need what. */
export const CutoverInstance = z.looseObject({
  units: z.number().int().min(0).max(200),
  parkLimit: z.number().int().min(0).max(100).default(0),
  parkPenalty: z.number().min(0).max(1_000_000).default(0),
  things: z
    .array(
      z.looseObject({
        id: name,
        height: z.number().int().min(0).max(200),
        from: unit.describe('lowest unit today; null: it arrives'),
        to: unit.describe('lowest unit then; null: it leaves'),
        takeMin: minutes.default(0),
        putMin: minutes.default(0),
        canPark: z.boolean().default(false),
      }),
    )
    .max(MOST_THINGS),
  rules: z.array(z.looseObject({ thing: name, on: z.enum(['take', 'put']), needs: name })).default([]),
  services: z
    .array(
      z.looseObject({
        id: name,
        weight: z.number().min(0).max(1_000_000),
        ways: z.array(z.array(z.looseObject({ thing: name, at: z.enum(['old', 'new', 'any']) }))),
      }),
    )
    .default([]),
});
export type CutoverInstance = z.infer<typeof CutoverInstance>;

/** The instance as the solver takes it. @throws Refusal when an id stands twice, is of nothing, or a thing is nowhere */
export function cutoverProblem(instance: CutoverInstance): SequencingProblem {
  const at = new Map(instance.things.map(({ id }, index) => [id, index]));
  if (at.size < instance.things.length) refuse('id-twice', 'things: an id stands twice.');
  const indexOf = (id: string, where: string): number =>
    at.get(id) ?? refuse('no-thing', `${where}: there is no thing “${id}”.`);
  const setOf = (wanted: (index: number) => boolean): Things => {
    const set = noThings();
    for (let index = 0; index < instance.things.length; index++) if (wanted(index)) addThing(set, index);
    return set;
  };
  const overlaps = (a: number | null, heightA: number, b: number | null, heightB: number) =>
    a !== null && b !== null && heightA > 0 && heightB > 0 && a < b + heightB && b < a + heightA;
  const needs = new Map<string, number[]>();
  for (const { thing, on, needs: wanted } of instance.rules) {
    const key = `${on} ${indexOf(thing, 'rules')}`;
    needs.set(key, [...(needs.get(key) ?? []), indexOf(wanted, 'rules')]);
  }
  const things = instance.things.map(({ id, height, from, to, takeMin, putMin, canPark }, index) => {
    if (from === null && to === null) refuse('nowhere', `things: “${id}” stands nowhere, neither today nor then.`);
    for (const [what, bottom] of [
      ['from', from],
      ['to', to],
    ] as const)
      if (height > 0 && bottom !== null && (bottom < 1 || bottom + height - 1 > instance.units))
        refuse('outside', `things: “${id}”, ${what}: expected units 1 to ${instance.units}, found ${bottom}.`);
    const takeNeeds = new Set(needs.get(`take ${index}`));
    const putNeeds = new Set(needs.get(`put ${index}`));
    return {
      kind: from === null ? (COMES as typeof COMES) : to === null ? (LEAVES as typeof LEAVES) : (STAYS as typeof STAYS),
      takeMin,
      putMin,
      canPark,
      takesRoom: true,
      place: 0,
      oldInWay: setOf((other) => {
        const one = instance.things[other];
        return other !== index && one !== undefined && overlaps(to, height, one.from, one.height);
      }),
      newInWay: setOf((other) => {
        const one = instance.things[other];
        return other !== index && one !== undefined && overlaps(to, height, one.to, one.height);
      }),
      takeClear: noThings(),
      takeNeeds: setOf((other) => takeNeeds.has(other)),
      putNeeds: setOf((other) => putNeeds.has(other)),
    };
  });
  const services = instance.services.map(({ weight, ways }) => ({
    weight,
    ways: ways.flatMap((way): Way[] => {
      const made: Way = { old: noThings(), new: noThings(), either: noThings() };
      for (const { thing, at: where } of way) {
        const index = indexOf(thing, 'services');
        const kind = things[index]?.kind;
        // What comes never stands in an old place, what leaves never in a new one: such a way is never there.
        if ((where === 'old' && kind === COMES) || (where === 'new' && kind === LEAVES)) return [];
        addThing(where === 'any' ? made.either : made[where], index);
      }
      return [made];
    }),
  }));
  return { things, services, parkLimit: instance.parkLimit, parkPenalty: instance.parkPenalty, walkPoints: 0 };
}

export type CutoverSolution = { steps: { do: Action; thing: string }[] };

/** The order of steps with the least weighted minutes dark and the fewest parkings. */
export function solveCutover(instance: CutoverInstance, limits: SearchLimits): Solved<CutoverSolution> {
  const started = limits.now();
  const { steps, cost, bound, proven } = sequence(cutoverProblem(instance), limits);
  const seconds = (limits.now() - started) / 1000;
  if (!steps)
    return { status: proven ? 'infeasible' : 'best-found', objective: null, bound: null, seconds, solution: null };
  return {
    status: proven ? 'optimal' : 'best-found',
    objective: cost,
    bound,
    seconds,
    solution: {
      steps: steps.map(({ thing, action }) => ({ do: action, thing: instance.things[thing]?.id ?? '' })),
    },
  };
}

/** The steps of a solution as the solver codes them. @throws Refusal when one is of nothing */
export function stepsOf(instance: CutoverInstance, solution: CutoverSolution): Step[] {
  return solution.steps.map(({ do: action, thing }) => {
    const at = instance.things.findIndex(({ id }) => id === thing);
    if (at < 0 || !ACTIONS.includes(action)) refuse('no-thing', `steps: there is no thing “${thing}”.`);
    return { thing: at, action };
  });
}
