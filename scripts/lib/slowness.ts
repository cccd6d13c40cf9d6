/** What the work below takes on the machine that the limits were chosen on, ms. */
const USUAL_MS = 60;
/** A machine that is busy for a moment is not taken for one that is a hundred times slower. */
const MOST = 6;

/** One round of what the tests mostly do: text, objects and sorting. */
function work(): number {
  const began = performance.now();
  let seed = 1;
  const rows = Array.from({ length: 20_000 }, (_, at) => {
    seed = (seed * 48_271) % 2_147_483_647;
    return { id: `row-${seed}`, at };
  });
  const again = JSON.parse(JSON.stringify(rows)) as typeof rows;
  again.sort((a, b) => (a.id < b.id ? -1 : 1));
  return performance.now() - began;
}

/**
 * How many times slower this machine is than the one that limits of tests were chosen on, measured now: a test that hangs costs
 * a minute or so, and one that is only slow is not broken off.
 * @returns 1 to 6
 */
export function slowness(): number {
  const rounds = Array.from({ length: 5 }, work).sort((a, b) => a - b);
  return Math.min(MOST, Math.max(1, (rounds[2] ?? USUAL_MS) / USUAL_MS));
}
