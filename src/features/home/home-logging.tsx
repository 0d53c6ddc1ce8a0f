'use client';

import { useMemo } from 'react';
import { Logging, type LoggingProps } from '../session/logging';
import { WaysProvider, type Ways } from '../session/ways';
import { moveAtHome, reopenAtHome } from './actions';

/** The logging screen as a student has it at home: the same, without what is the coach's to do. */
export function HomeLogging({
  token,
  student,
  ...props
}: LoggingProps & { token: string; student: { id: string; name: string } }) {
  const ways = useMemo(
    (): Ways => ({
      sendTo: (runId) => `/home/${token}/runs/${runId}`,
      live: null,
      sender: { home: token, owner: student.id, ownerName: student.name },
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
    [token, student],
  );
  return (
    <WaysProvider value={ways}>
      <Logging {...props} />
    </WaysProvider>
  );
}
