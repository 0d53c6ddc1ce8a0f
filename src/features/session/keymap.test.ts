import { actionOf, canBeSet, keysFor, keyWords, withKey, type KeyMap } from './keymap';

describe('the keys of logging', () => {
  it('are the usual ones until others are set', () => {
    expect(
      [' ', 'ArrowLeft', 'ArrowRight', 'n', 'N', 'Enter', 'u', 'Backspace'].map((key) =>
        actionOf(key, {}),
      ),
    ).toEqual(['clear', 'left', 'right', 'next', 'next', 'next', 'undo', 'undo']);
    expect(actionOf('PageDown', {})).toBeNull();
    expect(actionOf('b', {})).toBeNull();
  });

  it('are any that a presenter’s remote sends', () => {
    let map: KeyMap = {};
    for (const [action, key] of [
      ['clear', 'PageDown'],
      ['left', 'PageUp'],
      ['right', 'B'],
    ] as const) {
      map = withKey(map, action, key);
    }
    expect(['PageDown', 'PageUp', 'b', 'B'].map((key) => actionOf(key, map))).toEqual([
      'clear',
      'left',
      'right',
      'right',
    ]);
    // The usual ones still do what they did.
    expect(actionOf(' ', map)).toBe('clear');
    expect(keysFor('clear', map).map(keyWords)).toEqual(['Page down', 'Space']);
  });

  it('do one thing each: what is set anew is taken from what it did', () => {
    const first = withKey({}, 'left', 'PageUp');
    const then = withKey(first, 'undo', 'PageUp');
    expect(then).toEqual({ undo: 'PageUp' });
    const taken = withKey({}, 'left', 'n');
    expect(actionOf('n', taken)).toBe('left');
    expect(keysFor('next', taken)).toEqual(['Enter']);
  });

  it('are none that move about', () => {
    for (const key of ['Tab', 'Escape', 'Shift']) expect(canBeSet(key)).toBe(false);
    for (const key of ['PageUp', 'b', '.', 'F5']) expect(canBeSet(key)).toBe(true);
  });
});
