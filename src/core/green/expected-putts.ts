import { normalQuantile } from '@/core/numbers';
import { aimFor } from './aim';
import { PUTT_RANGE } from './constants';
import { makeProbability, type Skill } from './make-probability';
import { rollPutt } from './outcome';
import type { Putt } from './putt';
import type { Slope } from './plane';

/** How many putts a putt takes. */
export interface ExpectedPutts {
  /** Chances of one, of two, and of three or more. */
  one: number;
  two: number;
  more: number;
  /** Mean number of putts, a third one counted as holed. */
  mean: number;
}

const SPEEDS = 40;
const DIRECTIONS = 21;
/** The second putt is looked up between putts of these lengths (ratio to the next) and this many falls. */
const RATIO = 1.35;
const FALLS = 12;
const COARSE = { speeds: 24, looks: 32 };

/**
 * The chances of one putt and of two, the second from where the first one stopped.
 *
 * Speeds and directions stand for equal shares of the player's first putts; each that misses is rolled to its rest, and
 * the chance of holing from there looked up between second putts of nearby lengths and falls. The second putt is
 * played at the same pace on the plane that the hole lies in; a ball that does not stop leaves more than two.
 *
 * @param putt the first putt, intended at its pace on its own aim
 * @param skill of the player
 * @throws RangeError when the slope cannot hold the putt's pace
 */
export function expectedPutts(putt: Putt, skill: Skill): ExpectedPutts {
  const one = makeProbability(putt, skill);
  const { direction, startSpeed } = aimFor(putt);
  const spread = Math.hypot(skill.direction.spread, skill.read);
  const second = secondPutts(putt, skill);
  let missed = 0;
  let saved = 0;
  for (let i = 0; i < SPEEDS; i++) {
    const error = skill.speed.bias + skill.speed.spread * normalQuantile((i + 0.5) / SPEEDS);
    const speed = Math.max(startSpeed * (1 + error), 0.05);
    for (let j = 0; j < DIRECTIONS; j++) {
      const aside = skill.direction.bias + spread * normalQuantile((j + 0.5) / DIRECTIONS);
      const { result, rest } = rollPutt(putt, speed, direction + aside);
      if (result === 'holed') continue;
      missed++;
      if (rest) saved += second(rest);
    }
  }
  const two = missed === 0 ? 1 - one : ((1 - one) * saved) / missed;
  const more = Math.max(0, 1 - one - two);
  return { one, two, more, mean: one + 2 * two + 3 * more };
}

/** The chance of holing from a place, looked up between second putts that are worked out when first asked for. */
function secondPutts(putt: Putt, skill: Skill): (from: Spot) => number {
  const slope = putt.tiers.at(-1)?.slope ?? putt.slope;
  const known = new Map<string, number>();
  const at = (length: number, fall: number): number => {
    const key = `${length} ${fall}`;
    const found = known.get(key) ?? chanceFrom(putt, slope, skill, length, fall);
    known.set(key, found);
    return found;
  };
  return ({ along, across }) => {
    const aside = Math.atan2(-across, putt.distance - along);
    const distance = Math.hypot(putt.distance - along, across);
    const length = Math.max(0, Math.log(distance / PUTT_RANGE.min) / Math.log(RATIO));
    const turn = ((slope.falls - aside) / (2 * Math.PI)) * FALLS;
    const [a, b] = [Math.floor(length), Math.floor(turn)];
    const [u, w] = [length - a, turn - b];
    const ring = (fall: number) => ((fall % FALLS) + FALLS) % FALLS;
    const [here, next] = [ring(b), ring(b + 1)];
    return (
      (1 - u) * ((1 - w) * at(a, here) + w * at(a, next)) +
      u * ((1 - w) * at(a + 1, here) + w * at(a + 1, next))
    );
  };
}

interface Spot {
  along: number;
  across: number;
}

function chanceFrom(
  putt: Putt,
  { grade }: Slope,
  skill: Skill,
  length: number,
  fall: number,
): number {
  const distance = Math.min(PUTT_RANGE.min * RATIO ** length, PUTT_RANGE.max);
  const falls = (fall / FALLS) * 2 * Math.PI;
  try {
    return makeProbability(
      { ...putt, distance, tiers: [], slope: { grade, falls } },
      skill,
      COARSE,
    );
  } catch (error) {
    // No pace is held from there: such a ball is not holed with the second putt.
    if (error instanceof RangeError) return 0;
    throw error;
  }
}
