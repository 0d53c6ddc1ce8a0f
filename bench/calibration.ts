import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout } from '@/core/layout';
import {
  EdgeTable,
  eightInTenWindow,
  observe,
  priorBelief,
  score,
  startObservations,
  type Estimate,
} from '@/core/scoring';
import { chance, simulatePutts } from '@/core/simulate';
import { INCH, toRadians } from '@/core/units';

const PLAYERS = 600;
const LAYOUTS = [0.058, 0.066].map((gap) =>
  ballGateLayout(DEFAULT_PUTT, { distance: 18 * INCH, gap, shank: 0.005, offset: 0 }),
);

const edges = new EdgeTable();
const prior = priorBelief();
const holds = ({ low, high }: Estimate, truth: number) => Number(truth >= low && truth <= high);

/** How often the 80 % intervals hold the truth of simulated players, as the table of docs/scoring.md. */
for (const putts of [10, 30, 100, 300]) {
  const held = { bias: 0, spread: 0, window: 0 };
  for (let seed = 20_000; seed < 20_000 + PLAYERS; seed++) {
    const random = chance(seed);
    const bias = toRadians(0.5 * random.normal());
    const spread = toRadians(Math.exp(0.45 * random.normal()));
    const runs = LAYOUTS.map((layout) => ({
      layout,
      putts: simulatePutts({ bias, spread }, layout, putts / 2, random),
    }));
    const found = score(observe(prior, startObservations(runs), edges));
    held.bias += holds(found.bias, bias);
    held.spread += holds(found.spread, spread);
    held.window += holds(found.window, eightInTenWindow(bias, spread));
  }
  const share = (count: number) => `${Math.round((100 * count) / PLAYERS)} %`;
  console.log(
    `| ${PLAYERS} | ${putts} | ${share(held.bias)} | ${share(held.spread)} | ${share(held.window)} |`,
  );
}
