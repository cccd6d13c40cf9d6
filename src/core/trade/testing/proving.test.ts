import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  acrfLimitDb,
  alienFextLimitDb,
  alienNextLimitDb,
  insertionLimitDb,
  nextLimitDb,
  returnLimitDb,
} from './certification';
import { echoLengthM, frameErrorRate, nvpOf, secondsAnError, wrapSeconds } from './reflections';
import { PINS, readingOf, readWireMap, STRAIGHT, type WireMap } from './wireMap';
import { noneSeenBound, sampleFinds, wilson, yieldOfEnds } from './yields';

const map = (text: string, more: Partial<WireMap> = {}): WireMap => ({
  to: readWireMap(text) ?? STRAIGHT,
  screen: 'none',
  pairM: [null, null, null, null],
  splitSeen: null,
  ...more,
});
const kinds = (text: string, more: Partial<WireMap> = {}) => readingOf(map(text, more)).faults.map(({ kind }) => kind);

describe('a wire map in words', () => {
  // ANSI/TIA-568.2, faults by pin map from end 1 to end 2.
  it.each([
    ['1 2 3 4 5 6 7 8', []],
    ['1 2 3 - 5 6 7 8', ['open']],
    ['1 2 3 - - 6 7 8', ['open']],
    ['1+2 1+2 3 4 5 6 7 8', ['short']],
    ['1 2+3 2+3 4 5 6 7 8', ['short']],
    ['2 1 3 4 5 6 7 8', ['reversed']],
    ['3 6 1 4 5 2 7 8', ['half crossover']],
    ['3 6 1 7 8 2 4 5', ['full crossover']],
    ['8 7 6 5 4 3 2 1', ['rolled']],
    ['1 2 3 7 8 6 4 5', ['crossed']],
    ['1 3 2 4 5 6 7 8', ['scrambled']],
    ['- - - - - - - -', ['open']],
  ])('%s', (text, expected) => {
    expect(kinds(text)).toEqual(expected);
  });

  it('says that a split pair cannot be told from continuity alone', () => {
    expect(readingOf(map('1 2 3 4 5 6 7 8')).verdict).toBe('passes as far as it was looked');
    expect(readingOf(map('1 2 3 4 5 6 7 8', { splitSeen: false })).verdict).toBe('pass');
    expect(kinds('1 2 3 4 5 6 7 8', { splitSeen: true })).toEqual(['split']);
    expect(kinds('1 2 3 4 5 6 7 8', { screen: 'open' })).toEqual(['screen open']);
  });

  it('says what it does to the link', () => {
    // IEEE 802.3: 10 and 100 Mb/s use 1-2 and 3-6, 1 Gb/s all four.
    const effect = (text: string) =>
      readingOf(map(text))
        .effects.map(({ words }) => words)
        .join(' ');
    expect(effect('- 2 3 4 5 6 7 8')).toContain('No link at any speed');
    expect(effect('1 2 3 4 5 6 - -')).toContain('100 Mb/s at most');
    expect(effect('3 6 1 4 5 2 7 8')).toContain('cross by themselves');
  });

  it('says which end, by length', () => {
    const place = (pairM: WireMap['pairM']) => readingOf(map('1 2 3 - - 6 7 8', { pairM })).place;
    expect(place([32, 32.6, 0.8, 31.8])).toContain('at this end');
    expect(place([32, 32.6, 31.1, 31.8])).toBeNull();
    expect(place([18, 18.2, 16.2, 18.1])).toContain('at the far end');
    expect(place([32, 32.6, 14, 31.8])).toContain('in between');
    expect(readingOf(map('- - - - - - - -', { pairM: [12, 12.2, 11.9, 12] })).place).toContain('cut there');
  });

  it('says what to do, least first, and nothing where nothing is wrong', () => {
    expect(readingOf(map('1 2 3 4 5 6 7 8')).todo).toEqual([]);
    const { todo } = readingOf(map('1 2 3 - 5 6 7 8'));
    expect(todo[0]).toContain('cord that is known to be good');
    expect(todo.length).toBeGreaterThan(2);
  });

  it('names every wire that is not where it should be, whatever the map', () => {
    const row = fc.subarray([...PINS], { maxLength: 2 });
    fc.assert(
      fc.property(fc.array(row, { minLength: 8, maxLength: 8 }), (to) => {
        const told = new Set(readingOf({ ...map('1 2 3 4 5 6 7 8'), to }).faults.flatMap(({ pins }) => pins));
        for (const pin of PINS) if (to[pin - 1]?.length !== 1 || to[pin - 1]?.[0] !== pin) expect(told).toContain(pin);
      }),
    );
  });

  it('reads what testers show, and nothing else', () => {
    expect(readWireMap('12345678')).toEqual(STRAIGHT);
    expect(readWireMap('1,2,3,4,5,6,7')).toBeNull();
    expect(readWireMap('1 2 3 4 5 6 7 9')).toBeNull();
    expect(readWireMap('1 2 3 x 5 6 7 8')).toBeNull();
  });
});

describe('reflections and errors', () => {
  it('measures by echoes', () => {
    // Physics: L = NVP × 0.2998 × t / 2; NVP 0.69 is 0.103 m a ns of echo; 1 % of NVP is 0.9 m at 90 m.
    expect(echoLengthM(0.69, 1)).toBeCloseTo(0.103, 3);
    const echo = 90 / echoLengthM(0.69, 1);
    expect(echoLengthM(0.69 * 1.01, echo) - 90).toBeCloseTo(0.9, 6);
    expect(nvpOf(30, 30 / (0.69 * 0.299792458))).toBeCloseTo(0.69, 9);
  });

  it('counts what breaks', () => {
    // FER = 1 − (1 − BER)^bits: 1518 octets at 1e-10: 1.21e-6, one each 10.1 s at full 1G; 1e-12 at full 10G: 101 s.
    expect(frameErrorRate(1e-10, 1518)).toBeCloseTo(1.21e-6, 8);
    expect(secondsAnError(1e-10, 1518, 1000)).toBeCloseTo(10.1, 1);
    expect(secondsAnError(1e-12, 1518, 10_000)).toBeCloseTo(101, 0);
    // 32-bit counters: 34.4 s at 1G, 3.44 s at 10G.
    expect(wrapSeconds(1000)).toBeCloseTo(34.4, 1);
    expect(wrapSeconds(10_000)).toBeCloseTo(3.44, 2);
  });
});

describe('yields', () => {
  it('has bounds', () => {
    // Binomial: none of 48 failed, at most 6.05 %; 59 tests for under 5 %. Wilson: 3 of 48 is 2.1 to 16.8 %.
    expect(noneSeenBound(48)).toBeCloseTo(0.0605, 4);
    expect(noneSeenBound(59)).toBeLessThan(0.05);
    expect(noneSeenBound(58)).toBeGreaterThan(0.05);
    const { low, high } = wilson(3, 48);
    expect(low).toBeCloseTo(0.021, 3);
    expect(high).toBeCloseTo(0.168, 3);
    // Hypergeometric: 48 links, 10 tested: 5 bad 70.7 %, 2 bad 37.7 %.
    expect(sampleFinds(48, 5, 10)).toBeCloseTo(70.7 / 100, 3);
    expect(sampleFinds(48, 2, 10)).toBeCloseTo(0.377, 3);
    // Two ends of 0.98: 0.960; of 48 links 1.9.
    expect(yieldOfEnds(0.98)).toBeCloseTo(0.96, 3);
    expect(48 * (1 - yieldOfEnds(0.98))).toBeCloseTo(1.9, 1);
  });

  it('a sample of all finds every fault', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 60 }), (all, bad) => {
        expect(sampleFinds(all, Math.min(bad, all), all)).toBeCloseTo(1, 12);
      }),
    );
  });
});

describe('limits of certification', () => {
  // ANSI/TIA-568.2: NEXT by frequency, computed values that agree with the published spot values.
  it.each([
    ['5e', 'channel', [43.6, 38.7, 33.6, 30.1]],
    ['5e', 'link', [45.2, 40.5, 35.7, 32.3]],
    ['6', 'channel', [53.2, 48.4, 43.4, 39.9, 34.8, 33.1]],
    ['6', 'link', [54.6, 50, 45.1, 41.8, 36.9, 35.3]],
  ] as const)('near-end crosstalk of %s, %s', (set, of, values) => {
    const at = [16, 31.25, 62.5, 100, 200, 250];
    values.forEach((value, slot) => {
      expect(nextLimitDb(set, of, at[slot] ?? 0)).toBeCloseTo(value, 1);
    });
  });

  it('at 100 and 250 MHz', () => {
    // Published spot values at 100 MHz, and of Cat 6 at 250.
    expect(nextLimitDb('5e', 'channel', 100, true)).toBeCloseTo(27.1, 1);
    expect(nextLimitDb('6', 'channel', 100, true)).toBeCloseTo(37.1, 1);
    expect(nextLimitDb('6', 'link', 100, true)).toBeCloseTo(39.3, 1);
    expect(acrfLimitDb('5e', 'channel', 100)).toBeCloseTo(17.4, 1);
    expect(acrfLimitDb('5e', 'channel', 100, true)).toBeCloseTo(14.4, 1);
    expect(acrfLimitDb('6', 'channel', 100)).toBeCloseTo(23.3, 1);
    expect(acrfLimitDb('6', 'link', 100)).toBeCloseTo(24.2, 1);
    expect(acrfLimitDb('6', 'channel', 250)).toBeCloseTo(15.3, 1);
    expect(insertionLimitDb('D', 100)).toBeCloseTo(24, 1);
    expect(insertionLimitDb('E', 100)).toBeCloseTo(21.7, 1);
    expect(insertionLimitDb('E', 250)).toBeCloseTo(35.9, 1);
    expect(insertionLimitDb('EA', 100)).toBeCloseTo(20.9, 1);
    expect(insertionLimitDb('EA', 500)).toBeCloseTo(49.3, 1);
    expect(returnLimitDb('5e', 100)).toBeCloseTo(10, 9);
    expect(returnLimitDb('6', 100)).toBeCloseTo(12, 9);
    expect(returnLimitDb('6', 250)).toBeCloseTo(8, 1);
    // From memory: 60.0, 54.0, 49.5 and 37.0, 29.0, 23.0 at 100, 250, 500 MHz.
    expect([100, 250, 500].map((f) => Number(alienNextLimitDb(f).toFixed(1)))).toEqual([60, 54, 49.5]);
    expect([100, 250, 500].map((f) => Number(alienFextLimitDb(f).toFixed(1)))).toEqual([37, 29, 23]);
  });
});
