import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { patchCordsOf } from '../../src/core/job/document/cordKinds';
import type { Gear } from '../../src/core/job/records/gear';
import { takesPower } from '../../src/core/trade/power/poe';
import {
  asSeenCommands,
  rememberCommands,
  runsByAddress,
  shownBySwitch,
} from '../../src/core/trade/testing/switches/addresses';
import { TREE } from '../../src/core/trade/testing/switches/managementTree';
import { readWalk } from '../../src/core/trade/testing/switches/readWalk';
import { type Cause, plannedPorts, reconcile, reconcileAll } from '../../src/core/trade/testing/switches/reconcile';
import { readSwitchFault, type SwitchFault, simulatedAddress, simulatedWalk } from '../../src/simulators/managedSwitch';
import { apply, counter, tarnbrook } from '../support/jobs';

const job = tarnbrook();
const device = Object.values(job.gear).find(({ name }) => name === 'New switch') as Gear;
const byAddress = new Map(Object.keys(job.runs).map((id) => [simulatedAddress(id), id]));
const compare = (faults: readonly SwitchFault[], text = simulatedWalk(job, device, faults)) =>
  reconcile(job, device, readWalk(text), (address) => byAddress.get(address) ?? null);
const planned = plannedPorts(job, device);
const live = planned.flatMap(({ port, run }) => (run ? [port] : []));
const free = planned.flatMap(({ port, run, uplink }) => (run || uplink ? [] : [port]));
const said = (causes: readonly Cause[]) =>
  causes.map(({ kind, ports }) => `${kind} ${[...ports].sort((a, b) => a - b).join(' ')}`).sort();

describe('the plan against what a switch sees', () => {
  it('agrees with itself', () => {
    expect(compare([])).toMatchObject({ causes: [], proven: true });
    expect(new Set(Object.keys(job.runs).map(simulatedAddress)).size).toBe(Object.keys(job.runs).length);
  });

  it('tells two exchanged cords, a ring, and a row that sits one port off, each as one cause', () => {
    const [a = 1, b = 2, c = 3] = live;
    expect(compare([{ kind: 'exchanged', ports: [a, b] }]).causes).toMatchObject([{ kind: 'exchanged', explains: 2 }]);
    expect(compare([{ kind: 'exchanged', ports: [a, b, c] }]).causes).toMatchObject([
      { kind: 'exchanged', explains: 3 },
    ]);
    const row = { kind: 'shifted', from: live[0] ?? 1, to: live.at(-1) ?? 1, by: 1 } as const;
    const { causes } = compare([row]);
    expect(causes[0]?.kind).toBe('shifted');
    expect(causes[0]?.explains).toBeGreaterThan(2);
  });

  it('an exchange of two cords is always found, and nothing else invented', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(live, { minLength: 2, maxLength: 2 }), (ports) => {
        expect(said(compare([{ kind: 'exchanged', ports }]).causes)).toEqual([
          `exchanged ${[...ports].sort((a, b) => a - b).join(' ')}`,
        ]);
      }),
    );
  });

  it('all of up to twelve faults are found, none invented', () => {
    const powered = planned.flatMap(({ port, run }) => (run && takesPower(run) ? [port] : []));
    const fast = planned.flatMap(({ port, run }) => (run && (run.speedMbps ?? 0) > 100 ? [port] : []));
    const numbered = planned.flatMap(({ port, run }) => (job.networks[run?.networkId ?? '']?.number ? [port] : []));
    fc.assert(
      fc.property(
        fc.shuffledSubarray(live),
        fc.shuffledSubarray(free, { maxLength: Math.min(3, free.length) }),
        fc.infiniteStream(fc.nat(4)),
        (ports, extras, kinds) => {
          const left = [...ports];
          const faults: SwitchFault[] = extras.map((port) => ({ kind: 'extra', port }));
          for (const kind of kinds) {
            const [port, other] = left;
            if (port === undefined || faults.length >= 12) break;
            left.shift();
            if (kind === 0 && other !== undefined) {
              left.shift();
              faults.push({ kind: 'exchanged', ports: [port, other] });
            } else if (kind === 1) faults.push({ kind: 'missing', port });
            else if (kind === 2 && fast.includes(port)) faults.push({ kind: 'slow', port });
            else if (kind === 3 && powered.includes(port)) faults.push({ kind: 'no-power', port });
            else if (kind === 4 && numbered.includes(port)) faults.push({ kind: 'network', port });
          }
          const wanted = faults
            .map((fault) =>
              fault.kind === 'exchanged'
                ? `exchanged ${[...fault.ports].sort((a, b) => a - b).join(' ')}`
                : fault.kind === 'shifted'
                  ? ''
                  : `${fault.kind} ${fault.port}`,
            )
            .sort();
          expect(said(compare(faults).causes)).toEqual(wanted);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('does not say that no fewer explain it, where what is missing may be what nobody knows', () => {
    // Two switches hold no free port in this map: an unplugged run makes one.
    const [first, second] = planned.filter(({ run }) => run !== null);
    const cord = Object.values(patchCordsOf(job)).find(
      ({ switchId, switchPort }) => switchId === device.id && switchPort === second?.port,
    );
    const spare = apply(job, { type: 'dropRows', table: 'cords', ids: [cord?.id ?? ''] });
    const faults: SwitchFault[] = [
      { kind: 'missing', port: first?.port ?? 0 },
      { kind: 'extra', port: second?.port ?? 0 },
    ];
    const seen = readWalk(simulatedWalk(spare, device, faults));
    const made = reconcile(spare, device, seen, (address) => byAddress.get(address) ?? null);
    expect(said(made.causes)).toEqual([`extra ${second?.port}`, `missing ${first?.port}`]);
    expect(made.proven).toBe(false);
    expect(compare([{ kind: 'missing', port: first?.port ?? 0 }]).proven).toBe(true);
  });

  it('says what cannot be told: a silent device is no proof of absence', () => {
    const [port = 1] = live;
    const { causes, untold } = compare([{ kind: 'silent', port }]);
    expect(causes).toEqual([]);
    expect(untold).toEqual([expect.stringContaining(`Port ${port} is up and silent`)]);
  });
});

describe('several switches at once', () => {
  const switches = Object.values(job.gear).filter(({ id }) =>
    Object.values(patchCordsOf(job)).some(({ switchId }) => switchId === id),
  );
  const runOf = (address: string) => byAddress.get(address) ?? null;
  const all = (of: typeof job) =>
    reconcileAll(
      job,
      switches.map((one) => ({ device: one, seen: readWalk(simulatedWalk(of, one, [])) })),
      runOf,
    );

  it('agree with the plan together', () => {
    expect(switches.length).toBeGreaterThan(1);
    expect(all(job).causes).toEqual([]);
  });

  it('show two cords that are exchanged between them as one cause, and taking it in mends it', () => {
    const [a, b] = switches.map(({ id }) => Object.values(patchCordsOf(job)).find(({ switchId }) => switchId === id));
    if (!a || !b) throw new Error('two cords');
    const crossed = apply(job, {
      type: 'editRows',
      edits: [
        { table: 'cords', id: a.id, changes: { toId: b.switchId, toPort: b.switchPort } },
        { table: 'cords', id: b.id, changes: { toId: a.switchId, toPort: a.switchPort } },
      ],
    });
    const made = all(crossed);
    expect(made.causes.filter(({ kind }) => kind === 'exchanged')).toMatchObject([{ explains: 2 }]);
    const [cause] = made.causes;
    expect(new Set(cause?.places.map(({ switchId }) => switchId)).size).toBe(2);
    if (!cause) throw new Error('a cause');
    const after = apply(job, ...asSeenCommands(job, cause, made.moved));
    expect(patchCordsOf(after)[a.id]?.switchId).toBe(b.switchId);
  });

  it('stand for the cords that they show to be as planned, once', () => {
    const made = all(job);
    const said = { by: 'Kim', why: '', at: '' };
    const rows = shownBySwitch(job, made.sure, said, counter('vouch'));
    expect(rows.length).toBeGreaterThan(10);
    const after = apply(job, { type: 'keepRows', rows: rows.map((record) => ({ table: 'vouches', record })) });
    expect(shownBySwitch(after, made.sure, said, counter('more'))).toEqual([]);
  });
});

describe('what is seen', () => {
  it('is taken into the plan, and agrees then', () => {
    const [a = 1, b = 2, c = 3] = live;
    const seen = readWalk(simulatedWalk(job, device, [{ kind: 'exchanged', ports: [a, b, c] }]));
    const runOf = (address: string) => byAddress.get(address) ?? null;
    const made = reconcile(job, device, seen, runOf);
    const [cause] = made.causes;
    if (!cause) throw new Error('a cause');
    const after = apply(job, ...asSeenCommands(job, cause, made.moved));
    expect(reconcile(after, device, seen, runOf).causes).toEqual([]);
  });

  it('is remembered once, and then tells who is where', () => {
    const seen = readWalk(simulatedWalk(job, device, []));
    const nobody = reconcile(job, device, seen, runsByAddress(job));
    expect(nobody.causes).toEqual([]);
    expect(nobody.untold.length).toBe(live.length);
    const taught = apply(job, ...rememberCommands(job, device, seen, counter('address'), '2026-12-07'));
    expect(reconcile(taught, device, seen, runsByAddress(taught)).untold).toEqual([]);
    expect(rememberCommands(taught, device, seen, counter('more'), '2026-12-07')).toEqual([]);
    const [a = 1, b = 2] = live;
    const later = readWalk(simulatedWalk(job, device, [{ kind: 'exchanged', ports: [a, b] }]));
    expect(said(reconcile(taught, device, later, runsByAddress(taught)).causes)).toEqual([`exchanged ${a} ${b}`]);
  });
});

describe('a walk', () => {
  it('is read as tools print it, and refused when it is of something else', () => {
    const text = [
      `.${TREE.operStatus}.10101 = INTEGER: up(1)`,
      `.${TREE.name}.10101 = STRING: "slot 1 port 3"`,
      `.${TREE.highSpeed}.10101 = Gauge32: 1000`,
      `.${TREE.basePort}.3 = INTEGER: 10101`,
      `.${TREE.learnt}.2.0.94.0.83.1 = INTEGER: 3`,
      `.${TREE.learntByNetwork}.20.2.0.94.0.83.2 = INTEGER: 3`,
      `.${TREE.poeState}.1.3 = INTEGER: deliveringPower(3)`,
      `.${TREE.neighbour}.0.3.1 = STRING: "kiln-camera"`,
      `.${TREE.duplex}.10101 = INTEGER: halfDuplex(2)`,
      'End of MIB',
    ].join('\r\n');
    expect(readWalk(text)).toEqual([
      {
        port: 3,
        up: true,
        mbps: 1000,
        halfDuplex: true,
        fcsErrors: null,
        poe: 'delivering',
        poeClass: null,
        network: null,
        addresses: ['02:00:5e:00:53:01', '02:00:5e:00:53:02'],
        neighbours: ['kiln-camera'],
      },
    ]);
    expect(() => readWalk('label,room\n01,Hall\n')).toThrow('Nothing in it is of the standard modules');
    expect(() => readWalk('x\n'.repeat(500_001))).toThrow('500000 at most');
  });

  it('of any text is refused or read, and never fails', () => {
    const piece = fc.oneof(
      fc.constantFrom(...Object.values(TREE).map((root) => `.${root}.1 = `)),
      fc.string(),
      fc.constant('\n'),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 30 }), (parts) => {
        try {
          readWalk(parts.join(''));
        } catch (fault) {
          expect((fault as Error).name).toBe('Refusal');
        }
      }),
      { numRuns: 300 },
    );
  });

  it('names what is wrong with a fault that is asked for', () => {
    expect(readSwitchFault('shifted 1-12 +1')).toEqual({ kind: 'shifted', from: 1, to: 12, by: 1 });
    expect(readSwitchFault('exchanged 3 7')).toEqual({ kind: 'exchanged', ports: [3, 7] });
    expect(() => readSwitchFault('gremlins')).toThrow('expected exchanged 3 7');
  });
});
