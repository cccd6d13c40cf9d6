import { packCircles } from '../../../base/solve/circlePacking';
import { packingProven, packingRatios, packingSource } from '../../../base/standards/circlePacking';
import { commonPractice, type Source } from '../../../base/standards/source';

export type Bundle = {
  /** Of the tightest round bundle known, mm. */
  diameterMm: number;
  /** As hands dress it: 10 % looser. */
  dressedMm: number;
  how: 'published ratio' | 'search' | 'area';
  /** Published and proven to be the smallest. */
  proven: boolean;
  source: Source;
};

/** Bundles tied by hand are 5 to 15 % thicker than the tightest. */
const LOOSENESS = 1.1;

/** Beyond so many cables the search gives nothing that their area does not: they fill about three quarters. */
const MOST_SEARCHED = 150;
const DENSITY = 0.75;

const cache = new Map<string, Bundle>();
const REMEMBERED = 500;

/**
 * Diameter of a round bundle of cables: by the published ratio for equal ones where there is one, else the smallest
 * circle that a search finds, and for very many by their area.
 * @param diametersMm outside diameters, mm
 */
export function bundleOf(diametersMm: readonly number[]): Bundle {
  const sorted = [...diametersMm].sort((a, b) => b - a);
  const key = sorted.join(' ');
  const known = cache.get(key);
  if (known) return known;
  const [widest = 0] = sorted;
  const equal = sorted.every((one) => one === widest);
  const ratio = equal ? packingRatios[sorted.length] : undefined;
  const byArea = sorted.length > MOST_SEARCHED;
  const area = sorted.reduce((sum, one) => sum + one * one, 0);
  const diameterMm =
    sorted.length === 0
      ? 0
      : ratio !== undefined
        ? ratio * widest
        : byArea
          ? Math.sqrt(area / DENSITY)
          : 2 * packCircles(sorted.map((one) => one / 2)).radius;
  const bundle: Bundle = {
    diameterMm,
    dressedMm: sorted.length < 2 ? diameterMm : diameterMm * LOOSENESS,
    how: ratio !== undefined ? 'published ratio' : byArea ? 'area' : 'search',
    proven: ratio !== undefined && packingProven(sorted.length),
    source: ratio !== undefined ? packingSource : commonPractice,
  };
  if (cache.size >= REMEMBERED) cache.clear();
  cache.set(key, bundle);
  return bundle;
}
