import type { Translate } from '@/words/translate';
import 'server-only';
import type { Layout, Rung } from '@/core/layout';
import { showLength, type UnitPreferences } from '@/core/units';
import { format } from '@/ui/when';
import {
  lastColdTests,
  listDrills,
  listGreens,
  listStudents,
  type Database,
  type CoachPrincipal,
} from '@/data';
import type { PickOption } from '@/ui/pick';
import { drillWords } from '../drills/drill-words';
import { notTaken } from '../drills/take';
import { rungWords } from '../drills/rung-words';
import { greenOptions } from '../greens/options';
import { greenValue } from '../greens/value';
import { libraryRef } from '../programme/library-ref';

/** A student to start a session with. */
export interface StudentOption extends PickOption {
  /** When they were last tested cold, in words. */
  lastCold: string;
}

/** A drill to start a session with. */
export interface DrillOption extends PickOption {
  /** The green it was drawn on. */
  green: string | null;
  /** The rungs of its ladder in words. */
  rungs: string[];
}

/** A drill by its putt, what stands on it, and its rungs. */
const inWords = (layout: Layout, ladder: readonly Rung[], units: UnitPreferences) => ({
  detail: `${showLength(layout.putt.distance, 'putt', units)}, ${drillWords(layout)}`,
  rungs: ladder.map((rung) => rungWords(rung, units)),
});

/** Who and what a session can be started with: everyone and everything not put away, and the whole library. */
export async function startOptions(
  t: Translate,
  database: Database,
  principal: CoachPrincipal,
  units: UnitPreferences,
) {
  const [students, drills, greens, cold] = await Promise.all([
    listStudents(database, principal),
    listDrills(database, principal),
    listGreens(database, principal),
    lastColdTests(database, principal),
  ]);
  const own = drills.filter(({ archivedAt }) => !archivedAt);
  return {
    students: students
      .filter(({ archivedAt }) => !archivedAt)
      .map(({ id, name, hand, level, groups }): StudentOption => {
        const last = cold.get(id);
        return {
          value: id,
          label: name,
          // Two of one name are told apart by what else is known of them.
          detail: [`${hand}-handed`, level, groups].filter(Boolean).join(', '),
          lastCold: last
            ? t('session.options.lastColdTest', { date: format(last, 'd MMMM') })
            : t('session.options.noColdTestYet'),
        };
      }),
    drills: [
      ...own.map(({ id, name, layout, details }): DrillOption => ({
        value: id,
        label: name,
        group: t('session.options.yourDrills'),
        green: layout.read ? greenValue(layout.read.greenId, layout.read.spotId) : null,
        ...inWords(layout, details.ladder, units),
      })),
      ...notTaken(own, units).map(({ key, name, layout, ladder }): DrillOption => ({
        value: libraryRef(key),
        label: name,
        group: t('session.options.fromTheLibrary'),
        green: null,
        ...inWords(layout, ladder, units),
      })),
    ],
    greens: greenOptions(greens, units).map(({ value, label, detail }) => ({
      value,
      label,
      detail,
    })),
  };
}
