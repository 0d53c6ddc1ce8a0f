import { LIBRARY, libraryDrill, replay, ruleGround, type LibraryDrill } from '@/core/drill';
import { fitted, layoutAt, type Layout } from '@/core/layout';
import { STANDARD_FITTING } from '@/core/people';
import {
  DEFAULT_FACE_SHARE,
  steeringIds,
  SKILLS,
  beliefOfRuns,
  scoreHistory,
  scoresOf,
  type LoggedRun,
  type SkillName,
} from '@/core/scoring';
import {
  dice,
  holding,
  strike,
  type Dice,
  type Placement,
  type Truth,
} from '../tests/player/player';
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
 * How often the 80 % intervals hold the truth of players that share no code with the program, as the tables of
 * docs/scoring.md: by putts, by drill, and for players of whom the model knows nothing. `PLAYERS` sets how many.
 */
const PLAYERS = Number(process.env.PLAYERS ?? 200);
const W = DEFAULT_FACE_SHARE;

/** Drills that between them speak of everything but the height on the face. */
const MIXED = [
  'straight-gate',
  'putter-gate-level',
  'box-gate',
  'three-in-one',
  'four-round',
  'limit-line',
  'held-finish',
  'breaking-start-gate',
];

/** A run of a drill as its rule sends the player round, on tees that a coach has set by the tape. */
function runOf(
  drill: LibraryDrill,
  layout: Layout,
  putts: number,
  truth: Truth,
  random: Dice,
  setting = loosely,
) {
  const ground = ruleGround(layout, drill.ladder.length, null);
  const off = setting(random);
  const course = { ...drill, farther: 0.9 };
  const run: LoggedRun['putts'][number][] = [];
  for (let index = 0; index < putts; index++) {
    const at = run.map((putt, i) => ({ ...putt, at: new Date(20_000 * i) }));
    const { place } = replay(course, ground, [{ layout, putts: at }]).next!;
    if (layoutAt(layout, place) === null) break;
    run.push(logged(truth, layout, place, random, off).putt);
  }
  return { layout, putts: run };
}

type Real = Record<SkillName, { bias: number; spread: number; window: number }>;

/** A player's truth; where putts are not normal the window is that which holds 80 % of very many of them. */
function realOf(truth: Truth): Real {
  const own: Record<SkillName, [number, number]> = { ...truth, start: startOf(truth) } as never;
  const seen =
    truth.tails || truth.topped
      ? many(
          6000,
          (
            (random) => () =>
              strike(truth, random)
          )(dice(5)),
        )
      : null;
  return Object.fromEntries(
    SKILLS.map((skill) => {
      const [bias, spread] = own[skill];
      // Of topped putts the window of those that were struck is meant.
      const struck = seen?.filter(({ pace }) => !truth.topped || pace > -0.34);
      const window = struck ? holding(struck.map((one) => one[skill])) : windowOf([bias, spread]);
      return [skill, { bias, spread, window }];
    }),
  ) as Real;
}

const TOLD = ['start', 'face', 'path', 'strike', 'pace'] as const;

/** Shares of truths inside the intervals of bias, spread and window, skill by skill. */
function covered(
  seed: number,
  putted: (truth: Truth, random: Dice) => LoggedRun[],
  who: (truth: Truth) => Truth = (truth) => truth,
) {
  const held = new Map(TOLD.map((skill) => [skill, { bias: 0, spread: 0, window: 0, of: 0 }]));
  for (let player = 0; player < PLAYERS; player++) {
    const random = dice(seed + player);
    const truth = who(somebody(random));
    const { belief, basis } = beliefOfRuns(putted(truth, random), W);
    const found = scoresOf(belief, W);
    const real = realOf(truth);
    for (const skill of TOLD) {
      if (basis[skill] === 0) continue;
      const counts = held.get(skill)!;
      counts.of += 1;
      counts.bias += holds(found[skill].bias, real[skill].bias);
      counts.spread += holds(found[skill].spread, real[skill].spread);
      counts.window += holds(found[skill].window, real[skill].window);
    }
  }
  return held;
}

const mixed =
  (each: number, layoutFor: (layout: Layout) => Layout = (one) => one, setting = loosely) =>
  (truth: Truth, random: Dice) =>
    MIXED.map((key) => {
      const drill = libraryDrill(key)!;
      return runOf(drill, layoutFor(drill.layout), each, truth, random, setting);
    });

/** Tees set twice as far off as the program takes it: 3 mm in the gap and 2 cm along. */
const misplaced = (random: Dice): Placement => {
  const { gap, distance } = loosely(random);
  return { gap: 2 * gap, distance: 2 * distance };
};

/** Shares of windows held after six weeks of 32 putts, all that a player spreads shrunk by then to some share. */
function afterWeeks(share: number) {
  const held = new Map(TOLD.map((skill) => [skill, 0]));
  for (let player = 0; player < PLAYERS; player++) {
    const random = dice(50_000 + player);
    const truth = somebody(random);
    const now = (week: number) => shrunk(truth, share ** (week / 6));
    const weeks = many(7, (week) => session(`${week}`, 7 * week, mixed(4)(now(week), random)));
    const { carried } = scoreHistory(weeks).at(-1)!;
    const real = realOf(now(6));
    for (const skill of TOLD) {
      held.set(skill, held.get(skill)! + holds(carried[skill].window, real[skill].window));
    }
  }
  return held;
}

const shrunk = (truth: Truth, by: number): Truth => ({
  ...truth,
  ...Object.fromEntries(
    steeringIds().map((latent) => [latent, truth[latent].map((value) => by * value)]),
  ),
});

/** Tables to print, by name; all where left out. */
const TABLES = process.env.TABLES?.split(',');
const wanted = (table: string) => !TABLES || TABLES.includes(table);

if (wanted('putts'))
  console.log('\n| putts | skill | bias | spread | window |\n| --- | --- | --- | --- | --- |');
for (const putts of wanted('putts') ? [32, 96, 304] : []) {
  for (const [skill, { of, bias, spread, window }] of covered(20_000, mixed(putts / 8))) {
    const row = [putts, skill, percent(bias / of), percent(spread / of), percent(window / of)];
    console.log(`| ${row.join(' | ')} |`);
  }
}

const lefty = (layout: Layout) => fitted(layout, { ...STANDARD_FITTING, hand: 'left' });
console.log(`\n| players, 96 putts | ${TOLD.join(' | ')} |\n| --- | --- | --- | --- | --- | --- |`);
for (const [name, who, layoutFor, setting] of [
  ['as the model has them', (truth: Truth) => truth],
  ['left-handed', (truth: Truth) => truth, lefty],
  ['face and path tied by -0.6', (truth: Truth) => ({ ...truth, tie: -0.6 })],
  ['heavy tails (t, 4 degrees of freedom)', (truth: Truth) => ({ ...truth, tails: 4 })],
  ['5 % topped', (truth: Truth) => ({ ...truth, topped: 0.05 })],
  ['tees misplaced: 3 mm, 2 cm', (truth: Truth) => truth, undefined, misplaced],
] as const) {
  if (!wanted('players')) break;
  const held = covered(30_000, mixed(12, layoutFor, setting), who);
  const cells = TOLD.map((skill) => percent(held.get(skill)!.window / held.get(skill)!.of));
  console.log(`| ${name} | ${cells.join(' | ')} |`);
}

for (const [name, share] of [
  ['still, six weeks of 32 putts', 1],
  ['halving in six weeks of 32 putts', 0.5],
] as const) {
  if (!wanted('weeks')) break;
  const held = afterWeeks(share);
  console.log(
    `| ${name} | ${TOLD.map((skill) => percent(held.get(skill)! / PLAYERS)).join(' | ')} |`,
  );
}

console.log(`\n| drill, 60 putts | ${TOLD.join(' | ')} |\n| --- | --- | --- | --- | --- | --- |`);
for (const drill of wanted('drills') ? LIBRARY : []) {
  const held = covered(40_000, (truth, random) => [runOf(drill, drill.layout, 60, truth, random)]);
  const cells = TOLD.map((skill) => {
    const { of, window } = held.get(skill)!;
    return of === 0 ? '' : percent(window / of);
  });
  console.log(`| ${drill.key} | ${cells.join(' | ')} |`);
}
