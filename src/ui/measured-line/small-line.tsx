import type { Mark } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { BareDrawing } from './drawing';
import { fit } from './geometry';

/** As it is drawn; it is shown at any width in this shape. */
const SIZE = { width: 264, height: 96 };
const MARGIN = { top: 10, right: 16, bottom: 10, left: 16 };

/** Marks that say something in numbers, or would take the room of what stands. */
const SAID: Mark['type'][] = ['dimension', 'aim', 'midpoint', 'fall', 'tally'];

/**
 * What of a layout a small drawing shows: tees without their letters, nothing past the hole, lengths to a tenth of a millimetre.
 *
 * @param marks of the whole drawing
 */
export const smallMarks = (marks: readonly Mark[]): Mark[] =>
  marks.flatMap((mark): Mark[] => {
    if (SAID.includes(mark.type) || (mark.type === 'line' && mark.role === 'past')) return [];
    return [JSON.parse(JSON.stringify(bare(mark), rounded)) as Mark];
  });

/** Without its letter; one of many tees as one of few, so that all of them find room. */
function bare(mark: Mark): Mark {
  if (mark.type === 'tee' || mark.type === 'coin') return { ...mark, label: '' };
  if (mark.type !== 'peg') return mark;
  const { at } = mark;
  return { type: 'tee', id: `${at.along} ${at.across}`, label: '', side: 'right', at };
}

const rounded = (_key: string, value: unknown): unknown =>
  typeof value === 'number' ? Math.round(value * 1e4) / 1e4 : value;

/** A layout so small that a list can hold seventy of them: by the same code as the large one. */
export function SmallLine({
  id,
  marks,
  units,
  className,
}: {
  /** Of its own on the page. */
  id: string;
  /** By {@link smallMarks}. */
  marks: Mark[];
  units: UnitPreferences;
  className: string;
}) {
  const geometry = fit(marks, { ...SIZE, lie: 'along', margin: MARGIN, holeAtMost: 26 });
  return (
    <svg
      aria-hidden
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className={`[&_text]:hidden ${className}`}
      preserveAspectRatio="xMidYMid meet"
    >
      {geometry && (
        <BareDrawing
          marks={marks}
          units={units}
          geometry={geometry}
          size={SIZE}
          clip={`small-${id}`}
        />
      )}
    </svg>
  );
}
