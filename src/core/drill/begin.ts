import { fitted, nearestRung, onRung, type Layout } from '@/core/layout';
import type { Fitting } from '@/core/people';
import type { DrillDetails } from './drill';
import { ruleTraits, type Rule } from './rules';

/** The rule of a cold test on a drill's own layout: ten putts, each once. */
export const COLD_RULE: Rule = { type: 'assessment', putts: 10 };

type Begun = Pick<DrillDetails, 'ladder' | 'rule'> & { layout: Layout };

/**
 * The layout that a player begins a drill on.
 *
 * @param drill its layout as it is drawn, its ladder and its rule
 * @param fitting of the player
 * @param rung from 0; as the drill is drawn when left out, but on the nearest rung where the rule climbs the ladder, so that
 *   the next one is known
 * @returns the layout fitted to the player, and the rung it stands on, or null
 * @throws RangeError when the ladder has no such rung
 * @example beginOn({ layout, ladder: [{ gap: 0.06 }], rule }, STANDARD_FITTING, 0).rung // 0
 */
export function beginOn(
  { layout, ladder, rule }: Begun,
  fitting: Fitting,
  rung?: number,
): { layout: Layout; rung: number | null } {
  const begun = rung ?? (ruleTraits(rule).climbs ? nearestRung(layout, ladder) : null);
  if (begun === null) return { layout: fitted(layout, fitting), rung: null };
  return { layout: fitted(onRung(layout, rungOf(ladder, begun)), fitting), rung: begun };
}

/**
 * The layout on another rung of a drill, for the same player on the same putt.
 *
 * @param drill its layout as it is drawn, and its ladder
 * @param last the layout that was played before
 * @param rung from 0
 * @throws RangeError when the ladder has no such rung
 * @example moveOn({ layout, ladder: [{ gap: 0.06 }, { gap: 0.055 }] }, played, 1)
 */
export function moveOn(
  { layout, ladder }: Omit<Begun, 'rule'>,
  { player, putt, read }: Layout,
  rung: number,
): Layout {
  return onRung({ ...layout, player, putt, ...(read && { read }) }, rungOf(ladder, rung));
}

function rungOf(ladder: Begun['ladder'], rung: number): Begun['ladder'][number] {
  const found = ladder[rung];
  if (!found) {
    throw new RangeError(`This drill has ${ladder.length} rungs: there is no rung ${rung + 1}.`);
  }
  return found;
}
