import { z } from 'zod';
import { BALL_DIAMETER } from '@/core/green';
import { DEFAULT_SHANK } from './ball-gate';
import { CAUTIONS } from './cautions';
import { defineElement, finding } from './element';
import type { Spot } from './spot';

const LIMITS = {
  ahead: { min: 0.05, max: 0.3 },
  gap: { min: BALL_DIAMETER + 0.0001, max: 0.1 },
} as const;

const schema = z.object({
  /** Ahead of the ball, m. */
  ahead: z.number().min(LIMITS.ahead.min).max(LIMITS.ahead.max),
  /** Inner gap: the ball goes through, the head does not; m. */
  gap: z.number().min(LIMITS.gap.min).max(LIMITS.gap.max),
});

type FollowStop = z.infer<typeof schema>;

function tees({ ahead, gap }: FollowStop): { left: Spot; right: Spot } {
  const half = (gap + DEFAULT_SHANK) / 2;
  return { left: { along: ahead, across: -half }, right: { along: ahead, across: half } };
}

/** Two tees a ball apart just ahead: the ball goes through, the head must stop before them. */
export const followStop = defineElement({
  kind: 'followStop',
  name: 'Follow-through stop',
  about: 'Two tees a ball’s width apart, just ahead of the ball, force a short follow-through.',
  trains: 'strike',
  traits: { byEye: true },
  schema,
  fields: [
    {
      type: 'length',
      name: 'ahead',
      label: 'Ball to stop',
      what: 'A distance to the stop',
      kind: 'along',
      ...LIMITS.ahead,
    },
    {
      type: 'length',
      name: 'gap',
      label: 'Gap',
      what: 'A gap',
      hint: 'wide enough for the ball',
      kind: 'across',
      ...LIMITS.gap,
    },
  ],
  defaults: (): FollowStop => ({ ahead: 0.15, gap: 0.07 }),
  check: ({ gap }, { player }) =>
    gap > player.headLength
      ? [
          finding(
            'error',
            'gap',
            'A gap of {gap} lets the putter head through and stops nothing: use {head} or less.',
            {
              gap: { metres: gap, kind: 'across' },
              head: { metres: player.headLength, kind: 'across' },
            },
          ),
        ]
      : [],
  places: (params) => {
    const { left, right } = tees(params);
    const tee = { radius: DEFAULT_SHANK / 2 };
    return [
      { id: 'left', name: 'left tee', tee, at: left },
      { id: 'right', name: 'right tee', tee, at: right },
    ];
  },
  checks: ({ gap }) => [{ name: 'between the tees', between: ['left', 'right'], metres: gap }],
  tolerance: () => null,
  outcomes: (params) => [
    {
      id: 'short',
      label: 'Stopped short',
      detail: 'tees still standing',
      side: 'middle',
      passes: true,
      at: null,
    },
    {
      id: 'touched',
      label: 'Tees hit',
      detail: 'by the head',
      side: 'middle',
      passes: false,
      at: { along: params.ahead, across: 0 },
    },
  ],
  evidence: (outcome, { ahead }) => [
    {
      quantity: 'other',
      id: 'throughLength',
      lower: outcome === 'touched' ? ahead : -Infinity,
      upper: outcome === 'short' ? ahead : Infinity,
    },
  ],
  meets: ({ through = 0 }, { ahead }) => (through > ahead ? 'touched' : 'short'),
  draw: (params) => {
    const { left, right } = tees(params);
    return [
      { type: 'tee', id: 'left', label: '', side: 'left', at: left },
      { type: 'tee', id: 'right', label: '', side: 'right', at: right },
    ];
  },
  grips: (params) => [
    {
      id: 'stop',
      name: 'follow-through stop',
      at: { along: params.ahead, across: 0 },
      slides: true,
      move: ({ along }) => ({ ...params, ahead: along }),
    },
  ],
  kit: () => [{ item: 'tee', count: 2 }],
  cautions: () => [...CAUTIONS.tees, ...CAUTIONS.push],
});
