'use client';

import { BarChart, type BarSeriesOption } from 'echarts/charts';
import {
  AriaComponent,
  GridComponent,
  type GridComponentOption,
  LegendComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components';
import { type ComposeOption, init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import { practice } from '@/core/base/standards/practice';
import { percent } from '@/core/base/units/percent';
import type { Capacity } from '@/core/trade/survey/capacity';
import { useThemeName } from '../kit/theme';
import { useThumbed } from '../kit/useThumbed';

use([BarChart, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent, AriaComponent, SVGRenderer]);
type Option = ComposeOption<BarSeriesOption | GridComponentOption>;

const share = (part: number, row: Capacity) => (row.has > 0 ? Math.round((1000 * part) / row.has) / 10 : 0);

/** Each thing as a bar against what there is of it: used, reserved, and growth on top, with a line at 80 and 100 %. */
export function CapacityChart({ rows, years }: { rows: Capacity[]; years: number }) {
  const host = useRef<HTMLDivElement>(null);
  const theme = useThemeName();
  const narrow = useThumbed();
  useEffect(() => {
    if (!host.current || theme === '') return;
    // Read anew for each theme.
    const styles = getComputedStyle(document.documentElement);
    const ink = (name: string) => styles.getPropertyValue(name).trim();
    const chart = init(host.current, null, { renderer: 'svg' });
    const shown = rows.filter((row) => row.has > 0);
    const top = Math.max(110, ...shown.map((row) => Math.min(250, row.share * 100 + 8)));
    const text = { color: ink('--ink'), fontFamily: 'inherit' };
    const bar = (name: string, of: (row: Capacity) => number, colour: string, symbol: string): BarSeriesOption => ({
      name,
      type: 'bar',
      stack: 'need',
      barWidth: '58%',
      data: shown.map((row) => share(of(row), row)),
      itemStyle: {
        color: ink(colour),
        borderColor: ink('--ink'),
        borderWidth: 0.6,
        decal:
          symbol === 'plain'
            ? { symbol: 'none' }
            : {
                symbol: 'rect',
                dashArrayX: [1, 0],
                dashArrayY: symbol === 'wide' ? [2, 6] : [2, 3],
                rotation: symbol === 'wide' ? 0.8 : -0.8,
                color: ink('--sheet'),
              },
      },
    });
    const line = (at: number, name: string, show = true) => ({
      xAxis: at,
      name,
      label: { show, formatter: name, color: ink('--ink'), position: 'start' as const },
    });
    // On a narrow screen the two would run into each other: the axis says what the first is.
    const wide = !narrow;
    const series = [
      bar('used', (row) => row.used, '--act', 'plain'),
      bar('reserved', (row) => row.reserved, '--net-blue', 'wide'),
      bar(`growth in ${years} years`, (row) => Math.max(0, row.grown - row.used - row.reserved), '--bite', 'tight'),
    ];
    const [first] = series;
    if (first) {
      first.markLine = {
        symbol: 'none',
        silent: true,
        lineStyle: { color: ink('--wont'), width: 1.6, type: 'dashed' },
        data: [line(practice.fullShare * 100, percent(practice.fullShare), wide), line(100, 'all of it')],
      };
    }
    const option: Option & { aria: object; legend: object; tooltip: object } = {
      animation: false,
      // The drawing has its own name; only the patterns are wanted.
      aria: { enabled: true, label: { enabled: false }, decal: { show: true } },
      textStyle: text,
      legend: { top: 0, left: 0, textStyle: text, itemHeight: 12 },
      tooltip: { trigger: 'axis', axisPointer: { type: 'shadow' }, valueFormatter: (value: number) => `${value} %` },
      grid: { left: 176, right: 28, top: 46, bottom: 24 },
      xAxis: {
        type: 'value',
        max: Math.ceil(top / 10) * 10,
        axisLabel: { formatter: '{value} %', color: ink('--soft'), hideOverlap: true, showMaxLabel: false },
        splitLine: { lineStyle: { color: ink('--rule') } },
      },
      yAxis: {
        type: 'category',
        inverse: true,
        data: shown.map((row) => row.name),
        axisLabel: { color: ink('--ink'), fontSize: 12.5 },
        axisTick: { show: false },
        axisLine: { lineStyle: { color: ink('--strong-rule') } },
      },
      series,
    };
    chart.setOption(option);
    const observer = new ResizeObserver(() => chart.resize());
    observer.observe(host.current);
    return () => {
      observer.disconnect();
      chart.dispose();
    };
  }, [rows, years, theme, narrow]);
  const height = 74 + 27 * rows.filter((row) => row.has > 0).length;
  return (
    <div
      ref={host}
      role="img"
      aria-label="Share of each capacity that is used, reserved and needed after growth; the table below says the same"
      style={{ height }}
      className="w-full shrink-0"
    />
  );
}
