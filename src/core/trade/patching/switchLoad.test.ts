import { expect, it } from 'vitest';
import { apply } from '../../../../tests/support/jobs';
import { powered } from '../../../../tests/support/powered';
import { patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { ownW } from '../../job/gear/body';
import { cords } from '../../job/records/cord';
import { Gear } from '../../job/records/gear';
import { poeLeaving } from '../power/deviceLoad';
import { drawnWattsFor } from '../power/poe';
import { switchLoads } from './switchLoad';

it('a small switch that is fed over its link takes of the watts of the switch above, at the port and at the mains', () => {
  const job = powered();
  const small = Gear.parse({
    ...job.gear['switch-b'],
    id: 'small',
    name: 'Small',
    shortName: '',
    inlet: 'none',
    inlets: 0,
  });
  const fromPort =
    Array.from({ length: 24 }, (_, at) => at + 1).find(
      (port) =>
        !Object.values(patchCordsOf(job)).some((cord) => cord.switchId === 'switch-a' && cord.switchPort === port),
    ) ?? 1;
  const record = cords.make({ id: 'u', fromId: 'switch-a', fromPort, toId: 'small', toPort: 1 });
  const fed = apply(job, { type: 'addGear', gear: [small] }, { type: 'keepRows', rows: [{ table: 'cords', record }] });
  const drawn = drawnWattsFor(ownW(small) ?? 0);
  expect(drawn).toBeGreaterThan(0);
  const used = (of: Job) => switchLoads(of).get('switch-a')?.usedW ?? 0;
  expect(used(fed) - used(job)).toBeCloseTo(drawn, 6);
  const leaving = (of: Job) => poeLeaving(indexJob(of), Gear.parse(of.gear['switch-a']));
  expect(leaving(fed) - leaving(job)).toBeCloseTo(drawn, 6);
});
