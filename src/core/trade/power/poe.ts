import { type PoeClass, poeClasses } from '../../base/standards/poeClasses';
import { isPoweredByWord } from '../../base/text/deviceWords';

/**
 * The lowest power class whose device limit covers a device's watts.
 * @param deviceW watts at the device; 0 or less means that it takes no power
 * @returns null for no power; 'beyond' when no class of IEEE 802.3 carries it (over 71.3 W)
 * @example poeClassFor(21) // class 4: the port must supply 30 W
 */
export function poeClassFor(deviceW: number): PoeClass | null | 'beyond' {
  if (!(deviceW > 0)) return null;
  return poeClasses.find((row) => deviceW <= row.pdW) ?? 'beyond';
}

/**
 * Watts that leave the port for a device that draws so much: its draw and the loss of its class over 100 m.
 * @returns Infinity when no class carries it
 */
export function drawnWattsFor(deviceW: number): number {
  const row = poeClassFor(deviceW);
  if (row === null) return 0;
  return row === 'beyond' ? Number.POSITIVE_INFINITY : (deviceW * row.pseW) / row.pdW;
}

/**
 * Watts that a switch port must be able to supply for a device, by class.
 * @returns Infinity when no class carries it
 */
export function portWattsFor(deviceW: number): number {
  const row = poeClassFor(deviceW);
  if (row === null) return 0;
  return row === 'beyond' ? Number.POSITIVE_INFINITY : row.pseW;
}

/** What a device draws over its cable, as its run records it. */
export type Taking = { poeW: number | null; poeClass: number | null; device?: string };

/** Whether nobody entered what a device draws that is always powered over its cable: an access point, a camera, a telephone. */
export const poeUnknown = ({ poeW, poeClass, device }: Taking): boolean =>
  poeW === null && poeClass === null && isPoweredByWord(device ?? '');

/** Whether a device needs a powered port; one that is always powered does, even where its watts are not known. */
export const takesPower = (taking: Taking): boolean =>
  (taking.poeW ?? 0) > 0 || taking.poeClass !== null || poeUnknown(taking);

/** A device that does not tell its class is given what class 0 is: that of class 3 (IEEE 802.3-2022, 33.2.7). */
const UNCLASSED = 3;
const rowOf = (wanted: number): PoeClass | null =>
  poeClasses.find((row) => row.class === (wanted || UNCLASSED)) ?? null;

/**
 * The class to plan with: the device's own, or, where that is not known, the lowest that covers its watts, 3 at least.
 * A device that draws more than its class may is planned by what it draws.
 */
export function poeClassOf(taking: Taking): PoeClass | null | 'beyond' {
  if (!takesPower(taking)) return null;
  const byWatts = poeClassFor(taking.poeW ?? 0);
  const least = rowOf(taking.poeClass ?? UNCLASSED);
  if (byWatts === 'beyond' || byWatts === null || least === null) return byWatts ?? least;
  return byWatts.class > least.class ? byWatts : least;
}

/** Watts that a port must be able to supply for a device, and that its switch sets aside by class. Infinity: beyond. */
export function portWattsOf(taking: Taking): number {
  const row = poeClassOf(taking);
  return row === null ? 0 : row === 'beyond' ? Number.POSITIVE_INFINITY : row.pseW;
}

/** Watts at the device: as entered, else the most that its class may draw; 0 where it is not known (`poeUnknown`). */
export const deviceWattsOf = ({ poeW, poeClass }: Taking): number =>
  (poeW ?? 0) > 0 || poeClass === null ? (poeW ?? 0) : (rowOf(poeClass)?.pdW ?? 0);

/** Watts that leave the port by what the device draws, with the loss of its class over 100 m. Infinity: beyond. */
export const drawnWattsOf = (taking: Taking): number => drawnWattsFor(deviceWattsOf(taking));
