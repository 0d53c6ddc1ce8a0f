import { z } from 'zod';
import { defineElement } from './element';

const MARKERS = [
  { value: 'marker', label: 'ball marker', item: 'marker' },
  { value: 'coin', label: 'coin', item: 'coin' },
  { value: 'tee hole', label: 'tee hole', item: 'tee' },
] as const;

const schema = z.object({
  /** What brings the ball back to the same spot. */
  marker: z.enum(['coin', 'tee hole', 'marker']),
  /** Whether the ball sits on it rather than beside it. */
  under: z.enum(['beside', 'on it']).default('beside'),
});

type BallMark = z.infer<typeof schema>;

const ORIGIN = { along: 0, across: 0 };

/** The spot the ball is played from; all else is measured from it. */
export const ballMark = defineElement({
  kind: 'ballMark',
  name: 'Ball marker',
  about: 'Brings the ball back to exactly the same spot.',
  trains: 'set-up',
  traits: { fixed: true, spread: true },
  schema,
  fields: [
    { type: 'choice', name: 'marker', label: 'Marker type', options: MARKERS },
    {
      type: 'choice',
      name: 'under',
      label: 'Ball position',
      options: [
        { value: 'beside', label: 'beside the marker' },
        { value: 'on it', label: 'on the marker' },
      ],
    },
  ],
  defaults: (): BallMark => ({ marker: 'marker', under: 'beside' }),
  check: () => [],
  places: () => [{ id: 'ball', name: 'ball marker', at: ORIGIN }],
  tolerance: () => null,
  outcomes: () => [],
  evidence: () => [],
  meets: () => null,
  draw: () => [{ type: 'ball', at: ORIGIN }],
  kit: ({ marker }) => [{ item: MARKERS.find(({ value }) => value === marker)!.item, count: 1 }],
  cautions: () => [],
});
