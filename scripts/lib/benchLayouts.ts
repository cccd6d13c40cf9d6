import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent, TitleComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import loadHighs from 'highs';
import { type LayoutInstance, solveLayout } from '../../src/cli/models/layout';
import { layoutInstance, layoutLp } from '../../tests/support/layouts';
import { timed } from './measure';
import { root } from './root';

use([ScatterChart, GridComponent, LegendComponent, TitleComponent, SVGRenderer]);

type Note = (
  what: string,
  size: string,
  ms: number,
  goal: string,
  reference: { name: string; ms: number } | null,
) => void;
type Point = [devices: number, seconds: number];

const SIZES = [
  { units: 9, count: 5, seconds: 1 },
  { units: 12, count: 8, seconds: 1 },
  { units: 18, count: 11, seconds: 1 },
  { units: 27, count: 15, seconds: 1 },
  { units: 42, count: 20, seconds: 20 },
  { units: 42, count: 28, seconds: 2 },
] as const;
const SEEDS = [1, 2, 3];
const MILP_SECONDS = 60;

const solve = (instance: LayoutInstance, seconds: number) =>
  solveLayout(instance, { seed: 1, now: () => performance.now(), untilMs: performance.now() + seconds * 1000 });

/** Elevations: our solver against a general one on the same seeded instances, and how time grows with size. */
export async function benchLayouts(note: Note) {
  const highs = await loadHighs();
  const [ours, theirs]: [Point[], Point[]] = [[], []];
  for (const { units, count, seconds } of SIZES) {
    for (const seed of SEEDS) {
      const instance = layoutInstance(units, count, seed);
      const made = solve(instance, seconds);
      let found = 'nothing';
      const ms = await timed(1, () => {
        const { Status, ObjectiveValue } = highs.solve(layoutLp(instance), {
          mip_rel_gap: 0,
          time_limit: MILP_SECONDS,
        });
        found = Number.isFinite(ObjectiveValue) ? `${ObjectiveValue.toFixed(2)} (${Status})` : `nothing (${Status})`;
      });
      const reference = { name: `highs, same model, at most ${MILP_SECONDS} s`, ms };
      note('elevation', `${units}U×${count} #${seed}`, made.seconds * 1000, `${seconds * 1000} ms`, reference);
      const words = `${made.objective?.toFixed(2)} (${made.status}, bound ${made.bound?.toFixed(2)})`;
      const early = count === 20 ? `; after 2 s ${solve(instance, 2).objective?.toFixed(2)}` : '';
      console.log(`${' '.repeat(46)}${words}${early} against ${found}`);
      ours.push([count, made.seconds]);
      theirs.push([count, ms / 1000]);
    }
  }
  plotGrowth(ours, theirs);
}

function plotGrowth(ours: Point[], theirs: Point[]) {
  const chart = init(null, null, { renderer: 'svg', ssr: true, width: 720, height: 420 });
  chart.setOption({
    animation: false,
    backgroundColor: '#fff',
    title: { text: 'Time to arrange one cabinet, by number of devices', left: 16, top: 8, textStyle: { fontSize: 15 } },
    legend: { top: 36, left: 16 },
    grid: { left: 70, right: 24, top: 100, bottom: 54 },
    xAxis: { type: 'value', name: 'devices', nameLocation: 'middle', nameGap: 32, min: 4, max: 30 },
    yAxis: { type: 'log', name: 'seconds', min: 0.001, max: 100 },
    series: [
      { name: 'Good Shelf', type: 'scatter', symbol: 'circle', symbolSize: 9, data: ours },
      {
        name: `highs, stopped after ${MILP_SECONDS} s`,
        type: 'scatter',
        symbol: 'triangle',
        symbolSize: 10,
        data: theirs,
      },
    ],
  });
  writeFileSync(join(root, 'docs/layout-growth.svg'), `${chart.renderToSVGString()}\n`);
}
