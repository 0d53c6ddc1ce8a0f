'use client';

import { useTranslations } from 'next-intl';
import { headEnd, type Hand } from '@/core/people';
import type { StrokePoint } from '@/core/layout';
import { toDegrees } from '@/core/units';

const WIDTH = 300;
const HEIGHT = 190;
const PAD = { left: 44, right: 14, top: 16, bottom: 40 };

/** The strokes that pass a box: where on the face across, the path up. */
export function BoxRegion({ corners, hand }: { corners: StrokePoint[]; hand: Hand }) {
  const t = useTranslations();
  if (corners.length === 0) {
    return (
      <p className="mt-2 font-[560] text-line">{t('drills.boxRegion.noStrokeByThisPlayer')}</p>
    );
  }
  const points = corners.map(({ strike, slope }) => ({
    across: strike * 1000,
    up: toDegrees(Math.atan(slope)),
  }));
  const reach = (pick: (point: (typeof points)[number]) => number, least: number) =>
    Math.max(least, ...points.map((point) => Math.abs(pick(point)))) * 1.15;
  const [across, up] = [reach(({ across: a }) => a, 5), reach(({ up: a }) => a, 2)];
  const x = (value: number) =>
    PAD.left + ((value + across) / (2 * across)) * (WIDTH - PAD.left - PAD.right);
  const y = (value: number) =>
    PAD.top + ((up - value) / (2 * up)) * (HEIGHT - PAD.top - PAD.bottom);
  // The head too far right meets the ball on the end of the face that is left of its middle.
  const [atLeft, atRight] = [headEnd('right', hand), headEnd('left', hand)];
  const outward = hand === 'right' ? 'in-to-out' : 'out-to-in';
  const inward = hand === 'right' ? 'out-to-in' : 'in-to-out';
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="mt-2 w-full max-w-[340px]"
      role="img"
      aria-label={t('drills.boxRegion.strokesThatGetThroughStrike')}
    >
      <polygon
        points={points.map((point) => `${x(point.across)},${y(point.up)}`).join(' ')}
        className="fill-line stroke-line"
        fillOpacity={0.2}
        strokeWidth={1.6}
      />
      <path
        d={`M${x(-across)} ${y(0)}H${x(across)}M${x(0)} ${y(-up)}V${y(up)}`}
        className="stroke-ink2"
        strokeWidth={1}
      />
      <g className="fill-ink2 text-[0.75rem]">
        <text x={x(0) + 4} y={PAD.top - 4}>
          {outward} {up.toFixed(0)}°
        </text>
        <text x={x(0) + 4} y={HEIGHT - PAD.bottom + 12}>
          {inward} {up.toFixed(0)}°
        </text>
        <text x={PAD.left} y={HEIGHT - 6}>
          {t('drills.boxRegion.mm', { atLeft, across: across.toFixed(0) })}
        </text>
        <text x={WIDTH - PAD.right} y={HEIGHT - 6} textAnchor="end">
          {t('drills.boxRegion.mm2', { atRight, across: across.toFixed(0) })}
        </text>
        <text x={WIDTH / 2 + 15} y={HEIGHT - 6} textAnchor="middle">
          {t('drills.boxRegion.strike')}
        </text>
      </g>
    </svg>
  );
}
