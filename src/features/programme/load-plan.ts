import 'server-only';
import { COMMON_KIT } from '@/core/people';
import type { PlanFrame } from '@/core/planning';
import { getPlan, listStudents, type Database, type CoachPrincipal } from '@/data';
import { coachContext } from '../shared/server';
import type { PlanStudent } from './frame-fields';
import { reckon } from '../reckoning/pool';
import type { PlanItem } from './plan-shape';

/** Students that a plan can be for. */
export async function planStudents(
  database: Database,
  principal: CoachPrincipal,
): Promise<PlanStudent[]> {
  return (await listStudents(database, principal))
    .filter(({ archivedAt }) => !archivedAt)
    .map(({ id, name, kit }) => ({ value: id, label: name, kit }));
}

/** An empty frame, for whom it is asked. */
export function emptyFrame(students: PlanStudent[], asked: string[], minutes: number): PlanFrame {
  const who = students.filter(({ value }) => asked.includes(value));
  return {
    name: '',
    minutes,
    place: 'green',
    kit: [...new Set([...COMMON_KIT, ...who.flatMap(({ kit }) => kit)])],
    goals: [],
    studentIds: who.map(({ value }) => value),
  };
}

/**
 * A plan that was kept, timed as its students are now.
 *
 * @param choosing tells all that suits too, to choose from
 */
export async function loadPlan(id: string, choosing: boolean) {
  const { database, principal, units } = await coachContext();
  const plan = await getPlan(database, principal, id);
  const { blocks, name, minutes, place, kit, goals, studentIds } = plan;
  const frame: PlanFrame = { name, minutes, place, kit, goals, studentIds };
  const items = blocks.map(({ drillId, ...block }): PlanItem => ({ ...block, ref: drillId }));
  const timed = await reckon('plan', principal, { frame, items, choosing });
  return { plan, frame, items, units, ...timed };
}
