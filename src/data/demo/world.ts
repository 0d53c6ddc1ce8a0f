import { DEGREE, FOOT, INCH } from '@/core/units';
import { COMMON_KIT, type StudentValues } from '@/core/people';
import { isUsual, type Manner } from '@/core/drill';
import type { TruePath, Truth } from '@/core/simulate';
import type { Role } from '../principal';

/** The demo's own world: a nine-hole course on a canal wharf, its coach and her students. All of it is made up. */
export const COACH = 'Tilda Vrane';

/** Who else teaches on the wharf, and whose putting Tilda shares with them. */
export const OTHER_COACHES: {
  name: string;
  role: Role;
  shares: string[];
  consent: string;
}[] = [
  {
    name: 'Rufus Ankerholm',
    role: 'coach',
    shares: ['Oona Brandt'],
    consent: 'Oona asked for it herself at the lesson.',
  },
  {
    name: 'Mina Oakum',
    role: 'assistant',
    shares: ['Greta Solvang', 'Bram Quistle', 'Pim Okolind'],
    consent: 'All three agreed on the green. Pim’s mother agreed by letter.',
  },
];

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
    notes: 'The fourth green. Slower than the practice green all winter.',
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
    name: 'Wide gate',
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
    name: 'Tight gate',
    like: 'straight-gate',
    distance: 8 * FOOT,
    gate: 18 * INCH,
    gap: 0.054,
  },
  {
    key: 'halfway',
    name: 'Halfway gate',
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
export const TAKEN = [
  'three-in-one',
  'putter-gate-level',
  'box-gate',
  'marked-face',
  'limit-line',
  'held-finish',
  'two-three-four',
  'look-feel-blind',
  'lag-and-farther',
  'lead-hand-only',
];

/** What is putted beside the gate, visit by visit, and how many putts of it. */
export const BESIDE: [key: string, putts: number][] = [
  ['putter-gate-level', 12],
  ['limit-line', 12],
  ['box-gate', 14],
  ['marked-face', 10],
  ['held-finish', 10],
  ['three-in-one', 12],
  ['two-three-four', 15],
  ['look-feel-blind', 16],
  ['lag-and-farther', 14],
  ['lead-hand-only', 10],
];

interface Stroke {
  path: [number, number];
  strike: [number, number];
  pace: [number, number];
  height: [number, number];
}

interface DemoStudent {
  values: StudentValues;
  /** Hidden true start line, in degrees, right positive, by day of the ten weeks. */
  truth: [day: number, bias: number, spread: number][];
  /** The rest of the hidden truth: path in degrees, strike and height in mm, pace in per cent; bias and spread each. */
  stroke: Stroke;
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
  /** Between commas. */
  groups: string;
}

const person = (
  name: string,
  hand: 'right' | 'left',
  level: StudentValues['level'],
  head: [length: number, depth: number],
  notes: string,
  { seated = false, lie = 70, school = 'arc', kit = [], groups = '' }: Partial<Fitted> = {},
): StudentValues => ({
  name,
  hand,
  level,
  seated,
  notes,
  school,
  groups,
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
      { groups: 'Wharf team' },
    ),
    stroke: { path: [-1.2, 1.3], strike: [1.5, 3.4], pace: [-2, 8], height: [-0.5, 2.2] },
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
      'Mallet. Plays off two and wants numbers.',
      { lie: 72, school: 'straight', groups: 'Wharf team', kit: ['rod', 'mirror', 'string'] },
    ),
    stroke: { path: [0.3, 0.9], strike: [0.6, 2.2], pace: [1, 6], height: [0.2, 1.6] },
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
      'Junior, aged eleven. Her aunt brings her. Keep the sets short.',
    ),
    stroke: { path: [2.2, 2.6], strike: [-5.5, 6], pace: [6, 16], height: [-2, 3.6] },
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
      'Putts seated. Rests after every ten putts.',
      { seated: true, lie: 64 },
    ),
    stroke: { path: [-0.8, 1.4], strike: [3.8, 4.2], pace: [-9, 11], height: [-1, 2.4] },
    truth: [
      [0, -0.4, 1.2],
      [70, -0.2, 1.05],
    ],
    days: every(7, 2),
    drills: ['straight', 'halfway', 'straight'],
    putts: 30,
  },
  {
    values: person('Desmond Arkwhistle', 'right', 'beginner', [115, 30], 'Started in September.'),
    stroke: { path: [3.4, 3], strike: [-4, 7.5], pace: [-12, 20], height: [-2.5, 4] },
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
      'Says she pulls putts under pressure.',
    ),
    stroke: { path: [-2.6, 1.8], strike: [-2.4, 4.4], pace: [3, 10], height: [0, 2.4] },
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
    stroke: { path: [0.6, 2], strike: [2.2, 5], pace: [4, 12], height: [-0.6, 2.8] },
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
    stroke: { path: [1.4, 1.9], strike: [0, 4.6], pace: [-3, 13], height: [0.4, 2.6] },
    truth: [
      [0, 0.3, 1.5],
      [70, 0.4, 1.6],
    ],
    days: [8, 43],
    drills: ['straight', 'straight', 'straight'],
    putts: 15,
  },
];

/** How much of the start direction is the face's, for everybody in the demo. */
const FACE_SHARE = 0.92;

/** A demo student's hidden truth as the simulator reads it: the face is what makes the start line with their path. */
export const truePath = ({ truth, stroke }: DemoStudent): TruePath => {
  const scaled = ([bias, spread]: [number, number], unit: number) => ({
    bias: bias * unit,
    spread: spread * unit,
  });
  const path = scaled(stroke.path, DEGREE);
  const rest = 1 - FACE_SHARE;
  return truth.map(([day, bias, spread]) => {
    const start = scaled([bias, spread], DEGREE);
    return {
      day,
      truth: {
        face: {
          bias: (start.bias - rest * path.bias) / FACE_SHARE,
          spread: Math.sqrt(start.spread ** 2 - (rest * path.spread) ** 2) / FACE_SHARE,
        },
        path,
        strike: scaled(stroke.strike, 0.001),
        pace: scaled(stroke.pace, 0.01),
        height: scaled(stroke.height, 0.001),
        faceShare: FACE_SHARE,
      },
    };
  });
};

/** How a stroke that is not the usual one comes off: wilder, and with one hand it pulls the face with it. */
export function struckAs(truth: Truth, manner: Manner): Truth {
  if (isUsual(manner)) return truth;
  const wilder = (of: keyof Omit<Truth, 'faceShare'>, by: number, bias = 0) => ({
    bias: truth[of].bias + bias,
    spread: by * truth[of].spread,
  });
  const oneHand = manner === 'lead hand' || manner === 'trail hand';
  return {
    ...truth,
    face: wilder('face', oneHand ? 1.9 : 1.25, oneHand ? -0.8 * DEGREE : 0),
    path: wilder('path', 1.3),
    strike: wilder('strike', oneHand ? 1.6 : 1.2),
    pace: wilder('pace', 1.35, oneHand ? -0.06 : 0),
  };
}
