import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, quillback } from '../../../../../tests/support/jobs';
import { powered } from '../../../../../tests/support/powered';
import { patchCordsOf } from '../../../job/document/cordKinds';
import { cords } from '../../../job/records/cord';
import { Gear } from '../../../job/records/gear';
import { MAINS, type Part, partKey, partOfKey, partsOf } from './parts';
import { changesFor } from './remedies';
import { singlePoints } from './singlePoints';
import { lossOf, standing, trip } from './trip';

const job = powered();
const gone = (parts: Part[], minutes: number | null = 20, generator: number | null = null) =>
  trip(job, parts, () => minutes, generator);
const services = (made: ReturnType<typeof gone>) => made.now.map(({ service }) => service);

describe('what goes dark', () => {
  it('with the mains: all that is behind no battery, and the rest when it is empty', () => {
    const made = gone([MAINS]);
    expect(services(made)).toContain('Internet');
    expect(services(made)).not.toContain('Cameras');
    expect(made.darkNow).toContain('recorder');
    expect(made.darkNow).not.toContain('switch-a');
    const [end] = made.later;
    expect(end).toMatchObject({ minutes: 20, what: 'dark', units: ['UPS 1500 VA'] });
    expect(end?.lost.map(({ service }) => service)).toContain('Cameras');
  });

  it('says where nobody knows how long a battery lasts', () => {
    const made = gone([MAINS], null);
    // An event of its own, with what it takes away: a battery that nobody knows never carries a load for ever.
    expect(made.later).toMatchObject([{ minutes: null, what: 'unknown', units: ['UPS 1500 VA'] }]);
    expect(made.later[0]?.lost.map(({ service }) => service)).toContain('Cameras');
    expect(made.unknown.join(' ')).toContain('Run time of UPS 1500 VA is not known');
  });

  it('brings back what the generator carries', () => {
    const fed = apply(job, {
      type: 'editRows',
      edits: Object.keys(job.circuits).map((id) => ({ table: 'circuits' as const, id, changes: { generator: true } })),
    });
    const made = trip(fed, [MAINS], () => 5, 10);
    expect(made.later.map(({ what, minutes }) => [what, minutes])).toEqual([
      ['dark', 5],
      ['generator', 10],
    ]);
    expect(made.later[1]?.back.map(({ service }) => service)).toContain('Cameras');
  });

  it('with a switch: also the small one that it feeds over its link', () => {
    const small = Gear.parse({
      ...job.gear['switch-b'],
      id: 'small',
      name: 'Small',
      shortName: '',
      inlet: 'none',
      inlets: 0,
    });
    const free = Array.from({ length: 24 }, (_, at) => at + 1).find(
      (port) =>
        !Object.values(patchCordsOf(job)).some((cord) => cord.switchId === 'switch-a' && cord.switchPort === port),
    );
    const fed = apply(
      job,
      { type: 'addGear', gear: [small] },
      {
        type: 'keepRows',
        rows: [
          {
            table: 'cords',
            record: cords.make({ id: 'u', fromId: 'switch-a', fromPort: free ?? 1, toId: 'small', toPort: 1 }),
          },
        ],
      },
    );
    const dark = (part: Part) => trip(fed, [part], () => 20).darkNow;
    expect(dark({ kind: 'gear', id: 'switch-a' })).toContain('small');
    expect(dark({ kind: 'uplink', id: 'u' })).toEqual(['small']);
    expect(dark({ kind: 'gear', id: 'recorder' })).not.toContain('small');
  });

  it('with one of two supplies: nothing', () => {
    const [plug] = Object.values(job.plugs).filter(({ gearId }) => gearId === 'storage');
    expect(gone([{ kind: 'plug', id: plug?.id ?? '' }]).now).toEqual([]);
  });

  it('with a run: what hangs on it and nothing else', () => {
    const run = Object.values(job.runs).find(({ device }) => /camera/i.test(device));
    const made = gone([{ kind: 'run', id: run?.id ?? '' }]);
    expect(made.cutNow).toEqual([run?.id]);
    expect(services(made)).toEqual(['Cameras', 'Recording']);
    expect(made.now[0]?.lost).toBe(1);
  });

  it('two parts darken at least what each of them does', () => {
    const part = fc.constantFrom(...partsOf(job));
    fc.assert(
      fc.property(part, part, (a, b) => {
        const at = (...parts: Part[]) =>
          standing(job, { failed: new Set(parts.map(partKey)), empty: new Set(), generatorOn: false });
        const both = at(a, b);
        for (const one of [at(a), at(b)]) {
          for (const id of one.dark) expect(both.dark.has(id)).toBe(true);
          for (const id of one.cut) expect(both.cut.has(id)).toBe(true);
          for (const [slot, { up }] of one.services.entries()) expect(both.services[slot]?.up).toBeLessThanOrEqual(up);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('lists what everything rests on, gravest first, each with a change', () => {
    const points = singlePoints(job);
    expect(points[0]?.lost.length).toBeGreaterThan(3);
    expect(points.every(({ remedy }) => remedy.length > 10)).toBe(true);
    const removed = points.filter(({ removes }) => removes);
    expect(removed.length).toBeGreaterThan(0);
    for (const { part, remedy, lost } of points) {
      const helps = changesFor(job, part, gone([part]).darkNow).filter(
        (change) => trip(change.job, [part], () => null).now.length === 0,
      );
      expect(lost).not.toEqual([]);
      if (helps[0]) expect(remedy).toBe(helps[0].words);
      for (const { cost } of helps) expect(cost).toBeGreaterThanOrEqual(helps[0]?.cost ?? 0);
    }
    const weights = points.map(({ weight }) => weight);
    expect(weights).toEqual([...weights].sort((a, b) => b - a));
  });

  it('names its parts by keys', () => {
    for (const part of partsOf(job)) expect(partOfKey(partKey(part))).toEqual(part);
    expect(partOfKey('nothing:x')).toBeNull();
  });
});

describe('the loss by one part', () => {
  it.each([
    ['a cabinet with power', () => powered()],
    [
      'a cabinet where one cord is out already',
      () => apply(powered(), { type: 'unplug', cordIds: Object.keys(patchCordsOf(powered())).slice(0, 1) }),
    ],
    ['a whole site', () => quillback()],
  ])('is what a trip says at once: %s', (_, make) => {
    const one = make();
    for (const part of partsOf(one)) {
      const { now, cutNow, darkNow } = trip(one, [part], () => null);
      expect({ part, ...lossOf(one, part) }).toEqual({ part, now, cutNow, darkNow });
    }
  });
});
