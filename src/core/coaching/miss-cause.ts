import { libraryDrill, type LibraryDrill } from '@/core/drill';
import { fitted, judge, layoutAt, settingOf, standing, startOfReading } from '@/core/layout';
import type { Fitting } from '@/core/people';
import {
  biasAt,
  partsOf,
  playerDraws,
  resultChances,
  type Belief,
  type LoggedSession,
} from '@/core/scoring';

/** What a putt that misses may have gone wrong by. */
export const CAUSES = ['read', 'aim', 'stroke', 'pace'] as const;
export type Cause = (typeof CAUSES)[number];

/** Putts on which the player chose the line, all breaking to one side, as their mean. */
export interface OwnLine {
  putts: number;
  /** m. */
  distance: number;
  /** How far right the ball starts, rad, for each whole break that is read too much. */
  byReading: number;
  /** How far right it passes the hole, as an angle from the ball, for each whole way that it is sent too far. */
  byPace: number;
}

/** Why putts miss to one side of the hole, as far as the putts tell. */
export interface MissCause {
  /** Below the hole or above it, on the slope. */
  side: 'low' | 'high';
  /** The same as seen from the ball. */
  towards: 'left' | 'right';
  putts: number;
  /** How likely the putts lean to that side. */
  probability: number;
  /** How likely each cause is the largest part of it. */
  shares: Record<Cause, number>;
  /** The cause, where the others are unlikely. */
  named: Cause | null;
  /** The two likeliest, where none can be named. */
  remain: [Cause, Cause];
  /** The drill of which one putt tells most about which it is; null where a cause is named. */
  telling: LibraryDrill | null;
}

/** How much the pace is changed to see what it does to the line. */
const FIRMER = 0.05;

/**
 * Returns the putts of some sessions on which the player chose the line, by the side to which they break. Putts through a gate
 * or along a line are left out: there the read cannot go wrong.
 *
 * @param sessions what was logged
 */
export function ownLines(sessions: readonly LoggedSession[]): OwnLine[] {
  const found: OwnLine[] = [];
  for (const { layout, putts } of sessions.flatMap(({ runs }) => runs)) {
    const passes = judge(layout);
    for (const { outcomes, place, manner = 'usual' } of putts) {
      const there = place ? layoutAt(layout, place) : layout;
      if (manner !== 'usual' || passes(outcomes) === null || !there) continue;
      const byReading = startOfReading(there);
      if (byReading === null) continue;
      const { passes: at, hole } = settingOf(there.putt, there.player);
      const { distance } = there.putt;
      const byPace = (at(0, hole, FIRMER) - at(0, hole, -FIRMER)) / (2 * FIRMER * distance);
      found.push({ putts: 1, distance, byReading, byPace });
    }
  }
  return [1, -1].flatMap((side) => {
    const some = found.filter(({ byReading }) => side * byReading > 0);
    if (some.length === 0) return [];
    const mean = (of: (one: OwnLine) => number) =>
      some.reduce((sum, one) => sum + of(one), 0) / some.length;
    return [
      {
        putts: some.length,
        distance: mean((one) => one.distance),
        byReading: mean((one) => one.byReading),
        byPace: mean((one) => one.byPace),
      },
    ];
  });
}

/** Fewer putts than this to one side are not told of. */
const ENOUGH = 8;
/** Past the hole's middle by less than this is no miss to a side, m. */
const OFF = 0.02;
/** Less likely than this neither a lean nor a cause is named. */
const SURE = 0.85;
const DRAWS = 600;
const DRAWN = ['face', 'path', 'aim', 'reading', 'pace'];

/** Drills that part the causes, and at which of their elements a putt tells. */
const TELLING = [
  { key: 'read-first', tells: 'reading' },
  { key: 'straight-gate', tells: 'start' },
  { key: 'aim-coin', tells: 'aim' },
  { key: 'limit-line', tells: 'pace' },
] as const;

/**
 * Weighs what a miss to one side comes from: the read, the aim, the stroke or the pace. All four are drawn together from what is
 * known of the player, so that those which the putts do not part stay open.
 *
 * @param belief what is known now
 * @param lines by {@link ownLines}
 * @param faceShare how much of the start direction is the face's
 * @param player whom the next putt is set for
 * @returns null where too few putts were made on the player's own line, or they lean to no side
 */
export function missCause(
  belief: Belief,
  lines: readonly OwnLine[],
  faceShare: number,
  player: Fitting,
): MissCause | null {
  const enough = lines.filter(({ putts }) => putts >= ENOUGH);
  if (enough.length === 0 || belief.side === 'unknown') return null;
  const draws = playerDraws(belief, DRAWN, DRAWS);
  const [aim, reading, pace] = [biasAt('aim'), biasAt('reading'), biasAt('pace')];
  const line = partsOf('start', faceShare);
  const [best] = enough
    .map((one) => {
      const { byReading, byPace, distance, putts } = one;
      const up = Math.sign(byReading);
      /** How far above the hole each cause takes the ball, rad from the ball. */
      const parts = draws.map((at) => {
        const start = line.reduce((sum, { at: place, share }) => sum + share * at[place]!, 0);
        return [
          up * byReading * at[reading]!,
          up * at[aim]!,
          up * (start - at[aim]!),
          up * byPace * at[pace]!,
        ];
      });
      const totals = parts.map((all) => all.reduce((sum, part) => sum + part, 0) * distance);
      const share = (sign: number) => totals.filter((total) => sign * total > OFF).length / DRAWS;
      const side = share(-1) >= share(1) ? ('low' as const) : ('high' as const);
      const sign = side === 'low' ? -1 : 1;
      const towards = sign * up > 0 ? ('right' as const) : ('left' as const);
      return { parts, side, towards, sign, putts, probability: share(sign) };
    })
    .sort((a, b) => b.probability - a.probability);
  if (!best || best.probability < SURE) return null;
  const main = best.parts.map((all) => {
    const towards = all.map((part) => best.sign * part);
    return towards.indexOf(Math.max(...towards));
  });
  const shareOf = (cause: number) => main.filter((one) => one === cause).length / DRAWS;
  const shares = Object.fromEntries(CAUSES.map((cause, i) => [cause, shareOf(i)])) as Record<
    Cause,
    number
  >;
  const [first, second] = CAUSES.toSorted((a, b) => shares[b] - shares[a]);
  const named = shares[first!] >= SURE ? first! : null;
  return {
    side: best.side,
    towards: best.towards,
    putts: best.putts,
    probability: best.probability,
    shares,
    named,
    remain: [first!, second!],
    telling: named ? null : mostTelling(draws, main, faceShare, player),
  };
}

const entropy = (chances: readonly number[]): number =>
  chances.reduce((sum, one) => (one > 0 ? sum - one * Math.log(one) : sum), 0);

/** The drill of whose result most is expected to be learnt about the cause: their mutual information (Lindley 1956). */
function mostTelling(
  draws: readonly Float64Array[],
  main: readonly number[],
  faceShare: number,
  player: Fitting,
): LibraryDrill {
  const groups = CAUSES.map((_, cause) => main.flatMap((one, i) => (one === cause ? [i] : [])));
  const told = TELLING.map(({ key, tells }) => {
    const drill = libraryDrill(key)!;
    const layout = fitted(drill.layout, player);
    const element = standing(layout).find(({ trains }) => trains === tells)!;
    const results = element.outcomes().map(({ id }) => ({ [element.id]: id }));
    const chances = resultChances(layout, results, draws, faceShare);
    const mean = (of: readonly number[]) =>
      chances.map((row) => of.reduce((sum, i) => sum + row[i]!, 0) / of.length);
    const spread = (of: readonly number[]) => entropy(sharesOf(mean(of)));
    const within = groups.reduce(
      (sum, group) =>
        group.length === 0 ? sum : sum + (group.length / draws.length) * spread(group),
      0,
    );
    return { drill, gain: spread(draws.map((_, i) => i)) - within };
  });
  return told.reduce((best, one) => (one.gain > best.gain ? one : best)).drill;
}

/** Some chances as shares of their sum. */
function sharesOf(chances: readonly number[]): number[] {
  const sum = chances.reduce((total, one) => total + one, 0);
  return chances.map((one) => one / sum);
}
