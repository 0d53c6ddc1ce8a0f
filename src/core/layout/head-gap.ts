import {
  finding,
  type Evidence,
  type Finding,
  type Interval,
  type Setting,
  type Side,
} from './element';

/** Air each side under which a putter gate is mostly luck, m. */
const LEAST_CLEARANCE = 0.001;

/** What is wrong or unwise in the air a putter head is given. */
export function headGapFindings(field: string, clearance: number, { player }: Setting): Finding[] {
  const across = (metres: number) => ({ metres, kind: 'across' as const });
  if (clearance < 0) {
    return [
      finding(
        'error',
        field,
        'A gap of {gap} is narrower than the putter head: use {head} or more.',
        { gap: across(player.headLength + 2 * clearance), head: across(player.headLength) },
      ),
    ];
  }
  if (clearance < LEAST_CLEARANCE) {
    return [
      finding(
        'warning',
        field,
        'Clearance on each side is only {air}: a clean stroke is mostly luck.',
        {
          air: across(clearance),
        },
      ),
    ];
  }
  return [];
}

/** Limits that all putter gates share, m. */
export const HEAD_LIMITS = {
  clearance: { min: 0, max: 0.06 },
  shank: { min: 0.002, max: 0.012 },
} as const;

/** The numbers that all putter gates ask for. */
export const HEAD_FIELDS = [
  {
    type: 'length',
    name: 'clearance',
    label: 'Clearance on each side',
    what: 'A clearance',
    hint: 'between a tee and the head when square',
    kind: 'across',
    ...HEAD_LIMITS.clearance,
  },
  {
    type: 'length',
    name: 'shank',
    label: 'Tee width',
    what: 'A tee width',
    kind: 'across',
    ...HEAD_LIMITS.shank,
  },
] as const;

/**
 * Free air on each side of a head that moves on with its face turned against its path: a head of length P and depth T turned
 * by α sweeps `P cos α + T |sin α|` of the gap.
 *
 * @param clearance air each side of the square head, m
 * @param turn of the face against the path, rad, either way
 * @param head length and depth, m
 * @returns m, below 0 when it no longer fits
 */
export function airAtTurn(
  clearance: number,
  turn: number,
  { headLength, headDepth }: { headLength: number; headDepth: number },
): number {
  const taken = headLength * Math.cos(turn) + headDepth * Math.abs(Math.sin(turn));
  return (headLength + 2 * clearance - taken) / 2;
}

/**
 * How far the rear edge of a head lags behind its front edge at two tees because of the arc alone, with a face square to the
 * arc: `arc(y + T) - T tan(turn(y + T)) - arc(y)`, about `-T²/2R` of the circle seen from above.
 *
 * @param y of the tees along the line from the ball, m
 * @returns m, right positive
 */
export const rearLag = (y: number, { player, arcAt, arcTurnAt }: Setting): number =>
  arcAt(y + player.headDepth) -
  player.headDepth * Math.tan(arcTurnAt(y + player.headDepth)) -
  arcAt(y);

/**
 * Where the middle of a head may be as its front edge passes two tees, when its face is square to its path: its arc is taken
 * off, and the rear edge passes as well.
 *
 * @param clearance air each side of the square head, m
 * @param y of the tees along the line from the ball, m
 * @returns least and most of `s + y tan p`, m
 */
export function squareRoom(clearance: number, y: number, setting: Setting): Interval {
  const [arc, lag] = [setting.arcAt(y), rearLag(y, setting)];
  return [-clearance - arc - Math.min(0, lag), clearance - arc - Math.max(0, lag)];
}

export type Touch = Side | 'clear';

/** Less air than this measures nothing: what passes is chance, m. */
const LEAST_MEASURED = 0.0004;

/** What a touch at two tees says of the head's place there; nothing where the head has as good as no air. */
export function headEvidence(
  touch: Touch,
  clearance: number,
  at: number,
  setting: Setting,
): Evidence[] {
  if (clearance < LEAST_MEASURED) return [];
  const arc = setting.arcAt(at);
  const [lower, upper] = [-clearance - arc, clearance - arc];
  const rear = {
    depth: setting.player.headDepth,
    lag: rearLag(at, setting),
    gap: 2 * clearance,
  };
  switch (touch) {
    case 'clear':
      return [{ quantity: 'head', at, lower, upper, rear }];
    case 'left':
      return [{ quantity: 'head', at, lower: -Infinity, upper: lower, rear }];
    case 'right':
      return [{ quantity: 'head', at, lower: upper, upper: Infinity, rear }];
  }
}

/** What a head really touches between two tees: first with its front edge, then with its rear edge. */
export function headMet(
  { strike = 0, path = 0, face = 0 }: { strike?: number; path?: number; face?: number },
  clearance: number,
  at: number,
  setting: Setting,
): Touch {
  const front = strike + at * Math.tan(path) + setting.arcAt(at);
  const depth = setting.player.headDepth;
  const rear = front + depth * (Math.tan(path) - Math.tan(face)) + rearLag(at, setting);
  const touching = [front, rear].find((middle) => Math.abs(middle) > clearance);
  if (touching === undefined) return 'clear';
  return touching > 0 ? 'right' : 'left';
}
