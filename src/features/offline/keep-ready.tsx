'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { deliverAll, refreshKept } from './sync';

/** How long a page is left to settle first, ms. */
const FIRST = 6000;

/** Keeps this device ready for a green with no signal, and sends what was begun there; shows nothing. */
export function KeepReady({ home = '' }: { home?: string }) {
  const path = usePathname();
  useEffect(() => {
    const timer = setTimeout(() => {
      void deliverAll(home)
        .then(() => refreshKept(home))
        .catch(() => undefined);
    }, FIRST);
    return () => clearTimeout(timer);
  }, [home, path]);
  return null;
}
