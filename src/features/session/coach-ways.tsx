'use client';

import type { ReactNode } from 'react';
import { Beside } from '../instruments/beside';
import { nextInPlan } from '../programme/actions';
import { OpenOnPhone } from '../sign-in/open-on-phone';
import { built, finish, move, reopen, rotate, swap } from './actions';
import { WaysProvider, type Ways } from './ways';

const COACH: Ways = {
  sendTo: (runId) => `/api/runs/${runId}/putts`,
  live: '/api/live',
  finish,
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

/** What logs and reviews within it does so as a coach. */
export function CoachWays({ children }: { children: ReactNode }) {
  return <WaysProvider value={COACH}>{children}</WaysProvider>;
}
