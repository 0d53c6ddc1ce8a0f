import { standing, type Layout, type Outcomes, type Points } from './layout';

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

/**
 * Checks what was pointed at against the layout and against what was logged there.
 *
 * @returns a sentence saying what is wrong, or null
 */
export function pointsProblem(layout: Layout, outcomes: Outcomes, points: Points): string | null {
  const elements = standing(layout);
  for (const [id, spot] of Object.entries(points)) {
    const element = elements.find((one) => one.id === id);
    if (!element?.pointing) return `Nothing can be pointed at for “${id}” on this layout.`;
    const says = element.pointing.outcome(spot);
    if (says !== outcomes[id]) {
      return `What was pointed at says “${says}” at the ${element.name.toLowerCase()}, not “${outcomes[id]}”.`;
    }
  }
  return null;
}

/** Which elements count towards a pass; all that are logged where none is of the kind asked for. */
function countedElements(layout: Layout) {
  const logged = standing(layout)
    .map((element) => ({ id: element.id, kind: element.kind, outcomes: element.outcomes() }))
    .filter(({ outcomes }) => outcomes.length > 0);
  const wanted = logged.filter(({ kind }) => {
    switch (layout.counts) {
      case 'all':
        return true;
      case 'hole':
        return kind === 'hole';
      case 'zone':
        return kind === 'paceZone';
      case 'gate':
        return kind !== 'hole' && kind !== 'paceZone';
    }
  });
  return wanted.length > 0 ? wanted : logged;
}

/** A judge of putts on a layout: whether one did what counts. */
export function judge(layout: Layout): (outcomes: Outcomes) => boolean {
  const asking = countedElements(layout);
  return (happened) =>
    asking.every(
      ({ id, outcomes }) => outcomes.find((one) => one.id === happened[id])?.passes === true,
    );
}
