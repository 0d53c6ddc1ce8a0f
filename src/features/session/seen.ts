import {
  loggedElements,
  outcomesProblem,
  standing,
  type Layout,
  type Outcome,
  type Outcomes,
  type Points,
  type Spot,
  type Standing,
} from '@/core/layout';

/** What was seen at one element: what happened, and where on its picture. */
export interface Touched {
  outcome: string;
  spot?: Spot;
}

/** What was seen of the putt that is being logged, element by element; what is not here nobody saw. */
export type Seen = Readonly<Record<string, Touched>>;

/** Elements of a layout by how they are touched, in the order from the ball to the hole. */
export interface TouchParts {
  /** Tees that the head or the ball passes between, each gate by itself. */
  gates: Standing[];
  /** Where the ball came to rest: the zone and the hole share one picture. */
  rest: Standing[];
  /** Where on the face it was struck. */
  face: Standing[];
  /** What has no place on a drawing: keys. */
  keys: Standing[];
}

const hasTees = (element: Standing): boolean => element.outcomes().some(({ tee }) => tee);

const along = (element: Standing): number => {
  const places = element.places();
  return places.reduce((sum, { at }) => sum + at.along, 0) / Math.max(1, places.length);
};

/**
 * The parts of the picture that a drill is logged on.
 *
 * @param layout a layout its schema accepts
 */
export function touchParts(layout: Layout): TouchParts {
  const logged = standing(layout).filter((element) => element.outcomes().length > 0);
  const on = (where: 'green' | 'face') => logged.filter(({ pointing }) => pointing?.on === where);
  const gates = logged.filter(hasTees).sort((a, b) => along(a) - along(b));
  const [rest, face] = [on('green'), on('face')];
  const placed = new Set([...gates, ...rest, ...face]);
  return { gates, rest, face, keys: logged.filter((element) => !placed.has(element)) };
}

/** Two touches nearer than this are one, ms: nobody putts so fast. */
export const ONE_TOUCH = 250;
/** Two touches of the same key nearer than this are one, ms: a double tap. Two that are meant come 0.4 s apart or more. */
export const SAME_KEY = 380;

/** More that can happen than this at one element is touched part by part, not by a key each. */
const MOST_KEYS = 9;

/** Whether a drill asks several things of each putt: then they are gathered before it is logged. */
export function asksSeveral(layout: Layout): boolean {
  const { primary, others } = loggedElements(layout);
  if (others.length > 0) return true;
  return !!primary && !primary.traits.asksRead && primary.outcomes().length > MOST_KEYS;
}

/** The outcomes and spots of what was seen, as a putt has them. */
export const puttOf = (seen: Seen): { outcomes: Outcomes; points: Points } => ({
  outcomes: Object.fromEntries(Object.entries(seen).map(([id, { outcome }]) => [id, outcome])),
  points: Object.fromEntries(
    Object.entries(seen).flatMap(([id, { spot }]) => (spot ? [[id, spot]] : [])),
  ),
});

const teesOf = ({ tees, tee }: Outcome): readonly string[] => tees ?? (tee ? [tee] : []);

const sameTees = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((one) => b.includes(one));

/** The tees of a gate that were seen to be touched. */
export function touchedTees(element: Standing, seen: Seen): readonly string[] {
  const outcome = element.outcomes().find(({ id }) => id === seen[element.id]?.outcome);
  return outcome ? teesOf(outcome) : [];
}

/**
 * A tee touched: it joins those of its gate that were touched before where that can happen, and is taken back when it was
 * one of them.
 */
export function touchTee(layout: Layout, seen: Seen, element: Standing, tee: string): Seen {
  const before = touchedTees(element, seen);
  const wanted = before.includes(tee) ? before.filter((one) => one !== tee) : [...before, tee];
  if (wanted.length === 0) return without(seen, element.id);
  const outcomes = element.outcomes();
  const found =
    outcomes.find((outcome) => sameTees(teesOf(outcome), wanted)) ??
    outcomes.find((outcome) => sameTees(teesOf(outcome), [tee]));
  return found
    ? settled(layout, { ...seen, [element.id]: { outcome: found.id } }, element.id)
    : seen;
}

/** An outcome chosen by its key: chosen again it is taken back. */
export function touchOutcome(
  layout: Layout,
  seen: Seen,
  { id }: Pick<Standing, 'id'>,
  outcome: string,
): Seen {
  const now = seen[id];
  if (now?.outcome === outcome && !now.spot) return without(seen, id);
  // How long it took is true of whatever happened.
  const timed =
    now?.spot && standing(layout).find((one) => one.id === id)?.pointing?.on === 'clock';
  return settled(layout, { ...seen, [id]: { outcome, ...(timed && { spot: now.spot }) } }, id);
}

/** How near to the middle of the hole a touch means that it went in, m. */
const IN_THE_HOLE = 0.075;

/**
 * A spot touched on a picture. On the green it tells all elements that ask where the ball lies; in the hole it lies nowhere,
 * and was holed.
 */
export function pointAt(layout: Layout, seen: Seen, element: Standing, spot: Spot): Seen {
  if (element.pointing?.on !== 'green') {
    return { ...seen, [element.id]: { outcome: element.pointing!.outcome(spot), spot } };
  }
  const rest = touchParts(layout).rest;
  const fromHole = Math.hypot(spot.along - layout.putt.distance, spot.across);
  if (fromHole < IN_THE_HOLE) {
    return rest.reduce((all, one) => {
      const holed = one.outcomes().find(({ ends }) => ends?.includes('holed'));
      return holed ? { ...all, [one.id]: { outcome: holed.id } } : without(all, one.id);
    }, seen);
  }
  return rest.reduce<Seen>(
    (all, one) => ({ ...all, [one.id]: { outcome: one.pointing!.outcome(spot), spot } }),
    seen,
  );
}

export function without(seen: Seen, id: string): Seen {
  const { [id]: _gone, ...left } = seen;
  return left;
}

/**
 * What was seen, with what it leaves no doubt of: where only one thing can be true beside what was just touched, that is
 * taken too, and what contradicts it is taken back.
 */
function settled(layout: Layout, seen: Seen, touched: string): Seen {
  let now = seen;
  const told = (some: Seen) => puttOf(some).outcomes;
  for (const element of touchParts(layout).rest) {
    if (element.id === touched) continue;
    const can = element.outcomes().filter(
      ({ id }) =>
        outcomesProblem(layout, {
          ...told({ [touched]: now[touched]! }),
          [element.id]: id,
        }) === null,
    );
    const known = now[element.id];
    if (known && !can.some(({ id }) => id === known.outcome)) now = without(now, element.id);
    if (!now[element.id] && can.length === 1) {
      now = { ...now, [element.id]: { outcome: can[0]!.id } };
    }
  }
  return now;
}
