'use client';

import { useTranslations } from 'next-intl';
import { useState } from 'react';
import { Button } from '@/ui/button';
import { NotesField } from '@/ui/field';

/** What the coach wants to remember of a session, in the coach's words; kept where it is told to. */
export function NoteForm({
  note,
  busy,
  onKeep,
}: {
  /** As it is kept. */
  note: string;
  busy: boolean;
  onKeep: (text: string) => void;
}) {
  const t = useTranslations();
  const [text, setText] = useState(note);
  return (
    <form
      className="grid max-w-[72ch] gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(text.trim());
      }}
    >
      <NotesField
        label={t('session.noteForm.privateNote')}
        hint={t('session.noteForm.onlyCoachesSeeIt')}
        rows={3}
        maxLength={2000}
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      {text.trim() !== note && (
        <Button kind="primary" type="submit" className="w-fit" disabled={busy}>
          {t('session.noteForm.saveNote')}
        </Button>
      )}
    </form>
  );
}
