'use client';

import { useTranslations } from 'next-intl';
import { Chart, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js';
import { Scatter } from 'react-chartjs-2';
import type { Reliability } from '@/core/planning';
import { usePalette } from '@/ui/use-palette';

Chart.register(LineElement, LinearScale, PointElement, Tooltip);

/** Chances as they were forecast, across, against what happened, up; each with its interval. */
export function ReliabilityChart({ rows }: { rows: Reliability['rows'] }) {
  const t = useTranslations();
  const palette = usePalette();
  if (!palette) return null;
  const font = { family: "'Archivo Variable', sans-serif", size: 13 };
  const axis = (text: string) => ({
    min: 0,
    max: 100,
    title: { display: true, text, color: palette.ink2, font },
    ticks: {
      color: palette.ink2,
      font,
      stepSize: 20,
      callback: (value: unknown) => `${String(value)} %`,
    },
    grid: { color: palette.hair },
  });
  const line = { showLine: true, pointRadius: 0, pointHitRadius: 0 };
  return (
    <Scatter
      role="img"
      aria-label={t('accuracy.reliabilityChart.chanceThatAPuttPasses', {
        rows: rows
          .map(({ forecast, seen }) =>
            t('accuracy.reliabilityChart.forecastHappened', {
              forecast: Math.round(100 * forecast),
              happened: Math.round(100 * seen),
            }),
          )
          .join('; '),
      })}
      data={{
        datasets: [
          {
            data: rows.map(({ forecast, seen }) => ({ x: 100 * forecast, y: 100 * seen })),
            backgroundColor: palette.line,
            pointRadius: 6,
          },
          ...rows.map(({ forecast, low, high }) => ({
            ...line,
            data: [low, high].map((y) => ({ x: 100 * forecast, y: 100 * y })),
            borderColor: palette.line,
            borderWidth: 2,
          })),
          {
            ...line,
            data: [
              { x: 0, y: 0 },
              { x: 100, y: 100 },
            ],
            borderColor: palette.ink,
            borderWidth: 1.4,
            borderDash: [5, 4],
          },
        ],
      }}
      options={{
        animation: false,
        maintainAspectRatio: false,
        plugins: {
          tooltip: {
            filter: ({ datasetIndex }) => datasetIndex === 0,
            callbacks: {
              label: ({ dataIndex }) => {
                const { forecast, seen, putts } = rows[dataIndex]!;
                return t('accuracy.reliabilityChart.forecastPassedOfPutts', {
                  forecast: Math.round(100 * forecast),
                  passed: Math.round(100 * seen),
                  putts,
                });
              },
            },
          },
        },
        scales: { x: axis('forecast'), y: axis('passed') },
      }}
    />
  );
}
