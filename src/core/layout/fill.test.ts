import { LIBRARY } from '@/core/drill';
import { dice, putt, strike, type Piece, type Truth } from '../../../tests/player/player';
import { filledOutcomes, standing } from '.';

/** A player who is off by enough to meet everything that stands. */
const PLAYER: Truth = {
  face: [0.004, 0.02],
  path: [0.01, 0.03],
  strike: [0.001, 0.006],
  pace: [0.02, 0.12],
  height: [0, 0.003],
  faceShare: 0.92,
};
const PUTTS = 60;

/** Drills on level ground whose outcomes follow from the stroke alone: what an eye has to tell is no instrument's. */
const DRILLS = LIBRARY.filter(
  ({ layout }) =>
    layout.putt.slope.grade === 0 &&
    layout.elements.some(
      ({ kind }) => kind === 'ballGate' || kind === 'putterGate' || kind === 'boxGate',
    ),
);

test.each(DRILLS.map((drill) => [drill.key, drill] as const))(
  '%s: what was read says what a player of another make met',
  (_key, { layout }) => {
    const random = dice(7);
    const gates = standing(layout).filter(({ kind }) =>
      ['ballGate', 'putterGate', 'boxGate'].includes(kind),
    );
    let [same, all] = [0, 0];
    for (let index = 0; index < PUTTS; index++) {
      const struck = strike(PLAYER, random);
      const { distance, greenSpeed, past, slope } = layout.putt;
      const met = putt(
        struck,
        layout.elements as Piece[],
        { distance, greenSpeed, past, grade: slope.grade, falls: slope.falls },
        layout.player,
      );
      const found = filledOutcomes(layout, { ...struck }, PLAYER.faceShare);
      for (const { id } of gates) {
        if (met.outcomes[id] === undefined) continue;
        all += 1;
        same += Number(found[id] === met.outcomes[id]);
      }
    }
    expect(all).toBeGreaterThan(0);
    // Tees that are touched by less than the rolling of the ball are told otherwise now and then.
    expect(same / all).toBeGreaterThan(0.97);
  },
);

describe('what was not read', () => {
  const { layout } = LIBRARY.find(({ key }) => key === 'three-in-one')!;
  const kindsOf = (measured: Record<string, number>) => {
    const found = filledOutcomes(layout, measured, 0.92);
    return standing(layout)
      .filter(({ id }) => id in found)
      .map(({ kind }) => kind);
  };

  it('decides nothing: only what follows from what was read is filled in', () => {
    expect(kindsOf({})).toEqual([]);
    expect(kindsOf({ rise: 0.03, leadFoot: 0.6 })).toEqual([]);
    expect(kindsOf({ start: 0 })).toEqual(['ballGate']);
    expect(kindsOf({ face: 0 })).toEqual([]);
    expect(kindsOf({ face: 0, path: 0 })).toEqual(['ballGate']);
    expect(kindsOf({ strike: 0 })).toEqual(['putterGate']);
    expect(kindsOf({ start: 0, pace: 0 })).toEqual(['ballGate', 'paceZone']);
  });

  it('is made of face and path by the coach’s share, but a start that was read itself stands before it', () => {
    const gate = layout.elements.find(({ kind }) => kind === 'ballGate')!.id;
    const at = (measured: Record<string, number>, share: number) =>
      filledOutcomes(layout, measured, share)[gate];
    expect(at({ face: 0, path: 0.3 }, 1)).toBe('clear');
    expect(at({ face: 0, path: 0.3 }, 0.8)).toBe('right');
    expect(at({ face: 0, path: 0.3, start: 0 }, 0.8)).toBe('clear');
  });
});
