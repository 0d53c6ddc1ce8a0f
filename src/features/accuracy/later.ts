import { dayIn } from '@/core/calendar';
import { normalBelow, normalQuantile } from '@/core/numbers';
import { chanceWithin, reachOf, type ToldChance } from '@/core/planning';
import { quantityOf, shownUnit, trainedIds } from '@/core/quantity';
import { SETTLED, changeBetween, type Estimate, type SessionScore } from '@/core/scoring';

/** Putts that a window is compared by. */
const PUTTS = 60;
/** Goals are set for three weeks at least. */
const GOAL_DAYS = 21;
const DAY = 86_400_000;
/** Goals are told in tenths of the unit that is shown. */
const TENTHS = 0.1;

/** The first sessions that make up enough putts of a skill, and the others; null where all are too few. */
function enough(
  scores: readonly SessionScore[],
  skill: string,
): { some: SessionScore[]; others: SessionScore[] } | null {
  let putts = 0;
  const upTo = scores.findIndex(({ basis }) => (putts += basis[skill] ?? 0) >= PUTTS);
  return upTo < 0 ? null : { some: scores.slice(0, upTo + 1), others: scores.slice(upTo + 1) };
}

/** How likely a window is at most so wide. */
const within = ({ low, middle, high }: Estimate, most: number): number =>
  normalBelow((Math.log(most / middle) * 2 * normalQuantile(0.9)) / Math.log(high / low));

/**
 * Returns the goals and the changes that would have been told of a student, each with how likely it came true by the sessions after
 * it, which the forecast did not know.
 *
 * @param scores of the student, in order of time
 * @param zone of the coach's days
 */
export function toldLater(
  scores: readonly SessionScore[],
  faceShare: number,
  zone: string,
): ToldChance[] {
  return trainedIds().flatMap((skill) => {
    const first = enough(
      scores.filter(({ basis }) => (basis[skill] ?? 0) > 0),
      skill,
    );
    const second = first && enough(first.others, skill);
    if (!first || !second) return [];
    const found: ToldChance[] = [];
    const { smaller } = changeBetween(first.some, second.some, skill, faceShare);
    const sure = Math.max(smaller, 1 - smaller);
    if (sure >= SETTLED.probability && enough(second.others, skill)) {
      const later = changeBetween(first.some, second.others, skill, faceShare).smaller;
      found.push({ what: 'change', chance: sure, came: smaller > 0.5 ? later : 1 - later, of: 1 });
    }
    const last = enough([...first.others].reverse(), skill)!.some.reverse();
    const [from, by] = [first.some.at(-1)!.at, last.at(-1)!.at];
    if (by.getTime() - from.getTime() >= GOAL_DAYS * DAY) {
      const { carried: belief } = first.some.at(-1)!.belief;
      const step = TENTHS * shownUnit(quantityOf(skill).dimension).si;
      const reach = reachOf(belief, skill, faceShare, dayIn(from, zone), dayIn(by, zone), step);
      if (reach.offered !== null) {
        const { window } = changeBetween(first.some, last, skill, faceShare).now;
        const chance = chanceWithin(reach, reach.offered);
        found.push({ what: 'goal', chance, came: within(window, reach.offered), of: 1 });
      }
    }
    return found;
  });
}
