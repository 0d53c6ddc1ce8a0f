const PLACE = 'dirigo-own-putts';
/** Putts of this screen that are remembered: more than anybody undoes. */
const MOST = 60;

/** The ids of the putts that were logged in this tab, the newest last; a reload keeps them. */
function ownPutts(): string[] {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(PLACE) ?? '[]');
    return Array.isArray(kept) ? kept.filter((id): id is string => typeof id === 'string') : [];
  } catch {
    return [];
  }
}

/** Remembers that a putt was logged in this tab. */
export function rememberPutt(id: string): void {
  try {
    sessionStorage.setItem(PLACE, JSON.stringify([...ownPutts(), id].slice(-MOST)));
  } catch {
    // A browser that keeps nothing asks before it undoes.
  }
}

/** A putt as it can be undone. */
interface Undoable {
  id: string;
  at: string;
}

/** What Undo takes back: a putt of a player, and whether it was logged on this screen. */
export interface UndoTarget<Putt extends Undoable> {
  player: number;
  putt: Putt;
  own: boolean;
}

/**
 * Finds the putt that Undo takes back: the newest that was logged on this screen, whoever made it; the newest of all where none of
 * them is left.
 *
 * @param putts of each player, in order, without those that were undone
 * @param own ids of the putts of this screen, the newest last
 * @returns null when there is nothing to undo
 */
export function undoTarget<Putt extends Undoable>(
  putts: readonly (readonly Putt[])[],
  own: readonly string[] = ownPutts(),
): UndoTarget<Putt> | null {
  const all = putts.flatMap((some, player) => some.map((putt) => ({ player, putt })));
  for (const id of own.toReversed()) {
    const found = all.find(({ putt }) => putt.id === id);
    if (found) return { ...found, own: true };
  }
  const newest = all.reduce<(typeof all)[number] | null>(
    (last, one) => (last && last.putt.at >= one.putt.at ? last : one),
    null,
  );
  return newest && { ...newest, own: false };
}
