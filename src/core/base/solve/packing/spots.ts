import { type PackingProblem, widthsIn } from './problem';

/**
 * Spots of the rows where bodies meet: of intervals in a row all that overlap share one of the left ends. Each tells from
 * which width on a thing in each place lies over it.
 */
export function spotsOf(problem: PackingProblem): Float64Array[] {
  const { places, rowOf, middle } = problem;
  return [...new Set(rowOf)].flatMap((row) => {
    const widths = widthsIn(problem, row);
    const here = Array.from({ length: places }, (_, place) => place).filter((place) => rowOf[place] === row);
    const known = new Set<string>();
    const spots: Float64Array[] = [];
    for (const place of here)
      for (const wide of widths) {
        const at = middle[place] - wide / 2 + 1e-4;
        const from = new Float64Array(places).fill(Number.POSITIVE_INFINITY);
        for (const other of here) {
          const least = widths.find((one) => Math.abs(middle[other] - at) <= one / 2);
          if (least !== undefined) from[other] = least;
        }
        const key = here.map((other) => from[other]).join(' ');
        if (!known.has(key)) spots.push(from);
        known.add(key);
      }
    // A spot over which less lies than over another says nothing new.
    return spots.filter(
      (one) => !spots.some((more) => more !== one && here.every((place) => more[place] <= one[place])),
    );
  });
}
