import { chance } from '@/core/simulate';
import { anytimeMargin, evidenceAgainstNone } from '.';

const SPREAD = 0.4;

describe('evidence that may be looked at any time', () => {
  it('is, by hand, that of a difference of 0.6 with a variance of 0.0463', () => {
    // √(0.0463 / 0.2063) · exp(0.36 · 0.16 / (2 · 0.0463 · 0.2063)) = 0.47374 · exp(3.01523) = 9.661.
    expect(evidenceAgainstNone(0.6, 0.0463, SPREAD)).toBeCloseTo(9.661, 2);
    expect(evidenceAgainstNone(0, Infinity, SPREAD)).toBe(1);
  });

  it('is just ten to one at the margin that one in ten ever leaves', () => {
    for (const variance of [0.001, 0.02, 0.3]) {
      const margin = anytimeMargin(variance, SPREAD, 0.1);
      expect(evidenceAgainstNone(margin, variance, SPREAD)).toBeCloseTo(10, 9);
    }
    expect(anytimeMargin(Infinity, SPREAD, 0.1)).toBe(Infinity);
  });

  it('claims something of nothing in at most one walk of ten, however often it is looked at', () => {
    const random = chance(31);
    const walks = 1000;
    let [ever, atEnd] = [0, 0];
    for (let walk = 0; walk < walks; walk++) {
      let [sum, crossed, fixed] = [0, false, false];
      for (let look = 1; look <= 400; look++) {
        sum += random.normal();
        const variance = 1 / look;
        crossed ||= evidenceAgainstNone(sum / look, variance, SPREAD) >= 10;
        // What looks like a test at one in ten, looked at again and again.
        fixed ||= Math.abs(sum) / Math.sqrt(look) > 1.645;
      }
      ever += Number(crossed);
      atEnd += Number(fixed);
    }
    expect(ever / walks).toBeLessThan(0.1);
    expect(ever).toBeGreaterThan(0);
    expect(atEnd / walks).toBeGreaterThan(0.5);
  });
});
