import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { DEFAULT_FACE_SHARE, beliefOfRuns, pointsOf } from '@/core/scoring';
import { differenceOfDraws } from './difference-of-draws';

const mean = (all: Float64Array): number => all.reduce((sum, one) => sum + one, 0) / all.length;
const deviation = (all: Float64Array): number => {
  const middle = mean(all);
  return Math.sqrt(mean(all.map((one) => (one - middle) ** 2)));
};
function correlation(a: Float64Array, b: Float64Array): number {
  const [ma, mb] = [mean(a), mean(b)];
  return mean(a.map((one, i) => (one - ma) * (b[i]! - mb))) / (deviation(a) * deviation(b));
}

/** The draws that two quantities of a player have before any putt: of the same points, as after many. */
const { belief } = beliefOfRuns([], DEFAULT_FACE_SHARE);
const [aim, start] = ['aim', 'start'].map((id) => pointsOf(belief, id, DEFAULT_FACE_SHARE)) as [
  ReturnType<typeof pointsOf>,
  ReturnType<typeof pointsOf>,
];

test('the two that are paired do not know of each other', () => {
  const { taken, left } = differenceOfDraws(start, aim);
  const whole = left.map((one, i) => one + taken[i]!);
  expect(Math.abs(correlation(whole, taken))).toBeLessThan(0.05);
});

test('what is left is as wide as two independent ones make it', () => {
  const { left } = differenceOfDraws(start, aim);
  const expected = Math.hypot(deviation(start.bias), deviation(aim.bias));
  expect(deviation(left) / expected).toBeGreaterThan(0.97);
  expect(deviation(left) / expected).toBeLessThan(1.03);
});

test('it shifts with either, and is the same each time', () => {
  fc.assert(
    fc.property(between(-1, 1), between(-1, 1), (a, b) => {
      const moved = (points: { bias: Float64Array }, by: number) => ({
        bias: points.bias.map((one) => one + by),
      });
      const { left } = differenceOfDraws(moved(start, a), moved(aim, b));
      const { left: before } = differenceOfDraws(start, aim);
      expect(mean(left)).toBeCloseTo(mean(before) + a - b, 9);
    }),
  );
  expect(differenceOfDraws(start, aim)).toEqual(differenceOfDraws(start, aim));
});

test('draws that cannot be paired are refused', () => {
  const few = { bias: start.bias.slice(1) };
  expect(() => differenceOfDraws(start, few)).toThrow('cannot be paired');
});
