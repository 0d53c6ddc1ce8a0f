import { libraryDrill } from '@/core/drill';
import {
  DEFAULT_FACE_SHARE,
  KNOWN,
  SKILLS,
  beliefOfRuns,
  eightInTenWindow,
  scoresOf,
  type Estimate,
  type Latent,
} from '@/core/scoring';
import { chance, simulatePutts, startOf, type Chance, type Truth } from '@/core/simulate';

const PLAYERS = 500;
/** How wide the players' population is against the prior. */
const NARROW = 0.9;
/** Drills that between them speak of everything; strikes and finishes of every other one are pointed at. */
const MIXED = [
  'straight-gate',
  'putter-gate-level',
  'box-gate',
  'three-in-one',
  'four-round',
  'limit-line',
  'held-finish',
  'marked-face',
];

function somebody(random: Chance): Truth {
  const draw = (latent: Latent) => ({
    bias: NARROW * KNOWN[latent].biasSpread * random.normal(),
    spread:
      KNOWN[latent].middleSpread *
      Math.exp(NARROW * KNOWN[latent].logSpreadSpread * random.normal()),
  });
  return {
    face: draw('face'),
    path: draw('path'),
    strike: draw('strike'),
    pace: draw('pace'),
    height: draw('height'),
    faceShare: DEFAULT_FACE_SHARE,
  };
}

const holds = ({ low, high }: Estimate, truth: number) => Number(truth >= low && truth <= high);
const percent = (count: number) => `${Math.round((100 * count) / PLAYERS)} %`;

/** How often the 80 % intervals hold the truth of simulated players, as the table of docs/scoring.md. */
for (const putts of [30, 100, 300]) {
  const held = new Map(SKILLS.map((skill) => [skill, { bias: 0, spread: 0, window: 0, off: 0 }]));
  let milliseconds = 0;
  for (let seed = 20_000; seed < 20_000 + PLAYERS; seed++) {
    const random = chance(seed);
    const truth = somebody(random);
    const runs = MIXED.map((key, i) => {
      const { layout } = libraryDrill(key)!;
      const count = Math.round(putts / MIXED.length);
      return { layout, putts: simulatePutts(truth, layout, count, random, i % 2 === 1) };
    });
    const began = performance.now();
    const found = scoresOf(beliefOfRuns(runs).belief, DEFAULT_FACE_SHARE);
    milliseconds += performance.now() - began;
    for (const skill of SKILLS) {
      const { bias, spread } = skill === 'start' ? startOf(truth) : truth[skill];
      const counts = held.get(skill)!;
      counts.bias += holds(found[skill].bias, bias);
      counts.spread += holds(found[skill].spread, spread);
      counts.window += holds(found[skill].window, eightInTenWindow(bias, spread));
      counts.off += (found[skill].bias.middle - bias) / spread;
    }
  }
  for (const [skill, { bias, spread, window, off }] of held) {
    console.log(
      `| ${putts} | ${skill} | ${percent(bias)} | ${percent(spread)} | ${percent(window)} | ${(off / PLAYERS).toFixed(3)} |`,
    );
  }
  console.log(`${(milliseconds / PLAYERS).toFixed(0)} ms a player.`);
}
