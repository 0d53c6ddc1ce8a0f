'use client';

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
  const left = useRef(false);
  useEffect(() => {
    if (!sent || left.current) return;
    left.current = true;
    onSent();
  }, [sent, onSent]);
  return (
    <main className="grid min-h-dvh content-center justify-items-start gap-4 bg-paper px-5 md:px-12">
      <h1>Session finished</h1>
      <p role="status" className="max-w-prose text-[1.125rem]">
        {offline
          ? 'You are offline. Everything is saved on this device and will be sent from any page of Dirigo once you are online.'
          : 'Sending the last putts…'}
      </p>
      {offline && (
        <Button kind="primary" onClick={onLeave}>
          Leave this session
        </Button>
      )}
    </main>
  );
}
