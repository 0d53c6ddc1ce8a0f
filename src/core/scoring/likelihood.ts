import type { Cell } from './cells';
import {
  SLIP_SHARE,
  biasAt,
  knownOf,
  latentIds,
  logSpreadAt,
  slipsIndex,
  standIndex,
  toppedIndex,
  type Parameters,
} from './latents';
import {
  answer,
  answerSloped,
  boundsIn,
  givenReadings,
  mountStands,
  placesIn,
  questionsOf,
  readStands,
  readingQuestion,
  slopesGiven,
  standsOf,
  type Question,
} from './question';
import type { Measured, Term } from './terms';

// Taken once: a look-up of the global in the innermost loop costs more than the arithmetic.
const { exp, log, max } = Math;

/** Share of putts that are anything-goes slips until a player's putts tell, and how far the log of its odds may be off. */
const SLIP_LOGIT = log(SLIP_SHARE / (1 - SLIP_SHARE));
const SLIP_SPREAD = 1;
/** The same of topped putts: few top more than one in a hundred, beginners one in twenty. */
const TOPPED_LOGIT = log(0.01 / 0.99);
const TOPPED_SPREAD = 1.3;

/** A term made ready: what instruments read, and what else is asked, of what that leaves of the player's putt. */
interface Asked {
  read: Question[];
  given: readonly Measured[];
  rest: Question[];
}

/** A cell made ready: its questions, which parameters move it, and what a slip would make of it. */
export interface Ready {
  terms: Asked[];
  count: number;
  active: number[];
  slip: number;
  /** It asks something that a topped putt has otherwise than the player's usual one. */
  topped: boolean;
}

/** The parameters of anything-goes slips, on stands as planned. */
function slipsOn(stands: number): Parameters {
  const at = new Float64Array(standIndex(stands));
  for (const latent of latentIds()) at[logSpreadAt(latent)] = log(knownOf(latent).slip);
  return at;
}

/**
 * The model: the probability of what was said of a putt, given a player. All of it is in closed form but for three places of
 * the head: what a ball gate, a held finish or a head's place asks is whether a sum of normals lay within bounds, and what
 * a box gate asks is whether two such sums did.
 *
 * @param faceShare how much of the start direction is the face's: `start = w f + (1-w) p`
 * @param stands how many there are whose real measures are not known
 */
export function model(faceShare: number, stands: number) {
  const size = standIndex(stands);
  const own = new Float64Array(size);
  const slips = slipsOn(stands);
  const slipsPlace = slipsIndex();
  const slipsAt = (at: Parameters): number =>
    1 / (1 + exp(-(SLIP_LOGIT + SLIP_SPREAD * at[slipsPlace]!)));
  const toppedPlace = toppedIndex();
  const toppedAt = (at: Parameters): number =>
    1 / (1 + exp(-(TOPPED_LOGIT + TOPPED_SPREAD * at[toppedPlace]!)));
  const ofTopped = latentIds().flatMap((latent) => {
    const { topped } = knownOf(latent);
    return topped ? [{ at: biasAt(latent), ...topped }] : [];
  });
  const scratch = new Float64Array(size);
  /** The player's parameters with those of topped putts in their place. */
  const topping = (at: Parameters): Parameters => {
    scratch.set(at);
    for (const { at: place, middle, spread } of ofTopped) {
      scratch[place] = middle;
      scratch[place + 1] = log(spread);
    }
    return scratch;
  };

  function bare({ terms }: Pick<Ready, 'terms'>, at: Parameters): number {
    let sum = 0;
    for (const { read, given, rest } of terms) {
      let value = 1;
      for (const question of read) value *= answer(question, at);
      const left = given.length > 0 && rest.length > 0 ? givenReadings(given, at) : at;
      for (const question of rest) value *= answer(question, left);
      sum += value;
    }
    return sum;
  }

  /** The probability of a cell, slips and topped putts included. */
  function chance(cell: Ready, at: Parameters): number {
    const slipped = slipsAt(at);
    let struck = bare(cell, at);
    if (cell.topped) {
      const topped = toppedAt(at);
      struck += topped * (bare(cell, topping(at)) - struck);
    }
    return max(struck + slipped * (cell.slip - struck), 1e-300);
  }

  /** The same with its slopes by all parameters in `gradient`, which is emptied first. */
  function chanceSloped(cell: Ready, at: Parameters, gradient: Float64Array): number {
    gradient.fill(0);
    const slipped = slipsAt(at);
    const topped = cell.topped ? toppedAt(at) : 0;
    let struck = bareSloped(cell, at, (1 - slipped) * (1 - topped), gradient);
    if (cell.topped) {
      const kept = ofTopped.map(({ at: place }) => [gradient[place]!, gradient[place + 1]!]);
      const low = bareSloped(cell, topping(at), (1 - slipped) * topped, gradient);
      // What a topped putt does, does not depend on the player's usual pace and height.
      ofTopped.forEach(({ at: place }, i) => gradient.set(kept[i]!, place));
      gradient[toppedPlace]! +=
        (1 - slipped) * TOPPED_SPREAD * topped * (1 - topped) * (low - struck);
      struck += topped * (low - struck);
    }
    gradient[slipsPlace]! += SLIP_SPREAD * slipped * (1 - slipped) * (cell.slip - struck);
    return max(struck + slipped * (cell.slip - struck), 1e-300);
  }

  /** The probability of a cell of a putt that went as usual; its slopes, so many times over, are added to `gradient`. */
  function bareSloped(
    { terms }: Ready,
    at: Parameters,
    times: number,
    gradient: Float64Array,
  ): number {
    let sum = 0;
    for (const { read, given, rest } of terms) {
      const left = given.length > 0 && rest.length > 0 ? givenReadings(given, at) : at;
      const questions = [...read, ...rest];
      const values = questions.map((question, i) => answer(question, i < read.length ? at : left));
      sum += values.reduce((all, one) => all * one, 1);
      questions.forEach((question, i) => {
        const others = values.reduce((all, one, j) => (j === i ? all : all * one), 1);
        if (others === 0) return;
        own.fill(0);
        if (i < read.length) answerSloped(question, at, own);
        else {
          answerSloped(question, left, own);
          slopesGiven(given, at, own);
        }
        for (let j = 0; j < size; j++) gradient[j]! += times * others * own[j]!;
      });
    }
    return sum;
  }

  const askedOf = (term: Term): Asked => {
    const given = term.measured ?? [];
    return { read: given.map(readingQuestion), given, rest: questionsOf(term, faceShare) };
  };

  return {
    size,
    ready: ({ terms, count }: Cell): Ready => {
      const asked = terms.map(askedOf);
      const questions = asked.flatMap(({ read, rest }) => [...read, ...rest]);
      const places = [...new Set(questions.flatMap(placesIn))].sort((a, b) => a - b);
      const moving = new Set([
        ...questions.flatMap(boundsIn).flatMap(standsOf),
        ...questions.flatMap(readStands),
        ...asked.flatMap(({ given }) =>
          given.flatMap(({ mount }) => (mount ? mountStands(mount) : [])),
        ),
      ]);
      const topped = ofTopped.some(({ at }) => places.includes(at));
      return {
        terms: asked,
        count,
        topped,
        active: [
          ...places.flatMap((place) => [place, place + 1]),
          slipsPlace,
          ...(topped ? [toppedPlace] : []),
          ...[...moving].map(standIndex),
        ],
        slip: bare({ terms: asked }, slips),
      };
    },
    chance,
    chanceSloped,
  };
}

export type Model = ReturnType<typeof model>;
