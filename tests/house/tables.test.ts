import { describe, expect, it } from 'vitest';
import { FIRMS_TABLES } from '../../src/core/exchange/copies/firmsOwn';
import { TABLE_NAMES, tablesThat } from '../../src/core/job/document/tables';
import { STATIONS } from '../../src/core/job/records/stationIds';

describe('what tables say of themselves', () => {
  it('is all that is said of them: each is about something, and made at a station', () => {
    const about = ['plan', 'building', 'site-work', 'firm'] as const;
    const all = about.flatMap((one) => tablesThat((table) => table.about === one));
    expect(all.sort()).toEqual([...TABLE_NAMES].sort());
    // Which stations a job does not need is said on the line above all of them.
    expect(tablesThat(({ stations }) => stations.length === 0)).toEqual(['skips']);
    for (const station of STATIONS) expect(tablesThat(({ stations }) => stations.includes(station))).not.toEqual([]);
  });

  it('has a heading for each table that a firm works by', () => {
    expect(tablesThat(({ about }) => about === 'firm').sort()).toEqual(Object.keys(FIRMS_TABLES).sort());
  });

  it('fits together: nothing private and nothing of one building goes along with a cabinet', () => {
    const along = tablesThat(({ withCabinet }) => withCabinet);
    expect(along).not.toEqual([]);
    for (const table of tablesThat(({ private: is, about }) => is || about === 'building' || about === 'site-work'))
      expect(along).not.toContain(table);
  });
});
