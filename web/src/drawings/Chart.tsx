import { BarChart, LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import { init, use as register, type EChartsCoreOption, type EChartsType } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useEffectEvent, useRef } from 'react';

register([BarChart, LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);

/** A colour of the product by its name, as it is in the theme that is shown. */
export type Colours = (name: string) => string;

const colours: Colours = (name) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/** What every chart of the product has: its type and colours, thin lines, and nothing that moves. */
const usual = (colour: Colours): EChartsCoreOption => ({
  animation: false,
  textStyle: { fontFamily: 'inherit', fontSize: 11, color: colour('--muted') },
  grid: { left: 8, right: 12, top: 28, bottom: 4, outerBoundsMode: 'same', outerBoundsContain: 'axisLabel' },
});

/** The look of an axis. */
export const axis = (colour: Colours) => ({
  axisLine: { lineStyle: { color: colour('--line') } },
  axisTick: { show: false },
  axisLabel: { color: colour('--muted'), fontSize: 11 },
  splitLine: { lineStyle: { color: colour('--line') } },
});

/** What is told beside the place that is pointed at: lines of text for the point on the first axis, as they came. */
export const pointed = (colour: Colours, lines: (index: number) => string[]) => ({
  trigger: 'axis',
  axisPointer: { type: 'shadow' },
  backgroundColor: colour('--card'),
  borderColor: colour('--line'),
  textStyle: { color: colour('--ink'), fontSize: 12 },
  formatter: (at: { dataIndex: number }[]) => lines(at[0]?.dataIndex ?? 0).join('<br>'),
});

/** The names of what is stacked, above the chart at the right. */
export const legend = (colour: Colours) => ({
  top: 0,
  right: 0,
  itemWidth: 12,
  itemHeight: 10,
  textStyle: { color: colour('--muted') },
});

/** A chart as wide as its place. What it shows must also stand in a table, which those who cannot see it read. */
export function Chart({
  label,
  height,
  option,
  onPick,
}: {
  label: string;
  height: number;
  option: (colour: Colours) => EChartsCoreOption;
  /** A point was clicked; its place on the first axis. */
  onPick?: (index: number) => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType>(null);
  const draw = useEffectEvent(() => chart.current?.setOption({ ...usual(colours), ...option(colours) }, true));
  const pick = useEffectEvent((index: number) => onPick?.(index));
  useEffect(() => {
    if (!place.current) return;
    const drawn = init(place.current, null, { renderer: 'svg' });
    chart.current = drawn;
    drawn.on('click', (at) => pick(at.dataIndex));
    const sized = new ResizeObserver(() => drawn.resize());
    sized.observe(place.current);
    const themed = new MutationObserver(() => draw());
    themed.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => {
      sized.disconnect();
      themed.disconnect();
      drawn.dispose();
    };
  }, []);
  useEffect(() => draw(), [option]);
  return <div ref={place} role="img" aria-label={label} className="drawn" style={{ height }} />;
}
