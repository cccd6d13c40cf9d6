/** Numbers in [0, 1) that are the same for the same seed. */
export function seededRandom(seed: number): () => number {
  // Kept as a whole number with a sign, which engines hold without memory of its own.
  let state = (seed ^ 0x9e3779b9) | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
