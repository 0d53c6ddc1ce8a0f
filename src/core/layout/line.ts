import { z } from 'zod';
import { CAUTIONS } from './cautions';
import { defineElement } from './element';

const LENGTH = { min: 0.3, max: 15 };
const BACK = { min: 0, max: 15 };

const KINDS = [
  { value: 'string', label: 'string on skewers', item: 'string' },
  { value: 'chalk', label: 'chalk line', item: 'chalk' },
  { value: 'overhead', label: 'alignment stick overhead', item: 'rod' },
] as const;

const schema = z.object({
  what: z.enum(['string', 'chalk', 'overhead']),
  /** From the ball, m. */
  length: z.number().min(LENGTH.min).max(LENGTH.max),
  /** How far behind the ball a string begins, m. */
  back: z.number().min(BACK.min).max(BACK.max).default(0.3),
});

type Line = z.infer<typeof schema>;

/** A line to see: chalk, a string above it, or a rod over the ball. Nothing is logged at it. */
export const line = defineElement({
  kind: 'line',
  name: 'Line',
  about: 'A chalk line, a string or an alignment stick overhead shows the start line.',
  trains: 'set-up',
  traits: { showsLine: true, spread: true },
  schema,
  fields: [
    { type: 'choice', name: 'what', label: 'Line type', options: KINDS },
    {
      type: 'length',
      name: 'length',
      label: 'Length from ball',
      what: 'A line length',
      kind: 'along',
      ...LENGTH,
    },
    {
      type: 'length',
      name: 'back',
      label: 'Behind the ball',
      what: 'The length of string behind the ball',
      kind: 'along',
      ...BACK,
      when: { field: 'what', is: ['string'] },
    },
  ],
  defaults: (putt): Line => ({
    what: 'string',
    length: Math.min(LENGTH.max, putt.distance + 0.3),
    back: 0.3,
  }),
  check: () => [],
  places: ({ length, back, what }) =>
    what === 'string'
      ? [
          { id: 'near', name: 'near skewer', at: { along: -back, across: 0 } },
          { id: 'end', name: 'far skewer', at: { along: length, across: 0 } },
        ]
      : [{ id: 'end', name: 'end of the line', at: { along: length, across: 0 } }],
  checks: ({ length, back, what }) =>
    what === 'string'
      ? [{ name: 'of string between the skewers', between: ['near', 'end'], metres: length + back }]
      : [],
  tolerance: () => null,
  outcomes: () => [],
  evidence: () => [],
  meets: () => null,
  draw: ({ what, length, back }) => [
    {
      type: 'rod',
      role: what === 'overhead' ? 'rod' : what,
      from: { along: what === 'string' ? -back : 0, across: 0 },
      to: { along: length, across: 0 },
    },
  ],
  grips: (params) => [
    {
      id: 'end',
      name: 'end of the line',
      at: { along: params.length, across: 0 },
      slides: true,
      move: ({ along }) => ({ ...params, length: along }),
    },
  ],
  checklist: ({ what }) => [
    'Sight along the line from behind. Does it go to the middle of the hole? If a straight line looks crooked, write that down.',
    ...(what === 'string' ? ['Mark the string every 3 ft (1 m).'] : []),
  ],
  kit: ({ what }) => [{ item: KINDS.find(({ value }) => value === what)!.item, count: 1 }],
  cautions: ({ what }) => [
    ...(what === 'string' ? CAUTIONS.string : what === 'overhead' ? CAUTIONS.overhead : []),
  ],
});
