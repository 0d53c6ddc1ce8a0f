import { aimFor } from '@/core/green';
import type { Quantity } from './quantity';

/**
 * Speed of the rolling ball for each of the head's. A head of 350 g sends a ball of 46 g off at 1.59 times its speed
 * (impulse, restitution 0.8), and a ball that slides at first keeps 5/7 of its own once it rolls (Daish 1972).
 */
const ROLLING_PER_HEAD = 1.136;

export const headSpeed: Quantity = {
  id: 'headSpeed',
  name: 'Head speed',
  symbol: 'V',
  about: 'How fast the putter head moves at impact, compared with the speed this putt needs.',
  dimension: 'speed',
  digits: { amount: 2, bias: 2 },
  says: 'fall within',
  ends: () => ({ left: 'slower', right: 'faster' }),
  against: 'than this putt needs',
  middle: (putt) => aimFor(putt).startSpeed / ROLLING_PER_HEAD,
  good: {
    window: 0.07,
    source: '5 % of the speed for 8 ft, which is 10 % of the distance',
  },
  nothing: 0.01,
  prior: {
    biasSpread: 0.15,
    middleSpread: 0.07,
    logSpreadSpread: 0.6,
    step: { bias: 0.006, logSpread: 0.04 },
    slip: 0.6,
  },
  told: { words: 'a putting sensor', drill: null },
  instrument: { error: 0.02, mount: 0.04 },
  sane: 4,
  columns: ['head speed', 'club speed', 'putter speed', 'impact speed', 'clubhead speed'],
};
