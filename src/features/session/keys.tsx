'use client';

import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { Outcome } from '@/core/layout';
import { releaseFocus } from '@/ui/release-focus';

/** A large key of the thumb zone. */
export function Key({
  side,
  low = false,
  onPress,
  children,
}: {
  side: Outcome['side'];
  /** Where a picture needs the room. */
  low?: boolean;
  onPress: (at: number) => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      onClick={(event) => {
        releaseFocus(event);
        onPress(event.timeStamp);
      }}
      className={clsx(
        'flex flex-col items-center justify-center rounded-[4px] border-2 leading-tight font-[720] [font-stretch:90%] active:translate-y-px [&>small]:text-[0.875rem] [&>small]:font-[560]',
        low ? 'h-16' : 'h-[92px]',
        side === 'middle' && 'border-ink bg-ink text-[1.75rem] text-sheet',
        side === 'left' && 'border-leftward bg-sheet text-[1.25rem] text-leftward',
        side === 'right' && 'border-rightward bg-sheet text-[1.25rem] text-rightward',
      )}
    >
      {children}
    </button>
  );
}

/**
 * Three large keys: what passes in the middle, what misses to its sides. Null when more can happen than that.
 */
export function keysOf(outcomes: Outcome[]): { place: Outcome['side']; outcome: Outcome }[] | null {
  if (outcomes.length > 3) return null;
  const [middle, ...misses] = outcomes;
  if (!middle) return null;
  const left = misses.find(({ side }) => side === 'left') ?? misses[0];
  const right = misses.find((outcome) => outcome !== left);
  return [
    ...(left ? [{ place: 'left' as const, outcome: left }] : []),
    { place: 'middle' as const, outcome: middle },
    ...(right ? [{ place: 'right' as const, outcome: right }] : []),
  ];
}

/** One of many things that can happen: the passing one over the whole width. */
export function SmallKey({
  outcome,
  plain = false,
  onPress,
}: {
  outcome: Outcome;
  /** Looks like its neighbours, whether it is right or not. */
  plain?: boolean;
  onPress: (at: number) => void;
}) {
  return (
    <button
      type="button"
      onClick={(event) => {
        releaseFocus(event);
        onPress(event.timeStamp);
      }}
      className={clsx(
        'min-h-12 rounded-[4px] border-2 border-ink px-1 leading-tight [font-stretch:88%] active:translate-y-px',
        outcome.passes && !plain
          ? 'col-span-full bg-ink text-[1.5rem] font-[720] text-sheet'
          : 'bg-sheet text-[0.875rem] font-[640]',
        plain && outcome.side === 'middle' && 'col-span-full',
      )}
    >
      {outcome.label}
      {!outcome.passes && outcome.detail && (
        <small className="block text-[0.78125rem] font-[560] text-ink2">{outcome.detail}</small>
      )}
    </button>
  );
}

/**
 * What can be said to either side, for a row of four: what is in the middle by itself, then two to the left and two to the
 * right, from the hole outwards.
 */
export function bySides(outcomes: readonly Outcome[]): Outcome[] {
  const of = (side: Outcome['side']) => outcomes.filter((one) => one.side === side);
  const [left, right] = [of('left'), of('right')];
  const pairs = Array.from({ length: Math.ceil(left.length / 2) }, (_, row) => [
    ...left.slice(2 * row, 2 * row + 2),
    ...right.slice(2 * row, 2 * row + 2),
  ]);
  return [...of('middle'), ...pairs.flat()];
}
