import { aimFor } from '@/core/green';
import type { Check, Spot } from './element';
import { breaks, midpointOf } from './draw-layout';
import { standing, type Layout } from './layout';

/** One line of the tape list. */
export interface TapeRow {
  id: string;
  name: string;
  /** Letter on the drawing. */
  label?: string;
  /** From the ball mark, on the green; across right positive, m. */
  at: Spot;
  /** Of a station: how far before the hole it lies, along the line from the first ball, m; beyond it below 0. */
  beforeHole?: number;
  /** A tee's middle, or a pin or coin. */
  what: 'pin' | 'tee' | 'spot' | 'ball' | 'curve';
  /** What to measure once this stands. */
  checks: Check[];
}

/**
 * Where everything goes, in the order of placing: the ball mark, the pin that shows the start line, then from the ball
 * outward, left before right.
 *
 * @param layout a layout its schema accepts
 */
export function tapeList(layout: Layout): TapeRow[] {
  const aim = aimFor(layout.putt);
  const turns = breaks(aim);
  const rows = standing(layout).flatMap((element) => {
    const checks = element.checks();
    return element.places().map((place): TapeRow => ({
      id: `${element.id}-${place.id}`,
      name: place.name,
      ...(place.label && { label: place.label }),
      at: place.at,
      ...(place.station && { beforeHole: layout.putt.distance - place.at.along }),
      what: element.traits.fixed ? 'ball' : place.tee ? 'tee' : 'spot',
      checks: checks.filter(({ between }) => between[1] === place.id),
    }));
  });
  const ball = rows.filter(({ what }) => what === 'ball');
  const others = rows
    .filter(({ what }) => what !== 'ball')
    .map((row, index) => ({ row, index, from: Math.round(Math.abs(row.at.along) * 50) }))
    .sort((a, b) => a.from - b.from || a.index - b.index)
    .map(({ row }) => row);
  return [
    ...ball,
    ...(turns
      ? [
          {
            id: 'pin',
            name: 'aim marker, beside the hole',
            at: { along: layout.putt.distance, across: aim.beside },
            what: 'pin' as const,
            checks: [],
          },
        ]
      : []),
    ...others,
    ...(turns
      ? [
          {
            id: 'curve',
            name: 'middle of the curve, ×',
            at: midpointOf(layout),
            what: 'curve' as const,
            checks: [],
          },
        ]
      : []),
  ];
}
