import { rememberPutt, undoTarget } from './own-putts';

const putt = (id: string, second: number) => ({
  id,
  at: `2026-11-26T09:00:${String(second).padStart(2, '0')}.000Z`,
});

/** A tab's storage. */
function withStorage(): void {
  const kept = new Map<string, string>();
  Object.defineProperty(globalThis, 'sessionStorage', {
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    },
    configurable: true,
  });
}
beforeEach(withStorage);

test('in a rotation the newest putt of this screen is undone, whoever made it', () => {
  // First player through, second left, first through.
  for (const id of ['a', 'b', 'c']) rememberPutt(id);
  const players = [[putt('a', 1), putt('c', 3)], [putt('b', 2)]];
  expect(undoTarget(players)).toEqual({ player: 0, putt: putt('c', 3), own: true });
  // Undone, the one before it comes next: the second player's.
  expect(undoTarget([[putt('a', 1)], [putt('b', 2)]])).toMatchObject({ player: 1, own: true });
});

test('a putt of another device is no putt of this screen, however new it is', () => {
  rememberPutt('a');
  expect(undoTarget([[putt('a', 1), putt('x', 9)]])).toMatchObject({
    putt: { id: 'a' },
    own: true,
  });
  // Where nothing of this screen is left it is asked for.
  expect(undoTarget([[putt('x', 9), putt('w', 4)]])).toMatchObject({
    putt: { id: 'x' },
    own: false,
  });
});

test('there is nothing to undo before the first putt', () => {
  expect(undoTarget([[], []])).toBeNull();
});

test('a browser that keeps nothing asks before it undoes', () => {
  Object.defineProperty(globalThis, 'sessionStorage', {
    get: () => {
      throw new DOMException('Not here.', 'SecurityError');
    },
    configurable: true,
  });
  rememberPutt('a');
  expect(undoTarget([[putt('a', 1)]])).toMatchObject({ own: false });
});
