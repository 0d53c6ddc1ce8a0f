import { counting, judge, loggedElements, stationCount, type Layout } from '@/core/layout';
import { pausedWithin, type Pause } from './run-marks';
import type { TimedPutt } from './putt';
import type { RuleGround, RulePutt } from './rules';

/**
 * Where a rule is played: the stations of the layout, the rungs of the ladder.
 *
 * @param layout as it is played
 * @param rungs of the drill's ladder
 * @param rung begun on, from 0; null when on none
 */
export const ruleGround = (layout: Layout, rungs: number, rung: number | null): RuleGround => ({
  stations: stationCount(layout),
  rungs: Math.max(1, rungs),
  rung: Math.min(rung ?? 0, Math.max(0, rungs - 1)),
});

const RESTS = ['short', 'in', 'long'] as const;

/** Putts on one layout, those that count, in order. */
export interface RunPutts {
  layout: Layout;
  putts: readonly TimedPutt[];
}

/** A longer time between two putts is no play, ms: a talk, a closed screen, a session that is resumed days later. */
const LONGEST_GAP = 5 * 60_000;

/**
 * Returns what a rule needs to know of each putt. Its minutes are time of play: what lies between two putts counts unless it was a pause
 * or is longer than five minutes.
 *
 * @param runs one after the other: the rungs of a ladder are runs on layouts of their own. A clock that jumped back
 * stands still here
 * @param pauses when nobody putted: they are not counted as minutes
 */
export function rulePutts(runs: readonly RunPutts[], pauses: readonly Pause[] = []): RulePutt[] {
  let last: number | null = null;
  let minutes = 0;
  return runs.flatMap(({ layout, putts }) => {
    const passes = judge(layout);
    const idOf = (as: 'hole' | 'zone') => counting(layout, as)?.id ?? '';
    const asked = loggedElements(layout).primary?.id ?? '';
    const [hole, zone] = [idOf('hole'), idOf('zone')];
    return putts.map(({ outcomes, at, guess }): RulePutt => {
      const time = at.getTime();
      const gap = last === null ? 0 : time - last - pausedWithin(pauses, last, time);
      if (gap > 0 && gap <= LONGEST_GAP) minutes += gap / 60_000;
      last = Math.max(last ?? time, time);
      const rest = RESTS.find((one) => one === outcomes[zone]) ?? null;
      const holed = outcomes[hole] === undefined ? null : outcomes[hole] === 'holed';
      const guessed = guess ? guess.outcomes[asked] === outcomes[asked] : null;
      return { passed: passes(outcomes) === true, holed, rest, guessed, minutes };
    });
  });
}
