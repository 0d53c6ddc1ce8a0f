import { judge, type Layout, type Outcomes } from '@/core/layout';

/** Where a set of putts stands. */
export interface Tally {
  putts: number;
  /** Of which something that counts was seen: the others neither passed nor missed. */
  seen: number;
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
  const all = runs.flatMap(({ layout, putts }) => putts.map(judge(layout)));
  const judged = all.filter((passed) => passed !== null);
  for (const passed of judged) {
    streak = passed ? streak + 1 : 0;
    clear += Number(passed);
    best = Math.max(best, streak);
  }
  return { putts: all.length, seen: judged.length, clear, streak, best };
}
