import { COMMON_RATIO } from '@/core/stroke';
import { usualBack } from './back-length';
import type { Quantity } from './quantity';

export const throughLength: Quantity = {
  id: 'throughLength',
  name: 'Length through',
  symbol: 'f',
  about:
    'How far the head goes past the ball, against half as long again as such a putt usually takes back.',
  dimension: 'length',
  digits: { amount: 0, bias: 0 },
  says: 'go through within',
  ends: () => ({ left: 'shorter', right: 'longer' }),
  against: 'than half as long again as the backstroke',
  middle: (putt) => COMMON_RATIO * usualBack(putt),
  good: { window: 0.06, source: 'a working figure: no measurement stands behind it' },
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
