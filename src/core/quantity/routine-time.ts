import type { Quantity } from './quantity';

export const routineTime: Quantity = {
  id: 'routineTime',
  name: 'Routine time',
  symbol: 't₀',
  about: 'How long the student takes from stepping in to the strike.',
  dimension: 'time',
  digits: { amount: 1, bias: 1 },
  says: 'fall within',
  ends: () => ({ left: 'shorter', right: 'longer' }),
  against: 'than 15 s',
  middle: () => 15,
  good: { window: 2, source: 'a working figure, with no measurement behind it' },
  nothing: 0.2,
  prior: {
    biasSpread: 7,
    middleSpread: 2.5,
    logSpreadSpread: 0.6,
    step: { bias: 0.4, logSpread: 0.04 },
    slip: 20,
  },
  told: { words: 'a timed routine', drill: 'routine-kept' },
  instrument: { error: 0.3, mount: 0.2 },
  sane: 60,
  columns: ['routine time', 'routine', 'time over ball'],
};
