import { always, kept } from '../../base/memo/kept';
import { type CordKind, cordBuilds, cordHabits } from '../../base/standards/cords';
import { naturalOrder } from '../../base/text/naturalOrder';
import type { PatchCord } from '../../job/document/cordKinds';
import { patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Gear } from '../../job/records/gear';
import { LINE_PATTERNS, type LinePattern, NETWORK_COLOURS } from '../../job/records/network';
import { portAt } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import { takesPower } from '../power/poe';
import { answerOf, figureOf } from '../survey/answers/answers';
import { type CordWay, cordKindFor, routeBetween, stockLengthMm, stockLengths } from './cords/cordLength';
import { runBehind } from './switchLoad';

/** Colour, line pattern and letter of a cord: any one of them tells it from the others. */
export type CordCode = { colour: string; pattern: LinePattern; letter: string; words: string };

export type ListedCord = {
  cord: PatchCord;
  run: Run | null;
  panel: Gear;
  device: Gear;
  kind: CordKind;
  way: CordWay | null;
  managerId: string | null;
  /** What the way takes; null while a device has no place. */
  pathMm: number | null;
  /** Null while it cannot be told, or when no stock length reaches. */
  lengthMm: number | null;
  /** Left over, to be laid somewhere. */
  coilMm: number | null;
  /** Where the rest hides. */
  hides: string;
  verdict: 'fits' | 'too tight' | 'too long' | 'none reaches' | 'not known';
  code: CordCode;
};

const PLAIN: CordCode = { colour: 'grey', pattern: 'solid', letter: '–', words: 'no network' };

type CodeOf = (run: Run | null, powered: boolean) => CordCode;
/** What stands for what on the cords of this job. */
export const cordCodes: (job: Job) => CodeOf = kept(makeCodes, always);

function makeCodes(job: Job): CodeOf {
  const by = answerOf(job, 'cord-colour');
  if (by === 'network') {
    return (run) => {
      const network = run?.networkId ? job.networks[run.networkId] : undefined;
      if (!network) return PLAIN;
      return { colour: network.colour, pattern: network.pattern, letter: network.code, words: network.name };
    };
  }
  const numbered = (at: number, words: string, letter: string): CordCode => ({
    colour: NETWORK_COLOURS[at % NETWORK_COLOURS.length] ?? 'grey',
    pattern: LINE_PATTERNS[at % LINE_PATTERNS.length] ?? 'solid',
    letter,
    words,
  });
  if (by === 'floor') {
    const floors = [...new Set(Object.values(job.runs).map((run) => run.floor))].filter(Boolean).sort(naturalOrder);
    const letters = new Set<string>();
    const codes = new Map(
      floors.map((floor, at) => {
        let letter = floor.charAt(0).toUpperCase();
        if (letters.has(letter)) letter = String(at + 1);
        letters.add(letter);
        return [floor, numbered(at, floor, letter)] as const;
      }),
    );
    return (run) => codes.get(run?.floor ?? '') ?? { ...PLAIN, words: 'no floor' };
  }
  const [power, critical, plain] = [numbered(1, 'power', 'P'), numbered(3, 'critical', 'C'), numbered(0, 'plain', 'D')];
  return (run, powered) => (run?.critical ? critical : powered ? power : plain);
}

/** Every patch cord of the job with its way, length, rest and code, in order of panel and port. */
export const listCords: (job: Job) => ListedCord[] = kept(makeList, always);

function makeList(job: Job): ListedCord[] {
  const index = indexJob(job);
  const stock = stockLengths(job);
  const codeOf = cordCodes(job);
  const order = new Map(index.gearInOrder.map((gear, at) => [gear.id, at]));
  const list = Object.values(patchCordsOf(job)).flatMap((cord): ListedCord[] => {
    const [panel, device] = [job.gear[cord.panelId], job.gear[cord.switchId]];
    if (!panel || !device) return [];
    const run = runBehind(index.job, cord);
    const route = routeBetween(job, cord);
    const lengthMm = cord.lengthMm ?? (route && stockLengthMm(stock, route.mm));
    const coilMm = route && lengthMm !== null ? lengthMm - route.mm : null;
    const powered =
      (portAt(device, cord.switchPort)?.poeW ?? 0) > 0 && run !== null && run !== undefined && takesPower(run);
    return [
      {
        cord,
        run,
        panel,
        device,
        kind: cordKindFor(job, device, cord.switchPort),
        way: route?.way ?? null,
        managerId: route?.managerId ?? null,
        pathMm: route?.mm ?? null,
        lengthMm,
        coilMm,
        hides:
          coilMm === null || coilMm < 50 ? '' : hidingPlace(route?.way ?? 'side', job.gear[route?.managerId ?? '']),
        verdict:
          route === null
            ? 'not known'
            : lengthMm === null
              ? 'none reaches'
              : lengthMm < route.mm
                ? 'too tight'
                : lengthMm - route.mm > cordHabits.longMm
                  ? 'too long'
                  : 'fits',
        code: cord.colour ? { ...codeOf(run, powered), colour: cord.colour } : codeOf(run, powered),
      },
    ];
  });
  return list.sort(
    (a, b) => (order.get(a.panel.id) ?? 0) - (order.get(b.panel.id) ?? 0) || a.cord.panelPort - b.cord.panelPort,
  );
}

function hidingPlace(way: CordWay, manager: Gear | undefined): string {
  if (way === 'manager' && manager) return `in ${manager.name}`;
  return way === 'side' ? 'in the vertical way at the side' : 'spare, hangs in front';
}

/** Colour of a cord as planned or as it lies; empty where nothing says one. */
export function cordColour(job: Job, cord: PatchCord): string {
  if (cord.colour) return cord.colour;
  const index = indexJob(job);
  const run = runBehind(index.job, cord);
  const device = job.gear[cord.switchId];
  const powered =
    ((device && portAt(device, cord.switchPort)?.poeW) ?? 0) > 0 &&
    run !== null &&
    run !== undefined &&
    takesPower(run);
  const code = cordCodes(job)(run, powered);
  return code.letter === PLAIN.letter ? '' : code.colour;
}

export type Pick = {
  kind: CordKind;
  lengthMm: number;
  code: CordCode;
  count: number;
  spare: number;
};

/** What to lay out before patching: so many cords of each length, kind and colour, spares rounded up. */
export function pickList(job: Job): Pick[] {
  const spare = figureOf(job, 'cord-spare') / 100;
  const picks = new Map<string, Pick>();
  for (const { kind, lengthMm, code } of listCords(job)) {
    if (lengthMm === null) continue;
    const key = [kind, lengthMm, code.colour, code.letter].join(' ');
    const pick = picks.get(key) ?? { kind, lengthMm, code, count: 0, spare: 0 };
    pick.count += 1;
    pick.spare = Math.ceil(pick.count * spare - 1e-9);
    picks.set(key, pick);
  }
  return [...picks.values()].sort(
    (a, b) => a.kind.localeCompare(b.kind) || a.lengthMm - b.lengthMm || naturalOrder(a.code.letter, b.code.letter),
  );
}

export type CordCost = { cords: number; bought: number; made: number; madeMinutes: number };

/** Cost of the pick list bought and made, in the job's money, and the minutes of making. Fibre and direct-attach are always bought. */
export function cordCost(job: Job): CordCost {
  const cost: CordCost = { cords: 0, bought: 0, made: 0, madeMinutes: 0 };
  for (const { kind, lengthMm, count, spare } of pickList(job)) {
    const many = count + spare;
    const metres = (lengthMm / 1000) * many;
    const bought = many * figureOf(job, 'price-cord') + metres * figureOf(job, 'price-cord-metre');
    cost.cords += many;
    cost.bought += bought;
    const canMake = kind !== 'fibre' && kind !== 'direct-attach';
    cost.made += canMake
      ? many * figureOf(job, 'price-made-cord') + metres * figureOf(job, 'price-made-metre')
      : bought;
    if (canMake) cost.madeMinutes += many * figureOf(job, 'minutes-made-cord');
  }
  return cost;
}

export type ManagerFill = { manager: Gear; cords: number; usedMm2: number; roomMm2: number; share: number };

/** How full the managers are with the cords that go through them. A manager whose room is not known is left out. */
/** Managers that cords go through of which nobody entered what they hold. */
export function managersWithoutRoom(job: Job): Gear[] {
  const used = new Set(listCords(job).map(({ managerId }) => managerId));
  return indexJob(job).gearInOrder.filter(
    ({ id, kind, fillMm2 }) => kind === 'manager' && fillMm2 === null && used.has(id),
  );
}

export function managerFills(job: Job): ManagerFill[] {
  const cords = listCords(job);
  return indexJob(job).gearInOrder.flatMap((manager): ManagerFill[] => {
    if (manager.kind !== 'manager' || manager.fillMm2 === null) return [];
    const through = cords.filter((one) => one.managerId === manager.id);
    const usedMm2 = through.reduce((sum, one) => sum + cordBuilds[one.kind].areaMm2, 0);
    return [{ manager, cords: through.length, usedMm2, roomMm2: manager.fillMm2, share: usedMm2 / manager.fillMm2 }];
  });
}
