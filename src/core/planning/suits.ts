import type { DrillValues, Miss, PlaceKind } from '@/core/drill';
import { layoutKit } from '@/core/layout';
import { KIT, type KitId, type Level, type PathSchool } from '@/core/people';

/** Whom a plan is for, as far as it decides which drills suit. */
export interface ForWhom {
  name: string;
  level: Level;
  school: PathSchool;
  seated: boolean;
  /** Misses found in what was putted. */
  misses: readonly Miss[];
}

/** Where it takes place, and with what. */
export interface Ground {
  place: PlaceKind;
  kit: readonly KitId[];
}

/**
 * Why a drill does not suit a player there; null when it does. What harms a player's own miss comes first.
 *
 * @param drill any
 * @param player whom it is for
 * @param ground where, and what is at hand
 */
export function unsuited(drill: DrillValues, player: ForWhom, ground: Ground): string | null {
  const worse = drill.avoid.find((miss) => player.misses.includes(miss));
  if (worse) return `makes the miss “${worse}” worse, and ${player.name} has it`;
  if (drill.school !== 'any' && drill.school !== player.school) {
    return `is for ${drill.school} strokes, but ${player.name} uses the ${player.school} stroke`;
  }
  if (player.seated && drill.seated === 'no') return 'cannot be done from a chair';
  if (!drill.levels.includes(player.level)) return `is not for ${player.name}’s level`;
  if (!drill.places.includes(ground.place)) return 'does not suit this place';
  const missing = layoutKit(drill.layout).find(({ item }) => !ground.kit.includes(item));
  return missing ? `needs ${KIT[missing.item].many}` : null;
}

/** Why a drill does not suit one of some players there; null when it suits them all. */
export function unsuitedToAny(
  drill: DrillValues,
  players: readonly ForWhom[],
  ground: Ground,
): string | null {
  for (const player of players) {
    const why = unsuited(drill, player, ground);
    if (why) return why;
  }
  return null;
}

/** Misses of some players that a drill is for. */
export const missesMet = (
  { misses }: Pick<DrillValues, 'misses'>,
  players: readonly ForWhom[],
): Miss[] => misses.filter((miss) => players.some((player) => player.misses.includes(miss)));
