import 'server-only';
import { listGreens, listStudents } from '@/data';
import { greenOptions } from '../greens/options';
import { coachContext } from '../shared/server';

/** What the designer offers: greens to stand on, students to design for. */
export async function designerOptions() {
  const { database, owner, units } = await coachContext();
  const [greens, students] = await Promise.all([
    listGreens(database, owner),
    listStudents(database, owner),
  ]);
  return {
    greens: greenOptions(greens, units),
    students: students
      .filter(({ archivedAt }) => !archivedAt)
      .map(({ id, name }) => ({ value: id, label: name })),
  };
}
