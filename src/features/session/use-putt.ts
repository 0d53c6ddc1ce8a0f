'use client';

import { useState, type RefObject } from 'react';
import { ruleTraits, type Guess, type Manner, type Rule } from '@/core/drill';
import { allAsIntended, judge, layoutAt, loggedElements, type PuttPlace } from '@/core/layout';
import { rememberPutt } from './own-putts';
import type { Play, PlayerRun } from './play';
import type { RunStore } from './run-store';
import { ONE_TOUCH, SAME_KEY, asksSeveral, puttOf, type Seen } from './seen';

/** Whether a rule asks for a guess before the actual is looked at. */
const guessesFirst = (rule: Rule): boolean => !!ruleTraits(rule).guesses;

/** When a screen was touched last, and which key. */
export interface LastTouch {
  at: number;
  where: string;
}

/** The elements of which something else was seen before. */
const changedIn = (before: Seen, now: Seen): string =>
  [...new Set([...Object.keys(before), ...Object.keys(now)])]
    .filter((id) => before[id] !== now[id])
    .join();

/** The key that a drill of one thing was logged by. */
const keyIn = (what: Seen): string =>
  Object.entries(what)
    .map(([id, { outcome }]) => `${id} ${outcome}`)
    .join();

/**
 * The putt that is being logged: what was seen of it so far, where it is made and how, and what was guessed. A drill that
 * asks one thing logs with the first touch; one that asks several gathers them.
 */
export function usePutt({
  player: { layout, rule },
  play: { next },
  store,
  shut,
  cue,
  touchedRef,
  onLogged,
}: {
  player: PlayerRun;
  play: Play;
  store: RunStore;
  /** Nothing is taken now. */
  shut: boolean;
  cue: (passed: boolean) => void;
  /** The last touch of this screen, whoever was in front: a double tap must not log the next player's putt. */
  touchedRef: RefObject<LastTouch>;
  onLogged: () => void;
}) {
  const [seen, setSeen] = useState<Seen>({});
  const [guess, setGuess] = useState<Guess | null>(null);
  const [told, setTold] = useState<{ place?: PuttPlace; manner?: Manner }>({});
  // A second tap that was ignored: what it would have logged.
  const [ignored, setIgnored] = useState<Seen | null>(null);
  const made = { ...next, ...told };
  const { number } = made;
  const there = layoutAt(layout, made.place) ?? layout;
  const { primary } = loggedElements(there);
  const several = asksSeveral(there);
  const guesses = guessesFirst(rule) && guess === null;

  /** A miss whose next putt is made from where it stopped, and nobody has touched where. */
  const needsRest = (what: Seen): boolean => {
    const touched = primary && what[primary.id];
    if (!primary || !touched || touched.spot) return false;
    if (several || !ruleTraits(rule).fromRest) return false;
    const outcome = primary.outcomes().find(({ id }) => id === touched.outcome);
    return primary.pointing?.on === 'green' && !outcome?.ends?.includes('holed');
  };
  /** A spot that was touched after a key keeps what the key said, where that can end there: off the rim, say. */
  const withKey = (what: Seen): Seen => {
    if (!primary) return what;
    const [key, touched] = [seen[primary.id], what[primary.id]];
    return key && touched?.spot && primary.pointing?.allows(key.outcome, touched.spot)
      ? { ...what, [primary.id]: { ...touched, outcome: key.outcome } }
      : what;
  };

  const log = (what: Seen) => {
    const { outcomes, points } = puttOf(what);
    if (shut || Object.keys(outcomes).length === 0) return;
    rememberPutt(store.log({ outcomes, points, guess, place: made.place, manner: made.manner }));
    setIgnored(null);
    cue(judge(there)(outcomes) === true);
    setSeen({});
    setGuess(null);
    setTold({});
    onLogged();
  };
  /** Whether a touch is a second one of the same key, or too near to any other: then it is ignored, and shown as ignored. */
  const again = (where: string, at: number | undefined, what: Seen): boolean => {
    if (at === undefined) return false;
    const { at: before, where: there } = touchedRef.current;
    const apart = where === there ? SAME_KEY : several ? 0 : ONE_TOUCH;
    if (at - before < apart) {
      setIgnored(what);
      return true;
    }
    touchedRef.current = { at, where };
    return false;
  };
  /** What a touch makes of what was seen; the first of them logs where one thing is asked. */
  const take = (what: Seen, at?: number) => {
    if (shut) return;
    // Of several things the next may be touched at once.
    // A guess and what came true are two things, though they may be the same key.
    const key = several ? `${number} ${changedIn(seen, what)}` : keyIn(what);
    if (again(guesses ? `guess ${key}` : key, at, what)) return;
    if (guesses && primary && what[primary.id]) {
      setGuess(puttOf({ [primary.id]: what[primary.id]! }));
      setSeen({});
      return;
    }
    if (several) setSeen(what);
    else if (needsRest(what)) setSeen(what);
    else log(withKey(what));
  };
  return {
    there,
    made,
    primary,
    several,
    seen,
    guess,
    guesses,
    take,
    /** A miss was touched, and where it stopped was not yet. */
    waitsForRest: needsRest(seen),
    /** All that was seen so far, and no more. */
    onward: () => log(seen),
    /** What was not touched was as it should be: said on purpose. */
    rest: (at?: number) => {
      // With nothing touched before, it is the same key twice.
      const outcomes = allAsIntended(there, puttOf(seen).outcomes);
      const all = Object.fromEntries(
        Object.entries(outcomes).map(([id, outcome]) => [id, seen[id] ?? { outcome }]),
      ) as Seen;
      if (Object.keys(seen).length === 0 && again('rest', at, all)) return;
      log(all);
    },
    back:
      guess !== null
        ? () => setGuess(null)
        : Object.keys(seen).length > 0
          ? () => setSeen({})
          : undefined,
    /** Whether a second tap was ignored since the last putt, and a way to count it after all. */
    ignored: ignored !== null,
    countIgnored: () => ignored && log(ignored),
    tell: (what: { place?: PuttPlace; manner?: Manner }) => setTold((old) => ({ ...old, ...what })),
  };
}

export type PuttInHand = ReturnType<typeof usePutt>;
