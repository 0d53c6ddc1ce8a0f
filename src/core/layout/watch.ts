import { z } from 'zod';
import { defineElement } from './element';

const text = (max: number) => z.string().trim().min(1, 'Enter some text.').max(max);

const schema = z.object({
  /** What the coach looks for. */
  question: text(80),
  good: text(24),
  bad: text(24),
  /** The miss that it is when it is not so, where it is one. */
  miss: z.enum(['none', 'early look']).default('none'),
});

type Watch = z.infer<typeof schema>;

/** The coach's eye: something seen that no tee can tell. */
export const watch = defineElement({
  kind: 'watch',
  name: 'Coach’s check',
  about: 'The coach checks by eye, yes or no, what no tee can show.',
  trains: 'set-up',
  traits: { byEye: true },
  asks: ({ question }) => question,
  schema,
  fields: [
    { type: 'text', name: 'question', label: 'What to look for', max: 80 },
    { type: 'text', name: 'good', label: 'Button for “yes”', max: 24 },
    { type: 'text', name: 'bad', label: 'Button for “no”', max: 24 },
    {
      type: 'choice',
      name: 'miss',
      label: 'Meaning of “no”',
      options: [
        { value: 'none', label: 'not a miss by itself' },
        { value: 'early look', label: 'an early look' },
      ],
    },
  ],
  defaults: (): Watch => ({
    question: 'Head still until the ball is gone',
    good: 'Still',
    bad: 'Moved',
    miss: 'none',
  }),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: ({ question, good, bad }) => [
    { id: 'yes', label: good, detail: question, side: 'middle', passes: true, at: null },
    { id: 'no', label: bad, detail: '', side: 'middle', passes: false, at: null },
  ],
  evidence: () => [],
  meets: () => 'yes',
  looksFor: ({ miss }) => (miss === 'none' ? null : miss),
  draw: () => [],
  kit: () => [],
  cautions: () => [],
});
