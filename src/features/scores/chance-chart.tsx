'use client';
/** Hits by distance: what was seen, with what it may well be, and the curve of the fitted skill with its band. The table beside it says the same. */
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import type { AimCurve } from '@/core/progress/chance-by-distance';
import { ChartPlace } from './score-style';
import { percent, spanMark, useChart, type ChartLook } from './use-chart';

register([CustomChart, LineChart, ScatterChart, GridComponent, TooltipComponent, AriaComponent, CanvasRenderer]);

/** What the chart shows. */
function optionsOf(aim: AimCurve, { colour, text }: ChartLook) {
  const axis = { nameTextStyle: text, axisLabel: text, splitLine: { lineStyle: { color: colour('--line') } } };
  const band = (data: readonly (readonly [number, number])[], shown: boolean) => ({
    type: 'line' as const,
    data: data.map((point) => [...point]),
    stack: 'band',
    stackStrategy: 'all' as const,
    symbol: 'none',
    silent: true,
    z: 1,
    lineStyle: { opacity: 0 },
    areaStyle: { color: shown ? colour('--band-2') : 'transparent', opacity: shown ? 1 : 0 },
  });
  const { curve, from } = aim;
  const last = curve.at(-1)!.distanceM;
  return {
    animation: false,
    textStyle: text,
    aria: { enabled: true },
    tooltip: {
      trigger: 'item',
      formatter: ({ data }: { data: { words?: string } }) => data.words ?? '',
    },
    grid: { left: 52, right: 18, top: 30, bottom: 44 },
    xAxis: {
      type: 'value',
      name: 'metres',
      nameLocation: 'middle',
      nameGap: 28,
      min: 0.5,
      max: last,
      ...axis,
      axisLine: { lineStyle: { color: colour('--ink') } },
    },
    yAxis: { type: 'value', name: 'hits in 100', min: 0, max: 100, ...axis },
    series: [
      band(
        curve.map(({ distanceM, low }) => [distanceM, percent(low)] as const),
        false,
      ),
      band(
        curve.map(({ distanceM, low, high }) => [distanceM, percent(high) - percent(low)] as const),
        true,
      ),
      {
        type: 'line',
        data: curve.map(({ distanceM, chance }) => [distanceM, percent(chance)]),
        symbol: 'none',
        silent: true,
        z: 2,
        lineStyle: { color: colour('--ink'), width: 2 },
      },
      spanMark(
        from.map(({ distanceM, low, high }) => [distanceM, percent(low), percent(high)]),
        colour('--ink'),
      ),
      {
        type: 'scatter',
        z: 4,
        data: from.map(({ distanceM, hits, tries }) => ({
          value: [distanceM, percent(hits / tries)],
          symbolSize: Math.min(22, 7 + Math.sqrt(tries)),
          words: `${hits} of ${tries} from ${distanceM.toFixed(1)} m`,
        })),
        itemStyle: { color: colour('--gorse'), borderColor: colour('--ink'), borderWidth: 1.4 },
      },
    ],
  };
}

// Loaded by the page when it is there.
// ts-unused-exports:disable-next-line
export default function ChanceChart({ aim, label, height = 280 }: { aim: AimCurve; label: string; height?: number }) {
  const place = useChart(aim, optionsOf);
  return <ChartPlace ref={place} $height={height} role="img" aria-label={`${label}; the table beside it says the same`} />;
}
