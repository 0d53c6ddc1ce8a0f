import { standing, type Outcomes, type Points, type Layout } from '@/core/layout';

/** Guesses against what came true. */
export interface Feel {
  guesses: number;
  /** Those whose outcome came true. */
  right: number;
  /** Distances guessed and seen, where both were pointed at; null with fewer than three. */
  distance: {
    pairs: number;
    /** Mean of guessed less seen, m past; and its standard deviation. */
    bias: number;
    spread: number;
    /** Of guessed with seen, -1 to 1; null when one of them never changes. */
    correlation: number | null;
  } | null;
}

/** A putt with what was guessed of it before it was looked at. */
export interface GuessedPutt {
  outcomes: Outcomes;
  points: Points;
  guess: { outcomes: Outcomes; points: Points } | null;
}

/** Fewer pairs than this make no line. */
const ENOUGH = 3;

const mean = (values: number[]): number =>
  values.reduce((sum, one) => sum + one, 0) / values.length;

/**
 * How well a player feels what the ball does: guesses taken before looking, against what came true.
 *
 * @param runs layouts with the putts that count
 * @returns null when nothing was guessed
 */
export function feelOf(
  runs: readonly { layout: Layout; putts: readonly GuessedPutt[] }[],
): Feel | null {
  let [guesses, right] = [0, 0];
  const pairs: [guessed: number, seen: number][] = [];
  for (const { layout, putts } of runs) {
    const elements = standing(layout);
    for (const { outcomes, points, guess } of putts) {
      if (!guess) continue;
      for (const [id, guessed] of Object.entries(guess.outcomes)) {
        guesses += 1;
        right += Number(outcomes[id] === guessed);
        const pointing = elements.find((element) => element.id === id)?.pointing;
        const [from, to] = [guess.points[id], points[id]];
        if (!pointing || pointing.on !== 'green' || !from || !to) continue;
        pairs.push([pointing.says(from)[0]!.value, pointing.says(to)[0]!.value]);
      }
    }
  }
  if (guesses === 0) return null;
  return { guesses, right, distance: pairs.length < ENOUGH ? null : compared(pairs) };
}

function compared(pairs: [number, number][]): NonNullable<Feel['distance']> {
  const off = pairs.map(([guessed, seen]) => guessed - seen);
  const bias = mean(off);
  const spread = Math.sqrt(off.reduce((sum, one) => sum + (one - bias) ** 2, 0) / (off.length - 1));
  const [a, b] = [mean(pairs.map(([one]) => one)), mean(pairs.map(([, one]) => one))];
  const both = pairs.reduce((sum, [x, y]) => sum + (x - a) * (y - b), 0);
  const sizes = Math.sqrt(
    pairs.reduce((sum, [x]) => sum + (x - a) ** 2, 0) *
      pairs.reduce((sum, [, y]) => sum + (y - b) ** 2, 0),
  );
  return { pairs: pairs.length, bias, spread, correlation: sizes > 0 ? both / sizes : null };
}
