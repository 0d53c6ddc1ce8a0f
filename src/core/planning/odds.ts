import { DEFAULT_OWN } from '@/core/units';
import { quantities } from '@/core/quantity';
import {
  counting,
  judge,
  layoutAt,
  onRung,
  placeAfter,
  spotKey,
  standing,
  stationCount,
  stationPlace,
  traitsOf,
  type Ladder,
  type Launch,
  type Layout,
  type Outcomes,
  type PuttPlace as LayoutPlace,
} from '@/core/layout';
import {
  steeringIds,
  SLIP_SHARE,
  evenNormals,
  truthsOf,
  type Belief,
  type Truths,
} from '@/core/scoring';
import type { Correction } from '@/core/people';
import { corrected } from './correction';
import type { Kind, PuttPlace } from './chain';
import type { Odds } from './finish';

/** Values of a player's skills, and putts thrown at each: evenly spread, so that few do. */
const FINE = { points: 32, thrown: 48 } as const;
/** For looking which rung is meant. */
const COARSE = { points: 5, thrown: 40 } as const;

/** How often something passes that only an eye can tell, unknown of every player: from here to there. */
const SEEN = { least: 0.5, most: 0.9 } as const;

/** What happens on a putt of a drill, as a planner knows it. */
export interface DrillOdds extends Odds {
  /** Share of putts that pass where the drill begins, on average over what is not known. */
  passes: number;
  /** What counts can only be seen by eye: its odds are assumed, not known. */
  assumed: boolean;
}

/** A ladder and where on it a drill is begun, from 0; null as drawn. */
interface OnLadder {
  ladder: Ladder;
  rung: number | null;
}

const RESTS = ['short', 'in', 'long'] as const;

/** Multiples of it are spread evenly over 0 to 1, whatever their number. */
const GOLDEN = 0.618_033_988_749_895;

/** What stands where a putt is played, ready to be putted at. */
function targetOf(layout: Layout, kinds: readonly Kind[]) {
  const elements = standing(layout);
  const passes = judge(layout);
  const idOf = (as: 'hole' | 'zone') => counting(layout, as)?.id ?? '';
  const [hole, zone] = [idOf('hole'), idOf('zone')];
  // What happened, in few words, is some kind of putt: looked up once.
  const known = new Map<string, number>();
  const kindOf = (outcomes: Outcomes): number => {
    let key = '';
    for (const id in outcomes) key += `${outcomes[id]} `;
    let found = known.get(key);
    if (found === undefined) {
      const passed = passes(outcomes) === true;
      const holed = outcomes[hole] === undefined ? null : outcomes[hole] === 'holed';
      const rest = RESTS.find((one) => one === outcomes[zone]) ?? null;
      found = kinds.findIndex(
        (kind) => kind.passed === passed && kind.holed === holed && kind.rest === rest,
      );
      known.set(key, found);
    }
    return found;
  };
  const eyes = new Map(
    elements
      .filter(({ traits }) => traits.byEye)
      .map((element) => {
        const all = element.outcomes();
        const [right, wrong] = [true, false].map((is) => all.find(({ passes }) => passes === is));
        return [element.id, { right: right!.id, wrong: (wrong ?? right)!.id }];
      }),
  );
  /** Shares of the kinds at one value of the skills; `eye` is how often what only an eye tells is right. */
  return (truth: Truths[number], count: number, eye: number): number[] => {
    const shares = kinds.map(() => 0);
    for (const [index, z] of evenNormals(count, steeringIds().length).entries()) {
      const launch = launchOf(truth, z);
      const seen = (index * GOLDEN) % 1 < eye ? 'right' : 'wrong';
      const outcomes: Outcomes = {};
      for (const element of elements) {
        const met = eyes.get(element.id)?.[seen] ?? element.meets(launch);
        if (met !== null) outcomes[element.id] = met;
      }
      shares[kindOf(outcomes)]! += 1 / count;
    }
    return shares;
  };
}

/** The layout of a drill on one of its rungs. */
function rungLayout(layout: Layout, { ladder, rung: begun }: OnLadder, rung: number): Layout {
  const on = begun === null ? undefined : ladder[rung];
  return on ? onRung(layout, on) : layout;
}

/** Places of second putts that stand for all: evenly picked from those that were thrown. */
const SPOTS = 8;
/** Putts thrown to see where they come to rest. */
const RESTS_THROWN = 32;

/** Some of many, evenly. */
const picked = <T>(all: readonly T[], count: number): T[] =>
  all.length <= count
    ? [...all]
    : Array.from({ length: count }, (_, i) => all[Math.floor(((i + 0.5) * all.length) / count)]!);

/** Where balls of one player lie that were putted from somewhere and missed, each put a length farther from the hole. */
function placesAfterMisses(
  layout: Layout,
  from: readonly LayoutPlace[],
  truth: Truths[number],
): LayoutPlace[] {
  const thrown = Math.max(4, Math.round(RESTS_THROWN / from.length));
  const next = from.flatMap((place) => {
    const there = layoutAt(layout, place);
    const cup = there && standing(there).find(({ traits }) => traits.counts === 'hole');
    if (!cup?.pointing) return [];
    return evenNormals(thrown, steeringIds().length).flatMap((z) => {
      const launch = launchOf(truth, z);
      if (cup.meets(launch) === 'holed') return [];
      return [placeAfter(place, cup.pointing!.spotOf(launch), DEFAULT_OWN.putter)];
    });
  });
  return picked(
    next.sort((a, b) => a.spot!.distance - b.spot!.distance),
    SPOTS,
  );
}

/** A putt of a player as it leaves the face. */
function launchOf({ bias, spread, faceShare }: Truths[number], z: Float64Array): Launch {
  const at = Object.fromEntries(
    Object.keys(bias).map((id, i) => [id, bias[id]! + spread[id]! * z[i]!]),
  );
  const direction = quantities().reduce(
    (sum, { id, startShare }) => sum + (startShare ? startShare(faceShare) * at[id]! : 0),
    0,
  );
  return { direction, ...at };
}

/**
 * How likely each kind of putt is for a player on a drill, by throwing evenly spread putts at what stands there, for evenly
 * spread values of what is known of the player.
 *
 * @param layout fitted to the player, as it is drawn
 * @param on the drill's ladder, and the rung it is begun on
 * @param belief what is known of the player
 * @param faceShare how much of the start direction is the face's, 0 to 1
 * @param fineness values of the skills, and putts thrown at each
 * @param correction of chances to pass, from how forecasts have turned out; null for none
 */
export function oddsOf(
  layout: Layout,
  on: OnLadder,
  belief: Belief,
  faceShare: number,
  { points, thrown: count }: { points: number; thrown: number } = FINE,
  correction: Correction | null = null,
): DrillOdds {
  const truths = truthsOf(belief, points, faceShare);
  const assumed = layout.elements.some(({ kind }) => traitsOf(kind).byEye);
  const eyeAt = (point: number) =>
    SEEN.least + ((SEEN.most - SEEN.least) * (point + 0.5)) / truths.length;
  const kinds = allKinds(layout);
  const targets = new Map<string, ReturnType<typeof targetOf>>();
  const stood = new Map<number, Layout>();
  const layoutOn = (rung: number): Layout => {
    const known = stood.get(rung) ?? rungLayout(layout, on, rung);
    stood.set(rung, known);
    return known;
  };
  const spots = new Map<string, LayoutPlace[]>();
  /** Places that stand for all from which a putt may be made. */
  const spotsOf = ({ station, rung, again }: PuttPlace, point: number): LayoutPlace[] => {
    const key = `${station} ${rung} ${again}${again > 0 ? ` ${point}` : ''}`;
    const known = spots.get(key);
    if (known) return known;
    const here = layoutOn(rung);
    const found =
      again > 0
        ? placesAfterMisses(
            here,
            spotsOf({ station, rung, again: again - 1 }, point),
            truths[point]!,
          )
        : station === null
          ? Array.from({ length: stationCount(here) }, (_, i) => stationPlace(here, i))
          : [stationPlace(here, station)];
    spots.set(key, found);
    return found;
  };
  const targetAt = (rung: number, place: LayoutPlace) => {
    const key = `${rung} ${spotKey(place)}`;
    const known = targets.get(key);
    if (known) return known;
    const there = layoutAt(layoutOn(rung), place);
    const made = there
      ? targetOf(there, kinds)
      : () => kinds.map((_, i) => Number(i === kinds.length - 1));
    targets.set(key, made);
    return made;
  };
  const found = new Map<string, number[]>();
  const at = (place: PuttPlace, point: number): number[] => {
    const where = `${place.station} ${place.rung} ${place.again} ${point}`;
    const known = found.get(where);
    if (known) return known;
    const places = spotsOf(place, point);
    // Where nothing is ever missed there is no second putt: it is as the first.
    const from = places.length > 0 ? places : spotsOf({ ...place, again: 0 }, point);
    const each = Math.max(16, Math.round(count / Math.sqrt(from.length)));
    const shares = kinds.map(() => 0);
    for (const spot of from) {
      targetAt(place.rung, spot)(truths[point]!, each, eyeAt(point)).forEach(
        (share, i) => (shares[i]! += ((1 - SLIP_SHARE) * share) / from.length),
      );
    }
    // A slip does nothing that counts.
    shares[shares.length - 1]! += SLIP_SHARE;
    const told = correction ? correctedShares(shares, kinds, correction) : shares;
    found.set(where, told);
    return told;
  };
  const first: PuttPlace = { station: null, rung: on.rung ?? 0, again: 0 };
  let passes = 0;
  for (let point = 0; point < truths.length; point++) {
    at(first, point).forEach((share, i) => {
      if (kinds[i]!.passed) passes += share / truths.length;
    });
  }
  return { kinds, points: truths.length, at, passes, assumed };
}

/** Shares of the kinds of putts with their chance to pass corrected; kinds that pass keep their proportions, and so do the others. */
function correctedShares(
  shares: readonly number[],
  kinds: readonly Kind[],
  correction: Correction,
): number[] {
  const passes = shares.reduce((sum, share, i) => sum + (kinds[i]!.passed ? share : 0), 0);
  if (passes <= 0 || passes >= 1) return [...shares];
  const now = corrected(passes, correction);
  return shares.map(
    (share, i) => share * (kinds[i]!.passed ? now / passes : (1 - now) / (1 - passes)),
  );
}

/** Every kind of putt that a layout can tell apart; the last one is a slip: missed and short. */
function allKinds(layout: Layout): Kind[] {
  const holes = counting(layout, 'hole') ? [true, false] : [null];
  const rests = counting(layout, 'zone') ? (['in', 'long', 'short'] as const) : [null];
  return [true, false].flatMap((passed) =>
    holes.flatMap((holed) => rests.map((rest): Kind => ({ passed, holed, rest, guessed: null }))),
  );
}

/** Share of putts that a rung should let through. */
const TEACHES = 0.7;

/**
 * The rung of a ladder that teaches a player most: the one whose share of passes is nearest to seven in ten.
 *
 * @returns its place from 0, null when there are no rungs; with the odds there
 */
export function teachingRung(
  layout: Layout,
  ladder: Ladder,
  belief: Belief,
  faceShare: number,
  correction: Correction | null = null,
): { rung: number | null; odds: DrillOdds } {
  const odds = (rung: number | null, fineness: typeof FINE | typeof COARSE = FINE) =>
    oddsOf(layout, { ladder, rung }, belief, faceShare, fineness, correction);
  if (ladder.length === 0) return { rung: null, odds: odds(null) };
  const known = new Map<number, number>();
  const passesAt = (rung: number): number => {
    const passes = known.get(rung) ?? odds(rung, COARSE).passes;
    known.set(rung, passes);
    return passes;
  };
  // Rungs get stricter: the first that passes less than that, or the one before it.
  let [low, high] = [0, ladder.length - 1];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (passesAt(middle) > TEACHES) low = middle + 1;
    else high = middle;
  }
  const apart = (rung: number) => Math.abs(passesAt(rung) - TEACHES);
  const rung = low > 0 && apart(low - 1) <= apart(low) ? low - 1 : low;
  return { rung, odds: odds(rung) };
}
