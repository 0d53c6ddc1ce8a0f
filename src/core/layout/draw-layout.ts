import {
  HOLE_RADIUS,
  isLevel,
  makeWindow,
  routeOf,
  routePoints,
  stretchesOf,
  type Aim,
  type Putt,
} from '@/core/green';
import type { Mark, Spot } from './element';
import { standing, type Layout, type Standing } from './layout';
import { settingOf } from './setting';
import { turned } from './spot';

/** An aim nearer to the hole's middle than this is straight, m. */
const NO_BREAK = 0.002;
/** Half of a tier's edge as drawn, m. */
const TIER_DRAWN = 0.3;

/** Whether a putt breaks by more than a tape would show at the hole. */
export const breaks = ({ beside }: Aim): boolean => Math.abs(beside) > NO_BREAK;

/**
 * The roll of another putt as a curve over a layout's own: straight where it does not break.
 *
 * @param putt the same ball and hole, otherwise paced or on another green
 * @throws RangeError when the slope cannot hold its pace
 */
export function otherRoll(putt: Putt): Mark {
  const ball = { along: 0, across: 0 };
  if (isLevel(putt)) {
    return { type: 'curve', role: 'other', points: [ball, { ...ball, along: putt.distance }] };
  }
  const { startSpeed, direction } = makeWindow(putt).aim;
  const route = routeOf(stretchesOf(putt), { ...ball, speed: startSpeed, direction });
  return {
    type: 'curve',
    role: 'other',
    points: routePoints(route, putt.distance + SHOWN_BEYOND),
  };
}

/** Where the intended roll is half way to the hole: the spot to look at beside the gate. */
export function midpointOf({ putt }: Layout): Spot {
  const { aim, rollAt } = settingOf(putt);
  const half = rollAt(putt.distance / 2);
  // Every roll that reaches the hole is somewhere half way to it.
  return turned(half!.at, aim.direction);
}

/** Everything to draw for a layout: the putt itself, its make window, and what each element adds. */
export function drawLayout(layout: Layout): Mark[] {
  const { putt } = layout;
  const ball = { along: 0, across: 0 };
  const hole = { along: putt.distance, across: 0 };
  const { aim, left, right } = makeWindow(putt);
  const { direction, beside, cups } = aim;
  const route = routeOf(stretchesOf(putt), { ...ball, speed: aim.startSpeed, direction });
  const level = isLevel(putt);
  const aimed = { along: putt.distance, across: beside };
  const elements = standing(layout);
  return [
    { type: 'wedge', role: 'hole', from: ball, until: putt.distance, direction, left, right },
    { type: 'line', role: 'start', from: ball, to: aimed },
    ...(level
      ? []
      : [
          {
            type: 'curve' as const,
            role: 'roll' as const,
            points: routePoints(route, putt.distance + SHOWN_BEYOND),
          },
          { type: 'fall' as const, ...putt.slope },
        ]),
    ...putt.tiers.map(({ from, slope }) => ({
      type: 'line' as const,
      role: 'tier' as const,
      from: { along: from, across: -TIER_DRAWN },
      to: { along: from, across: TIER_DRAWN },
      label: `${Number((slope.grade * 100).toFixed(1))} %`,
    })),
    ...(breaks(aim)
      ? [
          { type: 'aim' as const, at: aimed, beside, cups, direction },
          { type: 'midpoint' as const, at: midpointOf(layout) },
        ]
      : []),
    ...(route.rest && level && !elements.some(({ traits }) => traits.counts === 'zone')
      ? [
          {
            type: 'line' as const,
            role: 'past' as const,
            from: { along: route.rest.along, across: -HOLE_RADIUS },
            to: { along: route.rest.along, across: HOLE_RADIUS },
          },
        ]
      : []),
    { type: 'hole', at: hole, radius: HOLE_RADIUS },
    {
      type: 'dimension',
      from: 0,
      to: putt.distance,
      metres: putt.distance,
      kind: 'putt',
      row: 0,
    },
    ...partDimensions(elements, putt.distance, direction),
    ...elements.flatMap((element) => element.draw()),
  ];
}

/** How far beyond the hole a curve is drawn, m: it would lead far aside to where the ball would rest. */
const SHOWN_BEYOND = 0.15;

/** Things farther aside than this have no place in the string along the line, m. */
const ASIDE = 0.2;
/** Things nearer to each other than this share one stroke of the string, m. */
const TOGETHER = 0.012;

/** The dimension string by way of each element, taped along the start line: from behind the ball to beyond the hole. */
function partDimensions(elements: Standing[], until: number, direction: number): Mark[] {
  const placed = elements
    .filter(({ traits }) => !traits.elsewhere)
    .flatMap((element) => element.places())
    .map(({ at }) => ({ drawn: at.along, taped: turned(at, -direction) }))
    .filter(({ taped }) => Math.abs(taped.across) < ASIDE)
    .map(({ drawn, taped }) => ({ drawn, taped: taped.along }))
    .sort((a, b) => a.taped - b.taped);
  const groups: { drawn: number; taped: number }[][] = [];
  for (const place of placed) {
    const last = groups.at(-1);
    if (last && place.taped - last[0]!.taped < TOGETHER) last.push(place);
    else groups.push([place]);
  }
  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const middles = groups
    .map((group) => ({
      drawn: mean(group.map(({ drawn }) => drawn)),
      taped: mean(group.map(({ taped }) => taped)),
    }))
    .filter(({ taped }) => Math.abs(taped) > TOGETHER && Math.abs(taped - until) > TOGETHER);
  const stops = [{ drawn: 0, taped: 0 }, { drawn: until, taped: until }, ...middles].sort(
    (a, b) => a.taped - b.taped,
  );
  return stops.slice(1).map((to, index) => {
    const from = stops[index]!;
    return {
      type: 'dimension',
      from: from.drawn,
      to: to.drawn,
      metres: to.taped - from.taped,
      kind: 'along',
      row: 1,
    };
  });
}
