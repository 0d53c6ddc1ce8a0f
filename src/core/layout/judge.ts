import type { End } from './element';
import { standing, type Layout, type Outcomes, type Points, type Standing } from './layout';

const named = (element: Standing): string => element.name.toLowerCase();

/**
 * Checks what was logged against the layout: what is named is there and can happen, something was seen, and all of it can
 * be true of one putt. What nobody saw is left out.
 *
 * @param otherwise something else is known of it: an instrument read it
 * @returns a sentence saying what is wrong, or null
 */
export function outcomesProblem(
  layout: Layout,
  outcomes: Outcomes,
  otherwise = false,
): string | null {
  const elements = standing(layout);
  const logged = elements.filter((element) => element.outcomes().length > 0);
  for (const [id, outcome] of Object.entries(outcomes)) {
    const element = elements.find((one) => one.id === id);
    if (!element) return `This layout has no element “${id}”.`;
    const allowed = element.outcomes().map((one) => one.id);
    if (!allowed.includes(outcome)) {
      return `“${outcome}” cannot happen at the ${named(element)}. ${allowed.length > 0 ? `Choose from: ${allowed.join(', ')}` : 'Nothing is logged there'}.`;
    }
  }
  if (logged.length > 0 && !otherwise && Object.keys(outcomes).length === 0) {
    return `Nothing was logged for this putt. Say what happened at the ${logged.map(named).join(' or the ')}.`;
  }
  return contradiction(logged, outcomes);
}

/** Two things that cannot be true of one putt: holed and short of the zone. */
function contradiction(elements: Standing[], outcomes: Outcomes): string | null {
  let can: readonly End[] = ['holed', 'short', 'past'];
  const said: string[] = [];
  for (const element of elements) {
    const outcome = element.outcomes().find(({ id }) => id === outcomes[element.id]);
    if (!outcome?.ends) continue;
    said.push(`“${outcome.label}” at the ${named(element)}`);
    can = can.filter((end) => outcome.ends!.includes(end));
    if (can.length === 0) return `${said.join(' and ')} cannot both be true of one putt.`;
  }
  return null;
}

/**
 * Checks what was pointed at against the layout and against what was logged there.
 *
 * @param layout where the putt was made, or as it stands
 * @param outcomes what was logged
 * @param points what was pointed at
 * @param placeKnown whether that is where the putt was made
 * @returns a sentence saying what is wrong, or null
 */
export function pointsProblem(
  layout: Layout,
  outcomes: Outcomes,
  points: Points,
  placeKnown = true,
): string | null {
  const elements = standing(layout);
  for (const [id, spot] of Object.entries(points)) {
    const element = elements.find((one) => one.id === id);
    if (!element?.pointing) return `This layout has no picture to point at for “${id}”.`;
    // A spot on the green is told from the ball: without its place it can be compared with nothing.
    if (element.pointing.on === 'green' && !placeKnown) continue;
    const { within, allows, outcome } = element.pointing;
    const far = (['along', 'across'] as const).find((way) => Math.abs(spot[way]) > within[way]);
    if (far && element.pointing.on === 'clock') {
      return `${spot[far].toFixed(0)} s is too long for the ${named(element)}: use ${within[far]} s or less.`;
    }
    // On the green the reach is counted from the hole, which lies no farther from the ball than it.
    if (far) {
      return `${(1000 * Math.abs(spot[far])).toFixed(0)} mm ${far === 'along' ? 'along' : 'across'} is outside the picture of the ${named(element)}: use ${(1000 * within[far]).toFixed(0)} mm or less.`;
    }
    if (outcomes[id] === undefined || !allows(outcomes[id], spot)) {
      return `The point marked at the ${named(element)} means “${outcome(spot)}”, but ${id in outcomes ? `“${outcomes[id]}”` : 'nothing'} was logged.`;
    }
  }
  return null;
}

/** Which elements count towards a pass; all that are logged where none is of the kind asked for. */
function countedElements(layout: Layout) {
  const logged = standing(layout)
    .map((element) => ({
      id: element.id,
      counts: element.traits.counts ?? 'gate',
      outcomes: element.outcomes(),
    }))
    .filter(({ outcomes }) => outcomes.length > 0);
  const wanted = logged.filter(({ counts }) => layout.counts === 'all' || layout.counts === counts);
  return wanted.length > 0 ? wanted : logged;
}

/**
 * Returns a function that says whether a putt passed, or null when nothing that counts was seen: such a putt neither passed nor
 * missed. Where several things count, those that nobody saw are left out.
 */
export function judge(layout: Layout): (outcomes: Outcomes) => boolean | null {
  const asking = countedElements(layout);
  return (happened) => {
    const seen = asking.filter(({ id }) => happened[id] !== undefined);
    if (seen.length === 0) return null;
    return seen.every(
      ({ id, outcomes }) => outcomes.find((one) => one.id === happened[id])?.passes === true,
    );
  };
}

/**
 * A putt on which all was as it should be: what passes at every element, so far as it can be true at once.
 *
 * @param layout what it was putted on
 * @param seen what was touched already, and stays
 */
export function allAsIntended(layout: Layout, seen: Outcomes = {}): Outcomes {
  const all: Outcomes = { ...seen };
  for (const element of standing(layout)) {
    // What a player reads is said by nobody else.
    if (all[element.id] !== undefined || element.traits.asksRead) continue;
    const fits = element
      .outcomes()
      .find(
        ({ id, passes }) =>
          passes && outcomesProblem(layout, { ...all, [element.id]: id }) === null,
      );
    if (fits) all[element.id] = fits.id;
  }
  return all;
}
