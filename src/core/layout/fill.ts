import { quantities } from '@/core/quantity';
import type { Element, Launch } from './element';
import { standing, type Layout, type Outcomes } from './layout';

/** What has to be known of a putt before it can be told what happened at an element that trains something. */
const NEEDED: Record<Element<unknown>['trains'], (keyof Launch)[] | null> = {
  start: ['direction'],
  face: ['face'],
  strike: ['strike'],
  path: ['strike', 'path'],
  pace: ['direction', 'pace'],
  'set-up': null,
};

/**
 * What a gate would have shown of a putt that an instrument read: only at elements of which it read all that decides.
 *
 * @param layout where the putt was made
 * @param measured values by quantity, SI
 * @param faceShare how much of the start direction is the face's
 * @returns what happened, by element
 * @example filledOutcomes(layout, { start: 0.001 }, 0.92) // { gate: 'clear' }
 */
export const filledOutcomes = (
  layout: Layout,
  measured: Readonly<Partial<Record<string, number>>>,
  faceShare: number,
): Outcomes => fillerOf(layout, faceShare)(measured);

/** The same for many putts on one layout. */
export function fillerOf(
  layout: Layout,
  faceShare: number,
): (measured: Readonly<Partial<Record<string, number>>>) => Outcomes {
  const elements = standing(layout).flatMap((element) => {
    const needed = NEEDED[element.trains];
    return needed && element.outcomes().length > 0 ? [{ element, needed }] : [];
  });
  return (measured) => {
    const launch = launchOf(measured, faceShare);
    const outcomes: Outcomes = {};
    for (const { element, needed } of elements) {
      if (needed.some((one) => launch[one] === undefined)) continue;
      const met = element.meets({ direction: 0, ...launch });
      if (met !== null) outcomes[element.id] = met;
    }
    return outcomes;
  };
}

/** The start as it was read, or as face and path make it where both were. */
function launchOf(
  measured: Readonly<Partial<Record<string, number>>>,
  faceShare: number,
): Partial<Launch> {
  const shares = quantities().flatMap(({ id, startShare }) =>
    startShare ? [{ value: measured[id], share: startShare(faceShare) }] : [],
  );
  const made = shares.every(({ value }) => value !== undefined)
    ? shares.reduce((sum, { value, share }) => sum + share * value!, 0)
    : undefined;
  const { face, path, strike, height, pace } = measured;
  const direction = measured.start ?? made;
  return {
    ...(direction !== undefined && { direction }),
    ...(face !== undefined && { face }),
    ...(path !== undefined && { path }),
    ...(strike !== undefined && { strike }),
    ...(height !== undefined && { height }),
    ...(pace !== undefined && { pace }),
  };
}
