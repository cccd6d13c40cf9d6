import { z } from 'zod';
import type { SearchLimits } from '../../core/base/solve/limits';
import { middleOf, type StackProblem } from '../../core/base/solve/stacking/problem';
import { stackUp } from '../../core/base/solve/stacking/stackUp';
import { refuse } from '../../core/base/text/refusal';
import type { Solved } from './cables';

const name = z.string().min(1).max(80);
const points = z.number().min(0).max(1e6);

/** An instance of the choice which device stands in which units of one rack. U 1 is the bottom. */
export const LayoutInstance = z.looseObject({
  rackUnits: z.number().int().min(1).max(60),
  cableEntry: z.enum(['top', 'bottom', 'either']).default('top'),
  hot_W: z.number().min(0).default(0),
  weights: z.looseObject({
    cordDistance: points.default(0),
    weightHeight: points.default(0),
    heatAdjacency: points.default(0),
    entryDistance: points.default(0),
    freeBlock: points.default(0),
  }),
  devices: z
    .array(
      z.looseObject({
        id: name,
        height_U: z.number().int().min(1).max(60),
        weight_kg: z.number().min(0).max(10_000).default(0),
        heat_W: z.number().min(0).max(100_000).default(0),
        fixedU: z.number().int().min(1).max(60).nullable().default(null),
        adjacentTo: name.nullable().default(null),
        nearEntry: z.boolean().default(false),
      }),
    )
    .max(60),
  links: z.array(z.looseObject({ a: name, b: name, cords: z.number().min(0).max(10_000) })).default([]),
});
export type LayoutInstance = z.infer<typeof LayoutInstance>;

/** The instance as the solver takes it. @throws Refusal when an id stands twice or leads nowhere */
export function layoutProblem({ rackUnits, cableEntry, hot_W, weights, devices, links }: LayoutInstance): StackProblem {
  const at = new Map(devices.map(({ id }, index) => [id, index]));
  if (at.size < devices.length) refuse('id-twice', 'devices: an id stands twice.');
  const find = (id: string, where: string) =>
    at.get(id) ?? refuse('loose-end', `${where}: expected the id of a device, found ${id}.`);
  const items = devices.map(({ height_U, weight_kg, heat_W, fixedU, nearEntry }) => ({
    height: height_U,
    hot: heat_W >= hot_W,
    costAt: Array.from({ length: rackUnits }, (_, index) => {
      const bottom = index + 1;
      const top = bottom + height_U - 1;
      if (top > rackUnits || (fixedU !== null && fixedU !== bottom)) return Number.POSITIVE_INFINITY;
      const [fromTop, fromBottom] = [rackUnits - top, bottom - 1];
      const toEntry = { top: fromTop, bottom: fromBottom, either: Math.min(fromTop, fromBottom) }[cableEntry];
      return (
        weights.weightHeight * weight_kg * middleOf(bottom, height_U) +
        (nearEntry ? weights.entryDistance * toEntry : 0)
      );
    }),
  }));
  return {
    units: rackUnits,
    items,
    links: links.map(({ a, b, cords }, index) => ({
      a: find(a, `links ${index + 1}.a`),
      b: find(b, `links ${index + 1}.b`),
      weight: weights.cordDistance * cords,
    })),
    touching: devices.flatMap(({ id, adjacentTo }, index) =>
      adjacentTo === null ? [] : [[index, find(adjacentTo, `devices ${id}.adjacentTo`)] as const],
    ),
    heatCost: weights.heatAdjacency,
    freeReward: weights.freeBlock,
  };
}

/** Lowest unit of each device. */
export function solveLayout(
  instance: LayoutInstance,
  limits: SearchLimits,
): Solved<{ bottomU: Record<string, number> }> {
  const started = limits.now();
  const { bottoms, cost, bound, proven } = stackUp(layoutProblem(instance), limits);
  const seconds = (limits.now() - started) / 1000;
  if (!bottoms)
    return { status: proven ? 'infeasible' : 'best-found', objective: null, bound: null, seconds, solution: null };
  const bottomU = Object.fromEntries(instance.devices.map(({ id }, at) => [id, bottoms[at] ?? 0]));
  return { status: proven ? 'optimal' : 'best-found', objective: cost, bound, seconds, solution: { bottomU } };
}
