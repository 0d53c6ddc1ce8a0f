'use client';

import { useTranslations } from 'next-intl';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { showErrors } from '../shared/show-errors';
import { keepNote } from './actions';
import { NoteForm } from './note-form';

/** The coach's note of a session, kept at the server. */
export function SessionNote({ sessionId, note }: { sessionId: string; note: string }) {
  const t = useTranslations();
  const [kept, setKept] = useState(note);
  const [busy, work] = useTransition();
  const keep = (text: string) =>
    work(async () => {
      if (!showErrors(await keepNote({ sessionId, note: text }))) return;
      setKept(text);
      toast(t('session.sessionNote.noteSaved'));
    });
  return <NoteForm note={kept} busy={busy} onKeep={keep} />;
}
