import { gateFit, nextStep, type DrillFacts, type NextStep } from '@/core/coaching';
import {
  blocksOf,
  playRule,
  ruleGround,
  rulePutts,
  runCourse,
  tallyRuns,
  type Progress,
  type RunCourse,
  type Tally,
} from '@/core/drill';
import { judge } from '@/core/layout';
import { counted, type Run, type Session } from '@/data';

/** One going at a drill, as it ended. */
export interface BlockFacts {
  runs: Run[];
  last: Run;
  counts: Tally;
  progress: Progress;
  course: RunCourse;
  facts: DrillFacts;
  next: NextStep;
}

/** The goings at drills of a session, in order; those without any putt are left out. */
export const blockFacts = ({ runs }: Pick<Session, 'runs'>): BlockFacts[] =>
  blocksOf(runs)
    .map((block) => factsOf(block))
    .filter(
      ({ counts, runs: block }) => counts.putts > 0 || block.some(({ putts }) => putts.length > 0),
    );

function factsOf(runs: Run[]): BlockFacts {
  const [first, last] = [runs[0]!, runs.at(-1)!];
  const parts = runs.map(({ layout, putts }) => ({ layout, putts: counted(putts) }));
  const course = runCourse(runs.flatMap(({ marks }) => marks));
  const counts = tallyRuns(
    parts.map(({ layout, putts }) => ({ layout, putts: putts.map(({ outcomes }) => outcomes) })),
  );
  const progress = playRule(
    first.rule,
    first.cap,
    ruleGround(first.layout, first.ladder.length, first.rung),
    rulePutts(parts, course.pauses),
  );
  const rungs = runs.flatMap(({ rung }) => (rung === null ? [] : [rung]));
  const passes = judge(last.layout);
  const fit = gateFit(counted(last.putts).map(({ outcomes }) => passes(outcomes)));
  return {
    runs,
    last,
    counts,
    progress,
    course,
    facts: {
      putts: counts.seen,
      passed: counts.clear,
      best: counts.best,
      rung: rungs.length > 0 ? Math.max(...rungs) : null,
      ended: progress.ended,
      taken: progress.taken,
    },
    next: nextStep(fit, progress.ended, last.rung, last.ladder.length),
  };
}

/**
 * Goings at a drill before a session, of the same student.
 *
 * @param sessions of the student, in any order
 * @param now the session looked at
 */
export const factsBefore = (
  sessions: Session[],
  now: Pick<Session, 'startedAt'>,
  { drillId, cold }: Pick<Run, 'drillId' | 'cold'>,
): DrillFacts[] =>
  sessions
    .filter(({ startedAt }) => startedAt < now.startedAt)
    .flatMap(blockFacts)
    .filter(({ last }) => last.drillId === drillId && last.cold === cold)
    .map(({ facts }) => facts);
