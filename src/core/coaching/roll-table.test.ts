import { libraryDrill } from '@/core/drill';
import { standing } from '@/core/layout';
import type { LoggedSession } from '@/core/scoring';
import { dice } from 'tests/player/player';
import { rollRows, tellRolls } from '.';

const drill = libraryDrill('stroke-ratio')!.layout;
const stops = standing(drill).find(({ backstroke }) => backstroke !== null)!;
const zone = standing(drill).find(({ pointing }) => pointing?.on === 'green')!;
const FOOT = 0.3048;

/** Strokes of a player whose ball rolls 60 times the square of the backstroke on a green of 10 ft. */
function sessionOf(
  backs: readonly number[],
  { speed = 10, scatter = 0, met = 'within', slope = 0 } = {},
): LoggedSession {
  const random = dice(12);
  return {
    id: 's',
    at: new Date(0),
    runs: backs.map((back) => ({
      layout: {
        ...drill,
        putt: {
          ...drill.putt,
          greenSpeed: speed * FOOT,
          slope: { grade: slope, falls: 0 },
        },
        elements: drill.elements.map((piece) =>
          piece.id === stops.id ? { ...piece, params: { ...piece.params, back } } : piece,
        ),
      },
      putts: Array.from({ length: 4 }, () => {
        const rolled = 60 * back ** 2 * (speed / 10) * Math.exp(scatter * random.normal());
        return {
          outcomes: { [stops.id]: met, [zone.id]: 'in' },
          points: { [zone.id]: { along: rolled, across: 0 } },
        };
      }),
    })) as never,
  };
}

describe('a table of backstrokes', () => {
  it('finds the player’s own constant, by hand: 20 cm back rolls 2.4 m, 30 cm 5.4 m', () => {
    const table = tellRolls([sessionOf([0.2, 0.3])])!;
    expect(table.constant).toBeCloseTo(60, 6);
    expect(table.spread).toBeCloseTo(0, 6);
    const [row] = rollRows(table, [5.4], 10 * FOOT);
    expect(row!.back).toBeCloseTo(0.3, 6);
  });

  it('carries it to another green: on one of 8 ft the same stroke rolls four fifths as far', () => {
    const slow = tellRolls([sessionOf([0.2, 0.3], { speed: 8 })])!;
    expect(slow.constant).toBeCloseTo(60, 6);
    const [row] = rollRows(slow, [0.8 * 5.4], 8 * FOOT);
    expect(row!.back).toBeCloseTo(0.3, 6);
  });

  it('says where eight in ten end', () => {
    const table = tellRolls([sessionOf(Array(100).fill(0.25), { scatter: 0.1 })])!;
    expect(table.spread).toBeCloseTo(0.1, 1);
    const { low, high } = rollRows(table, [3], 10 * FOOT)[0]!;
    const random = dice(77);
    let held = 0;
    for (let i = 0; i < 2000; i++) {
      const end = 3 * Math.exp(0.1 * random.normal());
      held += Number(end > low && end < high);
    }
    expect(held / 2000).toBeGreaterThan(0.74);
    expect(held / 2000).toBeLessThan(0.86);
  });

  it('takes neither strokes that missed a stop, nor slopes, nor a few', () => {
    expect(tellRolls([sessionOf([0.2, 0.3], { met: 'back' })])).toBeNull();
    expect(tellRolls([sessionOf([0.2, 0.3], { slope: 0.02 })])).toBeNull();
    expect(tellRolls([sessionOf([0.2])])).toBeNull();
    expect(tellRolls([])).toBeNull();
  });
});
