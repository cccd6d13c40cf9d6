import type { CircuitFacts } from '@/core/trade/power/circuitFacts';
import { axis, useChart } from '../kit/useChart';

/** Load of each circuit against its continuous limit: idle, at full, and grown, in per cent. */
export function LoadChart({ rows }: { rows: readonly CircuitFacts[] }) {
  const shown = rows.filter(({ limitA, amps }) => limitA !== null && amps !== null);
  const share = (va: number, { limitA, volts }: CircuitFacts) =>
    Math.round((1000 * va) / ((limitA ?? 1) * (volts ?? 1))) / 10;
  const host = useChart((ink) => {
    const bar = (name: string, colour: string, of: (row: CircuitFacts) => number) => ({
      name,
      type: 'bar' as const,
      data: shown.map(of),
      itemStyle: { color: ink(colour), borderColor: ink('--ink'), borderWidth: 0.6 },
    });
    const series = [
      bar('idle', '--act', (row) => share(row.idle.va, row)),
      bar('at full', '--net-blue', (row) => share(row.full.va, row)),
      bar('grown', '--bite', (row) => share(row.grown.va, row)),
    ];
    return {
      legend: { top: 0, left: 0, textStyle: { color: ink('--ink') }, itemHeight: 12 },
      tooltip: { trigger: 'axis', axisPointer: { type: 'shadow' } },
      grid: { left: 8, right: 28, top: 30, bottom: 8, containLabel: true },
      xAxis: {
        type: 'value',
        ...axis(ink),
        max: (value: { max: number }) => Math.max(110, Math.ceil(value.max / 10) * 10),
        axisLabel: { formatter: '{value} %', color: ink('--soft'), hideOverlap: true },
      },
      yAxis: {
        type: 'category',
        inverse: true,
        data: shown.map(({ circuit }) => circuit.name),
        ...axis(ink),
        axisLabel: { color: ink('--ink'), width: 130, overflow: 'break' },
      },
      series: series.map((one, at) =>
        at === 0
          ? {
              ...one,
              markLine: {
                symbol: 'none',
                silent: true,
                lineStyle: { color: ink('--wont'), width: 1.6, type: 'dashed' },
                data: [{ xAxis: 100, label: { formatter: 'limit', color: ink('--ink'), position: 'start' } }],
              },
            }
          : one,
      ),
    };
  }, rows);
  if (shown.length === 0) return null;
  return (
    <div
      ref={host}
      role="img"
      aria-label="Share of the continuous limit of each circuit: idle, at full and grown; the figures below say the same"
      style={{ height: 60 + 58 * shown.length }}
      className="w-full max-w-3xl shrink-0"
    />
  );
}
