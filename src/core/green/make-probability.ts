import { normalBelow, normalQuantile } from '@/core/numbers';
import { DROP_SPEED, HOLE_RADIUS } from './constants';
import { dropMarginOf } from './drop-margin';
import { aimFor } from './aim';
import type { Putt } from './putt';

/** How well a player starts a putt, against what was intended. */
export interface Skill {
  /** Start direction, rad, right positive: mean and standard deviation. */
  direction: { bias: number; spread: number };
  /** Start speed as a share of the intended one: mean error and standard deviation. */
  speed: { bias: number; spread: number };
  /** Standard deviation of the read of the line, rad. */
  read: number;
}

/** How finely a make probability is integrated. */
interface Fineness {
  /** Speeds the pace is integrated over, each standing for an equal share of the player's putts. */
  speeds: number;
  /** Directions first looked at in a row, to find where it is holed. */
  looks: number;
}

const FINE: Fineness = { speeds: 120, looks: 48 };

/**
 * The chance that a putt is holed, by integration: for each of many start speeds the holed interval of directions is
 * found to its edges, and its probability is a difference of two values of the normal distribution.
 *
 * @param putt the putt, intended at its pace on its own aim
 * @param skill of the player
 * @param fineness of the integration
 * @returns 0 to 1
 * @throws RangeError when the slope cannot hold the putt's pace
 */
export function makeProbability(putt: Putt, skill: Skill, fineness = FINE): number {
  const { speeds, looks } = fineness;
  const drop = dropMarginOf(putt);
  const { direction, startSpeed } = aimFor(putt);
  const spread = Math.hypot(skill.direction.spread, skill.read);
  const centre = direction + skill.direction.bias;
  // A slower ball breaks more and a faster one less: what is holed turns with the speed by up to about the break itself.
  const still = Math.max((2.5 * HOLE_RADIUS) / putt.distance, 0.04);
  const reach = still + Math.abs(direction);
  const fine = Math.ceil((looks * reach) / still);
  let total = 0;
  for (let i = 0; i < speeds; i++) {
    const error = skill.speed.bias + skill.speed.spread * normalQuantile((i + 0.5) / speeds);
    const speed = startSpeed * (1 + error);
    if (speed <= 0 || speed > startSpeed + 2 * DROP_SPEED) continue;
    const margin = (angle: number) => drop(speed, angle);
    for (const [from, to] of holedIntervals(margin, direction, reach, fine)) {
      total += normalBelow((to - centre) / spread) - normalBelow((from - centre) / spread);
    }
  }
  return total / speeds;
}

/** The intervals on which a margin is above zero, looked for around a centre and sharpened to their edges. */
function holedIntervals(
  margin: (angle: number) => number,
  centre: number,
  reach: number,
  looks: number,
): [number, number][] {
  const at = (look: number) => centre - reach + (2 * reach * look) / looks;
  const edge = (missed: number, holed: number): number => {
    let [out, into] = [missed, holed];
    for (let step = 0; step < 26; step++) {
      const middle = (out + into) / 2;
      if (margin(middle) >= 0) into = middle;
      else out = middle;
    }
    return into;
  };
  const found: [number, number][] = [];
  let from: number | null = null;
  let before = false;
  for (let look = 0; look <= looks; look++) {
    const now = margin(at(look)) >= 0;
    if (now && !before) from = look === 0 ? at(0) : edge(at(look - 1), at(look));
    if (!now && before && from !== null) found.push([from, edge(at(look), at(look - 1))]);
    before = now;
  }
  if (before && from !== null) found.push([from, at(looks)]);
  return found;
}
