import type { DrillValues } from '@/core/drill';
import { timedOf, type Candidate, type PlayerTime } from './hour';
import { missesMet, unsuitedToAny, type ForWhom, type Ground } from './suits';
import { setUpOf, timeDrill, type Paced } from './timed';

/** A player of a plan. */
export interface Planned extends ForWhom, Paced {
  /** Sessions since each drill was last played, by name; none for those that were not. */
  played: ReadonlyMap<string, number>;
}

/** A drill that a plan may hold, under the id the plan knows it by. */
export interface Offered {
  id: string;
  drill: DrillValues;
}

/**
 * The drills that suit everyone of a plan, each timed on the rung that teaches each player.
 *
 * @param drills all there are
 * @param players at least one
 * @param ground where, and what is at hand
 * @param setUpFactor the coach's own speed of setting up against the usual one
 * @param time times one drill for one player; for those that keep what was reckoned
 */
export function candidatesOf(
  drills: readonly Offered[],
  players: readonly Planned[],
  ground: Ground,
  setUpFactor = 1,
  time: (drill: DrillValues, player: Planned) => PlayerTime = (drill, player) =>
    timeDrill(drill, player, 'teaching'),
): Candidate[] {
  return drills
    .filter(({ drill }) => unsuitedToAny(drill, players, ground) === null)
    .map(({ id, drill }): Candidate => {
      const ago = players.flatMap(({ played }) => played.get(drill.name) ?? []);
      const times = players.map((player) => time(drill, player));
      return {
        ...timedOf(times, setUpOf(drill, setUpFactor)),
        id,
        drill,
        players: times,
        meets: missesMet(drill, players),
        ago: ago.length === 0 ? null : Math.min(...ago),
      };
    });
}
