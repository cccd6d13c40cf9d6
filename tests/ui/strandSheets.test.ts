import { expect, test } from 'vitest';
import { applyCommands } from '../../src/core/job/commands/apply';
import { patchCordsOf } from '../../src/core/job/document/cordKinds';
import type { Job } from '../../src/core/job/document/job';
import { layLoom } from '../../src/ui/patch/loomLayout';
import { steadyLoom } from '../../src/ui/patch/steadyLoom';
import { type LineMark, SHEET_PX, strandSheets } from '../../src/ui/patch/strandSheets';
import { tarnbrook } from '../support/jobs';

const WIDTH = 980;
const lay = (job: Job) => layLoom(job, 600, 26, new Set(), { by: 'room', show: 'all' });
const sheetsOf = (job: Job) => strandSheets([], lay(job), WIDTH, null, job.units);
const lines = (of: ReturnType<typeof sheetsOf>) =>
  new Map(
    of
      .flatMap(({ marks }) => marks.filter((mark): mark is LineMark => mark.what === 'line'))
      .map((mark) => [mark.key, mark]),
  );

test('a strand is on every sheet that it crosses, as far as it goes', () => {
  const job = tarnbrook();
  const sheets = sheetsOf(job);
  expect(sheets.length * SHEET_PX).toBeGreaterThanOrEqual(lay(job).height);
  for (const mark of lines(sheets).values()) {
    const on = sheets.filter(({ marks }) => marks.includes(mark)).map(({ top }) => top);
    expect(Math.min(...on)).toBeLessThanOrEqual(mark.low);
    expect(Math.max(...on) + SHEET_PX).toBeGreaterThanOrEqual(mark.high);
    expect(on).toHaveLength((Math.max(...on) - Math.min(...on)) / SHEET_PX + 1);
  }
  const [cord] = Object.values(patchCordsOf(job));
  if (!cord) throw new Error('no cord');
  const { job: after } = applyCommands(job, [{ type: 'unplug', cordIds: [cord.id] }]);
  // The cord, and what led on from it to the network.
  expect(lines(sheets).size - lines(sheetsOf(after)).size).toBe(2);
});

test('sheets that a change does not touch stay as they are', () => {
  const job = tarnbrook();
  const before = lay(job);
  const sheets = strandSheets([], before, WIDTH, null, job.units);
  const [cord] = Object.values(patchCordsOf(job)).sort(
    (a, b) => Math.abs(a.panelPort - a.switchPort) - Math.abs(b.panelPort - b.switchPort),
  );
  if (!cord) throw new Error('no cord');
  const now = steadyLoom(before, lay(applyCommands(job, [{ type: 'unplug', cordIds: [cord.id] }]).job));
  const after = strandSheets(sheets, now, WIDTH, null, job.units);
  expect(after).toEqual(strandSheets([], now, WIDTH, null, job.units));
  const kept = after.filter((sheet, at) => sheet === sheets[at]);
  expect(kept.length).toBeGreaterThan(0);
  expect(kept.length).toBeLessThan(sheets.length);
  for (const [at, sheet] of after.entries()) if (sheet !== sheets[at]) expect(sheet).not.toEqual(sheets[at]);
});
