import { ladderOnTape } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { AIM } from './aim';
import { ASSESSMENT } from './assessment';
import { COMBINED } from './combined';
import type { LibraryDrill } from './entry';
import { FACE } from './face';
import { PACE } from './pace';
import { PATH } from './stroke-path';
import { READING } from './reading';
import { START_LINE } from './start-line';
import { STRIKE } from './strike';
import { TRIAL } from './trial';

export type { LibraryDrill } from './entry';

/** Every built-in drill, in the order in which they are shown. */
export const LIBRARY: LibraryDrill[] = [
  ...START_LINE,
  ...AIM,
  ...FACE,
  ...STRIKE,
  ...PATH,
  ...PACE,
  ...READING,
  ...COMBINED,
  ...ASSESSMENT,
  ...TRIAL,
];

const onTape = new Map<UnitPreferences['long'], LibraryDrill[]>();

/**
 * Every built-in drill with its ladder in lengths that this coach's tape shows.
 *
 * @param units the coach's systems
 */
export function libraryFor(units: UnitPreferences): LibraryDrill[] {
  const known = onTape.get(units.long);
  if (known) return known;
  const told = LIBRARY.map((drill) => ({ ...drill, ladder: ladderOnTape(drill.ladder, units) }));
  onTape.set(units.long, told);
  return told;
}

/** The parts of the cold test in order, by their keys: the same for everyone. */
export const COLD_TEST: readonly string[] = ASSESSMENT.map(({ key }) => key);

/** The built-in drill of a key, as this coach's tape shows it where units are given; or null. */
export const libraryDrill = (key: string, units?: UnitPreferences): LibraryDrill | null =>
  (units ? libraryFor(units) : LIBRARY).find((drill) => drill.key === key) ?? null;
