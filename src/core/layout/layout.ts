import { z } from 'zod';
import {
  HOLE_RADIUS,
  isLevel,
  makeWindow,
  puttSchema,
  routeOf,
  routePoints,
  stretchesOf,
  type Aim,
  type Slope,
} from '@/core/green';
import type {
  Element,
  Evidence,
  Finding,
  Mark,
  Outcome,
  Place,
  Check,
  Spot,
  Tolerance,
} from './element';
import { ELEMENTS } from './register';
import { settingOf } from './setting';
import { turned } from './spot';

const piece = <Kind extends string, Params>(element: Element<Params> & { kind: Kind }) =>
  z.object({
    id: z.string().min(1).max(40),
    kind: z.literal(element.kind),
    params: element.schema,
  });

/** Which reading of a green the putt's speed and slope come from. */
export const readSchema = z.object({
  greenId: z.string().max(40),
  green: z.string().max(80),
  /** Null when only the speed is from that green. */
  spotId: z.string().max(40).nullable(),
  spot: z.string().max(80),
  /** When the speed was measured. */
  at: z.iso.datetime(),
});

export type Read = z.infer<typeof readSchema>;

/** All that is put on the green for a drill, and the putt it stands on. */
export const layoutSchema = z
  .object({
    putt: puttSchema,
    read: readSchema.optional(),
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

/**
 * A layout moved to a green as it was read: its speed and, where the spot's slope is known, its slope. The gates keep
 * their distances and follow the new start line.
 *
 * @param layout as designed
 * @param read which reading
 * @param found speed (m) and slope of that reading; without a slope the layout keeps its own
 * @throws RangeError when the slope cannot hold the putt's pace
 */
export function onReading(
  layout: Layout,
  read: Read,
  { greenSpeed, slope }: { greenSpeed: number; slope: Slope | null },
): Layout {
  const { putt } = layout;
  const moved = {
    ...layout,
    read,
    putt: { ...putt, greenSpeed, ...(slope && { slope, tiers: [] }) },
  };
  makeWindow(moved.putt);
  return moved;
}

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
  const setting = settingOf(layout.putt);
  const { direction } = setting.aim;
  return layout.elements.map(({ id, kind, params }) => {
    // The schema has paired each kind with its own parameters.
    const element = ELEMENTS[kind] as unknown as Element<typeof params>;
    const onGreen = <T extends { at: Spot }>(things: T[]): T[] =>
      things.map((thing) => ({ ...thing, at: turned(thing.at, direction) }));
    return {
      id,
      kind,
      name: element.name,
      check: () => element.check(params, setting),
      places: () => onGreen(element.places(params, setting)),
      checks: () => element.checks(params, setting),
      tolerance: () => element.tolerance(params, setting),
      outcomes: () => onGreen(element.outcomes(params, setting)),
      evidence: (outcome) => element.evidence(outcome, params, setting),
      meets: (launch) => element.meets({ direction: launch }, params, setting),
      draw: () => element.draw(params, setting).map((mark) => turnedMark(mark, direction)),
      kit: () => element.kit(params),
      cautions: () => element.cautions(params),
    };
  });
}

function turnedMark(mark: Mark, direction: number): Mark {
  switch (mark.type) {
    case 'ball':
    case 'hole':
    case 'tee':
    case 'midpoint':
    case 'aim':
      return { ...mark, at: turned(mark.at, direction) };
    case 'line':
      return { ...mark, from: turned(mark.from, direction), to: turned(mark.to, direction) };
    case 'wedge':
      return { ...mark, from: turned(mark.from, direction), direction: mark.direction + direction };
    case 'curve':
      return { ...mark, points: mark.points.map((point) => turned(point, direction)) };
    case 'fall':
    case 'dimension':
      return mark;
  }
}

/** What is wrong (errors) or unwise (warnings) in a layout, with the element it lies in. */
export function checkLayout(layout: Layout): (Finding & { element: string })[] {
  return standing(layout).flatMap((element) =>
    element.check().map((finding) => ({ ...finding, element: element.id })),
  );
}

/** An aim nearer to the hole's middle than this is straight, m. */
const NO_BREAK = 0.002;
/** Half of a tier's edge as drawn, m. */
const TIER_DRAWN = 0.3;

/** Whether a putt breaks by more than a tape would show at the hole. */
export const breaks = ({ beside }: Aim): boolean => Math.abs(beside) > NO_BREAK;

/** Where the intended roll is half way to the hole: the spot to look at beside the gate. */
export function midpointOf({ putt }: Layout): Spot {
  const { aim, rollAt } = settingOf(putt);
  const half = rollAt(putt.distance / 2);
  // Every roll that reaches the hole is somewhere half way to it.
  return turned(half!.at, aim.direction);
}

/** Everything to draw for a layout: the putt itself, its make window, and what each element adds. */
export function drawLayout(layout: Layout): Mark[] {
  const { putt } = layout;
  const ball = { along: 0, across: 0 };
  const hole = { along: putt.distance, across: 0 };
  const { aim, left, right } = makeWindow(putt);
  const { direction, beside, cups } = aim;
  const route = routeOf(stretchesOf(putt), { ...ball, speed: aim.startSpeed, direction });
  const level = isLevel(putt);
  const aimed = { along: putt.distance, across: beside };
  const elements = standing(layout);
  return [
    { type: 'wedge', role: 'hole', from: ball, until: putt.distance, direction, left, right },
    { type: 'line', role: 'start', from: ball, to: aimed },
    ...(level
      ? []
      : [
          { type: 'curve' as const, points: routePoints(route, putt.distance + SHOWN_BEYOND) },
          { type: 'fall' as const, ...putt.slope },
        ]),
    ...putt.tiers.map(({ from, slope }) => ({
      type: 'line' as const,
      role: 'tier' as const,
      from: { along: from, across: -TIER_DRAWN },
      to: { along: from, across: TIER_DRAWN },
      label: `${Number((slope.grade * 100).toFixed(1))} %`,
    })),
    ...(breaks(aim)
      ? [
          { type: 'aim' as const, at: aimed, beside, cups, direction },
          { type: 'midpoint' as const, at: midpointOf(layout) },
        ]
      : []),
    ...(route.rest && level
      ? [
          {
            type: 'line' as const,
            role: 'past' as const,
            from: { along: route.rest.along, across: -HOLE_RADIUS },
            to: { along: route.rest.along, across: HOLE_RADIUS },
          },
        ]
      : []),
    { type: 'hole', at: hole, radius: HOLE_RADIUS },
    {
      type: 'dimension',
      from: 0,
      to: putt.distance,
      metres: putt.distance,
      kind: 'putt',
      row: 0,
    },
    ...partDimensions(elements, putt.distance, direction),
    ...elements.flatMap((element) => element.draw()),
  ];
}

/** How far beyond the hole a curve is drawn, m: it would lead far aside to where the ball would rest. */
const SHOWN_BEYOND = 0.15;

/** The dimension string from the ball by way of each element to the hole, taped along the start line. */
function partDimensions(elements: Standing[], until: number, direction: number): Mark[] {
  const middles = elements.flatMap((element) => {
    const tees = element.places().filter(({ label }) => label !== undefined);
    if (tees.length === 0) return [];
    const mean = (pick: (spot: Spot) => number) =>
      tees.reduce((total, { at }) => total + pick(at), 0) / tees.length;
    return [
      { drawn: mean(({ along }) => along), taped: mean((at) => turned(at, -direction).along) },
    ];
  });
  const stops = [
    { drawn: 0, taped: 0 },
    ...middles.sort((a, b) => a.taped - b.taped),
    { drawn: until, taped: until },
  ];
  return stops.slice(1).map((to, index) => {
    const from = stops[index]!;
    return {
      type: 'dimension',
      from: from.drawn,
      to: to.drawn,
      metres: to.taped - from.taped,
      kind: 'along',
      row: 1,
    };
  });
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

/** A judge of putts on a layout: whether one did what every element asks. */
export function judge(layout: Layout): (outcomes: Outcomes) => boolean {
  const asking = standing(layout)
    .map((element) => ({ id: element.id, outcomes: element.outcomes() }))
    .filter(({ outcomes }) => outcomes.length > 0);
  return (happened) =>
    asking.every(
      ({ id, outcomes }) => outcomes.find((one) => one.id === happened[id])?.passes === true,
    );
}
