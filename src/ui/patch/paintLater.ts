/** Work that waits, in the order in which it came. */
const waiting = new Set<() => void>();
let asked = false;

function ask() {
  if (asked || waiting.size === 0) return;
  asked = true;
  requestAnimationFrame(() => {
    asked = false;
    const [work] = waiting;
    if (!work) return;
    waiting.delete(work);
    ask();
    work();
  });
}

/** Do something in a frame to come, one such thing a frame. @returns what calls it off */
export function paintLater(work: () => void): () => void {
  waiting.add(work);
  ask();
  return () => {
    waiting.delete(work);
  };
}
