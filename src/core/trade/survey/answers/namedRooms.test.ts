import { describe, expect, it } from 'vitest';
import { apply, bench, counter, schnuerlbach, surveyed } from '../../../../../tests/support/jobs';
import { drawRooms, namedRooms } from './namedRooms';
import { siteOf } from './site';

describe('rooms that runs name', () => {
  it('are drawn on their floors, in a row beside what is there, and asked for once', () => {
    const job = bench({
      1: { floor: 'Ground', room: 'Hall' },
      2: { floor: 'Ground', room: 'hall ' },
      3: { room: 'Shed' },
    });
    expect(namedRooms(job)).toEqual([
      { floor: '', room: 'Shed', runs: 1 },
      { floor: 'Ground', room: 'Hall', runs: 2 },
    ]);
    const drawn = apply(job, ...drawRooms(job, namedRooms(job), counter('new')));
    expect(namedRooms(drawn)).toEqual([]);
    expect(Object.values(drawn.rooms).map(({ name }) => name)).toEqual(['Shed', 'Hall']);
    expect(Object.values(drawn.runs).map(({ floor }) => floor)).toEqual(['Ground', 'Ground', 'Ground']);
  });

  it('of an untidy list come on floors of different levels, and overlap nowhere', () => {
    const job = schnuerlbach();
    const drawn = apply(job, ...drawRooms(job, namedRooms(job), counter('new')));
    expect(namedRooms(drawn)).toEqual([]);
    const levels = siteOf(drawn).floorsInOrder.map(({ name, level }) => `${name} ${level}`);
    expect(levels).toEqual(expect.arrayContaining(['Keller -1', 'EG 0', '1. OG 1']));
    for (const floor of siteOf(drawn).floorsInOrder) {
      const rooms = Object.values(drawn.rooms).filter((room) => room.floorId === floor.id);
      const starts = rooms.map((room) => room.xMm).sort((a, b) => a - b);
      for (const [at, x] of starts.entries()) expect(x).toBe(at * 4000);
    }
    expect(drawRooms(surveyed(), [], counter())).toEqual([]);
  });
});
