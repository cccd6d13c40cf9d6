import type { CutoverInstance } from '../../src/cli/models/cutover';

/**
 * The order of a cut-over as a mixed-integer program over slots of time, in the LP format: in each slot one step at most. For
 * small instances only. It reads the instance as the model is written down.
 */
export function cutoverLp(instance: CutoverInstance): string {
  const { things, rules, services, parkLimit, parkPenalty } = instance;
  const spare = Math.min(things.filter(({ canPark, from, to }) => canPark && from !== null && to !== null).length, 3);
  const slots = Array.from({ length: things.length + spare }, (_, at) => at);
  type Term = readonly [factor: number, name: string];
  const lines: string[] = [];
  const binaries: string[] = [];
  const words = (terms: readonly Term[]): string =>
    terms.length === 0
      ? '0 none'
      : terms.map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`).join(' ');
  const rule = (terms: readonly Term[], sense: '<=' | '>=' | '=', right: number) =>
    lines.push(` c${lines.length}: ${words(terms)} ${sense} ${right}`);
  const kindOf = (at: number) => (things[at]?.from === null ? 'comes' : things[at]?.to === null ? 'leaves' : 'stays');
  const actions = things.map((thing, at) =>
    kindOf(at) === 'comes'
      ? ['bring']
      : kindOf(at) === 'leaves'
        ? ['remove']
        : thing.canPark
          ? ['move', 'park', 'fetch']
          : ['move'],
  );
  const x = (at: number, action: string, slot: number) => `x_${at}_${action}_${slot}`;
  const any = (at: number, wanted: readonly string[], until: number, factor = 1): Term[] =>
    slots
      .filter((slot) => slot < until)
      .flatMap((slot) =>
        (actions[at] ?? []).filter((one) => wanted.includes(one)).map((one): Term => [factor, x(at, one, slot)]),
      );
  const TAKES = ['move', 'park', 'remove'];
  const PUTS = ['move', 'fetch', 'bring'];
  // Constant and terms of: it stands in its old place before a slot, it stands in its new one, it is done.
  const old = (at: number, slot: number): [number, Term[]] => [
    kindOf(at) === 'comes' ? 0 : 1,
    any(at, TAKES, slot, -1),
  ];
  const done = (at: number, slot: number): Term[] => any(at, kindOf(at) === 'leaves' ? ['remove'] : PUTS, slot);
  const standing = (at: number, slot: number): Term[] => (kindOf(at) === 'leaves' ? [] : any(at, PUTS, slot));
  const during = (at: number, slot: number): [number, Term[]] => {
    const [constant, terms] = old(at, slot);
    return [constant, [...terms, ...any(at, TAKES, slot + 1, -1).filter(([, name]) => name.endsWith(`_${slot}`))]];
  };
  const inSlot = (at: number, wanted: readonly string[], slot: number): Term[] =>
    (actions[at] ?? []).filter((one) => wanted.includes(one)).map((one): Term => [1, x(at, one, slot)]);
  const index = (id: string) => things.findIndex((one) => one.id === id);
  const meets = (a: number | null | undefined, b: number | null | undefined, heightA = 0, heightB = 0) =>
    typeof a === 'number' && typeof b === 'number' && heightA > 0 && heightB > 0 && a < b + heightB && b < a + heightA;

  for (const slot of slots) {
    const all = things.flatMap((_, at) => inSlot(at, ['move', 'park', 'fetch', 'bring', 'remove'], slot));
    rule(all, '<=', 1);
    const next = things.flatMap((_, at) => inSlot(at, ['move', 'park', 'fetch', 'bring', 'remove'], slot + 1));
    if (slot + 1 < slots.length) rule([...all, ...next.map(([, name]): Term => [-1, name])], '>=', 0);
    binaries.push(...all.map(([, name]) => name));
  }
  things.forEach((thing, at) => {
    rule(any(at, kindOf(at) === 'leaves' ? ['remove'] : PUTS, slots.length), '=', 1);
    for (const slot of slots) {
      for (const [, name] of inSlot(at, ['fetch'], slot))
        rule([[1, name], ...any(at, ['park'], slot, -1), ...any(at, ['fetch'], slot)], '<=', 0);
      for (const [, name] of inSlot(at, ['move'], slot)) rule([[1, name], ...any(at, ['park'], slot)], '<=', 1);
      for (const [, name] of inSlot(at, PUTS, slot))
        things.forEach((other, where) => {
          if (where === at) return;
          if (meets(thing.to, other.from, thing.height, other.height)) {
            const [constant, terms] = old(where, slot);
            rule([[1, name], ...terms], '<=', 1 - constant);
          }
          if (meets(thing.to, other.to, thing.height, other.height))
            rule([[1, name], ...standing(where, slot)], '<=', 1);
        });
      for (const one of rules.filter((each) => each.thing === thing.id))
        for (const [, name] of inSlot(at, one.on === 'take' ? TAKES : PUTS, slot))
          rule([[1, name], ...done(index(one.needs), slot).map(([, term]): Term => [-1, term])], '<=', 0);
    }
    rule([...any(at, ['park'], slots.length), ...any(at, ['fetch'], slots.length, -1)], '<=', 0);
  });
  for (const slot of slots)
    rule(
      things.flatMap((_, at) => [...any(at, ['park'], slot + 1), ...any(at, ['fetch'], slot, -1)]),
      '<=',
      parkLimit,
    );
  const goal: Term[] = things.flatMap((_, at) =>
    any(at, ['park'], slots.length).map(([, name]): Term => [parkPenalty, name]),
  );
  const minutesOf = (at: number, action: string): number => {
    const { takeMin = 0, putMin = 0 } = things[at] ?? {};
    return action === 'move' ? takeMin + putMin : action === 'park' || action === 'remove' ? takeMin : putMin;
  };
  services.forEach((service, which) => {
    const up = service.ways.some((way) =>
      way.every(({ thing, at }) => at !== 'new' && kindOf(index(thing)) !== 'comes'),
    );
    if (!up) return;
    for (const slot of slots) {
      const ways = service.ways.map((_, way) => `y_${which}_${way}_${slot}`);
      service.ways.forEach((way, at) => {
        const name = ways[at] ?? '';
        for (const want of way) {
          const thing = index(want.thing);
          const [constant, terms] = want.at === 'new' ? [0, []] : during(thing, slot);
          const fresh = want.at === 'old' ? [] : standing(thing, slot);
          rule([[1, name], ...[...terms, ...fresh].map(([factor, term]): Term => [-factor, term])], '<=', constant);
        }
      });
      binaries.push(...ways);
      const down = `down_${which}_${slot}`;
      rule([[1, down], ...ways.map((name): Term => [1, name])], '>=', 1);
      things.forEach((_, at) => {
        for (const action of actions[at] ?? []) {
          const cost = minutesOf(at, action) * service.weight;
          if (cost === 0) continue;
          const paid = `d_${which}_${at}_${action}_${slot}`;
          rule(
            [
              [1, paid],
              [-1, x(at, action, slot)],
              [-1, down],
            ],
            '>=',
            -1,
          );
          goal.push([cost, paid]);
        }
      });
    }
  });
  return `Minimize\n goal: ${words(goal)}\nSubject To\n${lines.join('\n')}\nBounds\n none = 0\nBinary\n ${[...new Set(binaries)].join('\n ')}\nEnd\n`;
}
