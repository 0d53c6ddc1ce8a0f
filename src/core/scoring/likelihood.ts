import type { Cell } from './cells';
import {
  KNOWN,
  LATENTS,
  SLIPS_AT,
  SLIP_SHARE,
  biasAt,
  logSpreadAt,
  standIndex,
  type Parameters,
} from './latents';
import {
  answer,
  answerSloped,
  boundsIn,
  latentsIn,
  questionsOf,
  standsOf,
  type Question,
} from './question';

// Taken once: a look-up of the global in the innermost loop costs more than the arithmetic.
const { exp, log, max } = Math;

/** Share of putts that are anything-goes slips until a player's putts tell, and how far the log of its odds may be off. */
const SLIP_LOGIT = log(SLIP_SHARE / (1 - SLIP_SHARE));
const SLIP_SPREAD = 1;

const slipsAt = (at: Parameters): number =>
  1 / (1 + exp(-(SLIP_LOGIT + SLIP_SPREAD * at[SLIPS_AT]!)));

/** A cell made ready: its questions, which parameters move it, and what a slip would make of it. */
export interface Ready {
  terms: Question[][];
  count: number;
  active: number[];
  slip: number;
}

/** The parameters of anything-goes slips, on stands as planned. */
function slipsOn(stands: number): Parameters {
  const at = new Float64Array(standIndex(stands));
  LATENTS.forEach((latent) => (at[logSpreadAt(latent)] = log(KNOWN[latent].slip)));
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

  function bare({ terms }: Pick<Ready, 'terms'>, at: Parameters): number {
    let sum = 0;
    for (const questions of terms) {
      let value = 1;
      for (const question of questions) value *= answer(question, at);
      sum += value;
    }
    return sum;
  }

  /** The probability of a cell, slips included. */
  function chance(cell: Ready, at: Parameters): number {
    const slipped = slipsAt(at);
    return max((1 - slipped) * bare(cell, at) + slipped * cell.slip, 1e-300);
  }

  /** The same with its slopes by all parameters in `gradient`, which is emptied first. */
  function chanceSloped({ terms, slip }: Ready, at: Parameters, gradient: Float64Array): number {
    gradient.fill(0);
    const slipped = slipsAt(at);
    let sum = 0;
    for (const questions of terms) {
      const values = questions.map((question) => answer(question, at));
      sum += values.reduce((all, one) => all * one, 1);
      questions.forEach((question, i) => {
        const others = values.reduce((all, one, j) => (j === i ? all : all * one), 1);
        if (others === 0) return;
        own.fill(0);
        answerSloped(question, at, own);
        for (let j = 0; j < size; j++) gradient[j]! += (1 - slipped) * others * own[j]!;
      });
    }
    gradient[SLIPS_AT]! += SLIP_SPREAD * slipped * (1 - slipped) * (slip - sum);
    return max((1 - slipped) * sum + slipped * slip, 1e-300);
  }

  return {
    size,
    ready: ({ terms, count }: Cell): Ready => {
      const factored = terms.map((term) => questionsOf(term, faceShare));
      const questions = factored.flat();
      const latents = new Set(questions.flatMap(latentsIn));
      const moving = new Set(questions.flatMap(boundsIn).flatMap(standsOf));
      return {
        terms: factored,
        count,
        active: [
          ...LATENTS.flatMap((latent) =>
            latents.has(latent) ? [biasAt(latent), logSpreadAt(latent)] : [],
          ),
          SLIPS_AT,
          ...[...moving].map(standIndex),
        ],
        slip: bare({ terms: factored }, slips),
      };
    },
    chance,
    chanceSloped,
  };
}

export type Model = ReturnType<typeof model>;
