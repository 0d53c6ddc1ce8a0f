'use client';

import { useMemo, type ReactNode } from 'react';
import { Beside } from '../instruments/beside';
import { nextInPlan } from '../programme/actions';
import { OpenOnPhone } from '../sign-in/open-on-phone';
import { built, move, reopen, rotate, swap } from './actions';
import { WaysProvider, type Ways } from './ways';

const COACH: Omit<Ways, 'sender'> = {
  sendTo: (runId) => `/api/runs/${runId}/putts`,
  live: '/api/live',
  reopen,
  move,
  swap,
  rotate,
  next: nextInPlan,
  built,
  head: <OpenOnPhone stands="in a head" />,
  more: (
    <>
      <OpenOnPhone stands="in a menu" />
      <Beside />
    </>
  ),
  player: (studentId) => `/students/${studentId}`,
  review: (sessionId) => `/sessions/${sessionId}/review`,
  start: '/',
};

/** The coach who logs: their id, and what they are called. */
export interface CoachWho {
  id: string;
  name: string;
}

/** What logs and reviews within it does so as a coach. */
export function CoachWays({
  coach: { id, name },
  children,
}: {
  coach: CoachWho;
  children: ReactNode;
}) {
  const ways = useMemo(
    (): Ways => ({ ...COACH, sender: { home: '', owner: id, ownerName: name } }),
    [id, name],
  );
  return <WaysProvider value={ways}>{children}</WaysProvider>;
}
