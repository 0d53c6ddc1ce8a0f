'use client';

import { useTranslations } from 'next-intl';
import { useEffect, useState } from 'react';
import { amountWaiting, waitingWords } from './waiting-words';
import { useWaiting } from './use-waiting';

/** How often what waits is tried again while a page is open, ms. */
const EVERY = 15_000;
/** How long a page is left to settle first, ms. */
const FIRST = 1500;

/**
 * Sends what waits on this device, whichever page is open, and says how much does. The room for it is made before the page is drawn,
 * by a flag that the queue keeps, so that nothing moves under a finger.
 */
export function WaitingBanner({ asking }: { asking: string | null }) {
  const t = useTranslations();
  const queue = useWaiting();
  // What had waited when the page came, and is sent: the line stays, so that nothing moves.
  const [waited, setWaited] = useState(false);
  const waits = (queue?.runs.length ?? 0) > 0;
  if (waits && !waited) setWaited(true);
  useEffect(() => {
    const send = () =>
      // Fetched only now: no page waits for it.
      void import('./send-waiting').then(({ sendWaiting }) => sendWaiting()).catch(() => undefined);
    const first = setTimeout(send, FIRST);
    const again = setInterval(send, EVERY);
    window.addEventListener('online', send);
    return () => {
      clearTimeout(first);
      clearInterval(again);
      window.removeEventListener('online', send);
    };
  }, []);
  const refused = queue?.refused ?? 0;
  const shown = waits || waited || refused > 0;
  return (
    <div
      role="status"
      data-shown={shown || undefined}
      className="waiting-banner border-b-[length:var(--stroke)] border-ink bg-line px-4 text-[0.9375rem] font-[620] text-sheet md:px-7 print:hidden"
    >
      {waits
        ? waitingWords(t, queue!.runs, asking)
        : waited
          ? t('offline.waitingBanner.everythingHasBeenSent')
          : ''}
      {refused > 0 && (
        <>
          {' '}
          {t.rich('offline.waitingBanner.theServerDidNotAccept', {
            refused,
            a: (chunks) => (
              <a href="/offline?view=phone" className="underline underline-offset-4">
                {chunks}
              </a>
            ),
          })}
        </>
      )}
    </div>
  );
}

/** What waits of other sessions than the one that is being logged, in a few words; empty for nothing. */
export function useOthersWaiting(runIds: readonly string[]): string {
  const t = useTranslations();
  const queue = useWaiting();
  const others = (queue?.runs ?? []).filter(({ runId }) => !runIds.includes(runId));
  return others.length === 0
    ? ''
    : t('offline.waitingBanner.ofOtherSessionsNotSent', {
        amountWaiting: amountWaiting(t, others),
      });
}
