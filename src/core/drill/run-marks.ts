import { z } from 'zod';
import { medianOf } from '@/core/numbers';
import { cardSchema, type Card } from '@/core/setup';

/** Things counted out and in, by kit. */
const counts = z.record(z.string().max(20), z.number().int().min(0).max(200));

/** Something that happens to a run beside putts. */
export const runMarkSchema = z.discriminatedUnion('type', [
  /** The layout stands: what was put out. */
  z.object({ type: z.literal('set up'), out: counts }),
  z.object({ type: z.literal('pause') }),
  z.object({ type: z.literal('resume') }),
  /** All was taken up again: what came in. */
  z.object({ type: z.literal('taken up'), in: counts }),
  /** How the player stands and holds it: what was looked at. */
  z.object({ type: z.literal('card'), card: cardSchema }),
]);

export type RunMark = z.infer<typeof runMarkSchema>;

/** Time in which nobody putted; without an end it goes on. */
export interface Pause {
  from: Date;
  until: Date | null;
}

/** How a run stands beside its putts. */
export interface RunCourse {
  setUp: boolean;
  /** Not yet ended, when the last pause was begun and not ended. */
  pausedSince: Date | null;
  pauses: Pause[];
  /** What is out on the green and not yet counted in, by kit. */
  out: Record<string, number>;
  /** What was put out and did not come in again, by kit; null before it was counted. */
  missing: Record<string, number> | null;
}

/**
 * Reads the marks of a run. A second pause within a pause, or a second end of one, changes nothing.
 *
 * @param marks in order
 */
export function runCourse(marks: readonly { mark: RunMark; at: Date }[]): RunCourse {
  const course: RunCourse = { setUp: false, pausedSince: null, pauses: [], out: {}, missing: null };
  for (const { mark, at } of marks) {
    const last = course.pauses.at(-1);
    switch (mark.type) {
      case 'set up':
        course.setUp = true;
        course.out = mark.out;
        break;
      case 'pause':
        if (!last || last.until) course.pauses.push({ from: at, until: null });
        break;
      case 'resume':
        if (last && !last.until) last.until = at;
        break;
      case 'taken up':
        course.missing = Object.fromEntries(
          Object.entries(course.out)
            .map(([item, count]) => [item, count - (mark.in[item] ?? 0)] as const)
            .filter(([, count]) => count > 0),
        );
        course.out = {};
    }
  }
  const last = course.pauses.at(-1);
  course.pausedSince = last && !last.until ? last.from : null;
  return course;
}

/**
 * How much of a time was paused.
 *
 * @param from ms
 * @param until ms
 * @returns ms
 */
export function pausedWithin(pauses: readonly Pause[], from: number, until: number): number {
  return pauses.reduce((sum, pause) => {
    const start = Math.max(from, pause.from.getTime());
    const end = Math.min(until, pause.until?.getTime() ?? until);
    return sum + Math.max(0, end - start);
  }, 0);
}

/**
 * The set-up card of some runs: the last one, which each time holds all that is known.
 *
 * @param marks in order
 * @returns null where nobody looked at any
 */
export function cardOf(marks: readonly { mark: RunMark }[]): Card | null {
  return marks.flatMap(({ mark }) => (mark.type === 'card' ? [mark.card] : [])).at(-1) ?? null;
}

/** Longer than this between two putts is no pace of play: somebody talked, s. */
const TALK = 180;
/** Nobody putts twice in less: putts were logged later, from memory, s. */
const LATER = 4;
/** Fewer gaps than this say nothing of a pace. */
const ENOUGH = 4;

/**
 * A player's pace of play: the median time from one putt to the next, pauses and long talks left out.
 *
 * @param times when each putt was logged, in order; a clock that jumped back is passed over
 * @returns seconds, or null when too few putts say it
 */
export function paceOfPlay(times: readonly Date[], pauses: readonly Pause[] = []): number | null {
  const gaps = times
    .slice(1)
    .map((time, index) => {
      const [from, until] = [times[index]!.getTime(), time.getTime()];
      return (until - from - pausedWithin(pauses, from, until)) / 1000;
    })
    .filter((gap) => gap >= LATER && gap <= TALK);
  return gaps.length < ENOUGH ? null : medianOf(gaps);
}
