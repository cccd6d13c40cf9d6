import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, marrowby, patched, surveyed } from '../../../../tests/support/jobs';
import { indexJob } from '../../job/document/jobIndex';
import { planJob } from '../wholeJob/planJob';
import { LABEL_KINDS, LABEL_SHEETS, readLabelOptions, writeOwnSheet } from './labelOptions';
import { labelPages } from './labelPages';
import { breaksScheme, labelBearers, letterOf, nextNumbers, planLabels, renameCommands } from './labelScheme';
import { fitText, flagLengthMm, textWidthMm, turnMm, wrapLengthMm } from './labelSize';

describe('schemes', () => {
  const job = planJob(surveyed()).job;

  it('give every run a label of its own, the same each time', () => {
    for (const scheme of ['numbers', 'place', 'telecom'] as const) {
      const plan = planLabels(job, scheme);
      const after = apply(job, ...renameCommands(plan.renames));
      const labels = Object.values(after.runs).map((run) => run.label);
      expect(new Set(labels).size).toBe(labels.length);
      expect(planLabels(after, scheme).renames).toEqual([]);
      expect(planLabels(job, scheme)).toEqual(plan);
    }
  });

  it('1A-A07: space, panel letter, port (ANSI/TIA-606, class 1)', () => {
    const labels = planLabels(job, 'telecom').renames.map((one) => one.to);
    expect(labels).toContain('1A-A07');
    // What is not copper stands at the far end of the panel that it shares.
    expect(labels).toEqual(expect.arrayContaining(['1A-B14', '1A-B24']));
    const bare = bench({ 1: {} });
    expect(planLabels(bare, 'telecom').left[0]?.why).toMatch(/not landed/);
  });

  it('floor, room, outlet and jack, by the codes of the plan', () => {
    const of = new Map(planLabels(job, 'place').renames.map((one) => [one.from, one.to]));
    expect(of.get('01')).toBe('G-REC-1A');
    expect(of.get('02')).toBe('G-REC-1B');
    expect(of.get('03')).toBe('G-REC-2A');
    expect(of.get('08')).toBe('G-CN1-1A');
    expect(of.get('28')).toBe('1-OFF-2A');
    expect([1, 26, 27, 52, 53].map(letterOf)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA']);
  });

  it('keep every landing, cord and cut when any of the runs is renamed', () => {
    const ids = Object.keys(job.runs);
    fc.assert(
      fc.property(fc.constantFrom('numbers', 'place', 'telecom'), fc.subarray(ids), (scheme, some) => {
        const after = apply(job, ...renameCommands(planLabels(job, scheme, new Set(some)).renames));
        expect(after.landings).toEqual(job.landings);
        expect(after.cords).toEqual(job.cords);
        const labels = Object.values(after.runs).map((run) => run.label);
        expect(new Set(labels).size).toBe(labels.length);
        for (const id of ids) if (!some.includes(id)) expect(after.runs[id]?.label).toBe(job.runs[id]?.label);
      }),
      { numRuns: 60 },
    );
  });

  it('that are in order are not proposed anew: only what breaks the scheme is', () => {
    const some = bench({ 7: {}, 12: {}, 'GF-1': {} });
    expect([...breaksScheme(some, 'numbers')]).toEqual(['run-GF-1']);
    expect(planLabels(some, 'numbers', breaksScheme(some, 'numbers')).renames).toMatchObject([{ from: 'GF-1' }]);
    for (const scheme of ['numbers', 'place', 'telecom'] as const) {
      const done = apply(job, ...renameCommands(planLabels(job, scheme).renames));
      expect([scheme, ...breaksScheme(done, scheme)]).toEqual([scheme]);
    }
  });

  it('say what else bears a label', () => {
    const live = patched(bench({ 1: { room: 'Hall', outlet: 'left' } }), '1');
    expect(labelBearers(live, 'run-1')).toEqual([
      'the faceplate of Hall, left',
      'the strip of Panel, port 1',
      'the port plan of Switch, port 1',
    ]);
  });

  it('go on counting where the numbers end', () => {
    expect(nextNumbers(bench({ '07': {}, X1: {} }), 3)).toEqual(['08', '09', '10']);
    expect(nextNumbers(marrowby(), 2)).toEqual(['01', '02']);
  });
});

/** π × diameter, mm: one turn, one and a half, two. Arithmetic. */
const TURNS: [od: number, one: number, oneAndHalf: number, two: number][] = [
  [3, 9.4, 14.1, 18.8],
  [5.2, 16.3, 24.5, 32.7],
  [6, 18.8, 28.3, 37.7],
  [7.6, 23.9, 35.8, 47.8],
  [8.4, 26.4, 39.6, 52.8],
];

describe('sizes', () => {
  it.each(TURNS)('a turn around %d mm', (od, one, oneAndHalf, two) => {
    expect(turnMm(od)).toBeCloseTo(one, 1);
    expect(1.5 * turnMm(od)).toBeCloseTo(oneAndHalf, 1);
    expect(2 * turnMm(od)).toBeCloseTo(two, 1);
  });

  it('wrap and flag from the cable: print, a turn, 5 mm over; two flags and a turn', () => {
    expect(wrapLengthMm(12, 6)).toBeCloseTo(12 + 18.85 + 5, 1);
    expect(flagLengthMm(20, 6)).toBeCloseTo(40 + 18.85, 1);
  });

  it('text is fitted into its field, or refused', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 40 }), fc.integer({ min: 5, max: 80 }), (text, width) => {
        const size = fitText(text, width, 10);
        if (size !== null) expect(textWidthMm(text, size)).toBeLessThanOrEqual(width + 1e-9);
      }),
    );
    expect(fitText('A'.repeat(40), 10, 10)).toBeNull();
  });
});

describe('sheets', () => {
  const job = planJob(surveyed()).job;
  const options = (words: Parameters<typeof readLabelOptions>[0]) => readLabelOptions(words);

  it('hold every mark within the page, on every sheet', () => {
    for (const sheet of Object.keys(LABEL_SHEETS)) {
      for (const kind of LABEL_KINDS) {
        const { pages, widthMm, heightMm } = labelPages(job, options({ kind, sheet, codeFor: 'http://127.0.0.1/' }));
        for (const mark of pages.flat()) {
          const half = mark.kind === 'text' ? textWidthMm(mark.text, mark.sizeMm) / 2 : 0;
          expect(mark.x - half).toBeGreaterThanOrEqual(-0.5);
          expect(mark.x + half).toBeLessThanOrEqual(widthMm + 0.5);
          expect(mark.y).toBeLessThanOrEqual(heightMm);
        }
      }
    }
  });

  it('all labels of a sheet have letters of one size, that of the longest', () => {
    const long = bench({ 1: { room: 'Hall' }, 'GF-RECEPTION-07': { room: 'Reception and waiting room' } });
    for (const kind of ['wrap', 'flag', 'faceplate'] as const) {
      const sizes = labelPages(long, options({ kind, sheet: 'a4-4x12' }))
        .pages.flat()
        .flatMap((mark) => (mark.kind === 'text' ? [mark] : []));
      const of = (bold: boolean) => new Set(sizes.filter((mark) => mark.bold === bold).map((mark) => mark.sizeMm));
      expect([kind, of(true).size, of(false).size]).toEqual([kind, 1, 1]);
      const short = labelPages(bench({ 1: { room: 'Hall' } }), options({ kind, sheet: 'a4-4x12' })).pages.flat();
      const [large] = short.flatMap((mark) => (mark.kind === 'text' && mark.bold ? [mark.sizeMm] : []));
      expect([...of(true)][0]).toBeLessThanOrEqual(large ?? 0);
    }
  });

  it('both ends of each run get the same label; an outlet gets one faceplate', () => {
    const texts = (kind: string) =>
      labelPages(job, options({ kind, sheet: 'a4-4x12' }))
        .pages.flat()
        .flatMap((mark) => (mark.kind === 'text' && mark.bold ? [mark.text] : []));
    expect(texts('tape')).toHaveLength(80);
    expect(texts('tape').filter((text) => text === '07')).toHaveLength(2);
    expect(texts('faceplate')).toContain('01  02');
    expect(texts('strip')).toHaveLength(40);
  });

  it('say which cable asks for a longer label', () => {
    const { faults } = labelPages(job, options({ kind: 'wrap', sheet: 'a4-5x13' }));
    expect(faults.some((fault) => fault.startsWith('A cable of 6 mm wants a label'))).toBe(true);
    expect(labelPages(job, options({ kind: 'wrap', sheet: 'a4-3x5-tall' })).faults).toEqual([]);
  });

  it('take own measures, and refuse what does not go on the page', () => {
    const own = { ...LABEL_SHEETS['a4-3x8'].size, columns: 4 };
    expect(readLabelOptions({ own: writeOwnSheet(own) }).own).toEqual(own);
    expect(() => labelPages(job, options({ own: writeOwnSheet(own) }))).toThrow(/fewer or smaller/);
    expect(() => options({ own: '1,2,three' })).toThrow(/pageWidthMm|columns/);
    expect(() => options({ kind: 'banner' })).toThrow(/kind/);
  });

  it('can be made for some runs only', () => {
    const [run] = indexJob(job).runsInOrder;
    const { pages } = labelPages(job, options({ kind: 'tape', runs: run?.id ?? '' }));
    expect(pages.flat().filter((mark) => mark.kind === 'text' && mark.bold)).toHaveLength(2);
  });
});
