import fc from 'fast-check';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, type Outcomes } from '@/core/layout';
import { tally } from '.';

const layout = ballGateLayout(DEFAULT_PUTT, {
  distance: 0.4572,
  gap: 0.06,
  shank: 0.005,
  offset: 0,
});
const of = (text: string) =>
  tally(
    layout,
    // "-": nobody looked at the gate.
    [...text].map((letter): Outcomes =>
      letter === '-' ? {} : { gate: { C: 'clear', L: 'left', R: 'right' }[letter] ?? '' },
    ),
  );

describe('tally', () => {
  it.each([
    ['', { putts: 0, seen: 0, clear: 0, streak: 0, best: 0 }],
    ['CCLCCC', { putts: 6, seen: 6, clear: 5, streak: 3, best: 3 }],
    ['CCCCR', { putts: 5, seen: 5, clear: 4, streak: 0, best: 4 }],
    ['CC--C-', { putts: 6, seen: 3, clear: 3, streak: 3, best: 3 }],
  ])('of %p', (text, counts) => expect(of(text)).toEqual(counts));

  it('never has a streak above its best, nor a best above its clear putts', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('C', 'L', 'R')), (letters) => {
        const { putts, clear, streak, best } = of(letters.join(''));
        expect(streak).toBeLessThanOrEqual(best);
        expect(best).toBeLessThanOrEqual(clear);
        expect(clear).toBeLessThanOrEqual(putts);
      }),
    );
  });
});
