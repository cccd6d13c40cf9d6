import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, counter, patched, tarnbrook } from '../../../../tests/support/jobs';
import { powered } from '../../../../tests/support/powered';
import { panelFirst } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { cords } from '../../job/records/cord';
import { portKey } from '../../job/records/portKey';
import { isPanel, portsOf } from '../../job/records/ports';
import { budgetWatts } from '../../trade/patching/budgetWatts';
import { cordLengthMm } from '../../trade/patching/cords/cordLength';
import { portFault } from '../../trade/patching/fitness';
import { switchLoads } from '../../trade/patching/switchLoad';
import { oneLess } from './oneLess';
import { slipLines } from './slip';
import { freePanelPorts, freeSeats, patchCost, waysFor } from './ways';
import { WHAT_IFS, whatIf } from './whatIf';
import { nextLabel, roomsOf, sparesIn, wishFor } from './wish';

/** Two panels' worth of runs, some of them spare. */
const small = (): Job =>
  apply(
    patched(
      bench(
        {
          1: { room: 'Hall', device: 'computer', network: 'Office', cable: 'Cat 6 U/UTP' },
          2: { room: 'Hall', cable: 'Cat 6 U/UTP' },
          3: { room: 'Den', device: 'camera', poeW: 8, network: 'Cameras', cable: 'Cat 6 U/UTP' },
          4: { room: 'Den', cable: 'Cat 6 U/UTP' },
        },
        { poeBudgetW: 60, ports: [{ count: 8, connector: 'rj45', speedMbps: 1000, poeW: 30 }] as never },
      ),
      '1',
      '3',
    ),
  );

/** The cheapest of all by trying every panel port with every switch port, each with its cord in the job. */
function byForce(job: Job, room: string, what: string): number | null {
  const wish = wishFor(job, what, room);
  const index = indexJob(job);
  let best: number | null = null;
  const spares = sparesIn(job, wish).map((run) => ({
    ...run,
    device: wish.device,
    poeW: wish.poeW,
    speedMbps: Math.max(run.speedMbps ?? 0, wish.speedMbps),
  }));
  for (const run of spares) {
    const landing = index.landingOfRun.get(run.id);
    const places = landing
      ? [[landing.panelId, landing.port] as const]
      : index.gearInOrder
          .filter(isPanel)
          .flatMap((panel) => portsOf(panel).map(({ number }) => [panel.id, number] as const))
          .filter(([panelId, port]) => !index.landingAtPort.has(portKey(panelId, port)));
    for (const [panelId, panelPort] of places)
      for (const gear of index.gearInOrder.filter(({ kind }) => kind === 'switch'))
        for (const port of portsOf(gear)) {
          const key = portKey(gear.id, port.number);
          if (index.cordAtSwitchPort.has(key) || index.uplinkAtPort.has(key) || portFault(run, port)) continue;
          const used = switchLoads(job).get(gear.id)?.usedW ?? 0;
          if (budgetWatts(job, run) > 0 && used + budgetWatts(job, run) > gear.poeBudgetW + 1e-9) continue;
          const ends = { panelId, panelPort, switchId: gear.id, switchPort: port.number };
          const cord = { id: 'x', ...ends, fixed: false, lengthMm: null, colour: '' };
          const record = cords.make({ id: 'x', ...panelFirst(cord) });
          const { cost, mm } = patchCost(job, run, ends, port);
          expect(mm).toBe(cordLengthMm({ ...job, cords: { ...job.cords, x: record } }, cord));
          if (best === null || cost < best) best = cost;
        }
  }
  return best;
}

describe('one more', () => {
  it('finds the spare run that ends there, its ports, cord, network and watts, and a new one beside it', () => {
    const job = small();
    const { ways, proven } = waysFor(job, wishFor(job, 'camera', 'Den'), counter('x'));
    expect(proven).toBe(true);
    expect(ways.map(({ kind }) => kind).sort()).toEqual(['new run', 'spare run']);
    const spare = ways.find(({ kind }) => kind === 'spare run');
    expect(spare?.label).toBe('4');
    const part = (name: string) => spare?.path.find((one) => one.part === name)?.words;
    expect(part('Network')).toBe('Cameras');
    expect(part('Power')).toContain('W over the cable');
    expect(spare?.usesUp.join(' ')).toContain('a spare run');
    expect(ways.find(({ kind }) => kind === 'new run')?.label).toBe('5');
    for (const way of ways) {
      const after = apply(job, ...way.commands);
      const run = indexJob(after).runByLabel.get(way.label);
      expect(run?.device).toBe('camera');
      const landing = indexJob(after).landingOfRun.get(run?.id ?? '');
      expect(landing && indexJob(after).cordAtPanelPort.has(portKey(landing.panelId, landing.port))).toBe(true);
    }
  });

  it('is as cheap as trying every pair finds', () => {
    for (const job of [small(), powered(), tarnbrook()])
      for (const { room } of roomsOf(job).slice(0, 6))
        for (const what of ['camera', 'desk'] as const) {
          const force = byForce(job, room, what);
          const wish = wishFor(job, what, room);
          const spares = waysFor(job, wish, counter('x'), 1000).ways.filter(
            ({ kind, path }) => kind === 'spare run' && path.length > 0,
          );
          if (force === null) {
            expect(spares.filter(({ commands }) => commands.some(({ type }) => type === 'patchPorts'))).toEqual([]);
            continue;
          }
          const least = Math.min(
            ...sparesIn(job, wish).flatMap((spare) => {
              const run = {
                ...spare,
                device: wish.device,
                poeW: wish.poeW,
                speedMbps: Math.max(spare.speedMbps ?? 0, wish.speedMbps),
              };
              const landing = indexJob(job).landingOfRun.get(spare.id);
              const panel = job.gear[landing?.panelId ?? ''];
              const places = landing && panel ? [{ panel, port: landing.port }] : freePanelPorts(job, run);
              return places.flatMap((place) =>
                freeSeats(job, run).map(
                  (seat) =>
                    patchCost(
                      job,
                      run,
                      {
                        panelId: place.panel.id,
                        panelPort: place.port,
                        switchId: seat.gear.id,
                        switchPort: seat.port.number,
                      },
                      seat.port,
                    ).cost,
                ),
              );
            }),
          );
          expect(least).toBeCloseTo(force, 9);
        }
  });

  it('and then one less is the same job again', () => {
    const job = small();
    fc.assert(
      fc.property(
        fc.constantFrom('camera', 'desk', 'telephone', 'door'),
        fc.constantFrom('Hall', 'Den'),
        (what, room) => {
          for (const way of waysFor(job, wishFor(job, what, room), counter('x')).ways) {
            const after = apply(job, ...way.commands);
            const run = indexJob(after).runByLabel.get(way.label);
            if (!run) throw new Error('a run');
            const landedNow = way.commands.some(({ type }) => type === 'landRuns');
            const back = apply(after, ...oneLess(after, run, way.kind === 'new run' ? 'goes' : 'stays').commands);
            const plain = (of: Job) => ({
              ...of,
              // What was landed with it stays landed.
              landings: landedNow && way.kind === 'spare run' ? {} : of.landings,
              runs: Object.fromEntries(Object.entries(of.runs).map(([id, one]) => [id, { ...one, networkId: null }])),
              networks: {},
            });
            const start = {
              ...job,
              runs: Object.fromEntries(
                Object.entries(job.runs).map(([id, one]) => [
                  id,
                  one.id === run.id ? { ...one, speedMbps: null } : one,
                ]),
              ),
            };
            expect(plain(back)).toEqual(plain(start));
          }
        },
      ),
    );
  });

  it('says why there is no way, and what would make one', () => {
    const job = apply(small(), { type: 'editGear', gearId: 'switch', changes: { poeBudgetW: 0 } });
    const { ways, none } = waysFor(job, wishFor(job, 'camera', 'Den'), counter('x'));
    expect(ways).toEqual([]);
    expect(none.join(' ')).toContain('a switch with more watts would');
    expect(() => wishFor(job, 'camera', 'Attic')).toThrow('there is no room “Attic”. Expected one of');
    expect(() => wishFor(job, ' ', 'Den')).toThrow('what: expected one of');
  });

  it('gives a label that nobody has', () => {
    expect(nextLabel(small())).toBe('5');
    for (const job of [powered(), tarnbrook()]) expect(indexJob(job).runByLabel.has(nextLabel(job))).toBe(false);
  });

  it('has a slip that says what to do', () => {
    const job = small();
    const wish = wishFor(job, 'camera', 'Den');
    const [way] = waysFor(job, wish, counter('x')).ways;
    if (!way) throw new Error('a way');
    const { title, lines } = slipLines(job, wish, way);
    expect(title).toContain('one more camera in Den');
    expect(lines.join('\n')).toContain('Nothing that works goes dark');
  });
});

describe('what if', () => {
  it('shows what would be different and changes nothing', () => {
    const job = powered();
    const before = JSON.stringify(job);
    for (const { id } of WHAT_IFS) {
      const made = whatIf(job, id);
      if (made.fault === null) expect(made.differences.length + made.come.length + made.go.length).toBeGreaterThan(0);
    }
    expect(JSON.stringify(job)).toBe(before);
    expect(whatIf(job, 'more-watts').fault).toBeNull();
  });
});
