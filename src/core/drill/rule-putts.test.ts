import { libraryDrill, ruleGround, rulePutts, tallyRuns } from '.';

const at = (seconds: number) => new Date(Date.UTC(2026, 10, 24, 9, 0, seconds));
const limit = libraryDrill('limit-line')!.layout;
const four = libraryDrill('four-round')!.layout;

describe('what a rule is told of a putt', () => {
  it('comes from the elements that say it', () => {
    const putts = [
      { outcomes: { paceZone1: 'in', hole2: 'holed' }, at: at(0) },
      { outcomes: { paceZone1: 'long', hole2: 'past' }, at: at(90) },
    ];
    expect(rulePutts([{ layout: limit, putts }])).toEqual([
      { passed: true, holed: true, rest: 'in', guessed: null, minutes: 0 },
      { passed: false, holed: false, rest: 'long', guessed: null, minutes: 1.5 },
    ]);
  });

  it('says nothing of what is not logged', () => {
    const { layout } = libraryDrill('straight-gate')!;
    expect(
      rulePutts([{ layout, putts: [{ outcomes: { ballGate1: 'left' }, at: at(0) }] }]),
    ).toEqual([{ passed: false, holed: null, rest: null, guessed: null, minutes: 0 }]);
  });

  it('is not led astray by a clock that jumps back', () => {
    const times = [0, 60, -600, 120].map((seconds) => ({ outcomes: {}, at: at(seconds) }));
    expect(rulePutts([{ layout: four, putts: times }]).map(({ minutes }) => minutes)).toEqual([
      0, 1, 1, 2,
    ]);
  });

  it('goes on over runs on layouts of their own', () => {
    const { layout } = libraryDrill('straight-gate')!;
    const putts = [{ outcomes: { ballGate1: 'clear' }, at: at(30) }];
    const later = [{ outcomes: { ballGate1: 'clear' }, at: at(150) }];
    const told = rulePutts([
      { layout, putts },
      { layout: limit, putts: [] },
      { layout, putts: later },
    ]);
    expect(told.map(({ minutes }) => minutes)).toEqual([0, 2]);
    expect(
      tallyRuns([
        { layout, putts: [putts[0]!.outcomes] },
        { layout, putts: [later[0]!.outcomes] },
      ]),
    ).toEqual({
      putts: 2,
      seen: 2,
      clear: 2,
      streak: 2,
      best: 2,
    });
  });

  it('knows the stations and the rungs', () => {
    expect(ruleGround(four, 6, null)).toEqual({ stations: 4, rungs: 6, rung: 0 });
    expect(ruleGround(limit, 0, 3)).toEqual({ stations: 1, rungs: 1, rung: 0 });
  });
});

describe('a guess taken before looking', () => {
  it('came true when the element of the large keys did what was guessed', () => {
    const { layout } = libraryDrill('guess-and-look')!;
    const putt = (guess: string | null, actual: string) => ({
      outcomes: { paceZone1: actual },
      at: at(0),
      guess: guess === null ? null : { outcomes: { paceZone1: guess }, points: {} },
    });
    const putts = [putt('in', 'in'), putt('short', 'long'), putt(null, 'in')];
    expect(rulePutts([{ layout, putts }]).map(({ guessed }) => guessed)).toEqual([
      true,
      false,
      null,
    ]);
  });
});

describe('the time that a rule counts', () => {
  it('leaves out pauses, also one that goes on', () => {
    const putts = [0, 60, 600, 660].map((seconds) => ({ outcomes: {}, at: at(seconds) }));
    const minutes = (pauses: Parameters<typeof rulePutts>[1]) =>
      rulePutts([{ layout: limit, putts }], pauses).map((putt) => putt.minutes);
    expect(minutes([{ from: at(90), until: at(570) }])).toEqual([0, 1, 2, 3]);
    expect(minutes([{ from: at(60), until: null }])).toEqual([0, 1, 1, 1]);
  });

  it('is time of play: a session that is resumed days later goes on where it was', () => {
    const day = 86_400;
    const putts = [0, 30, 60, 3 * day, 3 * day + 40, 3 * day + 40 + 299, 4 * day].map(
      (seconds) => ({ outcomes: {}, at: at(seconds) }),
    );
    // 30 + 30, nothing for three days, 40, 299 s that are still play, and nothing for another day: by hand.
    expect(rulePutts([{ layout: limit, putts }]).map(({ minutes }) => 60 * minutes)).toEqual(
      [0, 30, 60, 60, 100, 399, 399].map((seconds) => expect.closeTo(seconds, 9)),
    );
  });

  it('stands still while a clock has jumped back', () => {
    const putts = [0, 60, 20, 40, 90].map((seconds) => ({ outcomes: {}, at: at(seconds) }));
    expect(rulePutts([{ layout: limit, putts }]).map(({ minutes }) => 60 * minutes)).toEqual(
      [0, 60, 60, 60, 90].map((seconds) => expect.closeTo(seconds, 9)),
    );
  });
});
