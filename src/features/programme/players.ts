import 'server-only';
import { paceOfPlay, runCourse } from '@/core/drill';
import { tapeList } from '@/core/layout';
import { medianOf } from '@/core/numbers';
import { fittingOf } from '@/core/people';
import {
  needsOf,
  setUpFactor,
  USUAL_PACE,
  type Need,
  type Planned,
  type SetUpSeen,
} from '@/core/planning';
import { scoresOf } from '@/core/scoring';
import { beliefAt } from './needs-now';
import {
  counted,
  getStudent,
  listSessions,
  type Database,
  type Session,
  type CoachPrincipal,
} from '@/data';
import { studentHistory } from '../reckoning/history';
import { basisOfAll, readPlayer } from '../students/reading';

/** A student, as far as a plan goes by it. */
export interface PlannedStudent {
  id: string;
  player: Planned;
  needs: Need[];
  /** The pace of play was seen, not assumed. */
  paceSeen: boolean;
}

/** Sessions that say how a student plays. */
const LATELY = 8;

/** From putt to putt, over the sessions lately; null while too few putts say it. */
export function paceOf(sessions: Session[]): number | null {
  const paces = sessions.slice(0, LATELY).flatMap(({ runs }) =>
    runs.flatMap(({ putts, marks }) => {
      const times = counted(putts).map(({ at }) => at);
      return paceOfPlay(times, runCourse(marks).pauses) ?? [];
    }),
  );
  return paces.length === 0 ? null : medianOf(paces);
}

/** How many sessions ago each drill was played, by its name. */
function playedOf(sessions: Session[]): Map<string, number> {
  const played = new Map<string, number>();
  for (const [ago, { runs }] of sessions.slice(0, LATELY).entries()) {
    for (const { drillName } of runs) {
      if (!played.has(drillName)) played.set(drillName, ago);
    }
  }
  return played;
}

/** All that a plan goes by of one student, as it is known at a time. */
export async function plannedStudent(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  at: Date,
): Promise<PlannedStudent> {
  const student = await getStudent(database, principal, id);
  const { sessions, logged, scores, faceShare } = await studentHistory(database, principal, id);
  const belief = beliefAt(scores, at);
  const findings = readPlayer(student, sessions, logged, scores, faceShare);
  const seconds = paceOf(sessions);
  return {
    id,
    needs: needsOf(scoresOf(belief, faceShare), basisOfAll(scores)),
    paceSeen: seconds !== null,
    player: {
      name: student.name.split(' ')[0]!,
      level: student.level,
      school: student.school,
      seated: student.seated,
      misses: [...new Set(findings.flatMap(({ misses }) => misses))],
      fitting: fittingOf(student),
      belief,
      faceShare,
      seconds: seconds ?? USUAL_PACE,
      played: playedOf(sessions),
    },
  };
}

/** The coach's own speed of setting up, from when it stood; null while too few were seen. */
export async function coachSetUp(
  database: Database,
  principal: CoachPrincipal,
): Promise<number | null> {
  const sessions = await listSessions(database, principal, { limit: 60 });
  const seen = sessions.flatMap(({ startedAt, runs }) => {
    let since = startedAt;
    return runs.flatMap(({ layout, marks, putts }): SetUpSeen[] => {
      const stood = marks.find(({ mark }) => mark.type === 'set up')?.at;
      const before = since;
      since = putts.at(-1)?.at ?? stood ?? since;
      if (!stood) return [];
      const seconds = (stood.getTime() - before.getTime()) / 1000;
      return [{ things: tapeList(layout).length, seconds }];
    });
  });
  return setUpFactor(seen);
}
