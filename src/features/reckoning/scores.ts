import 'server-only';
import { createHash } from 'node:crypto';
import { scoreHistory, type LoggedSession } from '@/core/scoring';

/** Players whose scores are kept at once. */
const MOST = 200;

/** Keeps what was reckoned last for each player, as long as what it depends on stays the same. */
function kept<T>(reckon: (sessions: LoggedSession[], faceShare: number) => T) {
  const known = new Map<string, { of: string; value: T }>();
  return (player: string, sessions: LoggedSession[], faceShare: number): T => {
    const of = createHash('sha1')
      .update(JSON.stringify([faceShare, sessions]))
      .digest('base64');
    const found = known.get(player);
    if (found?.of === of) return found.value;
    const value = reckon(sessions, faceShare);
    known.delete(player);
    known.set(player, { of, value });
    const oldest = known.keys().next();
    if (known.size > MOST && !oldest.done) known.delete(oldest.value);
    return value;
  };
}

/** A player's sessions scored one after the other. */
export const keptHistory = kept(scoreHistory);
