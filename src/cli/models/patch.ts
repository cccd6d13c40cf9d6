import { z } from 'zod';
import { assignWithin } from '../../core/base/solve/budgeted/assignWithin';
import type { BudgetedProblem } from '../../core/base/solve/budgeted/problem';
import type { SearchLimits } from '../../core/base/solve/limits';
import { refuse } from '../../core/base/text/refusal';
import type { Solved } from './cables';

const name = z.string().min(1).max(80);
const size = z.number().min(0).max(1_000_000);
const points = z.number().min(0).max(1_000_000);
const place = z.number().min(-100).max(1000);

/** An instance of the choice which panel port is patched to which switch port. */
export const PatchInstance = z.looseObject({
  rackWidth_mm: size,
  unit_mm: size.gt(0).default(44.45),
  cordLengths_m: z.array(size.gt(0)).min(1).max(100),
  route: z.looseObject({ adjacentWithinU: size, adjacentAllowance_mm: size, sideAllowance_mm: size }),
  penalties: z.looseObject({
    perCordCm: points,
    poePortForNonPoe: points,
    perSpeedStepOver: points,
    numberMismatch: points,
    unpatchedPerPriority: points,
  }),
  panelPorts: z
    .array(
      z.looseObject({
        id: name,
        panel: name,
        port: z.number().int(),
        u: place,
        x_mm: size,
        poe_W: size.default(0),
        linkMbps: size.default(0),
        network: z.string().max(80).nullable().default(null),
        priority: z.number().min(0).max(100).default(1),
        pinnedSwitchPort: z.string().max(80).nullable().default(null),
      }),
    )
    .max(2000),
  switches: z
    .array(
      z.looseObject({
        id: name,
        u: place,
        poeBudget_W: size.default(0),
        allowedNetworks: z.array(z.string().max(80)).nullable().default(null),
      }),
    )
    .max(200),
  switchPorts: z
    .array(
      z.looseObject({
        id: name,
        switch: name,
        port: z.number().int(),
        x_mm: size,
        maxMbps: size,
        poeMax_W: size.default(0),
      }),
    )
    .max(3000),
});
export type PatchInstance = z.infer<typeof PatchInstance>;
type PanelPort = PatchInstance['panelPorts'][number];
type SwitchPort = PatchInstance['switchPorts'][number];
type Switch = PatchInstance['switches'][number];

/** Speeds that count as a step over what is wanted, Mb/s. */
const STEPS_MBPS = [1000, 2500, 10_000];
const stepOf = (mbps: number) => STEPS_MBPS.filter((step) => mbps >= step).length;

/** Millimetres from a panel port to a switch port: straight between neighbours, else round the nearer side. */
export function routeMm({ route, unit_mm, rackWidth_mm }: PatchInstance, from: PanelPort, to: SwitchPort, at: Switch) {
  const units = Math.abs(from.u - at.u);
  if (units <= route.adjacentWithinU)
    return Math.abs(from.x_mm - to.x_mm) + unit_mm * units + route.adjacentAllowance_mm;
  const left = from.x_mm + to.x_mm;
  return Math.min(left, 2 * rackWidth_mm - left) + unit_mm * units + route.sideAllowance_mm;
}

/** Points of one pair; Infinity where it cannot be. */
export function pairPoints(instance: PatchInstance, from: PanelPort, to: SwitchPort, at: Switch): number {
  const { penalties, cordLengths_m } = instance;
  if (to.poeMax_W < from.poe_W || to.maxMbps < from.linkMbps) return Number.POSITIVE_INFINITY;
  if (at.allowedNetworks !== null && from.network !== null && !at.allowedNetworks.includes(from.network))
    return Number.POSITIVE_INFINITY;
  const way = routeMm(instance, from, to, at);
  let cordM = Number.POSITIVE_INFINITY;
  for (const length of cordLengths_m) if (length * 1000 >= way - 1e-9 && length < cordM) cordM = length;
  const steps = Math.max(0, stepOf(to.maxMbps) - stepOf(from.linkMbps));
  return (
    cordM * 100 * penalties.perCordCm +
    (to.poeMax_W > 0 && from.poe_W === 0 ? penalties.poePortForNonPoe : 0) +
    penalties.perSpeedStepOver * steps +
    (from.port === to.port ? 0 : penalties.numberMismatch)
  );
}

function once(what: string, ids: string[]) {
  if (new Set(ids).size < ids.length) refuse('id-twice', `${what}: an id stands twice.`);
}

/**
 * The instance as a budgeted assignment. A pinned port has one column only, which nobody else may use.
 * @throws Refusal when an id stands twice or leads nowhere
 */
export function patchProblem(instance: PatchInstance): BudgetedProblem {
  const { panelPorts, switches, switchPorts, penalties } = instance;
  for (const [what, rows] of Object.entries({ panelPorts, switches, switchPorts })) {
    once(
      what,
      rows.map((row) => row.id),
    );
  }
  const switchAt = new Map(switches.map(({ id }, at) => [id, at]));
  const portAt = new Map(switchPorts.map(({ id }, at) => [id, at]));
  const groupOf = Int32Array.from(
    switchPorts,
    (port, at) =>
      switchAt.get(port.switch) ??
      refuse('no-such-id', `switchPorts ${at + 1}.switch: expected the id of a switch, found ${port.switch}.`),
  );
  const pins = panelPorts.map(({ pinnedSwitchPort: pin }, at) =>
    pin === null
      ? -1
      : (portAt.get(pin) ??
        refuse('no-such-id', `panelPorts ${at + 1}.pinnedSwitchPort: expected the id of a switch port, found ${pin}.`)),
  );
  const pinned = new Set(pins);
  const columns = switchPorts.length;
  const cost = new Float64Array(panelPorts.length * columns);
  panelPorts.forEach((from, row) => {
    const pin = pins[row] as number;
    switchPorts.forEach((to, column) => {
      const open = pin < 0 ? !pinned.has(column) : pin === column;
      const at = switches[groupOf[column] as number] as Switch;
      cost[row * columns + column] = open ? pairPoints(instance, from, to, at) : Number.POSITIVE_INFINITY;
    });
  });
  return {
    rows: panelPorts.length,
    columns,
    cost,
    leftOut: Float64Array.from(panelPorts, ({ priority }) => penalties.unpatchedPerPriority * priority),
    must: Uint8Array.from(pins, (pin) => (pin < 0 ? 0 : 1)),
    weight: Float64Array.from(panelPorts, ({ poe_W }) => poe_W),
    groupOf,
    budget: Float64Array.from(switches, ({ poeBudget_W }) => poeBudget_W),
  };
}

/** Which panel port goes to which switch port, at the fewest points. */
export function solvePatch(
  instance: PatchInstance,
  limits: SearchLimits,
): Solved<{ assignment: Record<string, string | null> }> {
  const started = limits.now();
  const { columnOf, cost, bound, proven } = assignWithin(patchProblem(instance), limits);
  const seconds = (limits.now() - started) / 1000;
  if (!columnOf) {
    const none = { objective: null, bound: proven ? null : bound, seconds, solution: null };
    return { status: proven ? 'infeasible' : 'best-found', ...none };
  }
  const assignment = Object.fromEntries(
    instance.panelPorts.map(({ id }, row) => [id, instance.switchPorts[columnOf[row] as number]?.id ?? null]),
  );
  return { status: proven ? 'optimal' : 'best-found', objective: cost, bound, seconds, solution: { assignment } };
}
