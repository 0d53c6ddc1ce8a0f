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
      'Butt end lightly on the breastbone, stick in line with the shaft.',
      'Stick and shaft keep their angle from start to finish.',
    ],
    cautions: CAUTIONS.chest,
  },
  'grip rod': {
    label: 'stick along the grip',
    kit: [{ item: 'rod', count: 1 }],
    checklist: [
      'A stick held along the grip, reaching up past the lead side; nothing on the ground.',
      'It stays off the ribs until the ball is gone.',
    ],
    cautions: CAUTIONS.chest,
  },
  'arm rods': {
    label: 'stick under both arms',
    kit: [{ item: 'rod', count: 1 }],
    checklist: [
      'Stick under both armpits, across the chest.',
      'It points along the line at address and turns with the chest.',
    ],
    cautions: [],
  },
  mirror: {
    label: 'mirror on the ground',
    kit: [{ item: 'mirror', count: 1 }],
    checklist: [
      'Eyes over the ball line or just inside it, never outside.',
      'Shoulders parallel to the line.',
    ],
    cautions: CAUTIONS.mirror,
  },
  board: {
    label: 'tilted board',
    kit: [{ item: 'board', count: 1 }],
    checklist: ['Heel rests on it all the way, lightly.'],
    cautions: [],
  },
  cushions: {
    label: 'balance cushions',
    kit: [{ item: 'cushion', count: 2 }],
    checklist: ['Something to hold within reach.', 'One foot on each, weight even.'],
    cautions: CAUTIONS.balance,
  },
  'eyes closed': {
    label: 'eyes closed',
    kit: [],
    checklist: [
      'Set up with eyes open, close them, then putt.',
      'Say where it went before looking.',
    ],
    cautions: CAUTIONS.blind,
  },
  'lead hand': {
    label: 'lead hand only',
    kit: [],
    checklist: ['Trail hand in the pocket or on the trail thigh.', 'Grip light, head low.'],
    cautions: [],
  },
  'trail hand': {
    label: 'trail hand only',
    kit: [],
    checklist: ['Lead hand in the pocket.', 'The trail wrist keeps its bend.'],
    cautions: [],
  },
  'ball on the coin': {
    label: 'ball on a coin',
    kit: [{ item: 'coin', count: 1 }],
    checklist: ['Ball on the coin.', 'The coin is brushed forward and the ball leaves first.'],
    cautions: [],
  },
  wedge: {
    label: 'wedge',
    kit: [{ item: 'wedge', count: 1 }],
    checklist: [
      'Leading edge level with the ball’s equator.',
      'Struck right, the ball rolls at once.',
    ],
    cautions: [],
  },
  'heavy ball': {
    label: 'heavy ball',
    kit: [{ item: 'heavyBall', count: 1 }],
    checklist: ['Short strokes only.', 'The head keeps moving through the ball.'],
    cautions: CAUTIONS.push,
  },
  'striped ball': {
    label: 'striped ball',
    kit: [{ item: 'pen', count: 1 }],
    checklist: [
      'Stripe on the start line, sighted from behind.',
      'Watch it roll: a true stripe stands still.',
    ],
    cautions: [],
  },
  push: {
    label: 'no swing: push',
    kit: [],
    checklist: ['Face set against it, no backswing.', 'Push through along the line and hold.'],
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
  about: 'Something held, worn or done: a checklist, nothing to measure.',
  trains: 'set-up',
  traits: { spread: true },
  schema,
  fields: [
    {
      type: 'choice',
      name: 'aid',
      label: 'Which',
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
      ? [`Board at ${Math.round(player.lieAngle / DEGREE)}° to the ground, as this shaft leans.`]
      : []),
    ...AIDS[aid].checklist,
    ...(player.seated
      ? ['Seated: chair square to the line, brakes on, feet or footrest steady.']
      : []),
  ],
  kit: ({ aid }): KitItem[] => [...AIDS[aid].kit],
  cautions: ({ aid }) => [...AIDS[aid].cautions],
});
