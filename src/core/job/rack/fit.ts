import { frameWidths, holesOfPattern } from '../../base/standards/rackDimensions';
import { formatMass } from '../../base/units/force';
import { formatSize } from '../../base/units/length';
import type { Job } from '../document/job';
import { bodyWidthMm, isUpright, plugFrontMm, plugRearMm } from '../gear/body';
import type { Gear } from '../records/gear';
import type { Face } from '../records/placement';
import { span } from '../records/placement';
import type { Rack } from '../records/rack';
import { holesOf } from './holes';
import { placedIn, rearRailMm, takesUnits } from './space';
import { unitName } from './units';

/** Where a device would stand. */
export type Spot = { rack: Rack; bottomU: number; face: Face };

export const FIT_KINDS = [
  'outside',
  'taken',
  'wrong-face',
  'too-wide',
  'too-deep',
  'meets-rear',
  'plugs-behind',
  'door-shut',
  'no-ears',
  'rails-reach',
  'no-support',
  'no-hole',
] as const;
export type FitKind = (typeof FIT_KINDS)[number];

/** Why a place will not do, or will not do well. A hard one cannot be placed at all; the others are snags. */
export type FitFault = { kind: FitKind; hard: boolean; words: string };

type Check = (job: Job, gear: Gear, spot: Spot) => string | null;

const mm = (job: Job, value: number) => formatSize(Math.round(value), job.units);

const outside: Check = (_, gear, { rack, bottomU }) => {
  const { topU } = span(bottomU, gear.heightU);
  if (bottomU >= 1 && topU <= rack.units) return null;
  const needs = gear.heightU === 1 ? '1 unit' : `${gear.heightU} units`;
  return `${gear.name} needs ${needs} and would stand outside ${rack.name}, which has ${rack.units}.`;
};

const wrongFace: Check = (_, gear, { face }) => {
  const corner = !takesUnits({ face });
  if (gear.frame === 'free') return `${gear.name} has no ears: put it on a shelf or into a mount kit.`;
  if (isUpright(gear) && !corner) return `${gear.name} is upright: it stands at a side or in a rear corner.`;
  if (!isUpright(gear) && corner) return `${gear.name} is screwed to the rails, in front or behind.`;
  return null;
};

/** Others in the units that it would take, on the same rails or in the same corner. */
const taken: Check = (job, gear, { rack, bottomU, face }) => {
  const wanted = span(bottomU, gear.heightU);
  const other = placedIn(job, rack.id).find(
    ({ gear: there, placement }) =>
      there.id !== gear.id &&
      placement.face === face &&
      wanted.bottomU <= span(placement.bottomU, there.heightU).topU &&
      placement.bottomU <= wanted.topU,
  );
  return other ? `${unitName(rack, bottomU, gear.heightU)} is taken by ${other.gear.name}.` : null;
};

const tooWide: Check = (job, gear, { rack }) => {
  if (isUpright(gear) || gear.frame === 'free') return null;
  if (gear.frame === '19-inch' && rack.frame === '10-inch') {
    return `${gear.name} is a 19-inch panel, ${mm(job, frameWidths['19-inch'].panelMm)} wide; ${rack.name} takes 10-inch ones.`;
  }
  if (gear.frame === '10-inch' && rack.frame === '19-inch') {
    return `${gear.name} is a 10-inch panel: its ears do not reach the rails of ${rack.name}. It wants a mount kit.`;
  }
  const opening = frameWidths[rack.frame].openingMm;
  const body = bodyWidthMm(gear);
  if (body <= opening || gear.kind === 'panel') return null;
  return `${gear.name} is ${mm(job, body)} wide behind its ears; between the rails of ${rack.name} there are ${mm(job, opening)}.`;
};

/** The depth that an upright in a rear corner leaves to what hangs on the front rails. */
function depthLeftMm(job: Job, rack: Rack, bottomU: number, heightU: number): { leftMm: number; by: Gear | null } {
  const { topU } = span(bottomU, heightU);
  let [leftMm, by]: [number, Gear | null] = [rack.depthMm, null];
  for (const { gear, placement } of placedIn(job, rack.id)) {
    if (placement.face !== 'rear-left' && placement.face !== 'rear-right') continue;
    if (placement.bottomU > topU || span(placement.bottomU, gear.heightU).topU < bottomU) continue;
    const left = rack.depthMm - gear.depthMm - plugFrontMm(gear);
    if (left < leftMm) [leftMm, by] = [left, gear];
  }
  return { leftMm, by };
}

const tooDeep: Check = (job, gear, { rack }) => {
  if (gear.depthMm <= rack.depthMm) return null;
  return `${gear.name} is ${mm(job, gear.depthMm)} deep: ${mm(job, gear.depthMm - rack.depthMm)} more than ${rack.name} has.`;
};

/** Front and rear gear in the same units: their bodies with the plugs between them. */
const meetsRear: Check = (job, gear, { rack, bottomU, face }) => {
  if (!takesUnits({ face })) return null;
  const wanted = span(bottomU, gear.heightU);
  for (const { gear: there, placement } of placedIn(job, rack.id)) {
    const across = there.id !== gear.id && placement.face === (face === 'front' ? 'rear' : 'front');
    if (!across || wanted.bottomU > span(placement.bottomU, there.heightU).topU || placement.bottomU > wanted.topU)
      continue;
    const has = rearRailMm(rack, face === 'rear' ? bottomU : placement.bottomU) ?? rack.depthMm;
    const needs = gear.depthMm + there.depthMm + plugRearMm(gear) + plugRearMm(there);
    if (needs <= has) continue;
    return `${gear.name} and ${there.name} meet back to back: with plugs they need ${mm(job, needs)}, and there are ${mm(job, has)} between the rails.`;
  }
  return null;
};

const plugsBehind: Check = (job, gear, { rack, bottomU, face }) => {
  if (face !== 'front' || gear.depthMm > rack.depthMm) return null;
  const { leftMm, by } = depthLeftMm(job, rack, bottomU, gear.heightU);
  const needs = gear.depthMm + plugRearMm(gear);
  if (needs <= leftMm) return null;
  const before = by ? `before ${by.name}` : 'before the back';
  return `${gear.name} needs ${mm(job, needs)} with its plugs behind; ${rack.name} has ${mm(job, leftMm)} ${before}: ${mm(job, needs - leftMm)} short.`;
};

const doorShut: Check = (job, gear, { rack, face }) => {
  // No room at all is how a rack is kept of which nobody said what there is.
  if (face !== 'front' || rack.door === 'none' || !rack.frontClearanceMm) return null;
  const needs = plugFrontMm(gear);
  if (needs <= rack.frontClearanceMm) return null;
  return `Plugs and cord bends of ${gear.name} need ${mm(job, needs)} in front of the rails; the door of ${rack.name} leaves ${mm(job, rack.frontClearanceMm)}.`;
};

const noEars: Check = (_, gear) =>
  gear.ears === 'none' && gear.rails === 'none' && !isUpright(gear) && gear.frame !== 'free'
    ? `${gear.name} has neither ears nor rails: nothing holds it in the rack. Put it on a shelf.`
    : null;

const railsReach: Check = (job, gear, { rack, bottomU }) => {
  if (gear.rails !== 'needed') return null;
  const between = rearRailMm(rack, bottomU);
  if (between === null) return `${gear.name} needs rails to four posts; ${rack.name} has two.`;
  const [least, most] = [gear.railLeastMm ?? 0, gear.railMostMm ?? Number.POSITIVE_INFINITY];
  if (between >= least && between <= most) return null;
  const reach = gear.railMostMm === null ? `from ${mm(job, least)}` : `${mm(job, least)} to ${mm(job, most)}`;
  return `The rails of ${gear.name} reach ${reach}; the rear rails of ${rack.name} stand ${mm(job, between)} behind the front ones.`;
};

/** From here on two ears alone bend. Common practice, no source. */
const EARS_HOLD = { massKg: 12, depthMm: 380, alwaysKg: 4 } as const;

const noSupport: Check = (job, gear, { rack, bottomU, face }) => {
  if (face !== 'front' || gear.ears === 'none' || isUpright(gear)) return null;
  const { massKg } = gear;
  // A mass that is not known is a snag of its own.
  if (massKg === null) return null;
  const heavy = massKg > EARS_HOLD.massKg || (gear.depthMm > EARS_HOLD.depthMm && massKg > EARS_HOLD.alwaysKg);
  const held = gear.rails !== 'none' && rearRailMm(rack, bottomU) !== null;
  if (!heavy || held) return null;
  return `${gear.name} hangs by its ears alone: ${formatMass(massKg, job.units)} and ${mm(job, gear.depthMm)} deep want rails or a support behind.`;
};

const noHole: Check = (_, gear, { rack, bottomU, face }) => {
  if (!takesUnits({ face }) || rack.holePattern === 'universal') return null;
  const there: readonly number[] = holesOfPattern[rack.holePattern];
  const missing = holesOf(gear, bottomU).find(({ hole }) => !there.includes(hole));
  return missing
    ? `${gear.name} is screwed to middle holes, which the wide hole pattern of ${rack.name} does not have.`
    : null;
};

/** In the order in which they are told. */
const CHECKS: readonly { kind: FitKind; hard: boolean; check: Check }[] = [
  { kind: 'wrong-face', hard: true, check: wrongFace },
  { kind: 'outside', hard: true, check: outside },
  { kind: 'taken', hard: true, check: taken },
  { kind: 'too-wide', hard: true, check: tooWide },
  { kind: 'too-deep', hard: true, check: tooDeep },
  { kind: 'meets-rear', hard: true, check: meetsRear },
  { kind: 'no-ears', hard: false, check: noEars },
  { kind: 'rails-reach', hard: false, check: railsReach },
  { kind: 'plugs-behind', hard: false, check: plugsBehind },
  { kind: 'door-shut', hard: false, check: doorShut },
  { kind: 'no-support', hard: false, check: noSupport },
  { kind: 'no-hole', hard: false, check: noHole },
];

/** All that is wrong with a place for a device, what cannot be at all first. Empty: it fits. */
export const fitFaults = (job: Job, gear: Gear, spot: Spot): FitFault[] =>
  CHECKS.flatMap(({ kind, hard, check }) => {
    const words = check(job, gear, spot);
    return words === null ? [] : [{ kind, hard, words }];
  });

/** One kind of fault of a place, or null. */
export function fitFault(job: Job, gear: Gear, spot: Spot, kind: FitKind): FitFault | null {
  const one = CHECKS.find((row) => row.kind === kind);
  const words = one?.check(job, gear, spot) ?? null;
  return words === null || !one ? null : { kind, hard: one.hard, words };
}

/** The first reason why a device cannot stand here at all, or null. The same for dragging, the command and the planner. */
export function placeFault(job: Job, gear: Gear, spot: Spot): FitFault | null {
  for (const { kind, hard, check } of CHECKS) {
    if (!hard) continue;
    const words = check(job, gear, spot);
    if (words !== null) return { kind, hard, words };
  }
  return null;
}

/** The face on which a device is put when nothing else is said. */
export const usualFace = (gear: Gear): Face => (isUpright(gear) ? 'rear-left' : 'front');

/** Lowest units at which a device can stand, from the bottom up. */
export function placesFor(job: Job, rack: Rack, gear: Gear, face: Face = usualFace(gear)): number[] {
  return Array.from({ length: rack.units }, (_, at) => at + 1).filter(
    (bottomU) => placeFault(job, gear, { rack, bottomU, face }) === null,
  );
}
