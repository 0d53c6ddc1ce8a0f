import { acrossStep, settable, type UnitPreferences } from '@/core/units';
import { finding } from './element';
import { standing, type Layout, type LayoutFinding } from './layout';

/** A length this near to a mark of the tape is on it, share of a step. */
const ON_THE_MARK = 0.1;

/**
 * Gaps that lie between two marks of this coach's tape, which nobody can set.
 *
 * @param layout a layout its schema accepts
 * @param units the coach's
 */
export function tapeFindings(layout: Layout, units: UnitPreferences): LayoutFinding[] {
  const step = acrossStep(units);
  return standing(layout).flatMap((element) =>
    element
      .measures()
      .filter(({ kind, ofBall }) => kind === 'across' && !ofBall)
      .filter(({ metres }) => Math.abs(metres - settable(metres, units)) > ON_THE_MARK * step)
      .map(({ metres, name }) => ({
        ...finding(
          'warning',
          name,
          'This falls between two marks on the tape: use {down} or {up}.',
          {
            down: { metres: settable(metres, units, 'down'), kind: 'across' },
            up: { metres: settable(metres, units, 'up'), kind: 'across' },
          },
        ),
        element: element.id,
      })),
  );
}
