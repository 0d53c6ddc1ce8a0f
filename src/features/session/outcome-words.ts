import { loggedElements, type Layout, type Outcome, type Outcomes } from '@/core/layout';

/** What happened at the element of the large keys on each putt. */
export function primaryOutcomes(layout: Layout, putts: Outcomes[]): Outcome[] {
  const { primary } = loggedElements(layout);
  if (!primary) return [];
  const outcomes = primary.outcomes();
  return putts.flatMap((putt) => outcomes.filter(({ id }) => id === putt[primary.id]));
}

/** How often each thing happened, element by element: "1 at the left tee, 2 at the right". */
export function outcomeWords(layout: Layout, putts: Outcomes[]): string[] {
  const { primary, others } = loggedElements(layout);
  return [...(primary ? [primary] : []), ...others].map((element) => {
    const count = (outcome: Outcome) =>
      putts.filter((putt) => putt[element.id] === outcome.id).length;
    if (element.kind === 'ballGate' || element.kind === 'holeGate') {
      const [, left, right] = element.outcomes() as [Outcome, Outcome, Outcome];
      return `${count(left)} at the left tee, ${count(right)} at the right`;
    }
    return element
      .outcomes()
      .map((outcome) => ({ outcome, times: count(outcome) }))
      .filter(({ times }) => times > 0)
      .map(({ outcome, times }) => `${times} ${outcome.label.toLowerCase()}`)
      .join(', ');
  });
}

/** The word for a putt that did what counts. */
export const passWord = (layout: Layout): 'clear' | 'holed' | 'passed' =>
  layout.counts === 'hole'
    ? 'holed'
    : loggedElements(layout).others.length === 0 &&
        loggedElements(layout).primary?.outcomes()[0]?.id === 'clear'
      ? 'clear'
      : 'passed';
