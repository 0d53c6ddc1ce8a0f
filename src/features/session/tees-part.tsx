'use client';

import clsx from 'clsx';
import type { Place, Side, Spot, Standing } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { checkLength } from '../drills/tape-list';
import { releaseFocus } from '@/ui/release-focus';
import { useSize } from '@/ui/use-size';
import { touchedTees, type Seen } from './seen';

/** Diameter of a place to touch, px: a thumb finds it, and none lies over another. */
export const TARGET = 52;
/** Between the middles of two of them at the least, px. */
const APART = TARGET + 6;
/** What passed is touched between the tees: half of its width beyond the nearest of them, px. */
const BESIDE = 70;
/** Room for the words above, px. */
const HEAD = 26;

export type Lie = 'along' | 'up';

/** Rows of tees across the line: pairs behind, level and ahead. */
const rowsOf = (tees: Place[]): number[] =>
  [...new Set(tees.map(({ at }) => Math.round(at.along * 1000)))].sort((a, b) => a - b);

/** How high a gate's picture has to be for its tees, px. */
export function leastHeight(element: Standing, lie: Lie): number {
  const rows = rowsOf(element.places().filter(({ tee }) => tee)).length;
  return HEAD + TARGET + 8 + (lie === 'up' ? (rows - 1) * APART : 2 * APART);
}

/**
 * Where the tees of a gate lie in its picture: in their rows and on their sides, with scales of their own each way. The
 * picture says which tee; the tape list says where it stands.
 */
function pixelsOf(tees: Place[], width: number, height: number, lie: Lie) {
  const rows = rowsOf(tees);
  // In the middle, so that the line goes on from part to part, unless the words above need the room.
  const reach = TARGET / 2 + (lie === 'up' ? ((rows.length - 1) * APART) / 2 : APART);
  const centre = { x: width / 2, y: Math.max(height / 2, HEAD + reach) };
  const [roomX, roomY] = [(width - TARGET) / 2 - 4, (height - HEAD - TARGET) / 2 - 4];
  const [roomAlong, roomAcross] = lie === 'up' ? [roomY, roomX] : [roomX, roomY];
  const aside = Math.max(lie === 'up' ? BESIDE : APART, Math.min(roomAcross, 120));
  const step =
    rows.length < 2 ? 0 : Math.max(APART, Math.min((2 * roomAlong) / (rows.length - 1), 110));
  const middle = tees.reduce((sum, { at }) => sum + at.across, 0) / tees.length;
  const sideOf = ({ across }: Spot): Side => (across < middle ? 'left' : 'right');
  const pixel = (at: Spot) => {
    const row = rows.indexOf(Math.round(at.along * 1000)) - (rows.length - 1) / 2;
    const [on, off] = [row * step, sideOf(at) === 'left' ? -aside : aside];
    return lie === 'up'
      ? { x: centre.x + off, y: centre.y - on }
      : { x: centre.x + on, y: centre.y + off };
  };
  return { centre, sideOf, pixel };
}

const TONE: Record<Side, { seen: string; open: string }> = {
  left: {
    seen: 'border-leftward bg-leftward text-sheet',
    open: 'border-leftward bg-sheet text-leftward',
  },
  right: {
    seen: 'border-rightward bg-rightward text-sheet',
    open: 'border-rightward bg-sheet text-rightward',
  },
};

/**
 * A gate to be touched: its tees where they stand against each other, and between them what passed. What was seen stands
 * filled, and is taken back by touching it again.
 */
export function TeesPart({
  element,
  units,
  seen,
  lie,
  onTee,
  onPassed,
}: {
  element: Standing;
  units: UnitPreferences;
  seen: Seen;
  lie: Lie;
  onTee: (tee: string, at: number) => void;
  onPassed: (outcome: string, at: number) => void;
}) {
  const [ref, size] = useSize<HTMLDivElement>();
  const tees = element.places().filter(({ tee }) => tee);
  const touched = touchedTees(element, seen);
  const passing = element.outcomes().find(({ passes }) => passes)!;
  const passed = seen[element.id]?.outcome === passing.id;
  const check = element.checks()[0];
  const ofHead = element.trains === 'strike' || element.trains === 'path';
  const at = size && pixelsOf(tees, size.width, size.height, lie);
  return (
    <div
      ref={ref}
      role="group"
      aria-label={element.name}
      style={{ minHeight: leastHeight(element, lie) }}
      className="relative h-full w-full overflow-hidden bg-sheet"
    >
      <p className="absolute inset-x-2 top-1 truncate text-[0.875rem] font-[620] text-ink2">
        {element.name}
        {check && ` · ${checkLength(check.metres, units)}`}
      </p>
      {size && at && (
        <>
          <svg aria-hidden width={size.width} height={size.height} className="absolute inset-0">
            <path
              d={
                lie === 'up'
                  ? `M${at.centre.x} ${size.height}V${HEAD}`
                  : `M0 ${at.centre.y}H${size.width}`
              }
              className="stroke-line"
              strokeWidth={2}
              strokeDasharray="9 7"
            />
          </svg>
          <button
            type="button"
            aria-pressed={passed}
            aria-label={`${element.name}: ${passing.label}`}
            onClick={(event) => {
              releaseFocus(event);
              onPassed(passing.id, event.timeStamp);
            }}
            style={{
              left: at.centre.x - 42,
              top: at.centre.y - TARGET / 2,
              width: 84,
              height: TARGET,
            }}
            className={clsx(
              'absolute border-2 border-ink text-[1rem] leading-none font-[720] active:translate-y-px',
              ofHead ? 'rounded-[4px]' : 'rounded-full',
              passed ? 'bg-ink text-sheet' : 'bg-sheet text-ink',
            )}
          >
            {passing.label}
          </button>
          {tees.map(({ id, label, name, at: spot }) => {
            const { x, y } = at.pixel(spot);
            return (
              <button
                key={id}
                type="button"
                aria-pressed={touched.includes(id)}
                aria-label={`${element.name}: tee ${label}, ${name}`}
                title={`tee ${label}, ${name}`}
                onClick={(event) => {
                  releaseFocus(event);
                  onTee(id, event.timeStamp);
                }}
                style={{ left: x - TARGET / 2, top: y - TARGET / 2, width: TARGET, height: TARGET }}
                className={clsx(
                  'absolute flex items-center justify-center rounded-full border-2 text-[1.1875rem] font-[760] active:scale-95',
                  TONE[at.sideOf(spot)][touched.includes(id) ? 'seen' : 'open'],
                )}
              >
                {label}
              </button>
            );
          })}
        </>
      )}
    </div>
  );
}
