import { z } from 'zod';
import { strikeLoss } from '@/core/stroke';
import { INCH } from '@/core/units';
import { DEFAULT_SHANK } from './ball-gate';
import { CAUTIONS } from './cautions';
import { defineElement, finding, type Finding, type Setting } from './element';
import {
  HEAD_FIELDS,
  HEAD_LIMITS,
  headEvidence,
  headGapFindings,
  headMet,
  squareRoom,
  type Touch,
} from './head-gap';
import type { Spot } from './spot';

const LIMITS = {
  by: { min: 0, max: 0.4 },
  ...HEAD_LIMITS,
} as const;

const schema = z.object({
  /** Where the gate stands, seen from the ball. */
  place: z.enum(['level', 'behind', 'ahead']),
  /** How far behind or ahead, m. */
  by: z.number().min(LIMITS.by.min).max(LIMITS.by.max),
  /** Air on each side of the square head, m; below 0 the measured gap is narrower than the head. */
  clearance: z.number().min(-0.06).max(LIMITS.clearance.max),
  /** Diameter of a tee's shank, m. */
  shank: z.number().min(LIMITS.shank.min).max(LIMITS.shank.max),
});

export type PutterGate = z.infer<typeof schema>;

/** Along the line from the ball, m; behind it negative. */
export const alongOf = ({ place, by }: Pick<PutterGate, 'place' | 'by'>): number =>
  place === 'level' ? 0 : place === 'behind' ? -by : by;

/** Inner gap for this player: `P + 2c`, m. */
export const headGap = (clearance: number, { player }: Setting): number =>
  player.headLength + 2 * clearance;

const isTouch = (outcome: string): outcome is Touch =>
  outcome === 'clear' || outcome === 'left' || outcome === 'right';

/** The two tees, seen from the start line. */
function tees(params: PutterGate, setting: Setting): { left: Spot; right: Spot } {
  const half = (headGap(params.clearance, setting) + params.shank) / 2;
  const along = alongOf(params);
  return { left: { along, across: -half }, right: { along, across: half } };
}

function check(params: PutterGate, setting: Setting): Finding[] {
  return [
    ...(params.place !== 'level' && params.by === 0
      ? [
          finding(
            'error',
            'by',
            'A gate behind or ahead of the ball needs a distance greater than 0.',
          ),
        ]
      : []),
    ...headGapFindings('clearance', params.clearance, setting),
  ];
}

/** Two tees that let the putter head through: where on the face the ball is met. */
export const putterGate = defineElement({
  kind: 'putterGate',
  name: 'Putter gate',
  about: 'Swing the putter head between two tees to train strike.',
  trains: 'strike',
  traits: { showsLine: true, guidesHead: true },
  schema,
  fields: [
    {
      type: 'choice',
      name: 'place',
      label: 'Gate position',
      options: [
        { value: 'level', label: 'level' },
        { value: 'behind', label: 'behind' },
        { value: 'ahead', label: 'ahead' },
      ],
    },
    {
      type: 'length',
      name: 'by',
      label: 'Distance from ball',
      when: { field: 'place', is: ['behind', 'ahead'] },
      what: 'A distance behind or ahead',
      kind: 'across',
      ...LIMITS.by,
    },
    ...HEAD_FIELDS,
  ],
  defaults: (): PutterGate => ({
    place: 'level',
    by: 4 * INCH,
    clearance: 0.008,
    shank: DEFAULT_SHANK,
  }),
  check,
  places: (params, setting) => {
    const { left, right } = tees(params, setting);
    const tee = { radius: params.shank / 2 };
    return [
      { id: 'left', name: `${setting.end('left')} tee`, tee, at: left },
      { id: 'right', name: `${setting.end('right')} tee`, tee, at: right },
    ];
  },
  checks: ({ clearance }, setting) => [
    { name: 'between the tees', between: ['left', 'right'], metres: headGap(clearance, setting) },
  ],
  tolerance: (params, setting) => {
    const [least, most] = squareRoom(params.clearance, alongOf(params), setting);
    const room = Math.max(0, (most - least) / 2);
    return { quantity: 'strike', left: room, right: room };
  },
  outcomes: (params, setting) => {
    const { left, right } = tees(params, setting);
    const side = (id: 'left' | 'right', at: Spot) => {
      const end = setting.end(id);
      const label = end === 'heel' ? 'Heel' : 'Toe';
      return { id, label, detail: '', side: id, passes: false, at, tee: id };
    };
    return [
      {
        id: 'clear',
        label: 'Through',
        detail: 'the gate',
        side: 'middle',
        passes: true,
        at: { along: alongOf(params), across: 0 },
      },
      side('left', left),
      side('right', right),
    ];
  },
  evidence: (outcome, params, setting) =>
    isTouch(outcome) ? headEvidence(outcome, params.clearance, alongOf(params), setting) : [],
  meets: (launch, params, setting) => headMet(launch, params.clearance, alongOf(params), setting),
  draw: (params, setting) => {
    const { left, right } = tees(params, setting);
    const { headLength, headDepth } = setting.player;
    return [
      {
        type: 'head',
        at: { along: alongOf(params), across: 0 },
        length: headLength,
        depth: headDepth,
      },
      { type: 'tee', id: 'left', label: '', side: 'left', at: left },
      { type: 'tee', id: 'right', label: '', side: 'right', at: right },
    ];
  },
  grips: (params, setting) => {
    const { left, right } = tees(params, setting);
    const { headLength } = setting.player;
    const widened = ({ across }: Spot): PutterGate => ({
      ...params,
      clearance: Math.abs(across) - (headLength + params.shank) / 2,
    });
    return [
      {
        id: 'gate',
        name: 'putter gate',
        at: { along: alongOf(params), across: 0 },
        slides: true,
        move: ({ along }): PutterGate => ({
          ...params,
          place: Math.abs(along) < 0.01 ? 'level' : along < 0 ? 'behind' : 'ahead',
          by: Math.abs(along) < 0.01 ? params.by : Math.abs(along),
        }),
      },
      { id: 'left', name: `${setting.end('left')} tee`, at: left, move: widened },
      { id: 'right', name: `${setting.end('right')} tee`, at: right, move: widened },
    ];
  },
  measures: (params, setting) => [
    {
      name: 'gap',
      label: 'Gap, inside to inside',
      kind: 'across',
      metres: headGap(params.clearance, setting),
      error: 0.002,
      decides: 'opening',
      as: (gap) => ({ ...params, clearance: (gap - setting.player.headLength) / 2 }),
    },
  ],
  harder: () => [{ by: 'gap', field: 'clearance', roomy: 0.015, strict: 0.002 }],
  kit: () => [{ item: 'tee', count: 2 }],
  cautions: () => [...CAUTIONS.tees],
});

/**
 * What a strike at the edge of the gate costs: the share of the distance that is lost.
 *
 * @param clearance air each side, m
 */
export const edgeLoss = (clearance: number): number => strikeLoss(Math.max(0, clearance));
