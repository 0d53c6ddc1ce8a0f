import type { Translate } from '@/words/translate';
import { gateFitWords } from '@/core/coaching';
import { ruleTraits } from '@/core/drill';
import type { Asked } from './ask';
import type { SwapTo } from './more-menu';
import { passWord } from './outcome-words';
import { proposedRung, type Play, type PlayerRun } from './play';

/** Where a screen stands beside what was logged, and what it can do. */
export interface Asking {
  /** The rule waits for an answer. */
  asks: boolean;
  /** A game that somebody has won. */
  won: string | null;
  /** How the rule ended. */
  ended: string | null;
  /** Another rung may be proposed. */
  proposed: boolean;
  resume(): void;
  refuse(): void;
  goOn(): void;
  climb(rung: number): void;
  goTo(to: SwapTo): void;
  finish(): void;
  /** On to the next drill of the plan. */
  next(): void;
}

/**
 * What a pause, the rule or the evidence asks of the coach; null when nothing does.
 *
 * @param player the run they have come to
 * @param play how they stand
 * @param asking where the screen stands, and what it can do
 */
export function askedOf(t: Translate, player: PlayerRun, play: Play, asking: Asking): Asked | null {
  const { layout, ladder, rung, cold, drillId } = player;
  const { counts, course, nextRung, fit } = play;
  if (course.pausedSince) {
    return {
      words: t('session.asking.pausedTheClockIsStopped'),
      primary: { label: t('session.asking.resume'), act: asking.resume },
    };
  }
  if (!asking.asks) {
    const proposal = asking.proposed ? proposedRung(player, fit) : null;
    if (!proposal) return null;
    const to = proposal.rung;
    return {
      words: gateFitWords(fit) ?? '',
      small: true,
      other: { label: t('session.asking.notNow'), act: asking.refuse },
      ...(to !== null && {
        primary: {
          label: `Ready on rung ${to + 1}, ${ladder[to]}`,
          act: () => asking.climb(to),
        },
      }),
    };
  }
  if (nextRung !== null) {
    return {
      words: `Move ${nextRung > (rung ?? 0) ? 'up' : 'down'} to rung ${nextRung + 1}: ${ladder[nextRung]}.`,
      other: { label: t('session.asking.stayOnThisRung'), act: asking.goOn },
      primary: { label: t('session.asking.readyOnNewRung'), act: () => asking.climb(nextRung) },
    };
  }
  const onward = player.plan?.next
    ? { label: t('session.asking.next', { next: player.plan.next }), act: asking.next }
    : null;
  const { plan } = player;
  if (plan && (cold || ruleTraits(player.rule).cold)) {
    const told = t('session.asking.of', {
      clear: counts.clear,
      putts: counts.putts,
      passWord: passWord(layout),
    });
    return onward
      ? {
          words: t('session.asking.partOfDone', { index: plan.index + 1, count: plan.count, told }),
          // What is left is offered in the review.
          other: { label: t('session.asking.stopHere'), act: asking.finish },
          primary: onward,
        }
      : {
          words: t('session.asking.coldTestDoneTheLast', { told }),
          other: { label: t('session.asking.keepGoing'), act: asking.goOn },
          primary: { label: t('session.asking.finish'), act: asking.finish },
        };
  }
  if (cold) {
    const done = t('session.asking.coldTestDoneOf', {
      clear: counts.clear,
      putts: counts.putts,
      passWord: passWord(layout),
    });
    return {
      words: t('session.asking.nowStartTheDrill', { done }),
      other: { label: t('session.asking.finish'), act: asking.finish },
      primary: { label: t('session.asking.startDrill'), act: () => asking.goTo({ drillId, rung }) },
    };
  }
  return {
    words: asking.won ?? asking.ended ?? '',
    other: { label: t('session.asking.keepGoing'), act: asking.goOn },
    primary: onward ?? { label: t('session.asking.finish'), act: asking.finish },
  };
}
