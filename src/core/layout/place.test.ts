import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { DEFAULT_PUTT, type Putt } from '@/core/green';
import { FOOT, toDegrees } from '@/core/units';
import {
  ELEMENTS,
  checkLayout,
  layoutAt,
  layoutSchema,
  ownPlace,
  placeAfter,
  placeSchema,
  spotKey,
  stationCount,
  stationInTurn,
  stationPlace,
  type Layout,
} from '.';

const slope = { grade: 0.02, falls: -Math.PI / 2 };
const putt: Putt = { ...DEFAULT_PUTT, distance: 3 * FOOT, slope };
const layoutOf = (params: object, on: Putt = putt): Layout =>
  layoutSchema.parse({
    putt: on,
    elements: [
      { id: 'ball', kind: 'ballMark', params: { marker: 'coin' } },
      { id: 'spots', kind: 'stations', params: { ...ELEMENTS.stations.defaults(on), ...params } },
      { id: 'hole', kind: 'hole', params: {} },
    ],
  });
const round = layoutOf({ shape: 'round', count: 4 });
const ladder = layoutOf({ shape: 'ladder', count: 3, step: FOOT, balls: 5 });

describe('a station', () => {
  it('round the hole keeps its distance, and the green falls otherwise from each', () => {
    const falls = [0, 1, 2, 3].map((station) =>
      Math.round(toDegrees(layoutAt(round, stationPlace(round, station))!.putt.slope.falls)),
    );
    // Falling left from the first: from a quarter round it is uphill, then right, then downhill.
    expect(falls.map((one) => (one === -180 ? 180 : one))).toEqual([-90, 180, 90, 0]);
  });

  it('in a ladder lies farther on the same line', () => {
    const distances = [0, 1, 2].map(
      (station) => layoutAt(ladder, stationPlace(ladder, station))!.putt.distance / FOOT,
    );
    expect(distances).toEqual([3, 4, 5].map((feet) => expect.closeTo(feet, 12)));
    expect(layoutAt(ladder, stationPlace(ladder, 2))!.putt.slope).toEqual(slope);
  });

  it('comes round again after the last, so many balls from each', () => {
    expect(stationCount(ladder)).toBe(3);
    expect([0, 4, 5, 14, 15, 20].map((ball) => stationInTurn(ladder, ball))).toEqual([
      0, 0, 1, 2, 0, 1,
    ]);
    expect(spotKey(stationPlace(round, 4))).toBe(spotKey(stationPlace(round, 0)));
  });

  it('keeps the planes of a green where they are', () => {
    const tiered = layoutOf(
      { shape: 'ladder', count: 3, step: 1 },
      { ...putt, distance: 4, tiers: [{ from: 2, slope: { grade: 0.03, falls: 0 } }] },
    );
    const farther = layoutAt(tiered, stationPlace(tiered, 1))!.putt;
    expect([farther.distance, farther.tiers[0]!.from]).toEqual([5, 3]);
    const beyond = layoutAt(tiered, { ...ownPlace(tiered), spot: { distance: 1.5, bearing: 0 } })!;
    // The ball lies beyond the step already: what was the second plane is its first.
    expect(beyond.putt).toMatchObject({ slope: { grade: 0.03, falls: 0 }, tiers: [] });
  });

  it('is refused where the slope cannot hold the pace', () => {
    const steep = layoutOf(
      { shape: 'round', count: 4 },
      {
        ...putt,
        distance: 8,
        greenSpeed: 4,
        slope: { grade: 0.08, falls: Math.PI },
      },
    );
    const wrong = checkLayout(steep).filter(({ severity }) => severity === 'error');
    expect(wrong.map(({ message }) => message).join()).toContain('the slope there cannot hold');
    expect(layoutAt(steep, stationPlace(steep, 2))).toBeNull();
  });
});

describe('a putt after a miss', () => {
  const long = layoutOf({ shape: 'ladder', count: 2, step: 1 }, { ...putt, distance: 9 });

  it('is made from a length farther than where the ball came to rest, on its side', () => {
    const past = placeAfter(ownPlace(long), { along: 9.5, across: 0 }, 0.9);
    expect(past.again).toBe(1);
    expect(past.spot!.distance).toBeCloseTo(1.4, 12);
    // Beyond the hole it comes back: half a turn.
    expect(Math.abs(past.spot!.bearing)).toBeCloseTo(Math.PI, 12);
    const short = placeAfter(ownPlace(long), { along: 8.2, across: 0 }, 0.9);
    expect(short.spot).toEqual({
      distance: expect.closeTo(1.7, 12),
      bearing: expect.closeTo(0, 12),
    });
  });

  it('has a place nobody knows when nobody saw where the ball came to rest', () => {
    const lost = placeAfter(ownPlace(long), null, 0.9);
    expect(lost).toMatchObject({ again: 1, spot: null });
    expect(layoutAt(long, lost)).toBeNull();
    expect(placeAfter(lost, { along: 1, across: 0 }, 0.9).spot).toBeNull();
  });

  it('lies where the ball lay, seen from the hole, whatever the putts before', () => {
    fc.assert(
      fc.property(between(6, 11), between(-1.5, 1.5), between(-3, 3), (along, across, bearing) => {
        const from = { ...ownPlace(long), spot: { distance: 9, bearing } };
        const next = placeAfter(from, { along, across }, 0);
        // On the green the line to the hole runs at the bearing: the ball at rest lies at this angle from the hole.
        const rest = [along - 9, across] as const;
        const angle = Math.atan2(rest[1], rest[0]) + bearing;
        const expected = Math.hypot(...rest);
        if (expected < 0.3) return;
        expect(next.spot!.distance).toBeCloseTo(expected, 9);
        const there = next.spot!.bearing + Math.PI;
        expect(Math.cos(there - angle)).toBeCloseTo(1, 9);
      }),
    );
  });

  it('goes to JSON and back', () => {
    const place = placeAfter(stationPlace(round, 3), { along: 1, across: 0.2 }, 0.9);
    expect(placeSchema.parse(JSON.parse(JSON.stringify(place)))).toEqual(place);
    expect(placeSchema.safeParse({ ...place, spot: { distance: 0.1, bearing: 0 } }).success).toBe(
      false,
    );
  });
});
