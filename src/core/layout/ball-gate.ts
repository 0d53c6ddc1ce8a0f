import { z } from 'zod';
import { BALL_DIAMETER, HOLE_RADIUS } from '@/core/green';
import { INCH } from '@/core/units';
import { defineElement, type Finding, type Setting, type Spot, type Tolerance } from './element';

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
});

export type BallGate = z.infer<typeof schema>;

/** Where the two tees stand, seen from the ball. */
function tees({ distance, gap, shank, offset }: BallGate): { left: Spot; right: Spot } {
  const half = (gap + shank) / 2;
  return {
    left: { along: distance, across: -half - offset },
    right: { along: distance, across: half - offset },
  };
}

/**
 * Start directions that clear the gate.
 *
 * `θ_right = atan((c-e)/d) - asin( (D+τ)/2 / hypot(c-e, d) )` with `c = (w+τ)/2`, and `θ_left` with `c+e`:
 * the tee's centre must stay (D+τ)/2 away from the ball's line. A negative side means that even the straight
 * putt touches that tee.
 *
 * @param gate lengths in m: gap above the ball's 42.67 mm, distance 0.1 to 40, shank 0.002 to 0.012
 * @returns radians, left and right of the line
 */
export function gateTolerance(gate: BallGate): Tolerance {
  const reach = (BALL_DIAMETER + gate.shank) / 2;
  const side = (across: number) =>
    Math.atan2(across, gate.distance) -
    Math.asin(Math.min(1, reach / Math.hypot(across, gate.distance)));
  const { left, right } = tees(gate);
  return { left: side(-left.across), right: side(right.across) };
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

function check(gate: BallGate, { putt, hole }: Setting): Finding[] {
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
  } else if (standsInHole(gate, hole)) {
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

function standsInHole(gate: BallGate, hole: Spot): boolean {
  return Object.values(tees(gate)).some(
    ({ along, across }) =>
      Math.hypot(along - hole.along, across - hole.across) < HOLE_RADIUS + gate.shank / 2,
  );
}

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
  defaults: (putt) => ({
    distance: Math.min(18 * INCH, putt.distance / 2),
    gap: 0.067,
    shank: DEFAULT_SHANK,
    offset: 0,
  }),
  check,
  places: (gate) => {
    const { left, right } = tees(gate);
    return [
      { id: 'left', name: 'left tee', label: 'A', at: left },
      { id: 'right', name: 'right tee', label: 'B', at: right },
    ];
  },
  checks: ({ gap }) => [{ name: 'between the tees', between: ['left', 'right'], metres: gap }],
  tolerance: gateTolerance,
  outcomes: (gate) => {
    const { left, right } = tees(gate);
    return [
      {
        id: 'clear',
        label: 'Clear',
        detail: 'through the gate',
        side: 'middle',
        passes: true,
        at: { along: gate.distance, across: -gate.offset },
      },
      { id: 'left', label: 'Left', detail: 'tee A', side: 'left', passes: false, at: left },
      { id: 'right', label: 'Right', detail: 'tee B', side: 'right', passes: false, at: right },
    ];
  },
  evidence: (outcome, gate) => {
    const { left, right } = gateTolerance(gate);
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
  meets: ({ direction }, gate) => {
    const reach = (BALL_DIAMETER + gate.shank) / 2;
    const beside = ({ along, across }: Spot) =>
      across * Math.cos(direction) - along * Math.sin(direction);
    const { left, right } = tees(gate);
    if (beside(right) < reach) return 'right';
    return beside(left) > -reach ? 'left' : 'clear';
  },
  draw: (gate, { putt }) => {
    const { left, right } = tees(gate);
    const ball = { along: 0, across: 0 };
    return [
      {
        type: 'wedge',
        role: 'gate',
        from: ball,
        until: putt.distance,
        direction: 0,
        ...gateTolerance(gate),
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
