import { libraryDrill } from '@/core/drill';
import { feelOf, type GuessedPutt } from './feel';

const { layout } = libraryDrill('guess-and-look')!;
const { distance } = layout.putt;
const id = 'paceZone1';
/** A putt guessed and seen so far past the hole, m. */
const putt = (guessed: number, seen: number): GuessedPutt => {
  const outcome = (past: number) => (past < 0 ? 'short' : past > 0.6096 ? 'long' : 'in');
  const spot = (past: number) => ({ [id]: { along: distance + past, across: 0 } });
  return {
    outcomes: { [id]: outcome(seen) },
    points: spot(seen),
    guess: { outcomes: { [id]: outcome(guessed) }, points: spot(guessed) },
  };
};

describe('feel', () => {
  it('is nothing where nothing was guessed', () => {
    expect(feelOf([])).toBeNull();
    expect(feelOf([{ layout, putts: [{ ...putt(0, 0), guess: null }] }])).toBeNull();
  });

  it('counts the guesses that came true, without distances from a handful', () => {
    expect(feelOf([{ layout, putts: [putt(0.3, 0.4), putt(-0.2, 0.5)] }])).toEqual({
      guesses: 2,
      right: 1,
      distance: null,
    });
  });

  it('gives bias, spread and correlation as by hand', () => {
    // Guessed less seen: -0.1, 0.1, 0.3: mean 0.1, standard deviation 0.2.
    const putts = [putt(0.1, 0.2), putt(0.4, 0.3), putt(0.7, 0.4)];
    const { distance: found } = feelOf([{ layout, putts }])!;
    expect(found).toMatchObject({ pairs: 3 });
    expect(found!.bias).toBeCloseTo(0.1, 9);
    expect(found!.spread).toBeCloseTo(0.2, 9);
    expect(found!.correlation).toBeCloseTo(1, 9);
  });

  it('has no correlation where the same is always guessed', () => {
    const putts = [putt(0.3, 0.1), putt(0.3, 0.5), putt(0.3, -0.4)];
    expect(feelOf([{ layout, putts }])!.distance!.correlation).toBeNull();
  });
});
