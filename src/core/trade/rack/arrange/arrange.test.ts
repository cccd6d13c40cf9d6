import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, quillback } from '../../../../../tests/support/jobs';
import { patchCordsOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { placeFault } from '../../../job/rack/fit';
import { overlaps } from '../../../job/rack/overlaps';
import { Gear } from '../../../job/records/gear';
import { Rack } from '../../../job/records/rack';
import { planJob } from '../../wholeJob/planJob';
import { arrange, arrangementSoFar, type BetterSoFar } from './arrange';
import { type ArrangeWish, SCHOOLS, wishOf } from './arrangeWish';
import { expectedCords } from './expectedCords';

/** A clock that counts how often it is looked at. */
const looks = () => {
  let count = 0;
  return { seed: 1, now: () => count++, untilMs: 1e9 };
};
const place = (job: Job, gearId: string) => Object.values(job.placements).find((row) => row.gearId === gearId)?.bottomU;
const wish = (job: Job, fields: Partial<ArrangeWish> = {}): ArrangeWish => ({ ...wishOf(job), ...fields });
const done = (job: Job, of = arrange(job, wish(job), looks())) =>
  of.commands.length > 0 ? apply(job, ...of.commands) : job;

describe('arranging a cabinet', () => {
  it.each(SCHOOLS)('places all of the demo site by the school “%s”, proven, and says why for each', (school) => {
    const job = quillback();
    const made = arrange(job, wish(job, { school }), looks());
    expect(made.proven).toBe(true);
    expect(made.bound).toBe(made.cost);
    expect(made.left).toEqual([]);
    const after = apply(job, ...made.commands);
    expect(Object.keys(after.placements)).toHaveLength(12);
    for (const row of Object.values(after.placements)) {
      const [gear, rack] = [after.gear[row.gearId], after.racks[row.rackId]];
      expect(gear && rack && placeFault(after, gear, { rack, bottomU: row.bottomU, face: row.face })).toBeNull();
    }
    for (const one of made.places) {
      expect(one.why).toMatch(/\.$/);
      expect(one.second === null || one.second.points >= -1e-6).toBe(true);
    }
    // The battery is the heaviest thing: it stands in the lowest units or on the distribution unit.
    expect(place(after, 'ups')).toBeLessThanOrEqual(2);
  });

  it('puts panels beside their switch in the school of short cords, and by the entry in the other', () => {
    const job = quillback();
    const sandwich = done(job);
    expect(Math.abs((place(sandwich, 'panel-a') ?? 0) - (place(sandwich, 'switch-a') ?? 0))).toBe(1);
    expect(Math.abs((place(sandwich, 'panel-b') ?? 0) - (place(sandwich, 'switch-a') ?? 0))).toBe(1);
    const entry = done(job, arrange(job, wish(job, { school: 'entry' }), looks()));
    for (const id of ['panel-a', 'panel-b']) expect(place(entry, id)).toBeGreaterThanOrEqual(15);
  });

  it('puts a manager between each panel and its switch, panel and switch apart', () => {
    const manager = Gear.parse({ id: 'manager', name: 'Manager', kind: 'manager', heightU: 1, depthMm: 70 });
    const job = apply(bench(), { type: 'addGear', gear: [manager] });
    const made = arrange(job, wish(job, { school: 'managers' }), looks());
    const [panel = 0, middle = 0, below = 0] = ['panel', 'manager', 'switch'].map((id) => place(done(job, made), id));
    expect([Math.abs(panel - middle), Math.abs(middle - below)]).toEqual([1, 1]);
    expect(made.notes).toEqual([]);
  });

  it('moves nothing when nothing is gained, and less the more moves are shunned', () => {
    const settled = done(quillback());
    expect(arrange(settled, wish(settled), looks()).commands).toEqual([]);
    const first = planJob(quillback()).job;
    const stress = (much: 'no' | 'much') => ({ ...wishOf(first).stress, 'few-moves': much });
    const moves = (much: 'no' | 'much') => arrange(first, wish(first, { stress: stress(much) }), looks()).figures.moves;
    expect(moves('much')).toBeLessThanOrEqual(moves('no'));
  });

  it('never breaks a pin, a pair that must touch, or the fit', () => {
    const ids = Object.values(quillback().gear)
      .filter((gear) => gear.frame === '19-inch' && gear.kind !== 'blank')
      .map((gear) => gear.id);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...ids), fc.integer({ min: 1, max: 17 })), { maxLength: 4 }),
        fc.constantFrom(...SCHOOLS),
        (pins, school) => {
          let job = quillback();
          for (const [gearId, bottomU] of pins) {
            const [gear, rack] = [job.gear[gearId], job.racks.cabinet];
            if (!gear || !rack || placeFault(job, gear, { rack, bottomU, face: 'front' })) continue;
            job = apply(
              job,
              { type: 'placeGear', gearId, rackId: 'cabinet', bottomU },
              { type: 'pinGear', gearIds: [gearId], pinned: true },
            );
          }
          const after = done(job, arrange(job, wish(job, { school }), looks()));
          for (const row of Object.values(job.placements)) expect(place(after, row.gearId)).toBe(row.bottomU);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('keeps pairs together, and says so when a pin keeps them apart', () => {
    const pair = {
      type: 'keepRows' as const,
      rows: [{ table: 'neighbours' as const, record: { id: 'n', gearId: 'router', besideId: 'ups' } }],
    };
    const job = apply(quillback(), pair);
    const after = done(job);
    expect([1, 2]).toContain(Math.abs((place(after, 'router') ?? 0) - (place(after, 'ups') ?? 0)));
    const pinned = apply(
      job,
      { type: 'placeGear', gearId: 'router', rackId: 'cabinet', bottomU: 18 },
      { type: 'placeGear', gearId: 'ups', rackId: 'cabinet', bottomU: 1 },
      { type: 'pinGear', gearIds: ['router', 'ups'], pinned: true },
    );
    const made = arrange(pinned, wish(pinned), looks());
    expect(made.commands).toEqual([]);
    expect(made.notes.join()).toContain('cannot: unpin');
  });

  it('lets the least needed give way where units are short, and names what fits nowhere', () => {
    const job = apply(
      bench({}, {}, { units: 12 }),
      { type: 'editRack', rackId: 'rack', changes: { units: 3 } },
      { type: 'liftGear', gearIds: ['panel', 'switch'] },
      {
        type: 'addGear',
        gear: [
          Gear.parse({ id: 'brush', name: 'Brush', kind: 'brush', heightU: 1, depthMm: 20 }),
          Gear.parse({ id: 'manager', name: 'Manager', kind: 'manager', heightU: 1, depthMm: 70 }),
          Gear.parse({ id: 'deep', name: 'Deep', kind: 'server', heightU: 1, depthMm: 700 }),
        ],
      },
    );
    const made = arrange(job, wish(job), looks());
    expect(made.left.map(({ gearId }) => gearId)).toEqual(['deep', 'manager']);
    expect(made.left[0]?.why).toContain('700 mm deep');
    expect(Object.keys(done(job, made).placements)).toHaveLength(3);
    expect(made.proven).toBe(false);
  });

  it('leaves alone what stands although it fits nowhere, and puts nothing into its units', () => {
    const tall = Gear.parse({ id: 'tall', name: 'Tall', kind: 'server', heightU: 9, depthMm: 300 });
    const full = apply(
      bench(),
      { type: 'addGear', gear: [tall] },
      { type: 'placeGear', gearId: 'tall', rackId: 'rack', bottomU: 2 },
      { type: 'editGear', gearId: 'tall', changes: { depthMm: 700 } },
    );
    const made = arrange(full, wish(full), looks());
    expect(made.left.map(({ gearId }) => gearId)).toEqual(['tall']);
    const after = done(full, made);
    expect(place(after, 'tall')).toBe(2);
    expect(overlaps(after)).toEqual([]);
    // A rack made lower leaves it half outside: its units within the rack stay its own.
    const low = apply(
      full,
      { type: 'liftGear', gearIds: ['panel', 'switch'] },
      { type: 'editRack', rackId: 'rack', changes: { units: 6 } },
    );
    expect(overlaps(done(low))).toEqual([]);
    expect(place(done(low), 'tall')).toBe(2);
  });

  it('takes out what stands and gives way, so that the rest has its units', () => {
    const brush = Gear.parse({ id: 'brush', name: 'Brush', kind: 'brush', heightU: 1, depthMm: 20 });
    const job = apply(
      bench(),
      { type: 'liftGear', gearIds: ['panel', 'switch'] },
      { type: 'addGear', gear: [brush] },
      { type: 'editRack', rackId: 'rack', changes: { units: 2 } },
      { type: 'placeGear', gearId: 'brush', rackId: 'rack', bottomU: 1 },
    );
    const made = arrange(job, wish(job), looks());
    expect(made.left.map(({ gearId }) => gearId)).toEqual(['brush']);
    const after = done(job, made);
    expect(
      Object.values(after.placements)
        .map((row) => row.gearId)
        .sort(),
    ).toEqual(['panel', 'switch']);
  });

  it('gives what was found on the way when it is broken off', () => {
    const job = quillback();
    const found: BetterSoFar[] = [];
    arrange(job, wish(job), looks(), (better) => found.push(better));
    const [first] = found;
    if (!first) throw new Error('nothing found on the way');
    const made = arrangementSoFar(job, wish(job), first);
    expect(made).toMatchObject({ proven: false, left: [] });
    expect(made.cost).toBeCloseTo(first.cost, 6);
    expect(Object.keys(apply(job, ...made.commands).placements)).toHaveLength(12);
  });

  it('spreads gear over two racks and moves it between them', () => {
    const second = Rack.parse({ id: 'second', name: 'Second', units: 6, depthMm: 600 });
    const deep = Gear.parse({ id: 'deep', name: 'Deep', kind: 'server', heightU: 2, depthMm: 550, massKg: 14 });
    const job = apply(bench(), { type: 'addRack', rack: second }, { type: 'addGear', gear: [deep] });
    const after = done(job);
    expect(Object.values(after.placements).find((row) => row.gearId === 'deep')?.rackId).toBe('second');
  });

  it('has nothing to say of a job without racks or without gear', () => {
    const bare = apply(bench(), { type: 'removeRack', rackId: 'rack' });
    expect(arrange(bare, wish(bare), looks())).toMatchObject({ commands: [], places: [] });
    const empty = apply(bench(), { type: 'removeGear', gearIds: ['panel', 'switch'] });
    expect(arrange(empty, wish(empty), looks())).toMatchObject({ commands: [], places: [], proven: true });
  });

  it('is the same for the same seed', () => {
    const job = quillback();
    expect(arrange(job, wish(job), looks())).toEqual(arrange(job, wish(job), looks()));
  });

  it('counts cords that are planned and guesses the rest by ports', () => {
    const job = planJob(quillback()).job;
    const between = expectedCords(job, Object.values(job.gear));
    const planned = Object.values(patchCordsOf(job)).length;
    const counted = between.filter(({ a, b }) => [a, b].some((id) => job.gear[id]?.kind === 'panel'));
    expect(counted.reduce((sum, row) => sum + row.cords, 0)).toBeGreaterThanOrEqual(planned);
  });
});
