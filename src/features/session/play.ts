import { gateFit, type GateFit } from '@/core/coaching';
import {
  paceOfPlay,
  playRule,
  replay,
  ruleGround,
  rulePutts,
  ruleTraits,
  runCourse,
  tallyRuns,
  type Cap,
  type Course,
  type Made,
  type Progress,
  type Rule,
  type RunCourse,
  type RunMark,
  type Tally,
  type TimedPutt,
} from '@/core/drill';
import type { Card } from '@/core/setup';
import { judge, layoutKit, tapeList, type Layout } from '@/core/layout';
import type { RunView } from './run-store';
import type { WireRun } from './wire';

/** An earlier run of the same going at a drill. */
export interface EarlierRun {
  layout: Layout;
  putts: TimedPutt[];
  marks: { mark: RunMark; at: Date }[];
}

/** What is known of how a player stands and holds it, when a session's page is made. */
export interface PlayerCard {
  last: { card: Card; at: string } | null;
  /** It was looked at in this session. */
  today: boolean;
  putters: { id: string; name: string }[];
}

/** A player of a session, on the run they have come to. */
export interface PlayerRun {
  sessionId: string;
  runId: string;
  student: { id: string; name: string };
  drillId: string;
  drillName: string;
  layout: Layout;
  run: WireRun;
  rule: Rule;
  cap: Cap;
  /** How each ball is struck in turn, whether the player chooses where from, and how far a missed one is put back, m. */
  manners: Course['manners'];
  spots: Course['spots'];
  farther: number;
  cold: boolean;
  /** The rungs of the drill's ladder in words, the one played on, and the one begun on, from 0. */
  ladder: string[];
  rung: number | null;
  begunOn: number | null;
  /** The rung nearest to what stands; null without a ladder. */
  nearest: number | null;
  earlier: EarlierRun[];
  /** The set-up card as it was last looked at, and whether in this session; what putters there are to choose from. */
  card: PlayerCard;
  /** The plan that is followed: which drill of how many, from 0, and the name of the next; null outside of one. */
  plan: { index: number; count: number; next: string | null } | null;
}

/** How a player stands. */
export interface Play {
  counts: Tally;
  progress: Progress;
  course: RunCourse;
  /** Where the next putt is made, and how. */
  next: Made;
  /** The rung that the rule asks for, when it is another than the one that stands. */
  nextRung: number | null;
  /** Whether what stands is too hard or too easy, from the putts of this run. */
  fit: GateFit;
  /** Seconds from putt to putt; null while too few say it. */
  pace: number | null;
}

/**
 * How a player stands, from what was logged.
 *
 * @param player the run they have come to
 * @param view the run as the screen has it
 */
export function playOf(player: PlayerRun, view: Pick<RunView, 'putts' | 'marks'>): Play {
  const { rule, cap, layout, ladder, earlier, rung, begunOn } = player;
  const marks = [
    ...earlier.flatMap((run) => run.marks),
    ...view.marks.map(({ mark, at }) => ({ mark, at: new Date(at) })),
  ];
  const course = runCourse(marks);
  const here = view.putts
    .filter(({ leftOut }) => !leftOut)
    .map((putt): TimedPutt => ({ ...putt, at: new Date(putt.at) }));
  const runs = [...earlier, { layout, putts: here }];
  const ground = ruleGround(layout, ladder.length, begunOn);
  const progress = playRule(rule, cap, ground, rulePutts(runs, course.pauses));
  const { next } = replay(player, ground, runs);
  const moves = progress.ended === null && progress.rung !== null && progress.rung !== (rung ?? 0);
  return {
    counts: tallyRuns(
      runs.map((run) => ({ ...run, putts: run.putts.map(({ outcomes }) => outcomes) })),
    ),
    progress,
    course,
    // There is always a run to go on with: the last.
    next: next!,
    nextRung: moves ? progress.rung : null,
    fit: gateFit(here.map(({ outcomes }) => judge(layout)(outcomes))),
    pace: paceOfPlay(
      here.map(({ at }) => at),
      course.pauses,
    ),
  };
}

/** Equal for layouts that stand alike: what one has put out serves the other. */
export const standsAs = (layout: Layout): string =>
  JSON.stringify([tapeList(layout).map(({ what, at }) => [what, at]), layoutKit(layout)]);

/** Rules that are played through: nobody is moved in the middle of them. */
function isSteady(rule: Rule): boolean {
  const { climbs, cold, guesses, game, compares } = ruleTraits(rule);
  return !!(climbs || cold || guesses || game || compares);
}

/**
 * The rung to propose because what stands is too hard or too easy; null when there is nothing to propose, and no rung
 * where the ladder has none that way.
 */
export function proposedRung(
  { rule, cold, nearest, ladder }: PlayerRun,
  { verdict }: GateFit,
): { rung: number | null } | null {
  if (cold || isSteady(rule)) return null;
  if (verdict !== 'too hard' && verdict !== 'too easy') return null;
  if (nearest === null) return { rung: null };
  const rung = nearest + (verdict === 'too hard' ? -1 : 1);
  return { rung: rung >= 0 && rung < ladder.length ? rung : null };
}
