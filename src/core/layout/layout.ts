import { z } from 'zod';
import { HOLE_RADIUS, makeWindow, puttSchema } from '@/core/green';
import type { Element, Evidence, Finding, Mark, Outcome, Place, Check, Tolerance } from './element';
import { ELEMENTS } from './register';

const piece = <Kind extends string, Params>(element: Element<Params> & { kind: Kind }) =>
  z.object({
    id: z.string().min(1).max(40),
    kind: z.literal(element.kind),
    params: element.schema,
  });

/** All that is put on the green for a drill, and the putt it stands on. */
export const layoutSchema = z
  .object({
    putt: puttSchema,
    elements: z
      .array(z.discriminatedUnion('kind', [piece(ELEMENTS.ballMark), piece(ELEMENTS.ballGate)]))
      .min(1)
      .max(40),
  })
  .refine(({ elements }) => new Set(elements.map(({ id }) => id)).size === elements.length, {
    message: 'two elements have the same id',
    path: ['elements'],
  });

export type Layout = z.infer<typeof layoutSchema>;
export type Piece = Layout['elements'][number];

/** What happened at each element on one putt: element id → outcome id. */
export const outcomesSchema = z.record(z.string().max(40), z.string().max(40));
export type Outcomes = z.infer<typeof outcomesSchema>;

/** An element with its own numbers filled in, so that callers need not know its kind. */
export interface Standing {
  id: string;
  kind: Piece['kind'];
  name: string;
  check(): Finding[];
  places(): Place[];
  checks(): Check[];
  tolerance(): Tolerance | null;
  outcomes(): Outcome[];
  evidence(outcome: string): Evidence[];
  meets(direction: number): string | null;
  draw(): Mark[];
  kit(): { name: string; count: number }[];
  cautions(): string[];
}

/**
 * The elements of a layout, each bound to its numbers and its putt.
 *
 * @param layout a layout that its schema accepts
 */
export function standing(layout: Layout): Standing[] {
  const setting = { putt: layout.putt };
  return layout.elements.map(({ id, kind, params }) => {
    // The schema has paired each kind with its own parameters.
    const element = ELEMENTS[kind] as unknown as Element<typeof params>;
    return {
      id,
      kind,
      name: element.name,
      check: () => element.check(params, setting),
      places: () => element.places(params, setting),
      checks: () => element.checks(params, setting),
      tolerance: () => element.tolerance(params, setting),
      outcomes: () => element.outcomes(params, setting),
      evidence: (outcome) => element.evidence(outcome, params, setting),
      meets: (direction) => element.meets({ direction }, params, setting),
      draw: () => element.draw(params, setting),
      kit: () => element.kit(params),
      cautions: () => element.cautions(params),
    };
  });
}

/** What is wrong (errors) or unwise (warnings) in a layout, with the element it lies in. */
export function checkLayout(layout: Layout): (Finding & { element: string })[] {
  return standing(layout).flatMap((element) =>
    element.check().map((finding) => ({ ...finding, element: element.id })),
  );
}

/** Everything to draw for a layout: the putt itself, its make window, and what each element adds. */
export function drawLayout(layout: Layout): Mark[] {
  const { putt } = layout;
  const ball = { along: 0, across: 0 };
  const hole = { along: putt.distance, across: 0 };
  const { left, right } = makeWindow(putt);
  const stop = putt.distance + putt.past;
  return [
    { type: 'wedge', role: 'hole', from: ball, until: putt.distance, left, right },
    { type: 'line', role: 'start', from: ball, to: hole },
    {
      type: 'line',
      role: 'past',
      from: { along: stop, across: -HOLE_RADIUS },
      to: { along: stop, across: HOLE_RADIUS },
    },
    { type: 'hole', at: hole, radius: HOLE_RADIUS },
    { type: 'dimension', from: 0, to: putt.distance, kind: 'putt', row: 0 },
    ...standing(layout).flatMap((element) => element.draw()),
  ];
}

/** Kit for a layout: equal things counted together. */
export function layoutKit(layout: Layout): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const { name, count } of standing(layout).flatMap((element) => element.kit())) {
    counts.set(name, (counts.get(name) ?? 0) + count);
  }
  return [...counts].map(([name, count]) => ({ name, count }));
}

/** Cautions for a layout, each once. */
export function layoutCautions(layout: Layout): string[] {
  return [...new Set(standing(layout).flatMap((element) => element.cautions()))];
}

/**
 * Checks what was logged against the layout: every element with outcomes has one of its own, and no other is named.
 *
 * @returns a sentence saying what is wrong, or null
 */
export function outcomesProblem(layout: Layout, outcomes: Outcomes): string | null {
  const elements = standing(layout);
  for (const id of Object.keys(outcomes)) {
    if (!elements.some((element) => element.id === id))
      return `This layout has no element “${id}”.`;
  }
  for (const element of elements) {
    const allowed = element.outcomes().map(({ id }) => id);
    const logged = outcomes[element.id];
    if (allowed.length === 0 ? logged === undefined : allowed.includes(logged ?? '')) continue;
    return `“${logged ?? 'nothing'}” cannot happen at the ${element.name.toLowerCase()}: ${allowed.join(', ') || 'nothing is logged there'}.`;
  }
  return null;
}

/** Whether a putt did what every element asks. */
export function isClear(layout: Layout, outcomes: Outcomes): boolean {
  return standing(layout).every((element) => {
    const happened = element.outcomes().find(({ id }) => id === outcomes[element.id]);
    return element.outcomes().length === 0 || happened?.passes === true;
  });
}
