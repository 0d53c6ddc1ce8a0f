import { z } from 'zod';
import { sideOfEnd } from '@/core/people';
import { CAUTIONS } from './cautions';
import { defineElement, type Evidence, type Outcome, type Setting } from './element';

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

/** Where the rail was met first, or that it was not. */
type Met = 'clear' | 'back' | 'ball' | 'through';

/** A head that leaves the rail by less is not seen to, m. */
const LEFT = 0.005;

/**
 * Where the head's middle was at a place, its arc taken off: not on the rail, or beyond it. A head that slides along the rail is
 * held by it on one side, so only that it left it to the other is told.
 */
function bounded(
  at: number,
  within: boolean,
  params: Rail,
  setting: Setting,
): Extract<Evidence, { quantity: 'head' }> {
  const out = Math.sign(acrossOf(params, setting));
  const slides = params.air === 0;
  // Along the way out to the rail, m: the most it may be, or the least where it slides.
  const edge = (slides ? -LEFT : params.air) - out * setting.arcAt(at);
  const towards = slides ? !within : within;
  const upper = towards === out > 0;
  return {
    quantity: 'head',
    at,
    lower: upper ? -Infinity : out * edge,
    upper: upper ? out * edge : Infinity,
  };
}

/** One rod for the head to travel along. */
export const rail = defineElement({
  kind: 'rail',
  name: 'Rail',
  about: 'Swing the putter head alongside one stick to train path.',
  trains: 'path',
  traits: { showsLine: true },
  schema,
  fields: [
    {
      type: 'choice',
      name: 'end',
      label: 'Side',
      options: [
        { value: 'toe', label: 'toe' },
        { value: 'heel', label: 'heel' },
      ],
    },
    {
      type: 'length',
      name: 'air',
      label: 'Clearance to the head',
      what: 'A clearance',
      hint: '0 mm means the head slides along it',
      kind: 'across',
      ...LIMITS.air,
    },
    {
      type: 'length',
      name: 'reach',
      label: 'Length each way from ball',
      what: 'A length each way',
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
  outcomes: ({ air }) => {
    const touched = air === 0 ? 'Came off' : 'Touched';
    const one = (id: Met | 'off', label: string, detail: string): Outcome => ({
      id,
      label,
      detail,
      side: 'middle',
      passes: id === 'clear',
      at: null,
    });
    return [
      one('clear', 'Clean', air === 0 ? 'along the rail' : 'rail not touched'),
      one('back', `${touched} going back`, 'the rail'),
      // A head that slides along the rail cannot leave it and touch the ball as it should.
      ...(air === 0 ? [] : [one('ball', `${touched} at the ball`, 'the rail')]),
      one('through', `${touched} going through`, 'the rail'),
      one('off', touched, 'place not seen'),
    ];
  },
  // What touched it first is told by one place of the head: what came after may have been turned by it.
  evidence: (outcome, params, setting) => {
    const within = (at: number): Evidence => bounded(at, true, params, setting);
    const beyond = (at: number): Evidence => bounded(at, false, params, setting);
    const { reach, air } = params;
    switch (outcome as Met) {
      case 'clear':
        return [within(-reach), ...(air === 0 ? [] : [within(0)]), within(reach)];
      case 'back':
        return [beyond(-reach)];
      case 'ball':
        return [within(-reach), beyond(0)];
      case 'through':
        return [within(-reach), ...(air === 0 ? [] : [within(0)]), beyond(reach)];
      default:
        return [];
    }
  },
  meets: ({ strike = 0, path = 0 }, params, setting): Met => {
    const { reach, air } = params;
    const holds = (at: number) => {
      const said = bounded(at, true, params, setting);
      const there = strike + at * Math.tan(path);
      return there >= said.lower && there <= said.upper;
    };
    if (!holds(-reach)) return 'back';
    if (air > 0 && !holds(0)) return 'ball';
    return holds(reach) ? 'clear' : 'through';
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
