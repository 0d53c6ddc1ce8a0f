import 'server-only';
import { fittingOf, type Fitting, type KitId } from '@/core/people';
import { listGreens, listStudents } from '@/data';
import type { PickOption } from '@/ui/pick';
import { greenOptions } from '../greens/options';
import { coachContext } from '../shared/server';

/** A student a drill can be fitted to. */
export interface StudentOption extends PickOption {
  fitting: Fitting;
  kit: KitId[];
}

/** What the designer offers: greens to stand on, students to design for. */
export async function designerOptions() {
  const { database, principal, units } = await coachContext();
  const [greens, students] = await Promise.all([
    listGreens(database, principal),
    listStudents(database, principal),
  ]);
  return {
    greens: greenOptions(greens, units),
    students: students
      .filter(({ archivedAt }) => !archivedAt)
      .map((student): StudentOption => ({
        value: student.id,
        label: student.name,
        fitting: fittingOf(student),
        kit: student.kit,
      })),
  };
}
