import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { DEFAULT_PUTT } from '@/core/green';
import { STANDARD_FITTING, type Hand } from '@/core/people';
import { FOOT } from '@/core/units';
import {
  ELEMENTS,
  layoutSchema,
  pointsProblem,
  standing,
  type ElementKind,
  type Evidence,
  type Layout,
} from '.';

const slope = { grade: 0.02, falls: -Math.PI / 2 };
const layoutOf = (kind: ElementKind, params: object, more: object = {}, hand: Hand = 'right') => {
  const putt = { ...DEFAULT_PUTT, distance: 12 * FOOT, ...more };
  return layoutSchema.parse({
    putt,
    player: { ...STANDARD_FITTING, hand },
    elements: [
      { id: 'ball', kind: 'ballMark', params: ELEMENTS.ballMark.defaults(putt) },
      { id: 'one', kind, params: { ...(ELEMENTS[kind].defaults(putt) as object), ...params } },
    ],
  });
};
const pointing = (layout: Layout) => standing(layout)[1]!.pointing!;

describe('pointing where the ball stopped', () => {
  const band = { shape: 'band', depth: 0.6 };
  const past = (metres: number, across = 0) => ({ along: 12 * FOOT + metres, across });

  it.each([
    [-0.1, 'short'],
    [0.3, 'in'],
    [0.61, 'long'],
    [-2, 'short'],
  ])('%p m past a band of 0.6 m is %p', (metres, outcome) => {
    expect(pointing(layoutOf('paceZone', band)).outcome(past(metres))).toBe(outcome);
  });

  it('says how far past, on the level the distance along the line', () => {
    expect(pointing(layoutOf('paceZone', band)).says(past(0.75, 0.1))).toEqual([
      { quantity: 'pace', value: expect.closeTo(0.75, 9), error: 0.06 },
      // 0.1 m aside after 3.6576 + 0.75 m: asin(0.1 / 4.4076), and 6 cm over that way.
      { quantity: 'start', value: expect.closeTo(0.02269, 5), error: expect.closeTo(0.01361, 5) },
    ]);
  });

  it('is past the way the ball arrives: on a slope that is not straight on', () => {
    const layout = layoutOf('paceZone', band, { slope });
    const { outcome, says } = pointing(layout);
    // Falling left, the ball arrives going left: a spot left of the hole is as far past as one straight on is short of it.
    const left = says({ along: 12 * FOOT, across: -0.5 })[0]!.value;
    const right = says({ along: 12 * FOOT, across: 0.5 })[0]!.value;
    expect(left).toBeGreaterThan(0.03);
    expect(right).toBeCloseTo(-left, 9);
    expect(outcome({ along: 12 * FOOT, across: 0.5 })).toBe('short');
  });

  it('within a half circle means within its round', () => {
    const { outcome } = pointing(layoutOf('paceZone', { shape: 'half circle', depth: 0.6 }));
    expect(outcome(past(0.5, 0))).toBe('in');
    expect(outcome(past(0.5, 0.4))).toBe('long');
  });
});

describe('pointing at the mark on the face', () => {
  const params = { across: 0.006, high: 0.005 };

  it.each([
    ['right' as const, { along: 0, across: 0.012 }, 'Toe'],
    ['right' as const, { along: 0, across: -0.012 }, 'Heel'],
    ['left' as const, { along: 0, across: 0.012 }, 'Heel'],
    ['left' as const, { along: -0.009, across: 0.001 }, 'Low'],
    ['right' as const, { along: 0.009, across: 0.001 }, 'High'],
    ['right' as const, { along: 0.004, across: -0.005 }, 'Middle'],
  ])('a %s-hander, %j: %s', (hand, spot, label) => {
    const layout = layoutOf('faceMark', params, {}, hand);
    const id = pointing(layout).outcome(spot);
    expect(
      standing(layout)[1]!
        .outcomes()
        .find((one) => one.id === id)?.label,
    ).toBe(label);
  });

  it('says where the head was: the other way from where the ball was met', () => {
    expect(pointing(layoutOf('faceMark', params)).says({ along: 0.003, across: 0.01 })).toEqual([
      { quantity: 'strike', value: -0.01, error: 0.0015 },
      { quantity: 'height', value: 0.003, error: 0.0015 },
    ]);
  });

  it('agrees with what the outcome says of the strike', () => {
    const layout = layoutOf('faceMark', params);
    const element = standing(layout)[1]!;
    fc.assert(
      fc.property(between(-0.05, 0.05), (across) => {
        const spot = { along: 0, across };
        const outcome = element.pointing!.outcome(spot);
        const [said] = element.evidence(outcome);
        const value = element.pointing!.says(spot)[0]!.value;
        const { areas } = said as Extract<Evidence, { quantity: 'mark' }>;
        const level = areas.filter(({ height }) => height[0] < 0 && height[1] > 0);
        expect(level.some(({ strike }) => value >= strike[0] && value <= strike[1])).toBe(true);
        expect(element.meets({ direction: 0, strike: value })).toBe(outcome);
      }),
    );
  });
});

describe('what was pointed at', () => {
  const layout = layoutOf('faceMark', {});
  it('must be what was logged, at an element that can be pointed at', () => {
    const spot = { along: 0, across: 0.02 };
    expect(pointsProblem(layout, { one: 'right' }, { one: spot })).toBeNull();
    expect(pointsProblem(layout, { one: 'left' }, { one: spot })).toContain('means “right”');
    expect(pointsProblem(layout, { one: 'left' }, { ball: spot })).toContain(
      'has no picture to point at',
    );
    expect(pointsProblem(layout, { one: 'left' }, {})).toBeNull();
  });
});
