import type { AsyncLocalStorage } from 'node:async_hooks';

/** What is known of the request that is being answered. */
interface RequestContext {
  id: string;
  /** Aborted when whoever asked has gone. */
  signal: AbortSignal;
}

/** Set by the server before the application starts. */
const current = (): RequestContext | undefined =>
  (globalThis as { dirigoRequest?: AsyncLocalStorage<RequestContext> }).dirigoRequest?.getStore();

/** Returns the id of the request that is being answered, as the log has it; undefined outside of one. */
export const requestId = (): string | undefined => current()?.id;

/** Returns the signal that is aborted when whoever asked has gone; undefined outside of a request. */
export const requestSignal = (): AbortSignal | undefined => current()?.signal;
