import 'server-only';
import { ballGateOf } from '@/core/layout';
import { showLength, type UnitPreferences } from '@/core/units';
import { listDrills, listGreens, listStudents, type Database } from '@/data';
import type { PickOption } from '@/ui/pick';
import { greenOptions } from '../greens/options';
import { greenValue } from '../greens/value';

/** Who and what a session can be started with: everyone and everything not put away. */
export async function startOptions(database: Database, owner: string, units: UnitPreferences) {
  const [students, drills, greens] = await Promise.all([
    listStudents(database, owner),
    listDrills(database, owner),
    listGreens(database, owner),
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
      .map(({ id, name, layout }): PickOption & { green: string | null } => {
        const { read } = layout;
        const gate = ballGateOf(layout);
        const putt = showLength(layout.putt.distance, 'putt', units);
        return {
          value: id,
          label: name,
          green: read ? greenValue(read.greenId, read.spotId) : null,
          detail: gate
            ? `${putt} · ${showLength(gate.gap, 'across', units)} at ${showLength(gate.distance, 'along', units)}`
            : putt,
        };
      }),
    greens: greenOptions(greens, units).map(({ value, label, detail }) => ({
      value,
      label,
      detail,
    })),
  };
}
