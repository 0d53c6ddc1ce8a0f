import { libraryDrill } from '@/core/drill';
import { fitted, type Layout } from '@/core/layout';
import { STANDARD_FITTING, type Hand } from '@/core/people';
import type { PhotoReading } from '@/core/photo';
import { photoUse } from './photo-use';
import type { Seen } from './seen';

const read = (value: number): PhotoReading => ({
  ok: true,
  value,
  error: 0.002,
  interval: [value - 0.003, value + 0.003],
});
const layoutOf = (key: string, hand: Hand = 'right'): Layout =>
  fitted(libraryDrill(key)!.layout, { ...STANDARD_FITTING, hand });

/** What a number is good for, and what it does when it is used. */
function used(layout: Layout, name: Parameters<ReturnType<typeof photoUse>>[0], value: number) {
  const done: { seen: Seen[]; eyes: number[] } = { seen: [], eyes: [] };
  const offer = photoUse(
    layout,
    {},
    (seen) => done.seen.push(seen),
    (inside) => done.eyes.push(inside),
  );
  const offered = offer(name, read(value), (other) =>
    other === 'past' ? read(0.3) : other === 'aside' ? read(-0.1) : null,
  );
  offered?.use();
  return { label: offered?.label ?? null, ...done };
}

describe('what a number from a photo is good for', () => {
  it.each<[Hand, number, number]>([
    // A right-handed player stands left of the line: what lies left of it is inside.
    ['right', -0.02, 0.02],
    ['right', 0.02, -0.02],
    ['left', 0.02, 0.02],
    ['left', -0.02, -0.02],
  ])(
    'eyes of a %s-handed player, %d m to the right of the line, are %d m inside',
    (hand, at, inside) => {
      const { label, eyes } = used(layoutOf('straight-gate', hand), 'eyes', at);
      expect(label).toBe('Save to set-up card');
      expect(eyes).toEqual([expect.closeTo(inside, 9)]);
    },
  );

  it('keeps no eyes that cannot be', () =>
    expect(used(layoutOf('straight-gate'), 'eyes', 0.9).label).toBeNull());

  it('takes the face for a look at the aim, where one is asked for', () => {
    const { label, seen } = used(layoutOf('aim-string'), 'face', -0.015);
    expect(label).toBe('Log “Aim left”');
    expect(seen).toHaveLength(1);
    expect(used(layoutOf('straight-gate'), 'face', -0.015).label).toBeNull();
  });

  it('takes where the ball lies for where it stopped, where that is asked for', () => {
    const { label, seen } = used(layoutOf('just-past'), 'past', 0.3);
    expect(label).toBe('Log stopping point');
    expect(seen).toHaveLength(1);
    expect(used(layoutOf('straight-gate'), 'past', 0.3).label).toBeNull();
    expect(used(layoutOf('just-past'), 'gap', 0.06).label).toBeNull();
  });
});
