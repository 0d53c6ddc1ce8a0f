import { z } from 'zod';
import { BALL_DIAMETER } from '@/core/green';
import { DEGREE } from '@/core/units';
import { CAUTIONS } from './cautions';
import { defineElement, type KitItem, type Outcome, type Read } from './element';

/** Ways to see where a face points before the stroke, and what each asks for. */
const WAYS = {
  string: {
    label: 'string over the line',
    kit: [{ item: 'string', count: 1 }],
    checklist: [
      'Stretch a string over the ball and the target. Get your eyes over it, then say where the face points.',
    ],
    cautions: CAUTIONS.string,
  },
  rod: {
    label: 'alignment stick overhead',
    kit: [{ item: 'rod', count: 1 }],
    checklist: [
      'A helper holds a stick over the ball, along the line. Say to which side of it the face points.',
    ],
    cautions: CAUTIONS.overhead,
  },
  mirror: {
    label: 'mirror under the face',
    kit: [{ item: 'mirror', count: 1 }],
    checklist: ['Set the mirror square to the line, and set the face on the mirror’s line.'],
    cautions: CAUTIONS.mirror,
  },
  marks: {
    label: 'coin or tee on the line',
    kit: [{ item: 'coin', count: 1 }],
    checklist: [
      'Put a coin on the line at the distance given. See whether the face points at it or beside it.',
    ],
    cautions: [],
  },
  stripe: {
    label: 'stripe on the ball',
    kit: [{ item: 'pen', count: 1 }],
    checklist: ['Set the stripe on the intended line. A helper looks along it from behind.'],
    cautions: [],
  },
  push: {
    label: 'club pushed against a stick',
    kit: [{ item: 'rod', count: 1 }],
    checklist: [
      'Lay a stick square across the line, a hand’s breadth ahead. Push the head forward until it meets the stick.',
    ],
    cautions: [...CAUTIONS.rods, ...CAUTIONS.push],
  },
  eye: {
    label: 'coach’s eye',
    kit: [],
    checklist: ['The coach stands behind the ball on the line, with one eye closed.'],
    cautions: [],
  },
} as const satisfies Record<
  string,
  { label: string; kit: KitItem[]; checklist: string[]; cautions: readonly string[] }
>;
type Way = keyof typeof WAYS;

const LIMITS = { min: 0.5, max: 15 } as const;

const schema = z.object({
  by: z.enum(Object.keys(WAYS) as [Way, ...Way[]]),
  /** From the ball to where its line is looked at, m. */
  distance: z.number().min(LIMITS.min).max(LIMITS.max),
});

type AimCheck = z.infer<typeof schema>;

/** What is said of a face looked at along its line, in widths of a ball at that distance: where it points, and how sure that is. */
const LOOKED: Record<string, { balls: number; off: number }> = {
  square: { balls: 0, off: 0.35 },
  left: { balls: -0.7, off: 0.35 },
  right: { balls: 0.7, off: 0.35 },
  'far left': { balls: -1.7, off: 0.6 },
  'far right': { balls: 1.7, off: 0.6 },
};

/** What a head says that meets a rod square to the line: the end that comes first, at a working figure. */
const PUSHED = { flat: { side: 0, off: 0.7 * DEGREE }, first: { side: 1.8 * DEGREE, off: DEGREE } };

const outcome = (
  id: string,
  label: string,
  detail: string,
  side: Outcome['side'] = 'middle',
): Outcome => ({ id, label, detail, side, passes: side === 'middle', at: null });

/** Where the face points at address, looked at before the ball is struck. */
export const aimCheck = defineElement({
  kind: 'aimCheck',
  name: 'Aim check',
  about:
    'Checks where the face points before the stroke, to tell an aim error from a stroke error.',
  trains: 'aim',
  traits: { byEye: true, spread: true },
  schema,
  fields: [
    {
      type: 'choice',
      name: 'by',
      label: 'Method',
      options: Object.entries(WAYS).map(([value, { label }]) => ({ value, label })),
    },
    {
      type: 'length',
      name: 'distance',
      label: 'Viewing distance from ball',
      what: 'A viewing distance',
      kind: 'putt',
      ...LIMITS,
      when: { field: 'by', is: Object.keys(WAYS).filter((way) => way !== 'push') },
    },
  ],
  defaults: ({ distance }): AimCheck => ({
    by: 'string',
    distance: Math.min(Math.max(distance, LIMITS.min), LIMITS.max),
  }),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: ({ by }) =>
    by === 'push'
      ? [
          outcome('flat', 'Flat', 'heel and toe together'),
          outcome('heel', 'Heel first', 'the heel meets the stick first', 'left'),
          outcome('toe', 'Toe first', 'the toe meets the stick first', 'right'),
        ]
      : [
          outcome('square', 'Aim square', 'on the line'),
          outcome('left', 'Aim left', 'less than a ball’s width left', 'left'),
          outcome('right', 'Aim right', 'less than a ball’s width right', 'right'),
          outcome('far left', 'Far left', 'a ball’s width left or more', 'left'),
          outcome('far right', 'Far right', 'a ball’s width right or more', 'right'),
        ],
  evidence: () => [],
  reads: (said, { by, distance }, { player }): Read[] => {
    if (by === 'push') {
      if (said === 'flat') return [{ quantity: 'aim', value: 0, error: PUSHED.flat.off }];
      // The end that comes first is ahead: a right-hander's heel ahead points the face right.
      const right = (said === 'heel') === (player.hand === 'right') ? 1 : -1;
      return [{ quantity: 'aim', value: right * PUSHED.first.side, error: PUSHED.first.off }];
    }
    const looked = LOOKED[said];
    if (!looked) return [];
    const ball = BALL_DIAMETER / distance;
    return [{ quantity: 'aim', value: looked.balls * ball, error: looked.off * ball }];
  },
  meets: ({ aim = 0 }, { by, distance }, { player }) => {
    if (by === 'push') {
      if (Math.abs(aim) < PUSHED.first.side / 2) return 'flat';
      return aim > 0 === (player.hand === 'right') ? 'heel' : 'toe';
    }
    const balls = (aim * distance) / BALL_DIAMETER;
    if (Math.abs(balls) < 0.35) return 'square';
    const side = balls < 0 ? 'left' : 'right';
    return Math.abs(balls) < 1 ? side : `far ${side}`;
  },
  draw: ({ by, distance }) =>
    by === 'push' || by === 'mirror' || by === 'eye'
      ? []
      : [
          {
            type: 'rod',
            from: { along: 0, across: 0 },
            to: { along: distance, across: 0 },
            role: 'string',
          },
        ],
  checklist: ({ by }) => [...WAYS[by].checklist, 'Wait to putt until the aim check is logged.'],
  kit: ({ by }) => [...WAYS[by].kit],
  cautions: ({ by }) => [...WAYS[by].cautions],
});
