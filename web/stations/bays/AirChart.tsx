import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { useCallback } from 'react';
import { MS_PER_MIN, NINE_IN_TEN_SIGMAS } from '#core/measures';
import { bayAmbient } from '#core/time/air';
import type { BayHistory } from '#formats/bay';
import type { Bay } from '#formats/job';
import { Chart } from '../../ui/Chart';
import { fixed } from '../../ui/numbers';
import { useNow } from '../../ui/useNow';

echarts.use([LineChart, GridComponent, MarkLineComponent, TooltipComponent]);

const AHEAD_DAYS = 2;
/** A bay nobody has a history of is expected within so much, one sigma, K. */
const UNKNOWN_K = 1.5;
const RENEW_MS = 5 * 60_000;
/** Nothing was read for longer than so many stretches: the line is broken. */
const GAP_STRETCHES = 3;

interface Props {
  readonly bay: Bay;
  readonly history: BayHistory;
}

/** Temperature with its band, humidity under it, and two days ahead as the bay is expected to run. */
export default function AirChart({ bay, history }: Props) {
  const nowMs = useNow(RENEW_MS);
  const drawn = useCallback((colour: Colour) => option(colour, bay, history, nowMs), [bay, history, nowMs]);
  const lows = history.buckets.map(({ lowC }) => lowC);
  const highs = history.buckets.map(({ highC }) => highC);
  const said =
    lows.length > 0
      ? `between ${fixed(Math.min(...lows), 1)} and ${fixed(Math.max(...highs), 1)} °C`
      : 'nothing read yet';
  return <Chart label={`Air of ${bay.name}: ${said}`} option={drawn} />;
}

type Place = readonly [ms: number, value: number | null];

type Colour = (token: string) => string;

function option(colour: Colour, bay: Bay, { buckets, fit }: BayHistory, nowMs: number): echarts.EChartsCoreOption {
  const now = new Date(nowMs);
  const ahead = bayAmbient(bay.climate, now.getHours() * 60 + now.getMinutes(), AHEAD_DAYS).map((step) => ({
    ms: nowMs + step.atMin * MS_PER_MIN,
    ...step,
  }));
  const spreadK = NINE_IN_TEN_SIGMAS * (fit?.rmsK ?? UNKNOWN_K);
  const past = withGaps(buckets.map((bucket) => ({ ...bucket, ms: Date.parse(bucket.at) })));
  const line = (name: string, data: readonly Place[], more: object = {}) => ({
    name,
    type: 'line',
    showSymbol: false,
    data,
    lineStyle: { width: 2, color: colour('chart') || colour('ink') },
    itemStyle: { color: colour('ink') },
    ...more,
  });
  // A band is a bare line with another stacked on it.
  const band = (id: string, low: readonly Place[], span: readonly Place[], fill: string) =>
    [low, span].map((data, index) => ({
      name: `${id}${index}`,
      type: 'line',
      stack: id,
      stackStrategy: 'all',
      silent: true,
      showSymbol: false,
      data,
      lineStyle: { opacity: 0 },
      tooltip: { show: false },
      ...(index === 1 && { areaStyle: { color: fill, opacity: 0.45 } }),
    }));
  const axis = {
    type: 'time' as const,
    axisLine: { lineStyle: { color: colour('line-strong') } },
    axisTick: { show: false },
    splitLine: { show: true, lineStyle: { color: colour('line') } },
    min: past[0]?.ms ?? nowMs,
    max: ahead.at(-1)!.ms,
  };
  const value = (name: string, gridIndex: number) => ({
    gridIndex,
    type: 'value' as const,
    name,
    nameLocation: 'middle' as const,
    nameGap: 36,
    nameTextStyle: { color: colour('ink-3') },
    scale: true,
    splitNumber: 4,
    axisLabel: { color: colour('ink-3') },
    splitLine: { lineStyle: { color: colour('line') } },
  });
  const low = past.map(({ ms, lowC }): Place => [ms, lowC]);
  const width = past.map(({ ms, lowC, highC }): Place => [ms, lowC === null || highC === null ? null : highC - lowC]);
  return {
    animation: false,
    textStyle: { fontFamily: 'Archivo Variable', color: colour('ink-2') },
    tooltip: {
      trigger: 'axis',
      valueFormatter: (said: unknown) => (typeof said === 'number' ? fixed(said, 1) : '–'),
      backgroundColor: colour('sheet'),
      borderColor: colour('line-strong'),
      textStyle: { color: colour('ink') },
    },
    grid: [
      { left: 60, right: 24, top: 24, height: '52%' },
      { left: 60, right: 24, top: '68%', bottom: 28 },
    ],
    xAxis: [
      { ...axis, gridIndex: 0, axisLabel: { show: false } },
      { ...axis, gridIndex: 1, axisLabel: { color: colour('ink-3'), hideOverlap: true } },
    ],
    yAxis: [value('Air, °C', 0), value('Humidity, %', 1)],
    series: [
      ...band('past', low, width, colour('tint-3')),
      ...band(
        'ahead',
        ahead.map(({ ms, airC }): Place => [ms, airC - spreadK]),
        ahead.map(({ ms }): Place => [ms, 2 * spreadK]),
        colour('tint-2'),
      ),
      line(
        'Air, °C',
        past.map(({ ms, meanC }): Place => [ms, meanC]),
        {
          markLine: {
            silent: true,
            symbol: 'none',
            label: { formatter: 'now', color: colour('over') },
            lineStyle: { color: colour('over'), width: 2, type: 'solid' },
            data: [{ xAxis: nowMs }],
          },
        },
      ),
      line(
        'Expected, °C',
        ahead.map(({ ms, airC }): Place => [ms, airC]),
        {
          lineStyle: { width: 2, type: 'dashed', color: colour('ink-2') },
        },
      ),
      line(
        'Humidity, %',
        past.map(({ ms, rhPct }): Place => [ms, rhPct]),
        { xAxisIndex: 1, yAxisIndex: 1 },
      ),
      line(
        'Humidity expected, %',
        ahead.map(({ ms, rhPct }): Place => [ms, rhPct]),
        {
          xAxisIndex: 1,
          yAxisIndex: 1,
          lineStyle: { width: 2, type: 'dashed', color: colour('ink-2') },
        },
      ),
    ],
  };
}

interface Drawn {
  readonly ms: number;
  readonly lowC: number | null;
  readonly meanC: number | null;
  readonly highC: number | null;
  readonly rhPct: number | null;
}

/** A stretch of nothing between stretches far apart, so that no line is drawn where nothing was read. */
function withGaps(places: readonly Drawn[]): Drawn[] {
  const steps = places.slice(1).map(({ ms }, index) => ms - places[index]!.ms);
  const usual = steps.toSorted((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 0;
  return places.flatMap((place, index) => {
    const next = places[index + 1];
    if (!next || next.ms - place.ms <= GAP_STRETCHES * usual) return [place];
    return [place, { ms: place.ms + usual, lowC: null, meanC: null, highC: null, rhPct: null }];
  });
}
