'use client';

import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { NotesField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import { keepNote } from './actions';

/** What the coach wants to remember, in the coach's words. */
export function SessionNote({ sessionId, note }: { sessionId: string; note: string }) {
  const [text, setText] = useState(note);
  const [kept, setKept] = useState(note);
  const [busy, work] = useTransition();
  return (
    <form
      className="grid max-w-[72ch] gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        work(async () => {
          if (!showErrors(await keepNote({ sessionId, note: text }))) return;
          setKept(text);
          toast('The note is kept.');
        });
      }}
    >
      <NotesField
        label="Your note, in your words"
        hint="Private: it goes on no sheet and to nobody."
        rows={3}
        maxLength={2000}
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      {text !== kept && (
        <Button kind="primary" type="submit" className="w-fit" disabled={busy}>
          Keep the note
        </Button>
      )}
    </form>
  );
}
