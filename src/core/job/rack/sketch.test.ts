import { expect, it } from 'vitest';
import { quillback, tarnbrook } from '../../../../tests/support/jobs';
import { planJob } from '../../trade/wholeJob/planJob';
import { elevation } from './elevation';
import { sketchOf } from './sketch';

it.each([
  ['Quillback', quillback],
  ['Tarnbrook', tarnbrook],
])('a sketch of %s has every device and every port where the drawing has it, within a millimetre', (_, jobOf) => {
  const job = planJob(jobOf()).job;
  for (const rack of Object.values(job.racks)) {
    const { boxes, ports } = sketchOf(job, rack);
    const front = elevation(job, rack).items.filter(({ face }) => face === 'front');
    expect(boxes).toHaveLength(front.length);
    const drawn = ports.flatMap(([x = 0, y = 0, , , pitch = 0, count = 0]) =>
      Array.from({ length: count }, (_, at) => ({ x: x + at * pitch, y })),
    );
    const real = front
      .flatMap((item) => item.ports.map(({ x, y }) => ({ x: item.x + x, y: item.y + y })))
      .sort((a, b) => Math.round(a.y) - Math.round(b.y) || a.x - b.x);
    expect(real.length).toBeGreaterThan(20);
    expect(drawn).toHaveLength(real.length);
    for (const [at, { x, y }] of real.entries()) {
      expect(Math.abs((drawn[at]?.x ?? 999) - x)).toBeLessThanOrEqual(1);
      expect(Math.abs((drawn[at]?.y ?? 999) - y)).toBeLessThanOrEqual(1);
    }
    // Rows and not ports are what makes it small.
    expect(ports.length).toBeLessThan(real.length / 4);
  }
});
