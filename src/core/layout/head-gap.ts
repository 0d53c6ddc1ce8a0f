import { finding, type Evidence, type Finding, type Setting, type Side } from './element';

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
        'A gap of {gap} is narrower than the head: at least {head} is needed.',
        { gap: across(player.headLength + 2 * clearance), head: across(player.headLength) },
      ),
    ];
  }
  if (clearance < LEAST_CLEARANCE) {
    return [
      finding(
        'warning',
        field,
        'Only {air} of clearance on each side: a clean stroke is mostly luck.',
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
    what: 'Air',
    hint: 'between the square head and a tee',
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
 * Free air on each side when the face is turned: a head of length P and depth T turned by α takes
 * `P cos α + T |sin α|` of the gap.
 *
 * @param clearance air each side of the square head, m
 * @param turn of the face, rad, either way
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

/** Faces that the air is taken over: seven evenly likely ones of a common spread of 1.2°, about square. */
const FACES = [-1.465, -0.792, -0.366, 0, 0.366, 0.792, 1.465].map(
  (z) => (z * 1.2 * Math.PI) / 180,
);

/**
 * The air that a head has at a distance from the ball: what its own turn there leaves, by the arc and, on average, by a
 * face that is square within a common spread. A deep head loses air quickly.
 *
 * @param clearance air each side of the square head, m
 * @param y along the line from the ball, m
 */
export function airAt(clearance: number, y: number, { player, arcTurnAt }: Setting): number {
  const turn = arcTurnAt(y);
  const airs = FACES.map((face) => airAtTurn(clearance, turn + face, player));
  return airs.reduce((sum, air) => sum + air, 0) / airs.length;
}

/** The air of a head whose face is square to its arc: what the screen shows, and what a coach can check by hand. */
export const squareAir = (clearance: number, y: number, { player, arcTurnAt }: Setting): number =>
  airAtTurn(clearance, arcTurnAt(y), player);

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
  const air = airAt(clearance, at, setting);
  if (air < LEAST_MEASURED) return [];
  const inside = setting.arcAt(at);
  const [lower, upper] = [-air - inside, air - inside];
  switch (touch) {
    case 'clear':
      return [{ quantity: 'head', at, lower, upper }];
    case 'left':
      return [{ quantity: 'head', at, lower: -Infinity, upper: lower }];
    case 'right':
      return [{ quantity: 'head', at, lower: upper, upper: Infinity }];
  }
}

/** What a head really touches between two tees. */
export function headMet(
  { strike = 0, path = 0, face = 0 }: { strike?: number; path?: number; face?: number },
  clearance: number,
  at: number,
  { player, arcAt, arcTurnAt }: Setting,
): Touch {
  const middle = strike + at * Math.tan(path) + arcAt(at);
  const air = airAtTurn(clearance, arcTurnAt(at) + face, player);
  if (Math.abs(middle) <= air) return 'clear';
  return middle > 0 ? 'right' : 'left';
}
