import { Bench } from 'tinybench';
import { DEFAULT_PUTT, makeWindow } from '@/core/green';
import { ballGateLayout, gapForTolerance, gateTolerance, strictness } from '@/core/layout';
import {
  EdgeTable,
  carry,
  observe,
  priorBelief,
  score,
  scoreHistory,
  startObservations,
} from '@/core/scoring';
import { chance, simulatePutts } from '@/core/simulate';
import { INCH } from '@/core/units';

const gate = { distance: 18 * INCH, gap: 0.06, shank: 0.005, offset: 0 };
const layout = ballGateLayout(DEFAULT_PUTT, gate);
const truth = { bias: 0.004, spread: 0.016 };
const putts = simulatePutts(truth, layout, 40, chance(1));
const observations = startObservations([{ layout, putts }]);
const prior = priorBelief();
const belief = observe(prior, observations);
const edges = new EdgeTable();
const weeks = Array.from({ length: 20 }, (_, i) => ({
  id: String(i),
  at: new Date(Date.UTC(2026, 0, 1) + i * 3.5 * 86_400_000),
  runs: [{ layout, putts: simulatePutts(truth, layout, 40, chance(i)) }],
}));

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
  .add('strictness', () => {
    sink += strictness(gate, DEFAULT_PUTT).ratio;
  })
  .add('posterior of a session, new gate', () => {
    sink += observe(prior, observations)[0]!;
  })
  .add('posterior of a session, known gate', () => {
    sink += observe(prior, observations, edges)[0]!;
  })
  .add('carry over a week', () => {
    sink += carry(belief, 7)[0]!;
  })
  .add('score from a posterior', () => {
    sink += score(belief).window.middle;
  })
  .add('twenty sessions of forty putts', () => {
    sink += scoreHistory(weeks).length;
  });

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
  if (!Number.isFinite(sink)) throw new Error('A result was not a number.');
}

void main();
