import { dice } from 'tests/player/player';
import { stepBesideTrend, type Dated } from './step-or-trend';

/** Two sessions a week for four weeks before a change and four weeks after it, of a window that runs down, and steps. */
function sessionsOf(seed: number, perWeek: number, step: number): Dated[] {
  const random = dice(seed);
  // Forty putts tell the log of a window to about 0.13.
  const error = 0.13;
  return Array.from({ length: 16 }, (_, i): Dated => {
    const day = 3.5 * (i - 8);
    const truth = (perWeek * day) / 7 + (day >= 0 ? step : 0);
    return { day, mean: truth + error * random.normal(), variance: error * error };
  });
}

const PLAYERS = 400;
const share = (claims: (seed: number) => boolean) =>
  Array.from({ length: PLAYERS }, (_, seed) => Number(claims(seed))).reduce((a, b) => a + b, 0) /
  PLAYERS;

/** The mean after less the mean before, over its error: what a comparison of before with after goes by. */
function naive(sessions: readonly Dated[]): number {
  const mean = (some: Dated[]) => some.reduce((sum, one) => sum + one.mean, 0) / some.length;
  const [before, after] = [
    sessions.filter(({ day }) => day < 0),
    sessions.filter(({ day }) => day >= 0),
  ];
  return (mean(after) - mean(before)) / (0.13 * Math.sqrt(2 / 8));
}

describe('a step beside a trend', () => {
  // To 60 % in eight weeks, with no effect of the change.
  const improving = Math.log(0.6) / 8;

  it('is seldom seen of a player who improves anyway, whom before and after convince', () => {
    const seen = share((seed) => stepBesideTrend(sessionsOf(seed, improving, 0)).down >= 0.95);
    expect(seen).toBeLessThan(0.1);
    expect(share((seed) => naive(sessionsOf(seed, improving, 0)) < -1.645)).toBeGreaterThan(0.8);
  });

  it('is seldom seen where nothing changes, either way', () => {
    const steps = (seed: number) => stepBesideTrend(sessionsOf(1000 + seed, 0, 0)).down;
    expect(share((seed) => steps(seed) >= 0.95 || steps(seed) <= 0.05)).toBeLessThan(0.1);
  });

  it('is seen where there is a large one, and held within its interval eight times in ten', () => {
    const step = Math.log(0.6);
    expect(
      share((seed) => stepBesideTrend(sessionsOf(2000 + seed, improving, step)).down >= 0.95),
    ).toBeGreaterThan(0.7);
    const held = share((seed) => {
      const found = stepBesideTrend(sessionsOf(3000 + seed, improving / 2, -0.3));
      return Math.abs(found.step + 0.3) < 1.2816 * found.deviation;
    });
    expect(held).toBeGreaterThan(0.76);
    expect(held).toBeLessThan(0.95);
  });

  it('is, by hand, what two sessions on either side say when the trend is level and they are exact', () => {
    // Sessions of 0 before and −0.2 after, a day apart, with tiny errors beside the day-to-day 0.1.
    const level = [-14, -7, 7, 14].map((day) => ({
      day,
      mean: day < 0 ? 0 : -0.2,
      variance: 1e-6,
    }));
    const { step, down } = stepBesideTrend(level);
    expect(step).toBeLessThan(0);
    expect(step).toBeGreaterThan(-0.2);
    expect(down).toBeGreaterThan(0.5);
    expect(down).toBeLessThan(0.95);
  });
});
