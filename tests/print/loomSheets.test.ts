import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { Refusal } from '../../src/core/base/text/refusal';
import { readJobFile } from '../../src/core/exchange/formats/jobFile';
import { portMapSvg } from '../../src/core/exchange/formats/portMapSvg';
import { GATHERED_BY, gatherRuns, readGathering, type SHOWN_RUNS } from '../../src/core/findings/wiring/gatherRuns';
import { type LoomMark, loomSheets } from '../../src/core/findings/wiring/loomSheets';
import { indexJob } from '../../src/core/job/document/jobIndex';

const job = readJobFile(readFileSync('demo/tarnbrook-job.json', 'utf8'));
const ids = (by: (typeof GATHERED_BY)[number], show: (typeof SHOWN_RUNS)[number]) =>
  gatherRuns(job, { by, show }).flatMap(({ forks }) => forks.flat().map(({ run }) => run.id));
const runsOn = (marks: LoomMark[]) => {
  const labels = new Set(Object.values(job.runs).map((run) => run.label));
  return marks.flatMap((mark) => (mark.kind === 'text' && labels.has(mark.text) ? [mark.text] : []));
};

describe('runs gathered', () => {
  test.each(GATHERED_BY)('by %s every run stands in one group, and the runs of an outlet together', (by) => {
    expect(ids(by, 'all').toSorted()).toEqual(Object.keys(job.runs).toSorted());
    for (const { forks } of gatherRuns(job, { by, show: 'all' }))
      for (const fork of forks) expect(new Set(fork.map(({ run }) => `${run.room} ${run.outlet}`)).size).toBe(1);
  });

  test('only those asked for are shown', () => {
    const { runsInOrder, landingOfRun } = indexJob(job);
    expect(ids('room', 'critical')).toHaveLength(runsInOrder.filter((run) => run.critical).length);
    expect(ids('room', 'spare').every((id) => job.runs[id]?.device === '')).toBe(true);
    expect(ids('room', 'unpatched').every((id) => landingOfRun.has(id))).toBe(true);
    expect(ids('room', 'snags').length).toBeLessThan(runsInOrder.length);
  });

  test('a word that is not known is refused by name', () => {
    expect(readGathering({})).toEqual({ by: 'room', show: 'all' });
    expect(() => readGathering({ by: 'colour' })).toThrow(Refusal);
    expect(() => readGathering({ by: 'colour' })).toThrow(/^by: /);
  });
});

describe('the loom on paper', () => {
  const { sheets, widthMm, heightMm } = loomSheets(job, { by: 'room', show: 'all' });

  test('every run stands on one sheet, and no sheet is without one', () => {
    expect(sheets.length).toBeGreaterThan(1);
    for (const sheet of sheets) expect(runsOn(sheet).length).toBeGreaterThan(0);
    expect(sheets.flatMap(runsOn).toSorted()).toEqual(
      Object.values(job.runs)
        .map((run) => run.label)
        .toSorted(),
    );
  });

  test('nothing lies beyond the paper', () => {
    for (const mark of sheets.flat()) {
      const xs = mark.kind === 'rule' || mark.kind === 'strand' ? [mark.x1, mark.x2] : [mark.x];
      const ys = mark.kind === 'rule' || mark.kind === 'strand' ? [mark.y1, mark.y2] : [mark.y];
      expect(Math.min(...xs, ...ys)).toBeGreaterThan(0);
      expect(Math.max(...xs)).toBeLessThan(widthMm);
      expect(Math.max(...ys)).toBeLessThan(heightMm);
    }
  });

  test('a strand has the colour and the line of its network', () => {
    const inks = new Set(sheets.flat().flatMap((mark) => (mark.kind === 'strand' ? [mark.ink] : [])));
    expect(inks.size).toBe(Object.values(job.networks).length);
  });

  test('a job without runs has one sheet, without a run', () => {
    const empty = { ...job, runs: {}, landings: {}, cords: {} };
    expect(loomSheets(empty, { by: 'room', show: 'all' }).sheets).toHaveLength(1);
  });

  test('as SVG it is one drawing whose names are safe', () => {
    const renamed = { ...job, name: 'A <b> & "c"' };
    const svg = portMapSvg(renamed, { by: 'room', show: 'all' });
    expect(svg).toContain('<title>Port map of A &lt;b&gt; &amp; &quot;c&quot;</title>');
    expect(svg.match(/<g /g)).toHaveLength(sheets.length);
    expect(svg.match(/<g /g)).toHaveLength(svg.match(/<\/g>/g)?.length ?? 0);
  });
});
