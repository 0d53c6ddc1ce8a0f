import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import {
  gateFit,
  gateFitWords,
  nextStep,
  rateBelow,
  standingsWords,
  whatIsNew,
  type DrillFacts,
} from '.';

const of = (passed: number, missed: number): boolean[] => [
  ...Array<boolean>(passed).fill(true),
  ...Array<boolean>(missed).fill(false),
];

/** The Beta posterior's share below x, by Simpson's rule on its density. */
function betaBelow(x: number, passed: number, putts: number): number {
  const density = (p: number) => p ** passed * (1 - p) ** (putts - passed);
  const integral = (until: number) => {
    const steps = 4000;
    const h = until / steps;
    let sum = density(0) + density(until);
    for (let i = 1; i < steps; i++) sum += (i % 2 ? 4 : 2) * density(i * h);
    return (sum * h) / 3;
  };
  return integral(x) / integral(1);
}

describe('the rate a player passes at', () => {
  it.each([
    [0.5, 2, 10],
    [0.9, 19, 20],
    [0.3, 0, 4],
    [0.7, 14, 20],
  ])('is below %p after %p of %p as the integral of its density says', (share, passed, putts) => {
    expect(rateBelow(share, passed, putts)).toBeCloseTo(betaBelow(share, passed, putts), 8);
  });

  it('is below nothing never and below one always, and falls with every pass', () => {
    fc.assert(
      fc.property(fc.nat(20), fc.nat(20), between(0.01, 0.99), (a, b, share) => {
        const [passed, putts] = [Math.min(a, b), Math.max(a, b)];
        expect(rateBelow(0, passed, putts)).toBe(0);
        expect(rateBelow(1, passed, putts)).toBe(1);
        const here = rateBelow(share, passed, putts);
        expect(here).toBeGreaterThanOrEqual(0);
        expect(here).toBeLessThanOrEqual(1);
        if (passed < putts) {
          expect(rateBelow(share, passed + 1, putts)).toBeLessThanOrEqual(here + 1e-12);
        }
      }),
    );
  });
});

describe('whether a gate is too hard or too easy', () => {
  it.each([
    ['nothing yet', of(0, 0), 'unknown'],
    ['a bad start', of(0, 5), 'unknown'],
    ['six missed', of(0, 6), 'too hard'],
    ['two of twelve', of(2, 10), 'too hard'],
    // 1 - 0.9^18 = 0.8499 and 1 - 0.9^19 = 0.865, by hand: eighteen in a row are just enough.
    ['seventeen in a row', of(17, 0), 'unknown'],
    ['eighteen in a row', of(18, 0), 'too easy'],
    ['fourteen of twenty', of(14, 6), 'fits'],
    ['half of sixteen', of(8, 8), 'unknown'],
  ])('%s', (_name, passes, verdict) => expect(gateFit(passes).verdict).toBe(verdict));

  it('says nothing of putts at which nobody looked: not seen is not missed', () => {
    const unseen = Array.from({ length: 12 }, () => null);
    expect(gateFit(unseen)).toMatchObject({ verdict: 'unknown', of: 0 });
    expect(gateFit([...unseen, ...of(14, 6), ...unseen])).toEqual(gateFit(of(14, 6)));
  });

  it('looks at the last twenty: what a player was says little of today', () => {
    expect(gateFit([...of(0, 40), ...of(20, 0)])).toMatchObject({
      verdict: 'too easy',
      passed: 20,
      of: 20,
    });
  });

  it('says its numbers and how sure it is, and nothing when it knows nothing', () => {
    expect(gateFitWords(gateFit(of(2, 10)))).toBe(
      'Passed 2 of the last 12: too hard today (99 % sure that the pass rate is under half).',
    );
    expect(gateFitWords(gateFit(of(20, 0)))).toContain(
      'Passed 20 of the last 20: too easy to teach much now (89 % sure',
    );
    expect(gateFitWords(gateFit(of(14, 6)))).toContain('the right difficulty');
    expect(gateFitWords(gateFit([]))).toBeNull();
  });
});

describe('the next step', () => {
  const easy = gateFit(of(20, 0));
  const hard = gateFit(of(1, 11));
  it.each([
    ['up when too easy', nextStep(easy, null, 2, 6), { type: 'up', rung: 3 }],
    ['another at the top', nextStep(easy, null, 5, 6), { type: 'other', rung: null }],
    ['another without rungs', nextStep(easy, 'done', null, 0), { type: 'other', rung: null }],
    ['down when too hard', nextStep(hard, 'putts', 2, 6), { type: 'down', rung: 1 }],
    ['another at the bottom', nextStep(hard, null, 0, 6), { type: 'other', rung: null }],
    [
      'up when finished with ease',
      nextStep(gateFit(of(9, 1)), 'done', 1, 6),
      { type: 'up', rung: 2 },
    ],
    ['again when unfinished', nextStep(gateFit(of(9, 1)), null, 1, 6), { type: 'again', rung: 1 }],
    ['again with nothing', nextStep(gateFit([]), null, null, 6), { type: 'again', rung: null }],
  ])('%s', (_name, step, wanted) => {
    expect(step).toMatchObject(wanted);
    expect(step.why).toMatch(/\.$/);
  });

  it('never leaves the ladder', () => {
    fc.assert(
      fc.property(
        fc.array(fc.boolean()),
        fc.nat(5),
        fc.integer({ min: 1, max: 6 }),
        (passes, at, rungs) => {
          const rung = Math.min(at, rungs - 1);
          for (const ended of [null, 'done', 'putts'] as const) {
            const next = nextStep(gateFit(passes), ended, rung, rungs);
            if (next.rung === null) continue;
            expect(next.rung).toBeGreaterThanOrEqual(0);
            expect(next.rung).toBeLessThan(rungs);
          }
        },
      ),
    );
  });
});

describe('what is new', () => {
  const facts = (more: Partial<DrillFacts>): DrillFacts => ({
    putts: 20,
    passed: 12,
    best: 5,
    rung: null,
    ended: null,
    taken: 20,
    ...more,
  });
  it('is the first time, once', () => {
    expect(whatIsNew(facts({}), [])).toEqual(['First time on this drill']);
    expect(whatIsNew(facts({}), [facts({})])).toEqual([]);
    expect(whatIsNew(facts({ putts: 0, passed: 0 }), [])).toEqual([]);
  });
  it('is a record with the one before it', () => {
    const before = [facts({}), facts({ best: 7, ended: 'done', taken: 18, passed: 14 })];
    expect(whatIsNew(facts({ best: 9, ended: 'done', taken: 15, passed: 17 }), before)).toEqual([
      'Longest streak: 9 (was 7)',
      'Fewest putts to finish: 15 (was 18)',
      'Best pass rate: 85 % (was 70 %)',
    ]);
    expect(whatIsNew(facts({ rung: 3 }), [facts({ rung: 2 })])).toEqual(['Highest rung so far: 4']);
    expect(whatIsNew(facts({ ended: 'done' }), [facts({})])).toEqual([
      'Finished for the first time',
    ]);
  });
  it('compares no share over a handful of putts, nor over another rung', () => {
    expect(whatIsNew(facts({ putts: 3, passed: 3, best: 3 }), [facts({})])).toEqual([]);
    expect(whatIsNew(facts({ passed: 19, rung: 0 }), [facts({ rung: 1 })])).toEqual([]);
  });
});

describe('how a game stands', () => {
  const player = (name: string, points: number, done = false) => ({ id: name, name, points, done });
  it.each([
    [[player('Sal', 4), player('Runa', 6)], 'Runa leads by 2.'],
    [[player('Sal', 6), player('Runa', 6)], 'Level at 6.'],
    [[player('Sal', 11, true), player('Runa', 6)], 'Sal wins: Sal 11, Runa 6.'],
    [[player('Sal', 3)], ''],
  ])('%#: %p', (players, words) => expect(standingsWords(players)).toBe(words));
});
