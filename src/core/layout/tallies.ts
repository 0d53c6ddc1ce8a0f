import type { Mark } from './element';
import { standing, type Layout, type Outcomes } from './layout';

/**
 * How often each thing happened, where it happened: one mark for every outcome that has a place on the drawing.
 *
 * @param layout what was putted on
 * @param putts outcomes of the putts that count
 */
export function tallyMarks(layout: Layout, putts: readonly Outcomes[]): Mark[] {
  return standing(layout).flatMap((element) =>
    element.outcomes().flatMap(({ id, at, side, passes }): Mark[] => {
      const count = putts.filter((putt) => putt[element.id] === id).length;
      return at && count > 0 ? [{ type: 'tally', at, side, passes, count }] : [];
    }),
  );
}
