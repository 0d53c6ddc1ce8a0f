'use client';

import type { Side, Spot } from '@/core/layout';
import { releaseFocus } from '../release-focus';
import type { Pixel } from './geometry';

/** A place on the drawing that can be touched. */
export interface Target {
  id: string;
  /** Read out, and in the tooltip. */
  name: string;
  label: string;
  side: Side | 'middle';
  at: Spot;
}

const TARGET_TONE = {
  left: 'border-leftward bg-leftward/10',
  right: 'border-rightward bg-rightward/10',
  middle: 'border-ink bg-ink/5',
} as const;

/** A real button over the drawing, where the tee stands; 68 px so that a thumb finds it. */
export function TouchTarget({
  target,
  at,
  onTouch,
}: {
  target: Target;
  at: Pixel;
  /** Told which target was touched, and when. */
  onTouch?: (id: string, at: number) => void;
}) {
  return (
    <button
      type="button"
      aria-label={target.name}
      title={target.name}
      onClick={(event) => {
        releaseFocus(event);
        onTouch?.(target.id, event.timeStamp);
      }}
      style={{ left: at.x - 34, top: at.y - 34 }}
      className={`absolute flex size-[68px] items-center justify-center rounded-full border-2 border-dashed active:scale-95 ${TARGET_TONE[target.side]}`}
    >
      <span
        className={`flex size-7 items-center justify-center rounded-full text-[0.9375rem] font-[750] ${
          target.side === 'left'
            ? 'bg-leftward text-sheet'
            : target.side === 'right'
              ? 'bg-rightward text-sheet'
              : 'text-ink'
        }`}
      >
        {target.label}
      </span>
    </button>
  );
}
