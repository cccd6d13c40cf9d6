/**
 * What is worked out of a thing (a job, a table of it, a record) is kept as long as that thing is there. Records are never
 * changed in place, so the same thing gives the same result. A draft does change in place: only what is final, which is
 * frozen, is kept, unless who keeps it says that drafts never come.
 */
type IsKept = (thing: unknown) => boolean;

/** For what is never asked of a draft: everything is kept. */
export const always: IsKept = () => true;

/**
 * What is made of one thing.
 * @example const sorted = kept((runs: Job['runs']) => Object.values(runs).sort(byLabel))
 */
export function kept<T extends object, R>(make: (of: T) => R, isKept: IsKept = Object.isFrozen): (of: T) => R {
  const made = new WeakMap<T, { it: R }>();
  return (of) => {
    const there = made.get(of);
    if (there) return there.it;
    const it = make(of);
    if (isKept(of)) made.set(of, { it });
    return it;
  };
}

/** What is made of a thing for a key, kept for each key. */
export function keptFor<T extends object, K, R>(
  make: (of: T, key: K) => R,
  isKept: IsKept = Object.isFrozen,
): (of: T, key: K) => R {
  const keysOf = kept((_: T) => new Map<K, { it: R }>(), isKept);
  return (of, key) => {
    const keys = keysOf(of);
    const there = keys.get(key);
    if (there) return there.it;
    const it = make(of, key);
    keys.set(key, { it });
    return it;
  };
}

/**
 * What is made of several things: the last that was made is kept with the first of them, while the others are the same.
 * @param on all that it rests on
 */
export function keptWhile<Given extends unknown[], R>(
  on: (...given: Given) => readonly [object, ...unknown[]],
  make: (...given: Given) => R,
  isKept: IsKept = Object.isFrozen,
): (...given: Given) => R {
  const made = new WeakMap<object, { others: readonly unknown[]; it: R }>();
  return (...given) => {
    const [first, ...others] = on(...given);
    const there = made.get(first);
    if (there && there.others.length === others.length && there.others.every((one, at) => one === others[at]))
      return there.it;
    const it = make(...given);
    if (isKept(first) && others.every(isKept)) made.set(first, { others, it });
    return it;
  };
}
