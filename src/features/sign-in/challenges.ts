import 'server-only';
import { randomUUID } from 'node:crypto';

/** How long a passkey may take to answer, ms. */
const PATIENCE = 5 * 60_000;
/** Questions that are open at once; beyond it the oldest is forgotten. */
const MOST = 500;

const kept = globalThis as typeof globalThis & {
  dirigoChallenges?: Map<string, { challenge: string; until: number }>;
};

const open = () => (kept.dirigoChallenges ??= new Map());

/** Keeps what a passkey was asked, until it answers. */
export function keepChallenge(challenge: string): string {
  const asked = open();
  const id = randomUUID();
  asked.set(id, { challenge, until: Date.now() + PATIENCE });
  if (asked.size > MOST) asked.delete(asked.keys().next().value!);
  return id;
}

/** What a passkey was asked; a question is answered once. */
export function takeChallenge(id: string): string | null {
  const found = open().get(id);
  open().delete(id);
  return found && found.until > Date.now() ? found.challenge : null;
}
