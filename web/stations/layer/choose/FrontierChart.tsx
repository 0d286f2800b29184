import { ScatterChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import type { ChoicePoint } from '#formats/choice';
import { useSize } from '../../../ui/useSize';

echarts.use([ScatterChart, GridComponent, SVGRenderer]);

interface Props {
  readonly points: readonly ChoicePoint[];
  readonly chosen: number;
  readonly currency: string;
  readonly onChoose: (index: number) => void;
}

const MINOR = 100;

/** Money now against months of protection; the larger the spot, the more hours. The chosen one is filled. */
export default function FrontierChart({ points, chosen, currency, onChoose }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const chart = useRef<echarts.ECharts>(undefined);
  useEffect(() => {
    if (!frame.current || width === 0) return;
    chart.current ??= echarts.init(frame.current, undefined, { renderer: 'svg' });
    const draw = () => chart.current?.setOption(chartOption(points, chosen, currency), { notMerge: true });
    chart.current.resize();
    chart.current.off('click');
    chart.current.on('click', ({ dataIndex }) => onChoose(dataIndex));
    draw();
    // Colours are the theme's: drawn again when it changes.
    const observer = new MutationObserver(draw);
    observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => observer.disconnect();
  }, [points, chosen, currency, width, height, onChoose]);
  useEffect(() => () => chart.current?.dispose(), []);
  const said = points.map(
    ({ firstMoney, lifeMonths, hours }) =>
      `${Math.round(firstMoney / MINOR)} ${currency}, ${Math.round(lifeMonths)} months, ${hours.toFixed(1)} h`,
  );
  return <div ref={frame} role="img" aria-label={`Money against life. ${said.join('. ')}`} className="h-52 w-full" />;
}

function chartOption(points: readonly ChoicePoint[], chosen: number, currency: string): echarts.EChartsCoreOption {
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string) => style.getPropertyValue(`--${name}`).trim();
  const mostHours = Math.max(...points.map(({ hours }) => hours), 1);
  const axis = {
    type: 'value' as const,
    min: 0,
    nameLocation: 'middle' as const,
    nameTextStyle: { color: colour('ink-3') },
    axisLabel: { color: colour('ink-3') },
    splitLine: { lineStyle: { color: colour('line') } },
  };
  return {
    animation: false,
    textStyle: { fontFamily: 'Archivo Variable', color: colour('ink-2') },
    grid: { left: 58, right: 18, top: 14, bottom: 42 },
    xAxis: { ...axis, name: 'Expected months before the first renewal', nameGap: 26 },
    yAxis: { ...axis, name: `Now, ${currency}`, nameGap: 42 },
    series: [
      {
        type: 'scatter',
        data: points.map(({ firstMoney, lifeMonths, hours }, index) => ({
          value: [lifeMonths, firstMoney / MINOR],
          symbolSize: 10 + 16 * (hours / mostHours),
          itemStyle: {
            color: index === chosen ? colour('over') : colour('sheet'),
            borderColor: index === chosen ? colour('over') : colour('ink-2'),
            borderWidth: 2,
          },
        })),
      },
    ],
  };
}
