import { showChance } from '@/core/units';
import { normalBelow } from '@/core/numbers';
import type { Putt } from '@/core/drill';
import { judge, layoutAt, standing, traitsOf, type Layout } from '@/core/layout';
import type { LoggedSession } from '@/core/scoring';
import { rateBelow } from './gate-fit';

/** How often something a coach looks for was so, with its 80 % interval; shares. */
export interface Rate {
  right: number;
  of: number;
  low: number;
  middle: number;
  high: number;
}

/** Something that only an eye tells, over the weeks. */
export interface Check {
  /** What is looked for. */
  question: string;
  /** What it is called when it is so. */
  good: string;
  /** In order of time, those in which it was looked for. */
  sessions: (Rate & { id: string; at: Date })[];
  all: Rate;
  /** The later half of the sessions against the earlier one; null with one session. */
  change: {
    then: Rate;
    now: Rate;
    /** How likely it is so more often now. */
    better: number;
  } | null;
  /** How often the putt itself did what counts, when it was so and when not; null where too few were either. */
  effect: {
    so: Rate;
    not: Rate;
    /** How likely the putt does it more often when it is so, like putts compared. */
    better: number;
    /** How many bands of like putts have both. */
    bands: number;
  } | null;
}

const TAIL = 0.1;
/** Halvings of the interval 0 to 1: to a millionth. */
const HALVINGS = 20;
/** Equally likely values of a rate, for one against another. */
const POINTS = 64;

/** The rate below which a share of the posterior lies. */
function quantile(share: number, right: number, of: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (rateBelow(middle, right, of) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * A rate with its interval: the median and the 10 % and 90 % quantiles of the uniform prior's Beta posterior.
 *
 * @param right how often it was so, 0 to `of`
 * @param of how often it was looked for
 * @example rateOf(0, 0) // { right: 0, of: 0, low: 0.1, middle: 0.5, high: 0.9 }
 */
export const rateOf = (right: number, of: number): Rate => ({
  right,
  of,
  low: quantile(TAIL, right, of),
  middle: quantile(0.5, right, of),
  high: quantile(1 - TAIL, right, of),
});

/**
 * How likely one rate is larger than another, each with a uniform prior.
 *
 * @param by larger by more than this share, 0 to 1
 * @returns 0 to 1
 */
export function likelyLarger(one: Rate, other: Rate, by = 0): number {
  let sum = 0;
  for (let i = 0; i < POINTS; i++) {
    const value = quantile((i + 0.5) / POINTS, one.right, one.of);
    sum += rateBelow(value - by, other.right, other.of) / POINTS;
  }
  return sum;
}

/** Fewer putts than this on either side say nothing of what it does. */
const ENOUGH = 8;

/** Whether a putt did what counts, what an eye looks for left aside; null where nothing else was logged. */
function otherwise(layout: Layout): ReturnType<typeof judge> | null {
  const elements = layout.elements.filter(({ kind }) => !traitsOf(kind).byEye);
  const rest = { ...layout, elements };
  return standing(rest).some((element) => element.outcomes().length > 0) ? judge(rest) : null;
}

/** Putts of one band: how many passed of those on which something was so, and of those on which it was not. */
export interface Stratum {
  so: { right: number; of: number };
  not: { right: number; of: number };
}

/**
 * Returns how likely putts pass more often when something is so. Only like putts are compared, so that short putts are not compared
 * with long ones: the one-sided test of Mantel and Haenszel (1959), with its correction for continuity.
 *
 * @param strata the bands of like putts
 * @returns 0 to 1; a half where no band has both
 */
export function likelyHelps(strata: readonly Stratum[]): number {
  let [over, variance] = [0, 0];
  for (const { so, not } of strata) {
    const [all, right] = [so.of + not.of, so.right + not.right];
    if (so.of === 0 || not.of === 0) continue;
    over += so.right - (so.of * right) / all;
    variance += (so.of * not.of * right * (all - right)) / (all * all * (all - 1));
  }
  if (variance === 0) return 0.5;
  const corrected = Math.max(0, Math.abs(over) - 0.5);
  return normalBelow((Math.sign(over) * corrected) / Math.sqrt(variance));
}

/** Putts are compared within bands of length, and on a slope within bands of the direction it falls in: m and rad. */
const BANDS = { distance: 0.3, falls: Math.PI / 4 } as const;

/** Names the band that a putt belongs to, from where it was made. */
function bandOf(layout: Layout, place: Putt['place']): string {
  const { distance, slope } = ((place && layoutAt(layout, place)) ?? layout).putt;
  const falls = slope.grade === 0 ? 0 : Math.round(slope.falls / BANDS.falls);
  return JSON.stringify([Math.round(distance / BANDS.distance), slope.grade, falls]);
}

interface Looked {
  id: string;
  question: string;
  good: string;
  /** The outcome that is so. */
  right: string;
}

/** What an eye tells on a layout; most have nothing of the kind, and need not be stood up to know it. */
const lookedFor = (layout: Layout): Looked[] =>
  !layout.elements.some(({ kind }) => traitsOf(kind).byEye)
    ? []
    : standing(layout).flatMap((element): Looked[] => {
        // What a read should have been is another on each putt: it has a measure of its own.
        if (!element.traits.byEye || element.traits.asksRead) return [];
        const right = element.outcomes().find(({ passes }) => passes);
        return right
          ? [{ id: element.id, question: element.asks, good: right.label, right: right.id }]
          : [];
      });

const together = (rates: readonly Rate[]): Rate =>
  rateOf(
    rates.reduce((sum, { right }) => sum + right, 0),
    rates.reduce((sum, { of }) => sum + of, 0),
  );

/**
 * What coaches looked for with their own eyes, over the weeks: how often it was so, session by session, and whether it
 * has become more often.
 *
 * @param sessions in order of time
 * @returns what was looked for last first
 */
export function checksOf(sessions: readonly LoggedSession[]): Check[] {
  const found = new Map<
    string,
    {
      good: string;
      counts: Map<string, { at: Date; right: number; of: number }>;
      /** By band of like putts. */
      putts: Map<string, Stratum>;
    }
  >();
  for (const { id, at, runs } of sessions) {
    for (const { layout, putts } of runs) {
      const looked = lookedFor(layout);
      const passes = looked.length > 0 ? otherwise(layout) : null;
      for (const { id: element, question, good, right } of looked) {
        const check = found.get(question) ?? {
          good,
          counts: new Map(),
          putts: new Map<string, Stratum>(),
        };
        const count = check.counts.get(id) ?? { at, right: 0, of: 0 };
        for (const { outcomes, place } of putts) {
          if (outcomes[element] === undefined) continue;
          count.of += 1;
          const so = outcomes[element] === right;
          count.right += Number(so);
          const passed = passes?.(outcomes) ?? null;
          if (passed === null) continue;
          const key = bandOf(layout, place);
          const there = check.putts.get(key) ?? {
            so: { right: 0, of: 0 },
            not: { right: 0, of: 0 },
          };
          check.putts.set(key, there);
          const of = there[so ? 'so' : 'not'];
          of.of += 1;
          of.right += Number(passed);
        }
        if (count.of === 0) continue;
        check.counts.set(id, count);
        found.set(question, check);
      }
    }
  }
  return [...found]
    .map(([question, { good, counts, putts }]): Check => {
      const rates = [...counts].map(([id, { at, right, of }]) => ({
        id,
        at,
        ...rateOf(right, of),
      }));
      const strata = [...putts.values()];
      const over = (which: 'so' | 'not') => {
        const some = strata.map((one) => one[which]);
        return rateOf(
          some.reduce((sum, { right }) => sum + right, 0),
          some.reduce((sum, { of }) => sum + of, 0),
        );
      };
      const [so, not] = [over('so'), over('not')];
      const bands = strata.filter((one) => one.so.of > 0 && one.not.of > 0).length;
      const told = Math.min(so.of, not.of) >= ENOUGH;
      const half = Math.ceil(rates.length / 2);
      const [then, now] = [together(rates.slice(0, half)), together(rates.slice(half))];
      return {
        question,
        good,
        sessions: rates,
        all: together(rates),
        change: rates.length > 1 ? { then, now, better: likelyLarger(now, then) } : null,
        effect: told ? { so, not, better: likelyHelps(strata), bands } : null,
      };
    })
    .sort((a, b) => b.sessions.at(-1)!.at.getTime() - a.sessions.at(-1)!.at.getTime());
}

/** How sure one must be of a change, or of what something does, to speak of it. */
const SURE = 0.95;

/**
 * A check in a sentence: "18 of 24, 74 % (80 % interval 62 to 84 %); more often than before, 96 % sure".
 *
 * @param check by {@link checksOf}
 */
export function checkWords({ all, change }: Check): string {
  const percent = (share: number) => Math.round(100 * share);
  const now = `${all.right} of ${all.of}, about ${percent(all.middle)} % (80 % interval ${percent(all.low)}–${percent(all.high)} %)`;
  if (!change) return now;
  const { better } = change;
  const sure = showChance(Math.max(better, 1 - better));
  return better > SURE
    ? `${now}, more often than before (${sure} sure)`
    : better < 1 - SURE
      ? `${now}, less often than before (${sure} sure)`
      : `${now}, no clear change`;
}

/**
 * What it does to the putt, in a sentence: "When so, 24 of 30 putts passed, else 5 of 12: it helps, 97 % sure".
 *
 * @param effect of a check
 */
export function effectOfCheckWords({
  so,
  not,
  better,
  bands,
}: NonNullable<Check['effect']>): string {
  const alike = bands > 1 ? ', comparing putts of the same length' : '';
  const sure = `${showChance(Math.max(better, 1 - better))} sure${alike}`;
  const counts = `With it, ${so.right} of ${so.of} putts passed; without it, ${not.right} of ${not.of}`;
  return better > SURE
    ? `${counts}. It helps (${sure})`
    : better < 1 - SURE
      ? `${counts}. It does not help (${sure})`
      : `${counts}. There is no clear difference`;
}
