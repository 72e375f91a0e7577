'use client';
import { init, type EChartsType } from 'echarts/core';
import { useEffect, useRef, type RefObject } from 'react';

export interface ChartLook {
  /** A colour of the page's own, as it is just now: light, dark or print. */
  readonly colour: (name: string) => string;
  readonly text: { readonly fontFamily: string; readonly color: string; readonly fontSize: number };
}

/** A chart in an element: drawn anew when its figures change, as wide as its place, in the page's own colours and letters. */
export function useChart<Figures>(
  figures: Figures,
  optionsOf: (figures: Figures, look: ChartLook) => Parameters<EChartsType['setOption']>[0],
): RefObject<HTMLDivElement | null> {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!place.current) return;
    const style = getComputedStyle(place.current);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const chart = init(place.current);
    chart.setOption(optionsOf(figures, { colour, text: { fontFamily: style.fontFamily, color: colour('--ink'), fontSize: 13 } }));
    const resized = () => chart.resize();
    window.addEventListener('resize', resized);
    return () => {
      window.removeEventListener('resize', resized);
      chart.dispose();
    };
  }, [figures, optionsOf]);
  return place;
}

export const percent = (share: number): number => Math.round(100 * share);

interface Drawing {
  value: (dimension: number) => number;
  coord: (point: readonly [number, number]) => [number, number];
}

/** What a figure may well be, as an upright line: by x, from low to high. */
export const spanMark = (data: readonly (readonly [x: number, low: number, high: number])[], stroke: string) => ({
  type: 'custom' as const,
  silent: true,
  z: 3,
  data: data.map((point) => [...point]),
  renderItem: (_: unknown, api: Drawing) => {
    const [x, bottom] = api.coord([api.value(0), api.value(1)]);
    const [, top] = api.coord([api.value(0), api.value(2)]);
    return { type: 'line', shape: { x1: x, y1: bottom, x2: x, y2: top }, style: { stroke, lineWidth: 1.5 } };
  },
});
