import { groupBy } from '@/core/base/text/groupBy';
import type { ResultValue } from '@/core/exchange/formats/previewResults';
import { type NamedLimit, sweepLimit } from '@/core/trade/testing/sweep';
import { axis, useChart } from '../kit/useChart';

const COLOURS = ['--act', '--net-blue', '--bite', '--good', '--net-violet', '--net-teal'];

/** One measure by frequency, a line a pair, with its limit. */
export function SweepChart({ values, limit }: { values: readonly ResultValue[]; limit: NamedLimit | null }) {
  const host = useChart(
    (ink) => {
      const pairs = [...groupBy(values, ({ pair }) => pair)];
      const frequencies = [...new Set(values.map(({ mhz }) => mhz))].sort((a, b) => a - b);
      const [measure] = values;
      const held = limit
        ? frequencies.flatMap((mhz) => {
            const one = sweepLimit(limit, measure?.measure ?? '', mhz);
            return one && !one.failsOnly ? [[mhz, one.db]] : [];
          })
        : [];
      return {
        legend: { top: 0, left: 0, textStyle: { color: ink('--ink') }, itemHeight: 10 },
        tooltip: { trigger: 'axis' },
        grid: { left: 8, right: 24, top: 34, bottom: 24, containLabel: true },
        xAxis: { type: 'log', ...axis(ink, 'MHz'), nameLocation: 'middle', nameGap: 24 },
        yAxis: { type: 'value', ...axis(ink, 'dB'), scale: true },
        series: [
          ...pairs.map(([pair, some], at) => ({
            name: pair || 'pair not named',
            type: 'line' as const,
            symbolSize: 5,
            itemStyle: { color: ink(COLOURS[at % COLOURS.length] ?? '--ink') },
            data: [...some].sort((a, b) => a.mhz - b.mhz).map(({ mhz, db }) => [mhz, db]),
          })),
          ...(held.length > 0
            ? [
                {
                  name: 'limit',
                  type: 'line' as const,
                  symbol: 'none',
                  lineStyle: { color: ink('--wont'), type: 'dashed' as const, width: 2 },
                  itemStyle: { color: ink('--wont') },
                  data: held,
                },
              ]
            : []),
        ],
      };
    },
    [values, limit],
  );
  return (
    <div
      ref={host}
      role="img"
      aria-label="Values by frequency, a line a pair, with the limit; the least margin stands below"
      className="h-64 w-full max-w-3xl"
    />
  );
}
