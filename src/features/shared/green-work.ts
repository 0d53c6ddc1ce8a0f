'use client';

import { wrap, type Remote } from 'comlink';
import type { GreenWork } from '@/workers/green.worker';

let remote: Remote<GreenWork> | undefined;

/** Heavy reckoning on a green: one worker for the page, started when it is first asked for. */
export function greenWork(): Remote<GreenWork> {
  remote ??= wrap<GreenWork>(
    new Worker(new URL('../../workers/green.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
