import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { slack } from '../../base/standards/slack';
import type { RunChanges } from '../../job/commands/runs';
import type { Job } from '../../job/document/job';
import type { TableRow } from '../../job/document/tables';
import { Floor } from '../../job/records/floor';
import { Place } from '../../job/records/place';
import { Room } from '../../job/records/room';
import type { Run } from '../../job/records/run';
import { isInside, siteOf } from '../survey/answers/site';
import { routeOf } from './routeLength';

const floor = (id: string, level: number, fields: object = {}): TableRow => ({
  table: 'floors',
  record: Floor.parse({ id, name: id, level, heightMm: 2500, slabMm: 300, ...fields }),
});
const room = (id: string, floorId: string, x: number, y: number, width = 4000, depth = 3000): TableRow => ({
  table: 'rooms',
  record: Room.parse({ id, name: id, floorId, xMm: x, yMm: y, widthMm: width, depthMm: depth }),
});
const place = (id: string, floorId: string, kind: string, x: number, y: number, fields: object = {}): TableRow => ({
  table: 'places',
  record: Place.parse({ id, name: id, floorId, kind, xMm: x, yMm: y, ...fields }),
});
const site = (run: RunChanges, ...rows: TableRow[]): Job => apply(bench({ 1: run }), { type: 'keepRows', rows });
const only = (job: Job) => Object.values(job.runs)[0] as Run;
const route = (job: Job) => routeOf(job, only(job));
const SLACK = slack.cabinetMm + slack.outletCopperMm;

describe('floors', () => {
  it('stand on each other by level, cellars below nothing, whatever their order', () => {
    const rows = [floor('attic', 2), floor('ground', 0), floor('cellar', -1, { heightMm: 2000 }), floor('first', 1)];
    const { zOfFloor, floorsInOrder } = siteOf(site({}, ...rows));
    expect(floorsInOrder.map((one) => one.id)).toEqual(['cellar', 'ground', 'first', 'attic']);
    expect(Object.fromEntries(zOfFloor)).toEqual({ cellar: -2300, ground: 0, first: 2800, attic: 5600 });
  });

  it('are found by name, whatever the case', () => {
    const { floorByName } = siteOf(site({}, floor('Ground', 0)));
    expect(floorByName.get('ground')?.id).toBe('Ground');
  });

  it('give the same look-ups for the same plan, and new ones for a new one', () => {
    const job = site({}, floor('Ground', 0));
    expect(siteOf(job)).toBe(siteOf(job));
    const renamed = apply(job, { type: 'editJob', changes: { name: 'Other' } });
    expect(siteOf(renamed)).toBe(siteOf(job));
    expect(siteOf(apply(job, { type: 'keepRows', rows: [room('r', 'Ground', 0, 0)] }))).not.toBe(siteOf(job));
  });
});

describe('rooms', () => {
  it('hold a place on their edge, and none beside it or on another floor', () => {
    const record = Room.parse({ id: 'r', name: 'r', floorId: 'f', xMm: 1000, yMm: 1000, widthMm: 2000, depthMm: 2000 });
    const at = (xMm: number, yMm: number, floorId = 'f') => isInside(record, { floorId, xMm, yMm });
    expect([at(1000, 1000), at(3000, 3000), at(2000, 2000)]).toEqual([true, true, true]);
    expect([at(999, 2000), at(2000, 3001), at(2000, 2000, 'g')]).toEqual([false, false, false]);
  });
});

describe('the way of a run', () => {
  const ground = floor('Ground', 0);
  const study = room('Study', 'Ground', 0, 0);
  const cabinet = place('C', 'Ground', 'cabinet', 6000, 0, { heightMm: 1500 });
  const run: RunChanges = { floor: 'Ground', room: 'Study', outlet: 'desk' };

  it('overhead: up from the outlet, across, down to the cabinet', () => {
    const desk = place('desk', 'Ground', 'outlet', 1000, 2000, { heightMm: 300 });
    expect(route(site(run, ground, study, cabinet, desk))).toMatchObject({
      acrossMm: 5000 + 2000,
      verticalMm: 2200 + 1000,
      slackMm: SLACK,
      totalMm: 7000 + 3200 + SLACK,
      outletPlaced: true,
    });
  });

  it('underfoot: down through the floor, across, up to the cabinet', () => {
    const desk = place('desk', 'Ground', 'outlet', 1000, 2000, { heightMm: 300 });
    const below = floor('Ground', 0, { route: 'underfoot' });
    expect(route(site(run, below, study, cabinet, desk))?.verticalMm).toBe(600 + 1800);
  });

  it('to a cellar: from above the rooms of its own floor down to the cabinet', () => {
    const deep = place('C', 'Cellar', 'cabinet', 0, 0, { heightMm: 1000 });
    const desk = place('desk', 'Ground', 'outlet', 0, 0, { heightMm: 500 });
    const job = site(run, floor('Cellar', -1, { heightMm: 2000 }), ground, study, deep, desk);
    expect(route(job)?.verticalMm).toBe(2000 + (2500 + 2300 - 1000));
  });

  it('goes to the entry of its side, to any entry, or to the cabinet itself', () => {
    const left = place('L', 'Ground', 'cable-entry', 5000, 0, { side: 'left' });
    const top = place('T', 'Ground', 'cable-entry', 7000, 0, { side: 'top' });
    const from = (entry: Run['entry']) => route(site({ ...run, entry }, ground, study, cabinet, left, top))?.from.id;
    expect([from('left'), from('top'), from('back'), from(null)]).toEqual(['L', 'T', 'L', 'L']);
    expect(route(site(run, ground, study, cabinet))?.from.id).toBe('C');
  });

  it('takes the height of the run before that of the outlet, and that before the default', () => {
    const desk = place('desk', 'Ground', 'outlet', 1000, 2000, { heightMm: 1000 });
    const vertical = (fields: RunChanges, ...rows: TableRow[]) =>
      route(site({ ...run, ...fields }, ground, study, cabinet, ...rows))?.verticalMm;
    expect(vertical({ outletHeightMm: 2000 }, desk)).toBe(500 + 1000);
    expect(vertical({}, desk)).toBe(1500 + 1000);
    expect(vertical({})).toBe(2200 + 1000);
  });

  it('knows an outlet only in the room of the run', () => {
    const elsewhere = place('desk', 'Ground', 'outlet', 9000, 9000);
    expect(route(site(run, ground, study, cabinet, elsewhere))?.outletPlaced).toBe(false);
    expect(route(site({ ...run, outlet: '' }, ground, study, cabinet))?.outletPlaced).toBe(false);
  });

  it('leaves a metre of slack at an outlet of fibre', () => {
    const fibre = route(site({ ...run, carries: 'fibre' }, ground, study, cabinet));
    expect(fibre?.slackMm).toBe(slack.cabinetMm + slack.outletFibreMm);
  });

  it('is never shorter to an unplaced outlet than to one anywhere in the room', () => {
    const unplaced = route(site(run, ground, study, cabinet))?.acrossMm ?? 0;
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), fc.integer({ min: 0, max: 3000 }), (x, y) => {
        const desk = place('desk', 'Ground', 'outlet', x, y);
        expect(route(site(run, ground, study, cabinet, desk))?.acrossMm).toBeLessThanOrEqual(unplaced);
      }),
      { numRuns: 40 },
    );
  });

  it('moved with the whole plan stays as long as it was', () => {
    const by = (dx: number, dy: number) =>
      route(
        site(
          run,
          ground,
          room('Study', 'Ground', dx, dy),
          place('C', 'Ground', 'cabinet', 6000 + dx, dy, { heightMm: 1500 }),
        ),
      )?.totalMm;
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9000 }), fc.integer({ min: 0, max: 9000 }), (dx, dy) => {
        expect(by(dx, dy)).toBe(by(0, 0));
      }),
      { numRuns: 20 },
    );
  });
});
