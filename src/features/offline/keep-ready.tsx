'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';

/** How long a page is left to settle first, ms. */
const FIRST = 6000;

/** Keeps this device ready for a green with no signal; shows nothing. */
export function KeepReady({ home = '' }: { home?: string }) {
  const path = usePathname();
  useEffect(() => {
    const timer = setTimeout(() => {
      // Fetched only now: no page waits for what keeps it.
      void import('./sync').then(({ refreshKept }) => refreshKept(home)).catch(() => undefined);
    }, FIRST);
    return () => clearTimeout(timer);
  }, [home, path]);
  return null;
}
