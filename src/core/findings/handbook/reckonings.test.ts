import { describe, expect, it } from 'vitest';
import { bench, marrowby, patched, quillback, schnuerlbach, surveyed, tarnbrook } from '../../../../tests/support/jobs';
import type { Reckoning } from '../../base/text/reckoning';
import type { Job } from '../../job/document/job';
import { pathwayFigures } from '../../trade/runs/pathways/pathwayFigures';
import { pathwayReckonings } from '../../trade/runs/pathways/pathwayReckonings';
import { runFacts } from '../../trade/runs/runFacts';
import { capacities } from '../../trade/survey/capacity';
import { planJob } from '../../trade/wholeJob/planJob';
import { reckon } from './handbook';

const typed = ({ given }: Reckoning) =>
  Object.fromEntries(Object.entries(given).map(([name, value]) => [name, String(value)]));
const again = (reckoning: Reckoning) => reckon(reckoning.entry, typed(reckoning));
const jobs: Job[] = [quillback(), surveyed(), marrowby(), tarnbrook(), schnuerlbach(), planJob(surveyed()).job];

describe('figures of a job, reckoned once more by the handbook', () => {
  it('of runs come out as they are shown', () => {
    let looked = 0;
    for (const job of jobs)
      for (const run of Object.values(job.runs))
        for (const { name, value, reckoning } of runFacts(job, run)) {
          if (!reckoning) continue;
          const figure = Number.parseFloat(again(reckoning).value);
          // Shown with as many digits as there is room for, and never more than there is.
          expect([name, run.label, Math.abs(figure - Number.parseFloat(value)) <= 0.1]).toEqual([
            name,
            run.label,
            true,
          ]);
          looked += 1;
        }
    expect(looked).toBeGreaterThan(100);
  });

  it('of power at the far end are the guaranteed volts', () => {
    const job = patched(
      bench({ 1: { carries: 'ethernet', cable: 'Cat 6 U/UTP', lengthMm: 60_000, device: 'c', poeW: 25.5 } }),
      '1',
    );
    const [run] = Object.values(job.runs);
    const fact = run && runFacts(job, run).find((one) => one.name === 'Power at the far end');
    expect(fact?.reckoning?.entry).toBe('voltage-at-device');
    expect(fact?.value.startsWith(`${fact.reckoning && again(fact.reckoning).value} V by the cable’s limit`)).toBe(
      true,
    );
  });

  it('of pathways come out as they are', () => {
    const job = planJob(surveyed()).job;
    for (const pathway of Object.values(job.pathways)) {
      const figures = pathwayFigures(job, pathway);
      const made = pathwayReckonings(job, figures);
      const number = (of: Reckoning | undefined) => (of ? Number(again(of).value) : undefined);
      // In the open never less than 50 mm.
      const leastMm = pathway.containment === 'none' ? 50 : 0;
      expect(Math.max(number(made.separation) ?? 0, leastMm)).toBeCloseTo(figures.separationMm, 0);
      if (made.pullPoints) expect(number(made.pullPoints)).toBe(figures.pullPointsNeeded);
      if (made.hooks) expect(number(made.hooks)).toBe(figures.hooks);
      if (made.fill) expect(number(made.fill)).toBeCloseTo(figures.fill * 100, 0);
      if (made.bundle) expect(number(made.bundle)).toBeCloseTo(figures.bundle.dressedMm, 0);
      if (made.stacking) expect(number(made.stacking)).toBeCloseTo(figures.stackingMm ?? 0, 0);
    }
  });

  it('of capacities are what grows', () => {
    for (const job of jobs)
      for (const { grown, reckoning, unit } of capacities(job)) {
        const figure = Number(again(reckoning).value);
        expect(Math.abs(figure - grown)).toBeLessThanOrEqual(unit === 'W' || unit === 'A' ? 0.06 : 1);
      }
  });
});
