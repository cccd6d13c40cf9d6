import { describe, expect, it } from 'vitest';
import { apply, bench, quillback } from '../../../../../tests/support/jobs';
import { cordsCsv } from '../../../exchange/formats/cordsCsv';
import { portMap } from '../../../exchange/formats/portMap';
import { findSnags } from '../../../findings/snags/findSnags';
import { besideCordsOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { Cord } from '../../../job/records/cord';
import { Gear } from '../../../job/records/gear';
import { planJob } from '../../wholeJob/planJob';
import { planDeviceCords, uncabledGear } from './deviceCords';
import { freePorts, likePorts } from './freePorts';
import { portPlan } from './portPlan';
import { topologyOf } from './topology';

const gear = (id: string, kind: string, ports: object[]) =>
  Gear.parse({ id, name: id, kind, heightU: 1, depthMm: 100, ports });
const RJ = { connector: 'rj45', speedMbps: 1000 };
const cabinet = (...more: Gear[]): Job =>
  apply(bench(), {
    type: 'addGear',
    gear: [
      gear('gateway', 'router', [
        { ...RJ, count: 1, use: 'internet' },
        { ...RJ, count: 4 },
      ]),
      ...more,
    ],
  });
const plan = (job: Job) => planDeviceCords(job, (one) => `cord-${one.id}`);
const take = (job: Job) =>
  apply(job, {
    type: 'keepRows',
    rows: plan(job).cords.map(({ uplink }) => ({ table: 'cords' as const, record: uplink })),
  });
const ends = (job: Job) =>
  plan(job).cords.map(({ uplink: { fromId, fromPort, toId, toPort } }) => [fromId, fromPort, toId, toPort]);

describe('devices of the cabinet', () => {
  it('a modem goes to the internet port of the gateway, the others to a port without power that is fast enough', () => {
    const job = cabinet(
      gear('modem', 'modem', [{ ...RJ, count: 1 }]),
      gear('recorder', 'recorder', [{ ...RJ, count: 2 }]),
    );
    // A recorder belongs on a switch, even where all its ports are powered.
    expect(ends(job)).toEqual([
      ['modem', 1, 'gateway', 1],
      ['recorder', 1, 'switch', 1],
    ]);
    expect(plan(take(job)).cords).toEqual([]);
    expect(uncabledGear(take(job))).toEqual([]);
  });

  it('a device with a cage takes a cage, and one for which there is no port is named', () => {
    const job = cabinet(
      gear('store', 'storage', [
        { ...RJ, count: 1 },
        { connector: 'sfp+', count: 1, speedMbps: 10_000 },
      ]),
      gear('first', 'modem', [{ ...RJ, count: 1 }]),
      gear('second', 'modem', [{ ...RJ, count: 1 }]),
    );
    // One cage of the switch is kept for its uplink.
    expect(ends(job)).toContainEqual(['store', 2, 'switch', 10]);
    expect(plan(job).left.map(({ why }) => why)).toEqual(['second finds no free internet port of a gateway.']);
  });

  it('two cords to one server make no ring, its ports are no uplinks, and it stands in port map and cord list', () => {
    const job = cabinet(gear('server', 'server', [{ ...RJ, count: 2 }]));
    const cord = (id: string, fromPort: number, toPort: number) => ({
      table: 'cords' as const,
      record: Cord.parse({ id, fromId: 'server', fromPort, toId: 'switch', toPort, colour: 'blue' }),
    });
    const both = apply(job, { type: 'keepRows', rows: [cord('one', 1, 1), cord('two', 2, 2)] });
    expect(topologyOf(both).loops).toEqual([]);
    expect(topologyOf(both).switches[0]?.downMbps).toBe(2000);
    const server = both.gear.switch;
    expect(
      server &&
        portPlan(both, server)
          .slice(0, 3)
          .map(({ use, description }) => `${use} ${description}`),
    ).toEqual(['access to server 1', 'access to server 2', 'free ']);
    expect(portMap(both)).toMatchObject([
      { device: 'server', outlet: 'port 1', switch: 'Switch', switch_port: '1', cord_colour: 'blue', label: '' },
      { device: 'server', outlet: 'port 2', switch: 'Switch', switch_port: '2' },
    ]);
    expect(cordsCsv(both)).toContain('server,1,Switch,1');
    expect(findSnags(both).filter((snag) => snag.rule === 'uplink-unfit')).toEqual([]);
  });

  it('are cabled by the whole plan too', () => {
    const { job } = planJob(quillback());
    expect(uncabledGear(job).map((one) => one.name)).toEqual([]);
    expect(besideCordsOf(job)['cord-modem']).toMatchObject({ toId: 'router', toPort: 1 });
  });

  it('what is chosen for a new cord before a person chose has like speed at both ends', () => {
    const job = cabinet(
      gear('core', 'switch', [
        { connector: 'sfp+', count: 2, speedMbps: 10_000 },
        { connector: 'sfp', count: 1, speedMbps: 1000 },
      ]),
    );
    const [bench, gateway, core] = ['switch', 'gateway', 'core'].map((id) => freePorts(job, job.gear[id] as Gear));
    const speeds = (a = bench, b = core) => likePorts(a ?? [], b ?? []).map((port) => port?.speedMbps);
    expect(speeds()).toEqual([10_000, 10_000]);
    expect(speeds(bench, gateway)).toEqual([1000, 1000]);
    expect(speeds(core, gateway)).toEqual([1000, 1000]);
  });
});
