import { judge, type Layout, type Outcomes } from '@/core/layout';

/** Where a set of putts stands. */
export interface Tally {
  putts: number;
  clear: number;
  /** Clear putts in a row up to now, and the longest such run. */
  streak: number;
  best: number;
}

/**
 * Counts putts and streaks.
 *
 * @param layout what they were putted through
 * @param putts outcomes in order
 */
export const tally = (layout: Layout, putts: Outcomes[]): Tally => tallyRuns([{ layout, putts }]);

/**
 * Counts putts and streaks over runs on layouts of their own: a ladder's rungs, one after the other.
 *
 * @param runs in order
 */
export function tallyRuns(runs: readonly { layout: Layout; putts: Outcomes[] }[]): Tally {
  let streak = 0;
  let best = 0;
  let clear = 0;
  const judged = runs.flatMap(({ layout, putts }) => putts.map(judge(layout)));
  for (const passed of judged) {
    streak = passed ? streak + 1 : 0;
    clear += Number(passed);
    best = Math.max(best, streak);
  }
  return { putts: judged.length, clear, streak, best };
}
