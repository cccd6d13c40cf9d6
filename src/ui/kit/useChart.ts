import { BarChart, type BarSeriesOption, LineChart, type LineSeriesOption } from 'echarts/charts';
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
import { useThemeName } from './theme';

use([
  BarChart,
  LineChart,
  GridComponent,
  LegendComponent,
  MarkLineComponent,
  TooltipComponent,
  AriaComponent,
  SVGRenderer,
]);
export type ChartOption = ComposeOption<BarSeriesOption | LineSeriesOption | GridComponentOption> &
  Record<string, unknown>;
export type Ink = (name: string) => string;

/** A chart in its host, drawn anew when what it shows, or the theme, changes. */
export function useChart(make: (ink: Ink) => ChartOption, of: unknown) {
  const host = useRef<HTMLDivElement>(null);
  const theme = useThemeName();
  const making = useRef(make);
  making.current = make;
  // biome-ignore lint/correctness/useExhaustiveDependencies: drawn anew for what it shows
  useEffect(() => {
    if (!host.current || theme === '') return;
    const styles = getComputedStyle(document.documentElement);
    const ink: Ink = (name) => styles.getPropertyValue(name).trim();
    const chart = init(host.current, null, { renderer: 'svg' });
    chart.setOption({
      animation: false,
      aria: { enabled: true, label: { enabled: false }, decal: { show: true } },
      textStyle: { color: ink('--ink'), fontFamily: 'inherit' },
      ...making.current(ink),
    });
    const observer = new ResizeObserver(() => chart.resize());
    observer.observe(host.current);
    return () => {
      observer.disconnect();
      chart.dispose();
    };
  }, [of, theme]);
  return host;
}

export const axis = (ink: Ink, name = '') => ({
  name,
  nameTextStyle: { color: ink('--soft') },
  axisLabel: { color: ink('--ink') },
  axisLine: { lineStyle: { color: ink('--strong-rule') } },
  splitLine: { lineStyle: { color: ink('--rule') } },
});
