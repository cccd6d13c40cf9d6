import { PatchInstance, patchProblem } from '../../src/cli/models/patch';
import { seededRandom } from '../../src/core/base/solve/random';

type Mode = 'loose' | 'tight' | 'short';
const SHARE: Record<Mode, number> = { loose: 3, tight: 0.92, short: 0.6 };
/** Shares in which the classes of power are wanted: none, class 1, 2, 3, 4, 6. */
const CLASSES: [watts: number, share: number][] = [
  [0, 0.35],
  [4, 0.08],
  [7, 0.15],
  [15.4, 0.22],
  [30, 0.15],
  [60, 0.05],
];

const PENALTIES = {
  perCordCm: 1,
  poePortForNonPoe: 60,
  perSpeedStepOver: 40,
  numberMismatch: 15,
  unpatchedPerPriority: 1000,
};

type Options = Partial<typeof PENALTIES> & {
  perSwitch?: number;
  /** Each run draws what was measured, some part of its class, instead of all of it. */
  measured?: boolean;
};

/** A seeded cabinet: panels of 24 between switches of 24 or 48, a few fast ports, networks, pins and budgets. */
export function patchInstance(
  runs: number,
  ports: number,
  mode: Mode,
  seed: number,
  { perSwitch = ports > 100 ? 48 : 24, measured = false, ...penalties }: Options = {},
): PatchInstance {
  const random = seededRandom(seed * 9973 + runs * 31 + ports + mode.length);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
  const switchCount = Math.ceil(ports / perSwitch);
  const panelCount = Math.ceil(runs / 24);
  const order = Array.from({ length: switchCount + panelCount }, (_, at) =>
    at % 2 === 0 && at / 2 < panelCount ? 'panel' : 'switch',
  );
  let [panels, placedSwitches] = [0, 0];
  const panelU: number[] = [];
  const switchU: number[] = [];
  order.forEach((kind, at) => {
    const asPanel = kind === 'panel' ? panels < panelCount : placedSwitches >= switchCount;
    if (asPanel) {
      panels += 1;
      panelU.push(40 - at);
    } else {
      placedSwitches += 1;
      switchU.push(40 - at);
    }
  });
  const shareOf = () => (measured ? 0.3 + 0.7 * random() : 1);
  const classOf = () => {
    let at = random();
    for (const [watts, share] of CLASSES) {
      at -= share;
      if (at < 0) return watts;
    }
    return 0;
  };
  const panelPorts = Array.from({ length: runs }, (_, at) => {
    const port = (at % 24) + 1;
    return {
      id: `P${at + 1}`,
      panel: `panel ${Math.floor(at / 24) + 1}`,
      port,
      u: panelU[Math.floor(at / 24)] as number,
      x_mm: 20 + (port - 0.5) * 18.5,
      poe_W: Math.round(classOf() * shareOf() * 10) / 10,
      linkMbps: pick([1000, 1000, 1000, 1000, 100, 2500]),
      network: pick(['office', 'office', 'guests', 'cameras']),
      priority: pick([1, 1, 2, 2, 3]),
      pinnedSwitchPort: null as string | null,
    };
  });
  const wanted = panelPorts.reduce((sum, port) => sum + port.poe_W, 0);
  const switches = Array.from({ length: switchCount }, (_, at) => ({
    id: `S${at + 1}`,
    u: switchU[at] as number,
    ports: perSwitch,
    poeBudget_W: Math.round(((wanted * SHARE[mode]) / switchCount) * (0.8 + random() * 0.4)),
    allowedNetworks: at > 0 && random() < 0.3 ? ['office', 'guests'] : null,
  }));
  const switchPorts = Array.from({ length: ports }, (_, at) => {
    const port = (at % perSwitch) + 1;
    const fast = port > perSwitch - 4;
    return {
      id: `T${at + 1}`,
      switch: `S${Math.floor(at / perSwitch) + 1}`,
      port,
      x_mm: 30 + (perSwitch === 48 ? Math.ceil(port / 2) * 16 : port * 16),
      maxMbps: fast ? 2500 : 1000,
      poeMax_W: fast ? 60 : port > perSwitch * 0.75 ? 0 : 30,
    };
  });
  // Two pins that can be kept.
  for (const [run, port] of [
    [1, 3],
    [7, 10],
  ] as const) {
    const [from, to] = [panelPorts[run], switchPorts[port]];
    if (from && to && from.poe_W <= Math.min(15.4, to.poeMax_W) && from.linkMbps <= to.maxMbps)
      from.pinnedSwitchPort = to.id;
  }
  return PatchInstance.parse({
    rackWidth_mm: 482.6,
    unit_mm: 44.45,
    cordLengths_m: [0.25, 0.5, 1, 1.5, 2, 3],
    budgetMode: mode,
    route: { adjacentWithinU: 2, adjacentAllowance_mm: 120, sideAllowance_mm: 300 },
    penalties: { ...PENALTIES, ...penalties },
    panelPorts,
    switches,
    switchPorts,
  });
}

/** The same choice as a mixed-integer model in LP format. The constant for runs left out is a variable fixed at 1. */
export function patchLp(instance: PatchInstance): string {
  const { rows, columns, cost, leftOut, must, weight, groupOf, budget } = patchProblem(instance);
  const terms: string[] = [];
  const [byRow, byColumn, byGroup] = [rows, columns, budget.length].map((count) =>
    Array.from({ length: count }, (): string[] => []),
  ) as [string[][], string[][], string[][]];
  const binaries: string[] = [];
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const points = cost[row * columns + column] as number;
      if (!Number.isFinite(points)) continue;
      const x = `x_${row}_${column}`;
      binaries.push(x);
      terms.push(`+ ${points} ${x}`);
      byRow[row]?.push(x);
      byColumn[column]?.push(x);
      if ((weight[row] as number) > 0) byGroup[groupOf[column] as number]?.push(`${weight[row]} ${x}`);
    }
    if (must[row]) continue;
    binaries.push(`y_${row}`);
    terms.push(`+ ${leftOut[row]} y_${row}`);
    byRow[row]?.push(`y_${row}`);
  }
  const constraints = [
    ...byRow.map((row) => `${row.join(' + ')} = 1`),
    ...byColumn.filter((column) => column.length > 0).map((column) => `${column.join(' + ')} <= 1`),
    ...byGroup.flatMap((group, at) => (group.length > 0 ? [`${group.join(' + ')} <= ${budget[at]}`] : [])),
  ];
  return `Minimize\n obj: ${terms.join(' ')}\nSubject To\n ${constraints.map((row, at) => `c${at}: ${row}`).join('\n ')}\nBinary\n ${binaries.join('\n ')}\nEnd`;
}
