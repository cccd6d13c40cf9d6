import { describe, expect, it } from 'vitest';
import { apply, bench, marrowby, patched, schnuerlbach, surveyed, tarnbrook } from '../../../../tests/support/jobs';
import type { Command } from '../../job/commands/commands';
import type { RunChanges } from '../../job/commands/runs';
import type { Job } from '../../job/document/job';
import { Cord } from '../../job/records/cord';
import { Gear } from '../../job/records/gear';
import type { QuestionId } from '../../job/records/questions';
import { answerCommand } from '../../trade/survey/answers/answers';
import { planJob } from '../../trade/wholeJob/planJob';
import { findSnags, findUnjudged } from './findSnags';

const of = (job: Job, rule: string) => findSnags(job).filter((snag) => snag.rule === rule);
const answered = (job: Job, answers: Partial<Record<QuestionId, string>>) =>
  apply(job, ...Object.entries(answers).map(([id, text]) => answerCommand(job, id as QuestionId, text ?? '')));
const change = (job: Job, table: 'gear' | 'racks', id: string, changes: object) =>
  apply(job, { type: 'editRows', edits: [{ table, id, changes }] } as Command);
const DATA = { carries: 'ethernet', cable: 'Cat 6 U/UTP', device: 'PC' } as const;
const some = (fields: RunChanges = {}) => bench({ 1: { ...DATA, ...fields }, 2: { ...DATA, ...fields } });

describe('the rules of a region', () => {
  it('nothing that is found outside North America leans on its electrical code', () => {
    const jobs = [schnuerlbach(), surveyed(), marrowby(), tarnbrook()];
    for (const rules of ['europe', 'united-kingdom', 'australia-new-zealand', 'other'] as const)
      for (const job of jobs) {
        const found = findSnags(apply(planJob(job).job, { type: 'editJob', changes: { rules } }));
        expect(found.length).toBeGreaterThan(0);
        expect(found.filter(({ source }) => /NFPA|NEC\b/.test(source.title)).map(({ rule }) => rule)).toEqual([]);
      }
  });
});

describe('one finding for one cause', () => {
  it('screened cables on an unscreened panel are one snag, not one a port', () => {
    const panel = (job: Job) =>
      change(job, 'gear', 'panel', { ports: [{ count: 24, connector: 'rj45', category: '6A', screened: false }] });
    const job = panel(patched(some({ cable: 'Cat 6A F/UTP' }), '1', '2'));
    expect(of(job, 'screen-not-carried').map((one) => one.what)).toEqual([
      '2 screened cables (1, 2) on unscreened ports of Panel: the screen ends in the air.',
    ]);
    const low = change(job, 'gear', 'panel', { ports: [{ count: 24, connector: 'rj45', category: '5e' }] });
    expect(of(low, 'jack-too-low').map((one) => one.what)).toEqual([
      '2 Cat 6A cables (1, 2) on Cat 5e ports of Panel: the links are Cat 5e.',
    ]);
  });

  it('a run that is too long by itself is not said again with its cords or its speed', () => {
    const long = patched(some({ lengthMm: 140_000, speedMbps: 1000 }), '1');
    expect(of(long, 'link-too-long')).toHaveLength(2);
    expect([...of(long, 'channel-too-long'), ...of(long, 'category-too-low')]).toEqual([]);
    // Where the category would not carry it over any channel that is said.
    const fast = patched(some({ lengthMm: 140_000, speedMbps: 10_000 }), '1');
    expect(of(fast, 'category-too-low').length).toBeGreaterThan(0);
  });

  it('of the untidy list no rule speaks more than twice', () => {
    const counts = new Map<string, number>();
    for (const { rule } of findSnags(schnuerlbach())) counts.set(rule, (counts.get(rule) ?? 0) + 1);
    counts.delete('cable-unknown');
    expect(Math.max(...counts.values())).toBeLessThanOrEqual(2);
  });
});

describe('cords and screens (ANSI/TIA-568.2, ANSI/TIA-607)', () => {
  const screened = () => patched(some({ cable: 'Cat 6A F/UTP' }), '1', '2');

  it('cords below the category of their links, and without the screen of theirs, are named once each', () => {
    expect(of(answered(screened(), { 'cord-screened': 'yes' }), 'cords-below-link')).toEqual([]);
    const low = answered(screened(), { 'cord-screened': 'yes', 'cord-category': '6' });
    expect(of(low, 'cords-below-link').map((one) => one.what)).toEqual([
      '2 runs (1, 2) of a higher category than the cords: the channels are Cat 6.',
    ]);
    expect(of(answered(screened(), { 'cord-category': '6A' }), 'cords-below-link').map((one) => one.rowIds)).toEqual([
      ['cord-screened'],
    ]);
    expect(of(answered(patched(some(), '1'), { 'cord-category': '6' }), 'cords-below-link')).toEqual([]);
  });

  it('screened jacks ask for a bonded rack until it is said to be', () => {
    expect(of(screened(), 'panel-not-bonded')).toEqual([]);
    expect(findUnjudged(screened()).some(({ what }) => what.includes('whether the rack is bonded to earth'))).toBe(
      true,
    );
    expect(of(answered(screened(), { bonded: 'no' }), 'panel-not-bonded')[0]?.what).toMatch(/is not bonded/);
    expect(of(answered(screened(), { bonded: 'yes' }), 'panel-not-bonded')).toEqual([]);
    expect(of(patched(some(), '1'), 'panel-not-bonded')).toEqual([]);
  });

  it('plugs in couplers are tested as what they are (ANSI/TIA-568.2-D)', () => {
    const coupled = change(patched(some(), '1'), 'gear', 'panel', {
      ports: [{ count: 24, connector: 'rj45', category: '6A', fitting: 'coupler' }],
    });
    expect(of(coupled, 'plug-ended')[0]?.what).toBe('Run 1 behind Panel with a plug in a coupler.');
    expect(of(patched(some(), '1'), 'plug-ended')).toEqual([]);
  });
});

describe('ports and power', () => {
  it('a critical run that no port of the job suits is of the gravest grade', () => {
    const fast = change(some({ critical: true, speedMbps: 10_000, cable: 'Cat 6A F/UTP' }), 'gear', 'switch', {
      ports: [{ count: 8, connector: 'rj45', speedMbps: 1000 }],
    });
    expect(of(fast, 'critical-no-port')[0]).toMatchObject({ grade: 'wont-work', runIds: ['run-1', 'run-2'] });
    expect(of(some({ critical: true, speedMbps: 1000 }), 'critical-no-port')).toEqual([]);
    // A cage would do it with a copper module: that is to be bought.
    const cage = change(fast, 'gear', 'switch', { ports: [{ count: 2, connector: 'sfp+', speedMbps: 10_000 }] });
    expect(of(cage, 'critical-no-port')[0]).toMatchObject({ grade: 'will-bite' });
    expect(of(some({ critical: false, speedMbps: 10_000 }), 'critical-no-port')).toEqual([]);
  });

  it('a switch that gives power unasked is named for each run on it (IEEE 802.3 clause 33)', () => {
    const passive = (fields: RunChanges) =>
      change(patched(some(fields), '1'), 'gear', 'switch', { powersUnasked: true });
    expect(of(passive({}), 'power-unasked')[0]).toMatchObject({ grade: 'wont-work' });
    expect(of(passive({ poeW: 5 }), 'power-unasked')[0]).toMatchObject({ grade: 'will-bite' });
    expect(of(patched(some(), '1'), 'power-unasked')).toEqual([]);
  });

  it('fibre goes as far as its modules: 10 Gb/s 300 m on OM3, 25 Gb/s 70 m (IEEE 802.3)', () => {
    const fibre = (speedMbps: number, lengthMm: number) => {
      const job = bench({ 1: { carries: 'fibre', cable: 'OM3 duplex LC', device: 'hut', speedMbps, lengthMm } });
      return apply(
        change(job, 'gear', 'switch', { ports: [{ count: 2, connector: 'sfp28', speedMbps: 25_000 }] }),
        { type: 'landRuns', landings: [{ runId: 'run-1', panelId: 'panel', port: 1 }] },
        {
          type: 'patchPorts',
          cords: [{ panelId: 'panel', panelPort: 1, switchId: 'switch', switchPort: 1, fixed: true }],
        },
      );
    };
    expect(of(fibre(10_000, 300_000), 'fibre-too-far')).toEqual([]);
    expect(of(fibre(10_000, 301_000), 'fibre-too-far')[0]?.what).toMatch(/301 m of OM3: at 10 Gb\/s/);
    expect(of(fibre(25_000, 70_000), 'fibre-too-far')).toEqual([]);
    expect(of(fibre(25_000, 71_000), 'fibre-too-far')).toHaveLength(1);
  });
});

describe('networks on uplinks (IEEE 802.1Q)', () => {
  const linked = () => {
    const gear = ['router', 'low'].map((id) =>
      Gear.parse({
        id,
        name: id,
        kind: id === 'router' ? 'router' : 'switch',
        heightU: 1,
        depthMm: 100,
        managed: true,
        ports: [{ count: 8, connector: 'rj45', speedMbps: 1000 }],
      }),
    );
    const uplink = (id: string, fromId: string, fromPort: number, toId: string, toPort: number) => ({
      table: 'cords' as const,
      record: Cord.parse({ id, fromId, fromPort, toId, toPort }),
    });
    const network = (id: string, number: number) => ({
      type: 'addNetwork' as const,
      network: { id, name: id, code: id.slice(0, 1).toUpperCase(), number, colour: 'red', pattern: 'solid' },
    });
    const job = apply(
      some(),
      { type: 'addGear', gear },
      ...([network('office', 10), network('guests', 20)] as Command[]),
      { type: 'editRuns', edits: [{ runId: 'run-1', changes: { network: 'guests' } }] },
      { type: 'keepRows', rows: [uplink('up', 'switch', 7, 'router', 1)] },
    );
    return patched(job, '1');
  };
  const on = (job: Job, gearId: string, port: number, networkId: string, tagged: boolean) =>
    apply(job, {
      type: 'keepRows',
      rows: [
        { table: 'portNetworks', record: { id: `${gearId}${port}${networkId}`, gearId, port, networkId, tagged } },
      ],
    });

  it('one that leaves out what is used below it, or is untagged differently at its ends, is named', () => {
    expect(of(linked(), 'uplink-networks')).toEqual([]);
    const office = on(linked(), 'switch', 7, 'office', true);
    expect(of(office, 'uplink-networks').map((one) => one.what)).toEqual([
      'Switch port 7 is an uplink and does not carry guests, which is used below it.',
    ]);
    expect(of(on(office, 'switch', 7, 'guests', true), 'uplink-networks')).toEqual([]);
    const both = on(on(linked(), 'switch', 7, 'guests', false), 'router', 1, 'office', false);
    expect(of(both, 'uplink-networks').map((one) => one.rowIds[1])).toEqual(['router', 'untagged']);
  });
});

describe('air, hinges and bends', () => {
  it('gear that blows against its neighbour, or into a closed side, is named', () => {
    const flows = (panel: string, device: string) =>
      change(change(bench(), 'gear', 'panel', { airflow: panel }), 'gear', 'switch', { airflow: device });
    expect(of(flows('front-rear', 'rear-front'), 'air-against-air')).toHaveLength(1);
    expect(of(flows('front-rear', 'front-rear'), 'air-against-air')).toEqual([]);
    expect(of(flows('none', 'side'), 'air-against-air')[0]?.what).toMatch(/sides of Rack are closed/);
    expect(of(change(flows('none', 'side'), 'racks', 'rack', { sides: 'vented' }), 'air-against-air')).toEqual([]);
  });

  it('a cabinet that swings out wants a loop as long as it is deep', () => {
    const hinged = change(patched(some(), '1'), 'racks', 'rack', { hinge: 'left' });
    expect(of(answered(hinged, { 'land-loop': '0.3' }), 'hinge-without-loop')).toHaveLength(1);
    expect(of(answered(hinged, { 'land-loop': '0.4' }), 'hinge-without-loop')).toEqual([]);
    const empty = answered(change(some(), 'racks', 'rack', { hinge: 'left' }), { 'land-loop': '0.3' });
    expect(of(empty, 'hinge-without-loop')).toEqual([]);
  });

  it('hooks, trunking and trays bend at 4 × the diameter at least (ANSI/TIA-568.0)', () => {
    const laid = (kind: string, bendRadiusMm: number, bends: number) =>
      apply(some(), {
        type: 'keepRows',
        rows: [
          {
            table: 'pathways',
            record: {
              id: 'p',
              name: 'Way',
              kind,
              widthMm: 60,
              heightMm: kind === 'hooks' ? null : 40,
              lengthMm: 5000,
              bends,
              bendRadiusMm,
            },
          },
          { table: 'passages', record: { id: 'pp', pathwayId: 'p', runId: 'run-1' } },
        ],
      } as unknown as Command);
    // Cat 6 of 6.0 mm: 24 mm.
    expect(of(laid('trunking', 23, 1), 'pathway-bends')[0]?.what).toMatch(/bends at 23 mm; its cables ask for 24 mm/);
    expect(of(laid('trunking', 24, 1), 'pathway-bends')).toEqual([]);
    expect(of(laid('hooks', 20, 0), 'pathway-bends')).toHaveLength(1);
    expect(of(laid('trunking', 5, 0), 'pathway-bends')).toEqual([]);
  });
});
