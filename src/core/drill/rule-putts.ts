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

/**
 * What a rule needs to know of each putt, from what was logged.
 *
 * @param runs one after the other: the rungs of a ladder are runs on layouts of their own. A clock that jumped back
 * stands still here
 * @param pauses when nobody putted: they are not counted as minutes
 */
export function rulePutts(runs: readonly RunPutts[], pauses: readonly Pause[] = []): RulePutt[] {
  let began: number | null = null;
  let minutes = 0;
  return runs.flatMap(({ layout, putts }) => {
    const passes = judge(layout);
    const idOf = (as: 'hole' | 'zone') => counting(layout, as)?.id ?? '';
    const asked = loggedElements(layout).primary?.id ?? '';
    const [hole, zone] = [idOf('hole'), idOf('zone')];
    return putts.map(({ outcomes, at, guess }): RulePutt => {
      began ??= at.getTime();
      const rested = pausedWithin(pauses, began, at.getTime());
      minutes = Math.max(minutes, (at.getTime() - began - rested) / 60_000);
      const rest = RESTS.find((one) => one === outcomes[zone]) ?? null;
      const holed = outcomes[hole] === undefined ? null : outcomes[hole] === 'holed';
      const guessed = guess ? guess.outcomes[asked] === outcomes[asked] : null;
      return { passed: passes(outcomes), holed, rest, guessed, minutes };
    });
  });
}
