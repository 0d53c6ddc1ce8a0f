'use client';

import { useTranslations } from 'next-intl';
import 'chartjs-adapter-date-fns';
import {
  CategoryScale,
  Chart,
  Filler,
  LineElement,
  LinearScale,
  PointElement,
  TimeScale,
  Tooltip,
  type ChartData,
  type ChartOptions,
  type Plugin,
} from 'chart.js';
import { format } from '@/ui/when';
import { useRef } from 'react';
import { Line } from 'react-chartjs-2';
import { cutTo } from './cut-to';
import { saveText, saveUrl } from './save-text';
import { svgString } from './svg-string';
import { TrendDrawing } from './trend-drawing';
import { usePalette } from './use-palette';

Chart.register(CategoryScale, Filler, LineElement, LinearScale, PointElement, TimeScale, Tooltip);

export interface TrendPoint {
  at: Date;
  low: number;
  middle: number;
  high: number;
  note: string;
}

export interface TrendChartProps {
  points: TrendPoint[];
  /** A level to compare with, and what it is. */
  level?: { value: number; label: string };
  /** Days on which something was changed, and what. */
  marks?: { at: Date; label: string }[];
  unit: string;
  /** Where the scale begins: at nothing, or where the numbers do. */
  from?: 'zero' | 'data';
  description: string;
  /** The id of what has the same in numbers. */
  numbers?: string;
}

/** Where something was changed: a line down the chart, with what it was beside its top. */
const changesDrawn = (marks: { at: Date; label: string }[], ink: string): Plugin<'line'> => ({
  id: 'changes',
  afterDatasetsDraw({ ctx, chartArea, scales }) {
    if (marks.length === 0) return;
    ctx.save();
    ctx.strokeStyle = ink;
    ctx.fillStyle = ink;
    ctx.lineWidth = 1.4;
    ctx.setLineDash([2, 4]);
    ctx.font = "13px 'Archivo Variable', sans-serif";
    marks.forEach(({ at, label }, index) => {
      const x = scales.x!.getPixelForValue(at.getTime());
      if (x < chartArea.left - 1 || x > chartArea.right + 1) return;
      ctx.beginPath();
      ctx.moveTo(x, chartArea.top);
      ctx.lineTo(x, chartArea.bottom);
      ctx.stroke();
      const room = { right: chartArea.right - x - 6, left: x - 6 - chartArea.left };
      const after = ctx.measureText(label).width <= room.right || room.right >= room.left;
      const words = cutTo(
        label,
        after ? room.right : room.left,
        (text) => ctx.measureText(text).width,
      );
      ctx.textAlign = after ? 'left' : 'right';
      ctx.fillText(words, after ? x + 6 : x - 6, chartArea.top + 42 + 17 * (index % 3));
    });
    ctx.restore();
  },
});

/**
 * A colour so thin that a line shows through it. A style sheet that was made small writes `#000` for black: two digits put to
 * that are no colour, and the band would be painted solid.
 *
 * @param hex with three or six digits
 */
export function faint(hex: string): string {
  const digits = hex.replace('#', '');
  const six = digits.length === 3 ? [...digits].map((one) => one + one).join('') : digits;
  const [r, g, b] = [0, 2, 4].map((from) => parseInt(six.slice(from, from + 2), 16));
  return `rgb(${r} ${g} ${b} / 14%)`;
}

/** A number over time with the band that holds it eight times in ten. */
export function TrendChart({
  points,
  level,
  marks = [],
  unit,
  from = 'zero',
  description,
  numbers,
}: TrendChartProps) {
  const t = useTranslations();
  const palette = usePalette();
  const chart = useRef<Chart<'line', { x: number; y: number }[]>>(null);
  if (!palette) return <div className="h-full" />;
  const font = { family: "'Archivo Variable', sans-serif", size: 13 };
  const series = (pick: (point: TrendPoint) => number) =>
    points.map((point) => ({ x: point.at.getTime(), y: pick(point) }));
  const band = { pointRadius: 0, borderWidth: 0, pointHitRadius: 0 };
  const data: ChartData<'line', { x: number; y: number }[]> = {
    datasets: [
      {
        label: 'window',
        data: series(({ middle }) => middle),
        borderColor: palette.ink,
        borderWidth: 2.4,
        pointBackgroundColor: points.map((_, index) =>
          index === points.length - 1 ? palette.line : palette.ink,
        ),
        pointBorderWidth: 0,
        pointRadius: points.map((_, index) => (index === points.length - 1 ? 6 : 4)),
      },
      { label: 'high', data: series(({ high }) => high), ...band },
      {
        label: 'low',
        data: series(({ low }) => low),
        ...band,
        fill: '-1',
        backgroundColor: faint(palette.ink),
      },
      ...(level
        ? [
            {
              label: 'level',
              data: [points[0], points.at(-1)].flatMap((point) =>
                point ? [{ x: point.at.getTime(), y: level.value }] : [],
              ),
              borderColor: palette.hole,
              borderWidth: 1.8,
              borderDash: [6, 5],
              pointRadius: 0,
              pointHitRadius: 0,
            },
          ]
        : []),
    ],
  };
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    interaction: { mode: 'nearest', axis: 'x', intersect: false },
    layout: { padding: { top: 10, right: 12 } },
    scales: {
      x: {
        type: 'time',
        time: { unit: 'day', tooltipFormat: 'd MMM', displayFormats: { day: 'd MMM' } },
        grid: { display: false },
        border: { color: palette.ink },
        ticks: { color: palette.ink2, font, maxTicksLimit: 7, maxRotation: 0 },
      },
      y: {
        beginAtZero: from === 'zero',
        grace: from === 'zero' ? '6%' : '40%',
        grid: { color: palette.hair },
        border: { display: false },
        ticks: {
          color: palette.ink2,
          font,
          maxTicksLimit: 6,
          callback: (value) => `${Number(value).toFixed(1)}${unit}`,
        },
      },
    },
    plugins: {
      legend: { display: false },
      tooltip: {
        filter: ({ dataset }) => dataset.label === 'window',
        displayColors: false,
        backgroundColor: palette.ink,
        titleFont: font,
        bodyFont: font,
        cornerRadius: 2,
        callbacks: {
          label: ({ dataIndex }) => {
            const point = points[dataIndex];
            if (!point) return '';
            const { low, middle, high, note } = point;
            const interval =
              low === high
                ? ''
                : t('ui.trendChart.to', { low: low.toFixed(2), high: high.toFixed(2) });
            return `${middle.toFixed(2)}${unit}${interval}${note ? `; ${note}` : ''}`;
          },
          title: ([item]) => (item ? format(points[item.dataIndex]!.at, 'd MMM yyyy') : ''),
        },
      },
    },
  };
  const keep = () => {
    const url = chart.current?.toBase64Image('image/png', 1);
    if (!url) return;
    saveUrl(`${description}.png`, url);
  };
  const draw = () =>
    saveText(
      `${description}.svg`,
      svgString(<TrendDrawing {...{ t, points, level, marks, unit, from, description }} />),
      'image/svg+xml',
    );
  return (
    <div className="flex h-full flex-col">
      <div className="relative min-h-0 flex-1">
        <Line
          // What it draws with is given when it is made.
          key={palette.ink}
          ref={chart}
          data={data}
          options={options}
          plugins={[changesDrawn(marks, palette.ink)]}
          role="img"
          aria-label={[
            description,
            ...[points[0], points.length > 1 ? points.at(-1) : undefined].flatMap((point) =>
              point ? [`${format(point.at, 'd MMMM')} ${point.middle.toFixed(2)}${unit}`] : [],
            ),
            ...marks.map(({ label }) => label),
          ].join('; ')}
          aria-details={numbers}
        />
      </div>
      <div className="flex justify-end gap-3 print:hidden">
        <SaveAs name="PNG" onClick={keep} />
        <SaveAs name="SVG" onClick={draw} />
      </div>
    </div>
  );
}

const SaveAs = ({ name, onClick }: { name: string; onClick: () => void }) => {
  const t = useTranslations();
  return (
    <button
      type="button"
      onClick={onClick}
      className="min-h-11 px-2 text-sm underline underline-offset-4"
    >
      {t('ui.trendChart.download', { name })}
    </button>
  );
};
