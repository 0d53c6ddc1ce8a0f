'use client';

import { useTranslations } from 'next-intl';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { z } from 'zod';
import { Begin } from './begin-form';
import { Done } from './done';
import { Going } from './going';
import { HereList } from './here-list';
import { KeptNote } from './kept-note';
import { begunOf, keptHere } from './device';
import type { BegunHere } from './begun';
import { RefusedEntries } from './refused-entries';
import { sendWaiting } from './send-waiting';
import { pathsOf, refreshKept } from './sync';
import type { Kept } from './wire';

/** How often what waits here is sent, ms. */
const EVERY = 5000;

/** What the page shows: it stands behind the question mark of its address. */
const shownSchema = z.object({
  session: z.uuid().optional().catch(undefined),
  review: z.uuid().optional().catch(undefined),
  student: z.uuid().optional().catch(undefined),
  view: z.literal('phone').optional().catch(undefined),
  to: z.string().startsWith('/').optional().catch(undefined),
});
type Shown = z.infer<typeof shownSchema>;

const shownNow = (): Shown =>
  shownSchema.parse(Object.fromEntries(new URLSearchParams(window.location.search)));

/** What a screen of this page is given. */
export interface ShellPart {
  home: string;
  kept: Kept;
  begun: BegunHere[];
  /** Whether the server answered when it was asked last; null before. */
  online: boolean | null;
  /** Goes to another screen of this page: "?session=…", or to a page of the server. */
  go(path: string): void;
  /** Reads again what this device keeps. */
  again(): Promise<void>;
}

/**
 * The page that works with no server: who comes, a session begun, logged, finished and looked at, on what this device keeps; all
 * of it reaches the server later.
 */
export function Shell({ home = '' }: { home?: string }) {
  const [shown, setShown] = useState<Shown | null>(null);
  const [here, setHere] = useState<{ kept: Kept | null; begun: BegunHere[] } | null>(null);
  const [online, setOnline] = useState<boolean | null>(null);
  const again = useCallback(async () => {
    const [kept, begun] = await Promise.all([keptHere(home), begunOf(home)]);
    const next = { kept, begun };
    // What is the same stays the same: a screen that is being logged on is not made anew.
    setHere((old) => (JSON.stringify(old) === JSON.stringify(next) ? old : next));
  }, [home]);
  useEffect(() => {
    const look = () => setShown(shownNow());
    look();
    window.addEventListener('popstate', look);
    return () => window.removeEventListener('popstate', look);
  }, []);
  useEffect(() => {
    let ended = false;
    const sync = async () => {
      const answers = await isThere();
      if (answers) {
        await sendWaiting();
        await refreshKept(home).catch(() => undefined);
      }
      if (ended) return;
      if (answers) goBackOnce();
      setOnline(answers);
      await again();
    };
    const first = setTimeout(() => {
      const read = again().catch(() => setHere({ kept: null, begun: [] }));
      void read.then(sync).catch(() => undefined);
    });
    const timer = setInterval(() => void sync().catch(() => undefined), EVERY);
    return () => {
      ended = true;
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [home, again]);
  const { shell, start } = pathsOf(home);
  const go = useCallback(
    (path: string) => {
      if (!path.startsWith('?')) return window.location.assign(path);
      window.history.pushState(null, '', `${shell}${path === '?' ? '' : path}`);
      setShown(shownNow());
      window.scrollTo(0, 0);
    },
    [shell],
  );
  const kept = here?.kept ?? null;
  const part = useMemo(
    (): ShellPart | null => here && kept && { home, kept, begun: here.begun, online, go, again },
    [home, here, kept, online, go, again],
  );
  if (!shown || !here) return <main className="min-h-dvh bg-paper" aria-busy="true" />;
  if (!part) return <Nothing start={start} online={online} />;
  const running = shown.session && part.begun.find(({ id }) => id === shown.session);
  const reviewed = shown.review && part.begun.find(({ id }) => id === shown.review);
  if (running) return <Going key={running.id} {...part} session={running} />;
  if (shown.review) return <Done {...part} id={shown.review} session={reviewed || null} />;
  if (shown.view === 'phone') return <KeptNote {...part} />;
  if (shown.student !== undefined) return <Begin {...part} student={shown.student} />;
  return <HereList {...part} to={shown.to ?? start} />;
}

/** The server was only slow: the page that was asked for is asked for once more, and only once. */
function goBackOnce(): void {
  const { to, session, review, student } = shownNow();
  const tried = 'dirigo-asked-again';
  if (!to || session || review || student || sessionStorage.getItem(tried) === to) return;
  sessionStorage.setItem(tried, to);
  window.location.replace(to);
}

/** Whether the server answers at all. */
async function isThere(): Promise<boolean> {
  const response = await fetch('/build', {
    cache: 'no-store',
    signal: AbortSignal.timeout(EVERY),
  }).catch(() => null);
  return response?.ok ?? false;
}

function Nothing({ start, online }: { start: string; online: boolean | null }) {
  const t = useTranslations();
  return (
    <main className="grid min-h-dvh content-start gap-4 bg-paper px-5 pt-10">
      <h1>{t('offline.shell.notReadyToWorkOffline')}</h1>
      <p className="max-w-prose text-[1.0625rem]">{t('offline.shell.openDirigoOnceOnlineAnd')}</p>
      <RefusedEntries />
      <p>
        <a href={start} className="text-[1.0625rem] underline underline-offset-4">
          {online ? t('offline.shell.openDirigo') : t('offline.shell.tryAgain')}
        </a>
      </p>
    </main>
  );
}
