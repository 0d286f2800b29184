import { ScatterChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { useCallback } from 'react';
import type { ChoicePoint } from '#formats/choice';
import { Chart } from '../../../ui/Chart';

echarts.use([ScatterChart, GridComponent]);

interface Props {
  readonly points: readonly ChoicePoint[];
  readonly chosen: number;
  readonly currency: string;
  readonly onChoose: (index: number) => void;
}

const MINOR = 100;

/** Money now against months of protection; the larger the spot, the more hours. The chosen one is filled. */
export default function FrontierChart({ points, chosen, currency, onChoose }: Props) {
  const drawn = useCallback(
    (colour: (token: string) => string) => chartOption(colour, points, chosen, currency),
    [points, chosen, currency],
  );
  const said = points.map(
    ({ firstMoney, lifeMonths, hours }) =>
      `${Math.round(firstMoney / MINOR)} ${currency}, ${Math.round(lifeMonths)} months, ${hours.toFixed(1)} h`,
  );
  return (
    <div className="h-52">
      <Chart label={`Money against life. ${said.join('. ')}`} option={drawn} onPick={onChoose} />
    </div>
  );
}

function chartOption(
  colour: (token: string) => string,
  points: readonly ChoicePoint[],
  chosen: number,
  currency: string,
): echarts.EChartsCoreOption {
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
