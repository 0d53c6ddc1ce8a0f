import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { dice } from 'tests/player/player';
import type { Forecast } from './accuracy';
import { corrected, correctionOf, uncorrected } from './correction';

/** Drills of 20 putts, forecast by someone whose log odds are off. */
function drills(count: number, off: { shift: number; slope: number }, seed: number): Forecast[] {
  const random = dice(seed);
  return Array.from({ length: count }, (): Forecast => {
    const chance = 0.1 + 0.8 * random.uniform();
    const real = corrected(chance, off);
    let passed = 0;
    for (let putt = 0; putt < 20; putt++) passed += Number(random.uniform() < real);
    return { at: new Date(0), what: 'passes', fell: 0.5, putts: { chance, of: 20, passed } };
  });
}

describe('a corrected chance', () => {
  it('is moved on the scale of log odds, by hand', () => {
    // Odds of 1 times e^0.4 are 1.4918; 1.4918 / 2.4918 = 0.5987.
    expect(corrected(0.5, { shift: 0.4, slope: 1 })).toBeCloseTo(0.5987, 4);
    expect(corrected(0.7, null)).toBe(0.7);
    expect(corrected(0, { shift: 1, slope: 1 })).toBe(0);
  });

  it('is taken back by its inverse', () => {
    fc.assert(
      fc.property(between(0.01, 0.99), between(-1, 1), between(0.5, 2), (p, shift, slope) => {
        const correction = { shift, slope };
        expect(uncorrected(corrected(p, correction), correction)).toBeCloseTo(p, 9);
      }),
    );
  });
});

describe('the correction that forecasts ask for', () => {
  it('is found where they are off, and helps', () => {
    const { correction, helps } = correctionOf(drills(400, { shift: 0.5, slope: 0.7 }, 3))!;
    expect(helps).toBe(true);
    expect(correction.shift).toBeGreaterThan(0.35);
    expect(correction.shift).toBeLessThan(0.6);
    expect(correction.slope).toBeGreaterThan(0.6);
    expect(correction.slope).toBeLessThan(0.85);
  });

  it('is offered to one coach in ten at most whose forecasts are right', () => {
    const offered = Array.from(
      { length: 60 },
      (_, seed) => correctionOf(drills(100, { shift: 0, slope: 1 }, 100 + seed))!.helps,
    );
    expect(offered.filter(Boolean).length).toBeLessThanOrEqual(6);
  });

  it('is none before sixty drills', () => {
    expect(correctionOf(drills(59, { shift: 1, slope: 1 }, 5))).toBeNull();
  });
});
