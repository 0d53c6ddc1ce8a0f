import { z } from 'zod';
import { sideOfEnd } from '@/core/people';
import { CAUTIONS } from './cautions';
import { defineElement, type Setting } from './element';

const LIMITS = { air: { min: 0, max: 0.05 }, reach: { min: 0.05, max: 0.6 } } as const;

const schema = z.object({
  /** The end of the head it lies against. */
  end: z.enum(['toe', 'heel']),
  /** Between it and the head, m; 0 when the head slides along it. */
  air: z.number().min(LIMITS.air.min).max(LIMITS.air.max),
  /** How far it reaches behind and ahead of the ball, m. */
  reach: z.number().min(LIMITS.reach.min).max(LIMITS.reach.max),
});

type Rail = z.infer<typeof schema>;

/** Across the line, m, in this player's hand. */
function acrossOf({ end, air }: Rail, { player }: Setting): number {
  const away = player.headLength / 2 + air;
  return sideOfEnd(end, player.hand) === 'left' ? -away : away;
}

/** One rod for the head to travel along. */
export const rail = defineElement({
  kind: 'rail',
  name: 'Rail',
  about: 'One rod beside the head: path.',
  trains: 'path',
  schema,
  fields: [
    {
      type: 'choice',
      name: 'end',
      label: 'Lies at the',
      options: [
        { value: 'toe', label: 'toe' },
        { value: 'heel', label: 'heel' },
      ],
    },
    {
      type: 'length',
      name: 'air',
      label: 'Air to the head',
      what: 'Air',
      hint: '0 mm: the head slides along it',
      kind: 'across',
      ...LIMITS.air,
    },
    {
      type: 'length',
      name: 'reach',
      label: 'Reach each way',
      what: 'A reach',
      kind: 'along',
      ...LIMITS.reach,
    },
  ],
  defaults: (): Rail => ({ end: 'toe', air: 0.012, reach: 0.4 }),
  check: () => [],
  places: (params, setting) => {
    const across = acrossOf(params, setting);
    return [
      { id: 'back', name: 'rail, back end', at: { along: -params.reach, across } },
      { id: 'front', name: 'rail, front end', at: { along: params.reach, across } },
    ];
  },
  tolerance: (params, setting) => {
    // The arc takes the head away from a rail at its toe and towards one at its heel, at both ends alike.
    const away = -Math.sign(acrossOf(params, setting)) * setting.arcAt(params.reach);
    const side = Math.atan2(Math.max(0, params.air + away), params.reach);
    return { quantity: 'path', left: side, right: side };
  },
  outcomes: ({ air }) => [
    {
      id: 'clear',
      label: 'Clear',
      detail: air === 0 ? 'along the rail' : 'rail not touched',
      side: 'middle',
      passes: true,
      at: null,
    },
    {
      id: 'off',
      label: air === 0 ? 'Left it' : 'Touched',
      detail: 'the rail',
      side: 'middle',
      passes: false,
      at: null,
    },
  ],
  // Where along the rail it was touched is not seen, so it is no measure of the path.
  evidence: () => [],
  meets: ({ strike = 0, path = 0 }, params, setting) => {
    const out = Math.sign(acrossOf(params, setting));
    const most = [-params.reach, 0, params.reach].map(
      (y) => out * (strike + y * Math.tan(path) + setting.arcAt(y)),
    );
    return Math.max(...most) > params.air ? 'off' : 'clear';
  },
  draw: (params, setting) => {
    const across = acrossOf(params, setting);
    const { headLength, headDepth } = setting.player;
    return [
      { type: 'head', at: { along: 0, across: 0 }, length: headLength, depth: headDepth },
      {
        type: 'rod',
        role: 'rod',
        from: { along: -params.reach, across },
        to: { along: params.reach, across },
      },
    ];
  },
  harder: ({ air }) => (air === 0 ? [] : [{ by: 'gap', field: 'air', roomy: 0.02, strict: 0.004 }]),
  kit: () => [{ item: 'rod', count: 1 }],
  cautions: () => [...CAUTIONS.rods],
});
