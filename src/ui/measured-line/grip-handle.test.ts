import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { reachOf } from './grip-handle';

/** A drawing on which a metre is a hundred px. */
const geometry = {
  lie: 'along' as const,
  pixel: ({ along, across }: { along: number; across: number }) => ({
    x: 100 * along,
    y: 200 + 100 * across,
  }),
};
const at = (along: number, across = 0, slides?: true) => ({
  at: { along, across },
  ...(slides && { slides }),
});

describe('what takes hold of a handle', () => {
  it('is 44 px where no other is near: ten on each side of the 24 that are drawn', () => {
    const grip = at(1);
    expect(reachOf(grip, [grip], geometry)).toBe(10);
    expect(reachOf(grip, [grip, at(2)], geometry)).toBe(10);
  });

  it('is no larger than leaves a near one its own half', () => {
    const grip = at(1);
    // 34 px apart, along or across: five on each side.
    expect(reachOf(grip, [grip, at(1.34)], geometry)).toBe(5);
    expect(reachOf(grip, [grip, at(1.1, 0.34)], geometry)).toBe(5);
    expect(reachOf(grip, [grip, at(1.05)], geometry)).toBe(0);
  });

  it('counts those on the dimension string where they are drawn', () => {
    const grip = at(1, 0, true);
    // At the same length, but 145 px below.
    expect(reachOf(grip, [grip, at(1)], geometry)).toBe(10);
    expect(reachOf(grip, [grip, at(1.3, 0.5, true)], geometry)).toBe(3);
  });

  it('never reaches over another, however they lie', () => {
    const grips = fc.array(fc.tuple(between(0, 3), between(-1, 1)), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(grips, (spots) => {
        const all = spots.map(([along, across]) => at(along, across));
        for (const a of all) {
          for (const b of all) {
            if (a === b) continue;
            const [p, q] = [geometry.pixel(a.at), geometry.pixel(b.at)];
            const apart = Math.max(Math.abs(p.x - q.x), Math.abs(p.y - q.y));
            const half = (one: typeof a) => 12 + reachOf(one, all, geometry);
            if (apart >= 24) expect(half(a) + half(b)).toBeLessThanOrEqual(apart + 1e-9);
          }
        }
      }),
    );
  });
});
