import { DEFAULT_PUTT, type Putt } from '@/core/green';
import { STANDARD_FITTING } from '@/core/people';
import { isQuantity } from '@/core/quantity';
import { FOOT } from '@/core/units';
import {
  ELEMENTS,
  ballGateOf,
  boxRegion,
  checkLayout,
  counting,
  elementOf,
  firstLayout,
  holeLayout,
  judge,
  layoutSchema,
  settingOf,
  standing,
  stationCount,
  traitsOf,
  type ElementKind,
  type Layout,
} from '.';

const KINDS = Object.keys(ELEMENTS) as ElementKind[];
const putt: Putt = { ...DEFAULT_PUTT, distance: 8 * FOOT };
const layoutOf = (parts: [kind: ElementKind, params?: object][], counts = 'all'): Layout =>
  layoutSchema.parse({
    putt,
    counts,
    elements: parts.map(([kind, params], i) => ({
      id: `${kind} ${i}`,
      kind,
      params: { ...elementOf(kind).defaults(putt), ...params },
    })),
  });

describe('what an element says of itself', () => {
  it.each(KINDS)('%s trains a quantity of the register, or the set-up', (kind) => {
    const { trains, outcomes, defaults } = elementOf(kind);
    expect(trains === 'set-up' || isQuantity(trains)).toBe(true);
    // Only an eye tells: one outcome is right, and another is not.
    if (traitsOf(kind).byEye) {
      const all = outcomes(defaults(putt), settingOf(putt, STANDARD_FITTING));
      expect(all.some(({ passes }) => passes) && all.some(({ passes }) => !passes)).toBe(true);
    }
  });

  it.each(KINDS)('%s: what it reads is a quantity, with an error', (kind) => {
    for (const element of standing(layoutOf([[kind]]))) {
      for (const { id } of element.outcomes()) {
        for (const { quantity, value, error } of element.reads(id)) {
          expect(isQuantity(quantity)).toBe(true);
          expect(Number.isFinite(value) && error > 0).toBe(true);
        }
      }
    }
  });

  it('is the one ball mark, which every drill keeps', () =>
    expect(KINDS.filter((kind) => traitsOf(kind).fixed)).toEqual(['ballMark']));

  it('counts as the hole, as where it rests, or as a gate', () => {
    const parts: [ElementKind][] = [['ballGate'], ['hole'], ['paceZone']];
    const all = layoutOf(parts);
    expect(counting(all, 'hole')!.kind).toBe('hole');
    expect(counting(all, 'zone')!.kind).toBe('paceZone');
    const happened = { 'ballGate 0': 'clear', 'hole 1': 'short', 'paceZone 2': 'short' };
    expect(judge(layoutOf(parts, 'gate'))(happened)).toBe(true);
    expect(judge(layoutOf(parts, 'hole'))(happened)).toBe(false);
    expect(judge(layoutOf(parts, 'zone'))(happened)).toBe(false);
    expect(judge(all)({ ...happened, 'hole 1': 'holed', 'paceZone 2': 'in' })).toBe(true);
  });

  it('stops the ball: all of it, or what goes beyond', () => {
    const errors = (parts: [ElementKind, object?][]) =>
      checkLayout(layoutOf(parts))
        .filter(({ severity }) => severity === 'error')
        .map(({ message }) => message);
    expect(errors([['targetTee', { distance: 1 }], ['hole']])).toContain(
      'The target tee stops the ball before it gets this far: remove one of the two.',
    );
    const [, half] = standing(layoutOf([['ballMark'], ['paceZone', { shape: 'half circle' }]]));
    expect(half!.stops).toBe('beyond');
    expect(standing(layoutOf([['paceZone', { shape: 'band' }]]))[0]!.stops).toBeNull();
  });

  it('is a gate with its opening, which lets through what a hand reckons', () => {
    const layout = layoutOf([['ballMark'], ['ballGate', { gap: 0.06, distance: 0.5 }]]);
    const gate = ballGateOf(layout)!;
    expect(gate).toMatchObject({ id: 'ballGate 1', gap: 0.06, distance: 0.5 });
    // Half of the air over the distance: (60 − 42.67) / 2 mm at half a metre.
    const { left, right } = gate.toleranceOf(0.06, 0.5, settingOf(putt, STANDARD_FITTING));
    expect(left).toBeCloseTo(Math.atan(0.00867 / 0.5), 3);
    expect(right).toBeCloseTo(left, 9);
    expect(ballGateOf(layoutOf([['ballMark'], ['hole']]))).toBeNull();
    expect(ballGateOf(firstLayout(putt))).not.toBeNull();
  });

  it('is putted from stations, or from one spot', () => {
    expect(stationCount(layoutOf([['stations', { count: 5 }], ['hole']]))).toBe(5);
    expect(stationCount(holeLayout(putt))).toBe(1);
    expect(counting(holeLayout(putt), 'hole')).toBeDefined();
  });

  it('shows what of a stroke goes through only where it is a box', () => {
    const [box, gate] = standing(layoutOf([['boxGate'], ['ballGate', { distance: 1 }]]));
    const params = ELEMENTS.boxGate.defaults(putt);
    expect(box!.region()).toEqual(boxRegion(params, settingOf(putt, STANDARD_FITTING)));
    expect(gate!.region()).toBeNull();
  });
});
