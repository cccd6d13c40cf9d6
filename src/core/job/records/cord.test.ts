import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, patched } from '../../../../tests/support/jobs';
import { besideCordsOf, linksOf, patchCordsOf } from '../document/cordKinds';
import { cords, endKey, endsOf } from './cord';
import { Gear } from './gear';

const coupler = { count: 4, connector: 'rj45', speedMbps: null, fitting: 'coupler' } as const;
const device = (id: string, kind: Gear['kind'], ports: object[]) =>
  Gear.parse({ id, name: id, kind, heightU: 1, depthMm: 100, ports });

/** A bench with a second panel of couplers, a telephone system and a second switch. */
const start = () =>
  apply(bench({ 1: {}, 2: {} }), {
    type: 'addGear',
    gear: [
      device('couplers', 'panel', [coupler]),
      device('phones', 'other', [{ count: 4, connector: 'rj45', speedMbps: 100 }]),
      device('second', 'switch', [{ count: 4, connector: 'rj45', speedMbps: 1000 }]),
    ],
  });
type Ends = Parameters<typeof cords.make>[0];
const cord = (fields: Omit<Ends, 'id'> & { id?: string }) => cords.make({ id: 'c', ...fields });
const keep = (job: ReturnType<typeof bench>, ...records: ReturnType<typeof cord>[]) =>
  apply(job, { type: 'keepRows', rows: records.map((record) => ({ table: 'cords', record })) });

describe('a cord', () => {
  it('joins any two ports, the rear of a coupler included', () => {
    const job = keep(
      start(),
      cord({ id: 'a', fromId: 'panel', fromPort: 1, toId: 'couplers', toPort: 1 }),
      cord({ id: 'b', fromId: 'phones', fromPort: 1, toId: 'couplers', toPort: 1, toSide: 'rear' }),
      cord({ id: 'c', fromId: 'switch', fromPort: 5, toId: 'second', toPort: 1 }),
      cord({ id: 'd', fromId: 'switch', fromPort: 1, toId: 'panel', toPort: 2 }),
    );
    expect(Object.keys(patchCordsOf(job))).toEqual(['d']);
    expect(patchCordsOf(job).d).toMatchObject({ panelId: 'panel', panelPort: 2, switchId: 'switch', switchPort: 1 });
    expect(Object.keys(linksOf(job))).toEqual(['c']);
    expect(Object.keys(besideCordsOf(job)).sort()).toEqual(['a', 'b', 'c']);
  });

  it('is refused at a rear that is not there, in a port that is taken, and with both ends in one port', () => {
    const rear = (toId: string) => () =>
      keep(start(), cord({ fromId: 'phones', fromPort: 1, toId, toPort: 1, toSide: 'rear' }));
    expect(rear('panel')).toThrow('Panel port 1 is not a coupler: it has no rear for a cord.');
    expect(rear('second')).toThrow('second port 1 is not a coupler');
    const landed = apply(start(), { type: 'landRuns', landings: [{ runId: 'run-1', panelId: 'couplers', port: 1 }] });
    const behind = cord({ fromId: 'phones', fromPort: 1, toId: 'couplers', toPort: 1, toSide: 'rear' });
    expect(() => keep(landed, behind)).toThrow('A run is terminated on the rear of couplers port 1.');
    const first = keep(start(), behind);
    const landing = { runId: 'run-1', panelId: 'couplers', port: 1 };
    expect(() => apply(first, { type: 'landRuns', landings: [landing] })).toThrow(
      'a cord in the rear of couplers port 1',
    );
    const busy = patched(start(), '1');
    // Whichever end it is of either cord.
    for (const ends of [
      { fromId: 'phones', fromPort: 1, toId: 'switch', toPort: 1 },
      { fromId: 'switch', fromPort: 1, toId: 'phones', toPort: 1 },
      { fromId: 'panel', fromPort: 1, toId: 'couplers', toPort: 1 },
      { fromId: 'couplers', fromPort: 1, toId: 'panel', toPort: 1 },
    ])
      expect(() => keep(busy, cord(ends))).toThrow('port 1 has a cord in it already.');
    expect(() => keep(start(), cord({ fromId: 'phones', fromPort: 1, toId: 'phones', toPort: 1 }))).toThrow('one port');
    expect(() => keep(start(), cord({ fromId: 'phones', fromPort: 9, toId: 'switch', toPort: 1 }))).toThrow(
      'phones has no port 9.',
    );
  });

  it('goes with the run that moves, whichever of its ends is there, and with a device that leaves', () => {
    const landed = apply(start(), { type: 'landRuns', landings: [{ runId: 'run-1', panelId: 'panel', port: 1 }] });
    const fed = keep(landed, cord({ fromId: 'couplers', fromPort: 1, toId: 'panel', toPort: 1 }));
    const moved = apply(fed, { type: 'landRuns', landings: [{ runId: 'run-1', panelId: 'panel', port: 3 }] });
    expect(moved.cords.c).toMatchObject({ fromId: 'couplers', fromPort: 1, toId: 'panel', toPort: 3 });
    expect(apply(fed, { type: 'takeOffRuns', runIds: ['run-1'] }).cords).toEqual({});
    expect(apply(fed, { type: 'removeGear', gearIds: ['couplers'] }).cords).toEqual({});
    const patch = { panelId: 'panel', panelPort: 1, switchId: 'switch', switchPort: 2, fixed: true };
    expect(() => apply(fed, { type: 'patchPorts', cords: [patch] })).toThrow('has a cord to elsewhere');
  });

  it('is in one port at each end, whatever is kept', () => {
    const end = fc.record({
      id: fc.constantFrom('panel', 'couplers', 'phones', 'second', 'switch'),
      port: fc.integer({ min: 1, max: 4 }),
      side: fc.constantFrom('front' as const, 'rear' as const),
    });
    fc.assert(
      fc.property(fc.array(fc.tuple(end, end), { maxLength: 12 }), (pairs) => {
        let job = start();
        pairs.forEach(([from, to], at) => {
          const [fromId, fromPort, fromSide] = [from.id, from.port, from.side];
          const record = cord({
            id: `c${at}`,
            fromId,
            fromPort,
            fromSide,
            toId: to.id,
            toPort: to.port,
            toSide: to.side,
          });
          try {
            job = keep(job, record);
          } catch {
            // Refused: it stands as it was.
          }
        });
        const keys = Object.values(job.cords).flatMap((row) => endsOf(row).map(endKey));
        expect(new Set(keys).size).toBe(keys.length);
        const kinds = [...Object.keys(patchCordsOf(job)), ...Object.keys(besideCordsOf(job))];
        expect(kinds.sort()).toEqual(Object.keys(job.cords).sort());
      }),
      { numRuns: 150 },
    );
  });
});
