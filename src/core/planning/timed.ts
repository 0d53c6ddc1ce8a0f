import { ruleGround, ruleTraits, type DrillValues } from '@/core/drill';
import { fitted, tapeList, type Layout } from '@/core/layout';
import type { Correction, Fitting } from '@/core/people';
import type { Belief } from '@/core/scoring';
import { finishOf } from './finish';
import type { PlayerTime } from './hour';
import { oddsOf, teachingRung, type DrillOdds } from './odds';
import { setUpTime } from './times';

/** A player, as far as it decides how long a drill takes. */
export interface Paced {
  fitting: Fitting;
  belief: Belief;
  faceShare: number;
  /** From putt to putt, s. */
  seconds: number;
  /** Of forecast chances to pass; none where left out. */
  correction?: Correction | null;
}

/** Which rung a drill is played on: one, as it is drawn, or whichever teaches. */
export type RungWish = number | 'drawn' | 'teaching';

/**
 * How a drill runs for a player.
 *
 * @param drill any
 * @param player whom it is for
 * @param wish the rung to play it on
 * @throws RangeError when the ladder has no such rung
 */
export function timeDrill(drill: DrillValues, player: Paced, wish: RungWish): PlayerTime {
  const layout = fitted(drill.layout, player.fitting);
  const { rung, odds } = rungAndOdds(drill, layout, player, wish);
  return onOdds(drill, layout, player, rung, odds);
}

function rungAndOdds(
  { ladder, rule }: DrillValues,
  layout: Layout,
  { belief, faceShare, correction = null }: Paced,
  wish: RungWish,
): { rung: number | null; odds: DrillOdds } {
  const odds = (rung: number | null) =>
    oddsOf(layout, { ladder, rung }, belief, faceShare, undefined, correction);
  // A test is the same for everyone.
  if (wish === 'drawn' || (wish === 'teaching' && ruleTraits(rule).cold)) {
    return { rung: null, odds: odds(null) };
  }
  if (wish === 'teaching') return teachingRung(layout, ladder, belief, faceShare, correction);
  if (!ladder[wish]) {
    throw new RangeError(
      `Rung ${wish + 1} does not exist: this drill’s ladder has ${ladder.length}.`,
    );
  }
  return { rung: wish, odds: odds(wish) };
}

function onOdds(
  { rule, cap, ladder, minutes }: DrillValues,
  layout: Layout,
  { seconds }: Paced,
  rung: number | null,
  odds: DrillOdds,
): PlayerTime {
  const ground = ruleGround(layout, rung === null ? 0 : ladder.length, rung);
  const { passes, assumed } = odds;
  const finish = finishOf(rule, cap, ground, odds, seconds, minutes);
  return { rung, passes, assumed, finish, seconds };
}

/**
 * Finishes on the rungs below one, the nearest first.
 *
 * @param time of the player on the rung chosen
 */
export const lowerRungs = (drill: DrillValues, player: Paced, time: PlayerTime) =>
  Array.from({ length: Math.min(3, time.rung ?? 0) }, (_, i) => {
    const rung = time.rung! - 1 - i;
    return { rung, finish: timeDrill(drill, player, rung).finish };
  });

/**
 * How long a drill takes to set up.
 *
 * @param factor the coach's own speed against the usual one; 1 until it has been seen
 * @returns s
 */
export const setUpOf = ({ layout }: DrillValues, factor = 1): number =>
  setUpTime(tapeList(layout).length, factor);
