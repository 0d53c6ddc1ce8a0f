'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { useRef, useState, type KeyboardEvent, type ReactNode } from 'react';

/** How far an arrow key moves the cross, px; with shift. */
const STEP = 4;
const FAR = 20;

const WAYS: Record<string, readonly [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/**
 * A picture that is pointed at, by keys as well: the arrows move a cross, with shift by more, and Enter points where it stands.
 */
export function Cross({
  label,
  onPoint,
  className,
  children,
}: {
  /** What it is for: "Where it stopped". */
  label: string;
  /** Where it was pointed at, as the browser has it. */
  onPoint: (clientX: number, clientY: number, at: number) => void;
  className?: string;
  children: ReactNode;
}) {
  const t = useTranslations();
  const box = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<{ x: number; y: number } | null>(null);
  const onKeyDown = (event: KeyboardEvent) => {
    const { width, height, left, top } = box.current!.getBoundingClientRect();
    const now = at ?? { x: width / 2, y: height / 2 };
    if (event.key === 'Enter' && at) {
      event.preventDefault();
      onPoint(left + at.x, top + at.y, event.timeStamp);
      return;
    }
    const way = WAYS[event.key];
    if (!way) return;
    event.preventDefault();
    const step = event.shiftKey ? FAR : STEP;
    const within = (value: number, most: number) => Math.min(Math.max(value, 0), most);
    setAt({ x: within(now.x + step * way[0], width), y: within(now.y + step * way[1], height) });
  };
  return (
    <div
      ref={box}
      role="application"
      aria-label={t('ui.cross.moveTheCrossWithThe', { label })}
      // A picture that is pointed at by keys takes the focus.
      tabIndex={0}
      onKeyDown={onKeyDown}
      // Touched, it does not take the focus: the keys go on meaning what the screen says.
      onMouseDown={(event) => event.preventDefault()}
      onBlur={() => setAt(null)}
      className={clsx('relative', className)}
    >
      {children}
      {at && (
        <span
          aria-hidden
          className="pointer-events-none absolute h-7 w-7 -translate-1/2 before:absolute before:top-1/2 before:h-[3px] before:w-full before:-translate-y-1/2 before:bg-line after:absolute after:left-1/2 after:h-full after:w-[3px] after:-translate-x-1/2 after:bg-line"
          style={{ left: at.x, top: at.y }}
        />
      )}
    </div>
  );
}
