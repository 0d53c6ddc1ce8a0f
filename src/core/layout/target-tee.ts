import { z } from 'zod';
import { BALL_DIAMETER } from '@/core/green';
import { DEFAULT_SHANK, gateWedge } from './ball-gate';
import { CAUTIONS } from './cautions';
import { defineElement } from './element';
import { openingEvidence, openingMet, openingTolerance, type Opening } from './opening';
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
function opening({ distance, shank }: TargetTee): Opening {
  const [at, reach] = [{ along: distance, across: 0 }, (BALL_DIAMETER + shank) / 2];
  return { left: { at, beside: -reach }, right: { at, beside: reach } };
}

/** A tee to knock; it stops the ball. */
export const targetTee = defineElement({
  kind: 'targetTee',
  name: 'Target tee',
  about: 'Hit a tee with the ball to train the start line without a hole.',
  trains: 'start',
  traits: { showsLine: true, inHeadsWay: true, target: true },
  stops: () => 'all',
  schema,
  fields: [
    {
      type: 'length',
      name: 'distance',
      label: 'Ball to tee',
      what: 'A distance to the tee',
      kind: 'along',
      ...LIMITS.distance,
    },
    {
      type: 'length',
      name: 'shank',
      label: 'Tee width',
      what: 'A tee width',
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
  tolerance: (params, setting) => openingTolerance(opening(params), setting),
  outcomes: ({ distance }) => targetOutcomes({ along: distance, across: 0 }, 'the tee'),
  evidence: (outcome, params, setting) => openingEvidence(outcome, opening(params), setting),
  meets: (launch, params, setting) => openingMet(launch, opening(params), setting),
  draw: (params, setting) => [
    gateWedge(openingTolerance(opening(params), setting), setting),
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
      label: 'Ball to tee',
      kind: 'along',
      metres: params.distance,
      error: 0.01,
      decides: 'along',
      as: (distance) => ({ ...params, distance }),
    },
  ],
  harder: () => [{ by: 'distance', field: 'distance', roomy: 0.9, strict: 3 }],
  kit: () => [{ item: 'tee', count: 1 }],
  cautions: () => [...CAUTIONS.tees],
});
