import { DEGREE, showDegrees } from '@/core/units';
import { farSide, leftRight, nearSide } from './ends';
import type { Quantity } from './quantity';

export const path: Quantity = {
  id: 'path',
  name: 'Path',
  symbol: 'p',
  about: 'The direction in which the putter head travels through impact.',
  dimension: 'angle',
  digits: { amount: 2, bias: 1 },
  says: 'have the path within',
  ends: leftRight('out-to-in', 'in-to-out'),
  good: {
    window: 3 * DEGREE,
    source: 'a path this far off moves the start line by a quarter of what the hole accepts',
  },
  nothing: 0.0035,
  prior: {
    biasSpread: 2.5 * DEGREE,
    middleSpread: 1.8 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.1 * DEGREE, logSpread: 0.04 },
    slip: 9 * DEGREE,
  },
  startShare: (faceShare) => 1 - faceShare,
  steers: true,
  ruled: true,
  told: { words: 'a box of four tees', drill: 'box-gate' },
  instrument: { error: 0.4 * DEGREE, mount: DEGREE, standsAs: 'face' },
  sane: 0.6,
  trained: { name: 'path', phase: 'technique', usual: 2.5 },
  misses: [
    {
      id: 'out-to-in',
      side: nearSide,
      least: 1 * DEGREE,
      putts: 12,
      seen: (size) => `Swings ${showDegrees(size, 1)} out-to-in`,
      cause:
        'The putter head cuts across the ball because the shoulders are open or the hands start the follow-through.',
    },
    {
      id: 'in-to-out',
      side: farSide,
      least: 1 * DEGREE,
      putts: 12,
      seen: (size) => `Swings ${showDegrees(size, 1)} in-to-out`,
      cause: 'The putter head comes from too far inside because the stroke turns round the body.',
    },
  ],
  columns: ['path', 'club path', 'putter path', 'swing path', 'stroke path', 'path direction'],
};
