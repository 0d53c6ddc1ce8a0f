'use client';

import clsx from 'clsx';
import Link from 'next/link';
import { Button } from '@/ui/button';
import type { Saving } from './run-store';

/** Whether what was logged is on the server, in a word or two. */
export function SavingSign({
  saving,
  unsaved,
  entering,
}: {
  saving: Saving;
  unsaved: number;
  /** Logged, and not on this device's disk yet. */
  entering: number;
}) {
  const text =
    saving.state === 'opening'
      ? 'opening…'
      : saving.state === 'saved'
        ? 'all saved'
        : saving.state === 'refused'
          ? `${unsaved} not saved`
          : saving.since === 'offline' && entering === 0
            ? `${unsaved} kept here, no server`
            : 'saving…';
  return (
    <p
      role="status"
      className={clsx(
        'shrink-0 text-sm',
        saving.state === 'saved' ? 'text-ink2' : 'font-[600] text-warn',
      )}
    >
      {text}
    </p>
  );
}

/** What the server would not take, and what can be done. */
export function Refusal({
  saving,
  unsaved,
  finished,
  sessionId,
  onReopen,
  onDiscard,
}: {
  saving: Saving;
  unsaved: number;
  finished: boolean;
  sessionId: string;
  onReopen: () => void;
  onDiscard: () => void;
}) {
  if (saving.state === 'refused') {
    return (
      <div role="alert" className="grid gap-2 border-2 border-warn bg-sheet px-3 py-2 text-[15px]">
        <p>{saving.message}</p>
        <div className="flex flex-wrap gap-2">
          {saving.code === 'finished' && (
            <Button onClick={onReopen}>Open again and save {unsaved}</Button>
          )}
          <Button kind="quiet" onClick={onDiscard}>
            Throw {unsaved === 1 ? 'it' : `these ${unsaved}`} away
          </Button>
        </div>
      </div>
    );
  }
  if (!finished) return null;
  return (
    <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[15px]">
      This session was finished on another screen.{' '}
      <Link href={`/sessions/${sessionId}/review`} className="underline">
        See what it says
      </Link>{' '}
      or log on: you will be asked to open it again.
    </p>
  );
}
