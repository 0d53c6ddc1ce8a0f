'use client';

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
  const [scale, unit] = units.long === 'imperial' ? [METRES.ft, ' ft'] : [1, ' m'];
  return (
    <TrendChart
      unit={unit}
      from="data"
      numbers="readings"
      description={`Green speed over ${readings.length} readings`}
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
