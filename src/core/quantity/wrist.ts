import { DEGREE } from '@/core/units';
import type { Quantity } from './quantity';

/** What all angles of the lead wrist have in common: a few degrees matter, no eye sees them, and they steer nothing alone. */
const common = {
  dimension: 'angle',
  digits: { amount: 1, bias: 1 },
  nothing: 0.1 * DEGREE,
  told: { words: 'a wrist sensor', drill: null },
  sane: 120 * DEGREE,
} as const;

type Own = Pick<Quantity, 'id' | 'name' | 'symbol' | 'about' | 'columns'> & {
  ends: { left: string; right: string };
};

const source = 'a working figure, with no measurement behind it';

/** An angle of the lead wrist at impact. It is one's own: there is none that everyone means. */
export const wristAtImpact = ({ ends, ...own }: Own): Quantity => ({
  ...common,
  ...own,
  ends: () => ends,
  says: 'have the wrist within',
  good: { window: 3 * DEGREE, source },
  prior: {
    biasSpread: 8 * DEGREE,
    middleSpread: 2 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.4 * DEGREE, logSpread: 0.04 },
    slip: 15 * DEGREE,
  },
  instrument: { error: 0.7 * DEGREE, mount: 2 * DEGREE },
});

/** How much it has changed from address to impact; how the sensor stands matters less, as both are read from there. */
export const wristChange = ({ ends, ...own }: Own): Quantity => ({
  ...common,
  ...own,
  ends: () => ends,
  says: 'fall within',
  good: { window: 2 * DEGREE, source },
  prior: {
    biasSpread: 3 * DEGREE,
    middleSpread: 1.5 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.15 * DEGREE, logSpread: 0.04 },
    slip: 12 * DEGREE,
  },
  instrument: { error: 0.7 * DEGREE, mount: 0.3 * DEGREE },
});
