import { MINUTES_PER_DAY, MINUTES_PER_HOUR, MS_PER_MIN, NINE_IN_TEN_SIGMAS } from '#core/measures';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Chart } from '../../ui/Chart';
import { moment } from '../../ui/moments';
import { type CureBar, cureBars } from './cure-bars';
import { useAirSpread } from './MustHold';
import type { CustomSeriesRenderItemAPI } from 'echarts';
import { CustomChart, LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { useCallback } from 'react';

echarts.use([LineChart, CustomChart, GridComponent, MarkLineComponent, TooltipComponent]);

const HOURS_AFTER = 4;

/** The bay's temperature through the cure, and under it each product's layers from laying to hand-over. */
export default function CureChart() {
  const job = useJob('at', 'bay', 'begun', 'document', 'nowMin', 'plan', 'planned');
  const airK = useAirSpread(job);
  const drawn = useCallback((colour: Colour) => chartOption(colour, job, airK), [job, airK]);
  const bars = cureBars(job.planned, job.plan, job.document.products, airK);
  const said = bars.map(
    ({ name, waterSafeMin, handoverMin, handoverRangeMin: [early, late] }) =>
      `${name}: may get wet ${sayMin(job, waterSafeMin)}, hand over ${sayMin(job, handoverMin)}, between ${sayMin(job, early)} and ${sayMin(job, late)} as the air may be`,
  );
  return <Chart label={`Cure against the air. ${said.join('. ')}`} option={drawn} />;
}

const sayMin = (job: Pick<JobView, 'at'>, min: number | null) => (min === null ? 'never' : moment(job.at(min)));

/** Hours, and at midnight the day that begins. */
function sayHour(ms: number): string {
  const time = new Date(ms);
  const midnight = time.getHours() === 0 && time.getMinutes() === 0;
  return time.toLocaleString('en-GB', midnight ? { weekday: 'short' } : { hour: '2-digit', minute: '2-digit' });
}

type Colour = (token: string) => string;

function chartOption(
  colour: Colour,
  job: Pick<JobView, 'at' | 'begun' | 'document' | 'nowMin' | 'plan' | 'planned'>,
  airK: number,
): echarts.EChartsCoreOption {
  const { document: file, plan, planned, nowMin, begun } = job;
  const bars = cureBars(planned, plan, file.products, airK);
  const startMs = Date.parse(file.startAt);
  const ms = (min: number) => startMs + min * MS_PER_MIN;
  const lastMin = Math.max(
    24 * 60,
    ...bars.flatMap(({ handoverMin, endMin }) => [handoverMin ?? endMin + MINUTES_PER_DAY]),
    planned.needsByMin ?? 0,
  );
  const untilMin = Math.min(lastMin + HOURS_AFTER * MINUTES_PER_HOUR, 8 * MINUTES_PER_DAY);
  const air = planned.ambient.filter(({ atMin }) => atMin <= untilMin);
  const temperatures = [...air.map(({ atMin, airC }) => [ms(atMin), airC]), [ms(untilMin), air.at(-1)?.airC]];
  const off = NINE_IN_TEN_SIGMAS * airK;
  const axis = {
    type: 'time' as const,
    min: ms(-30),
    max: ms(untilMin),
    axisLine: { lineStyle: { color: colour('line-strong') } },
    axisTick: { show: false },
    splitLine: { show: true, lineStyle: { color: colour('line') } },
  };
  const marks = [
    ...(begun ? [{ xAxis: ms(nowMin), name: 'now' }] : []),
    ...(planned.needsByMin !== undefined ? [{ xAxis: ms(planned.needsByMin), name: 'owner' }] : []),
  ];
  return {
    animation: false,
    textStyle: { fontFamily: 'Archivo Variable', color: colour('ink-2') },
    grid: [
      { left: 150, right: 22, top: 24, height: '34%' },
      { left: 150, right: 22, top: '52%', bottom: 24 },
    ],
    xAxis: [
      { ...axis, gridIndex: 0, axisLabel: { show: false } },
      { ...axis, gridIndex: 1, axisLabel: { color: colour('ink-3'), hideOverlap: true, formatter: sayHour } },
    ],
    yAxis: [
      {
        gridIndex: 0,
        type: 'value',
        name: 'Air, °C',
        nameLocation: 'middle',
        nameGap: 34,
        nameTextStyle: { color: colour('ink-3') },
        scale: true,
        splitNumber: 3,
        axisLabel: { color: colour('ink-3') },
        splitLine: { lineStyle: { color: colour('line') } },
      },
      {
        gridIndex: 1,
        type: 'category',
        inverse: true,
        data: bars.map(({ name }) => name),
        axisTick: { show: false },
        axisLine: { lineStyle: { color: colour('line-strong') } },
        axisLabel: { color: colour('ink'), width: 138, overflow: 'truncate' },
      },
    ],
    tooltip: {
      trigger: 'item',
      backgroundColor: colour('sheet'),
      borderColor: colour('line-strong'),
      textStyle: { color: colour('ink') },
    },
    series: [
      // The band the air stays in on nine days of ten: its lower edge, and its width on top of that.
      ...(
        [
          [-off, 0],
          [2 * off, 0.35],
        ] as const
      ).map(([k, opacity], index) => ({
        type: 'line' as const,
        xAxisIndex: 0,
        yAxisIndex: 0,
        step: 'end' as const,
        stack: 'band',
        stackStrategy: 'all' as const,
        showSymbol: false,
        silent: true,
        lineStyle: { opacity: 0 },
        areaStyle: { color: colour('tint-5'), opacity },
        data: temperatures.map(([at, airC]) => [at, index === 0 ? airC! + k : k]),
      })),
      {
        type: 'line',
        xAxisIndex: 0,
        yAxisIndex: 0,
        step: 'end',
        showSymbol: false,
        silent: true,
        lineStyle: { color: colour('tint-5'), width: 2 },
        data: temperatures,
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: colour('over'), width: 2, type: 'solid' },
          label: { formatter: '{b}', color: colour('over'), position: 'insideEndTop', rotate: 0 },
          data: marks,
        },
      },
      {
        type: 'custom',
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: bars.map((bar, index) => ({ value: [index, ms(bar.startMin), ms(bar.handoverMin ?? untilMin)], bar })),
        tooltip: {
          formatter: ({ data }: { data: { bar: CureBar } }) =>
            `${data.bar.name}<br>laid until ${moment(job.at(data.bar.endMin))}<br>may get wet ${sayMin(job, data.bar.waterSafeMin)}<br>hand over ${sayMin(job, data.bar.handoverMin)}<br>between ${sayMin(job, data.bar.handoverRangeMin[0])} and ${sayMin(job, data.bar.handoverRangeMin[1])}`,
        },
        renderItem: (_params: unknown, api: CustomSeriesRenderItemAPI) => {
          const bar = bars[Number(api.value(0))]!;
          const at = (min: number) => api.coord([ms(min), Number(api.value(0))]) as [number, number];
          const high = Math.min(18, (api.size!([0, 1]) as number[])[1]! * 0.6);
          const wet = bar.waterSafeMin ?? untilMin;
          const ready = bar.handoverMin ?? untilMin;
          const part = (from: number, to: number, fill: string) => {
            const [x, y] = at(from);
            return {
              type: 'rect' as const,
              shape: { x, y: y - high / 2, width: Math.max(2, at(to)[0] - x), height: high },
              style: { fill, stroke: colour('ink-3'), lineWidth: 0.8 },
            };
          };
          /** From the earliest to the latest, with a stroke across either end. */
          const whisker = ([from, to]: [number, number][]) =>
            [
              [from![0], from![1], to![0], to![1]],
              ...[from!, to!].map(([x, y]) => [x, y - high / 3, x, y + high / 3]),
            ].map(([x1, y1, x2, y2]) => ({
              type: 'line' as const,
              shape: { x1, y1, x2, y2 },
              style: { stroke: colour('ink'), lineWidth: 1.6 },
            }));
          return {
            type: 'group' as const,
            children: [
              part(bar.startMin, bar.endMin, colour('ink-2')),
              part(bar.endMin, wet, colour('tint-4')),
              ...(ready > wet ? [part(wet, ready, colour('tint-2'))] : []),
              ...whisker(bar.handoverRangeMin.map((min) => at(Math.min(min ?? untilMin, untilMin)))),
            ],
          };
        },
      },
    ],
  };
}
