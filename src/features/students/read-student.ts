import 'server-only';
import {
  checksOf,
  relationsOf,
  tellAim,
  tellReading,
  tellRolls,
  type AimAndStroke,
  type Check,
  type Finding,
  type ReadingTold,
  type RollTable,
  type Relation,
} from '@/core/coaching';
import { gateNowOf, type Layout } from '@/core/layout';
import {
  changeBetween,
  endsOf,
  feelOf,
  SUCCESS,
  nextGate,
  passShare,
  puttsToSettle,
  relativeTo,
  scoreOf,
  type Change,
  type Feel,
  type NextGate,
  type SessionScore,
  type ToSettle,
} from '@/core/scoring';
import {
  counted,
  getCoach,
  getStudent,
  listDrills,
  type CoachPrincipal,
  type Database,
  type Session,
} from '@/data';
import { studentHistory, told, type ScoreTold } from '../reckoning/history';
import { corrected, uncorrected } from '@/core/planning';
import type { CoachSettings } from '@/core/people';
import { briefOf, type Brief } from './brief';
import { basisOfAll, coldAgainstWarm, pointsNow, readPlayer } from './reading';
import { byTape, ruledOf, type Ruled } from './skill-words';
import { strokesOf, type StrokeTold } from './strokes';
import { worthOf, type WorthTold } from './worth';

/** How each skill has changed, and since when; null where fewer than two sessions speak of it. */
export type Changes = Partial<Record<Ruled, { change: Change; since: Date } | null>>;

/** All that is reckoned of a student whose putts speak. */
export interface Known {
  /** In order of time, at least one. */
  scores: ScoreTold[];
  /** Whose hole the start line is measured by. */
  layout: Layout;
  findings: Finding[];
  /** What goes together from putt to putt, the surest first. */
  /** What is aimed and what the stroke adds; null while the aim was not looked at. */
  /** Directions of which only an instrument tells, with its name. */
  relative: Partial<Record<string, string>>;
  aim: AimAndStroke | null;
  /** How much of the break is seen; null while too few reads were said. */
  reading: ReadingTold | null;
  /** What was looked for by eye. */
  checks: Check[];
  /** How far back for how far; null while too few strokes between stops were seen. */
  rolls: RollTable | null;
  relations: Relation[];
  changes: Changes;
  brief: Brief;
  /** What more would settle whether the start line has changed; null where it is settled, or measuring would. */
  settle: ToSettle | null;
  cold: ReturnType<typeof coldAgainstWarm>;
  feel: Feel | null;
  /** The gate to set next; null where none was putted through. */
  next: NextGate | null;
  strokes: StrokeTold[];
  worth: WorthTold | null;
}

/** A student's sessions, newest first, and what they come to; null while nothing is known. */
export interface StudentRead {
  sessions: Session[];
  known: Known | null;
}

function changesOf(scores: SessionScore[], faceShare: number): Changes {
  const of = (skill: Ruled): Changes[Ruled] => {
    const ends = endsOf(scores, skill);
    if (!ends) return null;
    return {
      change: changeBetween(ends.then, ends.now, skill, faceShare),
      since: ends.then[0]!.at,
    };
  };
  return Object.fromEntries(ruledOf(basisOfAll(scores)).map((skill) => [skill, of(skill)]));
}

/** How far a player's putts run beyond the way meant, as a share of it; none while it may as well be either way. */
function paceNow(last: SessionScore, faceShare: number): number {
  const { pace } = pointsNow(last, faceShare);
  const bias = pace && scoreOf(pace).bias;
  return bias && bias.low * bias.high > 0 ? bias.middle : 0;
}

/**
 * The gate to set next: that of the drill which is next, on its rung, so that the page gives one answer; at another rate than the
 * usual the gap that passes as many there.
 */
function nextOf(
  { next }: Brief,
  layout: Layout,
  last: SessionScore,
  faceShare: number,
  rate: number,
  { units, correction }: CoachSettings,
): NextGate | null {
  const known = gateNowOf(layout);
  if (!known) return null;
  const { start } = pointsNow(last, faceShare);
  const gate = { ...known, ...next?.gate };
  if (rate !== SUCCESS.usual || !next?.gate) {
    const bare = Math.min(SUCCESS.most, Math.max(SUCCESS.least, uncorrected(rate, correction)));
    const found = nextGate(start, bare, gate, byTape(units));
    return { ...found, share: corrected(found.share, correction) };
  }
  const share = corrected(passShare(start, gate.toleranceOf(gate.gap, gate.distance)), correction);
  return { gap: gate.gap, distance: gate.distance, share, farther: false };
}

/**
 * All that a student's page and report tell.
 *
 * @param rate share of putts that the next gate should let through
 */
export async function readStudent(
  database: Database,
  principal: CoachPrincipal,
  { studentId, rate }: { studentId: string; rate: number },
): Promise<StudentRead> {
  const [student, { settings }, history, drills] = await Promise.all([
    getStudent(database, principal, studentId),
    getCoach(database, principal),
    studentHistory(database, principal, studentId),
    listDrills(database, principal),
  ]);
  const { sessions, logged, scores, faceShare } = history;
  const last = scores.at(-1);
  const layout = sessions.find(({ id }) => id === last?.id)?.runs[0]?.layout;
  if (!last || !layout) return { sessions, known: null };
  const { units } = settings;
  const brief = briefOf(student, history, drills, units);
  const changes = changesOf(scores, faceShare);
  const start = changes.start?.change;
  const runs = sessions.flatMap((session) => session.runs);
  return {
    sessions,
    known: {
      scores: told(scores),
      layout,
      findings: readPlayer(student, sessions, logged, scores, faceShare),
      relative: relativeTo(scores.map(({ findings }) => findings)),
      aim: tellAim(pointsNow(last, faceShare), basisOfAll(scores)),
      reading: tellReading(logged, paceNow(last, faceShare)),
      checks: checksOf(logged),
      rolls: tellRolls(logged),
      relations: relationsOf(logged, faceShare),
      changes,
      brief,
      settle: start && !start.measure ? puttsToSettle(start) : null,
      cold: coldAgainstWarm(sessions, faceShare),
      feel: feelOf(runs.map((run) => ({ layout: run.layout, putts: counted(run.putts) }))),
      next: last.basis.start > 0 ? nextOf(brief, layout, last, faceShare, rate, settings) : null,
      strokes: strokesOf(sessions, faceShare),
      worth: worthOf(scores, layout, units, faceShare),
    },
  };
}
