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
