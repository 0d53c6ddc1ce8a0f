/**
 * A ball on a tilted green, by the general Runge-Kutta method of the fourth order on the equation of motion, and nothing
 * else: it shares no code with what it is a test of.
 */

// Taken once: where the tests run, a look-up of the global costs more than the arithmetic.
const { abs, atan, cos, hypot, max, min, sin, sqrt } = Math;

/** SI. The ball is at the origin, the hole `distance` up the x axis, y to the right. */
export interface Green {
  distance: number;
  /** Roll-out from the ramp. */
  greenSpeed: number;
  /** Rise over run, and the direction it falls in, from the x axis, right positive. */
  grade: number;
  falls: number;
  /** How far past the hole the ball is meant to run, were it level there. */
  past: number;
}

export interface Step {
  x: number;
  y: number;
  vx: number;
  vy: number;
}

const GRAVITY = 9.80665;
const RAMP = 1.83;
export const BALL_RADIUS = 0.02133;
export const CUP_RADIUS = 0.054;
/** Fastest over the middle that drops. */
const FASTEST = 1.63;
const DT = 0.02;
const LONGEST = 40;

/** All places of a roll until it stops. */
export function roll(green: Green, speed: number, direction: number): Step[] {
  const friction = RAMP ** 2 / (2 * green.greenSpeed);
  const pull = (5 / 7) * GRAVITY * sin(atan(green.grade));
  const [gx, gy] = [pull * cos(green.falls), pull * sin(green.falls)];
  const force = (vx: number, vy: number): [number, number] => {
    const v = hypot(vx, vy) || 1e-12;
    return [gx - (friction * vx) / v, gy - (friction * vy) / v];
  };
  let [x, y] = [0, 0];
  let [vx, vy] = [speed * cos(direction), speed * sin(direction)];
  const steps: Step[] = [{ x, y, vx, vy }];
  for (let t = 0; t < LONGEST; t += DT) {
    const [a1, b1] = force(vx, vy);
    const [a2, b2] = force(vx + (DT / 2) * a1, vy + (DT / 2) * b1);
    const [a3, b3] = force(vx + (DT / 2) * a2, vy + (DT / 2) * b2);
    const [a4, b4] = force(vx + DT * a3, vy + DT * b3);
    const [ax, ay] = [(a1 + 2 * a2 + 2 * a3 + a4) / 6, (b1 + 2 * b2 + 2 * b3 + b4) / 6];
    x += DT * vx + (DT * DT * (a1 + a2 + a3)) / 6;
    y += DT * vy + (DT * DT * (b1 + b2 + b3)) / 6;
    const before = hypot(vx, vy);
    vx += DT * ax;
    vy += DT * ay;
    const v = hypot(vx, vy);
    steps.push({ x, y, vx, vy });
    // A ball slower than one step's friction, that the slope cannot move again, has stopped.
    if (v < friction * DT && (pull < friction || v > before)) break;
    if (v < friction * DT) break;
  }
  return steps;
}

/** Where a roll is nearest to a point: how far off, on which side (right positive), and how fast there. */
export function nearest(steps: Step[], px: number, py: number) {
  let best = { off: Infinity, beside: 0, speed: 0, index: 0 };
  for (let i = 1; i < steps.length; i++) {
    const [a, b] = [steps[i - 1]!, steps[i]!];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const length2 = dx * dx + dy * dy;
    if (length2 === 0) continue;
    const share = min(1, max(0, ((px - a.x) * dx + (py - a.y) * dy) / length2));
    const [cx, cy] = [a.x + share * dx, a.y + share * dy];
    const off = hypot(px - cx, py - cy);
    if (off >= best.off) continue;
    const [v0, v1] = [hypot(a.vx, a.vy), hypot(b.vx, b.vy)];
    const beside = ((cy - py) * dx - (cx - px) * dy) / sqrt(length2);
    best = { off, beside, speed: v0 + share * (v1 - v0), index: i };
  }
  return best;
}

/** Whether a roll drops: slow enough over as much of the hole as it crosses. */
export function drops(steps: Step[], distance: number): boolean {
  const { off, speed } = nearest(steps, distance, 0);
  return off < CUP_RADIUS && speed <= FASTEST * (1 - (off / CUP_RADIUS) ** 2);
}

/** How to start so that the roll crosses the hole's middle at its pace, found by trying: Newton with differences. */
export function shoot(green: Green): { direction: number; speed: number } {
  const friction = RAMP ** 2 / (2 * green.greenSpeed);
  const arrival2 = 2 * friction * max(green.past, 1e-4);
  const pull = (5 / 7) * GRAVITY * sin(atan(green.grade));
  let speed = sqrt(arrival2 + 2 * green.distance * (friction - pull * cos(green.falls)));
  let direction = -(pull / friction) * sin(green.falls) * 0.7;
  /** Beside the hole, and how much of energy is over, where it is nearest. */
  const missed = (v: number, d: number): [number, number] => {
    const found = nearest(roll(green, v, d), green.distance, 0);
    // Short of the hole there is no speed left: the way that is missing stands for it.
    const along = found.speed > 0.05 ? 0 : found.off;
    return [found.beside, found.speed ** 2 - 2 * friction * along - arrival2];
  };
  for (let step = 0; step < 40; step++) {
    const [m, e] = missed(speed, direction);
    if (abs(m) < 1e-7 && abs(e) < 1e-6) break;
    const [h, k] = [1e-4, 1e-4];
    const [mv, ev] = missed(speed + h, direction);
    const [md, ed] = missed(speed, direction + k);
    const [a, b, c, d] = [(mv - m) / h, (md - m) / k, (ev - e) / h, (ed - e) / k];
    const det = a * d - b * c;
    if (!Number.isFinite(det) || det === 0) break;
    const clip = (value: number, most: number) => max(-most, min(most, value));
    speed -= clip((m * d - b * e) / det, 0.2);
    direction -= clip((a * e - m * c) / det, 0.1);
  }
  return { direction, speed };
}
