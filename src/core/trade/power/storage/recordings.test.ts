import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARRAYS, arrays, fileSystemShare } from '../../../base/standards/recording';
import {
  arrayWrites,
  daysHeld,
  drivesFor,
  rebuildHours,
  recordingTb,
  toTib,
  unreadableChance,
  uploadHours,
  usableTb,
} from './recordings';

describe('recordings', () => {
  it('8 cameras of 4 Mb/s fill 10.4 TB, 9.43 TiB, in 30 days (arithmetic)', () => {
    const need = recordingTb(8 * 4, 30, 1);
    expect(need).toBeCloseTo(10.4, 1);
    expect(toTib(need)).toBeCloseTo(9.43, 2);
    expect(daysHeld(need, 32, 1)).toBeCloseTo(30, 9);
  });

  it('1 TB is 0.909 TiB, 8 TB are 7.28 (SI; IEC 80000-13)', () => {
    expect(toTib(1)).toBeCloseTo(0.909, 3);
    expect(toTib(8)).toBeCloseTo(7.28, 2);
  });

  // By the definitions of the levels.
  it.each([
    ['0', 4, 4, 0, 1],
    ['1', 2, 1, 1, 2],
    ['5', 4, 3, 1, 4],
    ['6', 6, 4, 2, 6],
    ['10', 4, 2, 1, 2],
  ] as const)(
    'level %s of %i drives holds %i, survives %i, writes %i times',
    (kind, drives, usable, survives, writes) => {
      expect(arrays[kind].usable(drives)).toBe(usable);
      expect(arrays[kind].survives(drives)).toBe(survives);
      expect(arrayWrites(kind, 1)).toBe(writes);
      expect(usableTb(kind, drives, 1)).toBeCloseTo(usable * (1 - fileSystemShare), 9);
    },
  );

  it('8 TB at 150 MB/s take 14.8 h to rebuild at least (arithmetic)', () =>
    expect(rebuildHours(8)).toBeCloseTo(14.8, 1));

  it('reading 12 TB meets a bad bit with 62 % at 1e-14, 9 % at 1e-15 (arithmetic)', () => {
    expect(unreadableChance(12, 1e-14)).toBeCloseTo(0.62, 2);
    expect(unreadableChance(12, 1e-15)).toBeCloseTo(0.09, 2);
  });

  it('1 TB at 40 Mb/s takes 55.6 h (arithmetic)', () => expect(uploadHours(1, 40)).toBeCloseTo(55.6, 1));

  it('proposes the fewest drives that hold it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ARRAYS),
        fc.integer({ min: 1, max: 20 }),
        fc.double({ min: 0.1, max: 80, noNaN: true }),
        (kind, each, need) => {
          const drives = drivesFor(kind, each, need);
          if (drives === null) return;
          expect(usableTb(kind, drives, each)).toBeGreaterThanOrEqual(need - 1e-6);
          const fewer = drives - (kind === '10' ? 2 : 1);
          if (fewer >= arrays[kind].least) expect(usableTb(kind, fewer, each)).toBeLessThan(need);
        },
      ),
    );
  });
});
