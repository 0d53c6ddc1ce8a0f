import { standing, type Layout } from '@/core/layout';
import { sideOfEnd } from '@/core/people';
import { CARD_FIELDS } from '@/core/setup';
import type { PhotoUse } from '../photo/photo-tape';
import { pointAt, touchOutcome, touchParts, type Seen } from './seen';

/**
 * What a number from a photo says of the putt that is being logged: where the face points is a look at the aim, where the ball
 * lies is where it stopped.
 *
 * @param layout where the putt is made
 * @param seen of the putt so far
 * @param take what is seen with it
 * @param keepEyes keeps on the set-up card how far inside the line the eyes were, m
 */
export const photoUse =
  (
    layout: Layout,
    seen: Seen,
    take: (seen: Seen) => void,
    keepEyes: (inside: number) => void,
  ): PhotoUse =>
  (name, { value }, other) => {
    if (name === 'face') {
      const look = standing(layout).find(
        ({ trains, outcomes }) => trains === 'aim' && outcomes().length > 0,
      );
      const met = look?.meets({ direction: 0, aim: value });
      const outcome = look?.outcomes().find(({ id }) => id === met);
      if (!look || !outcome) return null;
      return {
        label: `Log “${outcome.label}”`,
        use: () => take(touchOutcome(layout, seen, look, outcome.id)),
      };
    }
    if (name === 'eyes') {
      // The heel is on the player's side of the line: inside is there.
      const inside = sideOfEnd('heel', layout.player.hand) === 'right' ? value : -value;
      const { min, max } = CARD_FIELDS.eyes;
      if (inside < min || inside > max) return null;
      return { label: 'Save to set-up card', use: () => keepEyes(inside) };
    }
    if (name !== 'past' && name !== 'aside') return null;
    const [rest] = touchParts(layout).rest;
    const [past, aside] = [other('past'), other('aside')];
    if (!rest || !past || !aside) return null;
    const spot = { along: layout.putt.distance + past.value, across: aside.value };
    return { label: 'Log stopping point', use: () => take(pointAt(layout, seen, rest, spot)) };
  };
