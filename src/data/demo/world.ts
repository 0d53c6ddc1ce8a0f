import { DEGREE, FOOT, INCH } from '@/core/units';
import { COMMON_KIT, type StudentValues } from '@/core/people';
import type { TruePath } from '@/core/simulate';

/** The demo's own world: a nine-hole course on a canal wharf, its coach and her students. All of it is made up. */
export const COACH = 'Tilda Vrane';

interface DemoGreen {
  name: string;
  notes: string;
  spots: { name: string; percent: number; falls: number }[];
  /** Speed by day of the ten weeks, m. */
  speed: [day: number, metres: number][];
}

/** Autumn on the wharf: the greens slow down as they get wet. */
export const GREENS: DemoGreen[] = [
  {
    name: 'Bollard green',
    notes: 'Practice green behind the chandlery. Greenkeeper: no tees within a step of the holes.',
    spots: [
      { name: 'Crane side', percent: 1.8, falls: -90 },
      { name: 'Rope rack, uphill', percent: 1.4, falls: 150 },
      { name: 'By the steps', percent: 0.4, falls: 60 },
    ],
    speed: [
      [2, 10.4 * FOOT],
      [13, 10.2 * FOOT],
      [24, 9.8 * FOOT],
      [37, 9.9 * FOOT],
      [48, 9.4 * FOOT],
      [59, 9.1 * FOOT],
      [67, 9.3 * FOOT],
    ],
  },
  {
    name: 'Lock green',
    notes: 'The fourth. Slower than the practice green all winter.',
    spots: [{ name: 'Above the lock gate', percent: 2.4, falls: -45 }],
    speed: [
      [20, 8.7 * FOOT],
      [55, 8.2 * FOOT],
    ],
  },
];

interface DemoDrill {
  key: string;
  name: string;
  distance: number;
  gate: number;
  gap: number;
  /** The built-in drill that says what it is for. */
  like: string;
  /** The spot it was read at: green and spot by their places in the list. */
  spot?: [green: number, spot: number];
}

export const DRILLS: DemoDrill[] = [
  {
    key: 'roomy',
    name: 'Roomy gate',
    like: 'straight-gate',
    distance: 6 * FOOT,
    gate: 12 * INCH,
    gap: 0.067,
  },
  {
    key: 'straight',
    name: 'Straight gate',
    like: 'straight-gate',
    distance: 8 * FOOT,
    gate: 18 * INCH,
    gap: 0.06,
  },
  {
    key: 'close',
    name: 'Close gate',
    like: 'straight-gate',
    distance: 8 * FOOT,
    gate: 18 * INCH,
    gap: 0.054,
  },
  {
    key: 'halfway',
    name: 'Half-way gate',
    like: 'half-way-gate',
    distance: 7 * FOOT,
    gate: 3.5 * FOOT,
    gap: 0.075,
  },
  {
    key: 'breaking',
    name: 'Start gate, crane side',
    like: 'breaking-start-gate',
    distance: 8 * FOOT,
    gate: 12 * INCH,
    gap: 0.06,
    spot: [0, 0],
  },
];

/** Built-in drills that the coach has taken into her own. */
export const TAKEN = ['three-in-one', 'putter-gate-level', 'box-gate'];

interface DemoStudent {
  values: StudentValues;
  /** Hidden true start line, in degrees, right positive, by day of the ten weeks. */
  truth: [day: number, bias: number, spread: number][];
  /** Days of the ten weeks on which they came. */
  days: number[];
  /** Drill by third of the ten weeks. */
  drills: [string, string, string];
  putts: number;
}

const every = (step: number, from = 1, until = 69): number[] =>
  Array.from({ length: Math.floor((until - from) / step) + 1 }, (_, i) => from + i * step);

interface Fitted {
  seated: boolean;
  /** Degrees. */
  lie: number;
  school: StudentValues['school'];
  kit: StudentValues['kit'];
}

const person = (
  name: string,
  hand: 'right' | 'left',
  level: StudentValues['level'],
  head: [length: number, depth: number],
  notes: string,
  { seated = false, lie = 70, school = 'arc', kit = [] }: Partial<Fitted> = {},
): StudentValues => ({
  name,
  hand,
  level,
  seated,
  notes,
  school,
  kit: [...COMMON_KIT, ...kit],
  putter: { headLength: head[0] / 1000, headDepth: head[1] / 1000, lieAngle: lie * DEGREE },
});

export const STUDENTS: DemoStudent[] = [
  {
    values: person(
      'Oona Brandt',
      'left',
      'steady',
      [112, 24],
      'Blade. Pushes when she hurries the read.',
    ),
    truth: [
      [0, -0.55, 1.15],
      [40, -0.35, 0.85],
      [70, -0.25, 0.68],
    ],
    days: every(5),
    drills: ['straight', 'straight', 'close'],
    putts: 40,
  },
  {
    values: person(
      'Ivo Castellane',
      'right',
      'advanced',
      [98, 88],
      'Mallet. Plays off two; wants numbers.',
      { lie: 72, school: 'straight', kit: ['rod', 'mirror', 'string'] },
    ),
    truth: [
      [0, 0.1, 0.72],
      [70, 0.05, 0.58],
    ],
    days: every(7, 3),
    drills: ['straight', 'close', 'close'],
    putts: 50,
  },
  {
    values: person(
      'Pim Okolind',
      'right',
      'improving',
      [90, 22],
      'Junior, eleven. Her aunt brings her; short sets.',
    ),
    truth: [
      [0, 0.6, 2.1],
      [35, 0.5, 1.6],
      [70, 0.3, 1.35],
    ],
    days: every(7, 4),
    drills: ['roomy', 'roomy', 'straight'],
    putts: 20,
  },
  {
    values: person(
      'Greta Solvang',
      'right',
      'steady',
      [104, 70],
      'Putts seated. Rest after every ten.',
      { seated: true, lie: 64 },
    ),
    truth: [
      [0, -0.4, 1.2],
      [70, -0.2, 1.05],
    ],
    days: every(7, 2),
    drills: ['straight', 'halfway', 'straight'],
    putts: 30,
  },
  {
    values: person('Desmond Arkwhistle', 'right', 'beginner', [115, 30], 'Began in September.'),
    truth: [
      [0, 0.9, 2.9],
      [70, 0.7, 1.9],
    ],
    days: every(7, 5),
    drills: ['roomy', 'roomy', 'roomy'],
    putts: 25,
  },
  {
    values: person(
      'Yusra Malkey',
      'right',
      'improving',
      [110, 60],
      'Pulls under pressure, she says.',
    ),
    truth: [
      [0, -0.9, 1.3],
      [30, -0.6, 1.2],
      [70, -0.15, 1.05],
    ],
    days: every(6, 2),
    drills: ['straight', 'straight', 'breaking'],
    putts: 30,
  },
  {
    values: person('Hollis Fenn', 'left', 'improving', [108, 26], ''),
    truth: [
      [0, 0.2, 1.4],
      [70, 0.25, 1.4],
    ],
    days: every(9, 6),
    drills: ['straight', 'straight', 'straight'],
    putts: 30,
  },
  {
    values: person('Bram Quistle', 'right', 'steady', [112, 45], 'Says he practises.'),
    truth: [
      [0, 0.3, 1.5],
      [70, 0.4, 1.6],
    ],
    days: [8, 43],
    drills: ['straight', 'straight', 'straight'],
    putts: 15,
  },
];

/** A demo student's hidden truth as the simulator reads it, in radians. */
export const truePath = ({ truth }: DemoStudent): TruePath =>
  truth.map(([day, bias, spread]) => ({
    day,
    truth: { bias: bias * DEGREE, spread: spread * DEGREE },
  }));
