import * as echarts from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import { useSize } from './useSize';

echarts.use([SVGRenderer]);

interface Props {
  /** The same in words, for whoever does not see it. */
  readonly label: string;
  /** What is drawn; asked again when it, the size or the theme changes. Its parts are registered by whoever draws. */
  readonly option: (colour: (token: string) => string) => echarts.EChartsCoreOption;
  /** What is done when one of the things drawn is pressed, by its place among them. */
  readonly onPick?: (index: number) => void;
}

/** A chart as large as its frame, in the colours of the theme. Loaded on demand, with those who draw on it. */
export function Chart({ label, option, onPick }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const chart = useRef<echarts.ECharts>(undefined);
  useEffect(() => {
    if (!frame.current || width === 0) return;
    chart.current ??= echarts.init(frame.current, undefined, { renderer: 'svg' });
    const draw = () => {
      const style = getComputedStyle(document.documentElement);
      chart.current?.setOption(
        option((token) => style.getPropertyValue(`--${token}`).trim()),
        { notMerge: true },
      );
    };
    chart.current.resize();
    chart.current.off('click');
    if (onPick) chart.current.on('click', ({ dataIndex }) => onPick(dataIndex));
    draw();
    // Colours are the theme's: drawn again when it changes.
    const observer = new MutationObserver(draw);
    observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => observer.disconnect();
  }, [option, onPick, width, height]);
  useEffect(() => () => chart.current?.dispose(), []);
  return <div ref={frame} role="img" aria-label={label} className="h-full w-full" />;
}
