import { trialArms, type TrialRule } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, standing } from '@/core/layout';
import { DEFAULT_FACE_SHARE } from '@/core/scoring';
import { DEGREE } from '@/core/units';
import { dice } from 'tests/player/player';
import { trialsOf, verdictWords, type Trial, type TrialRun } from '.';

const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.062, shank: 0.005 });
const gate = standing(layout).find((element) => element.outcomes().length > 1)!.id;
/** Half of what a gate of 62 mm at 18 in lets through, by hand. */
const THROUGH = Math.atan((0.062 - 0.04267) / 2 / 0.4572);
const BASE: TrialRule = { type: 'trial', a: 'blade', b: 'mallet', set: 5, sets: 8, lot: 3 };

/** A trial of a player whose start scatters so much with each, in degrees; who tires as it goes on. */
function putted(spread: { a: number; b: number }, seed: number, more: Partial<TrialRule> = {}) {
  const random = dice(seed);
  const rule = { ...BASE, lot: seed, ...more };
  const run: TrialRun = {
    layout,
    rule,
    putts: trialArms(rule).map((arm, index) => {
      const tired = 1 + 0.2 * (index / 80);
      const start = spread[arm] * tired * DEGREE * random.normal();
      const outcome = Math.abs(start) < THROUGH ? 'clear' : start < 0 ? 'left' : 'right';
      return { outcomes: { [gate]: outcome } };
    }),
  };
  return run;
}
const toldOf = (...runs: TrialRun[]): Trial =>
  trialsOf(runs, ['start', 'pace'], DEFAULT_FACE_SHARE)[0]!;
const of = (trial: Trial) => trial.skills.find(({ skill }) => skill === 'start')!;

describe('the verdict of a trial', () => {
  it('finds which is better, of players for whom one is', () => {
    let [right, wrong] = [0, 0];
    for (let player = 0; player < 12; player++) {
      const mallet = player % 2 === 0;
      const told = toldOf(
        putted(mallet ? { a: 1.5, b: 0.75 } : { a: 0.75, b: 1.5 }, 40 + player, { sets: 12 }),
      );
      const { smaller } = of(told).difference;
      right += Number(mallet ? smaller >= 0.9 : smaller <= 0.1);
      wrong += Number(mallet ? smaller <= 0.1 : smaller >= 0.9);
    }
    // A window half as wide over sixty putts with each: found nearly always, and never the wrong way.
    expect(right).toBeGreaterThanOrEqual(10);
    expect(wrong).toBe(0);
  });

  it('seldom finds a difference where there is none, though the player tires', () => {
    let claimed = 0;
    for (let player = 0; player < 30; player++) {
      const { smaller } = of(toldOf(putted({ a: 1, b: 1 }, 200 + player))).difference;
      claimed += Number(Math.max(smaller, 1 - smaller) >= 0.9);
    }
    // Held against the usual, which is next to no difference: one in ten would be much.
    expect(claimed).toBeLessThanOrEqual(3);
  });

  it('is as sure that they are alike whichever is called first, and unsure where one is twice as wide', () => {
    const apart = [
      { a: 1.6, b: 0.8 },
      { a: 0.8, b: 1.6 },
    ].map((spread) => of(toldOf(putted(spread, 77, { sets: 16 }))).difference.alike);
    for (const alike of apart) expect(alike).toBeLessThan(0.2);
    const same = of(toldOf(putted({ a: 1, b: 1 }, 78, { sets: 40, set: 10 }))).difference.alike;
    expect(same).toBeGreaterThan(0.8);
  });

  it('takes all sessions of a pair together, and no other pair', () => {
    const other = { ...putted({ a: 1, b: 1 }, 9), rule: { ...BASE, a: 'claw', b: 'usual' } };
    const free: TrialRun = { ...putted({ a: 1, b: 1 }, 9), rule: { type: 'open' } };
    const trials = trialsOf(
      [putted({ a: 1, b: 1 }, 1), other, free, putted({ a: 1, b: 1 }, 2)],
      ['start'],
      DEFAULT_FACE_SHARE,
    );
    expect(trials.map(({ a, b, putts }) => [a, b, putts])).toEqual([
      ['blade', 'mallet', { a: 80, b: 80 }],
      ['claw', 'usual', { a: 40, b: 40 }],
    ]);
  });

  it('leaves out what was putted after its end, and what too few putts speak of', () => {
    const run = putted({ a: 1, b: 1 }, 5);
    const longer = { ...run, putts: [...run.putts, ...run.putts.slice(0, 30)] };
    expect(toldOf(longer).putts).toEqual({ a: 40, b: 40 });
    expect(toldOf(longer).skills.map(({ skill }) => skill)).toEqual(['start']);
    expect(toldOf({ ...run, putts: run.putts.slice(0, 20) }).skills).toEqual([]);
  });

  it('says it as a coach would', () => {
    const words = (smaller: number, middle: number, alike: number) =>
      verdictWords(BASE, {
        skill: 'start',
        difference: {
          smaller,
          alike,
          ratio: { low: middle / 1.3, middle, high: middle * 1.3 },
          then: { window: { low: 0.8, middle: 1, high: 1.25 }, putts: 40 },
          now: { window: { low: 0.8, middle: 1, high: 1.25 }, putts: 40 },
        },
      });
    expect(words(0.96, 0.7, 0.1)).toBe(
      'Start line: mallet is better, its window ×0.70 of blade’s, 96 % sure.',
    );
    expect(words(0.005, 1.6, 0.1)).toBe(
      'Start line: blade is better, its window ×0.63 of mallet’s, over 99 % sure.',
    );
    expect(words(0.6, 0.98, 0.85)).toBe(
      'Start line: no difference that matters, 85 % sure that the windows are within a fifth of each other.',
    );
    expect(words(0.7, 0.9, 0.6)).toMatch(
      /^Start line: not settled, 70 % that mallet is better \(window ×0\.90\)\. About \d+ more putts/,
    );
  });
});
