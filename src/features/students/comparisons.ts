import 'server-only';
import { format } from '@/ui/when';
import { beliefOfRuns, scoreOf, pointsOf, type SessionScore } from '@/core/scoring';
import {
  getCoach,
  listSessions,
  listStudents,
  toLogged,
  type CoachPrincipal,
  type Database,
  type Run,
  type Session,
  type Student,
} from '@/data';
import { keptHistory } from '../reckoning/scores';
import type { ComparedRow } from './compared';
import { basisOfAll, loggedRuns, presses } from './reading';
import type { Ruled } from './skill-words';

/** Rulers that are compared with each other, under what they are compared by. */
export interface Comparison {
  title: string;
  rows: ComparedRow[];
}

/** Fewer putts than this of a kind make no ruler. */
const ENOUGH = 10;

/**
 * One player compared with themself: then and now, cold and warm, practice and pressure, drill by drill. Kinds of putts are
 * scored by themselves, without what other sessions know.
 */
function withThemself(
  student: Student,
  sessions: Session[],
  scores: SessionScore[],
  skill: Ruled,
  faceShare: number,
): Comparison[] {
  const speaking = scores.filter(({ basis }) => (basis[skill] ?? 0) > 0);
  const [first, last] = [speaking[0], speaking.at(-1)];
  if (!first || !last) return [];
  const shared = { hand: student.hand, href: `/students/${student.id}?skill=${skill}` };
  const of = (name: string, kind: (run: Run) => boolean): ComparedRow[] => {
    const { belief, basis } = beliefOfRuns(loggedRuns(sessions, kind), faceShare);
    const putts = basis[skill] ?? 0;
    if (putts < ENOUGH) return [];
    const score = scoreOf(pointsOf(belief, skill, faceShare));
    return [{ ...shared, name, score, putts }];
  };
  const at = ({ at: date, smoothed }: SessionScore, putts = 0): ComparedRow[] => {
    const score = smoothed[skill];
    return score ? [{ ...shared, name: format(date, 'd MMMM'), score, putts }] : [];
  };
  const drills = new Map(
    sessions.flatMap(({ runs }) => runs.map(({ drillId, drillName }) => [drillId, drillName])),
  );
  const all = [
    {
      title: 'Then and now',
      rows:
        first === last
          ? []
          : [...at(first, first.basis[skill]), ...at(last, basisOfAll(scores)[skill])],
    },
    {
      title: 'Cold and warm',
      rows: [...of('Cold', ({ cold }) => cold), ...of('Warm', ({ cold }) => !cold)],
    },
    {
      title: 'Practice and pressure',
      rows: [...of('Practice', (run) => !presses(run) && !run.cold), ...of('Pressure', presses)],
    },
    {
      title: 'Drill by drill',
      rows: [...drills].flatMap(([id, name]) => of(name, ({ drillId }) => drillId === id)),
    },
  ];
  return all.filter(({ rows }) => rows.length > 1);
}

/** Students side by side, the smallest window first. */
function sideBySide(
  known: { student: Student; scores: SessionScore[] }[],
  skill: Ruled,
): ComparedRow[] {
  return known
    .flatMap(({ student, scores }): ComparedRow[] => {
      const last = scores.findLast(({ basis }) => (basis[skill] ?? 0) > 0);
      const score = last?.smoothed[skill];
      if (!score) return [];
      return [
        {
          name: student.name,
          href: `/students/${student.id}?skill=${skill}`,
          score,
          putts: basisOfAll(scores)[skill] ?? 0,
          hand: student.hand,
        },
      ];
    })
    .sort((a, b) => a.score.window.middle - b.score.window.middle);
}

/**
 * Rulers to compare: a student's with themself, or all students' side by side.
 *
 * @param studentId null for all students
 */
export async function comparisonsOf(
  database: Database,
  principal: CoachPrincipal,
  { skill, studentId }: { skill: Ruled; studentId: string | null },
): Promise<Comparison[]> {
  const [students, sessions, { settings }] = await Promise.all([
    listStudents(database, principal),
    listSessions(database, principal, { studentId: studentId ?? undefined }),
    getCoach(database, principal),
  ]);
  const faceShare = Number(settings.faceShare);
  const one = students.find(({ id }) => id === studentId);
  const shown = one ? [one] : students.filter(({ archivedAt }) => !archivedAt);
  const known = shown.map((student) => {
    const own = sessions.filter((session) => session.studentId === student.id);
    return { student, own, scores: keptHistory(student.id, own.map(toLogged), faceShare) };
  });
  return one
    ? known.flatMap(({ own, scores }) => withThemself(one, own, scores, skill, faceShare))
    : [{ title: '', rows: sideBySide(known, skill) }];
}
