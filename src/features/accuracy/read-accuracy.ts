import 'server-only';
import { ruleGround, ruleTraits } from '@/core/drill';
import { judge } from '@/core/layout';
import {
  accuracyOf,
  finishFell,
  finishOf,
  oddsOf,
  USUAL_PACE,
  passesFell,
  reliabilityOf,
  type Accuracy,
  type Forecast,
  type Reliability,
} from '@/core/planning';
import type { SessionScore } from '@/core/scoring';
import { counted, listStudents, type CoachPrincipal, type Database, type Session } from '@/data';
import { beliefAt } from '../programme/needs-now';
import { studentHistory } from '../reckoning/history';
import { blockFacts, type BlockFacts } from '../session/facts';

/** How the program's own forecasts have turned out for a coach. */
export interface AccuracyRead {
  /** The first and the last day of what was forecast; null where nothing was. */
  from: Date | null;
  to: Date | null;
  passes: Accuracy | null;
  finish: Accuracy | null;
  reliability: Reliability | null;
}

/** Values of the skills and putts thrown at each: a page waits for all of it. */
const COARSE = { points: 24, thrown: 32 } as const;
/** Drills looked back on, the newest: each takes about a tenth of a second. */
const MOST = 150;
/** Fewer putts than this of a drill are no answer. */
const ENOUGH = 4;

interface Gone {
  session: Session;
  block: BlockFacts;
  before: SessionScore[];
  faceShare: number;
}

/** What would have been forecast of a drill from all that was known before its session, and what came of it. */
function forecastsOf({ session, block, before, faceShare }: Gone): Forecast[] {
  const at = session.startedAt;
  const { runs, progress } = block;
  const [first] = runs;
  const { layout, ladder, rung, rule, cap } = first!;
  const odds = oddsOf(layout, { ladder, rung }, beliefAt(before, at), faceShare, COARSE);
  if (odds.assumed) return [];
  const begun = { station: null, rung: rung ?? 0, again: 0 };
  const chances = Array.from({ length: odds.points }, (_, point) => {
    const shares = odds.at(begun, point);
    return odds.kinds.reduce((sum, { passed }, i) => sum + (passed ? shares[i]! : 0), 0);
  });
  const passes = judge(layout);
  const seen = counted(first!.putts).flatMap(({ outcomes }) => passes(outcomes) ?? []);
  const passed = seen.filter(Boolean).length;
  const found: Forecast[] = [];
  if (seen.length >= ENOUGH) {
    const putts = { chance: odds.passes, of: seen.length, passed };
    found.push({ at, what: 'passes', fell: passesFell(chances, seen.length, passed), putts });
  }
  // What the coach stopped has no answer, and what always takes as many putts needs no forecast.
  if (progress.ended && !ruleTraits(rule).endless && !ruleTraits(rule).cold) {
    const ground = ruleGround(layout, rung === null ? 0 : ladder.length, rung);
    const { goingOn } = finishOf(rule, cap, ground, odds, USUAL_PACE, cap.minutes);
    const open = goingOn.some((course) =>
      course.some((chance) => chance > 0.001 && chance < 0.999),
    );
    if (open) found.push({ at, what: 'finish', fell: finishFell(goingOn, progress.taken) });
  }
  return found;
}

/**
 * Looks back on what the program would have forecast of each drill from what was known before its session. Nothing of it is stored:
 * what was known on a day follows from the putts before it, so that each change of the program is judged on all of them.
 */
export async function readAccuracy(
  database: Database,
  principal: CoachPrincipal,
): Promise<AccuracyRead> {
  const students = await listStudents(database, principal);
  const gone: Gone[] = [];
  for (const { id } of students) {
    const { sessions, scores, faceShare } = await studentHistory(database, principal, id);
    for (const session of sessions) {
      const before = scores.filter((score) => score.at < session.startedAt);
      // Before the first score only the prior could have been forecast from.
      if (!session.finishedAt || before.length === 0) continue;
      for (const block of blockFacts(session)) {
        gone.push({ session, block, before, faceShare });
      }
    }
  }
  const forecasts = gone
    .sort((a, b) => b.session.startedAt.getTime() - a.session.startedAt.getTime())
    .slice(0, MOST)
    .flatMap(forecastsOf);
  return {
    from: forecasts.at(-1)?.at ?? null,
    to: forecasts[0]?.at ?? null,
    passes: accuracyOf(forecasts, 'passes'),
    finish: accuracyOf(forecasts, 'finish'),
    reliability: reliabilityOf(forecasts),
  };
}
