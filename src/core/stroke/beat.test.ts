import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { BEAT_RATIO, BEATS_A_MINUTE, againstBeat, beatRound, beatsWithin } from '.';

const round = fc
  .tuple(between(BEATS_A_MINUTE.min, BEATS_A_MINUTE.max), between(BEAT_RATIO.min, BEAT_RATIO.max))
  .map(([perMinute, ratio]) => ({ perMinute, ratio, ...beatRound(perMinute, ratio) }));

describe('a beat', () => {
  it('is, by hand, at 75 a minute and two to one: 0.8 s, turned at 0.533 s', () => {
    const { tones, lasts } = beatRound(75, 2);
    expect(tones.map(({ tone }) => tone)).toEqual(['begin', 'turn', 'strike']);
    expect(tones[1]!.at).toBeCloseTo(0.5333, 4);
    expect(tones[2]!.at).toBeCloseTo(0.8, 9);
    expect(lasts).toBeCloseTo(3.2, 9);
  });

  it('keeps its ratio and its time, whatever they are', () => {
    fc.assert(
      fc.property(round, ({ perMinute, ratio, tones }) => {
        const [begin, turn, strike] = tones;
        expect((turn!.at - begin!.at) / (strike!.at - turn!.at)).toBeCloseTo(ratio, 6);
        expect(strike!.at - begin!.at).toBeCloseTo(60 / perMinute, 9);
      }),
    );
  });

  it('is what a timed stroke is held against: by hand, 0.6 s back and 0.25 s through at 75 and two to one', () => {
    const { back, through } = againstBeat(
      { perMinute: 75, ratio: 2 },
      { back: 0.6, through: 0.25 },
    );
    expect(back).toBeCloseTo(0.6 - 0.8 * (2 / 3), 9);
    expect(through).toBeCloseTo(0.25 - 0.8 / 3, 9);
    expect(() => againstBeat({ perMinute: 40, ratio: 2 }, { back: 1, through: 1 })).toThrow(
      'A beat of 40 a minute is out of range: use 60 to 100.',
    );
  });

  it('leaves out no tone and plays none twice, however the time is cut', () => {
    fc.assert(
      fc.property(
        round,
        between(0, 20),
        fc.array(between(0.01, 0.4), { maxLength: 60 }),
        (one, from, steps) => {
          let at = from;
          const cut = steps.flatMap((step) => {
            const part = beatsWithin(one, at, at + step);
            at += step;
            return part;
          });
          expect(cut).toEqual(beatsWithin(one, from, at));
          for (const [index, beat] of cut.entries())
            if (index > 0) expect(beat.at).toBeGreaterThan(cut[index - 1]!.at);
        },
      ),
    );
  });

  it('refuses what is no beat, and says what is', () => {
    expect(() => beatRound(40, 2)).toThrow('A beat of 40 a minute is out of range: use 60 to 100.');
    expect(() => beatRound(80, 0.5)).toThrow('A ratio of 0.5 is out of range: use 1 to 3.');
    expect(() => beatRound(NaN, 2)).toThrow(RangeError);
  });
});
