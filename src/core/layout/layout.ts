import { z } from 'zod';
import { BALL_DIAMETER, FLAT, puttSchema, refuseTooFirm, type Slope } from '@/core/green';
import type {
  Check,
  Direct,
  Element,
  Evidence,
  Finding,
  Gate,
  Grip,
  Harder,
  KitItem,
  Launch,
  Mark,
  Measure,
  Outcome,
  Place,
  Pointing,
  Read as ElementRead,
  Spot,
  StrokePoint,
  Tolerance,
  Traits,
} from './element';
import { normalQuantile } from '@/core/numbers';
import { fittingSchema, STANDARD_FITTING, KIT, type Fitting, type KitId } from '@/core/people';
import { conflicts } from './conflicts';
import { ELEMENTS, type ElementKind } from './register';
import { settingOf, type Setting } from './setting';
import { turned } from './spot';

type Elements = typeof ELEMENTS;
type ParamsOf<Kind extends ElementKind> =
  Elements[Kind] extends Element<infer Params> ? Params : never;

/** One element of a layout with its numbers, and what was measured once it stood, m. */
export type Piece = {
  [Kind in ElementKind]: {
    id: string;
    kind: Kind;
    params: ParamsOf<Kind>;
    built?: Record<string, number>;
    /** How far off what was measured otherwise than by a tape is, one standard deviation, m. */
    builtOff?: Record<string, number>;
  };
}[ElementKind];

const pieces = Object.values(ELEMENTS).map((element) =>
  z.object({
    id: z.string().min(1).max(40),
    kind: z.literal(element.kind),
    params: element.schema,
    built: z.record(z.string().max(20), z.number()).optional(),
    builtOff: z.record(z.string().max(20), z.number().positive().max(0.1)).optional(),
  }),
);

// The register's kinds and the schemas of their parameters, paired as the type says.
const pieceSchema = z.discriminatedUnion('kind', pieces as never) as unknown as z.ZodType<Piece>;

/** What counts as a pass: all that is logged, or only the gates, the hole, or where it came to rest. */
export const COUNTS = ['all', 'gate', 'hole', 'zone'] as const;
export type Counts = (typeof COUNTS)[number];

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
    /** Whom it is set for. */
    player: fittingSchema.default(STANDARD_FITTING),
    read: readSchema.optional(),
    counts: z.enum(COUNTS).default('all'),
    elements: z.array(pieceSchema).min(1).max(40),
  })
  .refine(({ elements }) => new Set(elements.map(({ id }) => id)).size === elements.length, {
    message: 'Two elements have the same id.',
    path: ['elements'],
  });

export type Layout = z.infer<typeof layoutSchema>;

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
  refuseTooFirm(moved.putt);
  return moved;
}

/**
 * A layout on a level floor of another speed: a carpet at home.
 *
 * @param greenSpeed m
 * @throws RangeError when nothing rolls as the drill asks there
 */
export function onCarpet(layout: Layout, greenSpeed: number): Layout {
  const { read: _elsewhere, ...rest } = layout;
  const putt = { ...layout.putt, greenSpeed, slope: FLAT, tiers: [] };
  refuseTooFirm(putt);
  return { ...rest, putt };
}

/** What happened at each element on one putt: element id → outcome id. */
export const outcomesSchema = z.record(z.string().max(40), z.string().max(40));
export type Outcomes = z.infer<typeof outcomesSchema>;

/** Where on a picture it was pointed at: element id → spot, as its pointing has it. */
export const pointsSchema = z.record(
  z.string().max(40),
  z.object({ along: z.number().min(-60).max(60), across: z.number().min(-60).max(60) }),
);
export type Points = z.infer<typeof pointsSchema>;

/** An element with its own numbers filled in, so that callers need not know its kind. */
export interface Standing {
  id: string;
  kind: ElementKind;
  name: string;
  trains: Element<unknown>['trains'];
  traits: Traits;
  /** What is asked where it is logged. */
  asks: string;
  stops: ReturnType<NonNullable<Element<unknown>['stops']>>;
  gate: Gate | null;
  /** What of a stroke goes through, where it is drawn. */
  region(): StrokePoint[] | null;
  check(): Finding[];
  places(): Place[];
  checks(): Check[];
  tolerance(): Tolerance | null;
  outcomes(): Outcome[];
  /** What an outcome says of quantities that no gate tests. */
  reads(outcome: string): ElementRead[];
  evidence(outcome: string): Evidence[];
  /** How far back a stroke goes that does what it asks, m; null where it asks for no length. */
  backstroke: number | null;
  /** The miss that it looks for: all of its outcomes that do not pass are one; null where it looks for none. */
  looksFor: string | null;
  /** The same, did it stand with other numbers. */
  evidenceAs(outcome: string, params: Piece['params']): Evidence[];
  /** What can be pointed at for it, spots on the green or on the face; null when nothing can. */
  pointing: {
    on: Pointing<unknown>['on'];
    middle: Spot | null;
    outcome(spot: Spot): string;
    /** Whether a spot can have been pointed at when this happened. */
    allows(outcome: string, spot: Spot): boolean;
    says(spot: Spot): Direct[];
    /** What it says of quantities that no gate tests. */
    reads(spot: Spot): ElementRead[];
    within: Spot;
    spotOf(launch: Launch): Spot;
  } | null;
  meets(launch: Launch): string | null;
  draw(): Mark[];
  /** What can be taken hold of, on the green; moved to a spot there it gives new numbers. */
  grips(): (Omit<Grip<Piece['params']>, 'move'> & { move(to: Spot): Piece['params'] })[];
  measures(): Measure<Piece['params']>[];
  harder(): Harder<Piece['params']>[];
  checklist(): string[];
  kit(): KitItem[];
  cautions(): string[];
}

/** The element of a piece; the schema has paired each kind with its own parameters. */
export const elementOf = (kind: ElementKind): Element<Piece['params']> =>
  ELEMENTS[kind] as unknown as Element<Piece['params']>;

/** What the program goes by of a kind. */
export const traitsOf = (kind: ElementKind): Traits => elementOf(kind).traits ?? {};

/** The first element of a layout that counts as the hole, or as where the ball comes to rest. */
export const counting = ({ elements }: Layout, as: 'hole' | 'zone'): Piece | undefined =>
  elements.find(({ kind }) => traitsOf(kind).counts === as);

/** The numbers of a piece as it stands: as measured where it was measured. */
function standingParams({ kind, params, built = {} }: Piece, setting: Setting): Piece['params'] {
  const element = elementOf(kind);
  let standing = params;
  for (const [name, metres] of Object.entries(built)) {
    const measure = element.measures?.(standing, setting).find((one) => one.name === name);
    if (measure) standing = measure.as(metres);
  }
  return standing;
}

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/**
 * The elements of a layout, each bound to its numbers, its putt and its player, with the tees lettered in order.
 *
 * @param layout a layout that its schema accepts
 */
export function standing(layout: Layout): Standing[] {
  const setting = settingOf(layout.putt, layout.player);
  const { direction } = setting.aim;
  const onGreen = <T extends { at: Spot | null }>(things: T[]): T[] =>
    things.map((thing) => (thing.at ? { ...thing, at: turned(thing.at, direction) } : thing));
  let lettered = 0;
  return layout.elements.map((piece) => {
    const { id, kind } = piece;
    const element = elementOf(kind);
    const params = standingParams(piece, setting);
    const letters = new Map<string, string>();
    for (const place of element.places(params, setting)) {
      if (place.tee) letters.set(place.id, LETTERS[lettered++ % LETTERS.length]!);
    }
    return {
      id,
      kind,
      name: element.name,
      trains: element.trains,
      traits: element.traits ?? {},
      asks: element.asks?.(params) ?? element.name,
      stops: element.stops?.(params) ?? null,
      gate: element.gate?.(params) ?? null,
      region: () => element.region?.(params, setting) ?? null,
      check: () => element.check(params, setting),
      places: () =>
        onGreen(element.places(params, setting)).map((place) =>
          place.tee ? { ...place, label: letters.get(place.id) } : place,
        ),
      checks: () => element.checks?.(params, setting) ?? [],
      tolerance: () => element.tolerance(params, setting),
      outcomes: () =>
        onGreen(element.outcomes(params, setting)).map((outcome) =>
          outcome.tee ? { ...outcome, detail: `tee ${letters.get(outcome.tee)}` } : outcome,
        ),
      evidence: (outcome) => element.evidence(outcome, params, setting),
      backstroke: element.backstroke?.(params) ?? null,
      looksFor: element.looksFor?.(params) ?? null,
      reads: (outcome) => element.reads?.(outcome, params, setting) ?? [],
      evidenceAs: (outcome, other) => element.evidence(outcome, other, setting),
      pointing: pointingOf(element.pointing, params, setting),
      meets: (launch) => element.meets(launch, params, setting),
      draw: () =>
        element.draw(params, setting).map((mark) => {
          const onTheGreen = turnedMark(mark, direction);
          return onTheGreen.type === 'tee'
            ? {
                ...onTheGreen,
                label: letters.get(onTheGreen.id) ?? '',
                id: `${id}/${onTheGreen.id}`,
              }
            : onTheGreen;
        }),
      grips: () =>
        onGreen(element.grips?.(params, setting) ?? []).map((grip) => ({
          ...grip,
          move: (to: Spot) => grip.move(turned(to, -direction)),
        })),
      measures: () => element.measures?.(params, setting) ?? [],
      harder: () => element.harder?.(params, setting) ?? [],
      checklist: () => element.checklist?.(params, setting) ?? [],
      kit: () => element.kit(params),
      cautions: () => element.cautions(params),
    };
  });
}

/** How far off a stand really is, as one standard deviation, m: set by the plan, or measured with a tape once it stood. */
const OFF = {
  opening: { planned: 0.0015, measured: 0.0005 },
  along: { planned: 0.01, measured: 0.002 },
} as const;

/**
 * How large a change of the start line has to be to show through gates whose gap was not measured: two set-ups of the narrowest
 * one differ by √2 · 1.5 mm of its air, and a change is told where it is 1.28 of that (90 %).
 *
 * @param layout as it stands
 * @returns a share of the window, 0 to 1; null where every gap was measured, or there is no gate
 * @example hiddenByGap(gate of 67 mm) // 0.106: air of 24.3 mm
 */
export function hiddenByGap(layout: Layout): number | null {
  const airs = standing(layout).flatMap((element) => {
    const { built = {} } = layout.elements.find(({ id }) => id === element.id)!;
    if (element.tolerance()?.quantity !== 'start') return [];
    return element
      .measures()
      .filter(({ name, decides }) => name === 'gap' && decides === 'opening' && !(name in built))
      .map(({ metres }) => metres - BALL_DIAMETER);
  });
  if (airs.length === 0) return null;
  return (
    1 - Math.exp((-normalQuantile(0.9) * Math.SQRT2 * OFF.opening.planned) / Math.min(...airs))
  );
}

/**
 * An element as it may really stand: each of the measures that decide what it lets through off by one standard deviation,
 * wider, one at a time.
 *
 * @param element as it is thought to stand
 * @param piece with what was measured of it
 */
export function measuredOff(
  { measures, evidenceAs }: Standing,
  { built = {}, builtOff = {} }: Piece,
): { evidence(outcome: string): Evidence[] }[] {
  return measures().flatMap(({ name, metres, decides, as }) => {
    if (!decides) return [];
    const off = builtOff[name] ?? OFF[decides][name in built ? 'measured' : 'planned'];
    const params = as(metres + (decides === 'opening' ? off : -off));
    return [{ evidence: (outcome: string) => evidenceAs(outcome, params) }];
  });
}

/**
 * Whether all that decides what an element lets through was measured once it stood, and better than it was set; true where
 * nothing does.
 */
export const isMeasured = ({ measures }: Standing, { built = {}, builtOff = {} }: Piece): boolean =>
  measures().every(
    ({ name, decides }) =>
      decides !== 'opening' || (name in built && (builtOff[name] ?? 0) < OFF.opening.planned),
  );

/** Elements reckon along the start line; what is pointed at on the green is turned to it. */
function pointingOf<Params>(
  pointing: Pointing<Params> | undefined,
  params: Params,
  setting: Setting,
): Standing['pointing'] {
  if (!pointing || pointing.shown?.(params) === false) return null;
  const { on } = pointing;
  const own = (spot: Spot) => (on === 'green' ? turned(spot, -setting.aim.direction) : spot);
  return {
    on,
    middle: pointing.middle?.(params) ?? null,
    outcome: (spot) => pointing.outcome(own(spot), params, setting),
    allows: (outcome, spot) =>
      pointing.also?.includes(outcome) || pointing.outcome(own(spot), params, setting) === outcome,
    within: pointing.within(params, setting),
    says: (spot) => pointing.says(own(spot), params, setting),
    reads: (spot) => pointing.reads?.(own(spot), params, setting) ?? [],
    spotOf: (launch) => {
      const spot = pointing.spotOf(launch, setting);
      return on === 'green' ? turned(spot, setting.aim.direction) : spot;
    },
  };
}

function turnedMark(mark: Mark, direction: number): Mark {
  switch (mark.type) {
    case 'ball':
    case 'hole':
    case 'tee':
    case 'peg':
    case 'coin':
    case 'head':
    case 'midpoint':
    case 'tally':
    case 'aim':
      return { ...mark, at: turned(mark.at, direction) };
    case 'line':
    case 'rod':
      return { ...mark, from: turned(mark.from, direction), to: turned(mark.to, direction) };
    case 'wedge':
      return { ...mark, from: turned(mark.from, direction), direction: mark.direction + direction };
    case 'curve':
      return { ...mark, points: mark.points.map((point) => turned(point, direction)) };
    case 'fall':
    case 'zone':
    case 'dimension':
      return mark;
  }
}

/** A finding, with the element it lies in. */
export type LayoutFinding = Finding & { element: string };

/** What is wrong (errors) or unwise (warnings) in a layout, within its elements and between them. */
export function checkLayout(layout: Layout): LayoutFinding[] {
  const elements = standing(layout);
  return [
    ...elements.flatMap((element) =>
      element.check().map((found) => ({ ...found, element: element.id })),
    ),
    ...conflicts(elements, settingOf(layout.putt, layout.player)),
  ];
}

/** A layout set for another player. */
export const fitted = (layout: Layout, player: Fitting): Layout => ({ ...layout, player });

/** Kit for a layout: equal things counted together. */
export function layoutKit(layout: Layout): { item: KitId; name: string; count: number }[] {
  const counts = new Map<KitId, number>();
  for (const { item, count } of standing(layout).flatMap((element) => element.kit())) {
    counts.set(item, (counts.get(item) ?? 0) + count);
  }
  return [...counts].map(([item, count]) => ({
    item,
    name: count === 1 ? KIT[item].one : KIT[item].many,
    count,
  }));
}

/** What must be so before the first putt, where there is nothing to measure. */
export const layoutChecklist = (layout: Layout): string[] => [
  ...new Set(standing(layout).flatMap((element) => element.checklist())),
];

/** Cautions for a layout, each once. */
export function layoutCautions(layout: Layout): string[] {
  return [...new Set(standing(layout).flatMap((element) => element.cautions()))];
}
