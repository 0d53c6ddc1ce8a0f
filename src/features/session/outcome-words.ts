import type { Translate } from '@/words/translate';
import {
  judge,
  loggedElements,
  standing,
  type Layout,
  type Outcome,
  type Outcomes,
  type Points,
} from '@/core/layout';
import type { Guess } from '@/core/drill';
import { roughLength, type UnitPreferences } from '@/core/units';

/** One putt in a strip: whether it passed as a whole, to which side it missed, and what happened at each part. */
export interface StripMark {
  passes: boolean;
  side: Outcome['side'];
  label: string;
}

/** Returns the marks for a strip of putts. Putts of which nothing that counts was seen are left out. */
export function stripMarks(layout: Layout, putts: readonly Outcomes[]): StripMark[] {
  const passes = judge(layout);
  const { primary, others } = loggedElements(layout);
  const elements = [...(primary ? [primary] : []), ...others];
  return putts.flatMap((putt) => {
    const passed = passes(putt);
    if (passed === null) return [];
    const parts = elements.flatMap((element) =>
      element.outcomes().filter(({ id }) => id === putt[element.id]),
    );
    const missed = passed
      ? undefined
      : parts.find(({ passes: one, side }) => !one && side !== 'middle');
    return [
      {
        passes: passed,
        side: missed?.side ?? 'middle',
        label: parts.map(({ label }) => label).join('; '),
      },
    ];
  });
}

/** How often each thing happened, element by element: "1 at the left tee, 2 at the right". */
export function outcomeWords(t: Translate, layout: Layout, putts: Outcomes[]): string[] {
  const { primary, others } = loggedElements(layout);
  const gates = standing(layout).filter(({ traits }) => traits.twoTees);
  const words = [...(primary ? [primary] : []), ...others].map((element) => {
    const count = (outcome: Outcome) =>
      putts.filter((putt) => putt[element.id] === outcome.id).length;
    if (element.traits.twoTees) {
      const [, left, right, ...rest] = element.outcomes() as [Outcome, Outcome, Outcome];
      const tees =
        gates.length > 1
          ? t('session.outcomeWords.hitHit', {
              left: count(left),
              detail: left.detail,
              right: count(right),
              detail2: right.detail,
            })
          : t('session.outcomeWords.hitTheLeftTeeHit', { left: count(left), right: count(right) });
      const more = rest.filter((one: Outcome) => count(one) > 0);
      return [tees, ...more.map((one: Outcome) => `${count(one)} ${one.label.toLowerCase()}`)].join(
        ', ',
      );
    }
    return element
      .outcomes()
      .map((outcome) => ({ outcome, times: count(outcome) }))
      .filter(({ times }) => times > 0)
      .map(({ outcome, times }) => `${times} ${outcome.label.toLowerCase()}`)
      .join(', ');
  });
  return words.filter((said) => said !== '');
}

/**
 * The same after how many passed: ", 4 at the left tee, 2 at the right", without saying that again; empty where there is no more.
 *
 * @param passed of them
 */
export function otherOutcomes(
  t: Translate,
  layout: Layout,
  putts: Outcomes[],
  passed: number,
): string {
  const said = outcomeWords(t, layout, putts).join('; ');
  const again = `${passed} ${passWord(layout)}`;
  const rest = said.startsWith(again) ? said.slice(again.length).replace(/^[,;] /, '') : said;
  return rest === '' ? '' : `, ${rest}`;
}

/** The word for a putt that did what counts. */
export const passWord = (layout: Layout): 'through' | 'holed' | 'passed' =>
  layout.counts === 'hole'
    ? 'holed'
    : loggedElements(layout).others.length === 0 &&
        loggedElements(layout).primary?.outcomes()[0]?.id === 'clear'
      ? 'through'
      : 'passed';

/** What happened on one putt: "Clear; Short, 45 cm short; guessed In the zone". */
export function puttWords(
  t: Translate,
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
      const told = /^(Short|Long|Past)/.test(outcome.label);
      return `${outcome.label}, ${far}${told && !/^Long/.test(outcome.label) ? '' : read.value < 0 ? ' short' : ' past'}`;
    }
    if (read?.quantity === 'strike') {
      const off = Math.abs(read.value) * 1000;
      return off < 0.5
        ? outcome.label
        : t('session.outcomeWords.mmTowardsTheToe', {
            outcome: outcome.label,
            off: off.toFixed(0),
            hand: String((layout.player.hand === 'right') === read.value < 0),
          });
    }
    if (spot && element.pointing?.on === 'clock')
      return `${outcome.label}, ${spot.along.toFixed(1)} s`;
    const where = outcome.passes || !outcome.tee ? '' : `, ${outcome.detail}`;
    return `${outcome.label}${where}`;
  });
  const guessed = primary?.outcomes().find(({ id }) => id === putt.guess?.outcomes[primary.id]);
  return [...said, ...(guessed ? [`guessed ${guessed.label.toLowerCase()}`] : [])].join('; ');
}
