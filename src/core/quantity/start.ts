import { DEGREE } from '@/core/units';
import { leftRight } from './ends';
import type { Quantity } from './quantity';

/** Where the ball leaves, against the line meant; made of the face and the path. */
export const start: Quantity = {
  id: 'start',
  name: 'Start line',
  symbol: 'θ',
  about: 'Where the ball leaves, against the line meant.',
  dimension: 'angle',
  digits: { amount: 2, bias: 1 },
  says: 'start within',
  ends: leftRight('pull', 'push'),
  good: {
    window: 0.954 * DEGREE,
    source: 'what the hole takes at 8 ft, level, 45 cm past',
  },
  nothing: 0.0009,
  ruled: true,
  told: { words: 'a ball gate', drill: 'straight-gate' },
  instrument: { error: 0.3 * DEGREE, mount: 0.5 * DEGREE },
  sane: 1.2,
  columns: [
    'start',
    'start line',
    'start direction',
    'launch direction',
    'ball direction',
    'push pull',
  ],
};
