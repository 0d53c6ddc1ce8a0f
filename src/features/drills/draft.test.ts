import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { ELEMENTS, checkLayout, standing, type ElementKind } from '@/core/layout';
import { DEFAULT_UNITS, INCH } from '@/core/units';
import {
  dragged,
  newDraft,
  nudged,
  refusal,
  snapped,
  withElement,
  withParams,
  withoutElement,
} from './draft';

const { layout } = newDraft({ greenSpeed: 3.048, pace: 'rolls' });
const imperial = { ...DEFAULT_UNITS, short: 'imperial' as const };
const gateOf = (some: typeof layout) =>
  some.elements.find(({ id }) => id === 'gate')!.params as { distance: number; gap: number };

describe('a draft', () => {
  it('begins with a roomy gate that can be built', () => {
    expect(refusal(layout, DEFAULT_UNITS)).toBeNull();
    expect(gateOf(layout)).toMatchObject({ gap: 0.067, distance: 18 * INCH });
  });

  it.each([
    [{ distance: 3 }, 'is beyond the hole: use 8 ft or less on this putt.'],
    [{ gap: 0.01 }, 'wider than the ball'],
    [{ offset: 0.03 }, 'is in the ball’s way'],
  ])('is refused with a reason: %p', (change, words) => {
    expect(refusal(withParams(layout, 'gate', change), DEFAULT_UNITS)).toContain(words);
  });

  it('is refused on a slope that cannot hold the pace', () => {
    const slide = {
      ...layout.putt,
      distance: 6,
      greenSpeed: 4.2,
      slope: { grade: 0.08, falls: 0 },
    };
    expect(refusal({ ...layout, putt: slide }, DEFAULT_UNITS)).toContain('too steep for the pace');
  });

  it('takes one more of every kind, or says why not', () => {
    for (const kind of Object.keys(ELEMENTS) as ElementKind[]) {
      const added = withElement(layout, kind, DEFAULT_UNITS);
      expect(added.ok).toBe(true);
      if (!added.ok) continue;
      expect(refusal(added.layout, DEFAULT_UNITS)).toBeNull();
      expect(withoutElement(added.layout, added.id)).toEqual(layout);
    }
    const walled = withElement(layout, 'targetTee', DEFAULT_UNITS);
    expect(walled.ok && withElement(walled.layout, 'paceZone', DEFAULT_UNITS)).toMatchObject({
      ok: false,
      message: expect.stringContaining('stops the ball'),
    });
  });

  it('gives a second gate a place of its own', () => {
    const added = withElement(layout, 'ballGate', DEFAULT_UNITS);
    const gates = added.ok && added.layout.elements.filter(({ kind }) => kind === 'ballGate');
    const [a, b] = (gates || []).map(({ params }) => (params as { distance: number }).distance);
    expect(Math.abs(a! - b!)).toBeGreaterThan(0.1);
  });
});

describe('moving', () => {
  it('drags the gate to a quarter of an inch, and a tee to a millimetre of gap', () => {
    const moved = dragged(layout, 'gate', 'gate', { along: 0.6131, across: 0 }, DEFAULT_UNITS);
    expect(gateOf(moved).distance / INCH).toBeCloseTo(24.25, 4);
    const wider = dragged(layout, 'gate', 'right', { along: 0.46, across: 0.0381 }, DEFAULT_UNITS);
    // The tee's middle at 38.1 mm: 76.2 mm apart less a shank of 5 mm.
    expect(gateOf(wider).gap).toBeCloseTo(0.071, 9);
  });

  it('nudges by what the tape shows: a sixteenth along, a millimetre of gap; ten with shift', () => {
    const nudge = (grip: string, along: number, across: number, coarse = false) =>
      gateOf(nudged(layout, 'gate', grip, { along, across, coarse }, DEFAULT_UNITS));
    expect(nudge('gate', 1, 0).distance - 18 * INCH).toBeCloseTo(INCH / 16, 6);
    expect(nudge('gate', -1, 0, true).distance - 18 * INCH).toBeCloseTo((-10 * INCH) / 16, 6);
    expect(nudge('right', 0, 1).gap).toBeCloseTo(0.068, 9);
    expect(nudge('left', 0, 1).gap).toBeCloseTo(0.066, 9);
  });

  it('snaps far things to half a step, and never leaves the limits', () => {
    expect(snapped(4.4, 'along', DEFAULT_UNITS, true)).toBeCloseTo(4.5, 9);
    expect(snapped(0.0601, 'across', imperial, true) / INCH).toBeCloseTo(38 / 16, 5);
    fc.assert(
      fc.property(
        between(-2, 6),
        between(-1, 1),
        fc.constantFrom('gate', 'left', 'right'),
        (along, across, grip) => {
          const { distance, gap } = gateOf(
            dragged(layout, 'gate', grip, { along, across }, DEFAULT_UNITS),
          );
          expect(distance).toBeGreaterThanOrEqual(0.1);
          expect(distance).toBeLessThanOrEqual(40);
          expect(gap).toBeGreaterThan(0.04267);
          expect(gap).toBeLessThanOrEqual(0.5);
        },
      ),
    );
  });

  it('leaves a layout alone when there is nothing to hold', () => {
    expect(dragged(layout, 'gate', 'moat', { along: 1, across: 0 }, DEFAULT_UNITS)).toBe(layout);
    expect(
      nudged(layout, 'moat', 'gate', { along: 1, across: 0, coarse: false }, DEFAULT_UNITS),
    ).toBe(layout);
  });

  it('moves a gate along a breaking putt without leaving its start line', () => {
    const breaking = { ...layout, putt: { ...layout.putt, slope: { grade: 0.02, falls: -1.57 } } };
    const [, gate] = standing(breaking);
    const at = gate!.grips()[0]!.at;
    const moved = dragged(
      breaking,
      'gate',
      'gate',
      { along: at.along + 0.1, across: at.across },
      DEFAULT_UNITS,
    );
    const [left, right] = standing(moved)[1]!.places();
    const turn = Math.atan2(
      (left!.at.across + right!.at.across) / 2,
      (left!.at.along + right!.at.along) / 2,
    );
    expect(turn).toBeCloseTo(Math.atan2(at.across, at.along), 9);
    expect(checkLayout(moved).filter(({ severity }) => severity === 'error')).toEqual([]);
  });
});
