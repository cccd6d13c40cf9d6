import { describe, expect, it } from 'vitest';
import { apply, marrowby, surveyed } from '../../../../tests/support/jobs';
import { readJobFile, writeJobFile } from '../../exchange/formats/jobFile';
import { TABLE_NAMES, tableOf } from '../document/tables';
import { clashes } from '../document/verify';
import { openPoints } from '../records/openPoint';
import { Command } from './commands';

type File = Record<string, Record<string, unknown>[]>;
const tampered = (change: (file: File) => void, of = surveyed()): string => {
  const file = JSON.parse(writeJobFile(of));
  change(file);
  return JSON.stringify(file);
};
const first = (file: File, table: string) => file[table]?.[0] as Record<string, unknown>;

/** What is wrong in a file, and the words that name the record and the field. */
const FAULTS: [what: string, change: (file: File) => void, words: RegExp][] = [
  ['a room on no floor', (file) => Object.assign(first(file, 'rooms'), { floorId: 'roof' }), /rooms .*floorId.*roof/],
  ['a wish in no room', (file) => Object.assign(first(file, 'wishes'), { roomId: 'x' }), /wishes .*roomId/],
  ['a place of no kind', (file) => Object.assign(first(file, 'places'), { kind: 'tree' }), /places\[0\]\.kind/],
  ['a room of no width', (file) => Object.assign(first(file, 'rooms'), { widthMm: 0 }), /rooms\[0\]\.widthMm/],
  ['half a millimetre', (file) => Object.assign(first(file, 'places'), { xMm: 1.5 }), /places\[0\]\.xMm/],
  ['a box with nothing in it', (file) => Object.assign(first(file, 'boxes'), { leftMm: 0 }), /boxes\[0\]\.leftMm/],
  [
    'a pathway that is no way',
    (file) => Object.assign(first(file, 'pathways'), { kind: 'road' }),
    /pathways\[0\]\.kind/,
  ],
  ['a field nobody knows', (file) => Object.assign(first(file, 'boxes'), { colour: 'red' }), /boxes\[0\].*colour/i],
  ['an id twice', (file) => file.rooms?.push({ ...first(file, 'rooms') }), /stands twice/],
  ['a run of no state', (file) => Object.assign(first(file, 'runs'), { state: 'lost' }), /runs\[0\]\.state/],
  ['a tail below nothing', (file) => Object.assign(first(file, 'runs'), { tailMm: -1 }), /runs\[0\]\.tailMm/],
];

describe('a job file with faults in its tables', () => {
  it.each(FAULTS)('%s is refused by record and field', (_, change, words) => {
    expect(() => readJobFile(tampered(change))).toThrow(words);
  });

  it('tones of jacks or runs that are not there are refused', () => {
    const tone = { id: 't', jackId: 'jack-01', runId: 'run-x01', walk: 1, remote: 1 };
    const put = (fields: object) => tampered((file) => file.tones?.push({ ...tone, ...fields }), marrowby());
    expect(() => readJobFile(put({}))).not.toThrow();
    expect(() => readJobFile(put({ runId: null }))).not.toThrow();
    expect(() => readJobFile(put({ jackId: 'nowhere' }))).toThrow(/tones t\.jackId/);
    expect(() => readJobFile(put({ runId: 'nobody' }))).toThrow(/tones t\.runId/);
  });

  it('what cannot both be is read, and named as a clash', () => {
    const twice = readJobFile(
      tampered((file) => {
        file.boxes?.push({ ...first(file, 'boxes'), id: 'other', name: ' SHOP BOX ' });
        file.rooms?.push({ ...first(file, 'rooms'), id: 'other' });
      }),
    );
    const words = clashes(twice);
    expect(words.some((one) => one.startsWith('boxes: 2 boxes share the name'))).toBe(true);
    expect(words.some((one) => one.startsWith('rooms: 2 rooms share the name'))).toBe(true);
    expect(clashes(surveyed())).toEqual([]);
  });

  it('defaults may be left out', () => {
    const short = readJobFile(
      tampered((file) => {
        for (const room of file.rooms ?? []) delete room.code;
        for (const floor of file.floors ?? []) for (const field of ['heightMm', 'slabMm', 'route']) delete floor[field];
        for (const run of file.runs ?? [])
          for (const field of ['jacket', 'entry', 'tailMm', 'state', 'origin', 'scope']) delete run[field];
      }),
    );
    expect(short.floors['floor-first']).toMatchObject({ heightMm: 2700, slabMm: 300, route: 'overhead' });
    expect(Object.values(short.runs)[0]).toMatchObject({ jacket: '', entry: null, tailMm: null, state: 'wanted' });
  });
});

describe('commands on tables', () => {
  it('are checked by the schema of their table', () => {
    const box = { id: 'b', name: 'B', cable: 'C', leftMm: 1000 };
    const keep = (table: string, record: object) => Command.safeParse({ type: 'keepRows', rows: [{ table, record }] });
    expect(keep('boxes', box)).toMatchObject({
      success: true,
      data: { rows: [{ record: { bought: false, marksFall: true } }] },
    });
    expect(keep('boxes', { ...box, leftMm: -1 }).success).toBe(false);
    expect(keep('rooms', box).success).toBe(false);
    expect(keep('runs', box).success).toBe(false);
    expect(keep('boxes', { ...box, id: '__proto__' }).success).toBe(false);
    expect(Command.safeParse({ type: 'dropRows', table: 'jobs', ids: ['x'] }).success).toBe(false);
    expect(Command.safeParse({ type: 'dropRows', table: 'boxes', ids: [] }).success).toBe(false);
  });

  it('leave everything as it was when one row of many cannot be kept', () => {
    const job = surveyed();
    const [room] = Object.values(job.rooms);
    const good = { table: 'openPoints' as const, record: openPoints.make({ id: 'p', words: 'good' }) };
    const bad = { table: 'rooms' as const, record: { ...(room as NonNullable<typeof room>), floorId: 'nowhere' } };
    expect(() => apply(job, { type: 'keepRows', rows: [good, bad] })).toThrow();
    expect(job.openPoints.p).toBeUndefined();
  });

  it('may point at rows that the same step keeps, before or behind them', () => {
    const job = surveyed();
    const floor = { id: 'attic', name: 'Attic', level: 2, heightMm: 2000, slabMm: 200, route: 'underfoot' as const };
    const room = {
      id: 'store',
      floorId: 'attic',
      name: 'Store',
      xMm: 0,
      yMm: 0,
      widthMm: 3000,
      depthMm: 3000,
      code: '',
    };
    const rows = [
      { table: 'floors' as const, record: floor },
      { table: 'rooms' as const, record: room },
    ];
    expect(apply(job, { type: 'keepRows', rows }).rooms.store).toEqual(room);
    expect(apply(job, { type: 'keepRows', rows: [...rows].reverse() }).rooms.store).toEqual(room);
    expect(() => apply(job, { type: 'keepRows', rows: rows.slice(1) })).toThrow(/floor is no longer/);
  });

  it('every table says what it is called, and what goes when others go', () => {
    for (const table of TABLE_NAMES) {
      const { one, refers, schema, name } = tableOf(table);
      expect(name).toBe(table);
      expect(one).toMatch(/^[a-z ]+$/);
      const ids = Object.keys(schema.shape).filter((field) => /[a-z]Id$|^stackedOn$/.test(field));
      expect(refers.map(({ field }) => field).sort()).toEqual(ids.sort());
    }
  });
});
