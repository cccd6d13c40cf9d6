import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../../tests/support/jobs';
import {
  eurocodePermanent,
  eurocodeWithdrawalN,
  leadHoleShare,
  NEWTON_PER_POUND,
  specificGravity,
  ultimatePerInch,
  withdrawalPerInch,
  woodScrews,
} from '../../../base/standards/withdrawal';
import type { Job } from '../../../job/document/job';
import { Mount } from '../../../job/records/mount';
import { Rack } from '../../../job/records/rack';
import { answerCommand } from '../../survey/answers/answers';
import { backboard } from './backboard';
import { drillTemplate, tile } from './drillTemplate';
import { rackLoad, tipping } from './rackLoad';
import { fixingForces, mountOf, permittedPullN, wallVerdict } from './wallMount';

const mount = (fields: Partial<Mount> = {}) =>
  Mount.parse({ id: 'mount', rackId: 'rack', lineHeightMm: 550, ...fields });

describe('withdrawal of screws from wood', () => {
  it.each([
    // NDS-2018 12.2-1 and 12.2-2, pounds an inch at the specific gravities of table 12.3.3A.
    ['lag-1/4', [137, 173, 225, 260]],
    ['lag-5/16', [163, 205, 266, 307]],
    ['lag-3/8', [186, 235, 305, 352]],
    ['screw-8', [61, 82, 117, 141]],
    ['screw-10', [70, 96, 135, 164]],
    ['screw-12', [80, 109, 154, 186]],
  ] as const)('of %s is as published', (fastener, table) => {
    const made = [0.36, 0.42, 0.5, 0.55].map((gravity) => Math.round(withdrawalPerInch(woodScrews[fastener], gravity)));
    expect(made).toEqual(table);
  });

  it('at failure is 4.5 times the design value of lags and 5.5 times that of screws (Wood Handbook)', () => {
    for (const gravity of Object.values(specificGravity)) {
      const share = (name: 'lag-1/4' | 'screw-10') =>
        ultimatePerInch(woodScrews[name], gravity) / withdrawalPerInch(woodScrews[name], gravity);
      expect(share('lag-1/4')).toBeCloseTo(4.5, 2);
      expect(share('screw-10')).toBeCloseTo(5.51, 2);
    }
  });

  it('a quarter-inch lag 1.5 in deep in spruce-pine-fir bears 1040 N for good', () => {
    const one = mount({ fastener: 'lag-1/4', species: 'spruce-pine-fir', threadInMm: 38 });
    expect(permittedPullN({ ...one, threadInMm: 38.1, lastingFactor: 1 })).toBeCloseTo(1156, -1);
    expect(permittedPullN({ ...one, threadInMm: 38.1 })).toBeCloseTo(1040, -1);
  });

  it('by the European formula is 4412 N for 8 mm and 40 mm of thread in C24, 2036 N in design (from memory)', () => {
    const made = eurocodeWithdrawalN(8, 40, 350) ?? 0;
    expect(made).toBeCloseTo(4412, -1);
    expect((made * eurocodePermanent.modification) / eurocodePermanent.material).toBeCloseTo(2036, -1);
    expect(eurocodeWithdrawalN(5, 40, 350)).toBeNull();
  });

  it('wants lead holes by the weight of the wood', () => {
    expect(leadHoleShare(0.67)).toEqual({ least: 0.65, most: 0.85 });
    expect(leadHoleShare(0.55)).toEqual({ least: 0.6, most: 0.75 });
    expect(leadHoleShare(0.5)).toEqual({ least: 0.4, most: 0.7 });
  });
});

describe('forces on the fixings (statics)', () => {
  const weightN = 45 * 9.806_65;

  it('of 45 kg, 225 mm out, fixed 550 mm above the lower edge', () => {
    const { pullN, pullEachN, shearEachN } = fixingForces(mount(), weightN, 225);
    expect(weightN).toBeCloseTo(441.3, 1);
    expect(pullN).toBeCloseTo(180.5, 1);
    expect(pullEachN).toBeCloseTo(90.3, 1);
    expect(shearEachN).toBeCloseTo(220.6, 1);
  });

  it('of the same with its weight at the front edge, and of somebody leaning on it', () => {
    expect(fixingForces(mount(), weightN, 450).pullN).toBeCloseTo(361.1, 1);
    const lean = fixingForces(mount(), weightN, 225, 300, 450).pullN - fixingForces(mount(), weightN, 225).pullN;
    expect(lean).toBeCloseTo(245.5, 1);
  });

  it('are never less for a heavier device, wherever it stands', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 10 }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.integer({ min: 50, max: 900 }),
        (bottomU, massKg, more, depthMm) => {
          const made = (kg: number) => {
            const job = apply(
              bench({}, {}, { ratedLoadKg: null }),
              { type: 'editGear', gearId: 'switch', changes: { massKg: kg } },
              { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU },
            );
            const rack = Rack.parse({ ...job.racks.rack, depthMm });
            return wallVerdict(job, rack).cases.flatMap((one) => [one.pullEachN, one.shearEachN]);
          };
          const [light, heavy] = [made(massKg), made(massKg + more)];
          for (const [at, force] of heavy.entries()) expect(force).toBeGreaterThanOrEqual((light[at] ?? 0) - 1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('whether it holds', () => {
  const hung = (fields: Partial<Mount>) => {
    const job = apply(bench({}, { massKg: 30 }), {
      type: 'keepRows',
      rows: [{ table: 'mounts', record: mount({ shearN: 1500, ...fields }) }],
    });
    return wallVerdict(job, Rack.parse({ ...job.racks.rack, standing: 'wall', emptyKg: 15, frontClearanceMm: 50 }));
  };

  it('says yes with the share used, and no when the safety factor is raised enough', () => {
    const good = hung({});
    expect(good.holds).toBe(true);
    expect(good.load.massKg).toEqual({ sum: 45, unknown: 0 });
    expect(hung({ safetyFactor: 20 }).holds).toBe(false);
    expect(hung({ safetyFactor: 4 }).use).toBeCloseTo(2 * (good.use ?? 0), 9);
  });

  it('takes masonry by its maker’s figure only, and plasterboard never', () => {
    expect(hung({ wall: 'masonry', fastener: 'anchor' })).toMatchObject({ use: null, holds: null });
    expect(hung({ wall: 'masonry', fastener: 'anchor' }).open.join()).toContain('maker’s table');
    expect(hung({ wall: 'masonry', fastener: 'anchor', pullN: 2000 }).holds).toBe(true);
    expect(hung({ wall: 'masonry' })).toMatchObject({ permittedPullN: null, holds: null });
    expect(hung({ wall: 'plasterboard' }).holds).toBe(false);
  });

  it('counts pull and shear together where the shear is known', () => {
    expect(hung({ shearN: 500 }).use).toBeGreaterThan(hung({}).use ?? 0);
    // What is not known is not nothing: the verdict stays open.
    expect(hung({ shearN: null })).toMatchObject({ holds: null });
    expect(hung({ shearN: null }).open.join()).toMatch(/sideways/);
  });

  it('does not say that it holds while the cabinet’s mass is not known, or a fixing finds no stud', () => {
    const job = apply(bench({}, { massKg: 3 }), {
      type: 'keepRows',
      rows: [{ table: 'mounts', record: mount({ shearN: 1500 }) }],
    });
    const unknown = wallVerdict(job, Rack.parse({ ...job.racks.rack, standing: 'wall' }));
    expect(unknown.use).toBeLessThan(1);
    expect(unknown.holds).toBeNull();
    expect(hung({ bracketWidthMm: 500 })).toMatchObject({ holds: null });
    expect(hung({ bracketWidthMm: 500 }).open.join()).toContain('Not every fixing meets a stud');
    // Three to a line: the middle one lies between two studs 400 mm apart.
    expect(hung({ topCount: 3 }).holds).toBeNull();
    expect(hung({ topCount: 3, bracketWidthMm: 800 }).holds).toBe(true);
  });

  it('holds nothing where nothing is permitted', () => {
    expect(hung({ wall: 'masonry', fastener: 'anchor', pullN: 0 }).holds).toBe(false);
    expect(hung({ shearN: 0 }).holds).toBe(false);
  });

  it('wants four diameters of thread for a lag', () => {
    expect(hung({ threadInMm: 20 })).toMatchObject({ holds: false });
    expect(hung({ threadInMm: 20 }).notes.join()).toContain('26 mm of thread');
  });

  it('judges nothing while nothing was entered, and takes the wall from the survey', () => {
    const wall = (of: Job) => wallVerdict(of, Rack.parse({ ...of.racks.rack, standing: 'wall', emptyKg: 15 }));
    const heavy = bench({}, { massKg: 15 });
    expect(wall(heavy)).toMatchObject({ holds: null });
    expect(wall(heavy).open.join()).toContain('Nothing was entered');
    const masonry = apply(heavy, answerCommand(heavy, 'wall-kind', 'masonry'));
    expect(wall(masonry).mount.wall).toBe('masonry');
    expect(wall(masonry)).toMatchObject({ holds: null, use: null });
    const board = apply(heavy, answerCommand(heavy, 'wall-kind', 'board'));
    expect(wall(board).holds).toBe(false);
    // Survey and page say different things: which is it?
    const both = apply(masonry, {
      type: 'keepRows',
      rows: [{ table: 'mounts', record: mount({ shearN: 1500 }) }],
    });
    expect(wall(both)).toMatchObject({ holds: null });
    expect(wall(both).open.join()).toContain('which is it?');
  });

  it('does not say that it holds while the mass of a device is not known', () => {
    const job = apply(bench({}, { massKg: null }), {
      type: 'keepRows',
      rows: [{ table: 'mounts', record: mount({ shearN: 1500 }) }],
    });
    const verdict = wallVerdict(job, Rack.parse({ ...job.racks.rack, standing: 'wall', emptyKg: 15 }));
    expect(verdict.holds).toBeNull();
    expect(verdict.load.massKg.unknown).toBeGreaterThan(0);
    expect(verdict.notes.join()).toMatch(/mass of \d device/);
  });

  it('is a mount of its own for each rack, with a default until one is kept', () => {
    expect(mountOf(bench(), Rack.parse({ id: 'rack', name: 'R', units: 9, depthMm: 300 })).fastener).toBe('lag-1/4');
  });
});

describe('centre of gravity and tipping (statics)', () => {
  it('lies where the mass lies', () => {
    const job = bench({}, { massKg: 20, depthMm: 200 });
    const rack = Rack.parse({ ...job.racks.rack, standing: 'floor', baseMm: 100 });
    const load = rackLoad(
      { ...job, gear: { ...job.gear, panel: { ...(job.gear.panel as never as object), massKg: 0 } as never } },
      rack,
    );
    expect(load.heightMm).toBeCloseTo(100 + 10.5 * 44.45, 6);
    expect(load.outMm).toBe(400 - 100);
  });

  it('tips by the lever of its weight about the front edge', () => {
    const job = bench({}, { massKg: 50, depthMm: 400 });
    const rack = Rack.parse({ ...job.racks.rack, standing: 'floor', depthMm: 400, outerHeightMm: 1000, baseMm: 50 });
    const { pullAtTopN } = tipping(job, rack);
    expect(pullAtTopN).toBeCloseTo((rackLoad(job, rack).weightN * 200) / 1000, 0);
  });
});

describe('board and template', () => {
  const rack = Rack.parse({
    id: 'rack',
    name: 'R',
    units: 18,
    depthMm: 450,
    standing: 'wall',
    outerWidthMm: 600,
    outerHeightMm: 890,
  });

  it('needs no board where both fixings meet studs, and spans to studs where they do not', () => {
    expect(backboard(rack, mount({ bracketWidthMm: 400, studSpacingMm: 400 })).needed).toBe(false);
    const board = backboard(rack, mount({ bracketWidthMm: 500, studSpacingMm: 400, studFaceMm: 38 }));
    expect(board).toMatchObject({ needed: true, widthMm: 838, heightMm: 1090, thicknessMm: 19, studs: 3 });
    for (const { xMm } of board.screws) expect((xMm - 19) % 400).toBe(0);
    expect(board.screws).toHaveLength(board.studs * board.rows);
    expect(board.cuts).toEqual([{ words: 'Board', widthMm: 838, heightMm: 1090 }]);
  });

  it('cuts the template into sheets that cover every hole', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 900 }),
        fc.integer({ min: 50, max: 1200 }),
        fc.integer({ min: 1, max: 5 }),
        (bracketWidthMm, lineHeightMm, topCount) => {
          const { marks, tiles, widthMm, heightMm } = drillTemplate(mount({ bracketWidthMm, lineHeightMm, topCount }));
          for (const { xMm, yMm } of [...marks, { xMm: widthMm, yMm: heightMm }]) {
            expect(
              tiles.some(
                (one) =>
                  xMm >= one.xMm && xMm <= one.xMm + tile.widthMm && yMm >= one.yMm && yMm <= one.yMm + tile.heightMm,
              ),
            ).toBe(true);
          }
        },
      ),
    );
  });

  it('a pound-force is 4.448 N', () => expect(NEWTON_PER_POUND).toBeCloseTo(4.448_22, 5));
});
