'use client';
/** A skill of a class over its weeks: the chance at one set-up with what it may well be. The table below says the same. */
import { CustomChart, LineChart } from 'echarts/charts';
import { AriaComponent, GridComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import type { SkillInWeek } from '@/core/progress/over-the-weeks';
import { ChartPlace } from './score-style';
import { percent, spanMark, useChart, type ChartLook } from './use-chart';

register([CustomChart, LineChart, GridComponent, TooltipComponent, AriaComponent, CanvasRenderer]);

export interface NamedWeek extends SkillInWeek {
  readonly name: string;
}

function optionsOf(weeks: readonly NamedWeek[], { colour, text }: ChartLook) {
  return {
    animation: false,
    textStyle: text,
    aria: { enabled: true },
    tooltip: { trigger: 'item' },
    grid: { left: 52, right: 18, top: 30, bottom: 30 },
    xAxis: { type: 'category', data: weeks.map(({ name }) => name), axisLabel: text, axisLine: { lineStyle: { color: colour('--ink') } } },
    yAxis: {
      type: 'value',
      name: 'hits in 100',
      min: 0,
      max: 100,
      nameTextStyle: text,
      axisLabel: text,
      splitLine: { lineStyle: { color: colour('--line') } },
    },
    series: [
      spanMark(
        weeks.map(({ low, high }, at) => [at, percent(low), percent(high)]),
        colour('--ink'),
      ),
      {
        type: 'line',
        data: weeks.map(({ chance }) => percent(chance)),
        symbol: 'circle',
        symbolSize: 11,
        z: 4,
        lineStyle: { color: colour('--tide'), width: 2 },
        itemStyle: { color: colour('--gorse'), borderColor: colour('--ink'), borderWidth: 1.4 },
      },
    ],
  };
}

// Loaded by the page when it is there.
// ts-unused-exports:disable-next-line
export default function SkillChart({ weeks, label }: { weeks: readonly NamedWeek[]; label: string }) {
  const place = useChart(weeks, optionsOf);
  return <ChartPlace ref={place} $height={220} role="img" aria-label={`${label}; the table below says the same`} />;
}
