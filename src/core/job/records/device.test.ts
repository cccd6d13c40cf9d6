import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { devices, devicesOn } from './device';

const start = () => bench({ 1: { device: 'camera' }, 2: {} });
const keep = (job: ReturnType<typeof bench>, ...records: Parameters<typeof devices.make>[0][]) =>
  apply(job, { type: 'keepRows', rows: records.map((one) => ({ table: 'devices', record: devices.make(one) })) });
const camera = { id: 'old', runId: 'run-1', name: 'Camera, front door', kind: 'camera' as const };

describe('a device on a run', () => {
  it('is followed by the one in its place, and goes with its run', () => {
    const job = keep(
      start(),
      { ...camera, id: 'new', mac: '02:00:5e:00:53:02', state: 'fitted' },
      { ...camera, state: 'replaced', replacedById: 'new', mac: '02:00:5e:00:53:01' },
    );
    expect(devicesOn(job, 'run-1').map(({ id }) => id)).toEqual(['new']);
    expect(devicesOn(job, 'run-2')).toEqual([]);
    const without = apply(job, { type: 'dropRows', table: 'devices', ids: ['new'] });
    expect(without.devices.old).toMatchObject({ state: 'replaced', replacedById: null });
    expect(apply(job, { type: 'removeRuns', runIds: ['run-1'] }).devices).toEqual({});
  });

  it('is refused with what cannot be', () => {
    const job = keep(start(), { ...camera, mac: '02:00:5e:00:53:01' });
    const also = { ...camera, id: 'also', name: 'Camera, yard' };
    expect(() => keep(job, { ...also, mac: '02:00:5e:00:53:01' })).toThrow(
      'Camera, front door has the hardware address 02:00:5e:00:53:01 already.',
    );
    // Those of which nobody knows the address share nothing.
    expect(Object.keys(keep(job, also, { ...also, id: 'third' }).devices)).toHaveLength(3);
    expect(() => keep(job, { ...also, mac: '02-00' })).toThrow('expected one such as 02:00:5e:00:53:01');
    expect(() => keep(job, { ...also, runId: 'none' })).toThrow('no longer in the job');
    expect(() => keep(job, { ...also, state: 'replaced', replacedById: 'also' })).toThrow('its own place');
    expect(() => keep(job, { ...also, replacedById: 'old' })).toThrow('its state is “replaced”');
    const one = keep(job, { ...also, state: 'replaced', replacedById: 'old' });
    expect(() => keep(one, { ...camera, state: 'replaced', replacedById: 'also' })).toThrow('would come after itself');
  });
});
