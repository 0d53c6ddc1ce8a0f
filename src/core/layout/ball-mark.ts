import { z } from 'zod';
import { defineElement } from './element';

const schema = z.object({
  /** What brings the ball back to the same spot. */
  marker: z.enum(['coin', 'tee hole', 'marker']),
});

const ORIGIN = { along: 0, across: 0 };

/** The spot the ball is played from; all else is measured from it. */
export const ballMark = defineElement({
  kind: 'ballMark',
  name: 'Ball mark',
  schema,
  fields: [],
  defaults: () => ({ marker: 'marker' }),
  check: () => [],
  places: () => [{ id: 'ball', name: 'ball mark', at: ORIGIN }],
  checks: () => [],
  tolerance: () => null,
  outcomes: () => [],
  evidence: () => [],
  meets: () => null,
  draw: () => [{ type: 'ball', at: ORIGIN }],
  kit: ({ marker }) => [
    {
      name:
        marker === 'coin'
          ? 'coin for the ball spot'
          : marker === 'marker'
            ? 'ball marker'
            : 'tee to prick the ball spot',
      count: 1,
    },
  ],
  cautions: () => [],
});
