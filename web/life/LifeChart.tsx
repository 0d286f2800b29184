import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { useCallback } from 'react';
import { conditionLeft, type LifeEstimate } from '#core/layers/life';
import { Chart } from '../ui/Chart';

echarts.use([LineChart, ScatterChart, GridComponent, MarkLineComponent]);

interface Props {
  readonly life: Pick<LifeEstimate, 'months' | 'lowMonths' | 'highMonths'>;
  /** How old it is then; absent: of no one item. */
  readonly ageMonths?: number | undefined;
  /** What its drops said was left, by its age then. */
  readonly seen: readonly { readonly ageMonths: number; readonly left: number }[];
}

const STEPS = 48;
const MONTHS_A_YEAR = 12;
/** What lasts less than this is told in months. */
const TOLD_IN_YEARS = 24;

/** What is left over the years: as expected, and in the range to plan for; with what was seen of it. */
export default function LifeChart({ life, ageMonths, seen }: Props) {
  const drawn = useCallback(
    (colour: (token: string) => string) => chartOption(colour, { life, ageMonths, seen }),
    [life, ageMonths, seen],
  );
  const said = `What is left over the years: half of it after ${Math.round(life.months)} months, ${Math.round(life.lowMonths)} to ${Math.round(life.highMonths)}`;
  return (
    <div className="h-40">
      <Chart label={said} option={drawn} />
    </div>
  );
}

function chartOption(colour: (token: string) => string, { life, ageMonths, seen }: Props): echarts.EChartsCoreOption {
  const lastMonths = Math.max(
    1.25 * life.highMonths,
    1.05 * Math.max(ageMonths ?? 0, ...seen.map((each) => each.ageMonths)),
  );
  const per = lastMonths > TOLD_IN_YEARS ? MONTHS_A_YEAR : 1;
  const line = (months: number, style: object) => ({
    type: 'line' as const,
    showSymbol: false,
    silent: true,
    lineStyle: { color: colour('ink-2'), width: 1, type: 'dashed' as const, ...style },
    data: Array.from({ length: STEPS + 1 }, (_, nth) => {
      const age = (nth / STEPS) * lastMonths;
      return [age / per, 100 * conditionLeft(age, months)];
    }),
  });
  const axis = {
    type: 'value' as const,
    axisLabel: { color: colour('ink-3') },
    splitLine: { lineStyle: { color: colour('line') } },
  };
  return {
    animation: false,
    textStyle: { fontFamily: 'Archivo Variable', color: colour('ink-2') },
    grid: { left: 40, right: 14, top: 22, bottom: 36 },
    xAxis: {
      ...axis,
      name: per === 1 ? 'Months' : 'Years',
      nameLocation: 'middle' as const,
      nameGap: 22,
      nameTextStyle: { color: colour('ink-3') },
      min: 0,
      max: lastMonths / per,
    },
    yAxis: { ...axis, min: 0, max: 100, axisLabel: { color: colour('ink-3'), formatter: '{value} %' } },
    series: [
      line(life.lowMonths, {}),
      line(life.highMonths, {}),
      {
        ...line(life.months, { width: 2.5, type: 'solid', color: colour('ink') }),
        markLine: {
          silent: true,
          symbol: 'none',
          label: { formatter: 'then', color: colour('over') },
          lineStyle: { color: colour('over'), type: 'solid' as const },
          data: ageMonths === undefined ? [] : [{ xAxis: ageMonths / per }],
        },
      },
      {
        type: 'scatter' as const,
        symbolSize: 10,
        itemStyle: { color: colour('over') },
        data: seen.map((each) => [each.ageMonths / per, 100 * each.left]),
      },
    ],
  };
}
