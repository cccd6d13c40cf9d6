import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, marrowby, patched } from '../../../../tests/support/jobs';
import { frameWidths, rackDimensions } from '../../base/standards/rackDimensions';
import { pulling } from '../../base/standards/slack';
import type { Rack } from '../../job/records/rack';
import { ENTRY_SIDES, type Run } from '../../job/records/run';
import { tailShortfall } from './tailReach';

const UNIT = rackDimensions.unitMm;
const job = bench({ 1: { tailMm: 1000, entry: 'top' }, 2: { tailMm: null } });
const first = (of = job) => of.runs['run-1'] as Run;

describe('whether a tail reaches', () => {
  it('goes from the entry along the side to the nearest port, with a service loop', () => {
    // The panel is in U12 of 12: half a unit below the top, and its outer port 26 mm and half a pitch from the edge.
    const reach = tailShortfall(job, first());
    const pitch = (frameWidths['19-inch'].panelMm - 52) / 24;
    const needMm = Math.round(UNIT / 2 + 26 + pitch / 2 + pulling.serviceLoopMm);
    expect(reach).toEqual({ panelName: 'Panel', needMm, missingMm: needMm - 1000 });
  });

  it('is farther from the bottom than from the top, for a panel at the top', () => {
    const need = (entry: Run['entry']) => tailShortfall(job, { ...first(), entry })?.needMm ?? 0;
    expect(need('bottom') - need('top')).toBeCloseTo(11 * UNIT, -1);
    expect(need(null)).toBe(need('top'));
    for (const side of ENTRY_SIDES) expect(need(side)).toBeGreaterThan(pulling.serviceLoopMm);
  });

  it('crosses the depth from its entry, at the back where nothing is known, and the width from where it comes in', () => {
    const need = (fields: Partial<Rack>) =>
      tailShortfall({ ...job, racks: { rack: { ...(job.racks.rack as Rack), ...fields } } }, first())?.needMm ?? 0;
    const near = need({});
    // The rack is 400 mm deep, the panel 100 mm: from the back 300 mm more.
    expect(need({ entryDepthMm: null }) - near).toBe(300);
    // From the middle, and down a side: half the width more.
    expect(need({ entryAcrossMm: null }) - near).toBeCloseTo(frameWidths['19-inch'].panelMm / 2, -1);
    expect(need({ entryAcrossMm: 100 }) - near).toBe(100);
  });

  it('goes to its own port once the run is landed', () => {
    const near = patched(job, '1');
    const own = (port: number) => {
      const moved = apply(near, {
        type: 'landRuns',
        landings: [{ runId: 'run-1', panelId: 'panel', port }],
      });
      return tailShortfall(moved, first(moved))?.needMm ?? 0;
    };
    expect(own(1)).toBeLessThan(own(12));
    expect(own(12)).toBeLessThan(own(24));
  });

  it('is not known without a tail, a panel or a place', () => {
    expect(tailShortfall(job, job.runs['run-2'] as Run)).toBeNull();
    const lifted = apply(job, { type: 'liftGear', gearIds: ['panel'] });
    expect(tailShortfall(lifted, first(lifted))).toBeNull();
    const gone = apply(job, { type: 'removeGear', gearIds: ['panel'] });
    expect(tailShortfall(gone, first(gone))).toBeNull();
  });

  it('a longer tail never reaches less', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5000 }), fc.integer({ min: 0, max: 5000 }), (tailMm, more) => {
        const missing = (mm: number) => tailShortfall(job, { ...first(), tailMm: mm })?.missingMm ?? 0;
        expect(missing(tailMm + more)).toBe(missing(tailMm) - more);
      }),
    );
  });

  it('moving the panel nearer to the entry brings the short tails of the demo house in', () => {
    const house = marrowby();
    const short = (of = house) =>
      Object.values(of.runs).filter((run) => (tailShortfall(of, run)?.missingMm ?? 0) > 0).length;
    expect(short()).toBe(2);
    const nearer = apply(house, { type: 'placeGear', gearId: 'panel', rackId: 'rack', bottomU: 9 });
    expect(short(nearer)).toBeLessThanOrEqual(2);
    const farther = apply(house, { type: 'placeGear', gearId: 'panel', rackId: 'rack', bottomU: 1 });
    expect(short(farther)).toBeGreaterThan(2);
  });
});
