'use client';
/** The class over its weeks as a chart: who took part, and every child's best against its par. The table below it says the same. */
import type { ClassWeeks } from '@/contract/class-weeks';
import styled from 'styled-components';
import { BarChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useChart, type ChartLook } from './use-chart';

const ChartPlace = styled.div`
  width: 100%;
  height: 410px;
  break-inside: avoid;
`;

register([BarChart, ScatterChart, GridComponent, TooltipComponent, MarkLineComponent, AriaComponent, CanvasRenderer]);

/** How far a child's best lay from par, in hundredths of par; better is up. */
function againstPar(best: number, par: number, better: 'high' | 'low'): number {
  const share = par === 0 ? 0 : (best - par) / par;
  return Math.round(100 * (better === 'high' ? share : -share));
}

/** What the chart shows. */
function optionsOf(found: ClassWeeks, { colour, text }: ChartLook) {
  const names = found.weeks.map((week) => `week ${week.number}`);
  const dots = found.weeks.flatMap((week, at) =>
    found.children.flatMap(({ name, cells }) => {
      const cell = cells[at]!;
      return cell.best === null || cell.par === null
        ? []
        : [{ name, value: [at, againstPar(cell.best, cell.par, week.better)], best: `${cell.best} ${week.unit}, par ${cell.par}` }];
    }),
  );
  return {
    animation: !window.matchMedia('(prefers-reduced-motion: reduce)').matches,
    textStyle: text,
    aria: { enabled: true },
    tooltip: {
      trigger: 'item',
      formatter: ({
        seriesIndex,
        data,
        name,
        value,
      }: {
        seriesIndex: number;
        data: { name?: string; best?: string };
        name: string;
        value: number;
      }) => (seriesIndex === 0 ? `${name}: ${value} took part` : `${data.name ?? ''}: ${data.best ?? ''}`),
    },
    grid: [
      { left: 64, right: 40, top: 24, height: 110 },
      { left: 64, right: 40, top: 176, height: 190 },
    ],
    xAxis: [
      { gridIndex: 0, type: 'category', data: names, axisLabel: { ...text, show: false }, axisLine: { lineStyle: { color: colour('--ink') } } },
      { gridIndex: 1, type: 'category', data: names, axisLabel: text, axisLine: { onZero: false, lineStyle: { color: colour('--ink') } } },
    ],
    yAxis: [
      {
        gridIndex: 0,
        name: 'took part',
        nameTextStyle: text,
        min: 0,
        max: found.children.length,
        axisLabel: text,
        splitLine: { lineStyle: { color: colour('--line') } },
      },
      { gridIndex: 1, name: 'against par, %', nameTextStyle: text, axisLabel: text, splitLine: { lineStyle: { color: colour('--line') } } },
    ],
    series: [
      {
        type: 'bar',
        xAxisIndex: 0,
        yAxisIndex: 0,
        barWidth: '46%',
        data: found.weeks.map((week) => week.credit),
        itemStyle: { color: colour('--band-4'), borderColor: colour('--ink'), borderWidth: 1 },
      },
      {
        type: 'scatter',
        xAxisIndex: 1,
        yAxisIndex: 1,
        symbolSize: 9,
        data: dots,
        itemStyle: { color: colour('--gorse'), borderColor: colour('--ink'), borderWidth: 1.2 },
        markLine: {
          silent: true,
          symbol: 'none',
          label: { formatter: 'par', ...text },
          lineStyle: { color: colour('--ink'), type: 'solid' },
          data: [{ yAxis: 0 }],
        },
      },
    ],
  };
}

// Loaded by the page when it is there.
// ts-unused-exports:disable-next-line
export default function WeeksChart({ found }: { found: ClassWeeks }) {
  const place = useChart(found, optionsOf);
  return <ChartPlace ref={place} role="img" aria-label="Who took part and how scores lay against par, week by week; the table below says the same" />;
}
