import { z } from 'zod';
import { asSentence, INCH } from '@/core/units';
import { DEFAULT_SHANK } from './ball-gate';
import { CAUTIONS } from './cautions';
import {
  defineElement,
  type Evidence,
  type Finding,
  type Mark,
  type Outcome,
  type Place,
  type Setting,
  type Side,
  type StrokePoint,
} from './element';
import {
  HEAD_FIELDS,
  HEAD_LIMITS,
  headEvidence,
  headGapFindings,
  headMet,
  squareRoom,
  type Touch,
} from './head-gap';
import { headGap } from './putter-gate';
import type { Spot } from './spot';

const LIMITS = {
  reach: { min: 0.03, max: 0.4 },
  ...HEAD_LIMITS,
} as const;

const schema = z.object({
  /** The back pair, this far behind the ball, m. */
  behind: z.number().min(LIMITS.reach.min).max(LIMITS.reach.max),
  /** The front pair, this far ahead of it, m. */
  ahead: z.number().min(LIMITS.reach.min).max(LIMITS.reach.max),
  /** Two pairs, or a lane of three with one level with the ball. */
  pairs: z.enum(['two', 'three']),
  /** Air on each side of the square head, m; below 0 the measured gap is narrower than the head. */
  clearance: z.number().min(-0.06).max(LIMITS.clearance.max),
  /** Diameter of a tee's shank, m. */
  shank: z.number().min(LIMITS.shank.min).max(LIMITS.shank.max),
});

export type BoxGate = z.infer<typeof schema>;

interface Pair {
  id: 'back' | 'level' | 'front';
  along: number;
}

function pairsOf({ behind, ahead, pairs }: BoxGate): Pair[] {
  return [
    { id: 'back', along: -behind },
    ...(pairs === 'three' ? [{ id: 'level' as const, along: 0 }] : []),
    { id: 'front', along: ahead },
  ];
}

const SIDES = ['left', 'right'] as const;

function teeAt(params: BoxGate, setting: Setting, { along }: Pair, side: Side): Spot {
  const half = (headGap(params.clearance, setting) + params.shank) / 2;
  return { along, across: side === 'left' ? -half : half };
}

/**
 * The region of strike and path that passes with a face square to the path: with `u(y) = s + y tan p + arc(y)`, all with
 * `|u| ≤ c` and `|u + lag(y)| ≤ c` at every pair, where the lag is what the arc does to the rear edge.
 * A strip for each pair, cut one after the other out of a field that holds them all.
 *
 * @param params a box gate
 * @param setting whom it is set for: the arc shifts the strips of an arc player
 * @returns corners in order; none when nothing passes
 */
export function boxRegion(params: BoxGate, setting: Setting): StrokePoint[] {
  const far = 2;
  let region: StrokePoint[] = [
    { strike: -far, slope: -far / 0.03 },
    { strike: far, slope: -far / 0.03 },
    { strike: far, slope: far / 0.03 },
    { strike: -far, slope: far / 0.03 },
  ];
  for (const { along } of pairsOf(params)) {
    const there = ({ strike, slope }: StrokePoint) => strike + along * slope;
    const [least, most] = squareRoom(params.clearance, along, setting);
    region = cut(region, (point) => most - there(point));
    region = cut(region, (point) => there(point) - least);
  }
  return region;
}

/** Keeps the part of a convex region where a straight function is at least 0. */
function cut(region: StrokePoint[], keep: (point: StrokePoint) => number): StrokePoint[] {
  return region.flatMap((point, index) => {
    const next = region[(index + 1) % region.length]!;
    const [here, there] = [keep(point), keep(next)];
    const share = here / (here - there);
    const crossing = {
      strike: point.strike + share * (next.strike - point.strike),
      slope: point.slope + share * (next.slope - point.slope),
    };
    return [...(here >= 0 ? [point] : []), ...(here >= 0 !== there >= 0 ? [crossing] : [])];
  });
}

/** How far the path may lean to either side when the ball is met in the middle, rad. */
function pathTolerance(params: BoxGate, setting: Setting): { left: number; right: number } {
  let [lowest, highest] = [-Infinity, Infinity];
  for (const { along } of pairsOf(params)) {
    if (along === 0) continue;
    const edges = squareRoom(params.clearance, along, setting).map((edge) => edge / along);
    lowest = Math.max(lowest, Math.min(...edges));
    highest = Math.min(highest, Math.max(...edges));
  }
  if (!(highest > lowest)) return { left: 0, right: 0 };
  return { left: -Math.atan(lowest), right: Math.atan(highest) };
}

const TOUCHES = ['clear', 'left', 'right'] as const;

/** What happened at each pair, in the order from back to front. */
type Touches = { pair: Pair; touch: Touch }[];

/** The touches of all pairs as one name: "clear", "front left", "back right, front left". */
const outcomeId = (touches: Touches): string =>
  touches
    .filter(({ touch }) => touch !== 'clear')
    .map(({ pair, touch }) => `${pair.id} ${touch}`)
    .join(', ') || 'clear';

const touchedOf = (touches: Touches) =>
  touches.flatMap(({ pair, touch }) => (touch === 'clear' ? [] : [{ pair, side: touch }]));

/** All that can happen, one tee before two. */
const happenings = (params: BoxGate): Touches[] =>
  pairsOf(params)
    .reduce<Touches[]>(
      (all, pair) =>
        TOUCHES.flatMap((touch) => all.map((touches) => [...touches, { pair, touch }])),
      [[]],
    )
    .sort((a, b) => touchedOf(a).length - touchedOf(b).length);

/** What two touched tees, the rearmost and the foremost, say together. */
function saying(touched: { pair: Pair; side: Side }[], setting: Setting): string {
  const [rear, fore] = [touched[0]?.side, touched.length > 1 ? touched.at(-1)!.side : undefined];
  if (!rear || !fore) return '';
  if (rear === fore) return `too far ${setting.end(rear) === 'heel' ? 'in' : 'out'}`;
  return setting.end(fore) === 'heel' ? 'out-to-in' : 'in-to-out';
}

function outcomes(params: BoxGate, setting: Setting): Outcome[] {
  return happenings(params).map((touches): Outcome => {
    const touched = touchedOf(touches);
    const single = touched.length === 1 ? touched[0]! : null;
    return {
      id: outcomeId(touches),
      label:
        touched.length === 0
          ? 'Through'
          : asSentence(
              touched.map(({ pair, side }) => `${pair.id} ${setting.end(side)}`).join(', '),
            ),
      detail: touched.length === 0 ? 'the box' : saying(touched, setting),
      side: single?.side ?? 'middle',
      passes: touched.length === 0,
      at: single ? teeAt(params, setting, single.pair, single.side) : null,
      ...(single && { tee: `${single.pair.id} ${single.side}` }),
      tees: touched.map(({ pair, side }) => `${pair.id} ${side}`),
    };
  });
}

/**
 * Returns the evidence of the outer pairs. A head that passes both of them passes the middle pair as well, so a touch of the middle
 * pair alone is no evidence. If the head has no room at one pair, there is no evidence at all.
 */
function evidence(outcome: string, params: BoxGate, setting: Setting): Evidence[] {
  const happened = happenings(params).find((touches) => outcomeId(touches) === outcome) ?? [];
  const outer = happened.filter(({ pair }) => pair.id !== 'level');
  const level = happened.find(({ pair }) => pair.id === 'level')?.touch ?? 'clear';
  if (level !== 'clear' && outer.every(({ touch }) => touch !== level)) return [];
  const said = outer.map(({ pair, touch }) =>
    headEvidence(touch, params.clearance, pair.along, setting),
  );
  return said.some((one) => one.length === 0) ? [] : said.flat();
}

/** Putter gates in line: the region of strike and path that passes. */
export const boxGate = defineElement({
  kind: 'boxGate',
  name: 'Box gate',
  about: 'Two or three putter gates in line train path and strike.',
  trains: 'path',
  traits: { showsLine: true, guidesHead: true },
  region: boxRegion,
  schema,
  fields: [
    {
      type: 'choice',
      name: 'pairs',
      label: 'Pairs of tees',
      options: [
        { value: 'two', label: 'two (box)' },
        { value: 'three', label: 'three (lane)' },
      ],
    },
    {
      type: 'length',
      name: 'behind',
      label: 'Ball to back pair',
      what: 'A distance to the back pair',
      kind: 'across',
      ...LIMITS.reach,
    },
    {
      type: 'length',
      name: 'ahead',
      label: 'Ball to front pair',
      what: 'A distance to the front pair',
      kind: 'across',
      ...LIMITS.reach,
    },
    ...HEAD_FIELDS,
  ],
  defaults: (): BoxGate => ({
    behind: 3 * INCH,
    ahead: 3 * INCH,
    pairs: 'two',
    clearance: 0.008,
    shank: DEFAULT_SHANK,
  }),
  check: (params, setting): Finding[] => headGapFindings('clearance', params.clearance, setting),
  places: (params, setting) =>
    pairsOf(params).flatMap((pair) =>
      SIDES.map((side): Place => ({
        id: `${pair.id} ${side}`,
        name: `${pair.id} ${setting.end(side)} tee`,
        tee: { radius: params.shank / 2 },
        at: teeAt(params, setting, pair, side),
      })),
    ),
  checks: (params, setting) =>
    pairsOf(params).map(({ id }) => ({
      name: `across the ${id} pair`,
      between: [`${id} left`, `${id} right`],
      metres: headGap(params.clearance, setting),
    })),
  tolerance: (params, setting) => ({ quantity: 'path', ...pathTolerance(params, setting) }),
  outcomes,
  evidence,
  meets: (launch, params, setting) =>
    outcomeId(
      pairsOf(params).map((pair) => ({
        pair,
        touch: headMet(launch, params.clearance, pair.along, setting),
      })),
    ),
  draw: (params, setting): Mark[] => [
    {
      type: 'head',
      at: { along: 0, across: 0 },
      length: setting.player.headLength,
      depth: setting.player.headDepth,
    },
    ...pairsOf(params).flatMap((pair) =>
      SIDES.map((side): Mark => ({
        type: 'tee',
        id: `${pair.id} ${side}`,
        label: '',
        side,
        at: teeAt(params, setting, pair, side),
      })),
    ),
  ],
  grips: (params, setting) => [
    {
      id: 'back',
      name: 'back pair',
      at: { along: -params.behind, across: 0 },
      slides: true,
      move: ({ along }) => ({ ...params, behind: -along }),
    },
    {
      id: 'front',
      name: 'front pair',
      at: { along: params.ahead, across: 0 },
      slides: true,
      move: ({ along }) => ({ ...params, ahead: along }),
    },
    ...SIDES.map((side) => ({
      id: `front ${side}`,
      name: `front ${setting.end(side)} tee`,
      at: teeAt(params, setting, { id: 'front', along: params.ahead }, side),
      move: ({ across }: Spot) => ({
        ...params,
        clearance: Math.abs(across) - (setting.player.headLength + params.shank) / 2,
      }),
    })),
  ],
  measures: (params, setting) => [
    {
      name: 'gap',
      label: 'Gap at the narrowest pair',
      kind: 'across',
      metres: headGap(params.clearance, setting),
      error: 0.002,
      decides: 'opening',
      as: (gap) => ({ ...params, clearance: (gap - setting.player.headLength) / 2 }),
    },
    {
      name: 'behind',
      label: 'Ball to back pair',
      kind: 'across',
      metres: params.behind,
      error: 0.005,
      as: (behind) => ({ ...params, behind }),
    },
    {
      name: 'ahead',
      label: 'Ball to front pair',
      kind: 'across',
      metres: params.ahead,
      error: 0.005,
      as: (ahead) => ({ ...params, ahead }),
    },
  ],
  harder: () => [{ by: 'gap', field: 'clearance', roomy: 0.015, strict: 0.003 }],
  kit: ({ pairs }) => [{ item: 'tee', count: pairs === 'three' ? 6 : 4 }],
  cautions: () => [...CAUTIONS.tees],
});
