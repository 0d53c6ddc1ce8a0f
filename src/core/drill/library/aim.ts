import { FOOT, INCH } from '@/core/units';
import { ballGate, entry, type LibraryDrill } from './entry';

/** Where the face points before anything moves: looked at, then putted. */
export const AIM: LibraryDrill[] = [
  entry({
    key: 'aim-string',
    name: 'Aim under a string',
    purpose: 'Says whether a putt was aimed there or stroked there.',
    skills: ['aim', 'start'],
    misses: ['aim', 'push', 'pull'],
    minutes: 10,
    dose: '15 looks, each followed by its putt',
    when: 'Before any work on pushes and pulls: some of them are aimed.',
    whenNot: 'Not with a player who is sick of looking down: ten at a time.',
    steps: [
      'Step in and aim as always, eyes up until the end.',
      'Say how the line looks: square, left, right, and whether by a ball.',
      'Leave it as it is, and putt.',
    ],
    judge: 'By the string, then by the gate: two things, told apart.',
    errors: ['The aim is mended when the string is seen: aim first, then look.'],
    rule: { type: 'putts', putts: 15 },
    putt: 8 * FOOT,
    parts: [{ kind: 'aimCheck', params: { by: 'string' } }, ballGate(18 * INCH, 0.064)],
    counts: 'gate',
    ladder: 'gap',
  }),
  entry({
    key: 'aim-coin',
    name: 'Aim at a coin',
    purpose: 'Eyes and face agree on one spot: aim without a ball.',
    skills: ['aim'],
    misses: ['aim'],
    places: ['green', 'busy green', 'carpet', 'home'],
    minutes: 6,
    dose: '10 aims',
    when: 'As a warm-up, or where the ball would be in the way of others.',
    whenNot: 'Not alone for long: aim that is never putted is soon forgotten.',
    steps: [
      'Coin on the line. Step in, aim the face at it, look once.',
      'Somebody behind says where the face points.',
      'Step out, walk round, again.',
    ],
    judge: 'By who stands behind: square, or by how many balls it is off.',
    errors: ['The feet are aimed, and the face follows: face first, feet after.'],
    rule: { type: 'quota', passes: 8 },
    putt: 5 * FOOT,
    parts: [{ kind: 'aimCheck', params: { by: 'marks' } }],
    ladder: 'putt',
  }),
];
