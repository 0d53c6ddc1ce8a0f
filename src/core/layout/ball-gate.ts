import { z } from 'zod';
import { BALL_DIAMETER, HOLE_RADIUS } from '@/core/green';
import { INCH } from '@/core/units';
import { defineElement, type Finding, type Tolerance } from './element';
import type { Setting } from './setting';
import { turned, type Spot } from './spot';

/** Tee shank of a common tee, m. */
export const DEFAULT_SHANK = 0.005;
/** Total air under which a gate is more luck than skill, m. */
export const LEAST_AIR = 0.002;

const LIMITS = {
  distance: { min: 0.1, max: 40 },
  gap: { min: BALL_DIAMETER, max: 0.5 },
  shank: { min: 0.002, max: 0.012 },
} as const;

const schema = z.object({
  /** Ball to the line between the tees, m. */
  distance: z.number().min(LIMITS.distance.min).max(LIMITS.distance.max),
  /** Inner gap between the tees, m. */
  gap: z.number().gt(LIMITS.gap.min, 'The gap must be wider than the ball').max(LIMITS.gap.max),
  /** Diameter of a tee's shank, m. */
  shank: z.number().min(LIMITS.shank.min).max(LIMITS.shank.max),
  /** How far right of the gate's centre line the ball lies, m. */
  offset: z.number().min(-0.2).max(0.2).default(0),
  /** On the start line, or on the curve of a breaking putt and square to it. */
  on: z.enum(['line', 'curve']).default('line'),
});

export type BallGate = z.infer<typeof schema>;
/** A ball gate whose offset and place may be left to their defaults. */
export type BallGateInput = z.input<typeof schema>;

type OnLine = Omit<BallGate, 'on'>;

/** Where the two tees stand on the start line, seen from the ball. */
function teesOnLine({ distance, gap, shank, offset }: OnLine): { left: Spot; right: Spot } {
  const half = (gap + shank) / 2;
  return {
    left: { along: distance, across: -half - offset },
    right: { along: distance, across: half - offset },
  };
}

/** The middle of the gate's line and the direction it is square to. */
function middleOf(
  { distance, on }: BallGate,
  { rollAt }: Setting,
): { at: Spot; direction: number } {
  const line = { at: { along: distance, across: 0 }, direction: 0 };
  return on === 'curve' ? (rollAt(distance) ?? line) : line;
}

/** Where the two tees stand, on the line or on the curve. */
function tees(gate: BallGate, setting: Setting): { left: Spot; right: Spot } {
  const { at, direction } = middleOf(gate, setting);
  const { left, right } = teesOnLine({ ...gate, distance: 0 });
  const placed = (tee: Spot): Spot => {
    const { along, across } = turned(tee, direction);
    return { along: at.along + along, across: at.across + across };
  };
  return { left: placed(left), right: placed(right) };
}

/**
 * Start directions that clear a gate on the start line.
 *
 * `θ_right = atan((c-e)/d) - asin( (D+τ)/2 / hypot(c-e, d) )` with `c = (w+τ)/2`, and `θ_left` with `c+e`:
 * the tee's centre must stay (D+τ)/2 away from the ball's line. A negative side means that even the straight
 * putt touches that tee.
 *
 * @param gate lengths in m: gap above the ball's 42.67 mm, distance 0.1 to 40, shank 0.002 to 0.012
 * @returns radians, left and right of the line
 */
export function gateTolerance(gate: OnLine): Tolerance {
  const reach = (BALL_DIAMETER + gate.shank) / 2;
  const side = (across: number) =>
    Math.atan2(across, gate.distance) -
    Math.asin(Math.min(1, reach / Math.hypot(across, gate.distance)));
  const { left, right } = teesOnLine(gate);
  return { left: side(-left.across), right: side(right.across) };
}

/** Turns farther than this from the aim are no putt, rad. */
const WIDEST_TURN = 0.5;

/**
 * Start directions that clear a gate where it stands: by the straight formula on the start line, by rolling the ball at
 * the intended speed on the curve.
 *
 * @param gate a ball gate
 * @param setting the putt it stands on
 * @returns radians, left and right of the aim
 */
export function standingTolerance(gate: BallGate, setting: Setting): Tolerance {
  if (gate.on === 'line') return gateTolerance(gate);
  const reach = (BALL_DIAMETER + gate.shank) / 2;
  const { left, right } = tees(gate, setting);
  return {
    left: -edge((turn) => setting.passes(turn, left) - reach),
    right: edge((turn) => setting.passes(turn, right) + reach),
  };
}

/** The turn at which a rising function of it is zero. */
function edge(value: (turn: number) => number): number {
  let [low, high] = [-WIDEST_TURN, WIDEST_TURN];
  for (let step = 0; step < 40; step++) {
    const middle = (low + high) / 2;
    if (value(middle) < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * The gap whose tolerance is a given angle to each side: the inverse of {@link gateTolerance} for a centred ball.
 *
 * @param tolerance radians each side, 0 or more and below a right angle
 * @param distance ball to gate, m
 * @param shank tee shank, m
 * @returns inner gap, m
 */
export function gapForTolerance(
  tolerance: number,
  distance: number,
  shank = DEFAULT_SHANK,
): number {
  const half = ((BALL_DIAMETER + shank) / 2 + distance * Math.sin(tolerance)) / Math.cos(tolerance);
  return 2 * half - shank;
}

function check(gate: BallGate, setting: Setting): Finding[] {
  const { putt } = setting;
  const across = (metres: number) => ({ metres, kind: 'across' as const });
  const findings: Finding[] = [];
  if (gate.distance > putt.distance) {
    findings.push({
      severity: 'error',
      field: 'distance',
      message: 'A gate at {gate} stands beyond the hole: at most {putt} is allowed on this putt.',
      lengths: {
        gate: { metres: gate.distance, kind: 'along' },
        putt: { metres: putt.distance, kind: 'putt' },
      },
    });
  } else if (standsInHole(gate, setting)) {
    findings.push({
      severity: 'error',
      field: 'gap',
      message:
        'At {gap} the tees would stand in the hole: set the gate before the hole, or wider than {hole}.',
      lengths: { gap: across(gate.gap), hole: across(2 * HOLE_RADIUS) },
    });
  }
  if (gate.gap - BALL_DIAMETER < LEAST_AIR) {
    findings.push({
      severity: 'warning',
      field: 'gap',
      message: 'Only {air} of air in all: under {least} a clear putt is mostly luck.',
      lengths: { air: across(gate.gap - BALL_DIAMETER), least: across(LEAST_AIR) },
    });
  }
  return findings;
}

function standsInHole(gate: BallGate, setting: Setting): boolean {
  const { hole } = setting;
  return Object.values(tees(gate, setting)).some(
    ({ along, across }) =>
      Math.hypot(along - hole.along, across - hole.across) < HOLE_RADIUS + gate.shank / 2,
  );
}

const midway = (a: Spot, b: Spot): Spot => ({
  along: (a.along + b.along) / 2,
  across: (a.across + b.across) / 2,
});

/** Two tees that let the ball through. */
export const ballGate = defineElement({
  kind: 'ballGate',
  name: 'Ball gate',
  schema,
  fields: [
    {
      name: 'distance',
      label: 'Gate, from ball',
      what: 'A gate distance',
      kind: 'along',
      ...LIMITS.distance,
    },
    {
      name: 'gap',
      label: 'Gap',
      what: 'A gap',
      hint: 'between the tees, inside to inside',
      kind: 'across',
      min: LIMITS.gap.min + 0.0001,
      max: LIMITS.gap.max,
    },
    {
      name: 'shank',
      label: 'Tee shank',
      what: 'A tee shank',
      hint: 'thickness of the tee',
      kind: 'across',
      ...LIMITS.shank,
    },
  ],
  defaults: (putt): BallGate => ({
    distance: Math.min(18 * INCH, putt.distance / 2),
    gap: 0.067,
    shank: DEFAULT_SHANK,
    offset: 0,
    on: 'line',
  }),
  check,
  places: (gate, setting) => {
    const { left, right } = tees(gate, setting);
    return [
      { id: 'left', name: 'left tee', label: 'A', at: left },
      { id: 'right', name: 'right tee', label: 'B', at: right },
    ];
  },
  checks: ({ gap }) => [{ name: 'between the tees', between: ['left', 'right'], metres: gap }],
  tolerance: standingTolerance,
  outcomes: (gate, setting) => {
    const { left, right } = tees(gate, setting);
    return [
      {
        id: 'clear',
        label: 'Clear',
        detail: 'through the gate',
        side: 'middle',
        passes: true,
        at: midway(left, right),
      },
      { id: 'left', label: 'Left', detail: 'tee A', side: 'left', passes: false, at: left },
      { id: 'right', label: 'Right', detail: 'tee B', side: 'right', passes: false, at: right },
    ];
  },
  evidence: (outcome, gate, setting) => {
    const { left, right } = standingTolerance(gate, setting);
    switch (outcome) {
      case 'clear':
        return [{ quantity: 'start', lower: -left, upper: right }];
      case 'left':
        return [{ quantity: 'start', lower: -Infinity, upper: -left }];
      case 'right':
        return [{ quantity: 'start', lower: right, upper: Infinity }];
      default:
        return [];
    }
  },
  meets: ({ direction }, gate, setting) => {
    const reach = (BALL_DIAMETER + gate.shank) / 2;
    const straight = ({ along, across }: Spot) =>
      along * Math.sin(direction) - across * Math.cos(direction);
    const passes = (tee: Spot) =>
      gate.on === 'line' ? straight(tee) : setting.passes(direction, tee);
    const { left, right } = tees(gate, setting);
    if (passes(right) > -reach) return 'right';
    return passes(left) < reach ? 'left' : 'clear';
  },
  draw: (gate, setting) => {
    const { left, right } = tees(gate, setting);
    const ball = { along: 0, across: 0 };
    return [
      {
        type: 'wedge',
        role: 'gate',
        from: ball,
        until: setting.putt.distance,
        direction: 0,
        ...standingTolerance(gate, setting),
      },
      { type: 'tee', id: 'left', label: 'A', side: 'left', at: left },
      { type: 'tee', id: 'right', label: 'B', side: 'right', at: right },
    ];
  },
  kit: () => [{ name: 'tee', count: 2 }],
  cautions: () => [
    'Tees mark greens and catch mowers: ask the greenkeeper, use the practice green, repair the holes.',
    'Count the tees out and in.',
  ],
});
