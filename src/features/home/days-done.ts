import { dayIn } from '@/core/calendar';
import { ruleTraits } from '@/core/drill';
import type { Session } from '@/data';
import { blockFacts } from '../session/facts';

/**
 * Days on which homework was done: a session of it ended its drill, by the rule or at its cap. A drill that has no end is done
 * with any putt.
 */
export const daysDone = (sessions: Session[], homeworkId: string, zone: string): string[] =>
  sessions
    .filter(
      (session) =>
        session.homeworkId === homeworkId &&
        blockFacts(session).some(
          ({ last, counts, progress }) =>
            progress.ended !== null || (ruleTraits(last.rule).free && counts.putts > 0),
        ),
    )
    .map(({ startedAt }) => dayIn(startedAt, zone));
