import 'server-only';
import { readMisses, type Finding } from '@/core/coaching';
import { libraryDrill, type DrillDetails } from '@/core/drill';
import { ballGateOf, fitted, onRung, type Layout } from '@/core/layout';
import { fittingOf } from '@/core/people';
import { teachingRung } from '@/core/planning';
import { changeBetween, relativeTo, SETTLED, type Score, type SessionScore } from '@/core/scoring';
import { asSentence, showChance, type UnitPreferences } from '@/core/units';
import {
  getCoach,
  listDrills,
  listStudents,
  type CoachPrincipal,
  type Database,
  type Drill,
  type Session,
  type Student,
} from '@/data';
import { rungWords } from '../drills/rung-words';
import { libraryRef } from '../programme/library-ref';
import { studentHistory, type StudentHistory } from '../reckoning/history';
import { basisOfAll, causeNow, pointsNow, quietCounts } from './reading';
import { RULED, changeWords, nameOf, saysOf, showAmount } from './skill-words';

/** What a player does, how sure that is, and what comes next: a coach has a look at it before the player is there. */
export interface Brief {
  /** "Oona starts 0.4° to the right, a push.": with the name, in one sentence. */
  says: string;
  /** "97 % sure, from 640 putts": null where nothing is sure enough to be said. */
  sure: string | null;
  /** What to do next, and where it is started; null for who has never putted. */
  next: {
    words: string;
    href: string;
    /** The ball gate that its rung sets, where it sets one, m. */
    gate: { gap: number; distance: number } | null;
  } | null;
}

/** Findings that begin with what the player does, so that a name can stand before them. */
const DOES = /^(Starts|Aims|Leaves|Reads|Hits|Looks|Misses|Strikes|Swings)\b/;

const sentenceOf = (given: string, { seen }: Finding): string =>
  `${given}${DOES.test(seen) ? ' ' : ': '}${seen[0]!.toLowerCase()}${seen.slice(1)}`;

/** A drill to go on with: how it is started, and what is known of it. */
interface Candidate {
  ref: string;
  name: string;
  layout: Layout;
  details: Pick<DrillDetails, 'ladder' | 'minutes'>;
}

/** The first of the drills for what was found, as the coach's own where they took it; else what was putted last. */
function candidate(
  found: Finding | undefined,
  own: Drill[],
  sessions: Session[],
  units: UnitPreferences,
): Candidate | null {
  const key = found?.drills[0]?.key;
  const mine = key
    ? own.find(({ origin, archivedAt }) => origin === key && !archivedAt)
    : undefined;
  const library = key ? libraryDrill(key, units) : null;
  if (library && !mine) {
    const { name, layout, ...details } = library;
    return { ref: libraryRef(library.key), name, layout, details };
  }
  // A session that was begun and never putted says nothing of what is worked on.
  const putted = sessions.flatMap(({ runs }) =>
    runs.filter(({ putts }) => putts.length > 0).slice(-1),
  );
  const last = putted[0]?.drillId;
  const drill = mine ?? own.find(({ id, archivedAt }) => id === last && !archivedAt);
  return drill ? { ref: drill.id, ...drill } : null;
}

function nextOf(
  student: Student,
  chosen: Candidate,
  last: SessionScore,
  faceShare: number,
  units: UnitPreferences,
): NonNullable<Brief['next']> {
  const { ref, name, layout, details } = chosen;
  const { ladder, minutes } = details;
  const own = fitted(layout, fittingOf(student));
  const rung =
    ladder.length > 0 ? teachingRung(own, ladder, last.belief.carried, faceShare).rung : null;
  const at = rung === null ? '' : `, ${rungWords(ladder[rung]!, units)}`;
  const query = new URLSearchParams({
    student: student.id,
    drill: ref,
    ...(rung !== null && { rung: String(rung) }),
  });
  const gate = ballGateOf(rung === null ? own : onRung(own, ladder[rung]!));
  // A drill that trains something else has its gate beside it: that is no answer for the start line.
  const asked = gate && (rung === null || gate.id in ladder[rung]!.set);
  return {
    words: `${name}${at}, ${minutes} minutes`,
    href: `/start?${query}`,
    gate: asked ? { gap: gate.gap, distance: gate.distance } : null,
  };
}

/** The brief of one student, from their history. */
export function briefOf(
  student: Student,
  { sessions, logged, scores, faceShare }: StudentHistory,
  own: Drill[],
  units: UnitPreferences,
): Brief {
  const given = student.name.split(' ')[0]!;
  const last = scores.at(-1);
  if (!last) {
    return { says: `No data on ${given}’s putting yet.`, sure: null, next: null };
  }
  const basis = basisOfAll(scores);
  const [found] = readMisses({
    hand: student.hand,
    school: student.school,
    points: pointsNow(last, faceShare),
    basis,
    cause: causeNow(student, logged, scores, faceShare),
    relative: relativeTo(scores.map(({ findings }) => findings)),
    counts: quietCounts(logged, scores, student.hand),
  });
  const told = RULED.find((skill) => (basis[skill] ?? 0) > 0);
  const chosen = candidate(found, own, sessions, units);
  return {
    says: found
      ? sentenceOf(given, found)
      : told
        ? `${given}: 8 in 10 ${saysOf(told)} ±${showAmount(told, last.carried[told].window.middle)}. No clear pattern in the misses yet.`
        : `There is no data on ${given}’s start line, face, path, strike or pace yet.`,
    sure: found ? `${asSentence(showChance(found.probability))} sure, ${found.putts} putts` : null,
    next: chosen && nextOf(student, chosen, last, faceShare, units),
  };
}

/** One line of the list of students. */
export interface StudentLine extends Brief {
  /** The five, where putts have spoken of them. */
  rulers: Partial<Record<string, Pick<Score, 'bias' | 'window' | 'side'>>>;
  at: Date | null;
  /** What has clearly changed since the session before; null where nothing has. */
  changed: string | null;
  /** How much there is to do, for sorting: the start line's window, rad. */
  window: number | null;
}

/** What has changed most surely since the session before. */
function changedSince(scores: SessionScore[], faceShare: number): string | null {
  const [before, last] = [scores.at(-2), scores.at(-1)];
  if (!before || !last) return null;
  const changes = RULED.filter(
    (skill) => (last.basis[skill] ?? 0) > 0 && (before.basis[skill] ?? 0) > 0,
  ).map((skill) => ({ skill, change: changeBetween([before], [last], skill, faceShare) }));
  const sure = changes
    .map(({ skill, change }) => ({
      skill,
      change,
      by: Math.max(change.smaller, 1 - change.smaller),
    }))
    .filter(({ by, change }) => by >= SETTLED.probability && !change.measure)
    .sort((a, b) => b.by - a.by)[0];
  return sure ? `${nameOf(sure.skill)} ${changeWords(sure.change)}` : null;
}

/** Lines that were made, as long as the scores they were made from stay the same: by then their students and drills must too. */
const made = new WeakMap<readonly SessionScore[], { of: string; line: StudentLine }>();

/** One student's line, from their history. */
function lineOf(
  student: Student,
  history: StudentHistory,
  own: Drill[],
  units: UnitPreferences,
): StudentLine {
  const { scores, faceShare } = history;
  const of = JSON.stringify([
    ...[student, units],
    own.map(({ id, version, archivedAt, origin }) => [id, version, archivedAt, origin]),
  ]);
  const known = made.get(scores);
  if (known?.of === of) return known.line;
  const last = scores.at(-1);
  const basis = basisOfAll(scores);
  const line: StudentLine = {
    ...briefOf(student, history, own, units),
    rulers: Object.fromEntries(
      RULED.flatMap((skill) => {
        const score = last?.carried[skill];
        if (!score || (basis[skill] ?? 0) === 0) return [];
        const { bias, window, side } = score;
        return [[skill, { bias, window, side }]];
      }),
    ),
    at: last?.at ?? null,
    changed: changedSince(scores, faceShare),
    window: last?.carried.start?.window.middle ?? null,
  };
  made.set(scores, { of, line });
  return line;
}

/**
 * The lines of some students, by their id.
 *
 * @param studentIds whose; everybody's in the list when null
 */
export async function studentLines(
  database: Database,
  principal: CoachPrincipal,
  { studentIds }: { studentIds: readonly string[] | null },
): Promise<Record<string, StudentLine>> {
  const [students, own, { settings }] = await Promise.all([
    listStudents(database, principal),
    listDrills(database, principal),
    getCoach(database, principal),
  ]);
  const lines: Record<string, StudentLine> = {};
  for (const student of students) {
    if (studentIds && !studentIds.includes(student.id)) continue;
    const history = await studentHistory(database, principal, student.id);
    lines[student.id] = lineOf(student, history, own, settings.units);
  }
  return lines;
}
