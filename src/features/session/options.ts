import 'server-only';
import { ballGateOf } from '@/core/layout';
import { showLength, type UnitPreferences } from '@/core/units';
import { listDrills, listStudents, type Database } from '@/data';
import type { PickOption } from '@/ui/pick';

/** Who and what a session can be started with: everyone and everything not put away. */
export async function startOptions(database: Database, owner: string, units: UnitPreferences) {
  const [students, drills] = await Promise.all([
    listStudents(database, owner),
    listDrills(database, owner),
  ]);
  return {
    students: students
      .filter(({ archivedAt }) => !archivedAt)
      .map(({ id, name, hand }): PickOption => ({
        value: id,
        label: name,
        detail: `${hand}-handed`,
      })),
    drills: drills
      .filter(({ archivedAt }) => !archivedAt)
      .map(({ id, name, layout }): PickOption => {
        const gate = ballGateOf(layout);
        const putt = showLength(layout.putt.distance, 'putt', units);
        return {
          value: id,
          label: name,
          detail: gate
            ? `${putt} · ${showLength(gate.gap, 'across', units)} at ${showLength(gate.distance, 'along', units)}`
            : putt,
        };
      }),
  };
}
