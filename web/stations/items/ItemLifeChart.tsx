import { CustomChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { useCallback } from 'react';
import { Chart } from '../../ui/Chart';
import type { LifeRows } from './life-rows';

echarts.use([CustomChart, ScatterChart, GridComponent, MarkLineComponent]);

/** Height of a row of the axis, and of what stands round it, px. */
const ROW_PX = 34;
const ROUND_PX = 70;

/** Layers, visits, clear and repairs of an item on one axis, beside others of its model at the same age. */
export default function ItemLifeChart({ rows }: { readonly rows: LifeRows }) {
  const drawn = useCallback((colour: (token: string) => string) => chartOption(colour, rows), [rows]);
  const said = `The life of the item: ${rows.own - 1} products, ${rows.points.filter(({ row }) => row === rows.own - 1).length} visits, beside ${rows.names.length - rows.own} of its model`;
  return (
    <div style={{ height: rows.names.length * ROW_PX + ROUND_PX }}>
      <Chart label={said} option={drawn} />
    </div>
  );
}

function chartOption(colour: (token: string) => string, { names, bars, points, own, nowYears }: LifeRows) {
  const last = Math.max(nowYears, 0.5, ...bars.map(({ until }) => until));
  const text = { fontFamily: 'Archivo Variable', color: colour('ink-2') };
  return {
    animation: false,
    textStyle: text,
    grid: { left: 150, right: 24, top: 22, bottom: 44 },
    xAxis: {
      type: 'value' as const,
      name: 'Years since it was first here',
      nameLocation: 'middle' as const,
      nameGap: 26,
      nameTextStyle: { color: colour('ink-3') },
      min: 0,
      max: Math.ceil(last * 2) / 2,
      axisLabel: { color: colour('ink-3') },
      splitLine: { lineStyle: { color: colour('line') } },
    },
    yAxis: {
      type: 'category' as const,
      data: [...names],
      inverse: true,
      axisTick: { show: false },
      axisLine: { lineStyle: { color: colour('line-strong') } },
      axisLabel: { color: colour('ink'), width: 136, overflow: 'truncate' as const },
    },
    series: [
      {
        type: 'custom' as const,
        silent: true,
        data: bars.map(({ row, from, until }) => [from, until, row]),
        renderItem({ dataIndex }: { readonly dataIndex: number }, api: BarApi) {
          const [from, to] = [api.coord([api.value(0), api.value(2)]), api.coord([api.value(1), api.value(2)])];
          const { row, words } = bars[dataIndex]!;
          const isOwn = row < own;
          const heightPx = isOwn ? 18 : 8;
          return {
            type: 'rect' as const,
            shape: { x: from[0], y: from[1] - heightPx / 2, width: Math.max(2, to[0] - from[0]), height: heightPx },
            style: { fill: colour(isOwn ? 'tint-3' : 'tint-2'), stroke: colour('ink-2'), lineWidth: 1 },
            textContent: isOwn
              ? { style: { text: words, fill: colour('ink'), fontSize: 12, fontFamily: text.fontFamily } }
              : undefined,
            textConfig: { position: 'insideLeft' as const },
          };
        },
      },
      {
        type: 'scatter' as const,
        silent: true,
        data: points.map(({ row, at, words, repaired }) => ({
          value: [at, row],
          symbol: repaired ? 'diamond' : 'circle',
          symbolSize: repaired ? 15 : 10,
          itemStyle: { color: colour(repaired ? 'warn' : 'over') },
          label: {
            show: words !== '',
            formatter: words,
            // The last ones stand left of their point, where there is room.
            position: at > last * 0.6 ? ('left' as const) : ('right' as const),
            color: colour('ink'),
            fontSize: 12,
          },
        })),
        markLine: {
          silent: true,
          symbol: 'none',
          // Rows run downwards, so the line begins at the top.
          label: { formatter: 'now', position: 'start' as const, color: colour('over') },
          lineStyle: { color: colour('over'), type: 'solid' as const },
          data: [{ xAxis: nowYears }],
        },
      },
    ],
  };
}

interface BarApi {
  readonly value: (dimension: number) => number;
  readonly coord: (point: readonly number[]) => readonly [number, number];
}
