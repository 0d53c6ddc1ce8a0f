import type { BiasMiss, Quantity } from './quantity';

const read = (much: 'little' | 'much'): BiasMiss => ({
  id: `reads too ${much} break`,
  drillsSay: 'misread',
  side: () => (much === 'much' ? 1 : -1),
  least: 0.15,
  putts: 8,
  seen: (size) => `Reads ${Math.round(100 * size)} % too ${much} break`,
  cause:
    much === 'little'
      ? 'From behind the ball the slope looks flatter than it is, or the student pictures a firmer putt than they stroke.'
      : 'The student pictures a slower putt than they stroke, or still has a missed break in mind.',
});

/** How much of a putt's break a player sees: what is said before the putt, over what it takes at the pace meant. */
export const reading: Quantity = {
  id: 'reading',
  name: 'Reading',
  symbol: 'ρ',
  about:
    'The break the student calls before the putt, as a share of the break it has at the intended pace.',
  dimension: 'share',
  digits: { amount: 0, bias: 0 },
  says: 'are read within',
  ends: () => ({ left: 'under', right: 'over' }),
  against: 'the true break',
  middle: () => 1,
  good: {
    window: 0.25,
    source: 'a working figure: a quarter of a two-cup break is half a cup',
  },
  nothing: 0.05,
  prior: {
    biasSpread: 0.35,
    middleSpread: 0.25,
    logSpreadSpread: 0.6,
    step: { bias: 0.02, logSpread: 0.04 },
    slip: 1.5,
  },
  told: { words: 'a drill that asks for the read first', drill: 'read-first' },
  instrument: { error: 0.1, mount: 0.05 },
  sane: 5,
  trained: { name: 'reading', phase: 'reading', usual: 40 },
  misses: [read('little'), read('much')],
  columns: ['read', 'break read', 'read of break', 'green reading'],
};
