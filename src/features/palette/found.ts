import { matchSorter, rankings } from 'match-sorter';

/** Whom a name is looked for among first, where two fit it equally well: a person before what can be done. */
const NEAREST = ['students', 'drills', 'builtInDrills', 'greens', 'actions'] as const;

export interface PaletteEntry {
  group: (typeof NEAREST)[number];
  name: string;
  href: string;
}

/**
 * The entries whose name has every word typed in it, best first: the whole name, its beginning, the beginning of a word in
 * it, anywhere in it. Accents and capitals make no difference. Letters scattered over a name do not find it: with them
 * "otto" finds "Do: Start a session" before Otto.
 *
 * @param entries in the order that they stand in while nothing is typed
 * @param typed any text; empty finds everything, in the order given
 * @example found(entries, 'ot ware') // Otto Warehouse
 */
export function found(entries: readonly PaletteEntry[], typed: string): PaletteEntry[] {
  const whole = typed.trim();
  if (whole === '') return [...entries];
  const nearest = [...entries].sort((a, b) => NEAREST.indexOf(a.group) - NEAREST.indexOf(b.group));
  const having = (among: PaletteEntry[], text: string) =>
    matchSorter(among, text, {
      keys: ['name'],
      threshold: rankings.CONTAINS,
      baseSort: (a, b) => a.index - b.index,
    });
  // The first word sorts last, so that it says the most.
  const byWords = whole.split(/\s+/).reduceRight(having, nearest);
  return [...new Set([...having(nearest, whole), ...byWords])];
}
