import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { looseEnds } from '../document/verify';
import { overlaps } from '../rack/overlaps';
import { Gear } from '../records/gear';
import { Rack } from '../records/rack';

const gear = (id: string, fields: Partial<Gear> = {}) =>
  Gear.parse({ id, name: id, kind: 'other', heightU: 1, depthMm: 100, ...fields });

describe('standing on both sides', () => {
  it('lets front and rear gear share a unit, and two on one side not', () => {
    const job = apply(
      bench(),
      { type: 'addGear', gear: [gear('rear')] },
      { type: 'placeGear', gearId: 'rear', rackId: 'rack', bottomU: 12, face: 'rear' },
    );
    expect(overlaps(job)).toEqual([]);
    const row = { id: 'x', gearId: 'switch', rackId: 'rack', bottomU: 12, face: 'rear' as const, pinned: false };
    expect(overlaps({ ...job, placements: { ...job.placements, x: row } })).toHaveLength(1);
  });

  it('keeps the side when a device is moved, and turns it when asked', () => {
    const rear = apply(bench(), { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 5, face: 'rear' });
    expect(
      apply(rear, { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 6 }).placements.switch?.face,
    ).toBe('rear');
    expect(
      apply(rear, { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 6, face: 'front' }).placements.switch
        ?.face,
    ).toBe('front');
  });
});

describe('changes of gear', () => {
  it('cannot take ports away that are in use, nor units that another takes', () => {
    const landed = apply(bench({ 1: {} }), {
      type: 'landRuns',
      landings: [{ runId: 'run-1', panelId: 'panel', port: 20 }],
    });
    const ports = (count: number) => ({
      type: 'editGear' as const,
      gearId: 'panel',
      changes: { ports: [{ ...(landed.gear.panel?.ports[0] as Gear['ports'][number]), count }] },
    });
    expect(apply(landed, ports(20)).gear.panel?.ports[0]?.count).toBe(20);
    expect(() => apply(landed, ports(19))).toThrow('Panel would have 19 ports, but port 20 is in use: free it first.');
    expect(() => apply(landed, { type: 'editGear', gearId: 'switch', changes: { heightU: 2 } })).toThrow(
      'U11–U12 is taken by Panel.',
    );
    expect(() => apply(landed, { type: 'editGear', gearId: 'switch', changes: { frame: 'upright' } })).toThrow(
      'is upright',
    );
  });

  it('drop pairs with what goes, and refuse a pair of one', () => {
    const pair = (gearId: string, besideId: string) => ({
      type: 'keepRows' as const,
      rows: [{ table: 'neighbours' as const, record: { id: 'n', gearId, besideId } }],
    });
    expect(
      Object.keys(apply(bench(), pair('panel', 'switch'), { type: 'removeGear', gearIds: ['switch'] }).neighbours),
    ).toEqual([]);
    expect(() => apply(bench(), pair('panel', 'panel'))).toThrow('cannot be its own neighbour');
    expect(() => apply(bench(), pair('panel', 'gone'))).toThrow('no longer in the job');
  });
});

describe('stacked frames', () => {
  it('cannot stand on themselves', () => {
    const second = Rack.parse({ id: 'second', name: 'Second', units: 6, depthMm: 400, stackedOn: 'rack' });
    const job = apply(bench(), { type: 'addRack', rack: second });
    expect(() => apply(job, { type: 'editRack', rackId: 'rack', changes: { stackedOn: 'second' } })).toThrow(
      'would stand on itself',
    );
    expect(looseEnds({ ...job, racks: { second } })).toEqual(
      expect.arrayContaining([expect.stringContaining('racks second.stackedOn')]),
    );
    expect(apply(job, { type: 'removeRack', rackId: 'rack' }).racks.second?.stackedOn).toBeNull();
  });
});
