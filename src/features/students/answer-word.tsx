'use client';

import { useTranslations } from 'next-intl';
import { useState, useTransition } from 'react';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { answerHomework } from './homework-actions';

/** The coach's answer, in a line. */
export function AnswerWord({ homework, given }: { homework: string; given: string }) {
  const t = useTranslations();
  const [busy, run] = useTransition();
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string>();
  const send = () =>
    run(async () => {
      const result = await answerHomework({ homework, text });
      if (!result.ok) {
        setWrong(Object.values(result.fields)[0] ?? result.message);
        return;
      }
      setText('');
      setWrong(undefined);
    });
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <div className="min-w-0 flex-1 basis-60">
        <TextField
          label={t('students.answerWord.replyTo', { given })}
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={wrong}
        />
      </div>
      <Button type="submit" disabled={busy}>
        {t('students.answerWord.sendReply')}
      </Button>
    </form>
  );
}
