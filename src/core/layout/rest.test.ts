import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { roll, shoot, type Green } from 'tests/player/green';
import { DEFAULT_PUTT, type Putt } from '@/core/green';
import { restFromHole, restOfLaunch, restSays } from './rest';
import { settingOf } from './setting';
import type { Spot } from './spot';

const on = (distance: number, grade = 0, falls = 0): Putt => ({
  ...DEFAULT_PUTT,
  distance,
  slope: { grade, falls },
});

/** Where a ball comes to rest by a general solver of the equations of motion, seen from the start line. */
function rolledRest({ distance, greenSpeed, past, slope }: Putt, direction: number, pace: number) {
  const green: Green = { distance, greenSpeed, past, ...slope };
  const aim = shoot(green);
  const { x, y } = roll(green, aim.speed * Math.sqrt(1 + pace), aim.direction + direction).at(-1)!;
  const [c, s] = [Math.cos(aim.direction), Math.sin(aim.direction)];
  return { along: x * c + y * s, across: y * c - x * s } satisfies Spot;
}

const PUTTS: [string, Putt][] = [
  ['the level', on(6)],
  ['a green that falls left', on(4, 0.015, -Math.PI / 2)],
  ['a putt uphill', on(5, 0.02, Math.PI)],
  ['a putt down and to the right', on(3, 0.012, 0.6)],
];

describe.each(PUTTS)('where a ball came to rest on %s', (_name, putt) => {
  const setting = settingOf(putt);

  it('is where a general solver rolls it', () => {
    fc.assert(
      fc.property(between(-0.04, 0.04), between(-0.2, 0.25), (direction, pace) => {
        const [ours, theirs] = [
          restOfLaunch({ direction, pace }, setting),
          rolledRest(putt, direction, pace),
        ];
        expect(Math.hypot(ours.along - theirs.along, ours.across - theirs.across)).toBeLessThan(
          0.01,
        );
      }),
      { numRuns: 25 },
    );
  });

  it('says how far it was sent and where it started, within the errors told', () => {
    fc.assert(
      fc.property(between(-0.03, 0.03), between(-0.15, 0.2), (direction, pace) => {
        const spot = rolledRest(putt, direction, pace);
        const said = restSays(spot, setting);
        const of = (what: string) => said.find(({ quantity }) => quantity === what)!;
        const [start, far] = [of('start'), of('pace')];
        expect(Math.abs(start.value - direction)).toBeLessThan(start.error);
        // The run past the hole as the intended one arrives: 6 cm are the error of looking.
        const run = far.value - setting.restOf(pace);
        expect(Math.abs(run)).toBeLessThan(far.error);
      }),
      { numRuns: 40 },
    );
  });

  it('is the hole for a ball that dies in its middle', () => {
    const { past, aside } = restFromHole(setting.hole, setting);
    expect([past, aside]).toEqual([expect.closeTo(0, 12), expect.closeTo(0, 12)]);
  });
});

describe('a ball that hardly left', () => {
  it('says how far it went, and nothing of its start', () => {
    const setting = settingOf(on(3));
    const said = restSays({ along: 0.3, across: 0.05 }, setting);
    expect(said.map(({ quantity }) => quantity)).toEqual(['pace']);
    expect(said[0]!.value).toBeCloseTo(-2.7, 12);
  });
});
