'use client';

import { useEffect } from 'react';

/** How often a page that stays open asks which build answers, ms. */
const EVERY = 5 * 60_000;

/** A reload for the same build twice within this time would be a circle, ms. */
const APART = 10_000;
const RELOADED = 'dirigo-reloaded';

/** Loads this page anew, unless that was done just now: what was logged lies on the device and comes back. */
export function reloadOnce(): boolean {
  const last = Number(sessionStorage.getItem(RELOADED) ?? 0);
  if (Date.now() - last < APART) return false;
  sessionStorage.setItem(RELOADED, String(Date.now()));
  window.location.reload();
  return true;
}

/**
 * After an upgrade a page of the old build loads itself anew, when it comes back into sight and every few minutes; before it
 * would fail at something that the new build no longer knows.
 */
export function FreshPage({ build }: { build: string }) {
  useEffect(() => {
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      const answers = await fetch('/build', { cache: 'no-store' }).then(
        async (response) => (response.ok ? response.text() : null),
        () => null,
      );
      if (answers !== null && answers !== build) reloadOnce();
    };
    // A server that was still waking up may have been passed over for the old page that this device keeps.
    const again = setTimeout(() => void ask(), APART);
    const every = setInterval(() => void ask(), EVERY);
    const seen = () => void ask();
    document.addEventListener('visibilitychange', seen);
    window.addEventListener('online', seen);
    return () => {
      clearTimeout(again);
      clearInterval(every);
      document.removeEventListener('visibilitychange', seen);
      window.removeEventListener('online', seen);
    };
  }, [build]);
  return null;
}
