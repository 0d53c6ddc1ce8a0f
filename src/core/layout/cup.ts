import {
  DROP_SPEED,
  HOLE_RADIUS,
  aimFor,
  isLevel,
  makeWindow,
  paceRun,
  rollPutt,
  rollingDeceleration,
} from '@/core/green';
import type { Interval, Launch, Setting } from './element';

/** Any start direction. */
export const ANY: Interval = [-Infinity, Infinity];

/** Putts of one pace: what of the start drops, what touches the cup, and what goes past its middle on the left. */
export interface Slice {
  /** As shares of the way intended, less one. */
  pace: Interval;
  /** Start directions that are holed, rad from the aim; null where nothing can drop. */
  drops: Interval | null;
  /** Start directions that pass over the cup's rim, dropping or not. */
  touches: Interval;
  /** The start direction that crosses the middle of the hole. */
  middle: number;
  /** Whether these balls stop short of the hole's middle, unless they drop: they hang over its edge by then. */
  hangs: boolean;
}

/** Runs past the hole between which the cup is taken as one, m: finer on a slope, where the way there turns with the pace. */
const LEVEL = [0, 0.15, 0.35, 0.65, 1.1, 1.8, 3, 5];
const SLOPING = [0, 0.04, 0.09, 0.15, 0.22, 0.31, 0.42, 0.55, 0.72, 0.95, 1.3, 1.8, 3, 5];
/** A ball that would die within this much of the middle drops as well, m: it hangs over the edge by then. */
const HANGS = 0.8 * HOLE_RADIUS;

const slices = new WeakMap<Setting, Slice[]>();

/**
 * What the cup takes, pace by pace. A faster ball has less of the hole and breaks less, so what drops narrows and turns.
 * Paces that no aim on this slope can have are left out.
 *
 * @param setting the putt
 * @returns slices in order of pace, from a ball that just gets there; the last is for all that are faster
 */
export function cupOf(setting: Setting): Slice[] {
  const known = slices.get(setting);
  if (known) return known;
  const { putt, aim } = setting;
  const most = paceRun(DROP_SPEED, rollingDeceleration(putt.greenSpeed));
  const runs = isLevel(putt) ? LEVEL : SLOPING;
  /** The pace of a ball that runs so far past, sent at the speed that this takes on this slope. */
  const paceAt = (past: number): number | null => {
    try {
      return (aimFor({ ...putt, past }).startSpeed / aim.startSpeed) ** 2 - 1;
    } catch {
      return null;
    }
  };
  const found: Slice[] = [];
  let last = Math.min(paceAt(0) ?? 0, setting.paceOf(-HANGS));
  for (const [index, until] of runs.slice(1).entries()) {
    const to = paceAt(Math.min(until, 0.999 * most));
    if (to === null) break;
    const past = (runs[index]! + Math.min(until, 0.999 * most)) / 2;
    const at = windowAt(setting, past);
    if (at && to > last) {
      const there = Math.min(setting.paceOf(0), to);
      if (found.length === 0 && there > last) {
        found.push({ pace: [last, there], ...at, hangs: true });
        last = there;
      }
      if (to > last) found.push({ pace: [last, to], ...at, hangs: false });
      last = to;
    }
    if (until >= most) break;
  }
  const end = found.at(-1);
  if (end) {
    const { middle, touches } = end;
    found.push({ pace: [last, Infinity], drops: null, touches, middle, hangs: false });
  }
  slices.set(setting, found);
  return found;
}

/** What drops at a run past the hole; null where no aim has it. */
function windowAt({ putt, aim }: Setting, past: number): Omit<Slice, 'pace' | 'hangs'> | null {
  try {
    const { aim: own, left, right } = makeWindow({ ...putt, past });
    const middle = own.direction - aim.direction;
    // A ball that dies at the hole has nearly all of it: its window is the rim's.
    const dying = makeWindow({ ...putt, past: Math.min(past, 0.02) });
    return {
      middle,
      drops: [middle - left, middle + right],
      touches: [middle - Math.max(left, dying.left), middle + Math.max(right, dying.right)],
    };
  } catch {
    return null;
  }
}

/** How a ball really ends that was sent so. */
export const rolled = ({ putt, aim, speedOf }: Setting, { direction, pace = 0 }: Launch) =>
  rollPutt(putt, speedOf(pace), aim.direction + direction);
