import { libraryDrill, type Putt } from '@/core/drill';
import { quantityOf } from '@/core/quantity';
import {
  DEFAULT_FACE_SHARE,
  beliefOfRuns,
  scoreHistory,
  scoresOf,
  type LoggedRun,
} from '@/core/scoring';
import { DEGREE } from '@/core/units';
import { dice, type Dice, type Struck, type Truth } from '../tests/player/player';
import {
  holds,
  logged,
  loosely,
  many,
  percent,
  session,
  somebody,
  startOf,
  windowOf,
} from './players';

/**
 * How often the 80 % intervals hold the truth where an instrument reads the stroke: alone, beside gates, and turned. The
 * player and the instrument share no code with the program. `PLAYERS` sets how many.
 */
const PLAYERS = Number(process.env.PLAYERS ?? 200);
const W = DEFAULT_FACE_SHARE;
const READ = ['face', 'path', 'strike'] as const;
const TOLD = ['start', ...READ] as const;

/** How an instrument stands, what it reads is off by so much, and how much larger its error is than it says. */
type Off = Record<(typeof READ)[number], { by: number; times: number }>;
/** The log of an instrument's error is off by so much, as it is taken to be. */
const ERROR_OFF = 0.3;
const off = (random: Dice, by: (id: (typeof READ)[number]) => number): Off =>
  Object.fromEntries(
    READ.map((id) => [id, { by: by(id), times: Math.exp(ERROR_OFF * random.normal()) }]),
  ) as Off;
const asThought = (random: Dice): Off => {
  // It stands turned for all directions at once.
  const turn = random.normal();
  return off(
    random,
    (id) => quantityOf(id).instrument.mount * (id === 'strike' ? random.normal() : turn),
  );
};
const turnedBy =
  (degrees: number) =>
  (random: Dice): Off =>
    off(random, (id) => (id === 'strike' ? 0 : degrees * DEGREE));
const turned = turnedBy(0.5);
/** Knocked half-way through a session: it reads so much farther right from there on. */
const KNOCKED = 0.5 * DEGREE;

const readOf = (struck: Struck, off: Off, random: Dice, knocked = 0): Putt['measured'] =>
  Object.fromEntries(
    READ.map((id) => {
      const { error } = quantityOf(id).instrument;
      return [
        id,
        {
          value:
            struck[id] +
            (id === 'strike' ? 0 : knocked) +
            off[id].by +
            off[id].times * error * random.normal(),
          error,
          by: 'a sensor',
        },
      ];
    }),
  );

/** Putts through a straight gate and a box, with what a gate showed, what an instrument read, or both. */
function putted(
  truth: Truth,
  random: Dice,
  gates: boolean,
  off: Off | null,
  each: number,
  knocked = 0,
): LoggedRun[] {
  return ['straight-gate', 'box-gate'].map((key, run) => {
    const { layout } = libraryDrill(key)!;
    const placement = loosely(random);
    const putts = many(each, (): Putt => {
      const { putt, struck } = logged(truth, layout, null, random, placement);
      return {
        outcomes: gates ? putt.outcomes : {},
        ...(off && { measured: readOf(struck, off, random, run * knocked) }),
      };
    });
    return { layout, putts };
  });
}

/** Shares of biases and windows held, skill by skill. */
function held(
  gates: boolean,
  set: ((random: Dice) => Off) | null,
  weeks = 1,
  knocked = 0,
  seed = 60_000,
) {
  const counts = TOLD.map(() => ({ bias: 0, window: 0 }));
  for (let player = 0; player < PLAYERS; player++) {
    const random = dice(seed + player);
    const truth = somebody(random);
    const off = set && set(random);
    const found =
      weeks === 1
        ? scoresOf(beliefOfRuns(putted(truth, random, gates, off, 30, knocked), W).belief, W)
        : scoreHistory(
            many(weeks, (week) =>
              session(`${week}`, 7 * week, putted(truth, random, gates, off, 15) as never),
            ),
            W,
          ).at(-1)!.carried;
    TOLD.forEach((skill, i) => {
      const real = skill === 'start' ? startOf(truth) : truth[skill];
      counts[i]!.bias += holds(found[skill].bias, real[0]);
      counts[i]!.window += holds(found[skill].window, windowOf(real));
    });
  }
  return counts.map(
    ({ bias, window }) => `${percent(bias / PLAYERS)}, ${percent(window / PLAYERS)}`,
  );
}

console.log(
  `\n| 60 putts: bias, window held | ${TOLD.join(' | ')} |\n| --- | --- | --- | --- | --- |`,
);
const ROWS = process.env.ROWS?.split(',');
for (const [name, gates, set, weeks, knocked] of [
  ['gates only', true, null, 1],
  ['sensor only', false, asThought, 1],
  ['both', true, asThought, 1],
  ['sensor only, turned by 0.5°', false, turned, 1],
  ['both, turned by 0.5°', true, turned, 1],
  ['sensor only, six weeks', false, asThought, 6],
  ['both, six weeks, turned by 0.5°', true, turned, 6],
  ['sensor only, turned by 1°', false, turnedBy(1), 1],
  ['both, knocked by 0.5° half-way', true, asThought, 1, KNOCKED],
] as const) {
  if (ROWS && !ROWS.some((wanted) => name.includes(wanted))) continue;
  console.log(`| ${name} | ${held(gates, set, weeks, knocked).join(' | ')} |`);
}
