import type { Translate } from '@/words/translate';
import 'server-only';
import { libraryDrill, libraryFor, type DrillValues, type LibraryDrill } from '@/core/drill';
import type { UnitPreferences } from '@/core/units';
import {
  Problem,
  addDrill,
  getCoach,
  listDrills,
  type Database,
  type Drill,
  type DrillKept,
  type CoachPrincipal,
} from '@/data';
import { keyOfRef } from '../programme/library-ref';
import { builtInSummary, ownSummary, type DrillSummary } from './summary';

/** Name and layout apart from all else a drill says. */
export const apart = ({ name, layout, ...details }: DrillValues): DrillKept => ({
  name,
  layout,
  details,
});

/** A name no drill of the coach has yet: "Twin gates", "Twin gates 2". */
export function freeName(name: string, own: { name: string }[]): string {
  const taken = new Set(own.map((drill) => drill.name));
  if (!taken.has(name)) return name;
  const base = name.slice(0, 74);
  let number = 2;
  while (taken.has(`${base} ${number}`)) number++;
  return `${base} ${number}`;
}

/**
 * Takes a built-in drill into the coach's own: the copy made before, or a new one.
 *
 * @param fresh makes a new copy in any case, to be changed
 * @returns its id
 */
export async function takeBuiltIn(
  database: Database,
  principal: CoachPrincipal,
  key: string,
  fresh = false,
): Promise<string> {
  const { units } = (await getCoach(database, principal)).settings;
  const found = libraryDrill(key, units);
  if (!found) throw new Problem('not-found', 'This built-in drill does not exist.');
  const { key: origin, ...values } = found;
  const own = await listDrills(database, principal);
  const before = own.find(
    (drill) => drill.origin === origin && !drill.archivedAt && drill.coachId === principal.coachId,
  );
  if (before && !fresh) return before.id;
  // One that is only started is no second version of the coach's own of that name.
  const known = own.some(({ name }) => name === values.name);
  const name = freeName(!fresh && known ? `${values.name}, built-in` : values.name, own);
  return addDrill(database, principal, { ...apart({ ...values, name }), origin }, new Date());
}

/** The built-in drills that a coach has not taken into their own yet, as their tape shows them. */
export function notTaken(
  own: readonly Pick<Drill, 'origin' | 'archivedAt'>[],
  units: UnitPreferences,
): LibraryDrill[] {
  const taken = new Set(own.flatMap(({ origin, archivedAt }) => (archivedAt ? [] : [origin])));
  return libraryFor(units).filter(({ key }) => !taken.has(key));
}

/** The coach's own drill that a reference means: a built-in one is taken into their own. */
export async function ownDrillOf(
  database: Database,
  principal: CoachPrincipal,
  ref: string,
): Promise<string> {
  const key = keyOfRef(ref);
  return key ? takeBuiltIn(database, principal, key) : ref;
}

/** How a start form refers to a drill: by the coach's own where a built-in one was taken before. */
export async function ownRef(
  database: Database,
  principal: CoachPrincipal,
  ref: string,
): Promise<string> {
  const key = keyOfRef(ref);
  if (!key) return ref;
  const own = await listDrills(database, principal);
  return own.find(({ origin, archivedAt }) => origin === key && !archivedAt)?.id ?? ref;
}

/** A drill that a start form names, as a list shows it; null where it is not there any more. */
export async function summaryOf(
  t: Translate,
  database: Database,
  principal: CoachPrincipal,
  ref: string,
  units: UnitPreferences,
): Promise<DrillSummary | null> {
  const key = keyOfRef(ref);
  const builtIn = key ? libraryDrill(key, units) : null;
  if (builtIn) return builtInSummary(t, builtIn, units);
  const own = (await listDrills(database, principal)).find(({ id }) => id === ref);
  return own ? ownSummary(t, own, units) : null;
}
