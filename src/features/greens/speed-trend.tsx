'use client';

import { useTranslations } from 'next-intl';
import { METRES, type UnitPreferences } from '@/core/units';
import { TrendChart } from '@/ui/trend-chart';

/** The green's speed by the day it was measured. */
export function SpeedTrend({
  readings,
  units,
}: {
  readings: { at: Date; greenSpeed: number; note: string }[];
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const [scale, unit] = units.long === 'imperial' ? [METRES.ft, ' ft'] : [1, ' m'];
  return (
    <TrendChart
      unit={unit}
      from="data"
      numbers="readings"
      description={t('greens.speedTrend.greenSpeedOverReadings', { readings: readings.length })}
      points={readings.map(({ at, greenSpeed, note }) => ({
        at,
        low: greenSpeed / scale,
        middle: greenSpeed / scale,
        high: greenSpeed / scale,
        note,
      }))}
    />
  );
}
