import { z } from 'zod';
import { defineElement, type Outcome, type Tolerance } from './element';

const LIMITS = { distance: { min: 0.2, max: 5 }, width: { min: 0.005, max: 0.3 } } as const;

const schema = z.object({
  /** From the face to the mark it should point at, m. */
  distance: z.number().min(LIMITS.distance.min).max(LIMITS.distance.max),
  /** Of the mark, m. */
  width: z.number().min(LIMITS.width.min).max(LIMITS.width.max),
});

type FaceCheck = z.infer<typeof schema>;

/** The face points at the mark: `±atan(width/2 / d)`. */
const tolerance = ({ distance, width }: FaceCheck): Tolerance => {
  const side = Math.atan2(width / 2, distance);
  return { quantity: 'face', left: side, right: side };
};

/** The finish is held, and one looks where the face points. */
export const faceCheck = defineElement({
  kind: 'faceCheck',
  name: 'Held finish',
  about: 'Hold the finish and see where the face points, to train face angle.',
  trains: 'face',
  schema,
  fields: [
    {
      type: 'length',
      name: 'distance',
      label: 'Face to mark',
      what: 'A mark distance',
      kind: 'along',
      ...LIMITS.distance,
    },
    {
      type: 'length',
      name: 'width',
      label: 'Mark width',
      what: 'A mark width',
      kind: 'across',
      ...LIMITS.width,
    },
  ],
  defaults: (): FaceCheck => ({ distance: 0.6, width: 0.05 }),
  check: () => [],
  places: ({ distance }) => [
    { id: 'mark', name: 'mark the face should point at', at: { along: distance, across: 0 } },
  ],
  tolerance,
  outcomes: ({ distance }, { player }): Outcome[] => {
    // A face that points to the side the player stands on is closed.
    const word = (side: 'left' | 'right') =>
      (side === 'left') === (player.hand === 'right') ? 'Closed' : 'Open';
    return [
      {
        id: 'square',
        label: 'Square',
        detail: 'at the mark',
        side: 'middle',
        passes: true,
        at: { along: distance, across: 0 },
      },
      {
        id: 'left',
        label: word('left'),
        detail: 'points left',
        side: 'left',
        passes: false,
        at: null,
      },
      {
        id: 'right',
        label: word('right'),
        detail: 'points right',
        side: 'right',
        passes: false,
        at: null,
      },
    ];
  },
  evidence: (outcome, params) => {
    const { left, right } = tolerance(params);
    switch (outcome) {
      case 'square':
        return [{ quantity: 'face', lower: -left, upper: right }];
      case 'left':
        return [{ quantity: 'face', lower: -Infinity, upper: -left }];
      case 'right':
        return [{ quantity: 'face', lower: right, upper: Infinity }];
      default:
        return [];
    }
  },
  meets: ({ face = 0 }, { distance, width }) => {
    const points = distance * Math.tan(face);
    if (points > width / 2) return 'right';
    return points < -width / 2 ? 'left' : 'square';
  },
  draw: ({ distance, width }) => [
    { type: 'coin', at: { along: distance, across: 0 }, radius: width / 2, label: 'mark' },
  ],
  grips: (params) => [
    {
      id: 'mark',
      name: 'mark',
      at: { along: params.distance, across: 0 },
      slides: true,
      move: ({ along }) => ({ ...params, distance: along }),
    },
  ],
  measures: (params) => [
    {
      name: 'distance',
      label: 'Face to mark',
      kind: 'along',
      metres: params.distance,
      error: 0.01,
      decides: 'along',
      as: (distance) => ({ ...params, distance }),
    },
  ],
  harder: () => [{ by: 'gap', field: 'width', roomy: 0.08, strict: 0.015 }],
  kit: () => [{ item: 'coin', count: 1 }],
  cautions: () => [],
});
