import { z } from 'zod';
import { INCH } from '@/core/units';
import { CAUTIONS } from './cautions';
import { ANY, cupOf, rolled } from './cup';
import {
  defineElement,
  finding,
  type Evidence,
  type Interval,
  type Mark,
  type Place,
  type Setting,
} from './element';
import { REST_WITHIN, asideOf, restFromHole, restOfLaunch, restSays } from './rest';
import type { Spot } from './spot';

const LENGTH = { min: 0.05, max: 6 };

const schema = z.object({
  /** A band past the hole, a line not to pass, tees in a half circle behind the hole, or an edge to die at. */
  shape: z.enum(['band', 'limit', 'half circle', 'edge']),
  /** How deep, m: past the hole, or short of the edge. */
  depth: z.number().min(LENGTH.min).max(LENGTH.max),
});

type PaceZone = z.infer<typeof schema>;

/** Tees in a half circle. */
const HALF_CIRCLE = 7;
/** Half of the zone as drawn and taped, m. */
const HALF = 0.3;

/** Where the ball may come to rest, m past the hole's middle, short negative. */
const limits = ({ shape, depth }: PaceZone): { lower: number; upper: number } =>
  shape === 'edge' ? { lower: -depth, upper: 0 } : { lower: 0, upper: depth };

/** Seen from the start line: the hole, and straight on from it the way the ball arrives. */
function beyond({ hole, aim }: Setting, metres: number, aside = 0): Spot {
  const onward = aim.arrivalDirection - aim.direction;
  const [c, s] = [Math.cos(onward), Math.sin(onward)];
  return {
    along: hole.along + metres * c - aside * s,
    across: hole.across + metres * s + aside * c,
  };
}

/** Slices that a half disc is cut into: their error is far less than how well a rest is seen. */
const SLICES = 6;

/** A half disc behind the hole as slices of pace, each with the starts that come to rest within it. */
function discOf(radius: number, setting: Setting): { pace: Interval; start: Interval }[] {
  // Narrower towards the far end, where it closes.
  const past = (slice: number) => radius * Math.sin((slice / SLICES) * (Math.PI / 2));
  return Array.from({ length: SLICES }, (_, slice) => {
    const pace: Interval = [setting.paceOf(past(slice)), setting.paceOf(past(slice + 1))];
    const middle = past(slice + 0.5);
    const aside = Math.sqrt(radius ** 2 - middle ** 2);
    const at = setting.paceOf(middle);
    const start: Interval = [asideOf(setting, at, -aside).turn, asideOf(setting, at, aside).turn];
    return { pace, start };
  });
}

function halfCircle({ depth }: PaceZone, setting: Setting): Spot[] {
  return Array.from({ length: HALF_CIRCLE }, (_, index) => {
    const angle = Math.PI * (index / (HALF_CIRCLE - 1) - 0.5);
    return beyond(setting, depth * Math.cos(angle), depth * Math.sin(angle));
  });
}

function places(params: PaceZone, setting: Setting): Place[] {
  switch (params.shape) {
    case 'band':
    case 'limit':
      return [
        { id: 'left', name: 'end of the zone, left', at: beyond(setting, params.depth, -HALF) },
        { id: 'right', name: 'end of the zone, right', at: beyond(setting, params.depth, HALF) },
      ];
    case 'half circle':
      return halfCircle(params, setting).map((at, index) => ({
        id: `tee ${index + 1}`,
        name: `half circle, tee ${index + 1} of ${HALF_CIRCLE}`,
        at,
      }));
    case 'edge':
      return [
        { id: 'edge', name: 'edge', at: beyond(setting, 0) },
        { id: 'short', name: 'shortest putt that counts', at: beyond(setting, -params.depth) },
      ];
  }
}

/** Where there is no cup in the way, it is the pace alone that tells. */
const said = (areas: { pace: Interval; start: Interval }[]): Evidence[] => {
  const [one] = areas;
  if (areas.length === 1 && one) {
    return [{ quantity: 'pace', lower: one.pace[0], upper: one.pace[1] }];
  }
  return areas.length > 0 ? [{ quantity: 'roll', areas }] : [];
};

/** Where the ball should come to rest. */
export const paceZone = defineElement({
  kind: 'paceZone',
  name: 'Pace zone',
  about: 'Sets where the ball should come to rest, to train pace.',
  trains: 'pace',
  traits: { counts: 'zone', spread: true },
  stops: ({ shape }) => (shape === 'half circle' ? 'beyond' : null),
  schema,
  fields: [
    {
      type: 'choice',
      name: 'shape',
      label: 'Zone type',
      options: [
        { value: 'band', label: 'band past the hole' },
        { value: 'limit', label: 'limit line' },
        { value: 'half circle', label: 'half circle of tees' },
        { value: 'edge', label: 'edge to stop at' },
      ],
    },
    {
      type: 'length',
      name: 'depth',
      label: 'Depth',
      what: 'A zone depth',
      hint: 'past the hole, or short of the edge',
      kind: 'along',
      ...LENGTH,
    },
  ],
  defaults: (putt): PaceZone =>
    putt.distance > 4
      ? { shape: 'limit', depth: Math.max(LENGTH.min, 0.1 * putt.distance) }
      : { shape: 'band', depth: 18 * INCH },
  check: ({ shape, depth }, { putt }) => {
    const { upper } = limits({ shape, depth });
    if (shape !== 'edge' && putt.past > upper + 1e-9) {
      return [
        finding(
          'warning',
          'depth',
          'The putt is aimed to run {past} past the hole, which is beyond this zone of {depth}.',
          {
            past: { metres: putt.past, kind: 'along' },
            depth: { metres: depth, kind: 'along' },
          },
        ),
      ];
    }
    if (shape === 'edge' && depth >= putt.distance) {
      return [
        finding(
          'error',
          'depth',
          'A zone of {depth} reaches back past the ball: use less than {putt}.',
          {
            depth: { metres: depth, kind: 'along' },
            putt: { metres: putt.distance, kind: 'putt' },
          },
        ),
      ];
    }
    return [];
  },
  places,
  tolerance: (params, { putt }) => {
    const { lower, upper } = limits(params);
    const aimed = Math.min(Math.max(putt.past, lower), upper);
    return { quantity: 'pace', left: aimed - lower, right: upper - aimed };
  },
  outcomes: (params, setting) => {
    const { lower, upper } = limits(params);
    const edge = params.shape === 'edge';
    const missed = { side: 'middle', passes: false, at: null } as const;
    return [
      {
        id: 'in',
        label: edge ? 'Stopped' : 'In the zone',
        detail: edge ? 'at the edge' : 'or holed',
        side: 'middle',
        passes: true,
        at: beyond(setting, (lower + upper) / 2),
        ends: edge ? ['short'] : ['holed', 'past'],
      },
      { id: 'short', label: 'Short', detail: 'of the zone', ...missed, ends: ['short'] },
      { id: 'long', label: 'Long', detail: 'past the zone', ...missed, ends: ['past'] },
    ];
  },
  evidence: (outcome, params, setting) => {
    const { lower, upper } = limits(params);
    const [from, to] = [setting.paceOf(lower), setting.paceOf(upper)];
    const cup = params.shape === 'edge' ? [] : cupOf(setting);
    /** What drops of the balls sent at a pace from here to there: it never comes to rest where it was sent. */
    const dropping = (least: number, most: number) =>
      cup.flatMap(({ pace, drops }) => {
        const part: Interval = [Math.max(pace[0], least), Math.min(pace[1], most)];
        return drops && part[0] < part[1] ? [{ pace: part, start: drops }] : [];
      });
    /** The rest of them, which does. */
    const staying = (least: number, most: number) => {
      const dropped = dropping(least, most);
      const [first, last] = [dropped[0]?.pace[0] ?? most, dropped.at(-1)?.pace[1] ?? most];
      return [
        { pace: [least, first] as const, start: ANY },
        ...dropped.flatMap(({ pace, start }) => [
          { pace, start: [-Infinity, start[0]] as const },
          { pace, start: [start[1], Infinity] as const },
        ]),
        { pace: [last, most] as const, start: ANY },
      ].filter(({ pace }) => pace[0] < pace[1]);
    };
    const within = params.shape === 'half circle' ? discOf(upper, setting) : null;
    switch (outcome) {
      case 'in':
        return said([
          ...dropping(-Infinity, from),
          ...(within ?? [{ pace: [from, to] as const, start: ANY }]),
          ...dropping(to, Infinity),
        ]);
      case 'short':
        return said(staying(-Infinity, from));
      case 'long':
        return said([
          ...staying(to, Infinity),
          ...(within ?? []).flatMap(({ pace, start }) => [
            { pace, start: [-Infinity, start[0]] as const },
            { pace, start: [start[1], Infinity] as const },
          ]),
        ]);
      default:
        return [];
    }
  },
  pointing: {
    on: 'green',
    outcome: (spot, params, setting) => {
      const { past, aside } = restFromHole(spot, setting);
      const { lower, upper } = limits(params);
      if (past < lower) return 'short';
      const far = params.shape === 'half circle' ? Math.hypot(past, aside) : past;
      return far > upper ? 'long' : 'in';
    },
    says: (spot, _params, setting) => restSays(spot, setting),
    within: () => REST_WITHIN,
    spotOf: restOfLaunch,
  },
  meets: (launch, params, setting) => {
    const { lower, upper } = limits(params);
    const rest = setting.restOf(launch.pace ?? 0);
    if (rest < lower) return 'short';
    const spot = params.shape === 'half circle' ? restOfLaunch(launch, setting) : null;
    const far = spot ? Math.hypot(rest, restFromHole(spot, setting).aside) : rest;
    if (far <= upper) return 'in';
    return params.shape !== 'edge' && rolled(setting, launch).result === 'holed' ? 'in' : 'long';
  },
  draw: (params, setting): Mark[] => {
    const { distance } = setting.putt;
    const { lower, upper } = limits(params);
    return [
      {
        type: 'zone',
        from: distance + lower,
        to: distance + upper,
        half: params.shape === 'half circle' ? params.depth : HALF,
        ...(params.shape === 'half circle' && { round: true }),
        label: params.shape === 'edge' ? 'stop here' : params.shape === 'limit' ? 'limit' : 'zone',
      },
      ...(params.shape === 'half circle'
        ? [
            { type: 'curve' as const, role: 'zone' as const, points: halfCircle(params, setting) },
            ...halfCircle(params, setting).map((at): Mark => ({ type: 'peg', at })),
          ]
        : []),
    ];
  },
  grips: (params, setting) => {
    const edge = params.shape === 'edge';
    return [
      {
        id: 'end',
        name: edge ? 'shortest putt that counts' : 'end of the zone',
        at: beyond(setting, edge ? -params.depth : params.depth),
        slides: true,
        move: ({ along }) => ({ ...params, depth: Math.abs(along - setting.hole.along) }),
      },
    ];
  },
  measures: (params) => [
    {
      name: 'depth',
      label: 'Zone depth',
      kind: 'along',
      metres: params.depth,
      error: 0.02,
      decides: 'along',
      as: (depth) => ({ ...params, depth }),
    },
  ],
  harder: (params, { putt }) =>
    params.shape === 'edge'
      ? [{ by: 'gap', field: 'depth', roomy: Math.min(0.9, 0.5 * putt.distance), strict: 0.15 }]
      : [
          {
            by: 'gap',
            field: 'depth',
            roomy: Math.max(0.9, 0.2 * putt.distance),
            strict: Math.max(putt.past, 0.3),
          },
        ],
  kit: ({ shape }) => [
    { item: 'tee', count: shape === 'half circle' ? HALF_CIRCLE : shape === 'edge' ? 1 : 2 },
  ],
  cautions: () => [...CAUTIONS.tees],
});
