'use client';

import { useTranslations } from 'next-intl';
import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
import { Bar } from 'react-chartjs-2';
import { usePalette } from '@/ui/use-palette';

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);

/** How many answers fell into each tenth of their forecasts. */
export function TenthsChart({ tenths }: { tenths: number[] }) {
  const t = useTranslations();
  const palette = usePalette();
  if (!palette) return null;
  const font = { family: "'Archivo Variable', sans-serif", size: 13 };
  const title = (text: string) => ({ display: true, text, color: palette.ink2, font });
  return (
    <Bar
      role="img"
      aria-label={t('accuracy.tenthsChart.drillsInEachTenthOf', { tenths: tenths.join(', ') })}
      data={{
        labels: tenths.map((_, i) => (i === 0 ? 'fewer' : i === 9 ? 'more' : '')),
        datasets: [
          {
            data: tenths,
            backgroundColor: palette.ink,
            barPercentage: 0.96,
            categoryPercentage: 1,
          },
        ],
      }}
      options={{
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            title: title(t('accuracy.tenthsChart.passedAgainstTheForecast')),
            ticks: { color: palette.ink2, font },
            grid: { display: false },
          },
          y: {
            beginAtZero: true,
            title: title('drills'),
            ticks: { color: palette.ink2, font, precision: 0 },
            grid: { color: palette.hair },
          },
        },
      }}
    />
  );
}
