import { z } from 'zod';
import { settableAlong, type UnitPreferences } from '@/core/units';
import { PUTT_RANGE, makeWindow } from '@/core/green';
import type { Tolerance } from './element';
import { elementOf, standing, type Layout, type Piece } from './layout';
import { toleranceBy } from './strictness';

/** What one rung changes of a drill's layout: its putt, or numbers of one element. SI. */
export const rungSchema = z.object({
  /** Ball to hole, m. */
  putt: z.number().min(PUTT_RANGE.min).max(PUTT_RANGE.max).optional(),
  /** Numbers by element and name. */
  set: z.record(z.string().max(40), z.record(z.string().max(20), z.number())).default({}),
});

export type Rung = z.infer<typeof rungSchema>;

export const MOST_RUNGS = 10;
export const ladderSchema = z.array(rungSchema).max(MOST_RUNGS);
export type Ladder = z.infer<typeof ladderSchema>;

/**
 * How a number of an element that a rung changes is measured.
 *
 * @param name of the number
 * @returns along the line, or across it
 */
export const measuredAs = (name: string): 'along' | 'across' =>
  ['distance', 'length', 'depth'].includes(name) ? 'along' : 'across';

/**
 * A ladder in lengths along the line that this coach's tape shows: whole centimetres, or half inches. A rung that would become the
 * one before it stays as it is.
 *
 * @param ladder in metres
 * @param units the coach's systems
 * @returns a ladder with as many rungs
 * @example ladderOnTape([{ putt: 2.5, set: {} }], INCHES)[0].putt // 2.5019, 8 ft 2 1/2 in
 */
export function ladderOnTape(ladder: Ladder, units: UnitPreferences): Ladder {
  const on = ({ putt, set }: Rung): Rung => ({
    ...(putt !== undefined && { putt: settableAlong(putt, units) }),
    set: Object.fromEntries(
      Object.entries(set).map(([id, params]) => [
        id,
        Object.fromEntries(
          Object.entries(params).map(([name, value]) => [
            name,
            measuredAs(name) === 'along' ? settableAlong(value, units) : value,
          ]),
        ),
      ]),
    ),
  });
  const told: Ladder = [];
  for (const rung of ladder) {
    const snapped = on(rung);
    const before = told.at(-1);
    told.push(before && JSON.stringify(before) === JSON.stringify(snapped) ? rung : snapped);
  }
  return told;
}

/** What makes the rungs harder: a smaller opening, one farther away, or a longer putt. */
export type LadderBy = 'gap' | 'distance' | 'putt';

/** The element a ladder changes: the first that tests something and can be made stricter. */
export function ladderElement(layout: Layout): string | null {
  return (
    standing(layout).find((element) => element.tolerance() && element.harder().length > 0)?.id ??
    null
  );
}

/** What can make a ladder of this layout. */
export function ladderWays(layout: Layout): LadderBy[] {
  const id = ladderElement(layout);
  const harder =
    standing(layout)
      .find((element) => element.id === id)
      ?.harder() ?? [];
  return [...harder.map(({ by }) => by), 'putt'];
}

/** Putts of a ladder by distance, against the drill's own. */
const SHORTEST = 0.5;
const LONGEST = 1.6;

/**
 * A ladder from roomy to strict, in even steps of what it changes, rounded to what a coach can set.
 *
 * @param layout the drill's layout
 * @param by what makes it harder
 * @param count rungs, 2 to 10
 * @param settable rounds a length (m) to one a coach can set
 * @param ends from the roomiest to the strictest value, where the player's own are known, m
 * @returns rungs that differ; none when this layout cannot be made harder so
 */
export function makeLadder(
  layout: Layout,
  by: LadderBy,
  count: number,
  settable: (metres: number, by: LadderBy) => number,
  ends?: { roomy: number; strict: number },
): Ladder {
  const steps = (roomy: number, strict: number) =>
    Array.from({ length: count }, (_, index) =>
      settable(roomy + ((strict - roomy) * index) / (count - 1), by),
    ).filter((value, index, all) => index === 0 || value !== all[index - 1]);
  if (by === 'putt') {
    const { distance } = layout.putt;
    const [near, far] = [
      Math.max(PUTT_RANGE.min, SHORTEST * distance),
      Math.min(PUTT_RANGE.max, LONGEST * distance),
    ];
    return steps(near, far).map((putt) => ({ putt, set: {} }));
  }
  const id = ladderElement(layout);
  const element = standing(layout).find((one) => one.id === id);
  const harder = element?.harder().find((one) => one.by === by);
  if (!element || !harder) return [];
  const limits = elementOf(element.kind).fields.find(({ name }) => name === harder.field);
  const within = (value: number) =>
    limits?.type === 'length' ? Math.min(Math.max(value, limits.min), limits.max) : value;
  const { roomy, strict } = ends ?? harder;
  return steps(within(roomy), within(strict)).map((value) => ({
    set: { [element.id]: { [harder.field]: within(value) } },
  }));
}

/**
 * The layout of one rung.
 *
 * @param layout the drill's layout
 * @param rung numbers that its elements' schemas accept
 * @throws ZodError when a number is outside its limits
 */
export function onRung(layout: Layout, { putt, set }: Rung): Layout {
  return {
    ...layout,
    putt: putt === undefined ? layout.putt : { ...layout.putt, distance: putt },
    elements: layout.elements.map((piece) => {
      const changes = set[piece.id];
      if (!changes) return piece;
      const params = elementOf(piece.kind).schema.parse({ ...piece.params, ...changes });
      return { ...piece, params } as Piece;
    }),
  };
}

/** How strict a rung is: what it tests and how much of it passes in all, rad or m. */
export interface RungStrictness {
  quantity: Tolerance['quantity'];
  tolerance: number;
}

/**
 * How strict a layout is as a rung: by the element its ladder changes, or else by the hole's make window.
 *
 * @param layout from {@link onRung}
 * @param rung the rung itself: one that changes the putt is measured at the hole
 */
export function rungStrictness(layout: Layout, rung: Rung): RungStrictness {
  const id = rung.putt === undefined ? Object.keys(rung.set)[0] : undefined;
  const piece = layout.elements.find((one) => one.id === id);
  const quantity = standing(layout)
    .find((one) => one.id === id)
    ?.tolerance()?.quantity;
  if (piece && quantity) return { quantity, tolerance: toleranceBy(layout, piece)({}) };
  const { left, right } = makeWindow(layout.putt);
  return { quantity: 'start', tolerance: left + right };
}

/**
 * The rung that is nearest to how strict a layout is as drawn.
 *
 * @param layout the drill's layout
 * @param ladder its rungs
 * @returns its place from 0, or null when there are no rungs
 */
export function nearestRung(layout: Layout, ladder: Ladder): number | null {
  const apart = ladder.map((rung) => {
    const [drawn, there] = [layout, onRung(layout, rung)].map(
      (one) => rungStrictness(one, rung).tolerance,
    ) as [number, number];
    return Math.abs(Math.log(there / drawn));
  });
  return apart.length === 0 ? null : apart.indexOf(Math.min(...apart));
}
