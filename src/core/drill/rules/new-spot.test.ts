import fc from 'fast-check';
import { newSpot } from './new-spot';
import type { RulePutt } from './machine';

const ground = (stations: number) => ({ stations, rungs: 1, rung: 0 });
const putt = (passed: boolean): RulePutt => ({
  passed,
  holed: passed,
  rest: null,
  guessed: null,
  minutes: 0,
});

/** The spots in the order in which they are putted from, where a putt passes as told. */
function order(
  stations: number,
  putts: number,
  passes: (station: number, number: number) => boolean,
) {
  const rule = { type: 'newSpot' as const, putts };
  const { start, next, station } = newSpot.machine;
  let state = start(rule, ground(stations));
  return Array.from({ length: putts }, (_, number) => {
    const at = station!(state, rule, ground(stations));
    state = next(state, putt(passes(at, number)), rule, ground(stations));
    return at;
  });
}

describe('a new spot each time', () => {
  it('goes to every spot once before any comes again', () => {
    expect(order(9, 9, () => true)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    expect(new Set(order(9, 18, () => true).slice(9)).size).toBe(9);
  });

  it('never asks for a spot twice running, nor with one other between, where there are enough', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 12 }),
        fc.array(fc.boolean(), { minLength: 30, maxLength: 60 }),
        (stations, passes) => {
          const spots = order(stations, passes.length, (_, number) => passes[number]!);
          for (const [number, at] of spots.entries()) {
            expect(at).not.toBe(spots[number - 1]);
            expect(at).not.toBe(spots[number - 2]);
          }
        },
      ),
    );
  });

  it('comes back sooner to what is missed: nearly twice as often', () => {
    const spots = order(8, 80, (station) => station !== 3);
    const times = (station: number) => spots.filter((one) => one === station).length;
    const others = [0, 1, 2, 4, 5, 6, 7].map(times);
    expect(times(3)).toBeGreaterThan(1.5 * Math.max(...others));
  });

  it('ends after so many putts', () => {
    const rule = { type: 'newSpot' as const, putts: 2 };
    const { start, next, done, words } = newSpot.machine;
    const one = next(start(rule, ground(3)), putt(true), rule, ground(3));
    expect(done(one, rule, ground(3))).toBe(false);
    const two = next(one, putt(false), rule, ground(3));
    expect(done(two, rule, ground(3))).toBe(true);
    expect(words(two, rule, ground(3))).toMatchObject({ count: '2', of: 'of 2 putts' });
  });
});
