import { SignInDelay } from './sign-in-delay';

/** A delay with a clock that is moved by hand. */
function withClock() {
  let now = 0;
  const delay = new SignInDelay(() => now);
  return { delay, later: (seconds: number) => void (now += 1000 * seconds) };
}

test('five wrong tries are free; then each further one waits twice as long, up to a minute', () => {
  const { delay, later } = withClock();
  for (let tries = 0; tries < 5; tries++) expect(delay.attempt(['account'])).toBe(0);
  const waits: number[] = [];
  for (let tries = 0; tries < 9; tries++) {
    const wait = delay.attempt(['account']);
    waits.push(wait);
    later(wait);
    expect(delay.attempt(['account'])).toBe(0);
  }
  // 1, 2, 4 … s, by hand.
  expect(waits).toEqual([1, 2, 4, 8, 16, 32, 60, 60, 60]);
});

test('tries made at the same moment count all', () => {
  const { delay } = withClock();
  const answers = Array.from({ length: 50 }, () => delay.attempt(['account', 'address']));
  expect(answers.filter((wait) => wait === 0)).toHaveLength(5);
});

test('one who got in, and one who waited a quarter of an hour, starts anew', () => {
  const { delay, later } = withClock();
  for (let tries = 0; tries < 5; tries++) delay.attempt(['account']);
  delay.succeeded(['account']);
  for (let tries = 0; tries < 5; tries++) expect(delay.attempt(['account'])).toBe(0);
  expect(delay.attempt(['account'])).toBe(1);
  later(15 * 60);
  expect(delay.attempt(['account'])).toBe(0);
});

test('a stranger’s tries do not hold up a browser that is counted by itself', () => {
  const { delay } = withClock();
  for (let tries = 0; tries < 20; tries++) delay.attempt(['address far', 'account']);
  expect(delay.attempt(['address near', 'account'])).toBeGreaterThan(0);
  expect(delay.attempt(['device of the coach'])).toBe(0);
});
