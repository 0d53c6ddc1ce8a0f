import { z } from 'zod';
import { BALL_DIAMETER } from '@/core/green';
import { gateWedge, LEAST_AIR } from './ball-gate';
import { CAUTIONS } from './cautions';
import { defineElement, finding } from './element';
import { openingEvidence, openingMet, openingTolerance, type Opening } from './opening';

const LIMITS = {
  width: { min: BALL_DIAMETER + 0.0001, max: 0.3 },
  length: { min: 0.1, max: 3 },
} as const;

const schema = z.object({
  /** Between the rods, m. */
  width: z.number().min(LIMITS.width.min).max(LIMITS.width.max),
  /** From the ball to their far ends, m. */
  length: z.number().min(LIMITS.length.min).max(LIMITS.length.max),
});

type Corridor = z.infer<typeof schema>;

/** The narrowest of it is its far end: a gate with posts of no thickness there. */
const opening = ({ width, length }: Corridor): Opening => ({
  left: { at: { along: length, across: -width / 2 }, beside: BALL_DIAMETER / 2 },
  right: { at: { along: length, across: width / 2 }, beside: -BALL_DIAMETER / 2 },
});

/** Two rods beside the ball's way. */
export const corridor = defineElement({
  kind: 'corridor',
  name: 'Corridor',
  about: 'Roll the ball between two sticks to train the start line.',
  trains: 'start',
  traits: { showsLine: true, proves: true },
  schema,
  fields: [
    {
      type: 'length',
      name: 'width',
      label: 'Corridor width',
      what: 'A corridor width',
      kind: 'across',
      ...LIMITS.width,
    },
    {
      type: 'length',
      name: 'length',
      label: 'Length from ball',
      what: 'A corridor length',
      kind: 'along',
      ...LIMITS.length,
    },
  ],
  defaults: (putt): Corridor => ({ width: 0.07, length: Math.min(0.6, putt.distance / 2) }),
  check: ({ width }) =>
    width - BALL_DIAMETER < LEAST_AIR
      ? [
          finding(
            'warning',
            'width',
            'Total clearance between the sticks is only {air}: a putt that goes through is mostly luck.',
            {
              air: { metres: width - BALL_DIAMETER, kind: 'across' },
            },
          ),
        ]
      : [],
  places: ({ width, length }) => [
    { id: 'left', name: 'left stick, far end', at: { along: length, across: -width / 2 } },
    { id: 'right', name: 'right stick, far end', at: { along: length, across: width / 2 } },
  ],
  checks: ({ width }) => [
    { name: 'between the sticks, at both ends', between: ['left', 'right'], metres: width },
  ],
  tolerance: (params, setting) => openingTolerance(opening(params), setting),
  outcomes: ({ width, length }) => [
    {
      id: 'clear',
      label: 'Through',
      detail: 'no stick touched',
      side: 'middle',
      passes: true,
      at: { along: length, across: 0 },
    },
    {
      id: 'left',
      label: 'Left',
      detail: 'left stick',
      side: 'left',
      passes: false,
      at: { along: length, across: -width / 2 },
    },
    {
      id: 'right',
      label: 'Right',
      detail: 'right stick',
      side: 'right',
      passes: false,
      at: { along: length, across: width / 2 },
    },
  ],
  evidence: (outcome, params, setting) => openingEvidence(outcome, opening(params), setting),
  meets: (launch, params, setting) => openingMet(launch, opening(params), setting),
  draw: (params, setting) => [
    gateWedge(openingTolerance(opening(params), setting), setting),
    ...[-1, 1].map((side) => ({
      type: 'rod' as const,
      role: 'rod' as const,
      from: { along: 0.05, across: (side * params.width) / 2 },
      to: { along: params.length, across: (side * params.width) / 2 },
    })),
  ],
  grips: (params) => [
    {
      id: 'end',
      name: 'far end of the sticks',
      at: { along: params.length, across: 0 },
      slides: true,
      move: ({ along }) => ({ ...params, length: along }),
    },
    {
      id: 'right',
      name: 'right stick',
      at: { along: params.length, across: params.width / 2 },
      move: ({ across }) => ({ ...params, width: 2 * Math.abs(across) }),
    },
  ],
  measures: (params) => [
    {
      name: 'width',
      label: 'Corridor width at the far end',
      kind: 'across',
      metres: params.width,
      error: 0.002,
      decides: 'opening',
      as: (width) => ({ ...params, width }),
    },
    {
      name: 'length',
      label: 'Length from ball',
      kind: 'along',
      metres: params.length,
      error: 0.01,
      decides: 'along',
      as: (length) => ({ ...params, length }),
    },
  ],
  harder: () => [
    { by: 'gap', field: 'width', roomy: 0.085, strict: 0.05 },
    { by: 'distance', field: 'length', roomy: 0.4, strict: 1 },
  ],
  kit: () => [{ item: 'rod', count: 2 }],
  cautions: () => [...CAUTIONS.rods],
});
