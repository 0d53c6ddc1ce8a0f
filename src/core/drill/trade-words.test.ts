import { LIBRARY, tradeWords } from '.';

test('the trade’s words lead to what is meant, and to nothing else', () => {
  expect(tradeWords('a long putt that dies at the fringe')).toContain('lag');
  expect(tradeWords('round the hole at one distance')).toEqual(
    expect.arrayContaining(['clock', 'circle']),
  );
  expect(tradeWords('nothing of the kind')).toEqual([]);
});

test.each([
  'lag',
  'clock',
  'box',
  'bell',
  'speed',
  'tunnel',
  'rhythm',
  'yips',
  'sweet spot',
  'break',
])('some drill, but not every one, is a matter of %p', (word) => {
  const found = LIBRARY.filter(({ layout: _layout, rule: _rule, ...said }) =>
    tradeWords(JSON.stringify(said).toLowerCase()).includes(word),
  );
  expect(found.length).toBeGreaterThan(0);
  expect(found.length).toBeLessThan(LIBRARY.length);
});
