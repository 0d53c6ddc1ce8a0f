import 'server-only';
import { showLength, type UnitPreferences } from '@/core/units';
import { format } from 'date-fns';
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
import { rungWords } from '../drills/rung-words';
import { greenOptions } from '../greens/options';
import { greenValue } from '../greens/value';

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

/** Who and what a session can be started with: everyone and everything not put away. */
export async function startOptions(
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
  return {
    students: students
      .filter(({ archivedAt }) => !archivedAt)
      .map(({ id, name, hand }): StudentOption => {
        const last = cold.get(id);
        return {
          value: id,
          label: name,
          detail: `${hand}-handed`,
          lastCold: last ? `Last cold test ${format(last, 'd MMMM')}` : 'No cold test yet',
        };
      }),
    drills: drills
      .filter(({ archivedAt }) => !archivedAt)
      .map(({ id, name, layout, details }): DrillOption => {
        const { read } = layout;
        const putt = showLength(layout.putt.distance, 'putt', units);
        return {
          value: id,
          label: name,
          green: read ? greenValue(read.greenId, read.spotId) : null,
          detail: `${putt}, ${drillWords(layout)}`,
          rungs: details.ladder.map((rung) => rungWords(rung, units)),
        };
      }),
    greens: greenOptions(greens, units).map(({ value, label, detail }) => ({
      value,
      label,
      detail,
    })),
  };
}
