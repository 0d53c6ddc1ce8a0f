import { z } from 'zod';
import {
  DROP_SPEED,
  aimFor,
  isLevel,
  makeWindow,
  paceRun,
  rollPutt,
  rollingDeceleration,
} from '@/core/green';
import { defineElement, type Evidence, type Setting } from './element';

const schema = z.object({});

/** Runs past the hole between which the make window is taken as one, m: finer on a slope, where it turns with the pace. */
const SLICES = [0, 0.15, 0.35, 0.65, 1.1, 1.8, 3];
const SLOPING = [0, 0.04, 0.09, 0.15, 0.22, 0.31, 0.42, 0.55, 0.72, 0.95, 1.3, 1.8, 3];

/**
 * What is holed, as slices of pace each with its window of start directions. A faster ball has less of the hole and
 * breaks less, so the window narrows and turns from slice to slice.
 */
function slicesOf({ putt, aim }: Setting): Extract<Evidence, { quantity: 'hole' }>['slices'] {
  const most = paceRun(DROP_SPEED, rollingDeceleration(putt.greenSpeed));
  const slices = isLevel(putt) ? SLICES : SLOPING;
  return slices.slice(1).flatMap((until, index) => {
    const from = slices[index]!;
    const to = Math.min(until, most);
    if (to <= from) return [];
    const { aim: own, left, right } = makeWindow({ ...putt, past: (from + to) / 2 });
    const middle = own.direction - aim.direction;
    return [{ pace: [from, to], start: [middle - left, middle + right] }];
  });
}

/** The hole itself, when it counts. */
export const hole = defineElement({
  kind: 'hole',
  name: 'Hole',
  about: 'Whether it was holed: pressure, and putts that count.',
  trains: 'pace',
  schema,
  fields: [],
  defaults: () => ({}),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: (_params, { hole: at }) => [
    { id: 'holed', label: 'Holed', detail: 'in', side: 'middle', passes: true, at },
    { id: 'short', label: 'Short', detail: 'never there', side: 'middle', passes: false, at: null },
    { id: 'past', label: 'Past', detail: 'missed', side: 'middle', passes: false, at: null },
  ],
  evidence: (outcome, _params, setting) => {
    switch (outcome) {
      case 'short':
        return [{ quantity: 'pace', lower: -Infinity, upper: 0 }];
      case 'holed':
      case 'past':
        return [{ quantity: 'hole', holed: outcome === 'holed', slices: slicesOf(setting) }];
      default:
        return [];
    }
  },
  meets: ({ direction, past }, _params, { putt, aim }) => {
    const run = past ?? putt.past;
    if (run < 0) return 'short';
    const { startSpeed } = aimFor({ ...putt, past: run });
    const { result } = rollPutt(putt, startSpeed, aim.direction + direction);
    return result === 'holed' || result === 'short' ? result : 'past';
  },
  draw: () => [],
  kit: () => [],
  cautions: () => [],
});
