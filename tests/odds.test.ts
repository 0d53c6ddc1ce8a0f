import { libraryDrill } from '@/core/drill';
import { layoutAt, placeAfter, stationPlace, type Layout, type PuttPlace } from '@/core/layout';
import { oddsOf, teachingRung } from '@/core/planning';
import { DEFAULT_FACE_SHARE, priorBelief, type Belief } from '@/core/scoring';
import { DEFAULT_OWN } from '@/core/units';
import { knownAs } from './player/known';
import { dice, putt, strike, type Piece, type Truth } from './player/player';

const THROWN = 1200;
const player: Truth = {
  face: [0.004, 0.022],
  path: [0.02, 0.03],
  strike: [0.001, 0.005],
  pace: [-0.02, 0.11],
  height: [0.001, 0.003],
  faceShare: DEFAULT_FACE_SHARE,
};

/** One putt of the independent player from a place; null where nobody can aim from there. */
function thrown(layout: Layout, place: PuttPlace, random: ReturnType<typeof dice>) {
  const there = layoutAt(layout, place);
  if (!there) return null;
  const { distance, greenSpeed, past, slope } = there.putt;
  return putt(
    strike(player, random),
    there.elements as Piece[],
    { distance, greenSpeed, past, ...slope },
    there.player,
  );
}

const even = { ladder: [], rung: null };
const passing = (odds: ReturnType<typeof oddsOf>, station: number | null, again = 0) => {
  const shares = odds.at({ station, rung: 0, again }, 0);
  return odds.kinds.reduce((sum, { passed }, i) => sum + (passed ? shares[i]! : 0), 0);
};

describe('the odds of a putt', () => {
  it.each([
    ['four-round', 0],
    ['four-round', 1],
    ['four-round', 2],
    ['two-three-four', 0],
    ['two-three-four', 2],
  ])('on %s from station %i are those of the independent player', (key, station) => {
    const { layout } = libraryDrill(key)!;
    const odds = oddsOf(layout, even, knownAs(player), DEFAULT_FACE_SHARE, {
      points: 1,
      thrown: 600,
    });
    const random = dice(9);
    let holed = 0;
    for (let made = 0; made < THROWN; made++) {
      holed += Number(thrown(layout, stationPlace(layout, station), random)!.holed);
    }
    // Four standard deviations of a share counted so often, and a point for the even draws.
    const share = holed / THROWN;
    const allowed = 4 * Math.sqrt((share * (1 - share)) / THROWN) + 0.01;
    expect(Math.abs(passing(odds, station) - share)).toBeLessThan(allowed);
  });

  it('of a second putt are those from where the first ones came to rest, a length farther', () => {
    const { layout } = libraryDrill('lag-and-farther')!;
    const odds = oddsOf(layout, even, knownAs(player), DEFAULT_FACE_SHARE, {
      points: 1,
      thrown: 600,
    });
    const random = dice(10);
    let [second, holed] = [0, 0];
    while (second < THROWN) {
      const place = stationPlace(layout, 0);
      const first = thrown(layout, place, random)!;
      if (first.holed) continue;
      // Level ground: the start line is the line to the hole.
      const rest = { along: first.rest.x, across: first.rest.y };
      const next = thrown(layout, placeAfter(place, rest, DEFAULT_OWN.putter), random);
      if (!next) continue;
      second += 1;
      holed += Number(next.holed);
    }
    const share = holed / second;
    expect(share).toBeGreaterThan(0.2);
    // Eight places stand for all of them.
    expect(Math.abs(passing(odds, 0, 1) - share)).toBeLessThan(0.08);
    expect(passing(odds, 0, 1)).toBeGreaterThan(passing(odds, 0));
  });

  it('are one in all, at every place', () => {
    const { layout } = libraryDrill('limit-line')!;
    const odds = oddsOf(layout, even, priorBelief(), DEFAULT_FACE_SHARE, { points: 4, thrown: 40 });
    for (let point = 0; point < odds.points; point++) {
      const shares = odds.at({ station: null, rung: 0, again: 0 }, point);
      expect(shares.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 12);
      expect(Math.min(...shares)).toBeGreaterThanOrEqual(0);
    }
    expect(odds.assumed).toBe(false);
  });
});

describe('the rung that teaches', () => {
  const { layout, ladder } = libraryDrill('gate-ladder')!;
  const passesAt = (rung: number, belief: Belief) =>
    oddsOf(layout, { ladder, rung }, belief, DEFAULT_FACE_SHARE).passes;

  it('lets through nearer to seven in ten than the rungs beside it', () => {
    const belief = knownAs(player);
    const { rung } = teachingRung(layout, ladder, belief, DEFAULT_FACE_SHARE);
    const off = (at: number) => Math.abs(passesAt(at, belief) - 0.7);
    for (const beside of [rung! - 1, rung! + 1]) {
      // Looked for with fewer putts than it is told with.
      if (ladder[beside]) expect(off(rung!)).toBeLessThan(off(beside) + 0.04);
    }
  });

  it('is a stricter one for a steadier player, and none where there is no ladder', () => {
    const steady = { ...player, face: [0, 0.006] as [number, number] };
    const at = (truth: Truth) =>
      teachingRung(layout, ladder, knownAs(truth), DEFAULT_FACE_SHARE).rung!;
    expect(at(steady)).toBeGreaterThan(at(player));
    expect(teachingRung(layout, [], priorBelief(), DEFAULT_FACE_SHARE).rung).toBeNull();
  });
});
