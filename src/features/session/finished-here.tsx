'use client';

import { useTranslations } from 'next-intl';
import { useEffect, useRef } from 'react';
import { Button } from '@/ui/button';

/**
 * A session that was finished on this device: its last putts are on their way, or wait for a signal. The page goes on by itself once
 * they are sent, from here or from any other page of this device.
 */
export function FinishedHere({
  offline,
  sent,
  onSent,
  onLeave,
}: {
  offline: boolean;
  sent: boolean;
  onSent: () => void;
  onLeave: () => void;
}) {
  const t = useTranslations();
  const left = useRef(false);
  useEffect(() => {
    if (!sent || left.current) return;
    left.current = true;
    onSent();
  }, [sent, onSent]);
  return (
    <main className="grid min-h-dvh content-center justify-items-start gap-4 bg-paper px-5 md:px-12">
      <h1>{t('session.finishedHere.sessionFinished')}</h1>
      <p role="status" className="max-w-prose text-[1.125rem]">
        {offline
          ? t('session.finishedHere.youAreOfflineEverythingIs')
          : t('session.finishedHere.sendingTheLastPutts')}
      </p>
      {offline && (
        <Button kind="primary" onClick={onLeave}>
          {t('session.finishedHere.leaveThisSession')}
        </Button>
      )}
    </main>
  );
}
