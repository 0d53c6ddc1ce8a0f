import { quantityOf } from '@/core/quantity';
import type { Score } from '@/core/scoring';
import { sharedReach } from './skill-ruler';

const score = (high: number, bias: number): Score => ({
  window: { low: high / 2, middle: high / 1.5, high },
  bias: { low: -bias, middle: 0, high: bias },
  spread: { low: high / 2, middle: high / 1.5, high },
});

test('rulers reach as far, in good windows, as the widest of them needs', () => {
  const start = quantityOf('start').good.window;
  const strike = quantityOf('strike').good.window;
  expect(sharedReach([])).toBe(1);
  expect(sharedReach([['start', score(0.5 * start, 0)]])).toBe(1);
  expect(
    sharedReach([
      ['start', score(1.5 * start, 0)],
      ['strike', score(3 * strike, 0)],
    ]),
  ).toBeCloseTo(3, 12);
  expect(sharedReach([['start', score(start, 2.5 * start)]])).toBeCloseTo(2.5, 12);
});
