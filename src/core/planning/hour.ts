import { skillWords, type Cap, type DrillValues, type Skill } from '@/core/drill';
import { isTrained } from '@/core/quantity';
import { asSentence } from '@/core/units';
import { hardlyEnds, type Finish } from './finish';
import type { Need } from './needs';
import { PHASE_WORDS, PHASES, phaseOf, type Phase } from './phase';
import { after, mixed, sureTime, timeOn, timesOf, timeWithin, type Times } from './times';

/** How a drill runs for one player: on the rung that teaches. */
export interface PlayerTime {
  /** From 0; null as it is drawn. */
  rung: number | null;
  /** Share of putts that pass there. */
  passes: number;
  assumed: boolean;
  finish: Finish;
  /** From putt to putt, s. */
  seconds: number;
}

/** How long a drill of a plan takes, setting up and all. */
export interface Timed {
  /** By value of the players' skills. */
  times: readonly Times[];
  /** Putts of each player on average. */
  putts: readonly number[];
}

/** Putts on average before the end. */
function puttsOf({ finish }: PlayerTime): number {
  let sum = 0;
  for (const course of finish.goingOn) {
    for (const left of course) sum += left / finish.goingOn.length;
  }
  return sum;
}

/**
 * How long a drill takes some players, who putt in turn.
 *
 * @param players how it runs for each, at least one; reckoned for the same number of values of their skills
 * @param setUp s
 */
export const timedOf = (players: readonly PlayerTime[], setUp: number): Timed => ({
  times: players[0]!.finish.goingOn.map((_, point) =>
    players.reduce(
      (times, { finish, seconds }) => after(times, timesOf(finish.goingOn[point]!, seconds)),
      sureTime(setUp / 60),
    ),
  ),
  putts: players.map(puttsOf),
});

/** A time that is not sure. */
export interface Span {
  /** Half of all goings are done by then, and nine in ten, minutes. */
  median: number;
  late: number;
}

const spanOf = (times: Times): Span => ({
  median: timeWithin(times, 0.5),
  late: timeWithin(times, 0.9),
});

/** How long one block takes. */
export const blockSpan = ({ times }: Timed): Span => spanOf(mixed(times));

/** Putting without a break that a back takes, and the break, minutes. */
export const REST = { every: 15, lasts: 1 } as const;
/** Putts that a bent back takes in an hour. */
export const MOST_PUTTS_AN_HOUR = 150;

/** What a plan amounts to. */
export interface Totals extends Span {
  /** Putts on average, for the one who bends most. */
  putts: number;
  /** Breaks to stand up in, and their minutes within the total. */
  rests: number;
  /** More putts an hour than a back takes. */
  tooMany: boolean;
}

/**
 * What some blocks amount to, one after the other. A player who is better than believed is so in all of them: the sum is
 * made for each value of the skills, then mixed.
 *
 * @param blocks in order
 */
export function totalsOf(blocks: readonly Timed[]): Totals {
  if (blocks.length === 0) {
    return { median: 0, late: 0, putts: 0, rests: 0, tooMany: false };
  }
  const points = Math.max(...blocks.map(({ times }) => times.length));
  const sums = Array.from({ length: points }, (_, point) =>
    blocks.reduce((sum, { times }) => after(sum, times[point % times.length]!), sureTime(0)),
  );
  const putting = mixed(sums);
  const rests = Math.floor(timeWithin(putting, 0.5) / REST.every);
  const whole = after(putting, sureTime(rests * REST.lasts));
  const players = Math.max(...blocks.map((block) => block.putts.length));
  const putts = Math.max(
    ...Array.from({ length: players }, (_, i) =>
      blocks.reduce((sum, block) => sum + (block.putts[i] ?? 0), 0),
    ),
  );
  const perHour = (60 * putts) / Math.max(1, timeOn(whole));
  return { ...spanOf(whole), putts, rests, tooMany: perHour > MOST_PUTTS_AN_HOUR };
}

/** A drill that could be in a plan: it suits everyone there. */
export interface Candidate extends Timed {
  /** Under which the plan knows it. */
  id: string;
  drill: DrillValues;
  /** How it runs for each player. */
  players: readonly PlayerTime[];
  /** Misses of the players that it is for. */
  meets: readonly string[];
  /** Sessions since it was last played; null when not lately. */
  ago: number | null;
}

/** A block that stays where it is. */
export interface Kept extends Timed {
  id: string;
  phase: Phase;
}

export interface Wish {
  /** Minutes that the plan may take, by its median. */
  minutes: number;
  needs: readonly Need[];
  /** Skills that the coach wants in it; none for what is needed most. */
  goals: readonly Skill[];
  /** A cold test is due. */
  cold: boolean;
}

/** A block that is proposed. */
export interface Proposed {
  id: string;
  phase: Phase;
  why: string;
}

/** What of the time each phase gets; without a test the others share what it would have had. */
const SHARES: Record<Phase, number> = {
  test: 0.13,
  technique: 0.3,
  reading: 0.13,
  pace: 0.17,
  together: 0.14,
  pressure: 0.13,
};
/** What an hour can least do without is chosen first. */
const FIRST: Phase[] = ['technique', 'pressure', 'test', 'pace', 'reading', 'together'];
/** What no hour is without, however many putt in turn: their shortest drills are taken where no other has room. */
const NEEDED: readonly Phase[] = ['technique', 'pressure'];

/** Less than this is no drill, minutes. */
const LEAST = 3;

/** How much a drill is worth to a plan: what it trains, against what is needed. */
function worthOf({ drill, meets, ago, players }: Candidate, { needs, goals }: Wish): number {
  const ratio = (skill: string) => needs.find((need) => need.skill === skill)?.ratio ?? 1;
  const trained = drill.skills.filter(isTrained);
  const need =
    trained.length === 0
      ? 1
      : trained.reduce((sum, skill) => sum + ratio(skill), 0) / trained.length;
  const wanted =
    goals.length === 0 ? 1 : drill.skills.some((skill) => goals.includes(skill)) ? 2 : 0.4;
  const teaches = players.every(({ passes }) => passes >= 0.45 && passes <= 0.92) ? 1 : 0.4;
  const ends = players.some(({ finish }) => hardlyEnds(finish)) ? 0.5 : 1;
  const fresh = ago === null ? 1 : 1 - 0.5 / (1 + ago);
  return need * wanted * teaches * ends * fresh * (meets.length > 0 ? 1.5 : 1);
}

/** Why a drill is in a plan, as a coach would say it. */
function whyOf({ drill, meets }: Candidate, phase: Phase, { needs, goals }: Wish): string {
  if (phase === 'test') return 'A cold test is due.';
  const need = needs.find(({ skill }) => drill.skills.includes(skill));
  const wished = goals.find((goal) => drill.skills.includes(goal));
  const parts = [
    meets.length > 0 && `for the miss “${meets[0]}”`,
    wished && `trains ${skillWords(wished)}, as requested`,
    need && !need.known && `not enough data yet on ${skillWords(need.skill)}`,
    need &&
      need.known &&
      need.ratio > 1.05 &&
      `the ${skillWords(need.skill)} window is ${need.ratio.toFixed(1)} times a good one`,
    need && need.known && need.ratio <= 1.05 && `maintains a good ${skillWords(need.skill)}`,
  ].filter((part): part is string => typeof part === 'string');
  const said =
    parts.slice(0, 2).join('; ') || `suits the ${PHASE_WORDS[phase]} part of the session`;
  return `${asSentence(said)}.`;
}

/**
 * Proposes the blocks of a plan, in the order of practice: for each phase the drill that is worth most and fits, then more
 * until the time is used. Its median never exceeds the minutes, whatever was kept permitting.
 *
 * @param wish what it is to be
 * @param candidates drills that suit, each timed
 * @param kept blocks that stay, in their order
 * @returns the whole plan in order, the kept ones in it
 */
export function proposeHour(
  wish: Wish,
  candidates: readonly Candidate[],
  kept: readonly Kept[] = [],
): (Proposed | Kept)[] {
  const chosen: { phase: Phase; timed: Timed; block: Proposed | Kept }[] = kept.map((block) => ({
    phase: block.phase,
    timed: block,
    block,
  }));
  const ordered = () =>
    chosen.toSorted((a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase));
  const fits = (...more: Timed[]) =>
    totalsOf([...chosen.map(({ timed }) => timed), ...more]).median <= wish.minutes;
  const take = (candidate: Candidate) => {
    const phase = phaseOf(candidate.drill);
    chosen.push({
      phase,
      timed: candidate,
      block: { id: candidate.id, phase, why: whyOf(candidate, phase, wish) },
    });
  };
  const ranked = candidates
    .map((candidate) => ({
      candidate,
      phase: phaseOf(candidate.drill),
      worth: worthOf(candidate, wish),
      median: blockSpan(candidate).median,
    }))
    .filter(({ phase, median }) => (wish.cold || phase !== 'test') && median >= LEAST)
    .sort((a, b) => b.worth - a.worth);
  const shortest = <T extends { median: number }>(some: readonly T[]): T | undefined =>
    some.toSorted((a, b) => a.median - b.median)[0];
  const isIn = (id: string) => chosen.some(({ block }) => block.id === id);
  const trains = (phase: Phase) => chosen.some((one) => one.phase === phase);
  const scale = wish.cold ? 1 : 1 / (1 - SHARES.test);
  for (const phase of FIRST) {
    if (trains(phase)) continue;
    const budget = scale * SHARES[phase] * wish.minutes;
    // Room is left for what is still needed.
    const reserved = NEEDED.filter((one) => one !== phase && !trains(one)).flatMap(
      (one) => shortest(ranked.filter((each) => each.phase === one))?.candidate ?? [],
    );
    const all = ranked.filter((one) => one.phase === phase);
    const roomy = all.filter(({ candidate }) => fits(candidate, ...reserved));
    const here = roomy.length > 0 ? roomy : all.filter(({ candidate }) => fits(candidate));
    const most = NEEDED.includes(phase) ? Infinity : 2 * budget;
    // The best that keeps to its share, or else the shortest: an hour without a phase is none.
    const found =
      here.find(({ median }) => median <= budget) ??
      shortest(here.filter(({ median }) => median <= most));
    if (found) take(found.candidate);
  }
  for (const { candidate, phase } of ranked) {
    if (phase === 'test' || isIn(candidate.id)) continue;
    const inPhase = chosen.filter((one) => one.phase === phase).length;
    if (inPhase < 2 && fits(candidate)) take(candidate);
  }
  return ordered().map(({ block }) => block);
}

/**
 * What makes a rule end that hardly does: a lower rung, or the cap.
 *
 * @param time of the player on the rung chosen
 * @param cap of the drill
 * @param lower finishes on lower rungs, the nearest first
 */
export function endsBy(
  time: PlayerTime,
  cap: Cap,
  lower: readonly { rung: number; finish: Finish }[],
): string | null {
  if (!hardlyEnds(time.finish)) return null;
  const chance = Math.round(100 * time.finish.inTime);
  const easier = lower.find(({ finish }) => !hardlyEnds(finish));
  const capped = time.finish.cap.by === 'putts' ? `${cap.putts} putts` : `${cap.minutes} minutes`;
  return `The chance of finishing within ${capped} is ${chance < 1 ? 'under 1' : `only ${chance}`} %. ${
    easier ? `Rung ${easier.rung + 1} should finish in time.` : 'The limit will end the drill.'
  }`;
}
