import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { plugged } from '../../../../tests/support/powered';
import type { Job } from '../../job/document/job';
import { Gear } from '../../job/records/gear';
import { answerCommand } from '../survey/answers/answers';
import { capacities } from '../survey/capacity';
import { batteryMinutes } from './batteries';
import { batteryAbove, feedsOf, inletsPlugged } from './feeds';

const ups = (more: object = {}) =>
  Gear.parse({
    id: 'ups',
    name: 'UPS',
    kind: 'ups',
    heightU: 2,
    depthMm: 400,
    inlet: 'c14',
    inlets: 1,
    powerW: 0,
    outlets: [{ count: 4, kind: 'c13', backing: 'battery' }],
    battery: { ratedW: 600, ratedVa: 800, blockV: 12, blockAh: 9, blocks: 2 },
    ...more,
  });
const strip = Gear.parse({
  id: 'strip',
  name: 'Strip',
  kind: 'distribution',
  heightU: 1,
  depthMm: 60,
  inlet: 'c14',
  inlets: 1,
  powerW: 0,
  outlets: [{ count: 8, kind: 'c13' }],
});
const device = (id: string, kind: Gear['kind'], powerW: number, inOutage: Gear['inOutage'] = 'may-go') =>
  Gear.parse({
    id,
    name: id,
    kind,
    heightU: 1,
    depthMm: 200,
    inlet: 'c14',
    inlets: 1,
    powerW,
    powerFactor: 1,
    inOutage,
  });

const site = (gear: Gear[], outlets: string | null = '2'): Job => {
  const job = apply(bench(), { type: 'editJob', changes: { rules: 'europe' } }, { type: 'addGear', gear });
  return outlets === null ? job : apply(job, answerCommand(job, 'mains-outlets', outlets));
};
const onBattery = (job: Job, id: string) => batteryAbove(feedsOf(job), id, 1) !== null;

describe('the plan of plugs', () => {
  it('puts the network behind the battery though nobody set it to stay on, and says so', () => {
    const { plan, job } = plugged(site([ups(), strip, device('router', 'router', 15), device('nas', 'storage', 60)]));
    expect(plan.left).toEqual([]);
    expect(onBattery(job, 'router')).toBe(true);
    expect(onBattery(job, 'nas')).toBe(false);
    const why = Object.fromEntries(plan.plugs.map(({ gear, why: reasons }) => [gear.id, reasons.join('; ')]));
    expect(why.router).toContain('not set to stay on');
    expect(why.nas).toContain('may go dark');
  });

  it('says of what has no known draw that its watts are not counted', () => {
    const unknown = { ...device('router', 'router', 0), powerW: null };
    const { plan } = plugged(site([ups(), unknown]));
    const why = plan.plugs.find(({ gear }) => gear.id === 'router')?.why.join('; ');
    expect(why).toContain('its draw is not known');
  });

  it('leaves off the battery what it would not last long enough with', () => {
    const stays = ['A', 'B', 'C', 'D'].map((id) => device(id, 'server', 100, 'stays'));
    const bare = site([ups(), strip, ...stays]);
    const start = apply(bare, answerCommand(bare, 'minutes-wanted', '20'));
    const { plan, job } = plugged(start);
    expect(plan.left).toEqual([]);
    const kept = stays.filter(({ id }) => onBattery(job, id)).length;
    const battery = ups().battery;
    if (!battery) throw new Error('no battery');
    const lasts = (count: number) => batteryMinutes(battery, null, 100 * count)?.minutes ?? 0;
    expect(kept).toBeGreaterThan(0);
    expect(kept).toBeLessThan(4);
    expect(lasts(kept)).toBeGreaterThanOrEqual(20);
    expect(lasts(kept + 1)).toBeLessThan(20);
    const off = plan.plugs.find(({ gear }) => gear.kind === 'server' && !onBattery(job, gear.id));
    expect(off?.why.join(' ')).toContain('not last as long as wanted');
  });

  it('uses the wall outlets that the survey counted, and what is left over is what Capacity lacks', () => {
    for (const count of [0, 1, 2, 3]) {
      const start = site([ups(), strip, device('router', 'router', 15)], String(count));
      const { plan, job } = plugged(start);
      const unfed = feedsOf(job).consumers.filter((gear) => inletsPlugged(feedsOf(job), gear).length === 0);
      expect(unfed.length > 0, `${count} outlets`).toBe(count === 0);
      expect(Object.values(job.wallOutlets).reduce((sum, one) => sum + one.count, 0)).toBe(count);
      expect(plan.wallsUnknown).toBe(false);
      const row = (of: Job) => capacities(of).find(({ id }) => id === 'outlets');
      expect(row(job)?.has).toBe(row(start)?.has);
    }
  });

  it('does not say what to buy as if the wall had none where nobody said what it has', () => {
    const { plan } = plugged(site([ups(), device('router', 'router', 15)], null));
    expect(plan.wallsUnknown).toBe(true);
    expect(plan.left.map(({ gear, why }) => [gear.id, why])).toEqual([['ups', 'No wall outlet has been entered.']]);
  });
});
