import { z } from 'zod';
import { gateEvidence, gateWedge } from './ball-gate';
import { defineElement, type Outcome, type Tolerance } from './element';
import type { Spot } from './spot';

const LIMITS = { distance: { min: 0.1, max: 40 }, diameter: { min: 0.01, max: 0.15 } } as const;

const schema = z.object({
  /** Ball to the spot's middle, m. */
  distance: z.number().min(LIMITS.distance.min).max(LIMITS.distance.max),
  /** Of the coin, m. */
  diameter: z.number().min(LIMITS.diameter.min).max(LIMITS.diameter.max),
});

type TargetSpot = z.infer<typeof schema>;

/** A start direction that meets something of this half-width at a distance, either side. */
const tolerance = ({ distance, diameter }: TargetSpot): Tolerance => {
  const side = Math.atan2(diameter / 2, distance);
  return { quantity: 'start', left: side, right: side };
};

/** Hit it, or passed it on one side. */
export const targetOutcomes = (at: Spot, what: string): Outcome[] => [
  { id: 'clear', label: 'Hit', detail: what, side: 'middle', passes: true, at },
  { id: 'left', label: 'Left', detail: 'of it', side: 'left', passes: false, at: null },
  { id: 'right', label: 'Right', detail: 'of it', side: 'right', passes: false, at: null },
];

/** A coin to roll over. */
export const targetSpot = defineElement({
  kind: 'targetSpot',
  name: 'Target spot',
  about: 'A coin to roll over: start line, with no hole.',
  trains: 'start',
  schema,
  fields: [
    {
      type: 'length',
      name: 'distance',
      label: 'Spot, from ball',
      what: 'A spot distance',
      kind: 'along',
      ...LIMITS.distance,
    },
    {
      type: 'length',
      name: 'diameter',
      label: 'Coin across',
      what: 'A coin',
      kind: 'across',
      ...LIMITS.diameter,
    },
  ],
  defaults: (putt): TargetSpot => ({
    distance: Math.min(0.8, putt.distance / 2),
    diameter: 0.024,
  }),
  check: () => [],
  places: ({ distance }) => [{ id: 'spot', name: 'coin', at: { along: distance, across: 0 } }],
  tolerance,
  outcomes: ({ distance }) => targetOutcomes({ along: distance, across: 0 }, 'over the coin'),
  evidence: (outcome, params) => gateEvidence(outcome, tolerance(params)),
  meets: ({ direction }, params) => {
    const { left, right } = tolerance(params);
    if (direction > right) return 'right';
    return direction < -left ? 'left' : 'clear';
  },
  draw: (params, setting) => [
    gateWedge(tolerance(params), setting),
    {
      type: 'coin',
      at: { along: params.distance, across: 0 },
      radius: params.diameter / 2,
      label: 'coin',
    },
  ],
  grips: (params) => [
    {
      id: 'spot',
      name: 'coin',
      at: { along: params.distance, across: 0 },
      slides: true,
      move: ({ along }) => ({ ...params, distance: along }),
    },
  ],
  measures: (params) => [
    {
      name: 'distance',
      label: 'Coin, from ball',
      kind: 'along',
      metres: params.distance,
      error: 0.01,
      as: (distance) => ({ ...params, distance }),
    },
  ],
  harder: () => [
    { by: 'gap', field: 'diameter', roomy: 0.06, strict: 0.018 },
    { by: 'distance', field: 'distance', roomy: 0.4, strict: 1.4 },
  ],
  kit: () => [{ item: 'coin', count: 1 }],
  cautions: () => [],
});
