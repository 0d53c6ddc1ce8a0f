import {
  loggedElements,
  type Layout,
  type Outcome,
  type Outcomes,
  type Points,
} from '@/core/layout';
import type { Guess } from '@/core/drill';
import { roughLength, type UnitPreferences } from '@/core/units';

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

/** What happened on one putt: "Clear; Short, 45 cm short; guessed In the zone". */
export function puttWords(
  layout: Layout,
  putt: { outcomes: Outcomes; points: Points; guess: Guess | null },
  units: UnitPreferences,
): string {
  const { primary, others } = loggedElements(layout);
  const said = [...(primary ? [primary] : []), ...others].flatMap((element) => {
    const outcome = element.outcomes().find(({ id }) => id === putt.outcomes[element.id]);
    if (!outcome) return [];
    const spot = putt.points[element.id];
    const read = spot && element.pointing?.says(spot)[0];
    if (read?.quantity === 'pace') {
      const far = roughLength(Math.abs(read.value), units);
      return `${outcome.label}, ${far} ${read.value < 0 ? 'short' : 'past'}`;
    }
    if (read?.quantity === 'strike') {
      const off = Math.abs(read.value) * 1000;
      return off < 0.5
        ? outcome.label
        : `${outcome.label}, ${off.toFixed(0)} mm to the ${(layout.player.hand === 'right') === read.value < 0 ? 'toe' : 'heel'}`;
    }
    const where = outcome.passes || !outcome.tee ? '' : `, ${outcome.detail}`;
    return `${outcome.label}${where}`;
  });
  const guessed = primary?.outcomes().find(({ id }) => id === putt.guess?.outcomes[primary.id]);
  return [...said, ...(guessed ? [`guessed ${guessed.label.toLowerCase()}`] : [])].join('; ');
}
