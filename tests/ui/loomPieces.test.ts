import { expect, test } from 'vitest';
import { applyCommands } from '../../src/core/job/commands/apply';
import { patchCordsOf } from '../../src/core/job/document/cordKinds';
import type { Job } from '../../src/core/job/document/job';
import { layLoom } from '../../src/ui/patch/loomLayout';
import { loomPieces, PIECE_PX } from '../../src/ui/patch/loomPieces';
import { steadyLoom } from '../../src/ui/patch/steadyLoom';
import { tarnbrook } from '../support/jobs';

const lay = (job: Job) => layLoom(job, 600, 26, new Set(), { by: 'room', show: 'all' });

test('pieces that a change does not touch stay as they are', () => {
  const job = tarnbrook();
  const before = lay(job);
  const pieces = loomPieces(null, before);
  const [cord] = Object.values(patchCordsOf(job));
  if (!cord) throw new Error('no cord');
  const now = steadyLoom(before, lay(applyCommands(job, [{ type: 'unplug', cordIds: [cord.id] }]).job));
  const next = loomPieces(pieces, now);
  expect(next).toEqual(loomPieces(null, now));
  expect(next.panelPorts.every((piece, at) => piece === pieces.panelPorts[at])).toBe(true);
  expect(next.switchPorts.filter((piece) => !pieces.switchPorts.includes(piece))).toHaveLength(1);
});

test('every row and port is in the piece at its height', () => {
  const loom = lay(tarnbrook());
  const { rows, panelPorts } = loomPieces(null, loom);
  expect(rows.flatMap(({ items }) => items)).toEqual(loom.rows);
  for (const { top, items } of [...rows, ...panelPorts])
    for (const { y } of items) expect(Math.floor(y / PIECE_PX) * PIECE_PX).toBe(top);
});
