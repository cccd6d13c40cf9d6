import { expect, test } from 'vitest';
import { applyCommands } from '../../src/core/job/commands/apply';
import { patchCordsOf } from '../../src/core/job/document/cordKinds';
import type { Job } from '../../src/core/job/document/job';
import { layLoom } from '../../src/ui/patch/loomLayout';
import { steadyLoom } from '../../src/ui/patch/steadyLoom';
import { tarnbrook } from '../support/jobs';

const lay = (job: Job, height = 600) => layLoom(job, height, 13, new Set(), { by: 'room', show: 'all' });

test('what a cord does not touch keeps its row and its port, so that it is not drawn anew', () => {
  const job = tarnbrook();
  const before = lay(job);
  const [cord] = Object.values(patchCordsOf(job));
  if (!cord) throw new Error('no cord');
  const { job: after } = applyCommands(job, [{ type: 'unplug', cordIds: [cord.id] }]);
  const now = lay(after);
  const loom = steadyLoom(before, now);
  expect(loom).toEqual(now);
  const changed = <T>(was: T[], is: T[]) => is.filter((one) => !was.includes(one));
  expect(changed(before.rows, loom.rows)).toHaveLength(1);
  expect(changed(before.rows, loom.rows)[0]?.trace.cord).toBeNull();
  expect(changed(before.panelPorts, loom.panelPorts)).toEqual([]);
  expect(changed(before.switchPorts, loom.switchPorts)).toMatchObject([{ run: null }]);
});

test('what moved is drawn anew', () => {
  const job = tarnbrook();
  const before = lay(job);
  const lower = lay(job, 1200);
  expect(steadyLoom(before, lower)).toEqual(lower);
  expect(steadyLoom(before, lower).switchPorts.some((port) => before.switchPorts.includes(port))).toBe(false);
  expect(steadyLoom(null, before)).toBe(before);
});
