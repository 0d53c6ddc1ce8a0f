import 'server-only';
import {
  NO_COUNTS,
  missCause,
  ownLines,
  readMisses,
  type Finding,
  type MissCause,
  type MissCounts,
} from '@/core/coaching';
import { isLevel } from '@/core/green';
import {
  counting,
  judge,
  layoutAt,
  loggedElements,
  ownPlace,
  standing,
  trueReadOf,
} from '@/core/layout';
import { fittingOf, type Hand } from '@/core/people';
import {
  addBasis,
  noBasis,
  beliefOfRuns,
  changeBetween,
  endsOf,
  pointsOf,
  relativeTo,
  windowsOf,
  type Basis,
  type ByQuantity,
  type LoggedRun,
  type LoggedSession,
  type SessionScore,
  type SkillPoints,
} from '@/core/scoring';
import { ruleTraits } from '@/core/drill';
import { toLoggedRuns, type Run, type Session, type Student } from '@/data';

/** Sessions that say what a player is now. */
const LATELY = 4;
/** Fewer putts of a kind than this are not compared with others. */
const ENOUGH = 20;

/** What is known of the player as evenly likely values. */
export const pointsNow = (last: SessionScore, faceShare: number): ByQuantity<SkillPoints> =>
  Object.fromEntries(
    Object.keys(last.carried).map((id) => [id, pointsOf(last.belief.carried, id, faceShare)]),
  ) as ByQuantity<SkillPoints>;

/** All putts that say anything of each skill. */
export const basisOfAll = (scores: readonly Pick<SessionScore, 'basis'>[]): Basis =>
  scores.map(({ basis }) => basis).reduce(addBasis, noBasis());

/** Putts of which a gate and the hole both tell. */
function gateAndHole(
  logged: LoggedSession[],
): Pick<MissCounts, 'both' | 'clearMissed' | 'hitHoled'> {
  const counts = { both: 0, clearMissed: 0, hitHoled: 0 };
  for (const { layout, putts } of logged.flatMap(({ runs }) => runs)) {
    const hole = counting(layout, 'hole')?.id;
    const { primary } = loggedElements(layout);
    if (!hole || primary?.trains !== 'start') continue;
    const clear = judge({ ...layout, counts: 'gate' });
    for (const { outcomes } of putts) {
      const [through, met] = [clear(outcomes), outcomes[hole]];
      if (through === null || met === undefined) continue;
      counts.both += 1;
      counts.clearMissed += Number(through && met !== 'holed');
      counts.hitHoled += Number(!through && met === 'holed');
    }
  }
  return counts;
}

/** A putt that starts nearer to the middle of the hole than this breaks neither way, in hole widths. */
const BREAKS = 0.4;

/** What was seen of the eyes, and which putts passed by the way they broke: away from the player's feet, or towards them. */
function eyesAndSides(
  logged: LoggedSession[],
  hand: Hand,
): Pick<MissCounts, 'early' | 'away' | 'towards'> {
  const early = { seen: 0, of: 0 };
  const sides = { away: { passed: 0, of: 0 }, towards: { passed: 0, of: 0 } };
  for (const { layout, putts } of logged.flatMap(({ runs }) => runs)) {
    const eyes = standing(layout).find(({ looksFor }) => looksFor === 'early look');
    const down = eyes?.outcomes().find(({ passes }) => passes)?.id;
    const rolled = standing(layout).some(
      ({ traits, outcomes }) => !traits.byEye && outcomes().length > 0,
    );
    for (const { outcomes, place } of putts) {
      const seen = eyes && outcomes[eyes.id];
      if (seen !== undefined) {
        early.of += 1;
        early.seen += Number(seen !== down);
      }
      const there = layoutAt(layout, place ?? ownPlace(layout));
      if (!rolled || !there || isLevel(there.putt)) continue;
      const cups = trueReadOf(there);
      if (Math.abs(cups) < BREAKS) continue;
      // Who stands left of the ball sees it break away when it starts left of the hole.
      const side = sides[(hand === 'right') === cups < 0 ? 'away' : 'towards'];
      const passed = judge(there)(outcomes);
      if (passed === null) continue;
      side.of += 1;
      side.passed += Number(passed);
    }
  }
  return { early, ...sides };
}

/** How a window of some runs compares with that of others. */
function against(some: LoggedRun[], others: LoggedRun[], faceShare: number) {
  const [a, b] = [beliefOfRuns(some, faceShare), beliefOfRuns(others, faceShare)];
  if (a.basis.start < ENOUGH || b.basis.start < ENOUGH) return null;
  const windows = windowsOf(pointsOf(a.belief, 'start', faceShare));
  const other = windowsOf(pointsOf(b.belief, 'start', faceShare));
  // Independent of each other: every value of the one meets every twentieth of the other.
  let [larger, all] = [0, 0];
  for (const window of windows) {
    for (let i = 0; i < other.length; i += 20) {
      larger += Number(window > 1.1 * other[i]!);
      all += 1;
    }
  }
  const middle = (values: Float64Array) => Float64Array.from(values).sort()[values.length >> 1]!;
  return { ratio: middle(windows) / middle(other), larger: larger / all };
}

/** Whether a miss costs something on a run. */
export const presses = ({ rule, cold }: Pick<Run, 'rule' | 'cold'>): boolean =>
  !cold && !!ruleTraits(rule).presses;

/** Runs of some sessions as scoring takes them, of one kind; those of a session were set up together. */
export const loggedRuns = (sessions: Session[], kind: (run: Run) => boolean): LoggedRun[] =>
  sessions.flatMap(({ id, runs }) =>
    toLoggedRuns(runs.filter(kind)).map((run) => ({ ...run, stand: id })),
  );

/** Cold putts against those putted warm. */
export const coldAgainstWarm = (sessions: Session[], faceShare: number): MissCounts['cold'] =>
  against(
    loggedRuns(sessions, ({ cold }) => cold),
    loggedRuns(sessions, ({ cold }) => !cold),
    faceShare,
  );

/** Putts whose miss costs something against free practice. */
export const pressureAgainstPractice = (
  sessions: Session[],
  faceShare: number,
): MissCounts['pressure'] =>
  against(
    loggedRuns(sessions, presses),
    loggedRuns(sessions, (run) => !presses(run) && !run.cold),
    faceShare,
  );

/** The sessions that say what a player is now. */
function latelyOf(
  logged: LoggedSession[],
  scores: readonly Pick<SessionScore, 'id'>[],
): LoggedSession[] {
  const lately = new Set(scores.slice(-LATELY).map(({ id }) => id));
  return logged.filter(({ id }) => lately.has(id));
}

/** What the putts of late say without comparing kinds of them, which takes long. */
export function quietCounts(
  logged: LoggedSession[],
  scores: readonly Pick<SessionScore, 'id'>[],
  hand: Hand,
): MissCounts {
  const late = latelyOf(logged, scores);
  return { ...NO_COUNTS, ...gateAndHole(late), ...eyesAndSides(late, hand) };
}

/** Why putts on the player's own line have missed to one side lately. */
export const causeNow = (
  student: Student,
  logged: LoggedSession[],
  scores: readonly SessionScore[],
  faceShare: number,
): MissCause | null => {
  const last = scores.at(-1);
  if (!last) return null;
  const lines = ownLines(latelyOf(logged, scores));
  return missCause(last.belief.carried, lines, faceShare, fittingOf(student));
};

/** A player's misses, read from what is known now and from what was putted lately. */
export function readPlayer(
  student: Student,
  sessions: Session[],
  logged: LoggedSession[],
  scores: SessionScore[],
  faceShare: number,
): Finding[] {
  const [first, last] = [scores[0], scores.at(-1)];
  if (!first || !last) return [];
  const basis = basisOfAll(scores);
  const strike = first !== last && basis.strike >= 2 * ENOUGH;
  const ends = strike ? endsOf(scores, 'strike') : null;
  const changed = ends && changeBetween(ends.then, ends.now, 'strike', faceShare);
  return readMisses({
    hand: student.hand,
    school: student.school,
    points: pointsNow(last, faceShare),
    basis,
    cause: causeNow(student, logged, scores, faceShare),
    relative: relativeTo(scores.map(({ findings }) => findings)),
    counts: {
      ...quietCounts(logged, scores, student.hand),
      cold: coldAgainstWarm(sessions, faceShare),
      pressure: pressureAgainstPractice(sessions, faceShare),
      strike: changed && { ratio: changed.ratio.middle, smaller: changed.smaller },
    },
  });
}
