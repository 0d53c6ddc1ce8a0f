import 'server-only';
import { pino } from 'pino';
import { requestId } from './request-context';

/** Stack frames that are logged of an error. */
const MOST_FRAMES = 12;

/**
 * Returns what is logged of an error: its class, its code and where it happened. Its message is left out, because it may quote what
 * somebody typed: a name, a note, a secret.
 */
export function safeError(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const code =
    (error as NodeJS.ErrnoException).code ??
    /\b(SQLITE_[A-Z]+|ENOSPC|EACCES)\b/.exec(error.message)?.[1];
  const frames = (error.stack ?? '')
    .split('\n')
    .filter((line) => line.trimStart().startsWith('at '))
    .slice(0, MOST_FRAMES)
    .map((line) => line.trim());
  return { type: error.name, ...(code && { code }), frames };
}

/** The server's structured log: a line of JSON for each event, on standard error. docs/operations.md lists the events. */
export const log = pino(
  {
    level: process.env.DIRIGO_LOG_LEVEL ?? 'info',
    base: undefined,
    timestamp: pino.stdTimeFunctions.isoTime,
    formatters: { level: (label) => ({ level: label }) },
    serializers: { err: safeError },
    // Each line names the request that it belongs to.
    mixin: () => {
      const request = requestId();
      return request ? { request } : {};
    },
  },
  pino.destination({ fd: 2, sync: true }),
);
