import { DEFAULT_PUTT, FLAT, PACES, refuseTooFirm, type PaceId, type Slope } from '@/core/green';
import { bareDetails, type DrillDetails } from '@/core/drill';
import {
  ELEMENTS,
  checkLayout,
  elementOf,
  findingWords,
  firstLayout,
  layoutSchema,
  standing,
  type ElementKind,
  type Layout,
  type Piece,
  type Read,
  type Spot,
} from '@/core/layout';
import { INCH, acrossStep, type LengthKind, type UnitPreferences } from '@/core/units';

/** A drill while it is designed. */
export interface Draft {
  name: string;
  layout: Layout;
  details: DrillDetails;
}

/**
 * Why a layout cannot be built, or null when it can: outside its elements' limits, a slope that cannot hold the pace,
 * or things that cannot stand together.
 */
export function refusal(layout: Layout, units: UnitPreferences): string | null {
  const parsed = layoutSchema.safeParse(layout);
  if (!parsed.success) return parsed.error.issues[0]!.message;
  try {
    refuseTooFirm(layout.putt);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return 'This slope is too steep for the pace: the ball would not stop where asked.';
  }
  const wrong = checkLayout(layout).find(({ severity }) => severity === 'error');
  return wrong ? findingWords(wrong, units) : null;
}

/** A layout with some numbers of one element changed; what was measured of it no longer holds. */
export const withParams = (layout: Layout, id: string, changes: object): Layout => ({
  ...layout,
  elements: layout.elements.map((piece) =>
    piece.id === id
      ? ({ id, kind: piece.kind, params: { ...piece.params, ...changes } } as Piece)
      : piece,
  ),
});

export const withoutElement = (layout: Layout, id: string): Layout => ({
  ...layout,
  elements: layout.elements.filter((piece) => piece.id !== id),
});

/** Places tried for a new element beside its usual one, share of the putt. */
const SHARES = [null, 0.3, 0.5, 0.2, 0.7, 0.85];

/**
 * A layout with one more element, at the first place where it can stand.
 *
 * @returns the layout and the new id, or why it cannot be added
 */
export function withElement(
  layout: Layout,
  kind: ElementKind,
  units: UnitPreferences,
): { ok: true; layout: Layout; id: string } | { ok: false; message: string } {
  const taken = new Set(layout.elements.map((piece) => piece.id));
  let number = 1;
  while (taken.has(`${kind}${number}`)) number++;
  const id = `${kind}${number}`;
  const defaults = ELEMENTS[kind].defaults(layout.putt) as Piece['params'];
  let message = '';
  for (const share of SHARES) {
    if (share !== null && !('distance' in defaults)) break;
    const params =
      share === null
        ? defaults
        : { ...defaults, distance: snapped(share * layout.putt.distance, 'along', units, true) };
    const next = {
      ...layout,
      elements: [...layout.elements, { id, kind, params } as Piece],
    };
    const refused = refusal(next, units);
    if (!refused) return { ok: true, layout: next, id };
    message ||= refused;
  }
  return { ok: false, message };
}

/** From here on a hand sets distances in half steps, m. */
const FAR = 2;

/** The finest step in which a hand sets such a length, m: dragged coarsely, nudged to what the tape shows. */
function stepOf(
  metres: number,
  kind: LengthKind,
  units: UnitPreferences,
  dragged: boolean,
): number {
  if (kind === 'across') return acrossStep(units);
  if (!dragged) return units.long === 'imperial' ? INCH / 16 : 0.001;
  if (Math.abs(metres) >= FAR) return units.own.step / 2;
  return units.long === 'imperial' ? INCH / 4 : 0.005;
}

/** A length brought to what a coach can set. */
export function snapped(
  metres: number,
  kind: LengthKind,
  units: UnitPreferences,
  dragged: boolean,
): number {
  const step = stepOf(metres, kind, units, dragged);
  return Number((Math.round(metres / step) * step).toFixed(7));
}

/** The numbers of an element after its grip was moved, snapped and kept within their limits. */
function settled(piece: Piece, moved: object, units: UnitPreferences, dragged: boolean): object {
  const before = piece.params as Record<string, unknown>;
  return Object.fromEntries(
    Object.entries(moved).map(([name, value]) => {
      const field = elementOf(piece.kind).fields.find((one) => one.name === name);
      if (typeof value !== 'number' || value === before[name]) return [name, value];
      if (field?.type === 'length') {
        const set = snapped(value, field.kind, units, dragged);
        return [name, Math.min(Math.max(set, field.min), field.max)];
      }
      return field?.type === 'number'
        ? [name, Math.min(Math.max(value, field.min), field.max)]
        : [name, value];
    }),
  );
}

const gripOf = (layout: Layout, id: string, grip: string) =>
  standing(layout)
    .find((element) => element.id === id)
    ?.grips()
    .find((one) => one.id === grip);

/** A layout after one grip was dragged to a spot on the green. */
export function dragged(
  layout: Layout,
  id: string,
  grip: string,
  to: Spot,
  units: UnitPreferences,
): Layout {
  const piece = layout.elements.find((one) => one.id === id);
  const held = gripOf(layout, id, grip);
  if (!piece || !held) return layout;
  return withParams(layout, id, settled(piece, held.move(to), units, true));
}

/** How many steps a nudge with the shift key is. */
const COARSE = 10;

/** A layout after one grip was nudged by a step of the tape, or ten. */
export function nudged(
  layout: Layout,
  id: string,
  grip: string,
  { along, across, coarse }: { along: number; across: number; coarse: boolean },
  units: UnitPreferences,
): Layout {
  const piece = layout.elements.find((one) => one.id === id);
  const held = gripOf(layout, id, grip);
  if (!piece || !held) return layout;
  const times = coarse ? COARSE : 1;
  // A tee moved out by half a step makes its gap a whole step wider.
  const to = {
    along: held.at.along + along * times * stepOf(0, 'along', units, false),
    across: held.at.across + (across * times * stepOf(0, 'across', units, false)) / 2,
  };
  return withParams(layout, id, settled(piece, held.move(to), units, false));
}

/** A new drill: a straight, flat 8 ft putt with a roomy gate at 18 in; on the green that was read last, if any. */
export function newDraft(
  { greenSpeed, pace }: { greenSpeed: number; pace: PaceId },
  latest?: { read: Read; greenSpeed: number; slope: Slope | null },
): Draft {
  const { distance } = DEFAULT_PUTT;
  const putt = {
    ...DEFAULT_PUTT,
    greenSpeed: latest?.greenSpeed ?? greenSpeed,
    slope: latest?.slope ?? FLAT,
    past: PACES.find(({ id }) => id === pace)!.past(distance),
  };
  const layout = firstLayout(putt);
  return {
    name: '',
    layout: { ...layout, ...(latest && { read: latest.read }) },
    details: bareDetails(),
  };
}
