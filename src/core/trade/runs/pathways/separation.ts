import { mainsLeastMm, powerFactors, separationMm } from '../../../base/standards/mainsSeparation';
import type { Pathway } from '../../../job/records/pathway';

/**
 * Distance to mains cables, mm, as A = S × P: S by screening and containment, P by the number of circuits.
 * @param circuits single-phase circuits of up to 20 A; three-phase count as three
 */
export function separationNeededMm(screened: boolean, containment: Pathway['containment'], circuits: number): number {
  const s = separationMm[screened ? 'screened' : 'unscreened'][containment];
  const factor = circuits <= 0 ? 0 : (powerFactors.find(({ upTo }) => circuits <= upTo)?.factor ?? 0);
  return s * factor;
}

/** The greater of that and the least distance in the open, which a barrier of solid metal does away with. */
export const separationAskedMm = (screened: boolean, containment: Pathway['containment'], circuits: number): number =>
  containment === 'solid-metal' || circuits <= 0
    ? separationNeededMm(screened, containment, circuits)
    : Math.max(mainsLeastMm, separationNeededMm(screened, containment, circuits));
