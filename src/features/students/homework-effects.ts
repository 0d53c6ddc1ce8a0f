import 'server-only';
import { changeBetween, type Change } from '@/core/scoring';
import { dayIn } from '@/core/calendar';
import { trainedIds } from '@/core/quantity';
import {
  getCoach,
  getDrill,
  getStudent,
  listHomework,
  type CoachPrincipal,
  type Database,
  type Session,
} from '@/data';
import { planner } from '../programme/offers';
import type { Offer } from '../programme/plan-shape';
import { studentHistory } from '../reckoning/history';

/** The skill that a piece of homework trains, and what has changed of it since; null for nothing to compare with. */
export interface Effect {
  skill: string;
  change: Change | null;
}

/** What has been done at home, what became of it, and what suits to be given. */
export interface HomeworkRead {
  sessions: Session[];
  /** By the homework. */
  effects: Record<string, Effect>;
  offers: Offer[];
}

export async function readHomework(
  database: Database,
  principal: CoachPrincipal,
  { studentId }: { studentId: string },
): Promise<HomeworkRead> {
  const [student, { settings }, homework, { sessions, scores, faceShare }] = await Promise.all([
    getStudent(database, principal, studentId),
    getCoach(database, principal),
    listHomework(database, principal, studentId),
    studentHistory(database, principal, studentId),
  ]);
  const effects: Record<string, Effect> = {};
  for (const { id, drillId, from } of homework) {
    const { details } = await getDrill(database, principal, drillId);
    const skill = trainedIds().find((one) => details.skills.includes(one)) ?? 'start';
    const speaking = scores.filter(({ basis }) => (basis[skill] ?? 0) > 0);
    const before = speaking.findLast(({ at }) => dayIn(at, settings.zone) <= from);
    const last = speaking.at(-1);
    const change =
      before && last && before !== last ? changeBetween([before], [last], skill, faceShare) : null;
    effects[id] = { skill, change };
  }
  const ground = { studentIds: [studentId], place: 'home' as const, kit: student.kit };
  const { suiting } = await planner(database, principal, ground, new Date());
  return { sessions, effects, offers: suiting().offers };
}
