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
export function askedOf(player: PlayerRun, play: Play, asking: Asking): Asked | null {
  const { layout, ladder, rung, cold, drillId } = player;
  const { counts, course, nextRung, fit } = play;
  if (course.pausedSince) {
    return {
      words: 'Paused. The clock is stopped.',
      primary: { label: 'Resume', act: asking.resume },
    };
  }
  if (!asking.asks) {
    const proposal = asking.proposed ? proposedRung(player, fit) : null;
    if (!proposal) return null;
    const to = proposal.rung;
    return {
      words: gateFitWords(fit) ?? '',
      small: true,
      other: { label: 'Not now', act: asking.refuse },
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
      other: { label: 'Stay on this rung', act: asking.goOn },
      primary: { label: 'Ready on new rung', act: () => asking.climb(nextRung) },
    };
  }
  const onward = player.plan?.next
    ? { label: `Next: ${player.plan.next}`, act: asking.next }
    : null;
  const { plan } = player;
  if (plan && (cold || ruleTraits(player.rule).cold)) {
    const told = `${counts.clear} of ${counts.putts} ${passWord(layout)}`;
    return onward
      ? {
          words: `Part ${plan.index + 1} of ${plan.count} done: ${told}.`,
          // What is left is offered in the review.
          other: { label: 'Stop here', act: asking.finish },
          primary: onward,
        }
      : {
          words: `Cold test done. The last part: ${told}.`,
          other: { label: 'Keep going', act: asking.goOn },
          primary: { label: 'Finish', act: asking.finish },
        };
  }
  if (cold) {
    const done = `Cold test done: ${counts.clear} of ${counts.putts} ${passWord(layout)}.`;
    return {
      words: `${done} Now start the drill.`,
      other: { label: 'Finish', act: asking.finish },
      primary: { label: 'Start drill', act: () => asking.goTo({ drillId, rung }) },
    };
  }
  return {
    words: asking.won ?? asking.ended ?? '',
    other: { label: 'Keep going', act: asking.goOn },
    primary: onward ?? { label: 'Finish', act: asking.finish },
  };
}
