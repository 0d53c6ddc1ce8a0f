import { replay, type Course, type Made, type Manner, type RuleGround } from '@/core/drill';
import { layoutAt, ownPlace, type Layout } from '@/core/layout';
import { simulatePutt, type SimulatedPutt, type Truth } from './player';
import type { Chance } from './random';

/** A simulated putt, where it was made and how. */
export type PlacedPutt = SimulatedPutt & Pick<Made, 'place' | 'manner'>;

/** From putt to putt, so that no cap in minutes cuts a short drill off, ms. */
const APART = 20_000;

/**
 * Putts of a drill as its rule sends the player on: from station to station, and from farther after a miss.
 *
 * @param truthAs the player's truth for a manner of putting
 * @param layout what stands at the ball mark
 * @param course what the drill says
 * @param ground stations and rungs it is played on
 * @param count putts
 * @param chance a seeded source
 * @param pointed whether strikes and finishes are pointed at
 */
export function simulateRun(
  truthAs: (manner: Manner) => Truth,
  layout: Layout,
  course: Course,
  ground: RuleGround,
  count: number,
  chance: Chance,
  pointed = false,
): PlacedPutt[] {
  const putts: PlacedPutt[] = [];
  for (let made = 0; made < count; made++) {
    const so = putts.map((putt, index) => ({ ...putt, at: new Date(index * APART) }));
    const { next } = replay(course, ground, [{ layout, putts: so }]);
    const { place, manner } = next ?? { place: ownPlace(layout), manner: 'usual' as const };
    const there = layoutAt(layout, place) ?? layout;
    putts.push({
      ...simulatePutt(truthAs(manner), there, chance, pointed),
      place,
      manner,
    });
  }
  return putts;
}
