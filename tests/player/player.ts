import {
  BALL_RADIUS,
  CUP_RADIUS,
  drops,
  nearest,
  roll,
  shoot,
  type Green,
  type Step,
} from './green';

// Taken once: where the tests run, a look-up of the global costs more than the arithmetic.
const { abs, atan2, cos, hypot, imul, log, max, round, sin, sqrt, tan } = Math;

/** A layout's numbers as the book keeps them: read as data, judged here by plain geometry. */
export interface Piece {
  id: string;
  kind: string;
  params: Record<string, unknown>;
}

export interface Fitting {
  hand: 'left' | 'right';
  headLength: number;
  headDepth: number;
  /** Whether the outline of the head is rounded at the back; a rectangle where left out. */
  rounded?: boolean;
  lieAngle: number;
  school: 'arc' | 'straight';
}

/** A player's truth: bias and spread of each, right and long positive; rad, m, and pace as a share of the way. */
export interface Truth {
  face: [bias: number, spread: number];
  path: [bias: number, spread: number];
  strike: [bias: number, spread: number];
  pace: [bias: number, spread: number];
  height: [bias: number, spread: number];
  faceShare: number;
  /** Correlation of face and path. */
  tie?: number;
  /** Degrees of freedom of Student's t in place of the normal. */
  tails?: number;
  /** Share of putts that are topped: a third of the way, low on the face, off line. */
  topped?: number;
  /** Share of a break that is seen, less one; all of it where left out. Where a line or a gate stands it is not needed. */
  reading?: [bias: number, spread: number];
}

/** What one putt was. */
export interface Struck {
  start: number;
  face: number;
  path: number;
  strike: number;
  pace: number;
  height: number;
  /** Share of the break that was seen, less one. */
  reading?: number;
}

/** How the tees really stand against what the tape was meant to say, m. */
export interface Placement {
  gap: number;
  distance: number;
}
export const EXACT: Placement = { gap: 0, distance: 0 };

/** A source of chance: standard normal and uniform. */
export interface Dice {
  normal(): number;
  uniform(): number;
}

/** Normal and uniform numbers from a seed (mulberry32 and Box-Muller). */
export function dice(seed: number): Dice {
  // Seeds next to each other must not give numbers that go together (the finaliser of MurmurHash3).
  let state = imul(seed ^ (seed >>> 16), 0x85ebca6b);
  state = imul(state ^ (state >>> 13), 0xc2b2ae35);
  state = (state ^ (state >>> 16)) >>> 0;
  const uniform = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = imul(t ^ (t >>> 15), t | 1);
    t ^= t + imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    uniform,
    normal: () => sqrt(-2 * log(1 - uniform())) * cos(2 * Math.PI * uniform()),
  };
}

/** One stroke. */
export function strike(truth: Truth, random: Dice): Struck {
  const { tie = 0, tails = 0, topped = 0 } = truth;
  const wide = () => {
    if (tails === 0) return 1;
    let sum = 0;
    for (let i = 0; i < tails; i++) sum += random.normal() ** 2;
    return sqrt(tails / sum);
  };
  const [zf, zp] = [random.normal(), random.normal()];
  const at = ([bias, spread]: [number, number], z: number) => bias + spread * z * wide();
  const shared = wide();
  const face = truth.face[0] + truth.face[1] * zf * shared;
  const path = truth.path[0] + truth.path[1] * (tie * zf + sqrt(1 - tie * tie) * zp) * shared;
  const one: Struck = {
    face,
    path,
    start: truth.faceShare * face + (1 - truth.faceShare) * path,
    strike: at(truth.strike, random.normal()),
    pace: max(-0.9, at(truth.pace, random.normal())),
    height: at(truth.height, random.normal()),
    ...(truth.reading && { reading: truth.reading[0] + truth.reading[1] * random.normal() }),
  };
  if (random.uniform() >= topped) return one;
  return { ...one, pace: -0.35 - 0.4 * random.uniform(), height: one.height - 0.01 };
}

/** What a putt came to: what happened at each piece, and where the ball came to rest. */
export interface Met {
  outcomes: Record<string, string>;
  holed: boolean;
  rest: { x: number; y: number };
  side: 'left' | 'right';
  reached: boolean;
}

interface Stand {
  green: Green;
  aim: { direction: number; speed: number };
  intended: Step[];
}

const stands = new Map<string, Stand>();
function standOf(green: Green): Stand {
  const key = JSON.stringify(green);
  const found = stands.get(key) ?? { green, aim: shoot(green), intended: [] };
  if (found.intended.length === 0)
    found.intended = roll(green, found.aim.speed, found.aim.direction);
  stands.set(key, found);
  return found;
}

const num = (params: Record<string, unknown>, name: string): number => params[name] as number;

/** Where the face's middle is at y from the ball, and how it is turned there. */
function head(y: number, struck: Struck, who: Fitting): { across: number; turn: number } {
  const inward = who.hand === 'right' ? -1 : 1;
  const radius = 1.2;
  const lean = who.school === 'arc' ? cos(who.lieAngle) : 0;
  const left = sqrt(radius * radius - y * y);
  return {
    across: struck.strike + y * tan(struck.path) + inward * (radius - left) * lean,
    turn: struck.face + inward * atan2(y * lean, left),
  };
}

/** Cross-sections of a head that are swept past a tee, from its face to its back. */
const SECTIONS = 12;
/** How much of the depth of a rounded head its back corners are rounded over, as a share. */
export const ROUNDING = 0.3;

/** Half the width of a head at a share of its depth from the face, m. */
function halfWidth(behind: number, { headLength, rounded }: Fitting): number {
  const over = behind - (1 - ROUNDING);
  if (!rounded || over <= 0) return headLength / 2;
  // A quarter of an ellipse that takes a quarter of the half-length off at the very back.
  return (headLength / 2) * (1 - 0.25 * (1 - sqrt(1 - (over / ROUNDING) ** 2)));
}

/**
 * Which of two tees a head touches first that is swept between them at y: every cross-section of its outline in turn, each
 * where the moving head has it as it passes the tees.
 */
function pair(y: number, gap: number, struck: Struck, who: Fitting): 'left' | 'right' | 'clear' {
  for (let section = 0; section <= SECTIONS; section++) {
    const share = section / SECTIONS;
    const behind = share * who.headDepth;
    const half = halfWidth(share, who);
    const over = [-1, 1].map((side) => {
      // The head is a little farther on when the point behind its face is level with the tee.
      let on = y + behind;
      for (let again = 0; again < 2; again++) {
        const { turn } = head(on, struck, who);
        on = y + behind * cos(turn) + side * half * sin(turn);
      }
      const { across, turn } = head(on, struck, who);
      return side * (across - behind * sin(turn)) + half * cos(turn) - gap / 2;
    });
    const [left, right] = over as [number, number];
    if (left > 0 || right > 0) return right > left ? 'right' : 'left';
  }
  return 'clear';
}

/** What stands along the line, so that nobody has to read it. */
const SHOWS_LINE = [
  'ballGate',
  'holeGate',
  'targetSpot',
  'targetTee',
  'corridor',
  'putterGate',
  'boxGate',
  'rail',
  'line',
];
/** What can be said of a break, in hole widths from the middle of the hole. */
const SAID = [0, 0.25, 0.5, 1, 1.5, 2, 2.5, 3.5, 4.5];

/**
 * What one stroke meets on a green.
 *
 * @param struck the stroke
 * @param pieces what stands, as planned
 * @param green the putt from where it is made
 * @param who hand and head
 * @param off how the tees really stand
 */
export function putt(
  struck: Struck,
  pieces: readonly Piece[],
  green: Green,
  who: Fitting,
  off: Placement = EXACT,
): Met {
  const { aim, intended } = standOf(green);
  const lined = pieces.some(({ kind }) => SHOWS_LINE.includes(kind));
  const seen = 1 + (struck.reading ?? 0);
  const direction = aim.direction * (lined ? 1 : seen) + struck.start;
  const steps = roll(green, aim.speed * sqrt(1 + struck.pace), direction);
  const holed = drops(steps, green.distance);
  const last = steps.at(-1)!;
  const cup = nearest(steps, green.distance, 0);
  const outcomes: Record<string, string> = {};
  const meets = ({ kind, params }: Piece): string | null => {
    switch (kind) {
      case 'ballGate':
      case 'holeGate': {
        const atCup = kind === 'holeGate';
        const gap = num(params, 'gap') + off.gap;
        const shank = num(params, 'shank');
        const onCurve = atCup || params.on === 'curve';
        // A tape is laid along the start line.
        const cupAlong = green.distance * cos(aim.direction);
        const along =
          (atCup ? max(0.1, cupAlong - CUP_RADIUS - 0.03) : num(params, 'distance')) + off.distance;
        const [c, s] = [cos(aim.direction), sin(aim.direction)];
        let [mx, my, facing] = [along * c, along * s, aim.direction];
        if (onCurve) {
          const at = intended.find(({ x, y }) => x * c + y * s >= along);
          if (at) [mx, my, facing] = [at.x, at.y, atan2(at.vy, at.vx)];
          if (at) {
            const over = at.x * c + at.y * s - along;
            mx -= over * cos(facing);
            my -= over * sin(facing);
          }
        }
        const offset = (params.offset as number | undefined) ?? 0;
        const tee = (side: number) => {
          const across = (side * (gap + shank)) / 2 - offset;
          return nearest(steps, mx - across * sin(facing), my + across * cos(facing));
        };
        if (atCup && last.x < green.distance - CUP_RADIUS - 0.03) return 'short';
        const reach = BALL_RADIUS + shank / 2;
        const [left, right] = [tee(-1), tee(1)];
        if (right.beside > -reach) return 'right';
        return left.beside < reach ? 'left' : 'clear';
      }
      case 'targetSpot':
      case 'targetTee': {
        const along = num(params, 'distance') + off.distance;
        const half =
          kind === 'targetSpot'
            ? num(params, 'diameter') / 2
            : BALL_RADIUS + num(params, 'shank') / 2;
        const { beside } = nearest(steps, along * cos(aim.direction), along * sin(aim.direction));
        if (abs(beside) <= half) return 'clear';
        return beside > 0 ? 'right' : 'left';
      }
      case 'corridor': {
        const half = (num(params, 'width') + off.gap) / 2;
        const [c, s] = [cos(aim.direction), sin(aim.direction)];
        for (const { x, y } of steps) {
          const [along, across] = [x * c + y * s, -x * s + y * c];
          if (along > num(params, 'length') + off.distance) break;
          if (across + BALL_RADIUS > half) return 'right';
          if (across - BALL_RADIUS < -half) return 'left';
        }
        return 'clear';
      }
      case 'putterGate': {
        const by = num(params, 'by');
        const y = params.place === 'level' ? 0 : params.place === 'behind' ? -by : by;
        return pair(y, who.headLength + 2 * num(params, 'clearance') + off.gap, struck, who);
      }
      case 'boxGate': {
        const gap = who.headLength + 2 * num(params, 'clearance') + off.gap;
        const at = {
          back: pair(-num(params, 'behind'), gap, struck, who),
          level: params.pairs === 'three' ? pair(0, gap, struck, who) : ('clear' as const),
          front: pair(num(params, 'ahead'), gap, struck, who),
        };
        const said = Object.entries(at).filter(([, touch]) => touch !== 'clear');
        return said.map(([name, touch]) => `${name} ${touch}`).join(', ') || 'clear';
      }
      case 'faceCheck': {
        const points = num(params, 'distance') * tan(struck.face);
        if (abs(points) <= num(params, 'width') / 2) return 'square';
        return points > 0 ? 'right' : 'left';
      }
      case 'faceMark': {
        // The ball is met as far left of the face's middle as the head's middle was right of the ball.
        const [aside, up] = [
          abs(struck.strike) / num(params, 'across'),
          abs(struck.height) / num(params, 'high'),
        ];
        if (max(aside, up) <= 1) return 'middle';
        if (aside >= up) return struck.strike > 0 ? 'left' : 'right';
        return struck.height < 0 ? 'low' : 'high';
      }
      case 'paceZone': {
        if (holed && params.shape !== 'edge') return 'in';
        const before = nearest(intended, green.distance, 0);
        const there = intended[before.index]!;
        const way = atan2(there.vy, there.vx);
        const [dx, dy] = [last.x - green.distance, last.y];
        const past = dx * cos(way) + dy * sin(way);
        const depth = num(params, 'depth');
        const [from, to] = params.shape === 'edge' ? [-depth, 0] : [0, depth];
        if (past < from) return 'short';
        const far = params.shape === 'half circle' ? hypot(dx, dy) : past;
        return far > to ? 'long' : 'in';
      }
      case 'readFirst': {
        const cups = (green.distance * tan(aim.direction * seen)) / (2 * CUP_RADIUS);
        const said = SAID.reduce((best, one) =>
          abs(one - abs(cups)) < abs(best - abs(cups)) ? one : best,
        );
        return said === 0 ? 'straight' : `${cups < 0 ? 'left' : 'right'} ${said}`;
      }
      case 'hole':
        if (holed) return 'holed';
        if (last.x < green.distance) return 'short';
        return cup.beside > 0 ? 'right' : 'left';
      case 'rail': {
        const out = (params.end === 'toe') === (who.hand === 'right') ? 1 : -1;
        const [reach, air] = [num(params, 'reach'), num(params, 'air')];
        for (let i = 0; i <= 60; i++) {
          const y = reach * (i / 30 - 1);
          const towards = out * head(y, struck, who).across;
          // Along the rail it is seen to leave by 5 mm; beside it, to touch.
          if (air === 0 ? towards >= -0.005 : towards <= air) continue;
          if (i === 0) return 'back';
          return air > 0 && y < 0.6 * reach ? 'ball' : 'through';
        }
        return 'clear';
      }
      case 'followStop':
        return 'short';
      case 'strokeStops':
        return 'within';
      case 'watch':
        return 'yes';
      case 'routine':
        return 'kept';
      default:
        return null;
    }
  };
  for (const piece of pieces) {
    const met = meets(piece);
    if (met !== null) outcomes[piece.id] = met;
  }
  return {
    outcomes,
    holed,
    rest: { x: last.x, y: last.y },
    side: cup.beside > 0 ? 'right' : 'left',
    reached: last.x >= green.distance || holed,
  };
}

/** The half-width round nothing that holds a share of some values. */
export function holding(values: readonly number[], share = 0.8): number {
  const sorted = values.map(abs).sort((a, b) => a - b);
  return sorted[round(share * (sorted.length - 1))]!;
}
