import type { Putt } from '@/core/green';
import { headSpeed } from './head-speed';
import type { Quantity } from './quantity';

/** Length back for each of the head's speed at impact, s: 8 in for 10 ft on a usual green, as the drill with stops has it. */
const BACK_PER_SPEED = 0.12;

/** How far back a head usually goes for a putt, m: with even tempo it goes with the speed at impact. */
export const usualBack = (putt: Putt): number => BACK_PER_SPEED * headSpeed.middle!(putt);

export const backLength: Quantity = {
  id: 'backLength',
  name: 'Backstroke length',
  symbol: 'b',
  about: 'How far the head goes back from the ball, compared with what is usual for this putt.',
  dimension: 'length',
  digits: { amount: 0, bias: 0 },
  says: 'fall within',
  ends: () => ({ left: 'shorter', right: 'longer' }),
  against: 'than usual for this putt',
  middle: usualBack,
  good: { window: 0.04, source: 'a working figure, with no measurement behind it' },
  nothing: 0.005,
  prior: {
    biasSpread: 0.08,
    middleSpread: 0.03,
    logSpreadSpread: 0.6,
    step: { bias: 0.004, logSpread: 0.04 },
    slip: 0.2,
  },
  told: { words: 'stroke stops', drill: 'stroke-ratio' },
  instrument: { error: 0.01, mount: 0.01 },
  sane: 1.5,
  columns: ['length back', 'back length', 'backswing length', 'backstroke length', 'stroke back'],
};
