import { htmlOf } from 'tests/english';
import { NO_COUNTS, readMisses } from '@/core/coaching';
import { drillDetails, libraryDrill, skillWords, type Putt } from '@/core/drill';
import { needsOf, phaseOf } from '@/core/planning';
import { addQuantity, type Quantity } from '@/core/quantity';
import { changeBetween, endsOf, pointsOf, scoreHistory } from '@/core/scoring';
import { guessMapping, readRow } from '@/core/table';
import { DEFAULT_UNITS } from '@/core/units';
import { puttTables, scores as scoreTable } from '@/features/export/tables';
import { programmeForm } from '@/features/programme/programme-form-schema';
import { SkillRuler } from '@/features/students/skill-ruler';
import { ruledOf } from '@/features/students/skill-words';
import { dice } from './player/player';

jest.mock('server-only', () => ({}));
// The chart is drawn on a canvas, which is not here: what it is given is what counts.
jest.mock('@/ui/trend-chart', () => ({
  TrendChart: (props: object) => <script type="application/json">{JSON.stringify(props)}</script>,
}));
jest.mock('@/ui/use-size', () => ({
  useSize: () => [() => undefined, { width: 600, height: 100 }],
}));

/** One file and one line of the register is all that a quantity takes: this is the file, and the test the line. */
const twist: Quantity = {
  id: 'shaftLean',
  name: 'Shaft lean',
  symbol: 'ψ',
  about: 'How far the shaft leans towards the hole at impact.',
  dimension: 'angle',
  digits: { amount: 1, bias: 1 },
  says: 'lean within',
  ends: () => ({ left: 'back', right: 'forward' }),
  good: { window: 0.03, source: 'made up for this test' },
  nothing: 0.001,
  prior: {
    biasSpread: 0.05,
    middleSpread: 0.02,
    logSpreadSpread: 0.6,
    step: { bias: 0.002, logSpread: 0.04 },
    slip: 0.2,
  },
  told: { words: 'a shaft sensor', drill: null },
  instrument: { error: 0.004, mount: 0.006 },
  sane: 1,
  trained: { name: 'lean of the shaft', phase: 'technique', usual: 2 },
  misses: [
    {
      id: 'forward lean',
      side: () => 1,
      least: 0.02,
      putts: 30,
      seen: (size) => `The shaft leans ${((size * 180) / Math.PI).toFixed(0)}° forward`,
      cause: 'The hands lead the head.',
    },
  ],
  columns: ['shaft lean', 'lean of the shaft'],
};

const { layout } = libraryDrill('straight-gate')!;
let away: () => void;
beforeAll(() => (away = addQuantity(twist)));
afterAll(() => away());

/** Two sessions of a player who leans the shaft 3° forward, give or take one. */
const history = () => {
  const random = dice(4);
  return [0, 1].map((week) => ({
    id: `${week}`,
    at: new Date(Date.UTC(2026, 0, 1 + 7 * week)),
    runs: [
      {
        layout,
        putts: Array.from({ length: 40 }, (): Putt => ({
          outcomes: {},
          measured: { shaftLean: { value: 0.052 + 0.0175 * random.normal(), by: 'a sensor' } },
        })),
      },
    ],
  }));
};

test('is found in a score, carried from session to session, and in a change', () => {
  const scored = scoreHistory(history());
  const last = scored.at(-1)!;
  expect(last.basis.shaftLean).toBe(40);
  const score = last.carried.shaftLean!;
  expect(score.bias.low).toBeLessThan(0.052);
  expect(score.bias.high).toBeGreaterThan(0.052);
  expect(score.spread.middle).toBeGreaterThan(0.014);
  expect(score.spread.middle).toBeLessThan(0.022);
  const ends = endsOf(scored, 'shaftLean')!;
  expect(changeBetween(ends.then, ends.now, 'shaftLean', 0.92).ratio.middle).toBeGreaterThan(0.6);
});

test('is needed, belongs to a phase, is aimed at, and its bias is read as a miss', () => {
  const last = scoreHistory(history()).at(-1)!;
  const need = needsOf(last.carried, last.basis).find(({ skill }) => skill === 'shaftLean')!;
  expect(need.known).toBe(true);
  // Eight in ten of a normal lie within its bias and 0.84 spreads where the bias is some spreads large.
  expect(need.ratio).toBeCloseTo((0.052 + 0.842 * 0.0175) / 0.03, 0);
  const drill = drillDetails.parse({ skills: ['shaftLean'], misses: ['forward lean'] });
  expect(phaseOf(drill)).toBe('technique');
  expect(skillWords('shaftLean')).toBe('lean of the shaft');
  expect(programmeForm.shape.skill.safeParse('shaftLean').success).toBe(true);
  const points = { shaftLean: pointsOf(last.belief.carried, 'shaftLean', 0.92) };
  const known = {
    hand: 'right',
    school: 'arc',
    basis: { shaftLean: 80 },
    points,
    counts: NO_COUNTS,
  } as const;
  const [found] = readMisses(known as never);
  expect(found).toMatchObject({ id: 'forward lean', cause: 'The hands lead the head.', putts: 80 });
  expect(found!.seen).toMatch(/^The shaft leans 3° forward\.$/);
  away();
  expect(drillDetails.safeParse({ skills: ['shaftLean'] }).success).toBe(false);
  expect(programmeForm.shape.skill.safeParse('shaftLean').success).toBe(false);
  away = addQuantity(twist);
});

test('stands on a ruler of its own, in its words', () => {
  const last = scoreHistory(history()).at(-1)!;
  expect(ruledOf(last.basis)).toContain('shaftLean');
  const ruler = htmlOf(
    <SkillRuler
      skill="shaftLean"
      score={last.carried.shaftLean!}
      putts={80}
      change={null}
      hand="right"
    />,
  );
  expect(ruler).toContain('Shaft lean');
  expect(ruler).toMatch(/\d\.\d° forward/);
  expect(ruler).toContain('back');
});

test('has a trend', async () => {
  const { InDepth } = await import('@/features/students/in-depth');
  const shown = htmlOf(
    <InDepth
      student={{ id: 'x', hand: 'right' } as never}
      skill="shaftLean"
      sessions={[]}
      scores={scoreHistory(history())}
      layout={layout}
      units={DEFAULT_UNITS}
    />,
  );
  const chart = JSON.parse(
    /<script[^>]*>(.*?)<\/script>/.exec(shown)![1]!.replaceAll('&quot;', '"'),
  ) as { unit: string; points: { middle: number }[] };
  expect(chart.unit).toBe('°');
  expect(chart.points).toHaveLength(2);
  expect(shown).toContain('Shaft lean: the window by session');
});

test('has columns in an export, and rows among the scores', () => {
  const { putts } = puttTables(DEFAULT_UNITS);
  const names = putts.columns.map(({ name }) => name);
  expect(names.filter((name) => name.startsWith('shaftLean'))).toEqual([
    'shaftLean_rad',
    'shaftLean_deg',
    'shaftLean_error_rad',
  ]);
  const rows = scoreTable.rows({ studentId: 'x', scores: scoreHistory(history()) });
  const quantity = scoreTable.columns.findIndex(({ name }) => name === 'quantity');
  expect(rows.filter((row) => row[quantity] === 'shaftLean')).toHaveLength(6);
});

test('is known by the columns of a file that comes in', () => {
  const { mapping } = guessMapping([
    ['player', 'Lean of the shaft (deg)'],
    ['Ama', '2.5'],
  ]);
  expect(mapping.columns[1]!.target).toBe('shaftLean');
  const read = readRow(['Ama', '3'], mapping, 'file');
  expect(read.ok && read.row.values.shaftLean!.value).toBeCloseTo((3 * Math.PI) / 180, 12);
});
