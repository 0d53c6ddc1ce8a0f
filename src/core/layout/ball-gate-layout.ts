import type { Putt } from '@/core/green';
import type { BallGate, BallGateInput } from './ball-gate';
import { layoutSchema, type Layout } from './layout';
import { ELEMENTS } from './register';

/** A ball mark and one ball gate on a straight putt. */
export function ballGateLayout(putt: Putt, gate: BallGateInput): Layout {
  return layoutSchema.parse({
    putt,
    elements: [
      { id: 'ball', kind: 'ballMark', params: ELEMENTS.ballMark.defaults(putt) },
      { id: 'gate', kind: 'ballGate', params: gate },
    ],
  });
}

/** The first ball gate of a layout, or null when it has none. */
export function ballGateOf(layout: Layout): BallGate | null {
  const gate = layout.elements.find((element) => element.kind === 'ballGate');
  return gate?.kind === 'ballGate' ? gate.params : null;
}
