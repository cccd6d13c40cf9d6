import { describe, expect, it } from 'vitest';
import { apply, bench, counter, patched, tarnbrook } from '../../../../../tests/support/jobs';
import { cordsCsv } from '../../../exchange/formats/cordsCsv';
import { patchDot, patchGraph, patchGraphMl } from '../../../exchange/formats/patchGraph';
import { portPlanCsv } from '../../../exchange/formats/portPlanCsv';
import { findSnags } from '../../../findings/snags/findSnags';
import { patchCordsOf } from '../../../job/document/cordKinds';
import { Cord } from '../../../job/records/cord';
import { Gear } from '../../../job/records/gear';
import { readNetworkNumber } from '../networks/networkNumber';
import { freePorts } from './freePorts';
import { gatewayWords } from './gatewayWords';
import { linkParts } from './linkParts';
import { type PlannedPort, portPlan, portSetting } from './portPlan';
import { setPortCommands, settingOf } from './setPort';
import { oversubscription, topologyOf } from './topology';
import { uplinkFacts } from './uplinkFacts';

const device = (id: string, kind: 'switch' | 'router', fields: object = {}) =>
  Gear.parse({
    id,
    name: id,
    kind,
    heightU: 1,
    depthMm: 100,
    ports: [
      { count: 4, connector: 'rj45', speedMbps: 1000 },
      { count: 2, connector: 'sfp+', speedMbps: 10_000 },
    ],
    ...fields,
  });
const link = (fromId: string, fromPort: number, toId: string, toPort: number, more: Partial<Cord> = {}) => ({
  table: 'cords' as const,
  record: Cord.parse({ id: `${fromId}-${toId}-${fromPort}`, fromId, fromPort, toId, toPort, ...more }),
});
const three = (...rows: ReturnType<typeof link>[]) =>
  apply(
    bench(),
    { type: 'addGear', gear: [device('a', 'switch'), device('b', 'switch'), device('gate', 'router')] },
    { type: 'placeGear', gearId: 'a', rackId: 'rack', bottomU: 10 },
    { type: 'placeGear', gearId: 'b', rackId: 'rack', bottomU: 9 },
    { type: 'placeGear', gearId: 'gate', rackId: 'rack', bottomU: 8 },
    ...(rows.length > 0 ? [{ type: 'keepRows' as const, rows }] : []),
  );
const facts = (row: ReturnType<typeof link>) => uplinkFacts(three(row), row.record);
const rules = (job: ReturnType<typeof bench>) => findSnags(job).map((snag) => snag.rule);

describe('uplinks', () => {
  it('are direct-attach to its limit, and fibre beyond', () => {
    expect(facts(link('a', 5, 'b', 5))).toMatchObject({ medium: 'direct-attach', speedMbps: 10_000, faults: [] });
    expect(facts(link('a', 5, 'b', 5, { lengthMm: 7000 }))?.medium).toBe('direct-attach');
    const far = facts(link('a', 5, 'b', 5, { lengthMm: 7001 }));
    expect(far).toMatchObject({ medium: 'fibre', faults: [] });
    expect(far?.parts[0]).toEqual({ what: '10GBASE-SR module', count: 2 });
    const rows = [link('a', 5, 'b', 5, { lengthMm: 7001 }), link('a', 1, 'b', 6)];
    expect(linkParts(three(...rows)).map(({ what, count }) => `${count} ${what.replace(/ \d.*/, '')}`)).toEqual(
      expect.arrayContaining(['2 10GBASE-SR module', '1 copper module', '1 duplex fibre cord OM4', '1 patch cord']),
    );
    const forced = facts(link('a', 5, 'b', 5, { lengthMm: 12_000, medium: 'direct-attach' }));
    expect(forced?.faults[0]).toMatchObject({ grade: 'wont-work', words: expect.stringContaining('take fibre') });
  });

  it('need a cage for fibre, a module for copper in one, and come up at the slower end', () => {
    expect(facts(link('a', 1, 'b', 1))).toMatchObject({ medium: 'copper', speedMbps: 1000, heatW: 0 });
    expect(facts(link('a', 1, 'b', 5))).toMatchObject({ medium: 'copper', heatW: 2.5 });
    expect(facts(link('a', 1, 'b', 5))?.faults[0]?.words).toContain('the link comes up at the slower');
    expect(facts(link('a', 1, 'b', 1, { medium: 'fibre' }))?.faults[0]?.grade).toBe('wont-work');
  });

  it('are refused where a port is taken, is not there, or is the same one', () => {
    const job = three(link('a', 5, 'b', 5));
    const keep = (row: ReturnType<typeof link>) => () => apply(job, { type: 'keepRows', rows: [row] });
    expect(keep(link('a', 5, 'gate', 5))).toThrow('a: port 5 has a cord in it already.');
    expect(keep(link('a', 9, 'gate', 5))).toThrow('a has no port 9.');
    expect(keep(link('a', 1, 'a', 1))).toThrow('A cord cannot have both ends in one port.');
    const busy = patched(bench({ 1: { device: 'x' } }), '1');
    expect(() => apply(busy, { type: 'keepRows', rows: [link('switch', 1, 'panel', 1)] })).toThrow(
      'port 1 has a cord in it already.',
    );
  });

  it('in a ring without a redundancy protocol do not work', () => {
    const ring = three(link('a', 5, 'b', 5), link('b', 6, 'gate', 5), link('gate', 6, 'a', 6));
    expect(rules(ring)).toContain('uplink-loop');
    expect(topologyOf(ring).switches.find((row) => row.gear.id === 'a')?.redundant).toBe(true);
    const guarded = apply(
      ring,
      ...['a', 'b', 'gate'].map((gearId) => ({ type: 'editGear' as const, gearId, changes: { loopGuard: true } })),
    );
    expect(rules(guarded)).not.toContain('uplink-loop');
    const open = three(link('a', 5, 'b', 5), link('b', 6, 'gate', 5));
    expect(rules(open)).not.toContain('uplink-loop');
    expect(topologyOf(open).switches.find((row) => row.gear.id === 'a')).toMatchObject({
      reachesGateway: true,
      redundant: false,
    });
    const twice = three(link('a', 5, 'b', 5), link('a', 6, 'b', 6));
    expect(rules(twice)).toContain('uplink-loop');
  });

  it('are oversubscribed as arithmetic says: 2.4, 12 and 2.0 to 1', () => {
    expect(oversubscription(24 * 1000, 10_000)).toBeCloseTo(2.4, 9);
    expect(oversubscription(24 * 1000, 2 * 1000)).toBeCloseTo(12, 9);
    expect(oversubscription(8 * 2500, 10_000)).toBeCloseTo(2, 9);
    const { switches } = topologyOf(tarnbrook());
    expect(switches.find((row) => row.gear.id === 'old')?.ratio).toBeCloseTo(1.9, 9);
  });

  it('are told each by itself: one of two carries all where a redundancy protocol holds the other back', () => {
    const job = three(link('a', 5, 'gate', 5), link('a', 1, 'gate', 1), link('b', 2, 'a', 2));
    const of = (some: typeof job) => topologyOf(some).switches.find((row) => row.gear.id === 'a');
    // The link to b is 1 Gb/s below; above are 10 and 1 Gb/s.
    expect(of(job)).toMatchObject({ downMbps: 1000, upMbps: 11_000 });
    expect(of(job)?.each).toEqual([
      { ports: [5], ratio: 0.1 },
      { ports: [1], ratio: 1 },
    ]);
    const guarded = apply(job, { type: 'editGear', gearId: 'a', changes: { loopGuard: true } });
    expect(of(guarded)).toMatchObject({ upMbps: 10_000, ratio: 0.1 });
  });

  it('carry as one where they are bundled: no ring, all their speed, and one may fail', () => {
    const two = [link('a', 5, 'gate', 5, { bundled: true }), link('a', 6, 'gate', 6, { bundled: true })];
    const job = apply(three(...two, link('b', 2, 'a', 2)), {
      type: 'editGear',
      gearId: 'a',
      changes: { managed: true, loopGuard: true },
    });
    expect(rules(job)).not.toContain('uplink-loop');
    expect(rules(job)).not.toContain('link-bundle-unfit');
    const { switches, gatewayMbps } = topologyOf(job);
    expect(gatewayMbps).toBe(20_000);
    expect(switches.find((row) => row.gear.id === 'a')).toMatchObject({
      upMbps: 20_000,
      each: [{ ports: [5, 6], ratio: 0.05 }],
      redundant: true,
    });
    expect(portPlan(job, job.gear.a as Gear)[4]?.description).toBe('to gate 5, bundled with 6');
    expect(portPlan(job, job.gear.gate as Gear)[5]?.description).toBe('to a 6, bundled with 5');
    // A ring through a bundle is one all the same.
    const ring = apply(job, { type: 'keepRows', rows: [link('b', 5, 'gate', 1)] });
    expect(rules(ring)).toContain('uplink-loop');
  });

  it('are a snag as a bundle that cannot be one, with a way out', () => {
    const of = (job: ReturnType<typeof bench>) => findSnags(job).filter((snag) => snag.rule === 'link-bundle-unfit');
    const alone = apply(three(link('a', 5, 'gate', 5, { bundled: true })), {
      type: 'editGear',
      gearId: 'a',
      changes: { managed: true },
    });
    expect(of(alone)).toMatchObject([{ grade: 'will-bite', what: expect.stringContaining('A bundle of one link') }]);
    const mended = apply(alone, ...(of(alone)[0]?.mends(alone)[0]?.commands ?? []));
    expect(of(mended)).toEqual([]);
    const unlike = three(link('a', 5, 'gate', 5, { bundled: true }), link('a', 1, 'gate', 1, { bundled: true }));
    expect(of(unlike).map(({ what }) => what)).toEqual([
      expect.stringContaining('a is not a managed switch'),
      expect.stringContaining('different speeds'),
    ]);
  });

  it('are told against the internet at the gateway', () => {
    const job = tarnbrook();
    expect(gatewayWords(topologyOf(job))).toContain(
      'linked at 10 Gb/s; the internet comes in at 1 Gb/s: the link hands all of it on.',
    );
    const fast = apply(job, {
      type: 'keepRows',
      rows: [{ table: 'answers', record: { id: 'internet-mbps', value: '25000', note: '' } }],
    });
    expect(gatewayWords(topologyOf(fast))).toContain('more than the link hands on');
    expect(rules(fast)).toContain('uplink-narrow');
    expect(gatewayWords(topologyOf(bench()))).toMatch(/^No gateway yet/);
  });

  it('go into ports that are free, fast ones first', () => {
    const job = tarnbrook();
    const open = freePorts(job, job.gear.new as Gear).map(({ number }) => number);
    expect(open).toEqual([27, 28]);
    expect(freePorts(job, device('bare', 'switch')).map(({ number }) => number)).toEqual([5, 6, 1, 2, 3, 4]);
  });

  it('lose no more than their modules allow: 2.9 dB over 400 m of OM4 (IEEE 802.3 clause 52)', () => {
    const { lossDb, faults } = facts(link('a', 5, 'b', 5, { lengthMm: 400_000, medium: 'fibre' })) ?? {};
    // 0.4 km × 3.5 dB/km and two mated pairs of 0.75 dB (ANSI/TIA-568.3).
    expect(lossDb).toBeCloseTo(2.9, 9);
    expect(faults).toEqual([]);
  });

  it('leave their ports out of patching', () => {
    const job = tarnbrook();
    const cord = Object.values(patchCordsOf(job))[0];
    expect(() =>
      apply(job, {
        type: 'patchPorts',
        cords: [{ ...(cord as never as object), switchId: 'new', switchPort: 25 } as never],
      }),
    ).toThrow();
  });
});

describe('networks', () => {
  it('are set on ports: what is plugged in, all of them on an uplink, or by hand', () => {
    const job = tarnbrook();
    const ports = portPlan(job, job.gear.new as Gear);
    expect(portSetting(ports[0] as never)).toBe('access 10');
    expect(portSetting(ports[24] as never)).toBe('several: 10, 20, 30, 40');
    expect(portSetting(ports[26] as never)).toBe('off');
    const row = (networkId: string, tagged: boolean) => ({
      table: 'portNetworks' as const,
      record: { id: networkId, gearId: 'new', port: 1, networkId, tagged },
    });
    const byHand = apply(job, { type: 'keepRows', rows: [row('voice', true), row('guests', false)] });
    expect(portSetting(portPlan(byHand, byHand.gear.new as Gear)[0] as never)).toBe('several: 20, plain devices in 30');
    expect(rules(byHand)).toContain('network-not-on-port');
    expect(() =>
      apply(job, {
        type: 'keepRows',
        rows: [{ ...row('voice', true), record: { ...row('voice', true).record, port: 99 } }],
      }),
    ).toThrow('New switch has no port 99.');
  });

  it('are set on a port by hand in one step, each once, and given back', () => {
    const job = tarnbrook();
    const first = (now: typeof job) => portPlan(now, now.gear.new as Gear)[0] as PlannedPort;
    const newId = counter('port-network');
    const wanted = { untaggedId: 'guests', taggedIds: ['voice', 'guests', 'voice'] };
    const set = apply(job, ...setPortCommands(job, first(job), wanted, newId));
    expect(settingOf(first(set))).toEqual({ untaggedId: 'guests', taggedIds: ['voice'] });
    const changed = apply(set, ...setPortCommands(set, first(set), { untaggedId: 'office', taggedIds: [] }, newId));
    expect(settingOf(first(changed))).toEqual({ untaggedId: 'office', taggedIds: [] });
    const back = apply(changed, ...setPortCommands(changed, first(changed), null, newId));
    expect(first(back)).toMatchObject({ byHand: false });
    expect(back.portNetworks).toEqual({});
  });

  it('have numbers from 1 to 4094 (IEEE 802.1Q)', () => {
    expect([' 20 ', '', '4094'].map(readNetworkNumber)).toEqual([20, null, 4094]);
    for (const text of ['0', '4095', '1.5', 'ten'])
      expect(() => readNetworkNumber(text)).toThrow('Expected 1 to 4094.');
  });

  it('that a switch may not carry are kept off it', () => {
    const job = tarnbrook();
    const allow = (networkId: string) => ({
      table: 'allowances' as const,
      record: { id: networkId, gearId: 'old', networkId },
    });
    const limited = apply(job, { type: 'keepRows', rows: [allow('office')] });
    expect(findSnags(limited).some((snag) => snag.rule === 'network-not-on-port' && snag.grade === 'wont-work')).toBe(
      true,
    );
  });

  it('have names, codes and numbers of their own, and runs outlive them', () => {
    const job = tarnbrook();
    const edit = (changes: object) => () => apply(job, { type: 'editNetwork', networkId: 'voice', changes });
    expect(edit({ number: 10 })).toThrow('Office has the number 10 already');
    expect(edit({ code: 'O' })).toThrow('Office has the code O already');
    expect(edit({ name: 'office' })).toThrow('There is a network called Office already.');
    const gone = apply(job, { type: 'removeNetwork', networkId: 'voice' });
    expect(Object.values(gone.runs).filter((run) => run.networkId === 'voice')).toEqual([]);
    expect(Object.keys(gone.runs)).toHaveLength(60);
  });

  it('are mixed on a switch whose ports cannot be set, and want numbers on one whose can', () => {
    const plain = apply(tarnbrook(), { type: 'editGear', gearId: 'old', changes: { managed: false } });
    expect(rules(plain)).toContain('networks-mixed');
    const open = apply(tarnbrook(), { type: 'editNetwork', networkId: 'voice', changes: { number: null } });
    const snag = findSnags(open).find((one) => one.rule === 'network-unnumbered');
    const mended = apply(open, ...(snag?.mends(open)[0]?.commands ?? []));
    expect(mended.networks.voice?.number).toBe(20);
  });
});

describe('what is taken away', () => {
  it('lists every port and every cord, with formulas made harmless', () => {
    const job = apply(tarnbrook(), { type: 'editRuns', edits: [{ runId: 'run-1', changes: { device: '=SUM(A1)' } }] });
    const plan = portPlanCsv(job).trim().split('\n');
    expect(plan).toHaveLength(1 + 52 + 28 + 7);
    expect(plan.find((line) => line.startsWith('New switch,1,'))).toContain('access 10');
    const cords = cordsCsv(job).trim().split('\n');
    expect(cords).toHaveLength(1 + 43 + 2 + linkParts(job).length);
    expect(cords.filter((line) => line.startsWith('uplink,'))).toHaveLength(2);
  });

  it('is a graph in which every cord and uplink is an edge between known nodes', () => {
    const job = apply(tarnbrook(), { type: 'editRuns', edits: [{ runId: 'run-1', changes: { room: 'A & B "<x>' } }] });
    const { nodes, edges } = patchGraph(job);
    const known = new Set(nodes.map((node) => node.id));
    expect(edges.every((edge) => known.has(edge.from) && known.has(edge.to))).toBe(true);
    expect(edges.filter((edge) => edge.kind === 'cord')).toHaveLength(43);
    expect(edges.filter((edge) => edge.kind === 'uplink')).toHaveLength(2);
    const xml = patchGraphMl(job);
    expect(xml).toContain('A &amp; B &quot;&lt;x&gt;');
    expect(xml.match(/<edge /g)).toHaveLength(edges.length);
    const dot = patchDot(job);
    expect(dot).toContain('A & B \\"<x>');
    expect(dot.match(/ -- /g)).toHaveLength(edges.length);
  });
});
