import { isLevel, routeOf, stretchesOf } from '@/core/green';
import type { Direct, Launch, Setting } from './element';
import { turned, type Spot } from './spot';

/** How far off a spot is that is touched on a picture after looking, m. */
const SEEN = 0.06;

/** Nothing comes to rest farther than this from the hole, along and across, m. */
export const REST_WITHIN: Spot = { along: 40, across: 20 };

/**
 * Where a ball came to rest, seen from the hole the way the intended putt arrives: beyond it and right of it, m.
 *
 * @param spot seen from the start line
 */
export function restFromHole(
  { along, across }: Spot,
  { hole, aim }: Setting,
): { past: number; aside: number } {
  const fromHole = { along: along - hole.along, across: across - hole.across };
  const rest = turned(fromHole, aim.direction - aim.arrivalDirection);
  return { past: rest.along, aside: rest.across };
}

/**
 * What the place of rest says: how far it was sent, and, from how far aside it lies, where it started.
 *
 * @param spot seen from the start line
 */
export function restSays(spot: Spot, setting: Setting): Direct[] {
  const { past, aside } = restFromHole(spot, setting);
  const { turn, perTurn } = asideOf(setting, setting.paceOf(past), aside);
  return [
    { quantity: 'pace', value: past, error: SEEN },
    ...(perTurn > LEAST_WAY
      ? [{ quantity: 'start' as const, value: turn, error: SEEN / perTurn }]
      : []),
  ];
}

/** Where a ball really comes to rest that was struck so, as if there were no cup; seen from the start line. */
export const restOfLaunch = (launch: Launch, setting: Setting): Spot =>
  restAt(launch, setting) ?? { along: 2 * setting.putt.distance, across: 0 };

/** The same; null where the green lets it roll on. */
function restAt({ direction, pace = 0 }: Launch, { putt, aim, speedOf }: Setting): Spot | null {
  const { rest } = routeOf(stretchesOf(putt), {
    along: 0,
    across: 0,
    speed: speedOf(pace),
    direction: aim.direction + direction,
  });
  return rest && turned(rest, -aim.direction);
}

/** A ball that rolled no farther than this says nothing of its start by where it lies, m. */
const LEAST_WAY = 0.5;
/** A turn to see by how far it moves the place of rest, rad. */
const TRIED = 0.01;

/** The turn from the aim that puts a ball of this pace so far aside, and how far aside a radian takes it. */
export function asideOf(
  setting: Setting,
  pace: number,
  aside: number,
): { turn: number; perTurn: number } {
  const { putt } = setting;
  if (isLevel(putt)) {
    const way = (putt.distance + putt.past) * (1 + pace);
    return {
      turn: Math.asin(Math.max(-1, Math.min(1, aside / Math.max(way, 1e-3)))),
      perTurn: way,
    };
  }
  const asideAt = (direction: number): number | null => {
    const rest = restAt({ direction, pace }, setting);
    return rest && restFromHole(rest, setting).aside;
  };
  const [straight, tried] = [asideAt(0), asideAt(TRIED)];
  if (straight === null || tried === null) return { turn: 0, perTurn: 0 };
  const perTurn = (tried - straight) / TRIED;
  return { turn: (aside - straight) / perTurn, perTurn };
}
