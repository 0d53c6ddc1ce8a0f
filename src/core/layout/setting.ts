import {
  aimFor,
  besideOf,
  isLevel,
  nearestOnRoute,
  routeAt,
  routeOf,
  stretchesOf,
  type Aim,
  type Putt,
} from '@/core/green';
import { STANDARD_FITTING, headEnd, type Fitting } from '@/core/people';
import { COMMON_ARC, arcInside, arcTurn } from '@/core/stroke';
import { turned, type Spot } from './spot';

/**
 * What an element can know of where it stands and for whom. Elements reckon along the start line and across it; the
 * layout turns what they say onto the green, so that a gate follows the aim of a breaking putt.
 */
export interface Setting {
  putt: Putt;
  player: Fitting;
  aim: Aim;
  /** The hole's centre, seen from the start line. */
  hole: Spot;
  /** Where the intended roll is when it has gone this far along the start line, and its direction there; null beyond. */
  rollAt(along: number): { at: Spot; direction: number } | null;
  /**
   * How far right of a spot a ball passes that started this far right of the aim (rad), m: at the intended speed, or sent
   * a share farther (of the way it would roll on the level) when a pace is told.
   */
  passes(turn: number, spot: Spot, pace?: number): number;
  /** Whether such a ball gets as far along the start line as a spot. */
  gets(turn: number, spot: Spot, pace?: number): boolean;
  /**
   * The pace, as a share of the way intended, less one, of a ball sent along the aim that comes to rest this far beyond
   * the hole, m, short of it negative; on a slope by rolling.
   */
  paceOf(past: number): number;
  /** The speed at which a ball of a pace starts, m/s; it hardly moves where there is none. */
  speedOf(pace: number): number;
  /** Where a ball comes to rest that was sent along the aim at a pace, m beyond the hole, short negative. */
  restOf(pace: number): number;
  /** How far right of the line the arc of this player's head takes it at a distance from the ball, m. */
  arcAt(y: number): number;
  /** How far right the arc has turned a face there that stays square to it, rad. */
  arcTurnAt(y: number): number;
  /** The end of the head on this side, in this player's hand. */
  end(side: 'left' | 'right'): 'heel' | 'toe';
}

/**
 * The setting of a putt.
 *
 * @param putt a putt its schema accepts
 * @param player whom the layout is set for
 * @throws RangeError when the slope cannot hold the putt's pace
 */
export function settingOf(putt: Putt, player: Fitting = STANDARD_FITTING): Setting {
  const key = JSON.stringify([putt, player]);
  const known = settings.get(key);
  if (known) return known;
  const made = settingFor(putt, player);
  if (settings.size >= MOST_KEPT) settings.delete(settings.keys().next().value!);
  settings.set(key, made);
  return made;
}

/** Settings asked for lately: every element of every putt asks for its own again. */
const settings = new Map<string, Setting>();
const MOST_KEPT = 1000;

function settingFor(putt: Putt, player: Fitting): Setting {
  const aim = aimFor(putt);
  const { direction, startSpeed } = aim;
  const stretches = stretchesOf(putt);
  const start = { along: 0, across: 0, speed: startSpeed };
  const intended = routeOf(stretches, { ...start, direction });
  const { hand, lieAngle, school } = player;
  const inward = hand === 'right' ? -1 : 1;
  const speedOf = (pace: number) => startSpeed * Math.sqrt(Math.max(1 + pace, LEAST_SENT));
  const sent = (turn: number, pace: number) =>
    routeOf(stretches, {
      ...start,
      speed: speedOf(pace),
      direction: direction + turn,
    });
  const level = isLevel(putt);
  const { distance, past: meant } = putt;
  const [c, s] = [Math.cos(aim.arrivalDirection), Math.sin(aim.arrivalDirection)];
  const restOf = (pace: number): number => {
    if (level) return (distance + meant) * (1 + pace) - distance;
    const { rest } = sent(0, pace);
    return rest ? (rest.along - distance) * c + rest.across * s : Infinity;
  };
  return {
    putt,
    player,
    aim,
    hole: turned({ along: distance, across: 0 }, -direction),
    rollAt: (along) => {
      const moment = routeAt(intended, along, direction);
      return moment && { at: turned(moment, -direction), direction: moment.direction - direction };
    },
    passes: (turn, spot, pace = 0) => {
      if (level) return spot.along * Math.sin(turn) - spot.across * Math.cos(turn);
      const point = turned(spot, direction);
      return besideOf(nearestOnRoute(sent(turn, pace), point).moment, point);
    },
    gets: (turn, spot, pace = 0) =>
      level
        ? (distance + meant) * (1 + pace) * Math.cos(turn) >= spot.along
        : routeAt(sent(turn, pace), spot.along, direction) !== null,
    speedOf,
    restOf,
    paceOf: (past) => {
      if (level || !Number.isFinite(past)) return (distance + past) / (distance + meant) - 1;
      return whereRising((pace) => restOf(pace) - past, -1, MOST_PACE);
    },
    arcAt: (y) =>
      school === 'straight' ? 0 : inward * arcInside(y, { radius: COMMON_ARC.radius, lieAngle }),
    arcTurnAt: (y) =>
      school === 'straight' ? 0 : inward * arcTurn(y, { radius: COMMON_ARC.radius, lieAngle }),
    end: (side) => headEnd(side, hand),
  };
}

/** A ball is sent with no less than this share of its energy: it hardly moves. */
const LEAST_SENT = 1e-4;
/** Nobody hits a putt farther than so many times its length more. */
const MOST_PACE = 6;

/** Where a rising function is zero, by halving; an end where it is not zero between them. */
function whereRising(value: (at: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let step = 0; step < 44; step++) {
    const middle = (low + high) / 2;
    if (value(middle) < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
