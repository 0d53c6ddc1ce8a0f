import fc from 'fast-check';
import { cutTo } from './cut-to';

/** A type of which every letter is ten wide. */
const ten = (words: string) => 10 * words.length;

describe('words cut to a room', () => {
  it('stand as they are where they fit, and end in dots where they do not', () => {
    expect(cutTo('lead hand low', 130, ten)).toBe('lead hand low');
    expect(cutTo('lead hand low', 129, ten)).toBe('lead hand l…');
    expect(cutTo('lead hand low', 60, ten)).toBe('lead…');
  });

  it('never are wider than the room, so long as one letter fits', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1 }), fc.integer({ min: 20, max: 400 }), (words, room) => {
        const cut = cutTo(words, room, ten);
        expect(ten(cut)).toBeLessThanOrEqual(room);
        if (cut !== words) expect(words.startsWith(cut.slice(0, -1))).toBe(true);
      }),
    );
  });
});
