import fc from 'fast-check';
import { libraryDrill, type Putt } from '@/core/drill';
import { standing } from '@/core/layout';
import type { LoggedSession } from '@/core/scoring';
import { dice } from 'tests/player/player';
import { checkWords, checksOf, effectOfCheckWords, likelyLarger, rateOf } from '.';
import { likelyHelps } from './checks';

const { layout } = libraryDrill('under-the-arms')!;
const watched = standing(layout).find(({ traits }) => traits.byEye)!;

/** A session in which it was so some times, and not seen some others. */
const session = (week: number, right: number, of: number, unseen = 0): LoggedSession => ({
  id: `${week}`,
  at: new Date(Date.UTC(2026, 0, 1 + 7 * week)),
  runs: [
    {
      layout,
      putts: [
        ...Array.from({ length: of }, (_, i): Putt => ({
          outcomes: { [watched.id]: i < right ? 'yes' : 'no' },
        })),
        ...Array.from({ length: unseen }, (): Putt => ({ outcomes: {} })),
      ],
    },
  ],
});

describe('what it does to the putt', () => {
  const routine = libraryDrill('routine-kept')!.layout;
  const [kept, hole] = standing(routine).filter((element) => element.outcomes().length > 0) as [
    ReturnType<typeof standing>[number],
    ReturnType<typeof standing>[number],
  ];
  /** Putts of which so many of so many went in with the routine kept, and broken. */
  const putted = (so: [number, number], not: [number, number]): LoggedSession => ({
    id: 'one',
    at: new Date(0),
    runs: [
      {
        layout: routine,
        putts: (
          [
            ['kept', so],
            ['hurried', not],
          ] as const
        ).flatMap(([id, [holed, of]]) =>
          Array.from({ length: of }, (_, i): Putt => ({
            outcomes: { [kept.id]: id, [hole.id]: i < holed ? 'holed' : 'short' },
          })),
        ),
      },
    ],
  });
  const effect = (so: [number, number], not: [number, number]) =>
    checksOf([putted(so, not)])[0]!.effect;

  it('lays putts with it against putts without it', () => {
    const told = effect([24, 30], [4, 12])!;
    expect(told).toMatchObject({ so: { right: 24, of: 30 }, not: { right: 4, of: 12 } });
    // Of 42 putts 28 passed: 20 of 30 are meant, with a variance of 30 · 12 · 28 · 14 / (42² · 41) = 1.951, so that
    // z = (4 − ½) / 1.397 = 2.506, and Φ(2.506) = 0.9939.
    expect(told.better).toBeCloseTo(0.9939, 4);
    expect(effectOfCheckWords(told)).toBe(
      'With it, 24 of 30 putts passed; without it, 4 of 12. It helps (99 % sure)',
    );
    expect(effectOfCheckWords(effect([4, 12], [24, 30])!)).toMatch(
      /It does not help \(99 % sure\)$/,
    );
    expect(effectOfCheckWords(effect([10, 20], [10, 20])!)).toMatch(
      /\. There is no clear difference$/,
    );
  });

  it('compares putts from the same place: long ones that are hurried do not make a routine help', () => {
    // From 4 ft 18 of 20 are holed, from 20 ft 4 of 20, whether the routine is kept or not; it is mostly broken from afar.
    const both = [
      { so: { right: 27, of: 30 }, not: { right: 9, of: 10 } },
      { so: { right: 2, of: 10 }, not: { right: 6, of: 30 } },
    ];
    expect(likelyHelps(both)).toBe(0.5);
    const pooled = { so: { right: 29, of: 40 }, not: { right: 15, of: 40 } };
    expect(likelyHelps([pooled])).toBeGreaterThan(0.99);
    expect(likelyHelps([])).toBe(0.5);
  });

  it('claims something of a routine that does nothing in at most one player of ten', () => {
    const random = dice(21);
    const players = 300;
    let claimed = 0;
    for (let player = 0; player < players; player++) {
      const strata = [0.9, 0.5, 0.2].map((made, place) => {
        const one = { so: { right: 0, of: 0 }, not: { right: 0, of: 0 } };
        for (let putt = 0; putt < 30; putt++) {
          // The longer the putt, the more often it is hurried.
          const of = one[random.uniform() < 0.8 - 0.25 * place ? 'so' : 'not'];
          of.of += 1;
          of.right += Number(random.uniform() < made);
        }
        return one;
      });
      const better = likelyHelps(strata);
      claimed += Number(better > 0.95 || better < 0.05);
    }
    expect(claimed / players).toBeLessThan(0.1);
    expect(claimed).toBeGreaterThan(0);
  });

  it('says nothing of a few, or where nothing but the eye was logged', () => {
    expect(effect([5, 7], [3, 12])).toBeNull();
    const alone = putted([20, 20], [0, 20]);
    const bare = {
      ...alone,
      runs: alone.runs.map((run) => ({
        ...run,
        layout: {
          ...routine,
          elements: routine.elements.filter(({ id }) => id !== hole.id),
        },
      })),
    };
    expect(checksOf([bare])[0]!.effect).toBeNull();
  });
});

describe('a rate', () => {
  it('has the quantiles of its Beta posterior, by hand', () => {
    // Nothing seen is uniform; one of one has the density 2p, so that P(p < x) = x²; none of two has 1 − (1 − x)³.
    expect(rateOf(0, 0).low).toBeCloseTo(0.1, 5);
    expect(rateOf(0, 0).high).toBeCloseTo(0.9, 5);
    expect(rateOf(1, 1).low).toBeCloseTo(Math.sqrt(0.1), 5);
    expect(rateOf(1, 1).middle).toBeCloseTo(Math.sqrt(0.5), 5);
    expect(rateOf(0, 2).high).toBeCloseTo(1 - Math.cbrt(0.1), 5);
  });

  it('is mirrored when right and wrong change places, and lies in order', () => {
    fc.assert(
      fc.property(fc.nat(40), fc.nat(40), (right, wrong) => {
        const [one, other] = [rateOf(right, right + wrong), rateOf(wrong, right + wrong)];
        expect(one.low).toBeCloseTo(1 - other.high, 4);
        expect(one.middle).toBeCloseTo(1 - other.middle, 4);
        expect(one.low < one.middle && one.middle < one.high).toBe(true);
      }),
    );
  });

  it('holds eight truths in ten of rates drawn evenly', () => {
    const random = dice(8);
    let held = 0;
    for (let i = 0; i < 400; i++) {
      const truth = random.uniform();
      const right = Array.from({ length: 25 }, () => random.uniform() < truth).filter(
        Boolean,
      ).length;
      const { low, high } = rateOf(right, 25);
      held += Number(truth >= low && truth <= high);
    }
    // 320 of 400 are meant, give or take 8.
    expect(held).toBeGreaterThan(295);
    expect(held).toBeLessThan(345);
  });

  it('is larger than another as often as evenly drawn ones are', () => {
    // Of one of one against none of one: ∫ 2p (1 − (1 − p)²) dp = 5/6, by hand.
    expect(likelyLarger(rateOf(1, 1), rateOf(0, 1))).toBeCloseTo(5 / 6, 2);
    fc.assert(
      fc.property(fc.nat(30), fc.nat(30), (right, wrong) => {
        const same = rateOf(right, right + wrong);
        expect(likelyLarger(same, same)).toBeCloseTo(0.5, 2);
      }),
      { numRuns: 20 },
    );
  });
});

describe('checks over the weeks', () => {
  it('count what was looked for, session by session; what nobody saw counts for nothing', () => {
    const [check, ...others] = checksOf([
      session(0, 2, 10, 5),
      session(1, 9, 10),
      session(2, 0, 0, 8),
    ]);
    expect(others).toEqual([]);
    expect(check).toMatchObject({ question: watched.asks, all: { right: 11, of: 20 } });
    expect(check!.sessions.map(({ id, right, of }) => [id, right, of])).toEqual([
      ['0', 2, 10],
      ['1', 9, 10],
    ]);
    expect(check!.change!.better).toBeGreaterThan(0.99);
    expect(checkWords(check!)).toMatch(
      /^11 of 20, about 55 % \(80 % interval \d\d–\d\d %\), more often than before \(over 99 % sure\)$/,
    );
  });

  it('say when there is no clear change, or one for the worse, or nothing to compare', () => {
    expect(checkWords(checksOf([session(0, 6, 10), session(1, 6, 10)])[0]!)).toContain(
      'no clear change',
    );
    expect(checkWords(checksOf([session(0, 9, 10), session(1, 2, 10)])[0]!)).toContain(
      'less often',
    );
    expect(checkWords(checksOf([session(0, 9, 10)])[0]!)).not.toContain(';');
    expect(checksOf([session(0, 0, 0, 4)])).toEqual([]);
  });
});

test('a rate is larger by a share as often as it is, drawn: a general sampler', () => {
  const { uniform } = dice(3);
  /** A draw from Beta(a, b) of whole numbers: the a-th smallest of a + b - 1 even draws. */
  const beta = (a: number, b: number) =>
    Array.from({ length: a + b - 1 }, uniform).sort((one, other) => one - other)[a - 1]!;
  let larger = 0;
  const draws = 20_000;
  for (let i = 0; i < draws; i++) larger += Number(beta(19, 13) > beta(11, 21) + 0.1);
  expect(Math.abs(likelyLarger(rateOf(18, 30), rateOf(10, 30), 0.1) - larger / draws)).toBeLessThan(
    0.02,
  );
});
