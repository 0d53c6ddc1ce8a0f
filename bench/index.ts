import { existsSync, readFileSync } from 'node:fs';
import { Bench } from 'tinybench';
import { z } from 'zod';
import { Solver } from 'odex';
import {
  DEFAULT_PUTT,
  aimFor,
  dropMarginOn,
  makeMap,
  makeProbability,
  makeWindow,
  planeOf,
  type Putt,
} from '@/core/green';
import {
  ELEMENTS,
  ballGateLayout,
  boxRegion,
  checkLayout,
  gapForTolerance,
  gateTolerance,
  settingOf,
  strictnessOf,
  tapeList,
} from '@/core/layout';
import { libraryDrill, type Rule } from '@/core/drill';
import { STANDARD_FITTING } from '@/core/people';
import { chainOf, expectedPutts, timeDrill } from '@/core/planning';
import {
  DEFAULT_FACE_SHARE,
  beliefLater,
  findingsOf,
  observe,
  priorBelief,
  scoreHistory,
  scoresOf,
} from '@/core/scoring';
import { chance, simulatePutts, startsAs, type Truth } from '@/core/simulate';
import { INCH } from '@/core/units';
import { besideReckoning } from './beside';

/** Written by the browser tests. */
const TOUCH = 'test-results/touch.json';
const touches = z.array(z.object({ duration: z.number() })).min(1);

const gate = { distance: 18 * INCH, gap: 0.06, shank: 0.005, offset: 0, on: 'line' as const };
const layout = ballGateLayout(DEFAULT_PUTT, gate);
const truth = startsAs({ bias: 0.004, spread: 0.016 });
const putts = simulatePutts(truth, layout, 40, chance(1));
const cells = findingsOf([{ layout, putts }]);
const prior = priorBelief();
const belief = observe(prior, cells, DEFAULT_FACE_SHARE);
/** 2,000 putts that between them speak of everything, a third of them pointed at. */
const player: Truth = {
  face: { bias: 0.004, spread: 0.016 },
  path: { bias: 0.02, spread: 0.03 },
  strike: { bias: -0.002, spread: 0.005 },
  pace: { bias: -0.03, spread: 0.1 },
  height: { bias: 0, spread: 0.003 },
  faceShare: DEFAULT_FACE_SHARE,
};
const mixed = [
  'straight-gate',
  'gate-ladder',
  'putter-gate-level',
  'box-gate',
  'three-in-one',
  'four-round',
  'limit-line',
  'held-finish',
].map((key, i) => {
  const { layout: one } = libraryDrill(key)!;
  return { layout: one, putts: simulatePutts(player, one, 250, chance(40 + i), i % 2 === 0) };
});
const weeks = Array.from({ length: 20 }, (_, i) => ({
  id: String(i),
  at: new Date(Date.UTC(2026, 0, 1) + i * 3.5 * 86_400_000),
  runs: [{ layout, putts: simulatePutts(truth, layout, 40, chance(i)) }],
}));

const green = planeOf(DEFAULT_PUTT.greenSpeed, { grade: 0.02, falls: -Math.PI / 2 });
const breaking: Putt = {
  ...DEFAULT_PUTT,
  distance: 3,
  slope: { grade: 0.02, falls: -Math.PI / 2 },
};
const aim = aimFor(breaking);
const outcomeOf = dropMarginOn(green, breaking.distance);
const MAP = {
  directions: [aim.direction - 0.04, aim.direction + 0.04] as [number, number],
  speeds: [0.85 * aim.startSpeed, 1.2 * aim.startSpeed] as [number, number],
};

const sloping = ballGateLayout(breaking, gate);
const setting = settingOf(DEFAULT_PUTT);
const box = ELEMENTS.boxGate.defaults(DEFAULT_PUTT);

/** The same roll to the hole by a general solver, stepping until the ball is nearest to the hole. */
function rollByStepping(): number {
  const solver = new Solver(4);
  solver.absoluteTolerance = solver.relativeTolerance = 1e-7;
  const { startSpeed, direction } = aim;
  const motion = (_time: number, [, , u = 0, w = 0]: number[]) => {
    const speed = Math.hypot(u, w);
    const { deceleration, pull, falls } = green;
    return [
      u,
      w,
      -deceleration * (u / speed) + pull * Math.cos(falls),
      -deceleration * (w / speed) + pull * Math.sin(falls),
    ];
  };
  let from = 0;
  let state = [0, 0, startSpeed * Math.cos(direction), startSpeed * Math.sin(direction)];
  const beyond = ([x = 0, y = 0, u = 0, w = 0]: number[]) => (x - breaking.distance) * u + y * w;
  const step = 0.25;
  for (let part = 0; part < 40; part++) {
    const next = solver.solve(motion, from, state, from + step).y;
    if (beyond(next) >= 0) break;
    state = next;
    from += step;
  }
  let [low, high] = [0, step];
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (beyond(solver.solve(motion, from, state, from + middle).y) >= 0) high = middle;
    else low = middle;
  }
  const [x = 0, y = 0] = solver.solve(motion, from, state, from + high).y;
  return Math.hypot(x - breaking.distance, y);
}

/** A chain of ten thousand states. */
const manySets: Rule = { type: 'sets', sets: 71, of: 71, restart: 'at the end' };
const passOrMiss = [true, false].map((passed) => ({
  passed,
  holed: null,
  rest: null,
  guessed: null,
}));
const planned = { fitting: STANDARD_FITTING, belief, faceShare: DEFAULT_FACE_SHARE, seconds: 25 };
const sets = libraryDrill('fives-in-fours')!;

/** Keeps results in use, so that nothing is optimised away. */
let sink = 0;

const bench = new Bench({ time: 400 });
bench
  .add('gate tolerance', () => {
    sink += gateTolerance(gate).right;
  })
  .add('gap for a tolerance', () => {
    sink += gapForTolerance(0.017, gate.distance, gate.shank);
  })
  .add('make window', () => {
    sink += makeWindow(DEFAULT_PUTT).right;
  })
  .add('make window on a slope', () => {
    sink += makeWindow(breaking).right;
  })
  .add('aim on a slope', () => {
    sink += aimFor(breaking).direction;
  })
  .add('outcome of a 3 m putt on a slope', () => {
    sink += outcomeOf(aim.startSpeed, aim.direction + 0.004 * Math.sin(sink));
  })
  .add('the same by a general solver', () => {
    sink += rollByStepping();
  })
  .add('make map, 200 by 200', () => {
    sink += makeMap(breaking, MAP, { columns: 200, rows: 200 }).holed[0]!;
  })
  .add('make probability', () => {
    sink += makeProbability(breaking, {
      direction: { bias: 0, spread: 0.016 },
      speed: { bias: 0, spread: 0.06 },
      read: 0.005,
    });
  })
  .add('strictness', () => {
    sink += strictnessOf(layout, 'gate')!.ratio;
  })
  .add('whether a layout can be built', () => {
    sink += checkLayout(layout).length;
  })
  .add('tape list on a slope', () => {
    sink += tapeList(sloping).length;
  })
  .add('region of a box gate', () => {
    sink += boxRegion(box, setting).length;
  })
  .add('posterior of a session of forty putts', () => {
    sink += observe(prior, cells, DEFAULT_FACE_SHARE).mean[0]!;
  })
  .add('2,000 putts of mixed evidence, scored', () => {
    const found = observe(prior, findingsOf(mixed), DEFAULT_FACE_SHARE);
    sink += scoresOf(found, DEFAULT_FACE_SHARE).start.window.middle;
  })
  .add('carry over a week', () => {
    sink += beliefLater(belief, 7).mean[0]!;
  })
  .add('score from a posterior', () => {
    sink += scoresOf(belief, DEFAULT_FACE_SHARE).start.window.middle;
  })
  .add('twenty sessions of forty putts', () => {
    sink += scoreHistory(weeks).length;
  })
  .add('a chain of 10,000 states, made and solved', () => {
    const chain = chainOf(manySets, { stations: 1, rungs: 1, rung: 0 }, passOrMiss);
    sink += expectedPutts(chain, [[0.98, 0.02]]) * 1e-9;
  })
  .add('how long a drill takes a player, on the rung that teaches', () => {
    sink += timeDrill(sets, planned, 'teaching').passes;
  });

/** From touch to picture on the logging screen, as the last browser run measured it. */
function touchWords(): string {
  if (!existsSync(TOUCH))
    return 'Touch to picture: not measured yet; the browser tests measure it.';
  const times = touches.parse(JSON.parse(readFileSync(TOUCH, 'utf8'))).map((one) => one.duration);
  const at = (share: number) => times[Math.min(times.length - 1, Math.floor(share * times.length))];
  return `Touch to picture: median at most ${at(0.5)} ms, nine in ten at most ${at(0.9)} ms, worst ${times.at(-1)} ms, of ${times.length}.`;
}

async function main(): Promise<void> {
  await bench.run();

  const nanoseconds = (name: string) => {
    const result = bench.getTask(name)?.result;
    return result && 'latency' in result ? result.latency.mean * 1e6 : NaN;
  };
  const unit = nanoseconds('gate tolerance');
  console.table(
    bench.tasks.map(({ name }) => ({
      what: name,
      'µs each': (nanoseconds(name) / 1000).toPrecision(3),
      'gate tolerances': Math.round(nanoseconds(name) / unit),
    })),
  );
  const outcome = nanoseconds('outcome of a 3 m putt on a slope');
  console.log(
    `One outcome: ${Math.round(1e9 / outcome).toLocaleString('en')} a second on one core;`,
  );
  console.log(
    `${Math.round(nanoseconds('the same by a general solver') / outcome)} times faster than the general solver.`,
  );
  console.log(touchWords());
  await besideReckoning();
  if (!Number.isFinite(sink)) throw new Error('A result was not a number.');
}

void main();
