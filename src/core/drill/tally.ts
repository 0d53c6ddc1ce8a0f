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
export function tally(layout: Layout, putts: Outcomes[]): Tally {
  const isClear = judge(layout);
  let streak = 0;
  let best = 0;
  let clear = 0;
  for (const outcomes of putts) {
    const passed = isClear(outcomes);
    streak = passed ? streak + 1 : 0;
    clear += Number(passed);
    best = Math.max(best, streak);
  }
  return { putts: putts.length, clear, streak, best };
}
