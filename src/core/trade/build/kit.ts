import { jackHabits, packSizes } from '../../base/standards/buildKit';
import { portsPerTie } from '../../base/standards/landing';
import { formatLength } from '../../base/units/length';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { holeCard } from '../../job/rack/holes';
import type { KitItem } from '../../job/records/kitItem';
import { portAt, portsOf } from '../../job/records/ports';
import { jackFor, jackWords } from '../panels/jacks';
import { listCords } from '../patching/cordList';
import { mountOf } from '../rack/mounting/wallMount';
import { cableKey } from '../runs/cableCategory';
import { boxLengthMm, cutLengthMm } from '../runs/cablePlan';
import { figureOf } from '../survey/answers/answers';
import type { BuildStep } from './buildStep';

export type KitLine = {
  /** What it is; its status is kept under this name. */
  item: string;
  kind: 'part' | 'tool';
  /** So many are needed, and so many taken along to spare. */
  count: number;
  spare: number;
  unit: 'pieces' | 'm';
  /** As it is sold. */
  packs: { count: number; words: string };
  /** Of all its packs, in the job's money; null: not known. */
  priceMinor: number | null;
  /** Steps that wait for it. */
  steps: readonly string[];
  /** Something of it is not known, so that it is at least so many. */
  atLeast: boolean;
  status: KitItem | null;
  leadDays: number | null;
};

type Need = {
  item: string;
  kind?: 'part' | 'tool';
  count: number;
  unit?: 'pieces' | 'm';
  step: string | null;
  small?: boolean;
  priceMinor?: number | null;
  leadDays?: number | null;
  atLeast?: boolean;
  /** What it is sold in, and how many of them the cable order has. */
  box?: { mm: number; planned: number };
};

/** All parts and tools that the steps take, counted from what the stations say. */
export function kitOf(plan: Job, steps: readonly BuildStep[]): KitLine[] {
  const needs = [
    ...gearNeeds(plan, steps),
    ...cableNeeds(plan, steps),
    ...jackNeeds(plan, steps),
    ...cordNeeds(plan, steps),
    ...smallParts(plan, steps),
    ...tools(plan, steps),
    ...stopgapNeeds(steps),
  ];
  const status = new Map(Object.values(plan.kitItems).map((row) => [row.item, row]));
  const sparePercent = Object.values(plan.cutovers)[0]?.sparePercent ?? 10;
  const lines = new Map<
    string,
    { need: Need; count: number; steps: string[]; atLeast: boolean; price: number | null }
  >();
  for (const need of needs) {
    const line = lines.get(need.item) ?? { need, count: 0, steps: [], atLeast: false, price: 0 };
    lines.set(need.item, line);
    line.count = need.kind === 'tool' ? Math.max(line.count, need.count) : line.count + need.count;
    if (need.step !== null && !line.steps.includes(need.step)) line.steps.push(need.step);
    line.atLeast ||= need.atLeast ?? false;
    line.price =
      line.price === null || need.priceMinor === undefined || need.priceMinor === null
        ? null
        : line.price + need.priceMinor;
  }
  return [...lines.values()].map(({ need, count, steps: waiting, atLeast, price }): KitLine => {
    const spare = need.small ? Math.ceil((count * sparePercent) / 100 - 1e-9) : 0;
    const packs = need.box ? boxesOf(need.box, count) : packsOf(need.item, count + spare, need.unit ?? 'pieces');
    const row = status.get(need.item) ?? null;
    const own = row?.priceMinor ?? null;
    return {
      item: need.item,
      kind: need.kind ?? 'part',
      count,
      spare,
      unit: need.unit ?? 'pieces',
      packs,
      priceMinor: own !== null ? own * packs.count : price,
      steps: waiting,
      atLeast,
      status: row,
      leadDays: need.leadDays ?? null,
    };
  });
}

/** What helps of the hour take along. */
const stopgapNeeds = (steps: readonly BuildStep[]): Need[] =>
  steps
    .filter(({ pace, turn }) => pace === 'stopgap' && turn === 'in')
    .flatMap(({ id, parts }) => parts.map((item) => ({ item, count: 1, step: id })));

/** Boxes of cable: as the cable order has them, else as few as hold so many metres. */
const boxesOf = ({ mm, planned }: NonNullable<Need['box']>, metres: number): KitLine['packs'] => ({
  count: planned > 0 ? planned : Math.ceil((metres * 1000) / mm - 1e-9),
  words: `box of ${mm / 1000} m`,
});

/** As few packs as hold them, of the smallest size that one of would do, else of the largest. */
function packsOf(item: string, count: number, unit: KitLine['unit']): KitLine['packs'] {
  const sizes =
    unit === 'm'
      ? packSizes.cableM
      : (Object.entries(packSizes.pieces).find(([start]) => item.startsWith(start))?.[1] ?? [1]);
  const size = sizes.find((one) => one >= count) ?? sizes.at(-1) ?? 1;
  const packs = Math.ceil(count / size - 1e-9);
  const words = unit === 'm' ? `drum of ${size} m` : size === 1 ? 'piece' : `pack of ${size}`;
  return { count: packs, words };
}

const gearNeeds = (plan: Job, steps: readonly BuildStep[]): Need[] =>
  steps.flatMap((step): Need[] => {
    if (step.kind === 'rack-in') return [{ item: step.place, count: 1, step: step.id }];
    const gear = plan.gear[step.gearId ?? ''];
    if (step.kind !== 'gear' || step.turn !== 'in' || !gear) return [];
    return [{ item: gear.name, count: 1, step: step.id, priceMinor: gear.priceMinor, leadDays: gear.leadDays }];
  });

/** Cable in metres, of each kind once however its name is written, and sold in the boxes of the cable order. */
const cableNeeds = (plan: Job, steps: readonly BuildStep[]): Need[] => {
  const names = new Map<string, string>();
  return steps.flatMap((step): Need[] => {
    const run = plan.runs[step.runId ?? ''];
    if (step.kind !== 'pull' || !run) return [];
    const mm = cutLengthMm(plan, run);
    const name = names.get(cableKey(run.cable)) ?? run.cable;
    names.set(cableKey(run.cable), name);
    const item = `Cable ${name || 'of unknown kind'}`;
    const bought = Object.values(plan.boxes).filter(
      (box) => box.bought && cableKey(box.cable) === cableKey(run.cable),
    ).length;
    return [
      {
        item,
        count: (mm ?? 0) / 1000,
        unit: 'm',
        step: step.id,
        atLeast: mm === null,
        box: { mm: boxLengthMm(plan, run.cable), planned: bought },
      },
    ];
  });
};

/** Jacks of panels with openings, and of the outlets. */
function jackNeeds(plan: Job, steps: readonly BuildStep[]): Need[] {
  const { landingOfRun } = indexJob(plan);
  return steps.flatMap((step): Need[] => {
    const run = plan.runs[step.runId ?? ''];
    if (!run) return [];
    if (step.kind === 'outlet')
      return [
        { item: `Outlet jack for ${run.cable || 'cable of unknown kind'}`, count: 1, step: step.id, small: true },
      ];
    const landing = landingOfRun.get(run.id);
    const panel = plan.gear[landing?.panelId ?? ''];
    const port = panel && landing ? portAt(panel, landing.port) : null;
    if (step.kind !== 'land' || step.turn === 'out' || !port || step.parts.length === 0) return [];
    return [{ item: `Jack ${jackWords(jackFor(plan, run, port))}`, count: 1, step: step.id, small: true }];
  });
}

function cordNeeds(plan: Job, steps: readonly BuildStep[]): Need[] {
  const listed = new Map(listCords(plan).map((one) => [one.cord.id, one]));
  return steps.flatMap((step): Need[] => {
    if (step.turn !== 'in') return [];
    if (step.kind === 'link' || step.kind === 'plug')
      return step.parts.map((item) => ({
        item: item.charAt(0).toUpperCase() + item.slice(1),
        count: 1,
        step: step.id,
      }));
    const cord = listed.get(step.cordId ?? '');
    if (step.kind !== 'cord' || !cord) return [];
    const length = cord.lengthMm === null ? 'length not known' : formatLength(cord.lengthMm, plan.units);
    const priceMinor =
      cord.lengthMm === null
        ? null
        : Math.round(
            (figureOf(plan, 'price-cord') + (cord.lengthMm / 1000) * figureOf(plan, 'price-cord-metre')) * 100,
          );
    return [
      {
        item: `Cord ${length}, ${cord.code.colour}`,
        count: 1,
        step: step.id,
        small: true,
        priceMinor: priceMinor === 0 ? null : priceMinor,
        atLeast: cord.lengthMm === null,
      },
    ];
  });
}

function smallParts(plan: Job, steps: readonly BuildStep[]): Need[] {
  const coming = new Set(steps.flatMap((step) => (step.kind === 'gear' && step.turn === 'in' ? [step.gearId] : [])));
  const needs: Need[] = [];
  for (const rack of Object.values(plan.racks)) {
    const { rows } = holeCard(plan, rack);
    for (const { gearId, screws } of rows) {
      if (!coming.has(gearId) || screws === 0) continue;
      const step = `gear-${gearId}`;
      const nuts = rack.fixing === 'cage-nut';
      needs.push({ item: `Screws ${rack.thread}`, count: screws, step, small: true });
      if (nuts) needs.push({ item: `Cage nuts ${rack.thread}`, count: screws, step, small: true });
    }
  }
  for (const step of steps) {
    if (step.kind === 'rack-in') {
      const rack = plan.racks[step.id.slice('rack-in-'.length)];
      if (rack?.standing === 'wall') {
        const mount = mountOf(plan, rack);
        needs.push({ item: `Wall fixings for ${rack.name}`, count: mount.topCount + mount.bottomCount, step: step.id });
      }
    }
    const gear = plan.gear[step.gearId ?? ''];
    if (step.kind === 'gear' && step.turn === 'in' && gear?.kind === 'panel') {
      const landed = new Set(
        Object.values(plan.landings).flatMap(({ panelId, port }) => (panelId === gear.id ? [port] : [])),
      );
      const blanks = portsOf(gear).filter((port) => port.connector === 'keystone' && !landed.has(port.number)).length;
      if (blanks > 0) needs.push({ item: 'Keystone blanks', count: blanks, step: step.id });
    }
  }
  const ended = steps.filter((step) => step.kind === 'land' && step.turn !== 'out');
  if (ended.length > 0)
    needs.push({
      item: 'Ties, hook-and-loop',
      count: Math.ceil(ended.length / portsPerTie),
      step: ended[0]?.id ?? null,
      small: true,
    });
  const labelled = steps.filter((step) => step.kind === 'pull' || (step.kind === 'cord' && step.turn !== 'out'));
  if (labelled.length > 0)
    needs.push({
      item: 'Labels, both ends',
      count: labelled.length * jackHabits.labelsEach,
      step: labelled[0]?.id ?? null,
      small: true,
    });
  return needs;
}

function tools(plan: Job, steps: readonly BuildStep[]): Need[] {
  const needs: Need[] = steps.flatMap((step) =>
    step.tools.map(
      (tool): Need => ({ item: tool.charAt(0).toUpperCase() + tool.slice(1), kind: 'tool', count: 1, step: step.id }),
    ),
  );
  const pulls = steps.flatMap((step) => {
    const run = plan.runs[step.runId ?? ''];
    return step.kind === 'pull' && run ? [cutLengthMm(plan, run)] : [];
  });
  const longest = Math.max(0, ...pulls.map((mm) => mm ?? 0));
  const always = ['Head lamp', 'Knee pads', 'Vacuum cleaner', 'Side cutter', 'Phone or camera for photographs'];
  const worked = steps.some(({ kind }) => kind !== 'records');
  return [
    ...needs.map((need) =>
      need.item === 'Fish tape' && longest > 0
        ? { ...need, item: `Fish tape, ${formatLength(longest, plan.units)} at least` }
        : need,
    ),
    ...(worked ? always.map((item): Need => ({ item, kind: 'tool', count: 1, step: null })) : []),
    ...(steps.some(({ who }) => who === 'two')
      ? [{ item: 'Second person to lift', kind: 'tool' as const, count: 1, step: null }]
      : []),
  ];
}

/** Whether a part is there: at hand or in the van, or enough of it. */
export const isThere = ({ status, count, spare }: KitLine): boolean =>
  status !== null && (status.state === 'at-hand' || status.state === 'in-van' || (status.have ?? -1) >= count + spare);

/** A part that is not there on a day; null in words: when it comes is not known. */
export function lateOn(line: KitLine, day: string): { due: string | null } | null {
  if (line.kind === 'tool' || isThere(line)) return null;
  if (line.status?.state !== 'ordered') return { due: null };
  return line.status.due !== null && line.status.due < day ? null : { due: line.status.due };
}
