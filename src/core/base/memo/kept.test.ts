import { expect, it } from 'vitest';
import { always, kept, keptFor, keptWhile } from './kept';

const counted = () => {
  const asked: unknown[] = [];
  const ask = <T>(one: T): T => {
    asked.push(one);
    return one;
  };
  return { asked, ask };
};

it('calculates once for a frozen object, and every time for a draft', () => {
  const { asked, ask } = counted();
  const sum = kept((rows: readonly number[]) => ask(rows).reduce((all, one) => all + one, 0));
  const final = Object.freeze([1, 2]);
  expect([sum(final), sum(final)]).toEqual([3, 3]);
  expect(asked).toHaveLength(1);
  const draft = [1, 2];
  expect(sum(draft)).toBe(3);
  draft.push(4);
  expect(sum(draft)).toBe(7);
});

it('keeps null and undefined', () => {
  const { asked, ask } = counted();
  const first = kept((rows: readonly number[]) => ask(rows)[0]);
  const none = Object.freeze([]);
  expect([first(none), first(none)]).toEqual([undefined, undefined]);
  expect(asked).toHaveLength(1);
});

it('keeps one result for each key', () => {
  const { asked, ask } = counted();
  const at = keptFor((rows: readonly string[], key: number) => ask(rows)[key] ?? null);
  const rows = Object.freeze(['a', 'b']);
  expect([at(rows, 0), at(rows, 1), at(rows, 0), at(rows, 7), at(rows, 7)]).toEqual(['a', 'b', 'a', null, null]);
  expect(asked).toHaveLength(3);
});

it('recalculates when any input changes, and keeps nothing when one of them is a draft', () => {
  type Job = { name: string; rows: readonly number[]; width: number };
  const { asked, ask } = counted();
  const drawn = keptWhile(
    ({ rows, width }: Job) => [rows, width],
    ({ rows, width }) => ask(rows.map((one) => one * width)),
  );
  const rows = Object.freeze([1, 2]);
  const one = drawn({ name: 'a', rows, width: 2 });
  expect(one).toEqual([2, 4]);
  expect(drawn({ name: 'b', rows, width: 2 })).toBe(one);
  expect(drawn({ name: 'b', rows, width: 3 })).toEqual([3, 6]);
  expect(asked).toHaveLength(2);
  const draft = [1];
  expect(drawn({ name: 'a', rows: draft, width: 2 })).not.toBe(drawn({ name: 'a', rows: draft, width: 2 }));
});

it('keeps results of objects that are not frozen when told to', () => {
  const { asked, ask } = counted();
  const name = kept((job: { name: string }) => ask(job).name, always);
  const job = { name: 'a' };
  expect([name(job), name(job)]).toEqual(['a', 'a']);
  expect(asked).toHaveLength(1);
});
