'use client';

import type { Outcome } from '@/core/layout';
import { Key, SmallKey, bySides, keysOf } from './keys';

/** What can happen at the element of the large keys. */
export function ThumbKeys({
  outcomes,
  low,
  unread = false,
  onPress,
}: {
  outcomes: Outcome[];
  /** They are what a player may read: none looks right. */
  unread?: boolean;
  /** Where a picture needs the room. */
  low: boolean;
  onPress: (outcome: Outcome, at: number) => void;
}) {
  if (unread) {
    return (
      <div className="grid grid-cols-4 gap-1.5">
        {bySides(outcomes).map((outcome) => (
          <SmallKey
            key={outcome.id}
            plain
            outcome={outcome}
            onPress={(at) => onPress(outcome, at)}
          />
        ))}
      </div>
    );
  }
  const keys = keysOf(outcomes);
  if (!keys) {
    return (
      <div
        className="grid gap-1.5"
        style={{
          gridTemplateColumns: `repeat(${outcomes.length > 6 ? 4 : outcomes.length - 1}, minmax(0, 1fr))`,
        }}
      >
        {outcomes.map((outcome) => (
          <SmallKey key={outcome.id} outcome={outcome} onPress={(at) => onPress(outcome, at)} />
        ))}
      </div>
    );
  }
  return (
    <div className="grid grid-cols-[1fr_1.9fr_1fr] gap-2.5">
      {keys.map(({ place, outcome }) => (
        <Key key={outcome.id} side={place} low={low} onPress={(at) => onPress(outcome, at)}>
          {place === 'left' && outcome.side === 'left' && '◀ '}
          {place === 'middle' ? outcome.label : outcome.label.toLowerCase()}
          {place === 'right' && outcome.side === 'right' && ' ▶'}
          <small>{outcome.detail}</small>
        </Key>
      ))}
    </div>
  );
}
