import { FOOT, INCH } from '@/core/units';
import { entry, type LibraryDrill } from './entry';

const gate = { kind: 'ballGate' as const, params: { distance: 18 * INCH, gap: 0.06 } };

/** One thing against another, in sets by lot: what a coach would else decide by feel. */
export const TRIAL: LibraryDrill[] = [
  entry({
    key: 'trial-putters',
    name: 'Compare two putters',
    purpose: 'Shows which of two putters starts the ball better, and how sure that is.',
    skills: ['start'],
    misses: ['push', 'pull'],
    places: ['green', 'busy green', 'carpet'],
    minutes: 35,
    dose: '8 sets of 5 with each, in random order',
    when: 'Use it before a putter is bought or bent.',
    whenNot: 'Do not use it in the first minutes with a new putter: let the player get used to it.',
    steps: [
      'Name the two putters in the rule of your own copy, or call them one and the other.',
      'Lay both putters beside the ball. Take the one named on the screen.',
      'Hit five putts, then look at the screen. It says whether to keep the same one or take the other.',
    ],
    judge: 'Each putt is judged by the gate. The result comes at the end.',
    errors: ['The player takes the favourite when it is the other’s turn.'],
    cap: { putts: 100, minutes: 60 },
    rule: { type: 'trial', a: 'own putter', b: 'other putter', set: 5, sets: 8, lot: 0 },
    putt: 8 * FOOT,
    parts: [gate],
    ladder: 'gap',
  }),
  entry({
    key: 'trial-grips',
    name: 'Compare two grips',
    purpose:
      'Shows which of two grips, balls or stances starts the ball better, and how sure that is.',
    skills: ['start'],
    misses: ['push', 'pull'],
    places: ['green', 'busy green', 'carpet'],
    minutes: 35,
    dose: '8 sets of 5 with each, in random order',
    when: 'Use it when a change feels better and nobody knows whether it is.',
    whenNot: 'Do not use it on the day a grip is first tried.',
    steps: [
      'Name the two in the rule of your own copy: grips, balls, stances or eyes.',
      'Take the one named on the screen.',
      'Hit five putts, then look at the screen. It says whether to keep the same one or take the other.',
    ],
    judge: 'Each putt is judged by the gate. The result comes at the end.',
    errors: ['The player changes more than one thing.'],
    cap: { putts: 100, minutes: 60 },
    rule: { type: 'trial', a: 'usual grip', b: 'new grip', set: 5, sets: 8, lot: 0 },
    putt: 8 * FOOT,
    parts: [gate],
    ladder: 'gap',
  }),
];
