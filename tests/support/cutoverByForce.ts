import type { CutoverInstance } from '../../src/cli/models/cutover';

type Place = 'old' | 'parked' | 'new' | 'away' | 'gone';

/**
 * The least that an order costs, by trying every state that can be reached; null: there is none. It reads the instance as the
 * model is written down, unit by unit, and shares no code with the solver.
 */
export function cutoverByForce(instance: CutoverInstance): number | null {
  const { things, rules, services, parkLimit, parkPenalty } = instance;
  const first: Place[] = things.map(({ from }) => (from === null ? 'away' : 'old'));
  const unitsOf = (at: number, place: Place): number[] => {
    const thing = things[at];
    const bottom = place === 'old' ? thing?.from : place === 'new' ? thing?.to : null;
    return bottom === null || bottom === undefined
      ? []
      : Array.from({ length: thing?.height ?? 0 }, (_, up) => bottom + up);
  };
  const isDone = (place: Place | undefined) => place === 'new' || place === 'gone';
  const up = (places: readonly Place[], service: CutoverInstance['services'][number]) =>
    service.ways.some((way) =>
      way.every(({ thing, at }) => {
        const place = places[things.findIndex(({ id }) => id === thing)];
        return at === 'any' ? place === 'old' || place === 'new' : place === at;
      }),
    );
  const counted = services.filter((service) => up(first, service));
  const known = new Map<string, number>();
  const least = (places: readonly Place[]): number => {
    if (places.every(isDone)) return 0;
    const key = places.join();
    const there = known.get(key);
    if (there !== undefined) return there;
    let best = Number.POSITIVE_INFINITY;
    const taken = new Set(places.flatMap((place, at) => unitsOf(at, place)));
    things.forEach((thing, at) => {
      const now = places[at];
      const obeys = (on: 'take' | 'put') =>
        rules.every(
          (rule) =>
            rule.thing !== thing.id ||
            rule.on !== on ||
            isDone(places[things.findIndex(({ id }) => id === rule.needs)]),
        );
      const own = new Set(unitsOf(at, now ?? 'away'));
      const fits = thing.to !== null && unitsOf(at, 'new').every((unit) => !taken.has(unit) || own.has(unit));
      const go = (then: Place, minutes: number, extra = 0) => {
        const during = places.map((place, other): Place => (other === at ? 'away' : place));
        const weight = counted.reduce((sum, service) => sum + (up(during, service) ? 0 : service.weight), 0);
        const after = places.map((place, other) => (other === at ? then : place));
        best = Math.min(best, minutes * weight + extra + least(after));
      };
      if (now === 'old' && thing.to !== null) {
        if (obeys('take') && obeys('put') && fits) go('new', thing.takeMin + thing.putMin);
        if (obeys('take') && thing.canPark && places.filter((place) => place === 'parked').length < parkLimit)
          go('parked', thing.takeMin, parkPenalty);
      }
      if (now === 'parked' && obeys('put') && fits) go('new', thing.putMin);
      if (now === 'old' && thing.to === null && obeys('take')) go('gone', thing.takeMin);
      if (now === 'away' && obeys('put') && fits) go('new', thing.putMin);
    });
    known.set(key, best);
    return best;
  };
  const cost = least(first);
  return Number.isFinite(cost) ? cost : null;
}
