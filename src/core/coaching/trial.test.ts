import { trialArms, type TrialRule } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, standing } from '@/core/layout';
import { DEFAULT_FACE_SHARE, type Difference } from '@/core/scoring';
import { DEGREE } from '@/core/units';
import { dice } from 'tests/player/player';
import { judged, trialsOf, verdictWords, type Trial, type TrialRun } from '.';

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
  /** The verdicts after each pair of sets. */
  const looks = (run: TrialRun) => {
    const { set, sets } = run.rule as TrialRule;
    return Array.from({ length: sets }, (_, pair) => {
      const seen = { ...run, putts: run.putts.slice(0, 2 * set * (pair + 1)) };
      const [skill] = trialsOf([seen], ['start'], DEFAULT_FACE_SHARE)[0]!.skills;
      return skill ? judged(skill.difference).verdict : 'open';
    });
  };

  it('finds which is better, of players for whom one is', () => {
    let [right, wrong] = [0, 0];
    for (let player = 0; player < 12; player++) {
      const mallet = player % 2 === 0;
      const said = looks(
        putted(mallet ? { a: 1.6, b: 0.7 } : { a: 0.7, b: 1.6 }, 40 + player, { sets: 12 }),
      );
      right += Number(said.includes(mallet ? 'second' : 'first'));
      wrong += Number(said.includes(mallet ? 'first' : 'second'));
    }
    // A window less than half as wide over sixty putts with each: found mostly, and never the wrong way.
    expect(right).toBeGreaterThanOrEqual(9);
    expect(wrong).toBe(0);
  });

  it('seldom finds a difference where there is none, however often it is looked at and though the player tires', () => {
    let claimed = 0;
    for (let player = 0; player < 30; player++) {
      const said = looks(putted({ a: 1, b: 1 }, 200 + player));
      claimed += Number(said.some((verdict) => verdict === 'first' || verdict === 'second'));
    }
    expect(claimed).toBeLessThanOrEqual(3);
  });

  it('is the same whichever is called first, and calls alike what is', () => {
    const [one, other] = [
      { a: 1.6, b: 0.8 },
      { a: 0.8, b: 1.6 },
    ].map((spread) => of(toldOf(putted(spread, 77, { sets: 16 }))).difference) as [
      Difference,
      Difference,
    ];
    expect(one.log).toBeLessThan(-0.3);
    expect(other.log).toBeGreaterThan(0.3);
    const long = [78, 79].map((seed) => putted({ a: 1, b: 1 }, seed, { sets: 40, set: 20 }));
    const same = of(toldOf(...long)).difference;
    expect(judged(same).verdict).toBe('alike');
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
    const words = (log: number, variance: number) =>
      verdictWords(BASE, {
        skill: 'start',
        difference: {
          log,
          variance,
          then: { window: { low: 0.8, middle: 1, high: 1.25 }, putts: 40 },
          now: { window: { low: 0.8, middle: 1, high: 1.25 }, putts: 40 },
        },
      });
    // √(0.02 / 0.18) exp(0.16 · 0.25 / (2 · 0.02 · 0.18)) = 86: one in 86 is 1.2 %.
    expect(words(-0.5, 0.02)).toBe(
      'Start line: mallet is better. Its window is 0.61 times the size of blade’s (99 % sure).',
    );
    expect(words(0.7, 0.02)).toBe(
      'Start line: blade is better. Its window is 0.50 times the size of mallet’s (over 99 % sure).',
    );
    // √((0.002 · 0.162 / 0.16) (ln 81 + 2 ln 5)) = 0.124 is less than ln 1.2 = 0.182.
    expect(words(0.02, 0.002)).toBe(
      'Start line: no difference that matters. The windows are within a fifth of each other (80 % sure).',
    );
    expect(words(-0.3, 0.05)).toMatch(
      /^Start line: not settled\. Mallet has the smaller window so far, ×0\.74\. About \d+ more putts with each should settle it/,
    );
  });
});
