import { newChallenge, takeChallenge } from './challenges';

jest.mock('server-only', () => ({}));

const asked = (now?: number) => Buffer.from(newChallenge(now)).toString('base64url');

test('a challenge is answered once', () => {
  const challenge = asked();
  expect(takeChallenge(challenge)).toBe(true);
  expect(takeChallenge(challenge)).toBe(false);
});

test('one that was not made here, or was changed, is none', () => {
  const text = Buffer.from(asked(), 'base64url').toString();
  const [nonce, until, signature] = text.split('.') as [string, string, string];
  const as = (...parts: string[]) => Buffer.from(parts.join('.')).toString('base64url');
  expect(takeChallenge(as(nonce, String(Number(until) + 1), signature))).toBe(false);
  expect(takeChallenge(as('0'.repeat(32), until, signature))).toBe(false);
  expect(takeChallenge('')).toBe(false);
  expect(takeChallenge(as(nonce, until, signature))).toBe(true);
});

test('one runs out, and however many are asked for takes none away', () => {
  const now = Date.now();
  const first = asked(now);
  for (let many = 0; many < 2000; many++) asked(now);
  expect(takeChallenge(first, now + 5 * 60_000)).toBe(true);
  expect(takeChallenge(asked(now), now + 5 * 60_000 + 1)).toBe(false);
});
