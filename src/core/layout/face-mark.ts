import { z } from 'zod';
import { defineElement, type Interval, type Outcome } from './element';
import type { Spot } from './spot';

const LIMITS = { across: { min: 0.002, max: 0.03 }, high: { min: 0.002, max: 0.012 } } as const;

const schema = z.object({
  /** Half of the width and of the height of what counts as the centre of the face, m. */
  across: z.number().min(LIMITS.across.min).max(LIMITS.across.max),
  high: z.number().min(LIMITS.high.min).max(LIMITS.high.max),
});

type FaceMark = z.infer<typeof schema>;

/** No face is higher than twice this, m. */
const FACE_HALF = 0.03;
/** How far off a mark is that is read off the face and touched on a picture, m. */
const READ = 0.0015;

/** What is farther out, for the room that each way has, names it. */
function outcomeAt({ along, across }: Spot, params: FaceMark): string {
  const [aside, up] = [Math.abs(across) / params.across, Math.abs(along) / params.high];
  if (Math.max(aside, up) <= 1) return 'middle';
  if (aside >= up) return across < 0 ? 'left' : 'right';
  return along < 0 ? 'low' : 'high';
}

/** Heights, as so many times the middle's, between which the border of the corners is taken as one. */
const STEPS = [1, 1.2, 1.45, 1.75, 2.2, 3, 5, Infinity];

/**
 * Strike and height together, so that of one mark only one outcome is true: in the corners of the face what is farther out
 * names it, in steps along the border. A ball met left of the face's middle is a head whose middle was right of the ball.
 */
function areasOf(outcome: string, { across, high }: FaceMark) {
  const inside: Interval = [-across, across];
  const corners = STEPS.slice(1).flatMap((until, index) => {
    const from = STEPS[index]!;
    const border = across * (Number.isFinite(until) ? (from + until) / 2 : from);
    return (
      [
        [-until * high, -from * high],
        [from * high, until * high],
      ] as Interval[]
    ).map((height) => ({ height, border }));
  });
  const beside = (side: (border: number) => Interval) => [
    { strike: side(across), height: [-high, high] as Interval },
    ...corners.map(({ height, border }) => ({ strike: side(border), height })),
  ];
  const beyond = (sign: number) =>
    corners
      .filter(({ height }) => Math.sign(height[0] + height[1]) === sign)
      .map(({ height, border }) => ({ strike: [-border, border] as Interval, height }));
  switch (outcome) {
    case 'middle':
      return [{ strike: inside, height: [-high, high] as Interval }];
    case 'left':
      return beside((border) => [border, Infinity]);
    case 'right':
      return beside((border) => [-Infinity, -border]);
    case 'low':
      return beyond(-1);
    case 'high':
      return beyond(1);
    default:
      return [];
  }
}

/** Chalk, spray or a wet ball leaves a mark where the face met it. */
export const faceMark = defineElement({
  kind: 'faceMark',
  name: 'Mark on the face',
  about: 'Shows where the face met the ball, heel to toe and low to high, to train strike.',
  trains: 'strike',
  schema,
  fields: [
    {
      type: 'length',
      name: 'across',
      label: 'Middle, half width',
      what: 'A half width',
      kind: 'across',
      ...LIMITS.across,
    },
    {
      type: 'length',
      name: 'high',
      label: 'Middle, half height',
      what: 'A half height',
      kind: 'across',
      ...LIMITS.high,
    },
  ],
  defaults: (): FaceMark => ({ across: 0.006, high: 0.005 }),
  check: () => [],
  places: () => [],
  tolerance: ({ across }) => ({ quantity: 'strike', left: across, right: across }),
  outcomes: (_params, { end }): Outcome[] => {
    const missed = { passes: false, at: null } as const;
    const side = (id: 'left' | 'right'): Outcome => ({
      id,
      label: end(id) === 'heel' ? 'Heel' : 'Toe',
      detail: `towards the ${end(id)}`,
      side: id,
      ...missed,
    });
    return [
      {
        id: 'middle',
        label: 'Middle',
        detail: 'of the face',
        side: 'middle',
        passes: true,
        at: null,
      },
      side('left'),
      side('right'),
      { id: 'low', label: 'Low', detail: 'on the face', side: 'middle', ...missed },
      { id: 'high', label: 'High', detail: 'on the face', side: 'middle', ...missed },
    ];
  },
  evidence: (outcome, params) => {
    const areas = areasOf(outcome, params);
    return areas.length > 0 ? [{ quantity: 'mark', areas }] : [];
  },
  pointing: {
    on: 'face',
    middle: ({ across, high }) => ({ along: high, across }),
    outcome: outcomeAt,
    says: ({ along, across }) => [
      { quantity: 'strike', value: -across, error: READ },
      { quantity: 'height', value: along, error: READ },
    ],
    within: (_params, { player }) => ({ along: FACE_HALF, across: player.headLength / 2 }),
    spotOf: ({ strike = 0, height = 0 }) => ({ along: height, across: -strike }),
  },
  meets: ({ strike = 0, height = 0 }, params) =>
    outcomeAt({ along: height, across: -strike }, params),
  draw: () => [],
  harder: () => [{ by: 'gap', field: 'across', roomy: 0.012, strict: 0.003 }],
  checklist: () => ['Chalk, spray or wet the face, and wipe it when the marks run together.'],
  kit: () => [{ item: 'pen', count: 1 }],
  cautions: () => [],
});
