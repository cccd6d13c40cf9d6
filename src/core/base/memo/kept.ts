/**
 * Memoisation. A result is kept with the object it was calculated from (a job, a table, a record), until that object is
 * garbage. Records are never changed in place, so the same object always gives the same result. Drafts are changed in place,
 * so results of objects that are not frozen are not kept, unless the caller passes `always`.
 */
type IsKept = (thing: unknown) => boolean;

/** Keep every result: for functions that are never called with a draft. */
export const always: IsKept = () => true;

/**
 * Memoise a function of one object.
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

/** Memoise a function of an object and a key: one result for each key. */
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
 * Memoise a function of several objects or values. The last result is kept with the first object, as long as all others are
 * the same.
 * @param on everything that the result depends on, an object first
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
