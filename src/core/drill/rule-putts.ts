import { z } from 'zod';
import {
  judge,
  loggedElements,
  outcomesSchema,
  pointsSchema,
  type Layout,
  type Outcomes,
} from '@/core/layout';
import { pausedWithin, type Pause } from './run-marks';
import type { RuleGround, RulePutt } from './rules';

/** Spots that a layout is putted from. */
function stationCount({ elements }: Layout): number {
  const found = elements.find((piece) => piece.kind === 'stations');
  return found?.kind === 'stations' ? found.params.count : 1;
}

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

/** What was guessed of a putt before it was looked at. */
export const guessSchema = z.object({ outcomes: outcomesSchema, points: pointsSchema });
export type Guess = z.infer<typeof guessSchema>;

/** A putt as it was logged. */
export interface LoggedPutt {
  outcomes: Outcomes;
  at: Date;
  /** What was guessed before looking; left out or null when nothing was. */
  guess?: Pick<Guess, 'outcomes'> | null;
}

/** Putts on one layout, those that count, in order. */
export interface RunPutts {
  layout: Layout;
  putts: readonly LoggedPutt[];
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
    const idOf = (kind: string) => layout.elements.find((piece) => piece.kind === kind)?.id ?? '';
    const asked = loggedElements(layout).primary?.id ?? '';
    const [hole, zone] = [idOf('hole'), idOf('paceZone')];
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
