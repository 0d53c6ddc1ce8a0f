import { aimFor, makeProbability, type Putt, type Skill } from '@/core/green';
import type { Estimate, SkillPoints } from '@/core/scoring';

/** How well greens are read, as one standard deviation of the aim, rad: of players who were never asked for a read. */
export const ASSUMED_READ = 0.005;

/** The slope whose break a read is reckoned on, rise over run across the putt: an ordinary one, on neither side. */
export const USUAL_SLOPE = 0.015;

/** How often a putt of some length goes in. */
export interface Worth {
  distance: number;
  made: Estimate;
}

/** Points of a belief that are rolled, and how finely: an interval is not known to the last per mille. */
const ROLLED = 20;
const COARSE = { speeds: 36, looks: 32 };

/**
 * Make probability by distance, with its band from what is not known of the player.
 *
 * @param putt the green, slope and pace; its distance is replaced
 * @param start what is known of the start line
 * @param pace what is known of the pace, as a share of the distance
 * @param distances m
 * @param reading what is known of the reads, as a share of the break less one; null where none was asked for, and then a read
 *   is taken to be off by {@link ASSUMED_READ}
 */
export function worthByDistance(
  putt: Putt,
  start: SkillPoints,
  pace: SkillPoints,
  distances: readonly number[],
  reading: SkillPoints | null = null,
): Worth[] {
  const every = Math.max(1, Math.floor(start.bias.length / ROLLED));
  const picked = Array.from({ length: Math.min(ROLLED, start.bias.length) }, (_, i) => i * every);
  return distances.map((distance) => {
    const breaks = reading && usualBreak({ ...putt, distance });
    const readOf = (i: number) =>
      reading && breaks ? breaks * Math.hypot(reading.bias[i]!, reading.spread[i]!) : ASSUMED_READ;
    const made = picked
      .map((i) =>
        makeProbability(
          { ...putt, distance },
          { ...skillAt(start, pace, i), read: readOf(i) },
          COARSE,
        ),
      )
      .sort((a, b) => a - b);
    const at = (share: number) => made[Math.round(share * (made.length - 1))]!;
    return { distance, made: { low: at(0.1), middle: at(0.5), high: at(0.9) } };
  });
}

/** How far to one side of the hole such a putt starts on the usual slope, rad: a share of it that is misread is an error of aim. */
const usualBreak = (putt: Putt): number =>
  Math.abs(
    aimFor({ ...putt, slope: { grade: USUAL_SLOPE, falls: Math.PI / 2 }, tiers: [] }).direction,
  );

/** Distance goes with the square of the speed: a share of the one is half of it of the other. */
const skillAt = (start: SkillPoints, pace: SkillPoints, i: number): Omit<Skill, 'read'> => ({
  direction: { bias: start.bias[i]!, spread: start.spread[i]! },
  speed: { bias: pace.bias[i]! / 2, spread: pace.spread[i]! / 2 },
});

/** What a smaller spread of one skill would bring, in putts made of a hundred. */
export interface Gain {
  skill: 'start' | 'pace' | 'reading';
  gain: number;
}

/** A spread made smaller by this share is what some weeks can bring. */
const BETTER = 0.8;

/**
 * Which skill pays most next: what a fifth less spread of each would bring at one distance.
 *
 * @param putt the putt asked of
 * @param start what is known of the start line
 * @param pace what is known of the pace
 * @param reading what is known of the reads; null where none was asked for
 * @returns the larger gain first, in putts of a hundred
 */
export function gains(
  putt: Putt,
  start: SkillPoints,
  pace: SkillPoints,
  reading: SkillPoints | null = null,
): Gain[] {
  const made = (a: SkillPoints, b: SkillPoints, c: SkillPoints | null) =>
    worthByDistance(putt, a, b, [putt.distance], c)[0]!.made.middle;
  const better = (points: SkillPoints): SkillPoints => ({
    bias: points.bias.map((bias) => BETTER * bias),
    spread: points.spread.map((spread) => BETTER * spread),
  });
  const now = made(start, pace, reading);
  const all: Gain[] = [
    { skill: 'start', gain: 100 * (made(better(start), pace, reading) - now) },
    { skill: 'pace', gain: 100 * (made(start, better(pace), reading) - now) },
  ];
  if (reading) {
    all.push({ skill: 'reading', gain: 100 * (made(start, pace, better(reading)) - now) });
  }
  return all.sort((a, b) => b.gain - a.gain);
}
