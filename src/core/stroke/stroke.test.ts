import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { toDegrees } from '@/core/units';
import { arcInside, arcTurn, backstrokeFor, strikeLoss, strikeSpeed, strokeConstant } from '.';

describe('the arc of a head', () => {
  it('is under a millimetre inside near the ball and 9 mm at a quarter of a metre', () => {
    // By hand: 1.2 (1 - √(1 - (0.075/1.2)²)) cos 70° = 1.2 · 0.0019550 · 0.34202.
    expect(arcInside(0.075) * 1000).toBeCloseTo(0.802, 3);
    expect(arcInside(0.25) * 1000).toBeCloseTo(9.006, 2);
    expect(toDegrees(arcTurn(0.25))).toBeCloseTo(4.168, 2);
  });

  it('turns as its path does, and is alike on both sides of the ball', () => {
    fc.assert(
      fc.property(between(-0.6, 0.6), (y) => {
        const slope = (arcInside(y + 1e-6) - arcInside(y - 1e-6)) / 2e-6;
        expect(Math.tan(arcTurn(y))).toBeCloseTo(slope, 6);
        expect(arcInside(-y)).toBe(arcInside(y));
        expect(arcTurn(-y)).toBe(-arcTurn(y));
      }),
    );
  });

  it('is straight for an upright shaft, and nowhere beyond its radius', () => {
    expect(arcInside(0.3, { radius: 1.2, lieAngle: Math.PI / 2 })).toBeCloseTo(0, 12);
    expect(() => arcInside(1.3)).toThrow('1.3 m from the ball on an arc with a radius of 1.2 m');
  });
});

describe('a strike off the middle', () => {
  it.each([
    [0.01, 1.0, 2.0],
    [0.02, 3.9, 7.6],
  ])('of %d m costs a blade its share', (offset, slower, shorter) => {
    expect((1 - strikeSpeed(offset)) * 100).toBeCloseTo(slower, 1);
    expect(strikeLoss(offset) * 100).toBeCloseTo(shorter, 0);
  });

  it('costs nothing in the middle, the same on both sides, and less for a heavier turn', () => {
    expect(strikeSpeed(0)).toBe(1);
    expect(strikeSpeed(-0.012)).toBe(strikeSpeed(0.012));
    expect(strikeLoss(0.012, { mass: 0.36, inertia: 6e-4 })).toBeLessThan(strikeLoss(0.012));
  });
});

describe('the stroke and the distance', () => {
  it('fits a constant that gives the rolls back', () => {
    const rolls = [0.15, 0.22, 0.3].map((back) => ({ back, rolled: 48 * back ** 2 }));
    expect(strokeConstant(rolls)).toBeCloseTo(48, 9);
    expect(backstrokeFor(48 * 0.3 ** 2, 48)).toBeCloseTo(0.3, 12);
  });

  it('needs two rolls of some length', () => {
    expect(() => strokeConstant([{ back: 0.2, rolled: 2 }])).toThrow('at least 2');
    expect(() =>
      strokeConstant([
        { back: 0, rolled: 2 },
        { back: 0.2, rolled: 2 },
      ]),
    ).toThrow('above 0');
  });
});
