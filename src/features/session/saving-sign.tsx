'use client';

import clsx from 'clsx';
import { Link } from '@/ui/link';
import { Button } from '@/ui/button';
import type { RunView } from './run-store';

function savingWords({ saving, unsaved, entering, kept }: RunView): string {
  switch (saving.state) {
    case 'opening':
      return 'opening…';
    case 'saved':
      return 'all saved';
    case 'refused':
      return `${unsaved} not saved`;
    case 'waiting':
      if (saving.since === 'now' || entering > 0) return 'saving…';
      if (!kept) return `${unsaved} on this page only`;
      return saving.since === 'server'
        ? `${unsaved} kept here, server cannot save`
        : `${unsaved} kept here, no connection`;
  }
}

/** Whether what was logged is on the server, in a word or two; and, in red, when this device keeps nothing. */
export function SavingSign({ view, others }: { view: RunView; others: string }) {
  const { saving, kept } = view;
  /** Said aloud only where something is wrong: after each putt it would talk over what was logged. */
  const quiet =
    kept &&
    (saving.state === 'saved' ||
      saving.state === 'opening' ||
      (saving.state === 'waiting' && saving.since === 'now'));
  return (
    <p
      role={quiet ? undefined : 'status'}
      className={clsx(
        'shrink-0 text-right text-sm',
        saving.state === 'saved' && kept ? 'text-ink2' : 'font-[600] text-warn',
      )}
    >
      {savingWords(view)}
      {others !== '' && <span className="block font-[600] text-warn">{others}</span>}
      {!kept && <span className="block bg-line px-1.5 text-sheet">not stored on this device</span>}
    </p>
  );
}

/** What the server would not take, and what can be done. */
export function Refusal({
  view: { saving, unsaved, finished, kept },
  sessionId,
  onReopen,
  onSetAside,
}: {
  view: RunView;
  sessionId: string;
  onReopen: () => void;
  onSetAside: () => void;
}) {
  if (saving.state === 'waiting' && saving.message) {
    return (
      <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[0.9375rem]">
        {saving.message} What you logged is{' '}
        {kept ? 'kept here' : 'on this page only (leave it open)'}, and it will be sent again
        automatically.
      </p>
    );
  }
  if (saving.state === 'refused') {
    return (
      <div
        role="alert"
        className="grid gap-2 border-2 border-warn bg-sheet px-3 py-2 text-[0.9375rem]"
      >
        <p>{saving.message}</p>
        {unsaved > 0 && (
          <div className="flex flex-wrap gap-2">
            {saving.code === 'finished' && (
              <Button onClick={onReopen}>Reopen and save {unsaved}</Button>
            )}
            <Button kind="quiet" onClick={onSetAside}>
              Set {unsaved === 1 ? 'it' : `these ${unsaved}`} aside
            </Button>
          </div>
        )}
      </div>
    );
  }
  if (!finished) return null;
  return (
    <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[0.9375rem]">
      This session was finished on another screen.{' '}
      <Link href={`/sessions/${sessionId}/review`} className="underline">
        View the review
      </Link>{' '}
      or keep logging. You will be asked to reopen it.
    </p>
  );
}
