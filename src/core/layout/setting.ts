import {
  aimFor,
  besideOf,
  nearestOnRoute,
  routeAt,
  routeOf,
  stretchesOf,
  type Aim,
  type Putt,
} from '@/core/green';
import { STANDARD_FITTING, headEnd, type Fitting } from '@/core/people';
import { COMMON_ARC, arcInside } from '@/core/stroke';
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
  /** How far right of a spot a ball passes that started this far right of the aim (rad) at the intended speed, m. */
  passes(turn: number, spot: Spot): number;
  /** How far right of the line the arc of this player's head takes it at a distance from the ball, m. */
  arcAt(y: number): number;
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
  const aim = aimFor(putt);
  const { direction, startSpeed } = aim;
  const stretches = stretchesOf(putt);
  const start = { along: 0, across: 0, speed: startSpeed };
  const intended = routeOf(stretches, { ...start, direction });
  const { hand, lieAngle, school } = player;
  const inward = hand === 'right' ? -1 : 1;
  return {
    putt,
    player,
    aim,
    hole: turned({ along: putt.distance, across: 0 }, -direction),
    rollAt: (along) => {
      const moment = routeAt(intended, along, direction);
      return moment && { at: turned(moment, -direction), direction: moment.direction - direction };
    },
    passes: (turn, spot) => {
      const point = turned(spot, direction);
      const route = routeOf(stretches, { ...start, direction: direction + turn });
      return besideOf(nearestOnRoute(route, point).moment, point);
    },
    arcAt: (y) =>
      school === 'straight' ? 0 : inward * arcInside(y, { radius: COMMON_ARC.radius, lieAngle }),
    end: (side) => headEnd(side, hand),
  };
}
