import { libraryDrill, ruleGround } from '@/core/drill';
import { layoutAt, type Spot } from '@/core/layout';
import { FOOT } from '@/core/units';
import { chance, simulateRun, startsAs, type Truth } from '.';

const drill = (key: string) => {
  const found = libraryDrill(key)!;
  const course = { ...found, farther: 0.9 };
  return { ...found, course, ground: ruleGround(found.layout, found.ladder.length, null) };
};
const sure: Truth = startsAs({ bias: 0, spread: 1e-6 });
/** One who starts so far right that nothing is ever holed. */
const wide: Truth = startsAs({ bias: 0.2, spread: 1e-6 });

describe('a simulated run', () => {
  it('goes round the stations while it holes, and is there when it misses', () => {
    const { layout, course, ground } = drill('four-round');
    const round = simulateRun(() => sure, layout, course, ground, 4, chance(1), false);
    expect(round.map(({ place }) => place.station)).toEqual([0, 1, 2, 3]);
    expect(round.every(({ place }) => place.again === 0)).toBe(true);
  });

  it('putts again from a length farther than where the ball came to rest', () => {
    const { layout, course, ground } = drill('lag-and-farther');
    const [first, second] = simulateRun(() => wide, layout, course, ground, 2, chance(2), true);
    expect(first!.place).toMatchObject({ station: 0, again: 0 });
    expect(second!.place.again).toBe(1);
    const spot = Object.values(first!.points)[0] as Spot;
    const fromHole = Math.hypot(spot.along - layout.putt.distance, spot.across);
    expect(second!.place.spot!.distance).toBeCloseTo(fromHole + 0.9, 6);
  });

  it('strikes each ball as the drill says, with the truth of that manner', () => {
    const { layout, course, ground } = drill('look-feel-blind');
    const asked: string[] = [];
    const putts = simulateRun(
      (manner) => (asked.push(manner), sure),
      layout,
      course,
      ground,
      4,
      chance(3),
    );
    expect(putts.map(({ manner }) => manner)).toEqual([
      'at the hole',
      'usual',
      'eyes closed',
      'routine',
    ]);
    expect(asked).toEqual(putts.map(({ manner }) => manner));
  });

  it('is made where its places say: so many feet from the hole', () => {
    const { layout, course, ground } = drill('two-three-four');
    const putts = simulateRun(() => sure, layout, course, ground, 12, chance(4));
    const feet = putts.map(({ place }) =>
      Math.round(layoutAt(layout, place)!.putt.distance / FOOT),
    );
    expect(new Set(feet)).toEqual(new Set([2, 3, 4]));
    expect(feet[0]).toBe(2);
  });
});
