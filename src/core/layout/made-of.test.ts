import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { DEFAULT_PUTT } from '@/core/green';
import { STANDARD_FITTING } from '@/core/people';
import { ELEMENTS, gateTolerance, layoutKit, layoutSchema, standing, type Layout } from '.';

const layoutOf = (params: object): Layout =>
  layoutSchema.parse({
    putt: DEFAULT_PUTT,
    player: STANDARD_FITTING,
    elements: [
      { id: 'ball', kind: 'ballMark', params: ELEMENTS.ballMark.defaults(DEFAULT_PUTT) },
      { id: 'gate', kind: 'ballGate', params },
    ],
  });
const gate = { distance: 0.5, gap: 0.08, shank: 0.005 };

describe('a gate of books or ball sleeves', () => {
  it('lets through what rolls between two sharp corners: by hand', () => {
    // A ball of 42.67 mm whose middle passes a corner 40 mm aside at half a metre.
    const side = Math.atan2(0.04, 0.5) - Math.asin(0.042672 / 2 / Math.hypot(0.04, 0.5));
    const { left, right } = gateTolerance({ ...gate, offset: 0, made: 'books' });
    expect(left).toBeCloseTo(side, 5);
    expect(right).toBeCloseTo(side, 5);
  });

  it('is as wide as a ball that rolls by finds it, whatever the gap', () => {
    fc.assert(
      fc.property(
        between(0.045, 0.2),
        between(0.2, 2),
        fc.constantFrom('books' as const, 'sleeves' as const),
        (gap, distance, made) => {
          const { right } = gateTolerance({ gap, distance, shank: 0.005, offset: 0, made });
          // The distance from the corner to the line that is just clear is half a ball.
          const off = (gap / 2) * Math.cos(right) - distance * Math.sin(right);
          expect(Math.abs(off - 0.042672 / 2)).toBeLessThan(1e-5);
        },
      ),
    );
  });

  it('is taped by its corners, drawn with their front edges, and asks for no tees', () => {
    const sleeves = layoutOf({ ...gate, made: 'sleeves' });
    const [, element] = standing(sleeves);
    expect(element!.places().map(({ name }) => name)).toEqual([
      'left sleeve, front inner corner',
      'right sleeve, front inner corner',
    ]);
    const [left, right] = element!.places().map(({ at }) => at.across);
    expect(right! - left!).toBeCloseTo(0.08, 9);
    const edges = element!.draw().flatMap((mark) => (mark.type === 'rod' ? [mark] : []));
    expect(edges.map(({ from, to }) => Math.abs(to.across - from.across))).toEqual([
      expect.closeTo(0.045, 9),
      expect.closeTo(0.045, 9),
    ]);
    expect(edges.every(({ to }) => Math.abs(to.across) > 0.04)).toBe(true);
    expect(layoutKit(sleeves).map(({ name }) => name)).toContain('ball sleeves');
    expect(layoutKit(layoutOf({ ...gate, made: 'books' })).map(({ name }) => name)).toContain(
      'books',
    );
  });

  it('a gate of before is one of tees', () => {
    const [, element] = standing(layoutOf(gate));
    expect(element!.places()[0]!.name).toBe('left tee');
    expect(element!.draw().some(({ type }) => type === 'rod')).toBe(false);
  });
});
