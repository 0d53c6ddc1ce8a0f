'use client';

import { useEffect } from 'react';

/**
 * Keeps this page on the device, so that it opens again with no server; and the screen awake while it is in sight.
 *
 * Neither can be had everywhere: without them the session goes on as it did.
 */
export function useKeptPage(): void {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    const keep = async () => {
      const build = document.documentElement.dataset.build ?? 'development';
      await navigator.serviceWorker.register(`/sw.js?build=${encodeURIComponent(build)}`);
      const { active } = await navigator.serviceWorker.ready;
      const files = performance
        .getEntriesByType('resource')
        .map(({ name }) => name)
        .filter((name) => name.includes('/_next/static/'));
      active?.postMessage({ page: window.location.href, files });
    };
    void keep().catch(() => undefined);
  }, []);

  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const hold = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      lock = await navigator.wakeLock.request('screen').catch(() => null);
    };
    void hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, []);
}
