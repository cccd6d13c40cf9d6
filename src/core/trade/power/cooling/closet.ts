import { airWh } from '../../../base/standards/cooling';

/** Rise of a small room or cupboard over its surroundings, K: by its changes of air and through its walls. */
export const closetRise = (watts: number, volumeM3: number, changes: number, surfaceM2: number, u: number): number => {
  const carries = airWh * changes * volumeM3 + surfaceM2 * u;
  return carries > 0 ? watts / carries : watts > 0 ? Number.POSITIVE_INFINITY : 0;
};
