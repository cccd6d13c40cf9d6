import { describe, expect, it } from 'vitest';
import { scheduleColumns } from '../../src/core/trade/runs/cells';
import { COLUMN_SETS, type ColumnSet, columnsOf, gridOf, HEADINGS, leastWidth } from '../../src/ui/runs/columns';

const all = scheduleColumns('metric');

describe('columns of the schedule', () => {
  it('each have a heading, a name and a width, in metres and in feet', () => {
    for (const units of ['metric', 'imperial'] as const) {
      for (const column of scheduleColumns(units)) {
        expect(HEADINGS[column].words.length).toBeGreaterThan(0);
        expect(HEADINGS[column].name.length).toBeGreaterThan(2);
      }
    }
    expect(new Set(all.map((column) => HEADINGS[column].name)).size).toBe(all.length);
  });

  it('are shown in sets that always hold the label, and together hold every column', () => {
    const sets = Object.keys(COLUMN_SETS) as ColumnSet[];
    for (const set of sets) expect(columnsOf(set, all)[0]).toBe('label');
    expect(new Set(sets.flatMap((set) => columnsOf(set, all)))).toEqual(new Set(all));
    expect(columnsOf('all', all)).toEqual(all);
  });

  it('make a grid with a box to choose before them and a button behind', () => {
    const columns = columnsOf('devices', all);
    expect(gridOf(columns).split(/ (?![^(]*\))/)).toHaveLength(columns.length + 2);
    expect(leastWidth(columns)).toBeLessThan(leastWidth(all));
  });

  it('of places and devices fit the reference width beside the docket', () => {
    expect(leastWidth(columnsOf('devices', all))).toBeLessThanOrEqual(1280 - 264);
    expect(leastWidth(columnsOf('cable', all))).toBeLessThanOrEqual(1280 - 264);
  });
});
