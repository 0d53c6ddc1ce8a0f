import { FOOT } from '@/core/units';
import { entry, hole, type LibraryDrill } from './entry';

/** What the player takes a putt to break, said before it is struck, or with no ball at all. */
export const READING: LibraryDrill[] = [
  entry({
    key: 'read-first',
    name: 'Say the read, then putt',
    purpose: 'Tells you whether a breaking putt was misread or mishit.',
    skills: ['reading', 'start', 'pace'],
    misses: ['misread', 'aim'],
    places: ['green', 'slope'],
    minutes: 15,
    dose: '12 putts, three from each spot',
    when: 'Use it when the ball goes through the gate but misses the hole.',
    whenNot: 'Do not use it before the pace is steady: the break depends on it.',
    steps: [
      'Look at the putt as usual.',
      'Say the read from the edge of the hole: “half a cup out, right”.',
      'Putt to that read. Look afterwards at what the ball really did.',
    ],
    judge: 'Judge the read and the result at the hole separately.',
    errors: [
      'The player changes the read after the putt. Only the read said before the putt counts.',
    ],
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
    name: 'Read without a ball',
    purpose: 'Make ten reads in five minutes with no ball and no stroke, using only the eyes.',
    skills: ['reading'],
    misses: ['misread'],
    places: ['green', 'busy green', 'slope'],
    minutes: 5,
    dose: '10 reads, each from a new side',
    when: 'Use it before a round, or where the green is too full to putt.',
    whenNot: 'Do not use it on a green whose speed and slope have not been measured.',
    steps: [
      'Choose a spot whose slope is known, and walk round it.',
      'From each side, say the read from the edge of the hole.',
      'Look at the correct read, and walk on.',
    ],
    judge: 'A read is right if it is the nearest of the reads you can choose.',
    errors: ['The player reads from the same side every time. Change sides, uphill and downhill.'],
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
