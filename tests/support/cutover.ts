import { CutoverInstance } from '../../src/cli/models/cutover';
import { seededRandom } from '../../src/core/base/solve/random';

/**
 * A seeded cabinet that is rebuilt in place: things of one to three units are dealt out anew over it, so that places block each
 * other; some leave, some come, some are groups of cords; services have one way or two.
 */
export function cutoverInstance(count: number, seed: number, room = 4): CutoverInstance {
  const random = seededRandom(seed * 7919 + count);
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const cords = Math.floor(count * 0.2);
  const heights = Array.from({ length: count - cords }, () => (random() < 0.6 ? 1 : random() < 0.75 ? 2 : 3));
  const roles = heights.map(() => (random() < 0.15 ? 'comes' : random() < 0.18 ? 'leaves' : 'stays'));
  const sum = (wanted: string) => heights.reduce((all, height, at) => all + (roles[at] === wanted ? 0 : height), 0);
  const units = Math.max(sum('comes'), sum('leaves')) + room;
  const deal = (without: string) => {
    const order = heights.map((_, at) => at).filter((at) => roles[at] !== without);
    for (let at = order.length - 1; at > 0; at--) {
      const other = whole(0, at);
      [order[at], order[other]] = [order[other] ?? 0, order[at] ?? 0];
    }
    const at = new Map<number, number>();
    let gaps = units - order.reduce((all, one) => all + (heights[one] ?? 0), 0);
    let bottom = 1;
    for (const one of order) {
      const gap = random() < 0.4 ? whole(0, gaps) : 0;
      gaps -= gap;
      bottom += gap;
      at.set(one, bottom);
      bottom += heights[one] ?? 0;
    }
    return at;
  };
  const [from, to] = [deal('comes'), deal('leaves')];
  const things = [
    ...heights.map((height, at) => ({
      id: `t${at}`,
      height,
      from: from.get(at) ?? null,
      to: to.get(at) ?? null,
      takeMin: whole(1, 10),
      putMin: whole(2, 15),
      canPark: random() < 0.8,
    })),
    ...Array.from({ length: cords }, (_, at) => ({
      id: `c${at}`,
      height: 0,
      from: 0,
      to: 0,
      takeMin: whole(1, 4),
      putMin: whole(2, 8),
      canPark: true,
    })),
  ];
  const rules = Array.from({ length: cords }, (_, at) => ({
    thing: `c${at}`,
    on: 'put' as const,
    needs: `t${whole(0, heights.length - 1)}`,
  }));
  const ends = ['old', 'new', 'any', 'any'] as const;
  const services = Array.from({ length: Math.max(2, Math.round(count / 3)) }, (_, at) => ({
    id: `s${at}`,
    weight: whole(1, 10),
    ways: Array.from({ length: random() < 0.3 ? 2 : 1 }, () =>
      Array.from({ length: whole(1, 4) }, () => ({
        thing: things[whole(0, things.length - 1)]?.id ?? 't0',
        at: ends[random() < 0.85 ? 2 : whole(0, 2)] ?? 'any',
      })),
    ),
  }));
  return CutoverInstance.parse({ units, parkLimit: whole(1, 3), parkPenalty: whole(5, 30), things, rules, services });
}
