'use client';

import { useMemo } from 'react';
import { Logging, type LoggingProps } from '../session/logging';
import { WaysProvider, type Ways } from '../session/ways';
import { finishAtHome, moveAtHome, reopenAtHome } from './actions';

/** The logging screen as a student has it at home: the same, without what is the coach's to do. */
export function HomeLogging({ token, ...props }: LoggingProps & { token: string }) {
  const ways = useMemo(
    (): Ways => ({
      sendTo: (runId) => `/home/${token}/runs/${runId}`,
      live: null,
      finish: finishAtHome.bind(null, token),
      reopen: reopenAtHome.bind(null, token),
      move: moveAtHome.bind(null, token),
      swap: null,
      rotate: null,
      next: null,
      built: null,
      head: null,
      more: null,
      player: () => `/home/${token}`,
      review: (sessionId) => `/home/${token}/sessions/${sessionId}/done`,
      start: `/home/${token}`,
    }),
    [token],
  );
  return (
    <WaysProvider value={ways}>
      <Logging {...props} />
    </WaysProvider>
  );
}
