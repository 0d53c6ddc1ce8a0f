import { FOOT, INCH } from '@/core/units';
import { ballGate, entry, type LibraryDrill } from './entry';

/** Where the face points before anything moves: looked at, then putted. */
export const AIM: LibraryDrill[] = [
  entry({
    key: 'aim-string',
    name: 'Aim under a string',
    purpose: 'Tells you whether a miss came from the aim or from the stroke.',
    skills: ['aim', 'start'],
    misses: ['aim', 'push', 'pull'],
    minutes: 10,
    dose: '15 aim checks, each followed by its putt',
    when: 'Use it before any work on pushes and pulls, because some of them come from the aim.',
    whenNot:
      'Do not do all 15 at once with a player who is sick of looking down: do ten at a time.',
    steps: [
      'Step in and aim as usual. Keep your eyes up until the end.',
      'Then look at the string and say how the aim looks: square, left or right, and whether it is off by a whole ball.',
      'Leave the aim as it is, and putt.',
    ],
    judge: 'Judge the aim by the string and the putt by the gate. Keep the two apart.',
    errors: ['The player corrects the aim on seeing the string. Aim first, then look.'],
    rule: { type: 'putts', putts: 15 },
    putt: 8 * FOOT,
    parts: [{ kind: 'aimCheck', params: { by: 'string' } }, ballGate(18 * INCH, 0.064)],
    counts: 'gate',
    ladder: 'gap',
  }),
  entry({
    key: 'aim-coin',
    name: 'Aim at a coin',
    purpose: 'Trains the eyes and the face to agree on one spot. You aim without a ball.',
    skills: ['aim'],
    misses: ['aim'],
    places: ['green', 'busy green', 'carpet', 'home'],
    minutes: 6,
    dose: '10 aims',
    when: 'Use it as a warm-up, or where a ball would be in other people’s way.',
    whenNot:
      'Do not use it on its own for long: aim that is never followed by a putt is soon forgotten.',
    steps: [
      'Put a coin on the line. Step in, aim the face at the coin and look once.',
      'Have somebody stand behind you and say where the face points.',
      'Step out, walk round and do it again.',
    ],
    judge: 'The person behind says whether the face is square, or how many balls it is off by.',
    errors: ['The player aims the feet, and the face follows. Set the face first, then the feet.'],
    rule: { type: 'quota', passes: 8 },
    putt: 5 * FOOT,
    parts: [{ kind: 'aimCheck', params: { by: 'marks' } }],
    ladder: 'putt',
  }),
];
