import { z } from 'zod';
import { BALL_DIAMETER } from '@/core/green';
import { DEFAULT_SHANK, gateEvidence, gateWedge } from './ball-gate';
import { CAUTIONS } from './cautions';
import { defineElement, type Tolerance } from './element';
import { targetOutcomes } from './target-spot';

const LIMITS = { distance: { min: 0.1, max: 40 }, shank: { min: 0.002, max: 0.012 } } as const;

const schema = z.object({
  /** Ball to the tee, m. */
  distance: z.number().min(LIMITS.distance.min).max(LIMITS.distance.max),
  /** Diameter of its shank, m. */
  shank: z.number().min(LIMITS.shank.min).max(LIMITS.shank.max),
});

type TargetTee = z.infer<typeof schema>;

/** `±asin((D + τ)/2 / d)`: the ball's edge just touches the shank. */
const tolerance = ({ distance, shank }: TargetTee): Tolerance => {
  const side = Math.asin(Math.min(1, (BALL_DIAMETER + shank) / 2 / distance));
  return { quantity: 'start', left: side, right: side };
};

/** A tee to knock; it stops the ball. */
export const targetTee = defineElement({
  kind: 'targetTee',
  name: 'Target tee',
  about: 'A tee to knock, with no hole: start line.',
  trains: 'start',
  schema,
  fields: [
    {
      type: 'length',
      name: 'distance',
      label: 'Tee, from ball',
      what: 'A tee distance',
      kind: 'along',
      ...LIMITS.distance,
    },
    {
      type: 'length',
      name: 'shank',
      label: 'Tee shank',
      what: 'A tee shank',
      kind: 'across',
      ...LIMITS.shank,
    },
  ],
  defaults: (putt): TargetTee => ({
    distance: Math.max(0.1, putt.distance - 0.3),
    shank: DEFAULT_SHANK,
  }),
  check: () => [],
  places: ({ distance, shank }) => [
    {
      id: 'tee',
      name: 'target tee',
      tee: { radius: shank / 2 },
      at: { along: distance, across: 0 },
    },
  ],
  tolerance,
  outcomes: ({ distance }) => targetOutcomes({ along: distance, across: 0 }, 'the tee'),
  evidence: (outcome, params) => gateEvidence(outcome, tolerance(params)),
  meets: ({ direction }, { distance, shank }) => {
    // Where the ball's line passes the tee, without the closed form.
    const passes = distance * Math.sin(direction);
    if (Math.abs(passes) <= (BALL_DIAMETER + shank) / 2) return 'clear';
    return passes > 0 ? 'right' : 'left';
  },
  draw: (params, setting) => [
    gateWedge(tolerance(params), setting),
    { type: 'tee', id: 'tee', label: '', side: 'right', at: { along: params.distance, across: 0 } },
  ],
  grips: (params) => [
    {
      id: 'tee',
      name: 'target tee',
      at: { along: params.distance, across: 0 },
      slides: true,
      move: ({ along }) => ({ ...params, distance: along }),
    },
  ],
  measures: (params) => [
    {
      name: 'distance',
      label: 'Tee, from ball',
      kind: 'along',
      metres: params.distance,
      error: 0.01,
      as: (distance) => ({ ...params, distance }),
    },
  ],
  harder: () => [{ by: 'distance', field: 'distance', roomy: 0.9, strict: 3 }],
  kit: () => [{ item: 'tee', count: 1 }],
  cautions: () => [...CAUTIONS.tees],
});
