import { layoutAt, spotKey, stationPlace } from '@/core/layout';
import { FOOT } from '@/core/units';
import { LIBRARY, libraryDrill } from './library';
import { MANNERS, isUsual, mannerAt, mannerWords } from './manner';
import { replay, type Course, type ReplayedPutt } from './replay';
import { ruleGround } from './rule-putts';

const drillOf = (key: string) => {
  const drill = libraryDrill(key)!;
  const { layout, rule, manners, spots, ladder } = drill;
  const course: Course = { rule, manners, spots, farther: 0.9 };
  return { layout, course, ground: ruleGround(layout, ladder.length, null) };
};
const at = (index: number) => new Date(Date.UTC(2026, 0, 5, 10, 0, 20 * index));
const idOf = (key: string, kind: string) =>
  libraryDrill(key)!.layout.elements.find((piece) => piece.kind === kind)!.id;

/** H holed, s short, l and r past on a side; a small x is one that was taken back. */
const putts = (key: string, letters: string): ReplayedPutt[] => {
  const hole = idOf(key, 'hole');
  const said = { H: 'holed', s: 'short', l: 'left', r: 'right', x: 'holed' } as const;
  return [...letters].map((letter, index) => ({
    outcomes: { [hole]: said[letter as keyof typeof said] },
    at: at(index),
    passedOver: letter === 'x',
  }));
};
const feet = (key: string, letters: string) => {
  const { layout, course, ground } = drillOf(key);
  const { made, next } = replay(course, ground, [{ layout, putts: putts(key, letters) }]);
  return [...made[0]!, next!].map(({ place }) =>
    place.spot ? Math.round((10 * place.spot.distance) / FOOT) / 10 : null,
  );
};

describe('where each putt of a drill is made', () => {
  it('goes on a station when it is holed and back to the first when it is missed', () => {
    expect(feet('two-three-four', 'HHsHr')).toEqual([2, 3, 4, 2, 3, 2]);
  });

  it('goes round four spots until the first miss', () => {
    const { layout, course, ground } = drillOf('four-round');
    const { made, next } = replay(course, ground, [
      { layout, putts: putts('four-round', 'HHHHH') },
    ]);
    const spots = [...made[0]!, next!].map(({ place }) => spotKey(place));
    expect(spots).toEqual(
      [0, 1, 2, 3, 0, 1].map((station) => spotKey(stationPlace(layout, station))),
    );
  });

  it('passes over what was taken back: the next is made from the same spot', () => {
    expect(feet('two-three-four', 'HxH')).toEqual([2, 3, 3, 4]);
  });

  it('is a putter length farther from where the last one rested, and nowhere when nobody looked', () => {
    const { layout, course, ground } = drillOf('lag-and-farther');
    const hole = idOf('lag-and-farther', 'hole');
    const first: ReplayedPutt = {
      outcomes: { [hole]: 'right' },
      points: { [hole]: { along: 30 * FOOT + 0.6, across: 0 } },
      at: at(0),
    };
    const seen = replay(course, ground, [{ layout, putts: [first] }]).next!.place;
    expect(seen).toMatchObject({ again: 1 });
    expect(seen.spot!.distance).toBeCloseTo(1.5, 9);
    const unseen = replay(course, ground, [{ layout, putts: [{ ...first, points: {} }] }]).next!;
    expect(unseen.place).toMatchObject({ again: 1, spot: null });
    const holed = replay(course, ground, [
      { layout, putts: [first, { outcomes: { [hole]: 'holed' }, at: at(1) }] },
    ]).next!;
    expect(holed.place.spot!.distance).toBeCloseTo(30 * FOOT, 9);
  });

  it('is taken in turn where the rule sends nobody anywhere: two from each of five spots', () => {
    const { layout, course, ground } = drillOf('cold-holed');
    const { made } = replay(course, ground, [{ layout, putts: putts('cold-holed', 'HsHrHHlHHs') }]);
    expect(made[0]!.map(({ place }) => place.station)).toEqual([0, 0, 1, 1, 2, 2, 3, 3, 4, 4]);
  });

  it('stands as it is kept, and is unknown where the player chooses', () => {
    const { layout, course, ground } = drillOf('one-ball-new-spot');
    const place = { station: 0, again: 0, spot: { distance: 2, bearing: 1 } };
    const [kept] = putts('one-ball-new-spot', 's');
    const { made, next } = replay(course, ground, [{ layout, putts: [{ ...kept!, place }] }]);
    expect(made[0]![0]!.place).toEqual(place);
    expect(replay(course, ground, [{ layout, putts: [] }]).next!.place.spot).toBeNull();
    // After a miss it is where the ball came to rest, which nobody saw.
    expect(next!.place).toMatchObject({ again: 1, spot: null });
  });

  it('is somewhere an aim gets to, on every station of every built-in drill', () => {
    for (const { key } of LIBRARY) {
      const { layout, ground } = drillOf(key);
      for (let station = 0; station < ground.stations; station++) {
        expect([key, layoutAt(layout, stationPlace(layout, station)) !== null]).toEqual([
          key,
          true,
        ]);
      }
    }
  });
});

describe('how each putt of a drill is struck', () => {
  it('is told ball by ball, and begins again after the last', () => {
    const { layout, course, ground } = drillOf('look-feel-blind');
    const zone = idOf('look-feel-blind', 'paceZone');
    const six = Array.from({ length: 6 }, (_, index) => ({
      outcomes: { [zone]: 'in' },
      at: at(index),
    }));
    const { made, next } = replay(course, ground, [{ layout, putts: six }]);
    expect([...made[0]!, next!].map(({ manner }) => manner)).toEqual([
      'at the hole',
      'usual',
      'eyes closed',
      'routine',
      'at the hole',
      'usual',
      'eyes closed',
    ]);
    // Four balls from the near spot, then four from the far one.
    expect(made[0]!.map(({ place }) => place.station)).toEqual([0, 0, 0, 0, 1, 1]);
    expect(mannerWords(course.manners, 2)).toBe('ball 3 of 4: eyes closed');
  });

  it('is said without a number where every ball is struck alike, and not at all as usual', () => {
    expect(mannerWords(['lead hand'], 7)).toBe('lead hand only');
    expect(mannerWords([], 0)).toBeNull();
    expect(mannerAt([], 5)).toBe('usual');
  });

  it('is the usual stroke, or it is not: with the routine it is', () => {
    expect(Object.keys(MANNERS).filter((one) => isUsual(one as never))).toEqual([
      'usual',
      'routine',
    ]);
    expect(isUsual(undefined)).toBe(true);
  });

  it('is another than usual in the drills that are putted otherwise', () => {
    const strange = LIBRARY.filter(({ manners }) => !manners.every(isUsual)).map(({ key }) => key);
    expect(strange).toEqual(
      expect.arrayContaining([
        'lead-hand-only',
        'trail-hand-only',
        'push-the-ball',
        'eyes-closed-call',
        'heavy-ball',
        'hover-on-coin',
        'equator-club',
        'look-feel-blind',
      ]),
    );
    expect(libraryDrill('heavy-ball')!.manners.filter((one) => one === 'heavy ball')).toHaveLength(
      8,
    );
  });
});
