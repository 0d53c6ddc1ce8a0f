import { COMMON_RATIO } from '@/core/stroke';
import { usualBack } from './back-length';
import type { Quantity } from './quantity';

export const throughLength: Quantity = {
  id: 'throughLength',
  name: 'Through-stroke length',
  symbol: 'f',
  about:
    'How far the head goes past the ball, compared with 1.5 times the usual backstroke for this putt.',
  dimension: 'length',
  digits: { amount: 0, bias: 0 },
  says: 'fall within',
  ends: () => ({ left: 'shorter', right: 'longer' }),
  against: 'than 1.5 times the usual backstroke',
  middle: (putt) => COMMON_RATIO * usualBack(putt),
  good: { window: 0.06, source: 'a working figure, with no measurement behind it' },
  nothing: 0.008,
  prior: {
    biasSpread: 0.12,
    middleSpread: 0.05,
    logSpreadSpread: 0.6,
    step: { bias: 0.006, logSpread: 0.04 },
    slip: 0.3,
  },
  told: { words: 'stroke stops', drill: 'stroke-ratio' },
  instrument: { error: 0.015, mount: 0.015 },
  sane: 1.5,
  columns: ['length through', 'through length', 'follow through', 'through stroke length'],
};
