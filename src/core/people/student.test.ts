import fc from 'fast-check';
import { groupsOf, studentValues } from '.';

const groups = (typed: string) => groupsOf({ groups: typed });

describe('the groups of a student', () => {
  it.each([
    ['', []],
    ['Tuesday class', ['Tuesday class']],
    [' Tuesday class ,juniors,, ', ['Tuesday class', 'juniors']],
    ['team, team', ['team']],
  ])('%p are %p', (typed, found) => expect(groups(typed)).toEqual(found));

  it('are each named once, without room around them, in the order in which they were typed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[a-z]{1,6}( [a-z]{1,4})?$/), { maxLength: 8 }),
        (names) => {
          const found = groups(names.join(' , '));
          expect(found).toEqual([...new Set(names)]);
        },
      ),
    );
  });

  it('may have 120 letters, and a student of before has none', () => {
    const { shape } = studentValues;
    expect(shape.groups.parse(undefined)).toBe('');
    expect(shape.groups.safeParse('x'.repeat(121)).error!.issues[0]!.message).toBe(
      'The list of groups is too long: use at most 120 characters.',
    );
  });
});
