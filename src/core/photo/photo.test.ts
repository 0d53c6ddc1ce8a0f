import fc from 'fast-check';
import { between } from '../../../tests/arbitraries';
import { chance } from '@/core/simulate';
import {
  MEASURES,
  NO_REPEATS,
  cornersOf,
  groundOf,
  measureIn,
  repeated,
  touchErrorOf,
  type Known,
  type MeasureName,
  type Pixel,
} from '.';

type Point = [x: number, y: number, z: number];
type Spot = readonly [x: number, y: number, z?: number];
/** How high the middle of a ball lies, by its diameter of 42.67 mm. */
const BALL = 0.04267 / 2;
const SIZE = { width: 1080, height: 1440 };

/** A camera by itself: where it stands, what it looks at, its focal length in pixels. It knows no projection of a plane. */
function camera(from: Point, to: Point, focal: number, roll = 0) {
  const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  const dot = (a: Point, b: Point) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const cross = (a: Point, b: Point): Point => [
    a[1] * b[2] - a[2] * b[1],
    a[2] * b[0] - a[0] * b[2],
    a[0] * b[1] - a[1] * b[0],
  ];
  const unit = (a: Point): Point => {
    const size = Math.sqrt(dot(a, a));
    return [a[0] / size, a[1] / size, a[2] / size];
  };
  const ahead = unit(minus(to, from));
  const aside = unit(cross(ahead, [Math.sin(0.3), Math.cos(0.3), 0.2]));
  const down = cross(ahead, aside);
  return ([x, y, z = 0]: Spot): Pixel => {
    const ray = minus([x, y, z], from);
    const [u, v, depth] = [dot(ray, aside), dot(ray, down), dot(ray, ahead)];
    const [a, b] = [(focal * u) / depth, (focal * v) / depth];
    return {
      x: 540 + a * Math.cos(roll) - b * Math.sin(roll),
      y: 720 + a * Math.sin(roll) + b * Math.cos(roll),
    };
  };
}

/** What stands: a sheet of paper beside a gate of 61.3 mm whose face is turned 1.7° to the right. */
const SHEET = [
  [-0.3, 0.05],
  [-0.3, 0.347],
  [-0.09, 0.347],
  [-0.09, 0.05],
] as const;
const TURN = (1.7 * Math.PI) / 180;
const PLACES: Record<MeasureName, { at: Spot[]; truth: number }> = {
  gap: {
    at: [
      [-0.03065, 0.45],
      [0.03065, 0.45],
    ],
    truth: 0.0613,
  },
  distance: {
    at: [
      [-0.1, 0.1],
      [0.02, 0.38],
    ],
    truth: Math.hypot(0.12, 0.28),
  },
  ball: {
    at: [
      [-0.04, 0.45],
      [0.04, 0.45],
      [0.006, 0, BALL],
    ],
    truth: 0.006,
  },
  face: {
    at: [
      [0, 0.02],
      [0, 0.4],
      [-0.055 * Math.cos(TURN), 0.055 * Math.sin(TURN)],
      [0.055 * Math.cos(TURN), -0.055 * Math.sin(TURN)],
    ],
    truth: TURN,
  },
  eyes: {
    at: [
      [0, -0.05],
      [0, 0.4],
      [-0.025, 0.02, BALL],
    ],
    truth: -0.025,
  },
  past: {
    at: [
      [0, 0],
      [0, 0.3],
      [0.05, 0.42, BALL],
    ],
    truth: 0.12,
  },
  aside: {
    at: [
      [0, 0],
      [0, 0.3],
      [0.05, 0.42, BALL],
    ],
    truth: 0.05,
  },
};
const NAMES = Object.keys(MEASURES) as MeasureName[];

const known = (see: (at: Spot) => Pixel, shake = (one: Pixel) => one, laid = () => 0) =>
  cornersOf(
    SHEET.map(([x, y]) => shake(see([x + laid(), y + laid()]))),
    0.297,
    0.21,
  );
const USUAL = touchErrorOf(NO_REPEATS);
/** Touches that are hardly off, on paper that is flat. */
const FINE = { error: 1e-4, freedom: 1e6 };
const flat = (corners: Known[]) => corners.map((one) => ({ ...one, off: 1e-9 }));

describe('a photo as a tape measure', () => {
  it('finds what stands to the last digit where the touches are exact, from wherever it is taken', () => {
    fc.assert(
      fc.property(
        between(-0.8, 0.8),
        between(-1, 0.6),
        between(0.7, 1.8),
        between(600, 1600),
        between(-3, 3),
        fc.constantFrom(...NAMES),
        (x, y, height, focal, roll, name) => {
          const see = camera([x, y, height], [0, 0.25, 0], focal, roll);
          const found = groundOf(flat(known(see)), FINE, SIZE);
          if (!found.ok) throw new Error(found.message);
          const told = measureIn(found.ground, name, PLACES[name].at.map(see));
          if (!told.ok) throw new Error(told.message);
          // From straight above nothing tells the focal length: then only the interval is right.
          const raised = PLACES[name].at.some(([, , z]) => z !== undefined);
          if (!raised) expect(told.value).toBeCloseTo(PLACES[name].truth, 7);
          else
            expect(Math.abs(told.value - PLACES[name].truth)).toBeLessThan(1e-4 + 4 * told.error);
          expect(told.error).toBeGreaterThan(0);
        },
      ),
    );
  });

  /** How often the 80 % interval holds the truth, of a person with some error of touch, on paper that is not quite flat. */
  function covered(name: MeasureName, touch: number): number {
    const { uniform: even, normal } = chance(77);
    const shake = ({ x, y }: Pixel) => ({ x: x + touch * normal(), y: y + touch * normal() });
    let [held, all] = [0, 0];
    for (let draw = 0; draw < 500; draw += 1) {
      const from: Point = [1.2 * even() - 0.6, 1.2 * even() - 0.9, 0.7 + even()];
      const see = camera(from, [0, 0.25, 0], 850 + 400 * even(), 6 * even());
      const learnt = [SHEET[0], SHEET[1]].reduce(
        (before, corner) => repeated(before, shake(see(corner)), shake(see(corner))),
        NO_REPEATS,
      );
      const corners = known(see, shake, () => 0.0015 * normal());
      const found = groundOf(corners, touchErrorOf(learnt), SIZE);
      if (!found.ok) continue;
      const told = measureIn(
        found.ground,
        name,
        PLACES[name].at.map((at) => shake(see(at))),
      );
      if (!told.ok) continue;
      all += 1;
      const [low, high] = told.interval;
      if (low <= PLACES[name].truth && PLACES[name].truth <= high) held += 1;
    }
    expect(all).toBeGreaterThan(300);
    return held / all;
  }

  it.each(NAMES.flatMap((name) => [1.5, 3].map((touch) => [name, touch] as const)))(
    'says of %s how far off it is, touched to %d px: eight in ten intervals hold the truth',
    (name, touch) => {
      const share = covered(name, touch);
      expect(share).toBeGreaterThan(0.72);
      expect(share).toBeLessThan(0.89);
    },
  );

  it('is surer with more known points', () => {
    const see = camera([0.2, -0.6, 1.3], [0, 0.25, 0], 1100);
    const four = known(see);
    const more = [
      [0.25, 0],
      [0.25, 0.5],
      [-0.25, 0.6],
    ].map(([x, y]) => ({ seen: see([x!, y!]), at: { x: y! - 0.05, y: -x! - 0.3 }, off: 0.0015 }));
    const errors = [four, [...four, ...more]].map((points) => {
      const found = groundOf(points, USUAL, SIZE);
      if (!found.ok) throw new Error(found.message);
      const told = measureIn(found.ground, 'gap', PLACES.gap.at.map(see));
      if (!told.ok) throw new Error(told.message);
      expect(told.value).toBeCloseTo(0.0613, 6);
      return told.error;
    });
    expect(errors[1]!).toBeLessThan(errors[0]!);
  });

  it('takes a sheet touched either way round', () => {
    const see = camera([0.2, -0.6, 1.3], [0, 0.25, 0], 1100);
    const round = [SHEET[1], SHEET[0], SHEET[3], SHEET[2]].map(see);
    const found = groundOf(cornersOf(round, 0.297, 0.21), USUAL, SIZE);
    if (!found.ok) throw new Error(found.message);
    const told = measureIn(found.ground, 'face', PLACES.face.at.map(see));
    expect(told.ok && told.value).toBeCloseTo(TURN, 7);
  });

  it('refuses what cannot be measured, and says what would mend it', () => {
    const see = camera([0.2, -0.6, 1.3], [0, 0.25, 0], 1100);
    const corners = known(see);
    const said = (refused: { ok: boolean; message?: string }) => refused.message ?? 'taken';
    expect(said(groundOf(corners.slice(0, 3), USUAL, SIZE))).toMatch(
      /at least 4 points.*3 marked so far/,
    );
    const line = [0, 0.1, 0.2, 0.3].map((y) => ({ at: { x: 0, y }, seen: see([0, y]), off: 0 }));
    expect(said(groundOf(line, USUAL, SIZE))).toMatch(/almost in a straight line.*farther apart/);
    const crossed = corners.map(({ at }, index) => ({
      at,
      off: 0,
      seen: corners[[0, 2, 1, 3][index]!]!.seen,
    }));
    expect(said(groundOf(crossed, USUAL, SIZE))).toMatch(/wrong order/);
    const mirrored = corners.map(({ at, ...rest }) => ({ ...rest, at: { x: at.x, y: -at.y } }));
    expect(said(groundOf(mirrored, USUAL, SIZE))).toMatch(/wrong order/);
    const five = [...corners, { at: { x: 0.15, y: -0.38 }, seen: see([0.2, 0.2]), off: 0.0015 }];
    expect(said(groundOf(five, USUAL, SIZE))).toMatch(/do not match their known positions/);
    const low = camera([0, -2.5, 0.25], [0, 0.25, 0], 1100);
    const lowOne = groundOf(known(low), FINE, SIZE);
    if (!lowOne.ok) throw new Error(lowOne.message);
    expect(said(measureIn(lowOne.ground, 'gap', PLACES.gap.at.map(low)))).toMatch(
      /too low.*higher/,
    );
    expect(said(measureIn(lowOne.ground, 'gap', [low([0, 0]), { x: 500, y: -4000 }]))).toMatch(
      /horizon/,
    );
    const seen = groundOf(corners, USUAL, SIZE);
    if (!seen.ok) throw new Error(seen.message);
    const away = [see([-0.2, 0.2]), see([0.4, 0.6])];
    expect(said(measureIn(seen.ground, 'distance', away))).toMatch(
      /“the other end”.*too far.*closer/,
    );
    expect(said(measureIn(lowOne.ground, 'gap', [low([0, 0])]))).toMatch(
      /needs 2 points: 1 marked so far/,
    );
  });
});
