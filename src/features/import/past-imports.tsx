'use client';

import { format } from '@/ui/when';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import type { ImportTold } from '@/data';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { takeBack } from './actions';

/** What came in from files, each to be taken back as one. */
export function PastImports({ imports }: { imports: ImportTold[] }) {
  const [sure, setSure] = useState<string | null>(null);
  const [busy, work] = useTransition();
  return (
    <ul>
      {imports.map(({ id, name, at, putts, sessions, undoneAt }) => (
        <li
          key={id}
          className="flex flex-wrap items-center justify-between gap-2 border-b border-hair py-2"
        >
          <div className="min-w-0">
            <p className="truncate text-[1rem] font-[620]">{name}</p>
            <p className="text-[0.9375rem] text-ink2">
              {format(at, 'd MMM yyyy, HH:mm')} · {putts.toLocaleString('en')}{' '}
              {putts === 1 ? 'putt' : 'putts'} in {sessions}{' '}
              {sessions === 1 ? 'session' : 'sessions'}
              {undoneAt && ' · undone'}
            </p>
          </div>
          {!undoneAt && (
            <Button
              disabled={busy}
              onClick={() => {
                if (sure !== id) {
                  setSure(id);
                  return;
                }
                work(async () => {
                  if (showErrors(await takeBack(id)))
                    toast(`Everything imported from ${name} has been removed.`);
                  setSure(null);
                });
              }}
            >
              {sure === id ? `Yes, remove ${putts.toLocaleString('en')} putts` : 'Undo import'}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}
