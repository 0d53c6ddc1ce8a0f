import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { bothBelow, bothDensity, normalBelow, rectangle } from '.';

/** P(X < h, Y < k), by Simpson's rule on the density of X times what is left of Y given X. */
function byIntegral(h: number, k: number, r: number): number {
  const from = -9;
  const steps = 6000;
  const width = (Math.min(h, 9) - from) / steps;
  let sum = 0;
  for (let i = 0; i <= steps; i++) {
    const x = from + i * width;
    const weight = i === 0 || i === steps ? 1 : i % 2 ? 4 : 2;
    const density = Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI);
    sum += weight * density * normalBelow((k - r * x) / Math.sqrt(1 - r * r));
  }
  return (sum * width) / 3;
}

describe('two normals with a correlation', () => {
  // A quarter and asin(r) over a turn, exactly (Sheppard 1899).
  it.each([-0.99, -0.5, 0, 0.3, 0.95, 0.999])('both below nought at %p', (r) => {
    expect(bothBelow(0, 0, r)).toBeCloseTo(0.25 + Math.asin(r) / (2 * Math.PI), 13);
  });

  it('agree with an integral, whatever the correlation', () => {
    const bound = between(-4, 4);
    fc.assert(
      fc.property(bound, bound, between(-0.99, 0.99), (h, k, r) => {
        expect(bothBelow(h, k, r)).toBeCloseTo(byIntegral(h, k, r), 9);
      }),
      { numRuns: 150 },
    );
  });

  it('are one where one is unbounded, and nothing below nothing', () => {
    expect(bothBelow(Infinity, 0.7, 0.9)).toBe(normalBelow(0.7));
    expect(bothBelow(0.7, Infinity, -0.9)).toBe(normalBelow(0.7));
    expect(bothBelow(-Infinity, 3, 0.2)).toBe(0);
    expect(bothBelow(1.2, 0.4, 1)).toBeCloseTo(normalBelow(0.4), 14);
  });

  it('fill the plane, rectangle by rectangle', () => {
    const edge = between(-3, 3);
    fc.assert(
      fc.property(edge, edge, between(-0.98, 0.98), (x, y, r) => {
        let sum = 0;
        for (const [a, b] of [
          [-Infinity, x],
          [x, Infinity],
        ] as const) {
          for (const [c, d] of [
            [-Infinity, y],
            [y, Infinity],
          ] as const) {
            sum += rectangle({ lower: [a, c], upper: [b, d] }, r);
          }
        }
        expect(sum).toBeCloseTo(1, 12);
      }),
    );
    expect(rectangle({ lower: [1, 0], upper: [0, 1] }, 0.5)).toBe(0);
  });

  it('have the density that their probability grows by', () => {
    const [x, y, r, step] = [0.4, -0.7, 0.6, 1e-3];
    const lower: [number, number] = [x - step, y - step];
    const mass = rectangle({ lower, upper: [x + step, y + step] }, r);
    expect(mass / (4 * step * step)).toBeCloseTo(bothDensity(x, y, r), 5);
  });
});
