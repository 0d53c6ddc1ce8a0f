import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { drawLayout, ballGateLayout } from '@/core/layout';
import { LIBRARY } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { fit, type Room } from './geometry';

const marks = (distance: number, gate = 0.4572) =>
  drawLayout(
    ballGateLayout(
      { ...DEFAULT_PUTT, distance },
      { distance: gate, gap: 0.06, shank: 0.005, offset: 0 },
    ),
  );
const margin = { top: 40, right: 20, bottom: 20, left: 30 };
const laptop: Room = { width: 1100, height: 360, lie: 'along', margin, holeAtMost: 80 };
const phone: Room = { width: 390, height: 420, lie: 'up', margin, holeAtMost: 80 };

describe('fit', () => {
  it.each([
    ['8 ft on a laptop', 2.4384, laptop],
    ['8 ft on a phone', 2.4384, phone],
    ['30 ft on a laptop', 9.144, laptop],
    ['40 m on a phone', 40, phone],
  ])('keeps every tee, the ball and the hole inside the room: %s', (_what, distance, room) => {
    const { pixel, across } = fit(marks(distance), room);
    for (const mark of marks(distance)) {
      if (!('at' in mark)) continue;
      const { x, y } = pixel(mark.at);
      expect(x).toBeGreaterThanOrEqual(margin.left);
      expect(x).toBeLessThanOrEqual(room.width - margin.right);
      expect(y).toBeGreaterThanOrEqual(margin.top);
      expect(y).toBeLessThanOrEqual(room.height - margin.bottom);
    }
    expect(across).toBeGreaterThanOrEqual(1);
  });

  it.each(LIBRARY.map(({ key, layout }) => [key, layout] as const))(
    'shows all tees and all of the hole, however low the room: %s',
    (_key, layout) => {
      // As the logging screen draws it: without what lies far beyond the hole.
      const drawn = drawLayout(layout).filter(
        (mark) => mark.type !== 'line' || mark.role !== 'past',
      );
      for (const room of [{ ...laptop, height: 300 }, phone, { ...phone, height: 330 }]) {
        const { pixel, acrossScale, lie } = fit(drawn, room);
        for (const mark of drawn) {
          const tee = mark.type === 'tee';
          if (!tee && mark.type !== 'hole') continue;
          const { x, y } = pixel(mark.at);
          const beside = tee ? 0 : mark.radius * acrossScale;
          const [across, from, until] =
            lie === 'along'
              ? [y, margin.top, room.height - margin.bottom]
              : [x, margin.left, room.width - margin.right];
          expect(across - beside).toBeGreaterThanOrEqual(from - 0.5);
          expect(across + beside).toBeLessThanOrEqual(until + 0.5);
        }
      }
    },
  );

  it('draws along the line to scale when nothing is cut', () => {
    const { alongPixel, cut } = fit(marks(2.4384), laptop);
    expect(cut).toBeNull();
    expect(alongPixel(2) / alongPixel(1)).toBeCloseTo(2, 9);
  });

  it('cuts a long putt between gate and hole, and keeps one scale on both sides of the cut', () => {
    const { alongPixel, cut } = fit(marks(9.144), laptop);
    expect(cut!.from).toBeGreaterThan(0.4572);
    expect(cut!.to).toBeLessThan(9.144);
    const near = alongPixel(0.2) - alongPixel(0);
    const far = alongPixel(9.144) - alongPixel(8.944);
    expect(far).toBeCloseTo(near, 6);
  });

  it('has right of the line below it along the screen, and to the right of it up the screen', () => {
    const right = { along: 1, across: 0.03 };
    const straight = { along: 1, across: 0 };
    const lying = fit(marks(2.4384), laptop);
    expect(lying.pixel(right).y).toBeGreaterThan(lying.pixel(straight).y);
    const standing = fit(marks(2.4384), phone);
    expect(standing.pixel(right).x).toBeGreaterThan(standing.pixel(straight).x);
    expect(standing.pixel({ along: 2, across: 0 }).y).toBeLessThan(standing.pixel(straight).y);
  });

  it('keeps order along the line and sides across it, whatever the putt and the room', () => {
    fc.assert(
      fc.property(
        between(0.6, 40),
        between(0.1, 0.9),
        between(300, 1600),
        between(220, 900),
        fc.constantFrom('along' as const, 'up' as const),
        (distance, share, width, height, lie) => {
          const gate = Math.max(0.15, (distance - 0.1) * share);
          const drawn = marks(distance, gate);
          const { pixel, across, alongPixel } = fit(drawn, {
            width,
            height,
            lie,
            margin,
            holeAtMost: 80,
          });
          expect(across).toBeGreaterThanOrEqual(1);
          let last = -Infinity;
          for (const along of [0, gate / 2, gate, (gate + distance) / 2, distance]) {
            expect(alongPixel(along)).toBeGreaterThan(last);
            last = alongPixel(along);
          }
          const left = pixel({ along: gate, across: -0.03 });
          const right = pixel({ along: gate, across: 0.03 });
          const middle = pixel({ along: gate, across: 0 });
          const axis = lie === 'along' ? 'y' : 'x';
          expect(right[axis] - middle[axis]).toBeCloseTo(middle[axis] - left[axis], 9);
          expect(right[axis]).toBeGreaterThan(left[axis]);
        },
      ),
    );
  });
});
