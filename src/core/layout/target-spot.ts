import { z } from 'zod';
import { gateWedge } from './ball-gate';
import { defineElement, type Outcome } from './element';
import { openingEvidence, openingMet, openingTolerance, type Opening } from './opening';
import type { Spot } from './spot';

const LIMITS = { distance: { min: 0.1, max: 40 }, diameter: { min: 0.01, max: 0.15 } } as const;

const schema = z.object({
  /** Ball to the spot's middle, m. */
  distance: z.number().min(LIMITS.distance.min).max(LIMITS.distance.max),
  /** Of the coin, m. */
  diameter: z.number().min(LIMITS.diameter.min).max(LIMITS.diameter.max),
});

type TargetSpot = z.infer<typeof schema>;

/** The ball's middle rolls over the coin: straight ahead of the ball it is ±atan(q/2 / d). */
const opening = ({ distance, diameter }: TargetSpot): Opening => ({
  left: { at: { along: distance, across: -diameter / 2 }, beside: 0 },
  right: { at: { along: distance, across: diameter / 2 }, beside: 0 },
});

/** Hit it, or passed it on one side. */
export const targetOutcomes = (at: Spot, what: string): Outcome[] => [
  { id: 'clear', label: 'Hit', detail: what, side: 'middle', passes: true, at },
  {
    id: 'left',
    label: 'Missed left',
    detail: 'of the target',
    side: 'left',
    passes: false,
    at: null,
  },
  {
    id: 'right',
    label: 'Missed right',
    detail: 'of the target',
    side: 'right',
    passes: false,
    at: null,
  },
];

/** A coin to roll over. */
export const targetSpot = defineElement({
  kind: 'targetSpot',
  name: 'Target spot',
  about: 'Roll the ball over a coin to train the start line without a hole.',
  trains: 'start',
  traits: { showsLine: true },
  schema,
  fields: [
    {
      type: 'length',
      name: 'distance',
      label: 'Ball to coin',
      what: 'A distance to the coin',
      kind: 'along',
      ...LIMITS.distance,
    },
    {
      type: 'length',
      name: 'diameter',
      label: 'Coin diameter',
      what: 'A coin diameter',
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
  tolerance: (params, setting) => openingTolerance(opening(params), setting),
  outcomes: ({ distance }) => targetOutcomes({ along: distance, across: 0 }, 'over the coin'),
  evidence: (outcome, params, setting) => openingEvidence(outcome, opening(params), setting),
  meets: (launch, params, setting) => openingMet(launch, opening(params), setting),
  draw: (params, setting) => [
    gateWedge(openingTolerance(opening(params), setting), setting),
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
      label: 'Ball to coin',
      kind: 'along',
      metres: params.distance,
      error: 0.01,
      decides: 'along',
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
