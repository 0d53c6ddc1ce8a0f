import { restSeen } from '@/core/drill';
import { isLevel } from '@/core/green';
import { layoutAt, standing } from '@/core/layout';
import { normalQuantile } from '@/core/numbers';
import type { LoggedSession } from '@/core/scoring';
import { backstrokeFor, strokeConstant, type StrokeRoll } from '@/core/stroke';
import { FOOT } from '@/core/units';

/** The green that a table is told for: a ball rolls as far as the green is fast. */
const REFERENCE = 10 * FOOT;
/** Fewer rolls than this make no table. */
const ENOUGH = 6;
/** Half of eight in ten of a normal, in standard deviations. */
const EIGHT_IN_TEN = normalQuantile(0.9);

/** A row of the table: for a distance, how far back, and where eight in ten such strokes end; m. */
export interface RollRow {
  distance: number;
  back: number;
  low: number;
  high: number;
}

/** How a player's backstroke makes distance, on a level green of 10 ft. */
export interface RollTable {
  /** `rolled = k · back²`, 1/m. */
  constant: number;
  /** From stroke to stroke, of the log of the distance, one standard deviation. */
  spread: number;
  rolls: StrokeRoll[];
}

/** Strokes that reached both stops on a level green, and how far the ball rolled, as on a green of 10 ft. */
function rollsOf(sessions: readonly LoggedSession[]): StrokeRoll[] {
  return sessions.flatMap(({ runs }) =>
    runs.flatMap(({ layout, putts }) =>
      putts.flatMap(({ outcomes, points, place }): StrokeRoll[] => {
        const there = place ? layoutAt(layout, place) : layout;
        if (!there || !isLevel(there.putt)) return [];
        const elements = standing(there);
        const stops = elements.find(({ backstroke }) => backstroke !== null);
        const reached = stops
          ?.outcomes()
          .some(({ id, passes }) => passes && id === outcomes[stops.id]);
        const rest = restSeen(there, points ? { points } : {});
        if (!stops || !reached || !rest) return [];
        const rolled = Math.hypot(rest.along, rest.across) * (REFERENCE / there.putt.greenSpeed);
        return rolled > 0 ? [{ back: stops.backstroke!, rolled }] : [];
      }),
    ),
  );
}

/**
 * A player's own table of backstrokes: from strokes that reached both stops, and where the ball was seen to stop. Length of the
 * backstroke goes with head speed and its square with distance (even tempo); distance goes with the green's speed.
 *
 * @param sessions what was logged
 * @returns null with fewer than six such rolls
 */
export function tellRolls(sessions: readonly LoggedSession[]): RollTable | null {
  const rolls = rollsOf(sessions);
  if (rolls.length < ENOUGH) return null;
  const constant = strokeConstant(rolls);
  const off = rolls.map(({ back, rolled }) => Math.log(rolled / (constant * back ** 2)));
  const variance = off.reduce((sum, one) => sum + one ** 2, 0) / (rolls.length - 1);
  return { constant, spread: Math.sqrt(variance), rolls };
}

/**
 * Rows of a table for some distances.
 *
 * @param table by {@link tellRolls}
 * @param distances m, above 0, on a level green
 * @param greenSpeed of it, m
 * @example rollRows(table, [6.1], 3.05)[0]!.back // 0.28
 */
export const rollRows = (
  { constant, spread }: RollTable,
  distances: readonly number[],
  greenSpeed: number,
): RollRow[] =>
  distances.map((distance) => {
    const k = constant * (greenSpeed / REFERENCE);
    const off = Math.exp(EIGHT_IN_TEN * spread);
    return {
      distance,
      back: backstrokeFor(distance, k),
      low: distance / off,
      high: distance * off,
    };
  });
