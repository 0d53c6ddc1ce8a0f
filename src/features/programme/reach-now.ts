import 'server-only';
import { dayIn, type Day } from '@/core/calendar';
import { reachOf, type Reach } from '@/core/planning';
import { getCoach, getStudent, type CoachPrincipal, type Database } from '@/data';
import { studentHistory } from '../reckoning/history';
import { basisOfAll } from '../students/reading';
import { beliefAt } from './needs-now';
import { aimUnit } from './programme-form-schema';

/** Parts of a typed unit that an aim is told in. */
const TENTHS = 0.1;

/** How far a player may come by a day with what an aim is of; null while no putt has spoken of it, or for a day that is past. */
export async function reachNow(
  database: Database,
  principal: CoachPrincipal,
  { studentId, skill, by }: { studentId: string; skill: string; by: Day },
): Promise<Reach | null> {
  const at = new Date();
  await getStudent(database, principal, studentId);
  const { scores, faceShare } = await studentHistory(database, principal, studentId);
  const from = dayIn(at, (await getCoach(database, principal)).settings.zone);
  if (by < from || !basisOfAll(scores)[skill]) return null;
  const { size } = aimUnit(skill);
  return reachOf(beliefAt(scores, at), skill, faceShare, from, by, TENTHS * size);
}
