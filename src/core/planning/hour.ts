import type { Cap, DrillValues, Skill } from '@/core/drill';
import { hardlyEnds, type Finish } from './finish';
import type { Need, Trained } from './needs';
import { PHASES, phaseOf, type Phase } from './phase';
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

/** A drill of a plan, with how it runs for each of its players. */
export interface Timed {
  players: readonly PlayerTime[];
  /** s */
  setUp: number;
}

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

/** Values of the skills that the odds were reckoned for. */
const pointsOf = ({ players }: Timed): number => players[0]?.finish.goingOn.length ?? 1;

/** The times of one block at one value of the skills: players of a group putt in turn. */
function blockTimes({ players, setUp }: Timed, point: number): Times {
  return players.reduce(
    (times, { finish, seconds }) => after(times, timesOf(finish.goingOn[point]!, seconds)),
    sureTime(setUp / 60),
  );
}

/** How long one block takes, setting up and all. */
export const blockSpan = (block: Timed): Span =>
  spanOf(mixed(Array.from({ length: pointsOf(block) }, (_, point) => blockTimes(block, point))));

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

/** Putts a player makes on average before a block ends. */
const puttsOf = ({ finish }: PlayerTime): number => {
  let sum = 0;
  for (const course of finish.goingOn) {
    for (const left of course) sum += left / finish.goingOn.length;
  }
  return sum;
};

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
  const points = Math.max(...blocks.map(pointsOf));
  const sums = Array.from({ length: points }, (_, point) =>
    blocks.reduce(
      (times, block) => after(times, blockTimes(block, point % pointsOf(block))),
      sureTime(0),
    ),
  );
  const putting = mixed(sums);
  const rests = Math.floor(timeWithin(putting, 0.5) / REST.every);
  const whole = after(putting, sureTime(rests * REST.lasts));
  const players = Math.max(...blocks.map((block) => block.players.length));
  const putts = Math.max(
    ...Array.from({ length: players }, (_, i) =>
      blocks.reduce((sum, block) => sum + (block.players[i] ? puttsOf(block.players[i]) : 0), 0),
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

/** What of the time each phase gets, of what is left after a cold test. */
const SHARES: Record<Phase, number> = {
  test: 0.2,
  technique: 0.35,
  reading: 0.15,
  pace: 0.2,
  together: 0.15,
  pressure: 0.15,
};

/** Less than this is no drill, minutes. */
const LEAST = 3;

const SKILL_NEEDS = new Set<string>(['start', 'face', 'path', 'strike', 'pace']);

/** How much a drill is worth to a plan: what it trains, against what is needed. */
function worthOf({ drill, meets, ago, players }: Candidate, { needs, goals }: Wish): number {
  const ratio = (skill: Skill) => needs.find((need) => need.skill === skill)?.ratio ?? 1;
  const trained = drill.skills.filter((skill) => SKILL_NEEDS.has(skill));
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

const SKILL_SAID: Record<Trained, string> = {
  start: 'the start line',
  face: 'the face',
  path: 'the path',
  strike: 'the strike',
  pace: 'the pace',
};

/** Why a drill is in a plan, as a coach would say it. */
function whyOf({ drill, meets, ago }: Candidate, phase: Phase, { needs, goals }: Wish): string {
  if (phase === 'test') return 'A cold test is due.';
  const [weakest] = needs;
  const parts = [
    meets.length > 0 && `for the ${meets[0]}`,
    weakest &&
      drill.skills.includes(weakest.skill) &&
      `for ${SKILL_SAID[weakest.skill]}, ${weakest.known ? 'what is weakest now' : 'of which little is known yet'}`,
    ...goals
      .filter((goal) => drill.skills.includes(goal) && goal !== weakest?.skill)
      .map(
        (goal) => `for ${SKILL_NEEDS.has(goal) ? SKILL_SAID[goal as Trained] : goal}, as wished`,
      ),
    ago === null && 'not played lately',
  ].filter((part): part is string => typeof part === 'string');
  const said = parts.slice(0, 2).join('; ') || 'for its place in the hour';
  return `${said[0]!.toUpperCase()}${said.slice(1)}.`;
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
  const fits = (more: Timed) =>
    totalsOf([...chosen.map(({ timed }) => timed), more]).median <= wish.minutes;
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
  const isIn = (id: string) => chosen.some(({ block }) => block.id === id);
  const trains = (phase: Phase) => chosen.some((one) => one.phase === phase);
  for (const phase of PHASES) {
    if (trains(phase)) continue;
    const budget = SHARES[phase] * wish.minutes;
    const here = ranked.filter((one) => one.phase === phase && fits(one.candidate));
    // The best that keeps to its share, or else the shortest: an hour without a phase is none.
    const found =
      here.find(({ median }) => median <= 1.25 * budget) ??
      here.toSorted((a, b) => a.median - b.median).find(({ median }) => median <= 2 * budget);
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
  return `Done before its cap of ${capped} only ${chance} times in 100: ${
    easier ? `rung ${easier.rung + 1} would end it.` : 'the cap will end it.'
  }`;
}
