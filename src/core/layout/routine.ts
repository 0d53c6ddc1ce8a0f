import { z } from 'zod';
import { defineElement } from './element';

const schema = z.object({
  /** The player's own steps and looks, in order. */
  steps: z
    .string()
    .trim()
    .min(1, 'The steps are needed.')
    .max(120, 'Steps may have at most 120 letters.'),
});

type Routine = z.infer<typeof schema>;

/** The player's own way to the ball, the same for every putt: kept or broken. */
export const routine = defineElement({
  kind: 'routine',
  name: 'Routine',
  about: 'The player’s own steps and looks, the same before every putt: kept or broken.',
  trains: 'set-up',
  traits: { byEye: true },
  asks: ({ steps }) => `Routine: ${steps}`,
  schema,
  fields: [{ type: 'text', name: 'steps', label: 'Steps and looks, in order', max: 120 }],
  defaults: (): Routine => ({ steps: 'from behind, one stroke beside, in, two looks, go' }),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: ({ steps }) => [
    { id: 'kept', label: 'Kept', detail: steps, side: 'middle', passes: true, at: null },
    {
      id: 'short',
      label: 'Step left out',
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
  meets: () => 'kept',
  draw: () => [],
  checklist: ({ steps }) => [`Routine before every putt: ${steps}.`],
  kit: () => [],
  cautions: () => [],
});
