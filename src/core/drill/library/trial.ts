import { FOOT, INCH } from '@/core/units';
import { entry, type LibraryDrill } from './entry';

const gate = { kind: 'ballGate' as const, params: { distance: 18 * INCH, gap: 0.06 } };

/** One thing against another, in sets by lot: what a coach would else decide by feel. */
export const TRIAL: LibraryDrill[] = [
  entry({
    key: 'trial-putters',
    name: 'Putter against putter',
    purpose: 'Says which of two putters starts the ball better, and how sure that is.',
    skills: ['start'],
    misses: ['push', 'pull'],
    places: ['green', 'busy green', 'carpet'],
    minutes: 35,
    dose: '8 sets of 5 with each, in an order drawn by lot',
    when: 'Before a putter is bought or bent.',
    whenNot: 'Not in the first minutes with a new one: let it be putted in.',
    steps: [
      'Name the two in the rule of your own copy, or call them one and the other.',
      'Lay both beside the ball. Take the one that is named on the screen.',
      'Five putts, then look at the screen: the same again, or the other.',
    ],
    judge: 'By the gate; the verdict comes at the end.',
    errors: ['Taking the favourite when it is the other’s turn.'],
    cap: { putts: 100, minutes: 60 },
    rule: { type: 'trial', a: 'own putter', b: 'the other', set: 5, sets: 8, lot: 0 },
    putt: 8 * FOOT,
    parts: [gate],
    ladder: 'gap',
  }),
  entry({
    key: 'trial-grips',
    name: 'Grip against grip',
    purpose:
      'Says which of two grips, balls or stances starts the ball better, and how sure that is.',
    skills: ['start'],
    misses: ['push', 'pull'],
    places: ['green', 'busy green', 'carpet'],
    minutes: 35,
    dose: '8 sets of 5 with each, in an order drawn by lot',
    when: 'When a change feels better and nobody knows whether it is.',
    whenNot: 'Not on the day a grip is first tried.',
    steps: [
      'Name the two in the rule of your own copy: grips, balls, stances, eyes.',
      'Take the one that is named on the screen.',
      'Five putts, then look at the screen: the same again, or the other.',
    ],
    judge: 'By the gate; the verdict comes at the end.',
    errors: ['Changing more than the one thing.'],
    cap: { putts: 100, minutes: 60 },
    rule: { type: 'trial', a: 'usual grip', b: 'the new one', set: 5, sets: 8, lot: 0 },
    putt: 8 * FOOT,
    parts: [gate],
    ladder: 'gap',
  }),
];
