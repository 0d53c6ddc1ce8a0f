'use client';

import { useTranslations } from 'next-intl';
import { useDrag } from '@use-gesture/react';
import clsx from 'clsx';
import { useRef, type CSSProperties, type KeyboardEvent } from 'react';
import type { Spot } from '@/core/layout';
import type { Geometry, Pixel } from './geometry';

/** Something on the drawing that is taken hold of and moved, by hand or by keys. */
export interface DrawnGrip {
  id: string;
  /** Read out, and in the tooltip. */
  name: string;
  at: Spot;
  /** Along the line only. */
  slides?: true;
  chosen: boolean;
  /** Taken hold of, before it is moved. */
  onHold(): void;
  /** Moved to a spot on the green; `done` when it is let go. */
  onMove(to: Spot, done: boolean): void;
  /** Nudged by steps along the line and across it; `coarse` with the shift key. */
  onNudge(along: number, across: number, coarse: boolean): void;
  onRemove?: () => void;
}

/** Where the second dimension string runs, px from the top. */
const STRING = 55;

const STEPS: Record<string, [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The size of a handle as it is drawn, and of what takes hold of it where no other is near, px. */
const DRAWN = 24;
const TOUCHED = 44;

type Placed = Pick<DrawnGrip, 'at' | 'slides'>;

const isOnString = ({ slides }: Placed, { lie }: Pick<Geometry, 'lie'>): boolean =>
  !!slides && lie === 'along';

/** Where the middle of a handle is on the screen, px. */
function middleOf(grip: Placed, geometry: Pick<Geometry, 'lie' | 'pixel'>): Pixel {
  const own = geometry.pixel(grip.at);
  return isOnString(grip, geometry) ? { x: own.x, y: STRING } : own;
}

/**
 * How much larger than it is drawn a handle is to a finger, on each side: to 44 px, and never over another that is nearer.
 *
 * @param grip which
 * @param all of the drawing, it among them
 * @returns px on each side
 */
export function reachOf(
  grip: Placed,
  all: readonly Placed[],
  geometry: Pick<Geometry, 'lie' | 'pixel'>,
): number {
  const { x, y } = middleOf(grip, geometry);
  const apart = all
    .filter((other) => other !== grip)
    .map((other) => {
      const there = middleOf(other, geometry);
      // Both are square: they meet where they are nearer than their size both ways.
      return Math.max(Math.abs(there.x - x), Math.abs(there.y - y));
    });
  return Math.floor((Math.max(DRAWN, Math.min(TOUCHED, ...apart)) - DRAWN) / 2);
}

/** A handle over the drawing: dragged, or nudged with the arrow keys as the screen shows it. */
export function GripHandle({
  grip,
  reach,
  geometry,
}: {
  grip: DrawnGrip;
  /** From {@link reachOf}. */
  reach: number;
  geometry: Geometry;
}) {
  const t = useTranslations();
  const area = useRef<HTMLButtonElement>(null);
  const bind = useDrag(
    ({ xy: [x, y], first, last, tap, event }) => {
      event.preventDefault();
      if (first) grip.onHold();
      if (tap) return;
      const box = area.current!.parentElement!.getBoundingClientRect();
      const to = geometry.spot({ x: x - box.left, y: y - box.top });
      grip.onMove(to, last);
    },
    { pointer: { touch: true, capture: true, keys: false }, threshold: 3, filterTaps: true },
  );
  const keys = (event: KeyboardEvent) => {
    if ((event.key === 'Delete' || event.key === 'Backspace') && grip.onRemove) {
      event.preventDefault();
      return grip.onRemove();
    }
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    const [x, y] = step;
    // The line lies to the right or stands up the screen.
    if (geometry.lie === 'along') grip.onNudge(x, y, event.shiftKey);
    else grip.onNudge(-y, x, event.shiftKey);
  };
  const onString = isOnString(grip, geometry);
  const { x, y } = middleOf(grip, geometry);
  return (
    <button
      {...bind()}
      ref={area}
      type="button"
      aria-label={t('ui.gripHandle.moveWithTheArrowKeys', { grip: grip.name })}
      title={t('ui.gripHandle.dragThe', { grip: grip.name })}
      onKeyDown={keys}
      onFocus={grip.onHold}
      style={{ left: x - DRAWN / 2, top: y - DRAWN / 2, '--reach': `${-reach}px` } as CSSProperties}
      className={clsx(
        'absolute size-6 touch-none rounded-full border-2 before:absolute before:inset-[var(--reach)]',
        onString
          ? 'cursor-ew-resize bg-sheet after:absolute after:inset-[5px] after:rounded-full'
          : 'cursor-grab active:cursor-grabbing',
        grip.chosen
          ? `border-line ${onString ? 'after:bg-line' : 'bg-line/10'}`
          : onString
            ? 'border-ink2 after:bg-ink2'
            : 'border-transparent hover:border-ink2 focus-visible:border-ink',
      )}
    />
  );
}
