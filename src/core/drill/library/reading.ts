import { FOOT } from '@/core/units';
import { entry, hole, type LibraryDrill } from './entry';

/** What the player takes a putt to break, said before it is struck, or with no ball at all. */
export const READING: LibraryDrill[] = [
  entry({
    key: 'read-first',
    name: 'Say the read, then putt',
    purpose: 'Says whether a breaking putt was misread or mishit.',
    skills: ['reading', 'start', 'pace'],
    misses: ['misread', 'aim'],
    places: ['green', 'slope'],
    minutes: 15,
    dose: '12 putts, three from each spot',
    when: 'When the gate is clear and the hole is missed.',
    whenNot: 'Not before the pace is steady: the break goes with it.',
    steps: [
      'Look at the putt as always.',
      'Say the read from the edge of the hole: “half a cup out, right”.',
      'Putt it there. What came true is looked at afterwards.',
    ],
    judge: 'By the read and by the hole, each for itself.',
    errors: ['The read is changed after the putt: it is said before.'],
    rule: { type: 'putts', putts: 12 },
    putt: 8 * FOOT,
    slope: { grade: 0.02, falls: -Math.PI / 2 },
    parts: [
      { kind: 'stations', params: { shape: 'round', count: 4, balls: 3 } },
      { kind: 'readFirst' },
      hole,
    ],
    counts: 'hole',
    ladder: 'putt',
  }),
  entry({
    key: 'read-only',
    name: 'Read it, no ball',
    purpose: 'Ten reads in five minutes: no ball, no stroke, only the eyes.',
    skills: ['reading'],
    misses: ['misread'],
    places: ['green', 'busy green', 'slope'],
    minutes: 5,
    dose: '10 reads, from a new side each time',
    when: 'Before a round, or where the green is too full to putt.',
    whenNot: 'Not on a green whose speed and slope nobody has taken.',
    steps: [
      'Choose a spot whose slope is known. Walk round it.',
      'From each side say the read from the edge of the hole.',
      'Look at what it is, and walk on.',
    ],
    judge: 'By the nearest of what can be said.',
    errors: ['The same side every time: change sides, uphill and down.'],
    rule: { type: 'putts', putts: 10 },
    putt: 10 * FOOT,
    slope: { grade: 0.025, falls: -Math.PI / 2 },
    parts: [
      { kind: 'stations', params: { shape: 'round', count: 5, balls: 2 } },
      { kind: 'readFirst' },
    ],
    ladder: 'putt',
  }),
];
