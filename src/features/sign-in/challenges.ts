import 'server-only';
import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';

/** How long a passkey may take to answer, ms. */
const PATIENCE = 5 * 60_000;

/** Lives as long as the server: a challenge of before a restart is asked for again. Shared by all parts of the program. */
const kept = globalThis as typeof globalThis & {
  dirigoChallengeKey?: Buffer;
  /** Answered challenges and when they run out: each is answered once. */
  dirigoAnswered?: Map<string, number>;
};

const signed = (text: string): Buffer =>
  createHmac('sha256', (kept.dirigoChallengeKey ??= randomBytes(32)))
    .update(text)
    .digest();

/**
 * Makes what a passkey is asked to sign. It carries its own end and signature: nothing is kept of it, so that asking for many takes
 * nobody else's away.
 */
export function newChallenge(now = Date.now()): Uint8Array<ArrayBuffer> {
  const text = `${randomBytes(16).toString('hex')}.${now + PATIENCE}`;
  return new Uint8Array(Buffer.from(`${text}.${signed(text).toString('hex')}`));
}

/**
 * Returns whether a challenge was made here, has not run out, and was not answered before; it is then.
 *
 * @param challenge as the browser sends it back, in base64url
 */
export function takeChallenge(challenge: string, now = Date.now()): boolean {
  const text = Buffer.from(challenge, 'base64url').toString();
  const [nonce = '', until = '', signature = ''] = text.split('.');
  const expected = signed(`${nonce}.${until}`);
  const given = Buffer.from(signature, 'hex');
  if (given.length !== expected.length || !timingSafeEqual(given, expected)) return false;
  const answered = (kept.dirigoAnswered ??= new Map());
  for (const [one, end] of answered) if (end < now) answered.delete(one);
  if (Number(until) < now || answered.has(nonce)) return false;
  answered.set(nonce, Number(until));
  return true;
}
