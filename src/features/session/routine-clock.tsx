'use client';

import { useTranslations } from 'next-intl';
import { Timer } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '@/ui/button';
import { releaseFocus } from '@/ui/release-focus';

/** How often the seconds are shown anew, ms. */
const TICK = 100;

/** Times a routine: touched when the player steps in, and again at impact. */
export function RoutineClock({
  seconds,
  most,
  onStop,
}: {
  /** As it was stopped; undefined until then. */
  seconds?: number;
  /** Longer than this is not timed, s. */
  most: number;
  onStop: (seconds: number) => void;
}) {
  const t = useTranslations();
  const [from, setFrom] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (from === null) return;
    const timer = setInterval(() => setNow(performance.now()), TICK);
    return () => clearInterval(timer);
  }, [from]);
  const passed = from === null ? 0 : Math.min(most, Math.max(0, now - from) / 1000);
  return (
    <Button
      className="min-h-11"
      onClick={(event) => {
        releaseFocus(event);
        if (from === null) {
          setNow(event.timeStamp);
          setFrom(event.timeStamp);
          return;
        }
        setFrom(null);
        onStop(Math.round(10 * Math.min(most, (event.timeStamp - from) / 1000)) / 10);
      }}
    >
      <Timer size={18} aria-hidden />
      {from !== null
        ? t('session.routineClock.stopAtImpactS', { passed: passed.toFixed(1) })
        : seconds === undefined
          ? t('session.routineClock.startTimingAsThePlayer')
          : t('session.routineClock.tookSTimeAgain', { seconds: seconds.toFixed(1) })}
    </Button>
  );
}
