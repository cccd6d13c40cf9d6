import { type PoeClass, poeClasses } from '../standards/poeClasses';

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
