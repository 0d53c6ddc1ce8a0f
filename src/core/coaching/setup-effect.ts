import { showChance, type UnitPreferences } from '@/core/units';
import { changeBetween, logWindow, type Change, type SessionScore } from '@/core/scoring';
import { quantityOf } from '@/core/quantity';
import { stepBesideTrend } from './step-or-trend';
import { cardChanges, filledOn, type Card, type CardChange } from '@/core/setup';

/** The card of one session. */
export interface DatedCard {
  at: Date;
  card: Card;
}

/** A day on which something of the set-up changed. */
export interface SetupChange {
  at: Date;
  changes: CardChange[];
}

/**
 * The days on which something changed, in order of time. What nobody looked at again is taken to be as it was.
 *
 * @param cards in any order
 */
export function setupChanges(cards: readonly DatedCard[], units: UnitPreferences): SetupChange[] {
  const [first, ...rest] = [...cards].sort((a, b) => a.at.getTime() - b.at.getTime());
  if (!first) return [];
  let before = first.card;
  return rest.flatMap(({ at, card }): SetupChange[] => {
    const changes = cardChanges(before, card, units);
    before = filledOn(before, card);
    return changes.length > 0 ? [{ at, changes }] : [];
  });
}

/** As many putts of a skill as are compared on either side at most: older ones are of another player. */
const PUTTS = 150;
/** Fewer putts than this on a side say nothing of a change. */
const ENOUGH = 20;

/** What a skill was before a change and is since. */
export interface SkillEffect {
  skill: string;
  change: Change;
  /** How likely the window is smaller by the change itself, once the trend that was there anyway is taken out. */
  better: number;
}

/** A change of the set-up with what went along with it. */
export interface SetupEffect extends SetupChange {
  /** What else changed between the putts that are compared. */
  meanwhile: SetupChange[];
  /** Skills of which there are enough putts on either side. */
  effects: SkillEffect[];
}

/** The sessions next to a day that hold enough putts of a skill, counted from that day. */
function nearest(scores: readonly SessionScore[], skill: string): SessionScore[] {
  let putts = 0;
  return scores.filter(({ basis }) => {
    const own = basis[skill] ?? 0;
    if (own === 0 || putts >= PUTTS) return false;
    putts += own;
    return true;
  });
}

const puttsOf = (scores: readonly SessionScore[], skill: string): number =>
  scores.reduce((sum, { basis }) => sum + (basis[skill] ?? 0), 0);

const DAY = 86_400_000;

/**
 * Compares before with after, for each change and skill: the putts with the old setting with those with the new, from the last
 * change of the same thing to the next. The step at the change is separated from the trend of those sessions, since a player who
 * improves anyway would prove every new grip. Whatever else changed meanwhile is named.
 *
 * @param changes by {@link setupChanges}
 * @param scores in order of time
 * @param skills of which to tell
 * @param faceShare how much of the start direction is the face's
 */
export const effectsOf = (
  changes: readonly SetupChange[],
  scores: readonly SessionScore[],
  skills: readonly string[],
  faceShare: number,
): SetupEffect[] =>
  changes.map((one, i) => {
    const ids = one.changes.map(({ id }) => id);
    const same = (other: SetupChange) => other.changes.some(({ id }) => ids.includes(id));
    const since = changes.slice(0, i).findLast(same)?.at.getTime() ?? -Infinity;
    const until =
      changes
        .slice(i + 1)
        .find(same)
        ?.at.getTime() ?? Infinity;
    const at = one.at.getTime();
    const around = scores
      .map((score) => ({ score, time: score.at.getTime() }))
      .filter(({ time }) => time >= since && time < until);
    const before = around.flatMap(({ score, time }) => (time < at ? [score] : [])).reverse();
    const after = around.flatMap(({ score, time }) => (time < at ? [] : [score]));
    const effects = skills.flatMap((skill): SkillEffect[] => {
      const sides = [nearest(before, skill).reverse(), nearest(after, skill)] as const;
      if (sides.some((side) => puttsOf(side, skill) < ENOUGH)) return [];
      const sessions = around
        .map(({ score, time }) => ({
          ...logWindow(score.belief.alone, skill, faceShare),
          day: (time - at) / DAY,
        }))
        .filter(({ variance }) => variance < Infinity);
      const { down } = stepBesideTrend(sessions);
      return [{ skill, change: changeBetween(...sides, skill, faceShare), better: down }];
    });
    const times = around.flatMap(({ score, time }) =>
      skills.some((skill) => (score.basis[skill] ?? 0) > 0) ? [time] : [],
    );
    const [first, last] = [times[0] ?? at, times.at(-1) ?? at];
    const meanwhile = changes.filter(
      (other) => other !== one && other.at.getTime() > first && other.at.getTime() <= last,
    );
    return { ...one, effects, meanwhile };
  });

/** What a change is called: "claw", "eyes 20 mm inside". */
export const changeName = ({ id, name, to }: CardChange): string =>
  id === 'grip' || id === 'putter' ? to : `${name.toLowerCase()} ${to}`;

/** How sure one must be that a change did something to say so. */
const SURE = 0.95;

/** What can be said of a change: it made the window smaller, or wider; it may be practice as well; or nothing. */
const verdictOf = ({ change, better }: SkillEffect): 'better' | 'worse' | 'either' | 'unclear' => {
  if (better >= SURE) return 'better';
  if (better <= 1 - SURE) return 'worse';
  return Math.max(change.smaller, 1 - change.smaller) >= SURE ? 'either' : 'unclear';
};

/**
 * Says whether a change worked: "start line window ×0.82: better (96 % sure, 120 putts before, 80 since)". Where the window has changed and a trend may be the
 * reason, the words say so, and how to find out.
 *
 * @param effects of one change
 * @returns one line a skill that has clearly changed, and one for those that have not
 */
export function effectWords(effects: readonly SkillEffect[]): string[] {
  const name = (skill: string) => quantityOf(skill).name.toLowerCase();
  const lines = effects.flatMap((effect): string[] => {
    const { skill, change, better } = effect;
    const verdict = verdictOf(effect);
    if (verdict === 'unclear') return [];
    const window = `${name(skill)} window ×${change.ratio.middle.toFixed(2)}`;
    const putts = `(${change.then.putts} putts before, ${change.now.putts} since)`;
    if (verdict === 'either')
      return [
        `${window} ${putts}, but practice may be the reason. To find out, use the old set-up again for two sessions, then the new one`,
      ];
    return [
      `${window}: ${verdict} (${showChance(Math.max(better, 1 - better))} sure, ${change.then.putts} putts before, ${change.now.putts} since)`,
    ];
  });
  const unclear = effects.filter((one) => verdictOf(one) === 'unclear');
  if (unclear.length === 0) return lines;
  return [...lines, `${unclear.map(({ skill }) => name(skill)).join(', ')}: no clear change`];
}
