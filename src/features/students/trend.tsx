'use client';

import { toDegrees } from '@/core/units';
import { TrendChart } from '@/ui/trend-chart';

export interface TrendRow {
  at: Date;
  putts: number;
  window: { low: number; middle: number; high: number };
}

/** The carried eight-in-ten window by session, against the hole. */
export function Trend({
  rows,
  hole,
  holeName,
}: {
  rows: TrendRow[];
  hole: number;
  holeName: string;
}) {
  return (
    <TrendChart
      unit="°"
      description={`Eight-in-ten window over ${rows.length} sessions`}
      level={{ value: toDegrees(hole), label: holeName }}
      points={rows.map(({ at, putts, window }) => ({
        at,
        low: toDegrees(window.low),
        middle: toDegrees(window.middle),
        high: toDegrees(window.high),
        note: `${putts} putts that day`,
      }))}
    />
  );
}
