import { z } from 'zod';
import { BALL_DIAMETER, HOLE_RADIUS } from '@/core/green';
import { INCH } from '@/core/units';
import { CAUTIONS } from './cautions';
import { THINGS, THINGS_NAMED, thickOf, thingsDrawn } from './gate-things';
import {
  defineElement,
  type Evidence,
  type Finding,
  type Launch,
  type Outcome,
  type Tolerance,
} from './element';
import { openingEvidence, openingMet, openingTolerance, type Opening } from './opening';
import type { Setting } from './setting';
import { turned, type Spot } from './spot';

/** Tee width of a common tee, m. */
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
  gap: z.number().gt(LIMITS.gap.min, 'The gap must be wider than the ball.').max(LIMITS.gap.max),
  /** Diameter of a tee's shank, m. */
  shank: z.number().min(LIMITS.shank.min).max(LIMITS.shank.max),
  /** How far right of the gate's centre line the ball lies, m. */
  offset: z.number().min(-0.2).max(0.2).default(0),
  /** What it is set with: tees, or at home books laid down and the sleeves that balls come in. */
  made: z.enum(THINGS_NAMED).default('tees'),
  /** On the start line, or on the curve of a breaking putt and square to it. */
  on: z.enum(['line', 'curve']).default('line'),
});

export type BallGate = z.infer<typeof schema>;
/** A ball gate whose offset and place may be left to their defaults. */
export type BallGateInput = z.input<typeof schema>;

type OnLine = Omit<BallGate, 'on' | 'made'> & Partial<Pick<BallGate, 'made'>>;

/** What is measured of a standing gate, and how far off it is easily set, m. */
const ERRORS = { gap: 0.002, distance: 0.01, ball: 0.003 };

/** Where the two tees stand on the start line, seen from the ball. */
function teesOnLine({ distance, gap, offset, ...gate }: OnLine): { left: Spot; right: Spot } {
  const half = (gap + thickOf(gate)) / 2;
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
  const reach = (BALL_DIAMETER + thickOf(gate)) / 2;
  const side = (across: number) =>
    Math.atan2(across, gate.distance) -
    Math.asin(Math.min(1, reach / Math.hypot(across, gate.distance)));
  const { left, right } = teesOnLine(gate);
  return { quantity: 'start', left: side(-left.across), right: side(right.across) };
}

/** A standing gate as an opening: the ball's middle stays half a ball and half a shank from a tee's. */
function opening(gate: BallGate, setting: Setting): Opening {
  const reach = (BALL_DIAMETER + thickOf(gate)) / 2;
  const { left, right } = tees(gate, setting);
  return { left: { at: left, beside: reach }, right: { at: right, beside: -reach } };
}

/**
 * Start directions that clear a gate where it stands: by the straight formula on the level, on a slope by rolling the ball
 * at the intended speed.
 *
 * @param gate a ball gate
 * @param setting the putt it stands on
 * @returns radians, left and right of the aim
 */
export const standingTolerance = (gate: BallGate, setting: Setting): Tolerance =>
  openingTolerance(opening(gate, setting), setting);

/** What happened at a standing gate says of the start direction, and on a slope far away of the pace too. */
export const standingEvidence = (outcome: string, gate: BallGate, setting: Setting): Evidence[] =>
  openingEvidence(outcome, opening(gate, setting), setting);

/** What a ball really meets at a standing gate. */
export const standingMet = (launch: Launch, gate: BallGate, setting: Setting): string =>
  openingMet(launch, opening(gate, setting), setting);

/**
 * The gap whose tolerance is a given angle to each side: the inverse of {@link gateTolerance} for a centred ball.
 *
 * @param tolerance radians each side, 0 or more and below a right angle
 * @param distance ball to gate, m
 * @param shank tee width, m
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
      message: 'A gate at {gate} is beyond the hole: use {putt} or less on this putt.',
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
        'A gap of {gap} puts the tees in the hole: move the gate short of the hole, or make the gap wider than {hole}.',
      lengths: { gap: across(gate.gap), hole: across(2 * HOLE_RADIUS) },
    });
  }
  if (gate.gap - BALL_DIAMETER < LEAST_AIR) {
    findings.push({
      severity: 'warning',
      field: 'gap',
      message:
        'Total clearance is only {air}: below {least}, a putt that goes through is mostly luck.',
      lengths: { air: across(gate.gap - BALL_DIAMETER), least: across(LEAST_AIR) },
    });
  }
  return findings;
}

function standsInHole(gate: BallGate, setting: Setting): boolean {
  const { hole } = setting;
  return Object.values(tees(gate, setting)).some(
    ({ along, across }) =>
      Math.hypot(along - hole.along, across - hole.across) < HOLE_RADIUS + thickOf(gate) / 2,
  );
}

export const midway = (a: Spot, b: Spot): Spot => ({
  along: (a.along + b.along) / 2,
  across: (a.across + b.across) / 2,
});

/** What can happen at two tees that the ball should pass between. */
export const gateOutcomes = (left: Spot, right: Spot): Outcome[] => [
  {
    id: 'clear',
    label: 'Through',
    detail: 'the gate',
    side: 'middle',
    passes: true,
    at: midway(left, right),
  },
  { id: 'left', label: 'Left', detail: '', side: 'left', passes: false, at: left, tee: 'left' },
  {
    id: 'right',
    label: 'Right',
    detail: '',
    side: 'right',
    passes: false,
    at: right,
    tee: 'right',
  },
];

/** Two tees that let the ball through. */
export const ballGate = defineElement({
  kind: 'ballGate',
  name: 'Ball gate',
  about: 'Roll the ball between two tees to train the start line.',
  trains: 'start',
  traits: { showsLine: true, inHeadsWay: true, proves: true, twoTees: true },
  gate: (gate) => ({
    gap: gate.gap,
    distance: gate.distance,
    shank: thickOf(gate),
    toleranceOf: (gap, distance, setting) =>
      standingTolerance({ ...gate, gap, distance, offset: 0 }, setting),
  }),
  schema,
  fields: [
    {
      type: 'length',
      name: 'distance',
      label: 'Ball to gate',
      what: 'A gate distance',
      kind: 'along',
      ...LIMITS.distance,
    },
    {
      type: 'length',
      name: 'gap',
      label: 'Gap',
      what: 'A gap',
      hint: 'between the tees, inside to inside',
      kind: 'across',
      min: LIMITS.gap.min + 0.0001,
      max: LIMITS.gap.max,
    },
    {
      type: 'choice',
      name: 'made',
      label: 'Gate posts',
      options: [
        { value: 'tees', label: 'tees' },
        { value: 'books', label: 'books laid flat' },
        { value: 'sleeves', label: 'ball sleeves' },
      ],
    },
    {
      type: 'length',
      name: 'shank',
      label: 'Tee width',
      what: 'A tee width',
      hint: 'thickness of the tee',
      when: { field: 'made', is: ['tees'] },
      kind: 'across',
      ...LIMITS.shank,
    },
    {
      type: 'length',
      name: 'offset',
      label: 'Ball offset',
      what: 'A ball offset',
      kind: 'across',
      min: 0,
      max: 0.2,
      sided: true,
    },
    {
      type: 'choice',
      name: 'on',
      label: 'Gate position',
      options: [
        { value: 'line', label: 'the start line' },
        { value: 'curve', label: 'the curve' },
      ],
    },
  ],
  defaults: (putt): BallGate => ({
    distance: Math.min(18 * INCH, putt.distance / 2),
    gap: 0.067,
    shank: DEFAULT_SHANK,
    offset: 0,
    made: 'tees',
    on: 'line',
  }),
  check,
  places: (gate, setting) => {
    const { left, right } = tees(gate, setting);
    const tee = { radius: thickOf(gate) / 2 };
    const { one, edge } = THINGS[gate.made];
    return [
      { id: 'left', name: `left ${one}${edge}`, tee, at: left },
      { id: 'right', name: `right ${one}${edge}`, tee, at: right },
    ];
  },
  checks: ({ gap, made }) => [
    { name: `between the ${made}`, between: ['left', 'right'], metres: gap },
  ],
  tolerance: standingTolerance,
  outcomes: (gate, setting) => {
    const { left, right } = tees(gate, setting);
    return gateOutcomes(left, right);
  },
  evidence: standingEvidence,
  meets: standingMet,
  draw: (gate, setting) => {
    const { left, right } = tees(gate, setting);
    return [
      gateWedge(standingTolerance(gate, setting), setting),
      { type: 'tee', id: 'left', label: '', side: 'left', at: left },
      { type: 'tee', id: 'right', label: '', side: 'right', at: right },
      ...thingsDrawn(gate.made, { left, right }),
    ];
  },
  grips: (gate, setting) => {
    const { left, right } = tees(gate, setting);
    const { at, direction } = middleOf(gate, setting);
    const widened = (to: Spot) => {
      const { across } = turned(
        { along: to.along - at.along, across: to.across - at.across },
        -direction,
      );
      return { ...gate, gap: 2 * Math.abs(across) - gate.shank };
    };
    return [
      {
        id: 'gate',
        name: 'gate',
        at: midway(left, right),
        slides: true,
        move: ({ along }) => ({ ...gate, distance: along }),
      },
      { id: 'left', name: 'left tee', at: left, move: widened },
      { id: 'right', name: 'right tee', at: right, move: widened },
    ];
  },
  measures: (gate) => [
    {
      name: 'gap',
      label: 'Gap, inside to inside',
      kind: 'across',
      metres: gate.gap,
      error: ERRORS.gap,
      decides: 'opening',
      as: (gap) => ({ ...gate, gap }),
    },
    {
      name: 'distance',
      label: 'Ball to gate',
      kind: 'along',
      metres: gate.distance,
      error: ERRORS.distance,
      decides: 'along',
      as: (distance) => ({ ...gate, distance }),
    },
    {
      name: 'ball',
      label: 'Ball right of the centre line',
      kind: 'across',
      metres: gate.offset,
      error: ERRORS.ball,
      ofBall: true,
      as: (offset) => ({ ...gate, offset }),
    },
  ],
  harder: (gate, setting) => {
    // On the start line of a breaking putt the intended ball is already a little aside when it gets there.
    const aside =
      gate.on === 'line' ? 2 * Math.abs(setting.passes(0, { along: gate.distance, across: 0 })) : 0;
    return [
      {
        by: 'gap',
        field: 'gap',
        roomy: BALL_DIAMETER + 0.024 + aside,
        strict: BALL_DIAMETER + LEAST_AIR + aside,
      },
      { by: 'distance', field: 'distance', roomy: 0.3, strict: 1.2 },
    ];
  },
  kit: ({ made }) => [{ item: THINGS[made].kit, count: 2 }],
  cautions: ({ made }) => (made === 'tees' ? [...CAUTIONS.tees] : []),
});

/** A start tolerance as a wedge from the ball to the hole. */
export const gateWedge = ({ left, right }: Tolerance, { putt }: Setting) => ({
  type: 'wedge' as const,
  role: 'gate' as const,
  from: { along: 0, across: 0 },
  until: putt.distance,
  direction: 0,
  left,
  right,
});
