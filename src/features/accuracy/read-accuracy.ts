import 'server-only';
import { ruleGround, ruleTraits } from '@/core/drill';
import { counting, judge } from '@/core/layout';
import {
  accuracyOf,
  chancesOf,
  correctionOf,
  finishFell,
  finishOf,
  oddsOf,
  USUAL_PACE,
  passesFell,
  reliabilityOf,
  type Accuracy,
  type ChanceAccuracy,
  type Corrected,
  type Forecast,
  type DrillOdds,
  type Reliability,
  type ToldChance,
} from '@/core/planning';
import type { SessionScore } from '@/core/scoring';
import {
  counted,
  getCoach,
  listStudents,
  type CoachPrincipal,
  type Database,
  type Session,
} from '@/data';
import { beliefAt } from '../programme/needs-now';
import { studentHistory } from '../reckoning/history';
import { blockFacts, type BlockFacts } from '../session/facts';
import { toldLater } from './later';

/** How the program's own forecasts have turned out for a coach. */
export interface AccuracyRead {
  /** The first and the last day of what was forecast; null where nothing was. */
  from: Date | null;
  to: Date | null;
  passes: Accuracy | null;
  finish: Accuracy | null;
  reliability: Reliability | null;
  /** Chances to hole a putt, goals within reach, and changes that were as good as sure. */
  chances: Record<ToldChance['what'], ChanceAccuracy | null>;
  /** What past forecasts ask for; null while they are too few. */
  correction: Corrected | null;
}

/** Values of the skills and putts thrown at each: a page waits for all of it. */
const COARSE = { points: 24, thrown: 32 } as const;
/** Drills looked back on, the newest: each takes about a tenth of a second. */
const MOST = 150;
/** Fewer putts than this of a drill are no answer. */
const ENOUGH = 4;

type CountedPutt = BlockFacts['runs'][number]['putts'][number];

interface Gone {
  session: Session;
  block: BlockFacts;
  before: SessionScore[];
  faceShare: number;
}

/** What would have been forecast of a drill from all that was known before its session, and what came of it. */
function forecastsOf({ session, block, before, faceShare }: Gone): {
  forecasts: Forecast[];
  holed: ToldChance[];
} {
  const at = session.startedAt;
  const { runs, progress } = block;
  const [first] = runs;
  const { layout, ladder, rung, rule, cap } = first!;
  const odds = oddsOf(layout, { ladder, rung }, beliefAt(before, at), faceShare, COARSE);
  if (odds.assumed) return { forecasts: [], holed: [] };
  const passes = judge(layout);
  const hole = counting(layout, 'hole')?.id;
  const found: Forecast[] = [];
  const holed: ToldChance[] = [];
  for (const { station, again, putts } of byStart(counted(first!.putts))) {
    const place = { station, again, rung: rung ?? 0 };
    const chancesTo = (of: (kind: DrillOdds['kinds'][number]) => boolean | null) =>
      Array.from({ length: odds.points }, (_, point) => {
        const shares = odds.at(place, point);
        return odds.kinds.reduce((sum, kind, i) => sum + (of(kind) ? shares[i]! : 0), 0);
      });
    const meanOf = (chances: number[]) =>
      chances.reduce((sum, one) => sum + one, 0) / chances.length;
    const seen = putts.flatMap(({ outcomes }) => passes(outcomes) ?? []);
    if (seen.length >= ENOUGH) {
      const passed = seen.filter(Boolean).length;
      const chances = chancesTo((kind) => kind.passed);
      const fell = passesFell(chances, seen.length, passed);
      const told = { chance: meanOf(chances), of: seen.length, passed };
      found.push({ at, what: 'passes', fell, putts: told });
    }
    const rolled = hole ? putts.flatMap(({ outcomes }) => outcomes[hole] ?? []) : [];
    if (rolled.length >= ENOUGH) {
      const came = rolled.filter((one) => one === 'holed').length / rolled.length;
      const chance = meanOf(chancesTo((kind) => kind.holed));
      holed.push({ what: 'holed', chance, came, of: rolled.length });
    }
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
  return { forecasts: found, holed };
}

/** A putt is forecast from no farther back than this, in putter lengths that it was put back. */
const MOST_AGAIN = 3;

/** Putts of a drill by the station and how often the ball was missed before; those of which nobody knows the place are left out. */
function byStart(putts: readonly CountedPutt[]) {
  const found = new Map<string, { station: number; again: number; putts: CountedPutt[] }>();
  for (const putt of putts) {
    const { station, again, spot } = putt.place;
    if (!spot || again > MOST_AGAIN) continue;
    const key = `${station} ${again}`;
    const here = found.get(key) ?? { station, again, putts: [] };
    here.putts.push(putt);
    found.set(key, here);
  }
  return [...found.values()];
}

/**
 * Looks back on what the program would have forecast of each drill from what was known before its session. Nothing of it is stored:
 * what was known on a day follows from the putts before it, so that each change of the program is judged on all of them.
 */
export async function readAccuracy(
  database: Database,
  principal: CoachPrincipal,
): Promise<AccuracyRead> {
  const [students, { settings }] = await Promise.all([
    listStudents(database, principal),
    getCoach(database, principal),
  ]);
  const gone: Gone[] = [];
  const later: ToldChance[] = [];
  for (const { id } of students) {
    const { sessions, scores, faceShare } = await studentHistory(database, principal, id);
    later.push(...toldLater(scores, faceShare, settings.zone));
    for (const session of sessions) {
      const before = scores.filter((score) => score.at < session.startedAt);
      // Before the first score only the prior could have been forecast from.
      if (!session.finishedAt || before.length === 0) continue;
      for (const block of blockFacts(session)) {
        gone.push({ session, block, before, faceShare });
      }
    }
  }
  const all = gone
    .sort((a, b) => b.session.startedAt.getTime() - a.session.startedAt.getTime())
    .slice(0, MOST)
    .map(forecastsOf);
  const forecasts = all.flatMap((one) => one.forecasts);
  const told = [...later, ...all.flatMap(({ holed }) => holed)];
  return {
    from: forecasts.at(-1)?.at ?? null,
    to: forecasts[0]?.at ?? null,
    passes: accuracyOf(forecasts, 'passes'),
    finish: accuracyOf(forecasts, 'finish'),
    reliability: reliabilityOf(forecasts),
    chances: {
      holed: chancesOf(told, 'holed'),
      goal: chancesOf(told, 'goal'),
      change: chancesOf(told, 'change'),
    },
    correction: correctionOf(forecasts),
  };
}
