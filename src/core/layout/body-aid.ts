import { z } from 'zod';
import type { KitId } from '@/core/people';
import { DEGREE } from '@/core/units';
import { CAUTIONS } from './cautions';
import { defineElement, type KitItem } from './element';

const AIDS = {
  'chest rod': {
    label: 'stick on the breastbone',
    kit: [{ item: 'rod', count: 1 }],
    checklist: [
      'Rest the butt end lightly on the breastbone, with the stick in line with the shaft.',
      'Keep the angle between stick and shaft from start to finish.',
    ],
    cautions: CAUTIONS.chest,
  },
  'grip rod': {
    label: 'stick along the grip',
    kit: [{ item: 'rod', count: 1 }],
    checklist: [
      'Hold a stick along the grip so that it reaches up past the lead side, with nothing on the ground.',
      'Keep it off the ribs until the ball is gone.',
    ],
    cautions: CAUTIONS.chest,
  },
  'arm rods': {
    label: 'stick under both arms',
    kit: [{ item: 'rod', count: 1 }],
    checklist: [
      'Hold a stick under both armpits, across the chest.',
      'It points along the line at address and turns with the chest.',
    ],
    cautions: [],
  },
  mirror: {
    label: 'mirror on the ground',
    kit: [{ item: 'mirror', count: 1 }],
    checklist: [
      'Keep the eyes over the ball line or just inside it, never outside.',
      'Set the shoulders parallel to the line.',
    ],
    cautions: CAUTIONS.mirror,
  },
  board: {
    label: 'tilted board',
    kit: [{ item: 'board', count: 1 }],
    checklist: ['Let the heel of the putter rest lightly on the board all the way.'],
    cautions: [],
  },
  cushions: {
    label: 'balance cushions',
    kit: [{ item: 'cushion', count: 2 }],
    checklist: [
      'Keep something to hold within reach.',
      'Put one foot on each cushion, with the weight even.',
    ],
    cautions: CAUTIONS.balance,
  },
  'eyes closed': {
    label: 'eyes closed',
    kit: [],
    checklist: [
      'Set up with the eyes open, close them, then putt.',
      'Say where the ball went before you look.',
    ],
    cautions: CAUTIONS.blind,
  },
  'lead hand': {
    label: 'lead hand only',
    kit: [],
    checklist: [
      'Put the trail hand in a pocket or on the trail thigh.',
      'Grip lightly and keep the head low.',
    ],
    cautions: [],
  },
  'trail hand': {
    label: 'trail hand only',
    kit: [],
    checklist: ['Put the lead hand in a pocket.', 'Keep the bend in the trail wrist.'],
    cautions: [],
  },
  'ball on the coin': {
    label: 'ball on a coin',
    kit: [{ item: 'coin', count: 1 }],
    checklist: [
      'Set the ball on the coin.',
      'The putter brushes the coin forward, and the ball leaves first.',
    ],
    cautions: [],
  },
  wedge: {
    label: 'wedge',
    kit: [{ item: 'wedge', count: 1 }],
    checklist: [
      'Keep the leading edge level with the ball’s equator.',
      'A ball struck well rolls at once.',
    ],
    cautions: [],
  },
  'heavy ball': {
    label: 'heavy ball',
    kit: [{ item: 'heavyBall', count: 1 }],
    checklist: ['Make short strokes only.', 'Keep the head moving through the ball.'],
    cautions: CAUTIONS.push,
  },
  'striped ball': {
    label: 'striped ball',
    kit: [{ item: 'pen', count: 1 }],
    checklist: [
      'Set the stripe on the start line, sighting from behind.',
      'Watch the ball roll. On a true roll the stripe looks still.',
    ],
    cautions: [],
  },
  push: {
    label: 'push, no backswing',
    kit: [],
    checklist: [
      'Set the face against the ball, with no backswing.',
      'Push through along the line and hold.',
    ],
    cautions: CAUTIONS.push,
  },
} as const satisfies Record<
  string,
  {
    label: string;
    kit: readonly { item: KitId; count: number }[];
    checklist: readonly string[];
    cautions: readonly string[];
  }
>;

type AidId = keyof typeof AIDS;
const AID_IDS = Object.keys(AIDS) as [AidId, ...AidId[]];

const schema = z.object({ aid: z.enum(AID_IDS) });

type BodyAid = z.infer<typeof schema>;

/** Something held, worn or done: no geometry, a checklist and its cautions. */
export const bodyAid = defineElement({
  kind: 'bodyAid',
  name: 'Training aid',
  about: 'The player holds, wears or does something that has a checklist and nothing to measure.',
  trains: 'set-up',
  traits: { spread: true },
  schema,
  fields: [
    {
      type: 'choice',
      name: 'aid',
      label: 'Training aid',
      options: AID_IDS.map((value) => ({ value, label: AIDS[value].label })),
    },
  ],
  defaults: (): BodyAid => ({ aid: 'mirror' }),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: () => [],
  evidence: () => [],
  meets: () => null,
  draw: () => [],
  checklist: ({ aid }, { player }) => [
    ...(aid === 'board'
      ? [
          `Set the board at ${Math.round(player.lieAngle / DEGREE)}° to the ground, to match the lean of this shaft.`,
        ]
      : []),
    ...AIDS[aid].checklist,
    ...(player.seated
      ? [
          'Seated: set the chair square to the line, put the brakes on, and keep the feet or footrest steady.',
        ]
      : []),
  ],
  kit: ({ aid }): KitItem[] => [...AIDS[aid].kit],
  cautions: ({ aid }) => [...AIDS[aid].cautions],
});
