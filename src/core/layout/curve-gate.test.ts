import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { nearest, roll, shoot } from 'tests/player/green';
import {
  BALL_DIAMETER,
  DEFAULT_PUTT,
  FLAT,
  aimFor,
  routeOf,
  stretchesOf,
  momentAt,
  type Putt,
} from '@/core/green';
import {
  ELEMENTS,
  ballGateLayout,
  breaks,
  checkLayout,
  drawLayout,
  gateTolerance,
  midpointOf,
  otherRoll,
  settingOf,
  standing,
  strictnessOf,
  type BallGate,
} from '.';

const breaking: Putt = {
  ...DEFAULT_PUTT,
  distance: 4,
  slope: { grade: 0.025, falls: -Math.PI / 2 },
};
const half: BallGate = {
  distance: 2,
  gap: 0.09,
  shank: 0.005,
  offset: 0,
  made: 'tees',
  on: 'curve',
};
const aim = aimFor(breaking);
const layout = ballGateLayout(breaking, half);

/** How near to a point a ball comes that starts so, by looking at very many moments of its roll. */
function nearestLooked(putt: Putt, direction: number, point: { along: number; across: number }) {
  const { legs } = routeOf(stretchesOf(putt), {
    along: 0,
    across: 0,
    speed: aimFor(putt).startSpeed,
    direction,
  });
  let best = Infinity;
  for (const { track, end } of legs) {
    for (let i = 0; i <= 20_000; i++) {
      const { along, across } = momentAt(track, (Math.min(end, 4) * i) / 20_000);
      best = Math.min(best, Math.hypot(along - point.along, across - point.across));
    }
  }
  return best;
}

describe('a gate on the curve', () => {
  const [, gate] = standing(layout);
  const [a, b] = gate!.places().map(({ at }) => at);

  it('lets the intended putt through its middle, and stands square to it', () => {
    const route = routeOf(stretchesOf(breaking), {
      along: 0,
      across: 0,
      speed: aim.startSpeed,
      direction: aim.direction,
    });
    const middle = { along: (a!.along + b!.along) / 2, across: (a!.across + b!.across) / 2 };
    let near = Infinity;
    let direction = 0;
    for (let i = 0; i < 20_000; i++) {
      const moment = momentAt(route.legs[0]!.track, (2 * i) / 20_000);
      const off = Math.hypot(moment.along - middle.along, moment.across - middle.across);
      if (off < near) [near, direction] = [off, moment.direction];
    }
    expect(near).toBeLessThan(3e-4);
    const [along, across] = [b!.along - a!.along, b!.across - a!.across];
    expect(along * Math.cos(direction) + across * Math.sin(direction)).toBeCloseTo(0, 4);
    expect(Math.hypot(along, across) - half.shank).toBeCloseTo(half.gap, 9);
  });

  it('touches a tee exactly at the edge of its tolerance', () => {
    const { left, right } = gate!.tolerance()!;
    const touch = (BALL_DIAMETER + half.shank) / 2;
    expect(nearestLooked(breaking, aim.direction - left, a!)).toBeCloseTo(touch, 4);
    expect(nearestLooked(breaking, aim.direction + right, b!)).toBeCloseTo(touch, 4);
    expect(gate!.meets({ direction: right + 1e-5 })).toBe('right');
    expect(gate!.meets({ direction: -left - 1e-5 })).toBe('left');
    expect(gate!.meets({ direction: 0 })).toBe('clear');
  });

  it('is the straight gate when the green is flat', () => {
    fc.assert(
      fc.property(between(0.3, 3), between(0.05, 0.12), (distance, gap) => {
        const straight = { ...half, distance, gap };
        const flat = { ...breaking, slope: FLAT };
        const curved = ELEMENTS.ballGate.tolerance(straight, settingOf(flat))!;
        expect(curved.right).toBeCloseTo(gateTolerance(straight).right, 6);
        expect(curved.left).toBeCloseTo(gateTolerance(straight).left, 6);
      }),
      { numRuns: 40 },
    );
  });

  it('has a gap worth the putt that is as strict as the hole', () => {
    const { worth } = strictnessOf(layout, 'gate')!;
    const equal = ballGateLayout(breaking, { ...half, gap: worth!.metres });
    expect(strictnessOf(equal, 'gate')!.ratio).toBeCloseTo(1, 3);
  });

  it('leaves the start line, where the same gate on the line would stop the putt', () => {
    const onLine = standing(ballGateLayout(breaking, { ...half, on: 'line' }))[1]!;
    const gone = Math.abs(onLine.places()[0]!.at.across - a!.across);
    expect(gone).toBeGreaterThan(0.02);
    expect(checkLayout(layout)).toEqual([]);
  });
});

describe('the midpoint mark', () => {
  it('lies on the curve half way along the start line, and only where the putt breaks', () => {
    const mark = midpointOf(layout);
    expect(nearestLooked(breaking, aim.direction, mark)).toBeLessThan(2e-4);
    expect(
      mark.along * Math.cos(aim.direction) + mark.across * Math.sin(aim.direction),
    ).toBeCloseTo(2, 6);
    const drawn = (putt: Putt) =>
      drawLayout(ballGateLayout(putt, { ...half, on: 'line' })).some(
        ({ type }) => type === 'midpoint',
      );
    expect(drawn(breaking)).toBe(true);
    expect(drawn({ ...breaking, slope: FLAT })).toBe(false);
    expect(breaks(aimFor({ ...breaking, slope: { grade: 0.02, falls: 0 } }))).toBe(false);
  });

  it('stays on the curve over a tier, whose edge is drawn', () => {
    const stepped = { ...breaking, tiers: [{ from: 1.5, slope: { grade: 0.01, falls: 2 } }] };
    const over = ballGateLayout(stepped, half);
    expect(nearestLooked(stepped, aimFor(stepped).direction, midpointOf(over))).toBeLessThan(2e-4);
    expect(drawLayout(over)).toContainEqual(
      expect.objectContaining({ type: 'line', role: 'tier', label: '1 %' }),
    );
  });
});

describe('the roll of another putt, drawn over this one', () => {
  it('goes where a general solver rolls it', () => {
    const putt = { ...breaking, past: 0.1 };
    const curve = otherRoll(putt);
    if (curve.type !== 'curve') throw new Error('A roll is a curve.');
    const green = {
      distance: putt.distance,
      greenSpeed: putt.greenSpeed,
      grade: putt.slope.grade,
      falls: putt.slope.falls,
      past: putt.past,
    };
    const { direction, speed } = shoot(green);
    const rolled = roll(green, speed, direction);
    for (const { along, across } of curve.points.filter((one) => one.along < putt.distance - 0.1)) {
      expect(nearest(rolled, along, across).off).toBeLessThan(0.004);
    }
    expect(curve.points.length).toBeGreaterThan(10);
  });

  it('is the straight line where nothing breaks', () => {
    expect(otherRoll(DEFAULT_PUTT)).toMatchObject({
      role: 'other',
      points: [
        { along: 0, across: 0 },
        { along: DEFAULT_PUTT.distance, across: 0 },
      ],
    });
  });
});
