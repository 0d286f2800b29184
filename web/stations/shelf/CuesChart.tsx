import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { useCallback } from 'react';
import { NINE_IN_TEN_SIGMAS } from '#core/measures';
import type { ProductCues } from '#formats/log';
import { Chart } from '../../ui/Chart';

echarts.use([LineChart, ScatterChart, GridComponent, TooltipComponent]);

/** Each cue against the sheet's minutes, and around it what was believed just before. */
export default function CuesChart({ cues }: { readonly cues: ProductCues }) {
  const drawn = useCallback((colour: (token: string) => string) => option(colour, cues), [cues]);
  const said = cues.jobs.map(
    ({ title, cues: seen }) => `${title}: ${seen.map(({ ratio }) => ratio.toFixed(2)).join(', ')}`,
  );
  return <Chart label={`Cues seen, as a share of the sheet’s minutes. ${said.join('. ')}`} option={drawn} />;
}

function option(colour: (token: string) => string, { factor, sigma, jobs }: ProductCues): echarts.EChartsCoreOption {
  // A place a cue, in their order, and one more for the next.
  const seen = jobs.flatMap(({ title, factor: middle, sigma: spread, cues }) =>
    cues.map(({ ratio }) => ({ title, ratio, middle, spread })),
  );
  const believed = [...seen.map(({ middle, spread }) => ({ middle, spread })), { middle: factor, spread: sigma }];
  // Each belief holds from half a place before its cue to half a place after it.
  const held = (values: readonly number[]) => [...values, values.at(-1)!].map((value, index) => [index + 0.5, value]);
  const edge = (sign: 1 | -1) =>
    believed.map(({ middle, spread }) => middle * Math.exp(sign * NINE_IN_TEN_SIGMAS * spread));
  const lows = edge(-1);
  const line = (data: readonly (readonly number[])[], more: object) => ({
    type: 'line',
    step: 'end',
    showSymbol: false,
    silent: true,
    data,
    lineStyle: { opacity: 0 },
    ...more,
  });
  const axisLabel = { color: colour('ink-3') };
  return {
    animation: false,
    textStyle: { fontFamily: 'Archivo Variable', color: colour('ink-2') },
    grid: { left: 42, right: 10, top: 10, bottom: 34 },
    xAxis: {
      type: 'value',
      min: 0.5,
      max: believed.length + 0.5,
      interval: Math.max(1, Math.ceil(believed.length / 6)),
      name: 'cue after cue; last: the next one',
      nameLocation: 'middle',
      nameGap: 20,
      nameTextStyle: { color: colour('ink-3') },
      axisLabel: { show: false },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: true,
      name: 'of the sheet',
      nameLocation: 'middle',
      nameGap: 30,
      nameTextStyle: { color: colour('ink-3') },
      axisLabel,
      splitLine: { lineStyle: { color: colour('line') } },
    },
    tooltip: { trigger: 'item', backgroundColor: colour('sheet'), textStyle: { color: colour('ink') } },
    series: [
      line(held(lows), { stack: 'band', stackStrategy: 'all' }),
      line(held(edge(1).map((high, index) => high - lows[index]!)), {
        stack: 'band',
        stackStrategy: 'all',
        areaStyle: { color: colour('tint-4'), opacity: 0.5 },
      }),
      line(held(believed.map(({ middle }) => middle)), { lineStyle: { color: colour('tint-5'), width: 2 } }),
      {
        type: 'scatter',
        symbolSize: 9,
        itemStyle: { color: colour('ink') },
        data: seen.map(({ ratio, title }, index) => ({ value: [index + 1, ratio], name: title })),
        tooltip: {
          formatter: ({ name, value }: { name: string; value: [number, number] }) =>
            `${name}<br>${value[1].toFixed(2)} of the sheet’s minutes`,
        },
      },
    ],
  };
}
