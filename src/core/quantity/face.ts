import { DEGREE } from '@/core/units';
import { leftRight } from './ends';
import type { Quantity } from './quantity';

export const face: Quantity = {
  id: 'face',
  name: 'Face',
  symbol: 'f',
  about: 'Where the putter face points at impact, relative to the intended line.',
  dimension: 'angle',
  digits: { amount: 2, bias: 1 },
  says: 'have the face within',
  ends: leftRight('closed', 'open'),
  good: { window: 1.04 * DEGREE, source: 'taken from the start line by the face’s share of it' },
  nothing: 0.0009,
  prior: {
    biasSpread: 1 * DEGREE,
    middleSpread: 1.2 * DEGREE,
    logSpreadSpread: 0.7,
    step: { bias: 0.05 * DEGREE, logSpread: 0.04 },
    slip: 6 * DEGREE,
  },
  startShare: (faceShare) => faceShare,
  steers: true,
  ruled: true,
  told: { words: 'a ball gate or a held finish', drill: 'held-finish' },
  instrument: { error: 0.3 * DEGREE, mount: DEGREE },
  sane: 0.5,
  trained: { name: 'face angle', phase: 'technique', usual: 0.9 },
  columns: ['face', 'face angle', 'face to target', 'face at impact', 'club face', 'face impact'],
};
