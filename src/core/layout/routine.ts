import { z } from 'zod';
import { defineElement } from './element';

const schema = z.object({
  /** The player's own steps and looks, in order. */
  steps: z
    .string()
    .trim()
    .min(1, 'Enter the steps of the routine.')
    .max(120, 'The steps are too long: use 120 characters or fewer.'),
  /** Only whether it was kept, or how long it took too. */
  told: z.enum(['kept', 'timed']).default('kept'),
});

/** What a thumb on a clock is off by, s, and the longest that is timed. */
const THUMB = 0.3;
const LONGEST = 60;

type Routine = z.infer<typeof schema>;

/** The player's own way to the ball, the same for every putt: kept or broken. */
export const routine = defineElement({
  kind: 'routine',
  name: 'Routine',
  about:
    'The player takes their own steps and looks, the same before every putt. Log whether the routine was kept.',
  trains: 'set-up',
  traits: { byEye: true },
  asks: ({ steps }) => `Routine: ${steps}`,
  schema,
  fields: [
    { type: 'text', name: 'steps', label: 'Steps and looks, in order', max: 120 },
    {
      type: 'choice',
      name: 'told',
      label: 'What to log',
      options: [
        { value: 'kept', label: 'kept or not' },
        { value: 'timed', label: 'kept or not, and the time' },
      ],
    },
  ],
  defaults: (): Routine => ({
    steps: 'look from behind, one practice stroke beside the ball, step in, two looks, go',
    told: 'kept',
  }),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: ({ steps }) => [
    { id: 'kept', label: 'Kept', detail: steps, side: 'middle', passes: true, at: null },
    {
      id: 'short',
      label: 'Step skipped',
      detail: 'or a look',
      side: 'middle',
      passes: false,
      at: null,
    },
    {
      id: 'hurried',
      label: 'Hurried',
      detail: 'or stood too long',
      side: 'middle',
      passes: false,
      at: null,
    },
  ],
  evidence: () => [],
  pointing: {
    on: 'clock',
    shown: ({ told }) => told === 'timed',
    outcome: () => 'kept',
    also: ['short', 'hurried'],
    says: () => [],
    reads: ({ along }) => [{ quantity: 'routineTime', value: along, error: THUMB }],
    within: () => ({ along: LONGEST, across: 0 }),
    spotOf: () => ({ along: 0, across: 0 }),
  },
  meets: () => 'kept',
  draw: () => [],
  checklist: ({ steps }) => [`Routine before every putt: ${steps}.`],
  kit: () => [],
  cautions: () => [],
});
