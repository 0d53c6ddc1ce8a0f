/** @jest-environment node */
import { LIBRARY, type LibraryDrill } from '@/core/drill';
import { layoutAt, stationCount, stationPlace } from '@/core/layout';
import { DEFAULT_FACE_SHARE, steeringIds, findingsOf } from '@/core/scoring';
import { biasAt, logSpreadAt, slipsIndex, standIndex } from '@/core/scoring/latents';
import { model } from '@/core/scoring/likelihood';
import { dice, putt, strike, type Piece, type Truth } from './player/player';

const DEGREE = Math.PI / 180;
const TRUTH: Truth = {
  face: [0.2 * DEGREE, 1.1 * DEGREE],
  path: [0.5 * DEGREE, 1.6 * DEGREE],
  strike: [0.001, 0.0045],
  pace: [0.02, 0.1],
  height: [0.0005, 0.003],
  faceShare: DEFAULT_FACE_SHARE,
  reading: [-0.1, 0.2],
};
const PARAMETERS = [TRUTH.face, TRUTH.path, TRUTH.strike, TRUTH.pace, TRUTH.height].flatMap(
  ([bias, spread]) => [bias, Math.log(spread)],
);
const PUTTS = 700;

/**
 * The whole stack of a drill against a player that shares no code with it: how often each thing happens that the coach would
 * log, and how likely the model takes it to be for that very player.
 */
function compared({ layout }: LibraryDrill, station: number) {
  const place = stationPlace(layout, station);
  const there = layoutAt(layout, place)!.putt;
  const random = dice(41 + station);
  const counts = new Map<string, number>();
  for (let i = 0; i < PUTTS; i++) {
    const { outcomes } = putt(
      strike(TRUTH, random),
      layout.elements as Piece[],
      {
        distance: there.distance,
        greenSpeed: there.greenSpeed,
        past: there.past,
        grade: there.slope.grade,
        falls: there.slope.falls,
      },
      layout.player,
    );
    const key = JSON.stringify(outcomes);
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return [...counts].flatMap(([what, count]) => {
    const { cells, stands, unscored } = findingsOf([
      { layout, putts: [{ outcomes: JSON.parse(what) as Record<string, string>, place }] },
    ]);
    expect(unscored).toEqual([]);
    const [cell] = cells;
    if (!cell) return [];
    const { ready, chance } = model(DEFAULT_FACE_SHARE, stands.length);
    const at = new Float64Array(standIndex(stands.length));
    at.set(PARAMETERS);
    [at[biasAt('reading')], at[logSpreadAt('reading')]] = [
      TRUTH.reading![0],
      Math.log(TRUTH.reading![1]),
    ];
    // As good as no slips: this player makes none.
    at[slipsIndex()] = -8;
    return [{ what, seen: count / PUTTS, likely: chance(ready(cell), at) }];
  });
}

describe('every built-in drill, putted by a player of another make', () => {
  it('has the latents in the order this test fills them in', () => {
    expect(steeringIds()).toEqual(['face', 'path', 'strike', 'pace', 'height']);
  });

  it.each(LIBRARY.map((drill) => [drill.key, drill] as const))('%s', (_key, drill) => {
    const stations = Math.min(stationCount(drill.layout), 3);
    for (let station = 0; station < stations; station++) {
      for (const { what, seen, likely } of compared(drill, station)) {
        const error = Math.sqrt((Math.max(seen, likely) * (1 - Math.min(seen, likely))) / PUTTS);
        // Four standard errors, and what the slices of pace leave.
        expect([what, Math.abs(seen - likely) < 4 * error + 0.012]).toEqual([what, true]);
      }
    }
  });
});
