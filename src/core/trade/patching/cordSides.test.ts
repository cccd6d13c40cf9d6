import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { portMap } from '../../exchange/formats/portMap';
import { findUnjudged } from '../../findings/snags/findSnags';
import { cords } from '../../job/records/cord';
import { Gear } from '../../job/records/gear';
import { buildPlan } from '../build/buildPlan';
import { gateOf, vouchFor } from '../testing/gate';

const device = (id: string, kind: Gear['kind'], ports: object[]) =>
  Gear.parse({ id, name: id, kind, heightU: 1, depthMm: 100, ports });
const keep = (job: ReturnType<typeof bench>, ...ends: Omit<Parameters<typeof cords.make>[0], 'id'>[]) =>
  apply(job, {
    type: 'keepRows',
    rows: ends.map((fields, at) => ({ table: 'cords' as const, record: cords.make({ id: `c${at}`, ...fields }) })),
  });
/** A bench with a panel of couplers, a server with two ports and a switch. */
const start = () =>
  apply(bench({ 1: {} }), {
    type: 'addGear',
    gear: [
      device('couplers', 'panel', [{ count: 4, connector: 'rj45', speedMbps: null, fitting: 'coupler' }]),
      device('server', 'server', [{ count: 2, connector: 'rj45', speedMbps: 1000 }]),
    ],
  });
const ends = { fromId: 'server', fromPort: 1, toId: 'couplers', toPort: 1 } as const;
const limits = () => ({ seed: 1, now: () => performance.now(), untilMs: performance.now() + 20_000 });

describe('a cord moved from the front of a coupler to its rear', () => {
  const front = keep(start(), ends);
  const rear = keep(start(), { ...ends, toSide: 'rear' });

  it('is open again: who stood for it stood for the front', () => {
    const vouch = vouchFor(front, 'uplink', 'c0', { id: 'v', how: 'eye', by: 'Kim', why: '', at: '' });
    const stateOf = (job: typeof front) =>
      gateOf(apply(job, { type: 'keepRows', rows: [{ table: 'vouches', record: vouch }] })).find(
        ({ kind }) => kind === 'uplink',
      )?.state;
    expect(vouch.as).toBe('server 1 couplers 1');
    expect(stateOf(front)).toBe('signed off');
    expect(stateOf(rear)).toBe('changed');
  });

  it('is a step of the build, and another colour of it none', () => {
    const words = (was: typeof front, is: typeof front) =>
      buildPlan(was, is, limits()).planned.map(({ entry }) => (entry.action === 'park' ? '' : entry.step.words));
    expect(words(front, rear).join()).toContain('server port 1 – couplers port 1 at the rear');
    const blue = keep(start(), { ...ends, colour: 'blue' });
    expect(words(front, blue).join()).not.toContain('uplink');
  });
});

describe('a cord with an end in a panel', () => {
  const missing = (job: ReturnType<typeof bench>) => findUnjudged(job).flatMap(({ unknown }) => unknown?.missing ?? []);

  it('is not judged: what is joined behind the panel says how far and how fast', () => {
    expect(missing(keep(start(), { ...ends, toSide: 'rear' }))).toContain(
      'what is joined behind couplers 1 at the rear',
    );
  });

  it('and nor is one whose port has no known speed; one between two known ports is', () => {
    const modem = device('modem', 'other', [{ count: 1, connector: 'rj45', speedMbps: null }]);
    const job = apply(start(), { type: 'addGear', gear: [modem] });
    const unknown = keep(job, { fromId: 'modem', fromPort: 1, toId: 'switch', toPort: 2 });
    expect(missing(unknown)).toContain('the speed of both ports');
    const known = keep(job, { fromId: 'server', fromPort: 1, toId: 'switch', toPort: 3 });
    expect(missing(known)).not.toContain('the speed of both ports');
  });

  it('is no device in the port map', () => {
    const devices = (job: ReturnType<typeof bench>) =>
      portMap(job).flatMap(({ label, device: one }) => (label ? [] : [one]));
    const behind = { fromId: 'switch', fromPort: 2, toId: 'couplers', toPort: 1, toSide: 'rear' as const };
    expect(devices(keep(start(), behind))).toEqual([]);
    expect(devices(keep(start(), { fromId: 'server', fromPort: 1, toId: 'switch', toPort: 3 }))).toEqual(['server']);
  });
});
